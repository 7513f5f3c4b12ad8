use super::{Example, Report, Rule, Says, Sink};
use crate::facts::At;
use crate::link::{Call, Constant, Graph};
use crate::model::{CallStatus, Severity, Verb};
use crate::names::without_names;
use rustc_hash::FxHashMap;

pub(super) static RULE: Rule = Rule {
    name: "hard-coded-route",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "A call names its route by text written in place.",
    why: "When the route is renamed, this text stays behind, compiles, and fails when somebody taps the button.",
    mend: "Keep the text in one constant or function that the declaration and every call use.",
    example: Example {
        wrong: "nav.navigate(Uri.parse(\"barn://item/$itemId\"))",
        right: "nav.navigate(Links.item(itemId))",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    let mut written: FxHashMap<&str, Vec<At>> = FxHashMap::default();
    for call in &graph.calls {
        if let Some(literal) = &call.fact.literal {
            written.entry(&literal.text).or_default().push(call.fact.at);
        }
    }
    for call in &graph.calls {
        let Some(literal) = &call.fact.literal else { continue };
        if call.status == CallStatus::External || call.unknown.is_some() || call.fact.verb == Verb::Back {
            continue;
        }
        let others: Vec<At> =
            written[literal.text.as_str()].iter().copied().filter(|at| *at != call.fact.at).collect();
        let held = graph
            .constants
            .iter()
            .find(|constant| constant.value == literal.text)
            .or_else(|| graph.constants.iter().find(|constant| builds(constant, call, graph)));
        let mut message = format!("the route `{}` is written in place", literal.text);
        if !others.is_empty() {
            let places = if others.len() == 1 { "place" } else { "places" };
            message.push_str(&format!(", as in {} other {places}", others.len()));
        }
        let mut report = Report::new(call.fact.at, &literal.text, message);
        // Renamed, it goes back no more, and nothing stops.
        let goes_back = call.fact.verb == Verb::BackTo;
        report.severity = Some(if goes_back { Severity::Note } else { call.literal_severity() });
        if let Some(constant) = held {
            let what = if constant.function { "builds" } else { "holds" };
            report = report
                .help(format!("`{}` already {what} it: use that.", constant.name))
                .related(format!("`{}` {what} it", constant.name), constant.at);
        }
        for at in others {
            report = report.related("written here as well", at);
        }
        sink.push(report);
    }
    starts(graph, sink);
}

/// A start that could be a constant.
fn starts(graph: &Graph<'_>, sink: &mut Sink) {
    for container in
        graph.containers.iter().filter(|container| container.start.is_some() && !container.broken)
    {
        for start in container.fact.start.known().iter().filter(|start| start.literal) {
            let mut report =
                Report::new(start.at, &start.name, format!("the start `{}` is written in place", start.name));
            report.severity = start.checked.then_some(Severity::Note);
            let held = graph.constants.iter().find(|constant| constant.value == start.name);
            sink.push(match held {
                Some(constant) => report
                    .help(format!("`{}` already holds it: use that.", constant.name))
                    .related(format!("`{}` holds the same", constant.name), constant.at),
                None => report,
            });
        }
    }
}

/// Whether a function builds the address of a route that the call leads to.
fn builds(constant: &Constant, call: &Call, graph: &Graph<'_>) -> bool {
    let links = call.targets.iter().flat_map(|&target| &graph.routes[target].fact.deep_links);
    let patterns = call.targets.iter().filter_map(|&target| graph.routes[target].fact.pattern.as_ref());
    let mut all = links.map(|(pattern, _)| pattern).chain(patterns);
    constant.function && all.any(|pattern| without_names(pattern) == constant.value)
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn addresses_in_place_are_counted_and_constants_named() {
        judged(
            "hard-coded-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="id" app:argType="string"/>
    <deepLink app:uri="barn://item/{id}"/>
  </fragment>
</navigation>
//- Links.kt
package barn
object Links {
    const val SCHEME = "barn://"
    fun item(id: String) = Uri.parse("${SCHEME}item/$id")
}
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open(id: String) {
        findNavController().navigate(Uri.parse("barn://item/$id"))
                            ^^^^^^^^ hard-coded-route: `barn://item/{}` is written in place
        findNavController().navigate(Links.item(id))
        startActivity(Intent(Intent.ACTION_VIEW, Uri.parse("https://barn.example/rules")))
    }
}
class ItemFragment : Fragment() { fun f() = requireArguments().getString("id") }
"#),
        );
    }
}
