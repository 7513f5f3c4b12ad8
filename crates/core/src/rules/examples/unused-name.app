//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/action_shelf_to_settings" app:destination="@id/settings" />
  </fragment>
  <fragment android:id="@+id/settings" android:name="barn.SettingsFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun settings() {
RIGHT|        findNavController().navigate(R.id.action_shelf_to_settings)
    }
}
class SettingsFragment : Fragment()
