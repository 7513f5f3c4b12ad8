//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment">
    <argument android:name="loanId" app:argType="string"/>
WRONG|    <argument android:name="note" app:argType="string" />
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
WRONG|    fun open() { findNavController().navigate(R.id.loan, bundleOf("loanId" to "7", "note" to "")) }
RIGHT|    fun open() { findNavController().navigate(R.id.loan, bundleOf("loanId" to "7")) }
}
class LoanFragment : Fragment() { fun show() = requireArguments().getString("loanId") }
