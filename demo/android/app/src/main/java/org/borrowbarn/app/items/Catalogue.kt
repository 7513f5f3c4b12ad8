package org.borrowbarn.app.items

data class Item(val id: String, val name: String, val tag: String)

object Catalogue {
    private val items = listOf(
        Item("i-12", "Hedge trimmer", "garden"),
        Item("i-31", "Mitre saw", "workshop"),
    )

    fun all(): List<Item> = items

    fun find(id: String?): Item? = items.firstOrNull { it.id == id }
}
