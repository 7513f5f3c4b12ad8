//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <argument android:name="note" app:argType="string" app:nullable="true" android:defaultValue="@null"/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    private val args: ShelfFragmentArgs by navArgs()
    fun show(title: TextView) {
WRONG|        title.text = args.note!!
RIGHT|        title.text = args.note.orEmpty()
    }
}
