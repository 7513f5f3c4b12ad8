//! Builders of the app's own around those of the library, and what passes through them.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

/// A host with the pages of a test, and the activity around it.
fn app(pages: &str) -> crate::model::Document {
    scanned(&format!(
        r#"
//- minimal: launcher
//- MainActivity.kt
package barn
class MainActivity : ComponentActivity() {{ override fun onCreate(state: Bundle?) {{ setContent {{ BarnApp() }} }} }}
//- App.kt
package barn
import androidx.navigation.*
import androidx.navigation.compose.*
@Composable fun ShelfScreen(onTool: (String) -> Unit = {{}}) {{ }}
@Composable fun ToolScreen(id: String = "") {{ }}
@Composable fun FeesScreen(onPay: () -> Unit = {{}}) {{ }}
@Composable fun BarnFrame(title: String = "", onBack: () -> Unit = {{}}, content: @Composable () -> Unit) {{ Column {{ content() }} }}
{pages}"#
    ))
}

#[test]
fn a_frame_around_the_content_is_not_the_screen() {
    let document = app(r#"
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        page("shelf", onBack = { nav.popBackStack() }) { ShelfScreen(onTool = { nav.navigate("tool") }) }
        page("tool") { ToolScreen() }
        titled("fees", "Fees") { FeesScreen(onPay = { nav.navigate("tool") }) }
        page("desk", content = ::DeskScreen)
        framed("plain") { ToolScreen() }
    }
}
@Composable fun DeskScreen() { }
fun NavGraphBuilder.page(route: String, onBack: () -> Unit = {}, content: @Composable () -> Unit) {
    composable(route) { BarnFrame(onBack = onBack) { content() } }
}
fun NavGraphBuilder.titled(route: String, title: String, content: @Composable () -> Unit) {
    page(route) { BarnFrame(title) { Box { content() } } }
}
fun NavGraphBuilder.framed(route: String, content: @Composable () -> Unit) {
    composable(route) { BarnFrame(content = content) }
}
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *shelf [screen] -> ShelfScreen () App.kt:12
        tool [screen] -> ToolScreen () App.kt:13
        fees [screen] -> FeesScreen () App.kt:14
        desk [screen] -> DeskScreen () App.kt:15
        plain [screen] -> ToolScreen () App.kt:16"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity back - () App.kt:12
        ShelfScreen open tool literal () App.kt:12
        FeesScreen open tool literal () App.kt:14"#]],
    );
}

#[test]
fn a_frame_that_shows_nothing_of_the_caller_is_the_screen() {
    let document = app(r#"
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") { noted("shelf") { log("shown") } }
}
fun NavGraphBuilder.noted(route: String, onShown: () -> Unit) { composable(route) { onShown(); ShelfScreen() } }
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *shelf [screen] -> ShelfScreen () App.kt:11"#]],
    );
}

#[test]
fn type_parameters_lead_to_the_class_of_the_use() {
    let document = app(r#"
@Serializable data object Shelf
@Serializable data class Tool(val id: String, val note: String? = null)
@Serializable data class Fees(val days: Int)
@Serializable data object Desk
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Shelf) {
        sliding<Shelf> { ShelfScreen(onTool = { id -> nav.navigate(Tool(id)) }) }
        sliding<Tool> { entry -> ToolScreen(entry.toRoute<Tool>().id) }
        framed<Fees> { fees -> FeesScreen(onPay = { nav.navigate(Desk) }); Text(fees.days) }
        shown(Desk::class) { ToolScreen() }
    }
}
inline fun <reified R : Any> NavGraphBuilder.sliding(noinline content: @Composable (NavBackStackEntry) -> Unit) {
    composable<R>(enterTransition = { slideIn() }, content = content)
}
inline fun <reified R : Any> NavGraphBuilder.framed(noinline content: @Composable (R) -> Unit) {
    sliding<R> { entry -> BarnFrame { content(entry.toRoute<R>()) } }
}
inline fun <reified R : Any> NavGraphBuilder.shown(of: KClass<R>, noinline content: @Composable () -> Unit) {
    composable<R> { content() }
}
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *Shelf [screen] -> ShelfScreen () App.kt:16
        Tool [screen] -> ToolScreen (id: String, note?: String) App.kt:17
        Fees [screen] -> FeesScreen (days: Int) App.kt:18
        Desk [screen] -> ToolScreen () App.kt:19"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open Tool typed (id) App.kt:16
        FeesScreen open Desk typed () App.kt:18"#]],
    );
    lists(&reads(&document), expect!["ToolScreen id - App.kt:17"]);
}

#[test]
fn typed_routes_are_taken_apart_and_linked_by_block() {
    let document = app(r#"
@Serializable data class Tool(val id: String, val note: String?)
object Links { const val TOOL = "barn://tool/{id}" }
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Tool("1", null)) {
        composable<Tool>(deepLinks = listOf(navDeepLink { uriPattern = Links.TOOL }, navDeepLink<Tool>(basePath = "https://barn.example"))) { entry ->
            val (id, note) = entry.toRoute<Tool>()
            ToolScreen(id)
        }
    }
}
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *Tool [screen] -> ToolScreen (id: String, note: String) <barn://tool/{id}> <https://barn.example/{id}/{note}> App.kt:14"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ToolScreen id - App.kt:15
        ToolScreen note - App.kt:15"#]],
    );
}

#[test]
fn a_declared_query_argument_without_default_is_required() {
    let document = app(r#"
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { ShelfScreen(onTool = { nav.navigate("fees?late=true"); nav.navigate("fees?tool=$it") }) }
        composable("fees?tool={tool}&late={late}&note={note}", arguments = listOf(
            navArgument("tool") { type = NavType.StringType },
            navArgument("late") { type = NavType.BoolType; defaultValue = false },
        )) { FeesScreen() }
    }
}
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        *shelf [screen] -> ShelfScreen () App.kt:12
        fees?tool={tool}&late={late}&note={note} [screen] -> FeesScreen (tool: String, late?: Boolean, note?: String) App.kt:13"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.at.line)).collect();
    lists(
        &found.join("\n"),
        expect![[r#"
        orphan-screen 5
        hard-coded-route 11
        argument-missing 12
        hard-coded-route 12
        hard-coded-route 12
        argument-unread 13
        argument-unread 14
        argument-unread 15"#]],
    );
}
