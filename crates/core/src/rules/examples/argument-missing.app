//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/action_shelf_to_item_detail" app:destination="@id/item_detail"/>
  </fragment>
  <fragment android:id="@+id/item_detail" android:name="barn.ItemDetailFragment">
    <argument android:name="itemId" app:argType="string"/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class Item(val id: String)
class ShelfFragment : Fragment() {
    private lateinit var item: Item
    fun open() {
WRONG|        findNavController().navigate(R.id.item_detail)
RIGHT|        findNavController().navigate(ShelfFragmentDirections.actionShelfToItemDetail(item.id))
    }
}
class ItemDetailFragment : Fragment() { fun show() = requireArguments().getString("itemId")!! }
