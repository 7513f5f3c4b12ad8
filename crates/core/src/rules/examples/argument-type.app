//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment">
    <argument android:name="copies" app:argType="integer"/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun lend(field: EditText) {
        val bundle = Bundle()
WRONG|        bundle.putString("copies", field.text.toString())
RIGHT|        bundle.putInt("copies", field.text.toString().toInt())
        findNavController().navigate(R.id.loan, bundle)
    }
}
class LoanFragment : Fragment() { fun show() = requireArguments().getInt("copies") }
