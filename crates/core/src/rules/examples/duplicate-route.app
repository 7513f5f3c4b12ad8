//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
WRONG|  <dialog android:id="@+id/confirm" android:name=".ConfirmReturn" />
WRONG|  <dialog android:id="@+id/confirm" android:name=".ConfirmRepair" />
RIGHT|  <dialog android:id="@+id/confirm_return" android:name=".ConfirmReturn" />
RIGHT|  <dialog android:id="@+id/confirm_repair" android:name=".ConfirmRepair" />
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
WRONG|    fun ask() { findNavController().navigate(R.id.confirm) }
RIGHT|    fun ask() { findNavController().navigate(R.id.confirm_return); findNavController().navigate(R.id.confirm_repair) }
}
class ConfirmReturn : DialogFragment()
class ConfirmRepair : DialogFragment()
