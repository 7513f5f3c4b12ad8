//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/itemEdit" android:name="barn.ItemEditFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun edit() {
WRONG|        findNavController().navigate(R.id.item_edit)
RIGHT|        findNavController().navigate(R.id.itemEdit)
    }
}
class ItemEditFragment : Fragment()
