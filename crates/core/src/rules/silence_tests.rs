//! Apps that are right, or that cannot be known: no rule may say more than a note of them.

use super::testing::{app, quiet};

const HEAD: &str = r#"<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto""#;

#[test]
fn a_controller_of_a_parent_sees_more_than_the_screen_does() {
    quiet(&app(&format!(
        r#"
//- res/navigation/main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/outer">
  <fragment android:id="@+id/outer" android:name="barn.OuterFragment"/>
  <fragment android:id="@+id/settings" android:name="barn.SettingsFragment"/>
</navigation>
//- res/navigation/inner.xml
{HEAD}
    android:id="@+id/inner" app:startDestination="@id/page">
  <fragment android:id="@+id/page" android:name="barn.PageFragment"/>
</navigation>
//- res/layout/fragment_outer.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/inner_host" app:navGraph="@navigation/inner"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class OuterFragment : Fragment(R.layout.fragment_outer)
class SettingsFragment : Fragment()
class PageFragment : Fragment() {{
    fun a() = requireParentFragment().requireParentFragment().findNavController().navigate(R.id.settings)
    fun b() = requireActivity().findNavController(R.id.host).navigate(R.id.settings)
    fun c() = Navigation.findNavController(requireActivity(), R.id.host).navigate(R.id.settings)
}}
"#
    )));
}

#[test]
fn graphs_that_the_source_does_not_have_may_declare_anything() {
    let part = app(&format!(
        r#"
//- res/navigation/main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/elsewhere">
  <include app:graph="@navigation/of_another_repository"/>
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {{
    fun open() {{
        findNavController().navigate(R.id.elsewhere)
        findNavController().navigate(R.id.shelf)
    }}
}}
"#
    ));
    quiet(&part);
}

#[test]
fn graphs_handed_around_by_id_are_shown() {
    quiet(&format!(
        r#"
//- res/navigation/home.xml
{HEAD}
    android:id="@+id/home" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- res/navigation/loans.xml
{HEAD}
    android:id="@+id/loans" app:startDestination="@id/loan">
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment"/>
</navigation>
//- res/layout/activity_main.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    android:id="@+id/host" android:name="androidx.navigation.fragment.NavHostFragment"/>
//- Main.kt
package barn
import androidx.navigation.NavController
class MainActivity : AppCompatActivity(R.layout.activity_main) {{
    private val graphs = listOf(R.navigation.home, R.navigation.loans)
    fun wire(controller: NavController) = graphs.forEach {{ controller.setGraph(it) }}
}}
class ShelfFragment : Fragment()
class LoanFragment : Fragment()
fun start(context: Context) = context.startActivity(Intent(context, MainActivity::class.java))
"#
    ));
}

#[test]
fn arguments_that_may_be_read_anywhere_are_read() {
    quiet(&app(&format!(
        r#"
//- res/navigation/main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/item">
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="a" android:defaultValue="x"/>
    <argument android:name="b" android:defaultValue="x"/>
    <argument android:name="c" android:defaultValue="x"/>
  </fragment>
  <fragment android:id="@+id/any" android:name="barn.AnyFragment"><argument android:name="d" android:defaultValue="x"/></fragment>
  <fragment android:id="@+id/kept" android:name="barn.KeptFragment"><argument android:name="e" android:defaultValue="x"/></fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.navArgs
class ItemFragment : Fragment() {{
    fun show() {{
        if (requireArguments().containsKey("a")) return
        arguments?.getCharSequence("b")
        arguments?.get("c")
        findNavController().navigate(R.id.any)
        findNavController().navigate(R.id.kept)
    }}
}}
class AnyFragment : Fragment() {{ fun show(key: String) = requireArguments().getString(key) }}
class KeptFragment : Fragment() {{
    private val args: KeptFragmentArgs by navArgs()
    fun show(model: Model) = model.start(args)
}}
class Model {{ fun start(args: KeptFragmentArgs) {{ }} }}
"#
    )));
}

#[test]
fn screens_made_by_preferences_factories_and_reflection() {
    quiet(&app(&format!(
        r#"
//- res/navigation/main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- res/xml/preferences.xml
<PreferenceScreen xmlns:app="http://schemas.android.com/apk/res-auto"><Preference app:fragment="barn.SoundFragment"/></PreferenceScreen>
//- res/layout/activity_fixed.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    android:id="@+id/fixed" android:name="barn.FixedFragment"/>
//- Screens.kt
package barn
class ShelfFragment : Fragment() {{
    fun make(factory: FragmentFactory) = factory.instantiate(loader, MadeFragment::class.java.name)
    val pages = listOf(::PageFragment)
}}
class SoundFragment : PreferenceFragmentCompat()
class FixedFragment : Fragment()
class MadeFragment : Fragment()
class PageFragment : Fragment()
"#
    )));
}

#[test]
fn what_is_no_navigation_is_left_alone() {
    quiet(&app(&format!(
        r#"
//- res/navigation/main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class Router {{ fun navigate(to: Int) {{ }}
 fun popBackStack() {{ }} }}
class Basket {{ fun replace(a: Int, b: String) {{ }}
 fun show(a: String) {{ }}
 fun finish() {{ }} }}
class ShelfFragment : Fragment() {{
    private val router = Router()
    private val basket = Basket()
    private val state = SavedStateHandle()
    fun work(text: String, map: MutableMap<String, Int>) {{
        router.navigate(R.id.nowhere)
        router.popBackStack()
        basket.replace(R.id.slot, text.replace("a", "b"))
        basket.show("x")
        basket.finish()
        map["result"] = 1
        map.set("other", 2)
        state.set("own", 3)
        listOf(1).toMutableList().add(2)
        // findNavController().navigate(R.id.nowhere)
        val code = "findNavController().navigate(R.id.nowhere)"
    }}
}}
"#
    )));
}

#[test]
fn one_app_beside_another_keeps_its_own_ids() {
    let module = |name: &str| {
        format!(
            r#"
//- {name}/build.gradle
android {{ namespace '{name}.barn' }}
//- {name}/src/main/res/navigation/{name}_main.xml
{HEAD}
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name=".ShelfFragment"/>
  <fragment android:id="@+id/item" android:name=".ItemFragment"/>
</navigation>
//- {name}/src/main/res/layout/{name}_host.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/host" app:navGraph="@navigation/{name}_main"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
//- {name}/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name=".HostActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity></application></manifest>
//- {name}/src/main/java/Screens.kt
package {name}.barn
import androidx.navigation.fragment.findNavController
class HostActivity : AppCompatActivity(R.layout.{name}_host)
class ShelfFragment : Fragment() {{ fun open() = findNavController().navigate(R.id.item) }}
class ItemFragment : Fragment()
"#
        )
    };
    let scan = quiet(&(module("one") + &module("two")));
    for call in &scan.document.calls {
        let routes = &call.target.as_ref().expect("a target").routes;
        assert_eq!(routes.len(), 1, "{call:#?}");
    }
}

#[test]
fn a_module_without_its_app_is_not_blamed_for_it() {
    quiet(&format!(
        r#"
//- feature/build.gradle
android {{ namespace 'barn.loans' }}
//- feature/src/main/res/navigation/loans.xml
{HEAD}
    android:id="@+id/loans" app:startDestination="@id/list">
  <fragment android:id="@+id/list" android:name=".ListFragment"/>
  <fragment android:id="@+id/loan" android:name=".LoanFragment"/>
</navigation>
//- feature/src/main/java/Screens.kt
package barn.loans
import androidx.navigation.fragment.findNavController
class ListFragment : Fragment() {{ fun open() = findNavController().navigate(R.id.loan) }}
class LoanFragment : Fragment()
class SheetForTheApp : BottomSheetDialogFragment()
const val LIST = "loans/list"
const val LOANS = "loans"
fun NavGraphBuilder.loans(nav: NavController) {{ navigation(LIST, LOANS) {{ composable(LIST) {{ ListScreen() }} }} }}
@Composable fun ListScreen() {{ }}
"#
    ));
}
