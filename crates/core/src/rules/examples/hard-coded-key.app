//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/tags" android:name="barn.TagsFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
import androidx.fragment.app.setFragmentResult
import androidx.fragment.app.setFragmentResultListener
class MainActivity : AppCompatActivity(R.layout.main)
object Keys { const val PICKED = "picked" }
class ShelfFragment : Fragment() {
    override fun onCreate(state: Bundle?) {
WRONG|        setFragmentResultListener("picked") { _, bundle -> }
RIGHT|        setFragmentResultListener(Keys.PICKED) { _, bundle -> }
    }
    fun pick() { findNavController().navigate(R.id.tags) }
}
class TagsFragment : Fragment() {
    fun done(bundle: Bundle) {
WRONG|        setFragmentResult("picked", bundle)
RIGHT|        setFragmentResult(Keys.PICKED, bundle)
    }
}
