//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <include app:graph="@navigation/archive"/>
</navigation>
//- res/navigation/archive.xml
WRONG|<navigation android:id="@+id/archive" app:startDestination="@id/shelf"
RIGHT|<navigation android:id="@+id/archive" app:startDestination="@id/archive_list"
    xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto">
  <fragment android:id="@+id/archive_list" android:name="barn.ArchiveListFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() { fun open() = findNavController().navigate(R.id.archive) }
class ArchiveListFragment : Fragment()
