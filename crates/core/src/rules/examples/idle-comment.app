//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
WRONG|<!-- lantern: orphan-screen is meant: the tablet opens it -->
<fragment android:id="@+id/help" android:name="barn.HelpFragment"/>
<fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() { fun help() { findNavController().navigate(R.id.help) } }
class HelpFragment : Fragment()
