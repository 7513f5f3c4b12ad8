//- minimal: launcher
//- res/layout/main.xml
<LinearLayout xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto">
  <androidx.fragment.app.FragmentContainerView android:id="@+id/host" app:navGraph="@navigation/main"
      android:name="androidx.navigation.fragment.NavHostFragment"/>
  <com.google.android.material.bottomnavigation.BottomNavigationView android:id="@+id/bar" app:menu="@menu/bar"/>
</LinearLayout>
//- res/menu/bar.xml
<menu xmlns:android="http://schemas.android.com/apk/res/android">
  <item android:id="@+id/shelf" android:title="@string/shelf" />
WRONG|  <item android:id="@+id/setting" android:title="@string/settings" />
RIGHT|  <item android:id="@+id/settings" android:title="@string/settings" />
</menu>
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/settings" android:name="barn.SettingsFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.ui.setupWithNavController
class MainActivity : AppCompatActivity(R.layout.main) {
    fun bar() { findViewById<BottomNavigationView>(R.id.bar).setupWithNavController(findNavController(R.id.host)) }
}
class ShelfFragment : Fragment()
class SettingsFragment : Fragment()
