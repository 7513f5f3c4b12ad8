//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/member">
  <fragment android:id="@+id/member" android:name="barn.MemberFragment">
    <argument android:name="memberName" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class MemberFragment : Fragment() {
WRONG|    fun name() = requireArguments().getString("member_name", "")
RIGHT|    fun name() = requireArguments().getString("memberName", "")
}
