use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Addresses, Presents, RouteId};
use crate::link::{Call, Graph};
use crate::model::{RouteKind, Severity, Verb};
use oxc_index::{IndexVec, index_vec};
use std::collections::VecDeque;

pub(super) static RULE: Rule = Rule {
    name: "back-too-far",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "A fixed number of steps back is more than the shortest way in.",
    why: "Whoever came by the shortest way is thrown out of the app, or looks at an empty window.",
    mend: "Pop to the screen by its name instead of counting, or pop no further than every way in allows.",
    example: Example {
        wrong: "nav.popBackStack()\nnav.popBackStack()\n// the screen is one step from the start",
        right: "nav.popBackStack(R.id.shelf, false)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    let depths = depths(graph);
    // Who looks first may know that there are so many.
    let surely = |call: &&Call| call.fact.verb == Verb::Back && call.fact.steps > 1 && !call.conditional;
    for call in graph.calls.iter().filter(surely) {
        let routes = call.screens.iter().flat_map(|&screen| &graph.screens[screen].routes);
        let shortest = routes.filter_map(|&route| depths[route].map(|depth| (depth, route))).min();
        let Some((depth, route)) = shortest.filter(|(depth, _)| call.fact.steps > *depth) else { continue };
        let name = &graph.routes[route].fact.name;
        let message =
            format!("{} steps back, and `{name}` can be reached in {depth} from the start", call.fact.steps);
        sink.push(
            Report::new(call.fact.at, name, message)
                .related(format!("`{name}` is declared here"), graph.routes[route].fact.at),
        );
    }
}

/// How many screens lie under each route on its shortest way in; tabs add none.
fn depths(graph: &Graph<'_>) -> IndexVec<RouteId, Option<u32>> {
    let mut depths: IndexVec<RouteId, Option<u32>> = index_vec![None; graph.routes.len()];
    let mut todo: VecDeque<(RouteId, u32)> = VecDeque::new();
    for (i, route) in graph.routes.iter_enumerated() {
        let outermost = route.container.is_some_and(|c| graph.containers[c].parents.is_empty());
        let tab =
            route.fact.kind == RouteKind::Tab && route.container.is_some_and(|c| graph.containers[c].is_app);
        // Where code answers an address, its calls say how deep that leads.
        let address =
            !route.fact.deep_links.is_empty() && graph.ways(route.fact.style).addresses != Addresses::InCode;
        if (route.start && outermost) || tab || route.fact.opened.at_launch() {
            todo.push_front((i, 0));
        } else if address {
            // What its container shows first may be put below it.
            todo.push_back((i, u32::from(route.container.is_some() && !route.start)));
        }
    }
    // What may be led to from anywhere lies on nothing.
    let anywhere = graph.redirects.iter().filter(|redirect| redirect.from.is_none());
    todo.extend(anywhere.flat_map(|redirect| redirect.targets.iter().map(|&route| (route, 0))));
    while let Some((route, depth)) = todo.pop_front() {
        let shown = graph.shown_by(route);
        if depths[shown].is_some_and(|known| known <= depth) {
            continue;
        }
        depths[shown] = Some(depth);
        let Some(screen) = graph.routes[shown].screen else { continue };
        let leads = |call: &&Call| call.goes_forward() && call.out_of_scope.is_none();
        for call in graph.calls_of(screen).filter(leads) {
            for &target in &call.targets {
                match call.fact.verb {
                    Verb::Reset => todo.push_front((target, call.fact.lands.max(lies_on(graph, target)))),
                    Verb::Present if call.ways.presents == Presents::Apart => todo.push_front((target, 0)),
                    Verb::Tab | Verb::Replace => todo.push_front((target, depth)),
                    _ => todo.push_back((target, depth + 1)),
                }
            }
        }
    }
    depths
}

/// What stands beside an app's content lies on some of it, however one gets there.
fn lies_on(graph: &Graph<'_>, route: RouteId) -> u32 {
    let container = graph.routes[route].container.map(|container| &graph.containers[container]);
    let beside = container.is_some_and(|c| !c.is_app && c.says.is_open() && c.starts.is_empty());
    u32::from(beside && !graph.routes[route].start)
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn two_pops_on_the_first_screen_after_the_start() {
        judged(
            "back-too-far",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() { fun open() = findNavController().navigate(R.id.item) }
class ItemFragment : Fragment() {
    fun open() = findNavController().navigate(R.id.loan)
    fun close() {
        findNavController().popBackStack()
        findNavController().popBackStack()
                            ^^^^^^^^^^^^ back-too-far: 2 steps back
    }
    fun once() { findNavController().popBackStack() }
}
class LoanFragment : Fragment() {
    fun close() {
        findNavController().popBackStack()
        findNavController().popBackStack()
    }
}
"#),
        );
    }
}
