//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
import androidx.fragment.app.setFragmentResult
import androidx.fragment.app.setFragmentResultListener
class MainActivity : AppCompatActivity(R.layout.main)
object Keys { const val LOAN_CLOSED = "loanClosed" }
class ShelfFragment : Fragment() {
    override fun onCreate(state: Bundle?) { setFragmentResultListener("loanClosed") { _, bundle -> } }
    fun open() { findNavController().navigate(R.id.loan) }
}
class LoanFragment : Fragment() {
    fun close(bundle: Bundle) {
WRONG|        setFragmentResult("loan_closed", bundle)
RIGHT|        setFragmentResult(Keys.LOAN_CLOSED, bundle)
    }
}
