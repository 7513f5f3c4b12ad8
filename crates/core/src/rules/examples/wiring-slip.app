//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun note() {
WRONG|        parentFragmentManager.beginTransaction()
WRONG|            .replace(R.id.slot, NoteFragment())
RIGHT|        parentFragmentManager.beginTransaction()
RIGHT|            .replace(R.id.slot, NoteFragment())
RIGHT|            .commit()
    }
}
class NoteFragment : Fragment()
