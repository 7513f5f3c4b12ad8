use super::{Example, Report, Rule, Says, Sink, listed};
use crate::link::Graph;
use crate::model::{CallStatus, Severity};
use crate::names::nearest;

pub(super) static RULE: Rule = Rule {
    name: "undeclared-route",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A call's target is known, and no route fits.",
    why: "The call compiles, since the name exists somewhere else or is only text, and the app stops when it runs.",
    mend: "Use the name of a declared route, or declare this one.",
    example: Example {
        wrong: "findNavController().navigate(R.id.item_edit)\n// R.id.item_edit is a button; the destination is itemEdit",
        right: "findNavController().navigate(R.id.itemEdit)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for call in graph.calls.iter().filter(|call| call.status == CallStatus::Undeclared) {
        let Some(name) = &call.unknown else { continue };
        // A part of an app, scanned without the graphs that its calls lead into, knows none of them.
        if graph.routes.is_empty() || (graph.is_incomplete() && !name.contains("://")) {
            continue;
        }
        let near = near(graph, name);
        let message = match name.contains("://") {
            true => format!("no route has the address `{name}`"),
            false => format!("no route or action is called `{name}`"),
        };
        let report = Report::new(call.fact.at, name, message).unless(graph.may_declare(call.fact.style));
        let report = if graph.exported { by_a_library(report) } else { report };
        sink.push(match near.is_empty() {
            true => report,
            false => report.help(format!("Did you mean {}?", listed(&near))),
        });
    }
    links(graph, sink);
}

/// Of a library: the app that uses it may declare what it opens.
fn by_a_library(report: Report) -> Report {
    let message = format!("{} in this library, unless the app that uses it declares it", report.message);
    Report { message, severity: Some(Severity::Warning), ..report }
}

/// Addresses for routes that nobody declares.
fn links(graph: &Graph<'_>, sink: &mut Sink) {
    if graph.is_incomplete() || graph.routes.is_empty() || graph.exported {
        return;
    }
    for link in &graph.unlinked {
        let name = &link.route;
        let near = graph.nearest_routes(name);
        let message = format!("an address is declared for `{name}`, and no route is called so");
        let report = Report::new(link.at, name, message);
        sink.push(match near.is_empty() {
            true => report,
            false => report.help(format!("Did you mean {}?", listed(&near))),
        });
    }
}

fn near(graph: &Graph<'_>, name: &str) -> Vec<String> {
    if name.contains("://") {
        let links = graph.routes.iter().flat_map(|route| &route.fact.deep_links);
        return nearest(name, links.map(|(pattern, _)| pattern.as_str()));
    }
    graph.nearest_routes(name)
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn ids_of_views_and_addresses_nobody_has() {
        judged(
            "undeclared-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/itemEdit" android:name="barn.ItemFragment"><deepLink app:uri="barn://item/{id}"/></fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class Camera { fun navigate(to: Int) = to }
class ShelfFragment : Fragment() {
    private val camera = Camera()
    fun open(name: String) {
        findNavController().navigate(R.id.item_edit)
                            ^^^^^^^^ undeclared-route: called `item_edit`
        findNavController().navigate(Uri.parse("barn://tool/7"))
                            ^^^^^^^^ undeclared-route: address `barn://tool/7`
        findNavController().navigate(Uri.parse("barn://item/7"))
        findNavController().navigate(resources.getIdentifier(name, "id", "barn"))
        camera.navigate(R.id.item_edit)
    }
}
class ItemFragment : Fragment()
"#),
        );
    }

    #[test]
    fn a_wrapper_is_reported_where_it_is_used() {
        judged(
            "undeclared-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- nav/Go.kt
package barn.nav
import androidx.navigation.fragment.findNavController
fun Fragment.go(id: Int, args: Bundle? = null) { findNavController().navigate(id, args) }
fun Fragment.goTwice(id: Int) = go(id)
//- Screens.kt
package barn
import barn.nav.go
import barn.nav.goTwice as twice
class ShelfFragment : Fragment() {
    fun open() {
        go(R.id.shelf)
        go(R.id.gone)
        ^^ undeclared-route: called `gone`
    }
}
"#),
        );
    }
}
