//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/action_shelf_to_item" app:destination="@id/item"/>
  </fragment>
  <fragment android:id="@+id/loans" android:name="barn.LoansFragment">
    <action android:id="@+id/action_loans_to_item" app:destination="@id/item"/>
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun item() = findNavController().navigate(R.id.action_shelf_to_item)
    fun loans() = findNavController().navigate(R.id.loans)
}
class LoansFragment : Fragment() {
    fun item() {
WRONG|        findNavController().navigate(R.id.action_shelf_to_item)
RIGHT|        findNavController().navigate(R.id.action_loans_to_item)
    }
}
class ItemFragment : Fragment()
