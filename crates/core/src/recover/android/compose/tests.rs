//! Both styles in their forms, and what belongs to which screen.

use crate::recover::testing::{calls, lists, reads, results, routes, scanned};
use expect_test::expect;

/// The findings as `rule file:line`.
fn findings(document: &crate::model::Document) -> String {
    let lines = document
        .findings
        .iter()
        .map(|f| format!("{} {}:{}", f.rule, f.at.file.rsplit('/').next().unwrap_or_default(), f.at.line));
    lines.collect::<Vec<_>>().join("\n")
}

const MANIFEST: &str = r#"
//- AndroidManifest.xml
<manifest xmlns:a="http://schemas.android.com/apk/res/android" package="barn"><application><activity a:name=".MainActivity"><intent-filter>
  <action a:name="android.intent.action.MAIN"/><category a:name="android.intent.category.LAUNCHER"/></intent-filter></activity></application></manifest>
//- MainActivity.kt
package barn
class MainActivity : ComponentActivity() { override fun onCreate(state: Bundle?) { setContent { BarnApp() } } }
"#;

#[test]
fn text_routes_by_literal_constant_wrapper_and_nested_graph() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- Routes.kt
package barn
sealed class Route(val path: String) {
    data object Shelf : Route("shelf")
    data object Item : Route("item/{itemId}?tag={tag}") {
        fun of(id: String) = "item/${Uri.encode(id)}"
    }
}
object Loans { const val GRAPH = "loans"; const val LIST = "loans/list" }
//- App.kt
package barn
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
import androidx.navigation.compose.rememberNavController
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(navController = nav, startDestination = Route.Shelf.path) {
        barnScreen(Route.Shelf.path) {
            ShelfScreen(
                onItem = { id -> nav.navigate(Route.Item.of(id)) },
                onLoans = { nav.navigate(Loans.GRAPH) { launchSingleTop = true } },
                onTagged = { id, tag -> nav.navigate("item/$id?tag=$tag") },
            )
        }
        composable(
            route = Route.Item.path,
            arguments = listOf(
                navArgument("itemId") { type = NavType.LongType },
                navArgument("tag") { nullable = true; defaultValue = null },
            ),
            deepLinks = listOf(navDeepLink { uriPattern = "barn://item/{itemId}" }),
        ) { entry ->
            val id = requireNotNull(entry.arguments).getLong("itemId")
            Themed { ItemScreen(id, entry.arguments?.getString("tag"), onBack = { nav.popBackStack() }) }
        }
        loansGraph(nav)
        dialog("confirm") { ConfirmDialog(onDone = nav::navigateUp) }
    }
}
fun NavGraphBuilder.barnScreen(route: String, content: @Composable (NavBackStackEntry) -> Unit) {
    composable(route = route, content = content)
}
fun NavGraphBuilder.loansGraph(nav: NavController) {
    navigation(startDestination = Loans.LIST, route = Loans.GRAPH) {
        composable(Loans.LIST) { LoansScreen(onShelf = { nav.popBackStack(Route.Shelf.path, inclusive = false) }) }
    }
}
@Composable fun Themed(content: @Composable () -> Unit) { content() }
@Composable fun ShelfScreen(onItem: (String) -> Unit, onLoans: () -> Unit, onTagged: (String, String) -> Unit) { }
@Composable fun ItemScreen(id: Long, tag: String?, onBack: () -> Unit) { }
@Composable fun LoansScreen(onShelf: () -> Unit) { }
@Composable fun ConfirmDialog(onDone: () -> Unit) { }
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:1
        *shelf [screen] -> ShelfScreen () App.kt:8
        item/{itemId}?tag={tag} [screen] -> ItemScreen (itemId: Long, tag?: String) <barn://item/{itemId}> App.kt:15
        confirm [dialog] -> ConfirmDialog () App.kt:27
        loans [group] -> - () App.kt:34
        *loans/list [screen] -> LoansScreen () App.kt:35"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open item/{itemId}?tag={tag} computed (itemId) App.kt:10
        ShelfScreen open loans constant () App.kt:11
        ShelfScreen open item/{itemId}?tag={tag} literal (itemId, tag) App.kt:12
        ItemScreen back - () App.kt:24
        ConfirmDialog back - () App.kt:27
        LoansScreen back-to shelf constant () App.kt:35"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemScreen itemId Long App.kt:23
        ItemScreen tag String App.kt:24"#]],
    );
    lists(
        &findings(&document),
        expect![[r#"
        hard-coded-route App.kt:12
        orphan-screen App.kt:27"#]],
    );
}

#[test]
fn typed_routes_with_their_slips() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- Routes.kt
package barn
import kotlinx.serialization.Serializable
@Serializable data object Shelf
sealed interface Ways {
    @Serializable data class Item(val id: Long, val tag: String? = null) : Ways
    @Serializable data class Repair(val ticket: Ticket) : Ways
    @Serializable data class Lost(val id: Long) : Ways
    data class Bare(val id: Long) : Ways
}
data class Ticket(val id: Long)
//- App.kt
package barn
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
import androidx.navigation.toRoute
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Shelf) {
        composable<Shelf> { ShelfScreen(
            onItem = { id -> nav.navigate(Ways.Item(id)) },
            onBoth = { new -> nav.navigate(if (new) Shelf else Ways.Item(id = 1, tag = "new")) },
            onLost = { nav.navigate(Ways.Lost(2)) },
            onBare = { nav.navigate(Ways.Bare(3)) },
            onRepair = { nav.open(Ways.Repair(Ticket(4))) },
        ) }
        composable<Ways.Item>(deepLinks = listOf(navDeepLink<Ways.Item>(basePath = "barn://item"))) { entry ->
            val item: Ways.Item = entry.toRoute()
            ItemScreen(item.id, onBack = { nav.popBackStack<Shelf>(inclusive = false) })
        }
        composable<Ways.Bare> { BareScreen() }
        composable<Ways.Repair> { RepairScreen(viewModel()) }
    }
}
fun <T : Any> NavController.open(route: T) = navigate(route)
class RepairModel(handle: SavedStateHandle) : ViewModel() { val ticket = handle.toRoute<Ways.Repair>().ticket }
@Composable fun ShelfScreen(onItem: (Long) -> Unit, onBoth: (Boolean) -> Unit, onLost: () -> Unit, onBare: () -> Unit, onRepair: () -> Unit) { }
@Composable fun ItemScreen(id: Long, onBack: () -> Unit) { }
@Composable fun BareScreen() { }
@Composable fun RepairScreen(model: RepairModel) { }
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:1
        *Shelf [screen] -> ShelfScreen () App.kt:8
        Ways.Item [screen] -> ItemScreen (id: Long, tag?: String) <barn://item/{id}?tag={tag}> App.kt:15
        Ways.Bare [screen] -> BareScreen (id: Long) App.kt:19
        Ways.Repair [screen] -> RepairScreen (ticket: Ticket) App.kt:20"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open Ways.Item typed (id) App.kt:9
        ShelfScreen open Shelf|Ways.Item computed (id, tag) App.kt:10
        ShelfScreen open undeclared typed (id) App.kt:11
        ShelfScreen open Ways.Bare typed (id) App.kt:12
        ShelfScreen open Ways.Repair typed (ticket) App.kt:13
        ItemScreen back-to Shelf typed () App.kt:17"#]],
    );
    lists(
        &findings(&document),
        expect![[r#"
        undeclared-route App.kt:11
        wiring-slip App.kt:19
        wiring-slip App.kt:20
        argument-unread Routes.kt:5
        argument-unread Routes.kt:8"#]],
    );
}

#[test]
fn what_cannot_be_matched_is_said_once() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- App.kt
package barn
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { ShelfScreen(
            onRaw = { nav.navigate("item/{id}") },
            onShort = { nav.navigate("item") },
            onWord = { nav.navigate("page/next") },
            onZoom = { nav.navigate("page/1?zoom=2") },
            onOther = { name -> nav.navigate(name) },
        ) }
        composable("item/{id}") { entry -> ItemScreen(entry.arguments?.getString("id")) }
        composable("item/{code}") { ItemScreen(null) }
        composable("item/new") { ItemScreen("new") }
        composable("page/{number}", arguments = listOf(navArgument("number") { type = NavType.IntType })) { entry ->
            PageScreen(entry.arguments?.getInt("number"))
        }
    }
}
fun NavGraphBuilder.forgotten(nav: NavController) { navigation("old/list", "old") { composable("old/list") { OldScreen() } } }
@Composable fun ShelfScreen(onRaw: () -> Unit, onShort: () -> Unit, onWord: () -> Unit, onZoom: () -> Unit, onOther: (String) -> Unit) { }
@Composable fun ItemScreen(id: String?) { }
@Composable fun PageScreen(number: Int?) { }
@Composable fun OldScreen() { }
@Composable fun TimerScreen() { }
@Preview @Composable private fun TimerPreview() { TimerScreen() }
@Composable fun Badge() { }
"#
    ));
    lists(
        &findings(&document),
        expect![[r#"
        hard-coded-route App.kt:6
        argument-missing App.kt:8
        hard-coded-route App.kt:8
        undeclared-route App.kt:9
        argument-type App.kt:10
        hard-coded-route App.kt:10
        argument-unknown App.kt:11
        hard-coded-route App.kt:11
        duplicate-route App.kt:15
        orphan-screen App.kt:16
        host-unwired App.kt:22
        orphan-screen App.kt:27"#]],
    );
}

#[test]
fn two_hosts_know_only_their_own_routes() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- App.kt
package barn
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
object Paths { const val HOME = "home"; const val HELP = "help"; const val PANE = "pane"; const val MORE = "more" }
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, Paths.HOME) {
        composable(Paths.HOME) { HomeScreen(onHelp = { nav.navigate(Paths.HELP) }) }
        composable(Paths.HELP) { HelpScreen() }
    }
}
@Composable fun HomeScreen(onHelp: () -> Unit) { }
@Composable fun HelpScreen() {
    val inner = rememberNavController()
    NavHost(inner, Paths.PANE) {
        composable(Paths.PANE) { PaneScreen(onMore = { inner.navigate(Paths.MORE) }, onHome = { inner.navigate(Paths.HOME) }) }
        composable(Paths.MORE) { MoreScreen() }
    }
}
@Composable fun PaneScreen(onMore: () -> Unit, onHome: () -> Unit) { }
@Composable fun MoreScreen() { }
"#
    ));
    lists(
        &calls(&document),
        expect![[r#"
        HomeScreen open help constant () App.kt:8
        PaneScreen open more constant () App.kt:16
        PaneScreen open home constant () App.kt:16"#]],
    );
    lists(&findings(&document), expect!["out-of-scope-route App.kt:16"]);
}

#[test]
fn results_tabs_and_callbacks_handed_down() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- App.kt
package barn
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
enum class Tab(val route: String) { SHELF("shelf"), LOANS("loans") }
@Composable fun BarnApp() {
    val nav = rememberNavController()
    Scaffold(bottomBar = { Bar(nav) }) { Host(nav) }
}
@Composable private fun Bar(nav: NavController) {
    Tab.entries.forEach { tab -> Item(onClick = { nav.navigate(tab.route) }) }
}
@Composable private fun Host(nav: NavHostController) {
    NavHost(nav, startDestination = Tab.SHELF.route) {
        shelf(onPick = { nav.navigate(PICK) })
        composable(Tab.LOANS.route) { LoansScreen() }
        composable(PICK) { PickScreen(onPicked = { id -> nav.finishWith("picked", id) }) }
    }
}
const val PICK = "pick"
fun NavGraphBuilder.shelf(onPick: () -> Unit) {
    composable(Tab.SHELF.route) { entry ->
        val picked by entry.savedStateHandle.getStateFlow("picked", "").collectAsState()
        ShelfScreen(picked, onPick = onPick)
    }
}
fun <T> NavController.finishWith(key: String, value: T) {
    previousBackStackEntry?.savedStateHandle?.set(key, value)
    popBackStack()
}
@Composable fun ShelfScreen(picked: String, onPick: () -> Unit) { }
@Composable fun LoansScreen() { }
@Composable fun PickScreen(onPicked: (String) -> Unit) { }
"#
    ));
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity open loans|shelf computed () App.kt:10
        ShelfScreen open pick constant () App.kt:14
        PickScreen back - () App.kt:28"#]],
    );
    lists(
        &results(&document),
        expect![[r#"
        send picked App.kt:16
        receive picked App.kt:22"#]],
    );
    lists(&findings(&document), expect!["hard-coded-key App.kt:16"]);
}

#[test]
fn extensions_handed_over_by_reference_and_arguments_taken_by_a_class() {
    let document = scanned(
        r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
<activity android:name="barn.MainActivity"><intent-filter><action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
</application></manifest>
//- Main.kt
package barn
import androidx.navigation.compose.NavHost
import barn.item.itemScreen
import barn.item.navigateToItem
class MainActivity : ComponentActivity() { override fun onCreate(b: Bundle?) { setContent { BarnApp() } } }
@Composable fun BarnApp() {
    val navController = rememberNavController()
    NavHost(navController = navController, startDestination = "shelf") {
        shelfScreen(onItem = navController::navigateToItem)
        loansScreen(navController::navigateToItem, onHelp = navController::navigateToHelp)
        itemScreen(onBack = navController::popBackStack)
        composable("help") { HelpRoute() }
    }
}
fun NavController.navigateToHelp(options: NavOptions? = null) = navigate("help", options)
fun NavGraphBuilder.shelfScreen(onItem: (String) -> Unit) { composable(route = "shelf") { ShelfRoute(onItem) } }
fun NavGraphBuilder.loansScreen(onItem: (String) -> Unit, onHelp: () -> Unit) { composable("loans") { LoansRoute(onItem = onItem, onHelp = onHelp) } }
@Composable fun ShelfRoute(onItem: (String) -> Unit) { ShelfScreen(onItem) }
@Composable fun ShelfScreen(onItem: (String) -> Unit) { Button(onClick = { onItem("1") }) {} }
@Composable fun LoansRoute(onItem: (String) -> Unit, onHelp: () -> Unit) { Button(onClick = onHelp) {} }
@Composable fun HelpRoute() { Text("") }
//- item/Item.kt
package barn.item
import androidx.lifecycle.SavedStateHandle
import androidx.navigation.NavController
internal const val itemIdArg = "itemId"
internal class ItemArgs(val itemId: String) {
    constructor(handle: SavedStateHandle) : this(Uri.decode(checkNotNull(handle[itemIdArg])))
}
fun NavController.navigateToItem(itemId: String) { navigate("item/$itemId") { launchSingleTop = true } }
fun NavGraphBuilder.itemScreen(onBack: () -> Unit) {
    composable("item/{$itemIdArg}") { ItemRoute(onBack) }
}
@Composable fun ItemRoute(onBack: () -> Unit, model: ItemViewModel = hiltViewModel()) { BackHandler(onBack = onBack) }
class ItemViewModel(handle: SavedStateHandle) : ViewModel() { private val args = ItemArgs(handle) }
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemRoute back - () Main.kt:11
        LoansRoute open help literal () Main.kt:15
        ShelfRoute+LoansRoute open item/{itemId} literal (itemId) Item.kt:8"#]],
    );
    lists(&reads(&document), expect!["ItemRoute itemId - forced Item.kt:6"]);
}

#[test]
fn a_typed_route_that_is_taken_apart_is_read() {
    let app = |taken: &str| {
        scanned(&format!(
            r#"
//- minimal: launcher
//- Main.kt
package barn
import androidx.navigation.compose.*
import androidx.navigation.toRoute
sealed interface Ways {{
    @Serializable data object Shelf : Ways
    @Serializable data class Export(val loan: Long, val format: String = "csv") : Ways
}}
class MainActivity : ComponentActivity() {{ fun onCreate() {{ setContent {{ Host() }} }} }}
@Composable fun Host() {{
    val nav = rememberNavController()
    NavHost(nav, startDestination = Ways.Shelf) {{
        composable<Ways.Shelf> {{ Shelf(onExport = {{ nav.navigate(Ways.Export(1)) }}) }}
        dialog<Ways.Export> {{ entry ->
            {taken}
            ExportDialog(loan = loan)
        }}
    }}
}}
@Composable fun Shelf(onExport: () -> Unit) {{ Button(onClick = onExport) {{}} }}
@Composable fun ExportDialog(loan: Long) {{ Text("$loan") }}
"#
        ))
    };
    let both = app("val (loan, format) = entry.toRoute<Ways.Export>()");
    assert_eq!(both.reads.iter().map(|read| read.name.as_str()).collect::<Vec<_>>(), ["loan", "format"]);
    let held = app("val export = entry.toRoute<Ways.Export>(); val (loan) = export");
    assert_eq!(held.reads.iter().map(|read| read.name.as_str()).collect::<Vec<_>>(), ["loan"]);
    let unread = |document: &crate::model::Document| {
        document.findings.iter().filter(|finding| finding.rule == "argument-unread").count()
    };
    assert_eq!((unread(&both), unread(&held)), (0, 1));
}
