//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/action_shelf_to_handover" app:destination="@id/handover"/>
  </fragment>
  <fragment android:id="@+id/handover" android:name="barn.HandoverFragment">
    <action android:id="@+id/action_handover_self" app:destination="@id/handover"/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun open() {
RIGHT|        findNavController().navigate(R.id.action_shelf_to_handover)
    }
}
class HandoverFragment : Fragment() {
    fun again() {
        findNavController().navigate(R.id.action_handover_self)
    }
}
