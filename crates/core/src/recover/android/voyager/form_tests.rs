//! Navigators with several screens, copies of screens, extensions of other types with the library's names.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn the_last_of_several_screens_is_on_top_and_copies_are_screens() {
    let document = scanned(
        r#"
//- Screens.kt
package barn
import cafe.adriel.voyager.core.screen.Screen
import cafe.adriel.voyager.navigator.LocalNavigator
import cafe.adriel.voyager.navigator.Navigator
import cafe.adriel.voyager.navigator.currentOrThrow
import cafe.adriel.voyager.navigator.tab.Tab
import cafe.adriel.voyager.navigator.tab.TabNavigator
@Composable fun App() { TabNavigator(LoansTab) }
object LoansTab : Tab { @Composable override fun Content() { Navigator(screens = listOf(ShelfScreen(), LoanScreen("all"))) } }
class ShelfScreen : Screen { @Composable override fun Content() {
    val navigator = LocalNavigator.current
    Row { navigator?.push(ToolScreen(3)) }
    val counts = mutableListOf<Int>()
    counts.push(3)
} }
data class LoanScreen(val part: String, val note: String = "") : Screen { @Composable override fun Content() {
    val navigator = LocalNavigator.currentOrThrow
    navigator.push(copy(part = "late"))
    navigator.replace(ToolScreen(1).copy(count = 2))
} }
data class ToolScreen(val count: Int) : Screen { @Composable override fun Content() {
    val navigator = LocalNavigator.currentOrThrow
    val doors = listOf("Loans" to LoanScreen("all"), "Shelf" to ShelfScreen())
    doors.forEach { (sign, behind) -> Row(sign) { navigator.push(behind) } }
} }
private fun MutableList<Int>.push(count: Int) { add(count) }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *LoansTab [tab] -> LoanScreen () Screens.kt:9
        ShelfScreen [screen] -> ShelfScreen () Screens.kt:10
        *LoanScreen [screen] -> LoanScreen (part: String, note?: String) Screens.kt:16
        ToolScreen [screen] -> ToolScreen (count: Int) Screens.kt:21"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open ToolScreen typed (count) Screens.kt:12
        LoanScreen open LoanScreen typed (part) Screens.kt:18
        LoanScreen replace ToolScreen typed (count) Screens.kt:19
        ToolScreen open ShelfScreen|LoanScreen typed (part) Screens.kt:24"#]],
    );
    assert!(document.findings.iter().all(|finding| finding.rule != "unreachable-route"));
}
