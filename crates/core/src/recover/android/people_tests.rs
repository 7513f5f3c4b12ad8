//! Intents and transactions as people write them: extensions with type parameters, rows and enums that
//! hold classes, adapters that run what they are given, factories, pagers over what makes their pages.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn helpers_adapters_factories_and_pagers() {
    let document = scanned(
        r#"
//- settings.gradle
include ':app'
//- app/build.gradle
apply plugin: 'com.android.application'
android { namespace 'barn' }
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name=".ui.HomeActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
  <activity android:name=".ui.ItemActivity"/>
  <activity android:name=".ui.LoanActivity"/>
  <activity android:name=".ui.SettingsActivity"/>
  <activity android:name=".ui.AboutActivity"/>
  <activity android:name=".ui.PickActivity"/>
  <activity android:name=".ui.OldActivity"/>
  <activity android:name=".ui.TicketActivity"><intent-filter><action android:name="android.intent.action.VIEW"/><category android:name="android.intent.category.DEFAULT"/><category android:name="android.intent.category.BROWSABLE"/><data android:scheme="borrowbarn" android:host="ticket"/></intent-filter></activity>
</application></manifest>
//- app/src/main/java/barn/ui/Fragments.kt
package barn.ui
import android.os.Bundle
import androidx.core.os.bundleOf
import androidx.fragment.app.Fragment
import androidx.fragment.app.setFragmentResult
import androidx.lifecycle.ViewModel
import barn.util.*
class ItemsFragment : Fragment() {
    private val filter by lazy { requireArguments().getString(ARG_FILTER)!! }
    private val viewModel: ItemsViewModel by viewModels()
    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        viewModel.event.observe(viewLifecycleOwner) { event ->
            when (event) {
                is ItemsEvent.OpenItem -> ItemActivity.start(requireContext(), event.id)
                is ItemsEvent.OpenLoan -> requireActivity().open<LoanActivity> { putExtra("loanId", event.loanId) }
                ItemsEvent.Close -> requireActivity().finish()
            }
        }
        viewModel.go(filter)
    }
    companion object {
        private const val ARG_FILTER = "filter"
        @JvmStatic fun newInstance(filter: String) = ItemsFragment().apply { arguments = bundleOf(ARG_FILTER to filter) }
    }
}
sealed class ItemsEvent {
    data class OpenItem(val id: Long) : ItemsEvent()
    data class OpenLoan(val loanId: String) : ItemsEvent()
    object Close : ItemsEvent()
}
class ItemsViewModel : ViewModel() { val event = SingleLiveEvent<ItemsEvent>(); fun go(f: String) { event.value = ItemsEvent.OpenItem(4) } }
class LoansFragment : Fragment() {
    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        button.setOnClickListener { context?.launch<LoanActivity> { putString("loanId", "7") } }
        ticket.setOnClickListener { startActivity(Intent(Intent.ACTION_VIEW, Uri.parse("borrowbarn://ticket/9"))) }
        child.setOnClickListener { parentFragmentManager.beginTransaction().replace(R.id.container, MemberFragment::class.java, null).addToBackStack("m").commit() }
        sheet.setOnClickListener { DaysSheet().show(childFragmentManager, DaysSheet.TAG) }
    }
}
class MemberFragment : Fragment()
class DaysSheet : BottomSheetDialogFragment() { companion object { const val TAG = "days" } }
//- app/src/main/java/barn/ui/HomeActivity.kt
package barn.ui
import android.content.Intent
import android.os.Bundle
import android.view.MenuItem
import androidx.activity.result.contract.ActivityResultContracts
import androidx.appcompat.app.AppCompatActivity
import androidx.fragment.app.Fragment
import androidx.viewpager2.adapter.FragmentStateAdapter
import barn.util.*
data class MenuRow(val title: String, val target: Class<*>)
class HomeActivity : AppCompatActivity() {
    private val rows = listOf(MenuRow("Settings", SettingsActivity::class.java), MenuRow("About", AboutActivity::class.java))
    private val pick = registerForActivityResult(ActivityResultContracts.StartActivityForResult()) { result ->
        if (result.resultCode == RESULT_OK) show(result.data?.getStringExtra("picked"))
    }
    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        binding.list.adapter = RowAdapter(rows) { row -> startActivity(Intent(this, row.target)) }
        binding.pick.setOnClickListener { pick.launch(Intent(this, PickActivity::class.java)) }
        binding.pager.adapter = Pages(this)
        binding.nav.setOnItemSelectedListener { item ->
            when (item.itemId) {
                R.id.items -> replace(R.id.container, ItemsFragment.newInstance("all"))
                R.id.loans -> replace(R.id.container, LoansFragment(), addToBackStack = false)
            }
            true
        }
    }
    override fun onOptionsItemSelected(item: MenuItem): Boolean = when (item.itemId) {
        R.id.action_about -> { Nav.goTo(this, AboutActivity::class.java); true }
        R.id.action_out -> { Nav.goTo(this, HomeActivity::class.java, clear = true); true }
        else -> super.onOptionsItemSelected(item)
    }
}
class Pages(activity: AppCompatActivity) : FragmentStateAdapter(activity) {
    private val makers: List<() -> Fragment> = listOf({ ItemsFragment.newInstance("mine") }, ::LoansFragment, { MemberFragment() })
    override fun getItemCount() = makers.size
    override fun createFragment(position: Int): Fragment = makers[position]()
}
class RowAdapter(private val rows: List<MenuRow>, private val onClick: (MenuRow) -> Unit) {
    fun onBindViewHolder(holder: Holder, position: Int) { val row = rows[position]; holder.itemView.setOnClickListener { onClick(row) } }
}
//- app/src/main/java/barn/ui/ItemActivity.java
package barn.ui;
import android.app.Activity;
import android.app.PendingIntent;
import android.content.Context;
import android.content.Intent;
import android.os.Bundle;
import barn.util.Nav;
public class ItemActivity extends Activity {
    public static void start(Context context, long id) { context.startActivity(newIntent(context, id)); }
    public static Intent newIntent(Context context, long id) {
        Intent intent = new Intent(context, ItemActivity.class);
        intent.putExtra(Nav.EXTRA_ID, id);
        return intent;
    }
    @Override protected void onCreate(Bundle state) {
        super.onCreate(state);
        final long id = getIntent().getLongExtra(Nav.EXTRA_ID, -1L);
        findViewById(R.id.borrow).setOnClickListener(v -> {
            Intent intent = new Intent();
            intent.setClass(this, LoanActivity.class);
            intent.putExtra("loanid", String.valueOf(id));
            startActivityForResult(intent, 12);
        });
        findViewById(R.id.remind).setOnClickListener(this::remind);
    }
    private void remind(android.view.View view) {
        PendingIntent pending = PendingIntent.getActivity(this, 0, new Intent(this, TicketActivity.class), PendingIntent.FLAG_IMMUTABLE);
    }
}
class LoanActivity extends Activity {
    @Override protected void onCreate(Bundle state) {
        Bundle extras = getIntent().getExtras();
        String loanId = extras.getString("loanId");
        setResult(RESULT_OK, new Intent().putExtra("done", true));
        finish();
    }
}
class SettingsActivity extends Activity {}
class AboutActivity extends Activity {}
class TicketActivity extends Activity {}
class PickActivity extends Activity { void done() { Intent data = new Intent(); data.putExtra("picked", "x"); setResult(RESULT_OK, data); finish(); } }
class OldActivity extends Activity {}
//- app/src/main/java/barn/util/Navigator.kt
package barn.util
import android.app.Activity
import android.content.Context
import android.content.Intent
import android.net.Uri
import android.os.Bundle
import androidx.fragment.app.Fragment
import androidx.fragment.app.FragmentActivity
import androidx.fragment.app.commit
inline fun <reified T : Activity> Context.launch(extras: Bundle.() -> Unit = {}) {
    startActivity(Intent(this, T::class.java).putExtras(Bundle().apply(extras)))
}
inline fun <reified T : Activity> Activity.open(noinline block: Intent.() -> Unit = {}) = startActivity(intentFor<T>(this).apply(block))
inline fun <reified T : Any> intentFor(context: Context): Intent = Intent(context, T::class.java)
fun FragmentActivity.replace(id: Int, fragment: Fragment, addToBackStack: Boolean = true) {
    supportFragmentManager.commit {
        replace(id, fragment, fragment::class.java.simpleName)
        if (addToBackStack) addToBackStack(null)
    }
}
object Nav {
    const val EXTRA_ID = "extra_id"
    fun goTo(context: Context, target: Class<out Activity>, clear: Boolean = false) {
        val intent = Intent(context, target)
        if (clear) intent.flags = Intent.FLAG_ACTIVITY_NEW_TASK or Intent.FLAG_ACTIVITY_CLEAR_TASK
        context.startActivity(intent)
    }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *HomeActivity [activity] -> HomeActivity () AndroidManifest.xml:2
        ItemActivity [activity] -> ItemActivity (extra_id?: Long) AndroidManifest.xml:5
        LoanActivity [activity] -> LoanActivity (loanId?: String) AndroidManifest.xml:6
        SettingsActivity [activity] -> SettingsActivity () AndroidManifest.xml:7
        AboutActivity [activity] -> AboutActivity () AndroidManifest.xml:8
        PickActivity [activity] -> PickActivity () AndroidManifest.xml:9
        OldActivity [activity] -> OldActivity () AndroidManifest.xml:10
        TicketActivity [activity] -> TicketActivity () <borrowbarn://ticket> AndroidManifest.xml:11
        ItemsFragment [tab] -> ItemsFragment (filter: String) Fragments.kt:8
        LoansFragment [tab] -> LoansFragment () Fragments.kt:32
        MemberFragment [tab] -> MemberFragment () Fragments.kt:40
        DaysSheet [sheet] -> DaysSheet () Fragments.kt:41"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemsFragment open LoanActivity typed () Fragments.kt:15
        ItemsFragment back - () Fragments.kt:16
        LoansFragment open LoanActivity typed () Fragments.kt:34
        LoansFragment link TicketActivity literal () Fragments.kt:35
        LoansFragment open MemberFragment typed () Fragments.kt:36
        LoansFragment present DaysSheet typed () Fragments.kt:37
        HomeActivity open SettingsActivity|AboutActivity computed () HomeActivity.kt:18
        HomeActivity open PickActivity typed () HomeActivity.kt:19
        HomeActivity open ItemsFragment typed (filter) HomeActivity.kt:23
        HomeActivity open LoansFragment typed () HomeActivity.kt:24
        HomeActivity reset AboutActivity typed () HomeActivity.kt:30
        HomeActivity reset HomeActivity typed () HomeActivity.kt:31
        ItemsFragment open ItemActivity typed (extra_id) ItemActivity.java:9
        ItemActivity open LoanActivity typed (loanid) ItemActivity.java:22
        ItemActivity link TicketActivity typed () ItemActivity.java:27
        LoanActivity back - () ItemActivity.java:35
        PickActivity back - () ItemActivity.java:41"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        warning orphan-screen AndroidManifest.xml:10 no call, menu or deep link names `OldActivity`
        warning hard-coded-route Fragments.kt:35 the route `borrowbarn://ticket/9` is written in place
        warning result-unmatched ItemActivity.java:34 nothing receives the result `done`"#]],
    );
}

#[test]
fn classes_that_rows_maps_and_enums_hold() {
    let document = scanned(
        r#"
//- settings.gradle
include ':app'
//- app/build.gradle
apply plugin: 'com.android.application'
android { namespace 'barn' }
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name=".HomeActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
  <activity android:name=".ItemActivity"/>
  <activity android:name=".LoanActivity"/>
  <activity android:name=".SettingsActivity"/>
  <activity android:name=".AboutActivity"/>
  <activity android:name=".PickActivity"/>
  <activity android:name=".OldActivity"/>
  <activity android:name=".TicketActivity"><intent-filter><action android:name="android.intent.action.VIEW"/><category android:name="android.intent.category.DEFAULT"/><category android:name="android.intent.category.BROWSABLE"/><data android:scheme="borrowbarn" android:host="ticket"/></intent-filter></activity>
</application></manifest>
//- app/src/main/java/barn/Home.kt
package barn
import android.content.Intent
import android.app.Activity
data class MenuRow(val title: String, val target: Class<*>, val needs: String? = null)
enum class Entry(val cls: Class<out Activity>) { ITEM(ItemActivity::class.java), LOAN(LoanActivity::class.java) }
class HomeActivity : Activity() {
    private val rows = listOf(MenuRow("Settings", SettingsActivity::class.java), MenuRow("About", AboutActivity::class.java))
    private val byId = mapOf(R.id.pick to PickActivity::class, R.id.ticket to TicketActivity::class)
    fun a() { rows.forEach { row -> button(row.title) { startActivity(Intent(this, row.target)) } } }
    fun b(position: Int) { startActivity(Intent(this, rows[position].target)) }
    fun c(id: Int) { startActivity(Intent(this, byId.getValue(id).java)) }
    fun d(id: Int) { byId[id]?.let { startActivity(Intent(this@HomeActivity, it.java)) } }
    fun e(entry: Entry) { startActivity(Intent(this, entry.cls)) }
    fun f() { for (entry in Entry.values()) { add { startActivity(Intent(this, entry.cls)) } } }
    fun g() { val (title, target) = rows[0]; startActivity(Intent(this, target)) }
    fun h(name: String) { val cls = when (name) { "a" -> ItemActivity::class.java; else -> LoanActivity::class.java }; startActivity(Intent(this, cls)) }
    fun i() { go(OldActivity::class) }
    private fun go(kls: kotlin.reflect.KClass<out Activity>, vararg extras: Pair<String, String>) { startActivity(Intent(this, kls.java).apply { extras.forEach { putExtra(it.first, it.second) } }) }
    fun j() { startActivity(Intent().setClassName(this, "barn.AboutActivity")) }
    fun k() { startActivity(Intent().setClassName(packageName, AboutActivity::class.java.name)) }
    fun l() { startActivity(Intent(this, Class.forName("barn.AboutActivity"))) }
    fun m() { startActivities(arrayOf(Intent(this, ItemActivity::class.java), Intent(this, LoanActivity::class.java))) }
    fun n() { TaskStackBuilder.create(this).addNextIntentWithParentStack(Intent(this, TicketActivity::class.java)).startActivities() }
    fun r() { startActivity(ItemActivity.intent(this, 4)) }
    fun s() { ContextCompat.startActivity(this, Intent(this, ItemActivity::class.java), null) }
}
class ItemActivity : Activity() { companion object { fun intent(c: Context, id: Long): Intent = Intent(c, ItemActivity::class.java).putExtra("id", id) } 
  override fun onCreate(b: Bundle?) { val id = intent.getLongExtra("id", 0) } }
class LoanActivity : Activity()
class SettingsActivity : Activity()
class AboutActivity : Activity()
class PickActivity : Activity()
class OldActivity : Activity()
class TicketActivity : Activity()
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *HomeActivity [activity] -> HomeActivity () AndroidManifest.xml:2
        ItemActivity [activity] -> ItemActivity (id?: Long) AndroidManifest.xml:5
        LoanActivity [activity] -> LoanActivity () AndroidManifest.xml:6
        SettingsActivity [activity] -> SettingsActivity () AndroidManifest.xml:7
        AboutActivity [activity] -> AboutActivity () AndroidManifest.xml:8
        PickActivity [activity] -> PickActivity () AndroidManifest.xml:9
        OldActivity [activity] -> OldActivity () AndroidManifest.xml:10
        TicketActivity [activity] -> TicketActivity () <borrowbarn://ticket> AndroidManifest.xml:11"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        HomeActivity open SettingsActivity|AboutActivity computed () Home.kt:9
        HomeActivity open SettingsActivity|AboutActivity computed () Home.kt:10
        HomeActivity open PickActivity|TicketActivity computed () Home.kt:11
        HomeActivity open PickActivity|TicketActivity computed () Home.kt:12
        HomeActivity open ItemActivity|LoanActivity computed () Home.kt:13
        HomeActivity open ItemActivity|LoanActivity computed () Home.kt:14
        HomeActivity open SettingsActivity typed () Home.kt:15
        HomeActivity open ItemActivity|LoanActivity computed () Home.kt:16
        HomeActivity open OldActivity typed () Home.kt:17
        HomeActivity open AboutActivity typed () Home.kt:19
        HomeActivity open AboutActivity typed () Home.kt:20
        HomeActivity open AboutActivity typed () Home.kt:21
        HomeActivity open ItemActivity|LoanActivity typed () Home.kt:22
        HomeActivity link TicketActivity typed () Home.kt:23
        HomeActivity open ItemActivity typed (id) Home.kt:24
        HomeActivity open ItemActivity typed () Home.kt:25"#]],
    );
    lists(&said(&document), expect![[r#""#]]);
}

#[test]
fn sealed_screens_actions_events_and_builders_of_text() {
    let document = scanned(
        r#"
//- minimal: launcher
//- app/src/main/java/barn/MainActivity.kt
package barn
import android.os.Bundle
import androidx.activity.ComponentActivity
import androidx.activity.compose.setContent
import androidx.compose.runtime.*
import androidx.navigation.*
import androidx.navigation.compose.*
import androidx.compose.material3.*
class MainActivity : ComponentActivity() { override fun onCreate(b: Bundle?) { super.onCreate(b); setContent { App() } } }
class Actions(private val nav: NavHostController) {
    val toHome: () -> Unit = { nav.navigate(Screen.Home.route) { popUpTo(nav.graph.id) { inclusive = true } } }
    val toItem: (Int) -> Unit = { id -> nav.navigate(Screen.Item.path(id)) }
    val editItem: (Int, Boolean) -> Unit = { id, edit -> nav.navigate(Screen.Item.path(id, edit)) }
    val up: () -> Unit = { nav.navigateUp() }
    fun toLoan(id: Long) = nav.navigate(Screen.Loan.withArgs(id.toString()))
    fun toTicket(id: String) { nav.navigateSingleTop(Tickets.link(id)) }
}
fun NavController.navigateSingleTop(route: String, block: NavOptionsBuilder.() -> Unit = {}) = navigate(route) { launchSingleTop = true; block() }
@Composable
fun App() {
    val nav = rememberNavController()
    val actions = remember(nav) { Actions(nav) }
    val scope = rememberCoroutineScope()
    val drawer = rememberDrawerState(DrawerValue.Closed)
    Scaffold(bottomBar = { BottomBar(nav) }) { padding ->
        NavHost(nav, startDestination = if (isLoggedIn()) Screen.Home.route else Screen.Auth.GRAPH) {
            composable(Screen.Home.route) { HomeScreen(onItem = actions.toItem, onDrawer = { scope.launch { drawer.open() } }, onProfile = { nav.navigate(Screen.Profile.createRoute("me")) }) }
            composable(Screen.Items.route) { ItemsScreen(onItemClick = { item -> actions.editItem(item.id, true) }) }
            composable(route = Screen.Item.route, arguments = Screen.Item.args) { entry ->
                val id = entry.arguments?.getInt(Screen.Item.ARG) ?: return@composable
                ItemScreen(id, onLoan = actions::toLoan, up = actions.up)
            }
            composable(Screen.Loans.route) { LoansScreen(nav) }
            composable(Screen.Loan.route, listOf(navArgument(Screen.KEY_LOAN) { type = NavType.LongType })) { LoanScreen(it.arguments!!.getLong("loanId"), actions) }
            composable(Screen.Profile.route) { backStack -> ProfileScreen(backStack.arguments?.getString("name").orEmpty()) { nav.popBackStack(Screen.Home.route, inclusive = false) } }
            authGraph(nav)
            composable("${Tickets.route}/{id}") { TicketScreen(hiltViewModel()) }
        }
    }
}
fun NavGraphBuilder.authGraph(nav: NavHostController) {
    navigation(startDestination = Screen.Auth.Login.route, route = Screen.Auth.GRAPH) {
        composable(Screen.Auth.Login.route) {
            val vm: LoginViewModel = viewModel()
            LaunchedEffect(Unit) { vm.events.collect { e -> when (e) { is LoginEvent.Done -> nav.navigate(Screen.Home.route) { popUpTo(Screen.Auth.GRAPH) { inclusive = true } }
                is LoginEvent.Go -> nav.navigate(e.route) } } }
            LoginScreen(onRegister = { nav.navigate("auth/register?email=$it") }, onHelp = { nav.navigate("auth/help") })
        }
        composable(Screen.Auth.Register.route) { RegisterScreen(nav::popBackStack) }
    }
}
@Composable
fun BottomBar(nav: NavHostController) {
    val current = nav.currentBackStackEntryAsState().value?.destination?.route
    NavigationBar { Screen.bottom.forEach { screen -> NavigationBarItem(selected = current == screen.route, onClick = { nav.navigateSingleTop(screen.route) { restoreState = true } }, icon = {}) } }
}
sealed interface LoginEvent { object Done : LoginEvent; data class Go(val route: String) : LoginEvent }
class LoginViewModel : ViewModel() { val events = MutableSharedFlow<LoginEvent>(); fun register() { viewModelScope.launch { events.emit(LoginEvent.Go(Screen.Auth.Register.route)) } } }
class TicketViewModel(handle: SavedStateHandle) : ViewModel() { val id: String = checkNotNull(handle["id"]) }
@Composable fun HomeScreen(onItem: (Int) -> Unit, onDrawer: () -> Unit, onProfile: () -> Unit) { Button(onClick = { onItem(1) }) {}; Button(onDrawer) {}; Button(onProfile) {} }
@Composable fun ItemsScreen(onItemClick: (Item) -> Unit) { LazyColumn { items(list) { item -> ItemRow(item) { onItemClick(item) } } } }
@Composable fun ItemScreen(id: Int, onLoan: (Long) -> Unit, up: () -> Unit) { Button({ onLoan(3L) }) {}; IconButton(up) {} }
@Composable fun LoansScreen(nav: NavController) { Button(onClick = { nav.navigate(Screen.Loan.withArgs("4")) }) {}; Button(onClick = { nav.navigate("loan") }) {} }
@Composable fun LoanScreen(id: Long, actions: Actions) { Button({ actions.toTicket("t") }) {}; Button(actions.toHome) {} }
@Composable fun ProfileScreen(name: String, onBack: () -> Unit) { Button(onBack) {} }
@Composable fun LoginScreen(onRegister: (String) -> Unit, onHelp: () -> Unit) { Button({ onRegister("a") }) {}; Button(onHelp) {} }
@Composable fun RegisterScreen(onBack: () -> Boolean) { Button({ onBack() }) {} }
@Composable fun TicketScreen(vm: TicketViewModel) {}
//- app/src/main/java/barn/Screens.kt
package barn
import androidx.annotation.StringRes
import androidx.navigation.NavType
import androidx.navigation.navArgument
import androidx.navigation.NamedNavArgument
sealed class Screen(val route: String, @StringRes val title: Int = 0, val args: List<NamedNavArgument> = emptyList()) {
    object Home : Screen("home", R.string.home)
    object Items : Screen("items")
    object Item : Screen("items/{itemId}?edit={edit}", args = listOf(navArgument("itemId") { type = NavType.IntType }, navArgument("edit") { type = NavType.BoolType; defaultValue = false })) {
        fun path(itemId: Int, edit: Boolean = false) = "items/$itemId?edit=$edit"
        const val ARG = "itemId"
    }
    data object Loans : Screen("loans")
    object Loan : Screen("loan/{$KEY_LOAN}") { fun withArgs(vararg args: String) = buildString { append("loan"); args.forEach { append("/$it") } } }
    object Profile : Screen("profile/{name}") { fun createRoute(name: String): String { return route.replace("{name}", name) } }
    object Auth { const val GRAPH = "auth"; object Login : Screen("auth/login"); object Register : Screen("auth/register?email={email}") }
    companion object { const val KEY_LOAN = "loanId"; val bottom = listOf(Home, Items, Loans) }
}
interface Destination { val route: String }
object Tickets : Destination { override val route = "tickets"; fun link(id: String) = "$route/$id" }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *home [screen] -> HomeScreen () MainActivity.kt:27
        items [screen] -> ItemsScreen () MainActivity.kt:28
        items/{itemId}?edit={edit} [screen] -> ItemScreen (itemId: Int, edit?: Boolean) MainActivity.kt:29
        loans [screen] -> LoansScreen () MainActivity.kt:33
        loan/{loanId} [screen] -> LoanScreen (loanId: Long) MainActivity.kt:34
        profile/{name} [screen] -> ProfileScreen (name: String) MainActivity.kt:35
        tickets/{id} [screen] -> TicketScreen (id: String) MainActivity.kt:37
        *auth [group] -> - () MainActivity.kt:42
        *auth/login [screen] -> LoginScreen () MainActivity.kt:43
        auth/register?email={email} [screen] -> RegisterScreen (email?: String) MainActivity.kt:49"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity+LoanScreen open home constant () MainActivity.kt:11
        MainActivity+LoanScreen open items/{itemId}?edit={edit} computed (edit, itemId) MainActivity.kt:12
        MainActivity+LoanScreen open items/{itemId}?edit={edit} computed (edit, itemId) MainActivity.kt:13
        MainActivity+LoanScreen back - () MainActivity.kt:14
        ItemScreen open loan/{loanId} computed (loanId) MainActivity.kt:15
        LoanScreen open tickets/{id} computed (id) MainActivity.kt:16
        HomeScreen open profile/{name} computed (name) MainActivity.kt:27
        ProfileScreen back-to home constant () MainActivity.kt:35
        LoginScreen open home constant () MainActivity.kt:45
        LoginScreen open auth/register?email={email} computed () MainActivity.kt:46
        LoginScreen open auth/register?email={email} literal (email) MainActivity.kt:47
        LoginScreen open undeclared literal () MainActivity.kt:47
        RegisterScreen back - () MainActivity.kt:49
        MainActivity open home|items|loans computed () MainActivity.kt:55
        LoansScreen open loan/{loanId} computed (loanId) MainActivity.kt:63
        LoansScreen open undeclared literal () MainActivity.kt:63"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        error argument-missing MainActivity.kt:46 `auth/register?email={email}` needs `email`, and this call does not pass it
        warning hard-coded-route MainActivity.kt:47 the route `auth/register?email=a` is written in place
        error undeclared-route MainActivity.kt:47 no route or action is called `auth/help`
        error undeclared-route MainActivity.kt:63 no route or action is called `loan`"#]],
    );
}
