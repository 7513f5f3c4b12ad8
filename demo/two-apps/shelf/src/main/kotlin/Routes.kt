package example.borrowbarn.shelf

/** Names that both apps have. */
object Routes {
    const val SHELF = "shelf"
    const val ITEM = "item/{itemId}"

    fun item(id: String) = "item/$id"
}
