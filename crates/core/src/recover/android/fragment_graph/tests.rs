//! The style's forms, old and new, in both languages.

use crate::recover::testing::{calls, lists, reads, results, routes, scanned};
use expect_test::expect;

const GRAPH: &str = r#"
//- app/build.gradle
android { namespace 'org.barn' }
//- app/src/main/res/navigation/main.xml
<navigation xmlns:a="http://schemas.android.com/apk/res/android" xmlns:n="http://schemas.android.com/apk/res-auto"
    a:id="@+id/main" n:startDestination="@id/shelf">
  <fragment a:id="@+id/shelf" a:name=".ShelfFragment">
    <action a:id="@+id/shelf_to_item" n:destination="@id/item"/>
  </fragment>
  <fragment a:id="@+id/item" a:name=".ItemFragment">
    <argument a:name="item_id" n:argType="string"/>
    <argument a:name="copies" n:argType="integer" a:defaultValue="1"/>
    <deepLink n:uri="barn://item/{item_id}?copies={copies}"/>
  </fragment>
</navigation>
//- app/src/main/res/layout/activity_main.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/host" app:navGraph="@navigation/main"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
"#;

fn with(code: &str) -> crate::model::Document {
    scanned(&format!("{GRAPH}{code}"))
}

#[test]
fn graphs_with_any_prefix_nesting_includes_and_every_kind() {
    let document = scanned(
        r#"
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="org.barn"/>
//- app/src/main/res/navigation/main.xml
<navigation xmlns:x="http://schemas.android.com/apk/res/android" xmlns:y="http://schemas.android.com/apk/res-auto"
    x:id="@+id/main" y:startDestination="@+id/inner">
  <include y:graph="@navigation/loans"/>
  <navigation x:id="@+id/inner" y:startDestination="@id/shelf">
    <fragment x:id="@+id/shelf" x:name=".ShelfFragment"><argument x:name="page" x:defaultValue="3"/></fragment>
  </navigation>
  <dialog x:id="@+id/tags" x:name="org.barn.TagSheet"/>
  <dialog x:id="@+id/ask" x:name="org.barn.AskDialog"/>
  <activity x:id="@+id/scan" x:name=".ScanActivity"><argument x:name="flash" y:argType="boolean" x:defaultValue="false"/></activity>
  <chooser x:id="@+id/custom"/>
</navigation>
//- loans/build.gradle.kts
android { namespace = "org.barn.loans" }
//- loans/src/main/res/navigation/loans.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/loans_graph" app:startDestination="@id/loan">
  <fragment android:id="@+id/loan" android:name=".LoanFragment"><argument android:name="at" app:argType="long"/></fragment>
</navigation>
//- loans/src/main/java/LoanFragment.java
package org.barn.loans;
public class LoanFragment extends Fragment { }
//- app/src/main/java/Screens.kt
package org.barn
import androidx.fragment.app.Fragment as Piece
class ShelfFragment : Piece()
open class BarnSheet : BottomSheetDialogFragment()
class TagSheet : BarnSheet()
class AskDialog : AppCompatDialogFragment()
class ScanActivity : AppCompatActivity() { fun host() { NavHostFragment.create(R.navigation.main) } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *inner [group] -> - () main.xml:4
        *shelf [screen] -> ShelfFragment (page?: integer) main.xml:5
        tags [sheet] -> TagSheet () main.xml:7
        ask [dialog] -> AskDialog () main.xml:8
        scan [activity] -> ScanActivity (flash?: boolean) main.xml:9
        custom [screen] -> - () main.xml:10
        loans_graph [group] -> - () loans.xml:1
        *loan [screen] -> LoanFragment (at: long) loans.xml:3"#]],
    );
}

#[test]
fn every_way_to_a_controller_in_kotlin() {
    let document = with(
        r#"
//- app/src/main/java/Screens.kt
package org.barn
import androidx.navigation.NavController
import androidx.navigation.Navigation
import androidx.navigation.fragment.NavHostFragment
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    private lateinit var late: NavController
    private val lazily by lazy { findNavController() }
    private val nav get() = findNavController()
    fun open(view: View, given: NavController, button: Button) {
        late = Navigation.findNavController(view)
        view.findNavController().navigate(R.id.item)
        late.navigate(R.id.item)
        lazily.navigate(resId = R.id.item, args = null)
        nav.navigate(R.id.shelf_to_item, null, navOptions { launchSingleTop = true })
        given.navigate(R.id.item)
        NavHostFragment.findNavController(this).navigate(R.id.item)
        with(findNavController()) { navigate(R.id.item) }
        findNavController().apply { if (currentDestination != null) navigate(R.id.item) }
        button.setOnClickListener(Navigation.createNavigateOnClickListener(R.id.item))
        requireActivity().findNavController(R.id.host).popBackStack(R.id.shelf, false)
        findNavController().navigateUp()
    }
}
class ItemFragment : Fragment()
class MainActivity : AppCompatActivity(R.layout.activity_main) {
    fun open() {
        (supportFragmentManager.findFragmentById(R.id.host) as NavHostFragment).navController.navigate(R.id.item)
        findNavController(R.id.host).navigate(R.id.item)
    }
}
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfFragment open item resource () Screens.kt:12
        ShelfFragment open item resource () Screens.kt:13
        ShelfFragment open item resource () Screens.kt:14
        ShelfFragment open item resource () Screens.kt:15
        ShelfFragment open item resource () Screens.kt:16
        ShelfFragment open item resource () Screens.kt:17
        ShelfFragment open item resource () Screens.kt:18
        ShelfFragment open item resource () Screens.kt:19
        ShelfFragment open item resource () Screens.kt:20
        ShelfFragment back-to shelf resource () Screens.kt:21
        ShelfFragment back - () Screens.kt:22
        MainActivity open item resource () Screens.kt:28
        MainActivity open item resource () Screens.kt:29"#]],
    );
}

#[test]
fn arguments_by_every_kind_of_bundle_and_by_directions() {
    let document = with(
        r#"
//- app/src/main/java/Screens.kt
package org.barn
import androidx.navigation.fragment.findNavController
import org.barn.Keys.ITEM
object Keys { const val ITEM = "item_id"; const val COPIES = "copies" }
fun bundle(id: String) = bundleOf(Keys.ITEM to id)
class ShelfFragment : Fragment() {
    fun open(id: String) {
        val nav = findNavController()
        nav.navigate(R.id.item, bundleOf(ITEM to id, Pair(Keys.COPIES, 2)))
        nav.navigate(R.id.item, Bundle().also { it.putString("item_id", id) })
        nav.navigate(R.id.item, bundle(id).apply { putInt(Keys.COPIES, 1) })
        nav.navigate(R.id.item, ItemFragmentArgs(id).toBundle())
        nav.navigate(R.id.item, Bundle(bundle(id)))
        nav.navigate(ShelfFragmentDirections.shelfToItem(id, copies = 3))
        val directions = ShelfFragmentDirections.shelfToItem(itemId = id)
        nav.navigate(directions)
        nav.navigate(Uri.parse("barn://item/$id?copies=2"))
        nav.navigate(NavDeepLinkRequest.Builder.fromUri("barn://item/$id".toUri()).build())
    }
}
class ItemFragment : Fragment()
//- app/src/main/java/JavaFragment.java
package org.barn;
import androidx.navigation.Navigation;
public class JavaFragment extends Fragment {
    void open(View view, String id) {
        ShelfFragmentDirections.ShelfToItem action = ShelfFragmentDirections.shelfToItem(id);
        action.setCopies(4);
        Navigation.findNavController(view).navigate(action);
        Navigation.findNavController(view).navigate(R.id.item, new ItemFragmentArgs.Builder(id).setCopies(2).build().toBundle());
    }
}
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        JavaFragment open item generated (copies, item_id) JavaFragment.java:7
        JavaFragment open item resource (copies, item_id) JavaFragment.java:8
        ShelfFragment open item resource (copies, item_id) Screens.kt:9
        ShelfFragment open item resource (item_id) Screens.kt:10
        ShelfFragment open item resource (copies, item_id) Screens.kt:11
        ShelfFragment open item resource (item_id) Screens.kt:12
        ShelfFragment open item resource (item_id) Screens.kt:13
        ShelfFragment open item generated (copies, item_id) Screens.kt:14
        ShelfFragment open item generated (item_id) Screens.kt:16
        ShelfFragment link item literal (copies, item_id) Screens.kt:17
        ShelfFragment link item literal (item_id) Screens.kt:18"#]],
    );
}

#[test]
fn wrappers_navigators_and_bases_pass_their_callers_on() {
    let document = with(
        r#"
//- app/src/main/java/Nav.kt
package org.barn.nav
import androidx.navigation.NavController
import androidx.navigation.NavDirections
fun NavController.safely(directions: NavDirections) { currentDestination?.getAction(directions.actionId)?.let { navigate(directions) } }
fun Fragment.show(id: Int, args: Bundle? = null) = showAgain(id, args)
private fun Fragment.showAgain(id: Int, args: Bundle?) = findNavController().navigate(id, args)
interface Ways { fun toItem(id: String) }
class GraphWays(private val nav: NavController) : Ways {
    override fun toItem(id: String) = nav.navigate(R.id.item, bundleOf("item_id" to id))
    fun unused() = nav.navigate(R.id.shelf)
}
//- app/src/main/java/Screens.kt
package org.barn
import org.barn.nav.*
abstract class BarnFragment : Fragment() {
    protected fun go(id: Int) { findNavController().navigate(id) }
    protected open fun home() { findNavController().navigate(R.id.shelf) }
}
class ShelfFragment : BarnFragment() {
    private val adapter = Rows { id -> show(R.id.item, bundleOf("item_id" to id)) }
    fun open() {
        findNavController().safely(ShelfFragmentDirections.shelfToItem("7"))
        show(R.id.item)
        go(R.id.item)
    }
}
class ItemFragment : BarnFragment() {
    private val ways: Ways = GraphWays(findNavController())
    fun again(id: String) { ways.toItem(id) }
    override fun home() { }
}
class Rows(private val onRow: (String) -> Unit) : RecyclerView.Adapter<Holder>() {
    override fun onBindViewHolder(holder: Holder, at: Int) { holder.view.setOnClickListener { onRow("x") } }
}
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemFragment open item resource (item_id) Nav.kt:9
        - open shelf resource () Nav.kt:10
        ShelfFragment open shelf resource () Screens.kt:5
        ShelfFragment open item resource (item_id) Screens.kt:8
        ShelfFragment open item generated (item_id) Screens.kt:10
        ShelfFragment open item resource () Screens.kt:11
        ShelfFragment open item resource () Screens.kt:12"#]],
    );
}

#[test]
fn reads_by_delegate_bundle_and_saved_state() {
    let document = with(
        r#"
//- app/src/main/java/Screens.kt
package org.barn
import androidx.navigation.fragment.navArgs
class ShelfFragment : Fragment()
class ItemFragment : Fragment() {
    private val args by navArgs<ItemFragmentArgs>()
    private val model by viewModels<ItemModel>()
    fun show() {
        title(args.itemId)
        if (!args.copies.equals(2)) return
        val (first, second) = pair
        arguments?.let { bundle -> title(bundle.getString("item_id")) }
        arguments?.getInt(COPIES, 2)
        requireArguments().getString("item_id")!!
    }
    private companion object { const val COPIES = "copies" }
}
class ItemModel(private val state: SavedStateHandle) : ViewModel() {
    private val args = ItemFragmentArgs.fromSavedStateHandle(state)
    val id = args.itemId
    val copies: Int = requireNotNull(state["copies"])
    val live = state.getLiveData<Int>("copies")
    val own = state.getStateFlow("own", 1)
}
//- app/src/main/java/JavaFragment.java
package org.barn;
public class JavaFragment extends Fragment {
    void show() {
        String id = ItemFragmentArgs.fromBundle(getArguments()).getItemId();
        Bundle bundle = getArguments();
        if (bundle != null) { int copies = bundle.getInt("copies"); }
    }
}
"#,
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemFragment item_id - JavaFragment.java:4
        JavaFragment copies Int JavaFragment.java:6
        ItemFragment item_id - Screens.kt:8
        ItemFragment copies - Screens.kt:9
        ItemFragment item_id String Screens.kt:11
        ItemFragment copies Int Screens.kt:12
        ItemFragment item_id String forced Screens.kt:13
        ItemFragment item_id - Screens.kt:19
        ItemFragment copies - forced Screens.kt:20
        ItemFragment copies Int Screens.kt:21"#]],
    );
}

#[test]
fn results_both_ways() {
    let document = with(
        r#"
//- app/src/main/java/Screens.kt
package org.barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun listen() {
        setFragmentResultListener("a") { key, bundle -> bundle.getInt("n") }
        childFragmentManager.setFragmentResultListener(KEY, this) { _, _ -> }
        val entry = findNavController().currentBackStackEntry ?: return
        entry.savedStateHandle.getStateFlow("c", 0)
        entry.savedStateHandle.remove<Int>("c")
        entry.savedStateHandle["own"] = 1
    }
}
class ItemFragment : Fragment() {
    fun close(nav: NavController) {
        parentFragmentManager.setFragmentResult("a", bundleOf())
        answer(KEY)
        nav.previousBackStackEntry?.savedStateHandle?.let { it["c"] = 2 }
    }
    private fun answer(key: String) = setFragmentResult(key, bundleOf())
}
const val KEY = "b"
//- app/src/main/java/JavaFragment.java
package org.barn;
public class JavaFragment extends Fragment {
    void close(NavController nav) {
        getParentFragmentManager().setFragmentResult("a", new Bundle());
        nav.getPreviousBackStackEntry().getSavedStateHandle().set("c", 1);
    }
}
"#,
    );
    lists(
        &results(&document),
        expect![[r#"
        send a JavaFragment.java:4
        send c JavaFragment.java:5
        receive a Screens.kt:5
        receive b Screens.kt:6
        receive c Screens.kt:8
        send a Screens.kt:15
        send b Screens.kt:16
        send c Screens.kt:17"#]],
    );
}

#[test]
fn menus_of_bars_drawers_and_options() {
    let document = with(
        r#"
//- app/src/main/res/layout/activity_menu.xml
<merge xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto">
  <include layout="@layout/activity_main"/>
  <com.google.android.material.navigationrail.NavigationRailView android:id="@+id/side_rail" app:menu="@menu/rail"/>
  <com.google.android.material.navigation.NavigationView android:id="@+id/plain" app:menu="@menu/plain"/>
</merge>
//- app/src/main/res/menu/rail.xml
<menu xmlns:android="http://schemas.android.com/apk/res/android"><item android:id="@+id/shelf"/></menu>
//- app/src/main/res/menu/plain.xml
<menu xmlns:android="http://schemas.android.com/apk/res/android"><item android:id="@+id/item"/></menu>
//- app/src/main/res/menu/options.xml
<menu xmlns:android="http://schemas.android.com/apk/res/android"><group><item android:id="@+id/item"/></group><item android:id="@+id/sync"/></menu>
//- app/src/main/java/MenuActivity.java
package org.barn;
import androidx.navigation.ui.NavigationUI;
public class MenuActivity extends AppCompatActivity {
    protected void onCreate(Bundle state) {
        setContentView(R.layout.activity_menu);
        NavigationRailView rail = findViewById(R.id.side_rail);
        NavigationUI.setupWithNavController(rail, Navigation.findNavController(this, R.id.host));
    }
    public boolean onCreateOptionsMenu(Menu menu) { getMenuInflater().inflate(R.menu.options, menu); return true; }
    public boolean onOptionsItemSelected(MenuItem item) {
        return NavigationUI.onNavDestinationSelected(item, Navigation.findNavController(this, R.id.host));
    }
}
//- app/src/main/java/Screens.kt
package org.barn
class ShelfFragment : Fragment()
class ItemFragment : Fragment()
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        MenuActivity open item resource () options.xml:1
        MenuActivity tab shelf resource () rail.xml:1"#]],
    );
    assert!(
        document.findings.iter().all(|finding| finding.rule != "host-unwired"),
        "{:#?}",
        document.findings
    );
}

#[test]
fn choices_builders_and_what_is_not_known() {
    let document = with(
        r#"
//- app/src/main/java/Screens.kt
package org.barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open(new: Boolean, name: String, other: Map<String, Int>) {
        val target = if (new) R.id.item else R.id.shelf
        findNavController().navigate(target)
        findNavController().navigate(when (name) { "a" -> R.id.item else -> R.id.shelf })
        findNavController().navigate(other.getValue(name))
        Camera().navigate(R.id.item)
        android.util.Log.d("navigate", "R.id.item")
    }
}
class ItemFragment : Fragment()
class Camera { fun navigate(to: Int) = to }
class Reminder : BroadcastReceiver() {
    override fun onReceive(context: Context, intent: Intent) {
        NavDeepLinkBuilder(context).setGraph(R.navigation.main).setDestination(R.id.item, bundleOf("item_id" to "7")).createPendingIntent()
    }
}
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfFragment open shelf|item computed () Screens.kt:6
        ShelfFragment open shelf|item computed () Screens.kt:7
        ShelfFragment open dynamic dynamic () Screens.kt:8
        - link item resource (item_id) Screens.kt:17"#]],
    );
}
