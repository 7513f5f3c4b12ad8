//! Navigators, tabs, sheets and providers.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn every_form_of_a_call_and_what_is_none() {
    let document = scanned(
        r#"
//- Screens.kt
package barn
import cafe.adriel.voyager.core.screen.Screen
import cafe.adriel.voyager.navigator.LocalNavigator
import cafe.adriel.voyager.navigator.Navigator
import cafe.adriel.voyager.navigator.currentOrThrow
import cafe.adriel.voyager.navigator.bottomSheet.LocalBottomSheetNavigator
import cafe.adriel.voyager.navigator.tab.LocalTabNavigator
import cafe.adriel.voyager.navigator.tab.Tab
import cafe.adriel.voyager.navigator.tab.TabNavigator
@Composable fun App() { Navigator(ShelfScreen) }
abstract class BarnScreen : Screen {
    @Composable fun Back() { val nav = LocalNavigator.currentOrThrow; Button(onClick = { nav.pop() }) }
}
object ShelfScreen : Screen {
    @Composable override fun Content() {
        val nav = LocalNavigator.currentOrThrow
        val sheet = LocalBottomSheetNavigator.current
        val tabs = LocalTabNavigator.current
        nav.push(ItemScreen(id = "7"))
        nav += ItemScreen("8", tag = null)
        nav.push(listOf(ItemScreen("9"), LoanScreen(1)))
        nav.replace(LoanScreen(2))
        nav.replaceAll(HomeTabs())
        nav.parent?.parent?.push(LoanScreen(3))
        nav swapFor LoanScreen(4)
        nav.once(LoanScreen(5))
        sheet.show(TagSheet())
        sheet.hide()
        tabs.current = LoansTab
        Button(onClick = nav::pop)
    }
}
infix fun Navigator.swapFor(screen: Screen) = replace(screen)
fun Navigator.once(screen: Screen) { if (lastItem.key != screen.key) push(screen) }
class ItemScreen(private val id: String, private val tag: String? = "all") : BarnScreen() {
    @Composable override fun Content() {
        val nav = LocalNavigator.current!!
        Text(id)
        nav.popUntil { it is ShelfScreen }
        nav.popUntilRoot()
    }
}
data class LoanScreen(val number: Int) : BarnScreen() { @Composable override fun Content() { Text("$number") } }
class TagSheet : Screen { @Composable override fun Content() { } }
class HomeTabs : Screen { @Composable override fun Content() { TabNavigator(HomeTab) { it.current = LoansTab } } }
object HomeTab : Tab { @Composable override fun Content() { Navigator(ShelfScreen) } }
object LoansTab : Tab { @Composable override fun Content() { } }
//- Shade.kt
package barn.shade
interface Screen
class Cloth : Screen
class Rollers { fun push(screen: Screen) { }
 fun pop() { } }
fun noon(rollers: Rollers) { rollers.push(Cloth()); rollers.pop() }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfScreen [screen] -> ShelfScreen () Screens.kt:14
        ItemScreen [screen] -> ItemScreen (id: String, tag?: String) Screens.kt:35
        LoanScreen [screen] -> LoanScreen (number: Int) Screens.kt:43
        TagSheet [screen] -> TagSheet () Screens.kt:44
        HomeTabs [screen] -> HomeTabs () Screens.kt:45
        *HomeTab [tab] -> ShelfScreen () Screens.kt:46
        LoansTab [tab] -> LoansTab () Screens.kt:47"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemScreen+LoanScreen back - () Screens.kt:12
        ShelfScreen open ItemScreen typed (id) Screens.kt:19
        ShelfScreen open ItemScreen typed (id, tag) Screens.kt:20
        ShelfScreen open ItemScreen|LoanScreen typed (id, number) Screens.kt:21
        ShelfScreen replace LoanScreen typed (number) Screens.kt:22
        ShelfScreen reset HomeTabs typed () Screens.kt:23
        ShelfScreen open LoanScreen typed (number) Screens.kt:24
        ShelfScreen replace LoanScreen typed (number) Screens.kt:25
        ShelfScreen open LoanScreen typed (number) Screens.kt:26
        ShelfScreen present TagSheet typed () Screens.kt:27
        ShelfScreen back - () Screens.kt:28
        ShelfScreen tab LoansTab typed () Screens.kt:29
        ShelfScreen back - () Screens.kt:30
        ItemScreen back-to ShelfScreen typed () Screens.kt:39
        ItemScreen back-to - () Screens.kt:40
        HomeTabs tab LoansTab typed () Screens.kt:45"#]],
    );
}

#[test]
fn providers_and_the_slips_around_them() {
    let document = scanned(
        r#"
//- AndroidManifest.xml
<manifest xmlns:a="http://schemas.android.com/apk/res/android" package="barn"><application><activity a:name=".MainActivity"><intent-filter>
  <action a:name="android.intent.action.MAIN"/><category a:name="android.intent.category.LAUNCHER"/></intent-filter></activity></application></manifest>
//- MainActivity.kt
package barn
class MainActivity : ComponentActivity() { override fun onCreate(state: Bundle?) { setContent { App() } } }
//- Screens.kt
package barn
import cafe.adriel.voyager.core.registry.ScreenProvider
import cafe.adriel.voyager.core.registry.ScreenRegistry
import cafe.adriel.voyager.core.registry.rememberScreen
import cafe.adriel.voyager.core.registry.screenModule
import cafe.adriel.voyager.core.screen.Screen
import cafe.adriel.voyager.navigator.LocalNavigator
import cafe.adriel.voyager.navigator.Navigator
import cafe.adriel.voyager.navigator.currentOrThrow
@Composable fun App() { Navigator(ShelfScreen()) }
sealed class Shared : ScreenProvider {
    data class Item(val id: String) : Shared()
    data object Help : Shared()
    data object Lost : Shared()
}
val first = screenModule {
    register<Shared.Item> { ItemScreen(it.id) }
    register<Shared.Help> { OldHelpScreen() }
}
val second = screenModule { register<Shared.Help> { HelpScreen() } }
class ShelfScreen : Screen {
    @Composable override fun Content() {
        val nav = LocalNavigator.currentOrThrow
        val help = rememberScreen(Shared.Help)
        nav.push(help)
        nav.push(ScreenRegistry.get(Shared.Item("7")))
        nav.push(rememberScreen(Shared.Lost))
        nav.push(DraftScreen(Draft("x"), null))
    }
}
class ItemScreen(private val id: String) : Screen { @Composable override fun Content() { Text(id) } }
class HelpScreen : Screen { @Composable override fun Content() { } }
class OldHelpScreen : Screen { @Composable override fun Content() { } }
class NobodyScreen : Screen { @Composable override fun Content() { } }
class Draft(val text: String)
class DraftScreen(val draft: Draft, val note: String?) : Screen { @Composable override fun Content() { Text(draft.text + note!!) } }
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open HelpScreen typed () Screens.kt:25
        ShelfScreen open ItemScreen typed (id) Screens.kt:26
        ShelfScreen open undeclared typed () Screens.kt:27
        ShelfScreen open DraftScreen typed (draft, note) Screens.kt:28"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.at.line)).collect();
    assert_eq!(
        found,
        [
            "duplicate-route 18",
            "undeclared-route 27",
            "orphan-screen 34",
            "wiring-slip 36",
            "optional-forced 36"
        ]
    );
}
