//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item_detail" android:name="barn.ItemDetailFragment">
    <argument android:name="itemId" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class Item(val id: String)
class ShelfFragment : Fragment() {
    fun open(item: Item) {
WRONG|        findNavController().navigate(R.id.item_detail, bundleOf("item_id" to item.id))
RIGHT|        findNavController().navigate(R.id.item_detail, bundleOf("itemId" to item.id))
    }
}
class ItemDetailFragment : Fragment() { fun show() = requireArguments().getString("itemId", "") }
