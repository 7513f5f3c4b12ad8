//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string"/>
    <deepLink app:uri="barn://item/{itemId}"/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
object Links { fun item(itemId: String): Uri = Uri.parse("barn://item/$itemId") }
class ShelfFragment : Fragment() {
    fun open(itemId: String) {
        val nav = findNavController()
WRONG|        nav.navigate(Uri.parse("barn://item/$itemId"))
RIGHT|        nav.navigate(Links.item(itemId))
    }
}
class ItemFragment : Fragment() { fun show() = requireArguments().getString("itemId") }
