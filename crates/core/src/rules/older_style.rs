use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::{CallStatus, RouteKind, Severity, Style};

pub(super) static RULE: Rule = Rule {
    name: "older-style",
    severity: Severity::Note,
    says: Says::Presence,
    summary: "A route or call that is still in another style than the one the settings name as the target.",
    why: "What is left in the older style keeps both alive, and hops between the two are where arguments get lost.",
    mend: "Move it, or take `target` out of the settings.",
    example: Example {
        wrong: "# fallow-lantern.toml: target = \"compose-typed\"\ncomposable(\"shelf\") { ShelfScreen() }",
        right: "composable<Shelf> { ShelfScreen() }",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    let Some(target) = graph.target else { return };
    let older = |style: Style| style != target && style.platform() == target.platform();
    for route in graph.routes.iter().filter(|route| older(route.fact.style)) {
        // Something has to hold the screens.
        if route.fact.opened.at_launch() && route.fact.kind == RouteKind::Activity {
            continue;
        }
        let name = &route.fact.name;
        let message = format!("`{name}` is still declared as {}", route.fact.style);
        sink.push(Report::new(route.fact.at, name, message));
    }
    for call in graph.calls.iter().filter(|call| older(call.fact.style) && call.goes_forward()) {
        if call.status == CallStatus::External {
            continue;
        }
        let text = &call.fact.written;
        let message = format!("`{text}` is still called as {}", call.fact.style);
        sink.push(Report::new(call.fact.at, text, message));
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::judged;

    const HALF_MOVED: &str = r#"
//- Desk.kt
package barn
import androidx.navigation.compose.*
import kotlinx.serialization.Serializable
@Serializable data class Item(val id: String)
@Composable fun Desk() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { Button(onClick = { nav.navigate(Item("spade")) }) }
        ^^^^^^^^^^ older-style: `shelf` is still declared as compose-string
        composable<Item> { Button(onClick = { nav.navigate("shelf"); nav.popBackStack() }) }
                                                  ^^^^^^^^ older-style: `"shelf"` is still called as compose-string
    }
}
"#;

    #[test]
    fn routes_and_calls_of_other_styles_and_no_steps_back() {
        judged("older-style", &format!("//- fallow-lantern.toml\ntarget = \"compose-typed\"\n{HALF_MOVED}"));
    }

    #[test]
    fn nothing_without_a_target() {
        let unmarked: String = HALF_MOVED
            .lines()
            .filter(|line| !line.trim_start().starts_with('^'))
            .map(|l| format!("{l}\n"))
            .collect();
        judged("older-style", &unmarked);
    }
}
