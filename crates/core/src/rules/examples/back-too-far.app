//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() { fun open() = findNavController().navigate(R.id.item) }
class ItemFragment : Fragment() {
    fun close() {
        val nav = findNavController()
WRONG|        nav.popBackStack()
WRONG|        nav.popBackStack()
RIGHT|        nav.popBackStack(R.id.shelf, false)
    }
}
