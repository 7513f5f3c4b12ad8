//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
WRONG|  <fragment android:id="@+id/map" android:name="barn.MapFragment" />
RIGHT|  <fragment android:id="@+id/map" android:name="barn.map.MapFragment" />
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() { fun open() = findNavController().navigate(R.id.map) }
//- map/Map.kt
package barn.map
class MapFragment : Fragment()
