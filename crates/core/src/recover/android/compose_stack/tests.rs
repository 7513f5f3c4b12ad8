//! Keys, entries and stacks as apps write them.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

const LAUNCHED: &str = r#"
//- minimal: launcher
"#;

#[test]
fn a_stack_of_the_app_with_a_provider_in_place() {
    let document = scanned(&format!(
        r#"{LAUNCHED}//- Main.kt
package barn
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.entry
import androidx.navigation3.runtime.entryProvider
import androidx.navigation3.runtime.rememberNavBackStack
import androidx.navigation3.ui.NavDisplay
import kotlinx.serialization.Serializable
@Serializable data object Shelf : NavKey
@Serializable data class Item(val id: String, val tag: String? = null) : NavKey
@Serializable data object Help : NavKey
@Serializable data class Receipt(val loan: Long) : NavKey
class MainActivity : ComponentActivity() {{
    override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }}
}}
@Composable fun BarnApp() {{
    val backStack = rememberNavBackStack(Shelf)
    NavDisplay(
        backStack = backStack,
        onBack = {{ backStack.removeLastOrNull() }},
        entryProvider = entryProvider {{
            entry<Shelf> {{ ShelfScreen(onItem = {{ id -> backStack.add(Item(id)) }}, onHelp = {{ backStack += Help }}) }}
            entry<Item> {{ key ->
                ItemScreen(key.id, onLoan = {{
                    backStack.removeLastOrNull()
                    backStack.add(Receipt(7))
                }})
            }}
            entry<Help>(metadata = DialogSceneStrategy.dialog()) {{ HelpDialog(onTop = {{ backStack[backStack.lastIndex] = Shelf }}) }}
            entry<Receipt> {{
                ReceiptScreen(it.loan, onDone = {{
                    backStack.clear()
                    backStack.add(Shelf)
                }}, onTwo = {{ backStack.addAll(listOf(Shelf, Help)) }})
            }}
        }},
    )
}}
@Composable fun ShelfScreen(onItem: (String) -> Unit, onHelp: () -> Unit) {{ Row(onClick = {{ onItem("a") }}); Button(onClick = onHelp) {{}} }}
@Composable fun ItemScreen(id: String, onLoan: () -> Unit) {{ Text(id); Button(onClick = onLoan) {{}} }}
@Composable fun HelpDialog(onTop: () -> Unit) {{ Button(onClick = onTop) {{}} }}
@Composable fun ReceiptScreen(loan: Long, onDone: () -> Unit, onTwo: () -> Unit) {{ Text("$loan"); Button(onClick = onDone) {{}}; Button(onClick = onTwo) {{}} }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *Shelf [screen] -> ShelfScreen () Main.kt:21
        Item [screen] -> ItemScreen (id: String, tag?: String) Main.kt:22
        Help [dialog] -> HelpDialog () Main.kt:28
        Receipt [screen] -> ReceiptScreen (loan: Long) Main.kt:29"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity back - () Main.kt:19
        ShelfScreen open Item typed (id) Main.kt:21
        ShelfScreen open Help typed () Main.kt:21
        ItemScreen replace Receipt typed (loan) Main.kt:25
        HelpDialog replace Shelf typed () Main.kt:28
        ReceiptScreen reset Shelf typed () Main.kt:32
        ReceiptScreen open Help typed () Main.kt:33"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemScreen id - Main.kt:23
        ReceiptScreen loan - Main.kt:30"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect!["argument-unread `ItemScreen` never reads `tag`"]);
}

#[test]
fn a_choice_over_keys_and_a_stack_that_a_view_model_holds() {
    let document = scanned(&format!(
        r#"{LAUNCHED}//- Keys.kt
package barn
sealed interface Place {{
    data object Shelf : Place
    data class Item(val id: String) : Place
    data object Loans : Place
}}
//- BarnViewModel.kt
package barn
class BarnViewModel : ViewModel() {{
    val backStack = mutableStateListOf<Place>(Place.Shelf)
    fun open(place: Place) {{ backStack.add(place) }}
    fun back() {{ backStack.removeLastOrNull() }}
}}
//- Main.kt
package barn
import androidx.navigation3.runtime.NavEntry
import androidx.navigation3.ui.NavDisplay
class MainActivity : ComponentActivity() {{
    override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }}
}}
@Composable fun BarnApp(model: BarnViewModel = viewModel()) {{
    NavDisplay(
        backStack = model.backStack,
        onBack = {{ model.back() }},
        entryProvider = {{ key ->
            when (key) {{
                is Place.Shelf -> NavEntry(key) {{ ShelfScreen(model) }}
                is Place.Item -> NavEntry(key) {{ ItemScreen(key.id, onBack = {{ model.back() }}) }}
                Place.Loans -> NavEntry(key) {{ LoansScreen() }}
                else -> NavEntry(key) {{ Text("?") }}
            }}
        }}
    )
}}
@Composable fun ShelfScreen(model: BarnViewModel) {{
    Button(onClick = {{ model.open(Place.Item("a")) }}) {{}}
    Button(onClick = {{ model.open(Place.Loans) }}) {{}}
}}
@Composable fun ItemScreen(id: String, onBack: () -> Unit) {{ Button(onClick = onBack) {{ Text(id) }} }}
@Composable fun LoansScreen() {{}}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
            *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
            *Place.Shelf [screen] -> ShelfScreen () Main.kt:13
            Place.Item [screen] -> ItemScreen (id: String) Main.kt:14
            Place.Loans [screen] -> LoansScreen () Main.kt:15
            default [fallback] -> - () Main.kt:16"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
            MainActivity+ItemScreen back - () BarnViewModel.kt:5
            ShelfScreen open Place.Item typed (id) Main.kt:22
            ShelfScreen open Place.Loans typed () Main.kt:23"#]],
    );
    lists(&reads(&document), expect!["ItemScreen id - Main.kt:14"]);
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![""]);
}

#[test]
fn stacks_of_tabs_in_a_class_and_entries_of_other_modules() {
    let document = scanned(&format!(
        r#"{LAUNCHED}//- nav/TabStacks.kt
package barn.nav
import androidx.navigation3.runtime.NavKey
class TabStacks<T : Any>(startKey: T) {{
    private var stacks: LinkedHashMap<T, SnapshotStateList<T>> = linkedMapOf(startKey to mutableStateListOf(startKey))
    var current by mutableStateOf(startKey)
        private set
    val backStack = mutableStateListOf(startKey)
    private fun update() = backStack.apply {{
        clear()
        addAll(stacks.flatMap {{ it.value }})
    }}
    fun show(key: T) {{
        if (stacks[key] == null) {{ stacks.put(key, mutableStateListOf(key)) }}
        current = key
        update()
    }}
    fun add(key: T) {{
        stacks[current]?.add(key)
        update()
    }}
    fun removeLast() {{
        stacks[current]?.removeLastOrNull()
        update()
    }}
}}
//- loans/Loans.kt
package barn.loans
import androidx.navigation3.runtime.EntryProviderScope
import androidx.navigation3.runtime.NavKey
import kotlinx.serialization.Serializable
@Serializable data object Loans : NavKey
@Serializable data class Loan(val number: Int) : NavKey
fun EntryProviderScope<NavKey>.loans(onLoan: (Int) -> Unit, onBack: () -> Unit) {{
    entry<Loans> {{ LoanList(onLoan) }}
    entry<Loan> {{ key ->
        val (number) = key
        LoanScreen(number, onBack)
    }}
}}
@Composable fun LoanList(onLoan: (Int) -> Unit) {{ Row(onClick = {{ onLoan(1) }}) }}
@Composable fun LoanScreen(number: Int, onBack: () -> Unit) {{ Text("$number"); Button(onClick = onBack) {{}} }}
//- Main.kt
package barn
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.entryProvider
import androidx.navigation3.ui.NavDisplay
import barn.loans.Loan
import barn.loans.Loans
import barn.loans.loans
import barn.nav.TabStacks
import kotlinx.serialization.Serializable
@Serializable data object Shelf : NavKey
@Serializable data object Members : NavKey
private val tabs = listOf(Shelf, Loans, Members)
class MainActivity : ComponentActivity() {{
    override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }}
}}
@Composable fun BarnApp() {{
    val stacks = remember {{ TabStacks<NavKey>(Shelf) }}
    Scaffold(bottomBar = {{
        NavigationBar {{ tabs.forEach {{ tab -> NavigationBarItem(selected = tab == stacks.current, onClick = {{ stacks.show(tab) }}) }} }}
    }}) {{
        NavDisplay(
            backStack = stacks.backStack,
            onBack = {{ stacks.removeLast() }},
            entryProvider = entryProvider {{
                entry<Shelf> {{ ShelfScreen() }}
                entry<Members> {{ MembersScreen() }}
                loans(onLoan = {{ stacks.add(Loan(it)) }}, onBack = {{ stacks.removeLast() }})
            }}
        )
    }}
}}
@Composable fun ShelfScreen() {{}}
@Composable fun MembersScreen() {{}}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
            *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
            *Shelf [screen] -> ShelfScreen () Main.kt:25
            Members [screen] -> MembersScreen () Main.kt:26
            Loans [screen] -> LoanList () Loans.kt:8
            Loan [screen] -> LoanScreen (number: Int) Loans.kt:9"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
            MainActivity tab Shelf|Members|Loans computed () Main.kt:19
            LoanList open Loan typed (number) Main.kt:27
            MainActivity+LoanScreen back - () TabStacks.kt:22"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![[""]]);
}

#[test]
fn stacks_by_key_in_a_state_and_a_navigator_around_it() {
    let document = scanned(&format!(
        r#"{LAUNCHED}//- Navigation.kt
package barn
import androidx.navigation3.runtime.NavBackStack
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.rememberNavBackStack
@Composable fun rememberBarnState(startRoute: NavKey, routes: Set<NavKey>): BarnState {{
    val top = rememberSaveable {{ mutableStateOf(startRoute) }}
    val stacks = routes.associateWith {{ key -> rememberNavBackStack(key) }}
    return remember {{ BarnState(startRoute, top, stacks) }}
}}
class BarnState(val startRoute: NavKey, top: MutableState<NavKey>, val stacks: Map<NavKey, NavBackStack<NavKey>>) {{
    var top: NavKey by top
}}
class Navigator(val state: BarnState) {{
    fun navigate(route: NavKey) {{
        if (route in state.stacks.keys) {{ state.top = route }} else {{ state.stacks[state.top]?.add(route) }}
    }}
    fun goBack() {{
        val current = state.stacks[state.top] ?: error("none")
        if (current.last() == state.top) {{ state.top = state.startRoute }} else {{ current.removeLastOrNull() }}
    }}
}}
//- Main.kt
package barn
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.entryProvider
import androidx.navigation3.ui.NavDisplay
import kotlinx.serialization.Serializable
@Serializable data object Shelf : NavKey
@Serializable data object Loans : NavKey
@Serializable data class Loan(val number: Int) : NavKey
class MainActivity : ComponentActivity() {{
    override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }}
}}
@Composable fun BarnApp() {{
    val state = rememberBarnState(startRoute = Shelf, routes = setOf(Shelf, Loans))
    val navigator = remember {{ Navigator(state) }}
    val provider = entryProvider {{
        entry<Shelf> {{ ShelfScreen() }}
        entry<Loans> {{ LoanList(onLoan = {{ navigator.navigate(Loan(it)) }}) }}
        entry<Loan> {{ key -> LoanScreen(key.number) }}
    }}
    NavDisplay(entries = state.toEntries(provider), onBack = {{ navigator.goBack() }})
}}
@Composable fun ShelfScreen() {{}}
@Composable fun LoanList(onLoan: (Int) -> Unit) {{ Row(onClick = {{ onLoan(1) }}) }}
@Composable fun LoanScreen(number: Int) {{ Text("$number") }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
            *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
            *Shelf [screen] -> ShelfScreen () Main.kt:16
            *Loans [screen] -> LoanList () Main.kt:17
            Loan [screen] -> LoanScreen (number: Int) Main.kt:18"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
            LoanList open Loan typed (number) Main.kt:17
            MainActivity back - () Navigation.kt:19"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![""]);
}

#[test]
fn entries_that_are_injected_and_lists_that_are_no_stacks() {
    let document = scanned(&format!(
        r#"{LAUNCHED}//- Main.kt
package barn
import androidx.navigation3.runtime.EntryProviderScope
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.entryProvider
import androidx.navigation3.ui.NavDisplay
typealias Installer = EntryProviderScope<NavKey>.() -> Unit
data object Shelf : NavKey
data object Fees : NavKey
@ActivityRetainedScoped
class Navigator @Inject constructor(startKey: NavKey) {{
    val backStack: SnapshotStateList<NavKey> = mutableStateListOf(startKey)
    fun goTo(key: NavKey) {{ backStack.add(key) }}
    fun goBack() {{ backStack.removeLastOrNull() }}
}}
@Module @InstallIn(ActivityRetainedComponent::class)
object ShelfModule {{
    @Provides fun navigator(): Navigator = Navigator(startKey = Shelf)
    @IntoSet @Provides fun installer(navigator: Navigator): Installer = {{
        entry<Shelf> {{ ShelfScreen(onFees = {{ navigator.goTo(Fees) }}) }}
        entry<Fees> {{ FeesScreen() }}
    }}
}}
@AndroidEntryPoint
class MainActivity : ComponentActivity() {{
    @Inject lateinit var navigator: Navigator
    @Inject lateinit var installers: Set<@JvmSuppressWildcards Installer>
    override fun onCreate(state: Bundle?) {{
        setContent {{
            NavDisplay(
                backStack = navigator.backStack,
                onBack = {{ navigator.goBack() }},
                entryProvider = entryProvider {{ installers.forEach {{ builder -> this.builder() }} }}
            )
        }}
    }}
}}
@Composable fun ShelfScreen(onFees: () -> Unit) {{ Button(onClick = onFees) {{}} }}
@Composable fun FeesScreen() {{
    val chosen = remember {{ mutableStateListOf<String>() }}
    chosen.add("a")
    chosen.removeLastOrNull()
    val history = mutableListOf(1, 2)
    history.add(3)
    history[0] = 4
}}
class Basket {{
    private val things = mutableMapOf<String, MutableList<Int>>()
    var current = ""
    fun add(name: String, count: Int) {{ things[name]?.add(count); current = name }}
}}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
            *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
            *Shelf [screen] -> ShelfScreen () Main.kt:19
            Fees [screen] -> FeesScreen () Main.kt:20"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity back - () Main.kt:13
        ShelfScreen open Fees typed () Main.kt:19"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(&found.join("\n"), expect![""]);
}

#[test]
fn slips_of_keys_and_entries() {
    let app = |keys: &str, entries: &str, calls: &str| {
        format!(
            r#"{LAUNCHED}//- Main.kt
package barn
import androidx.navigation3.runtime.*
import androidx.navigation3.ui.NavDisplay
import kotlinx.serialization.Serializable
@Serializable data object Shelf : NavKey
{keys}
class MainActivity : ComponentActivity() {{ override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }} }}
@Composable fun BarnApp() {{
    val stack = rememberNavBackStack(Shelf)
    NavDisplay(stack, entryProvider = entryProvider {{
        entry<Shelf> {{ ShelfScreen(onOpen = {{
{calls}
        }}) }}
{entries}
    }})
}}
@Composable fun ShelfScreen(onOpen: () -> Unit) {{ Button(onClick = onOpen) {{}} }}
@Composable fun ItemScreen() {{}}
"#
        )
    };
    let item = "@Serializable data object Item : NavKey";
    judged(
        "undeclared-route",
        &app(
            item,
            "",
            "            stack.add(Item)\n                  ^^^ undeclared-route: no route or action is called `Item`",
        ),
    );
    let entry = "        entry<Item> { ItemScreen() }";
    judged(
        "orphan-screen",
        &app(
            item,
            &format!("{entry}\n        ^^^^^ orphan-screen: no call, menu or deep link names `Item`"),
            "",
        ),
    );
    judged(
        "wiring-slip",
        &app(
            "data object Item : NavKey",
            &format!("{entry}\n        ^^^^^ wiring-slip: the route `Item`"),
            "            stack.add(Item)",
        ),
    );
    judged("orphan-screen", &app(item, entry, "            listOf(Item).forEach { stack.add(it) }"));
    // What is put on is decided at run time, and may be it.
    let doubted = format!("{entry}\n        ^^^^^ orphan-screen: unless the call decided at run time does");
    judged("orphan-screen", &app(item, &doubted, "            stack.addAll(somewhere.keys())"));
}
