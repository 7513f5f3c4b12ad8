use super::{Example, Report, Rule, Says, Sink, listed};
use crate::facts::{Absent, Opened, Passes, RouteId};
use crate::link::{Call, Graph, Parameter, Read};
use crate::model::{Severity, Via};
use crate::names::nearest;

pub(super) static RULE: Rule = Rule {
    name: "argument-unsupplied",
    severity: Severity::Warning,
    says: Says::Absence,
    summary: "A screen reads a name that no route declares and no call passes.",
    why: "The value is never there: the screen always works with the default, or fails.",
    mend: "Read the declared name, or pass the value.",
    example: Example {
        wrong: "requireArguments().getString(\"member_name\", \"\")\n// declared and passed is memberName",
        right: "requireArguments().getString(\"memberName\", \"\")",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for read in graph
        .reads
        .iter()
        .filter(|read| read.fact.generated.is_none() && !read.fact.from_outside && !read.fact.is_parameter)
        .filter(|read| read.fact.absent != Absent::Unmet)
    {
        let routes: Vec<RouteId> =
            read.screens.iter().flat_map(|&screen| graph.screens[screen].routes.clone()).collect();
        let relevant: Vec<RouteId> = routes
            .into_iter()
            .filter(|&route| (read.fact.via == Via::Extra) == graph.routes[route].takes_extras())
            .collect();
        if relevant.is_empty() || relevant.iter().any(|&route| may_supply(graph, route, &read.name)) {
            continue;
        }
        let passed = relevant.iter().flat_map(|&route| {
            let declared = graph.routes[route]
                .parameters
                .iter()
                .filter(move |_| !graph.routes[route].declares_by_reads());
            let declared = declared.map(|parameter| parameter.name.as_str());
            let passed =
                graph.calls_to(route).flat_map(|call| &call.arguments).map(|argument| argument.name.as_str());
            declared.chain(passed)
        });
        // What copes with nothing may be left from a caller that is gone, unless a call passes what nobody
        // takes out.
        let loose = |route: &RouteId| is_loose(graph, *route) || is_handed_in(graph, *route);
        if is_optional(read) && relevant.iter().all(|route| loose(route) && !is_lost(graph, *route)) {
            continue;
        }
        let near = nearest(&read.name, passed.filter(|name| *name != read.name));
        // An address that is typed or linked from outside may bring it, unless it looks misspelt.
        let by_address = relevant.iter().all(|&route| graph.routes[route].fact.opened == Opened::ByAddress);
        let lost = relevant.iter().any(|&route| is_lost(graph, route));
        if by_address && is_optional(read) && near.is_empty() && !lost {
            continue;
        }
        let message = format!("nothing passes `{}` to this screen", read.name);
        let doubts = relevant.iter().flat_map(|&route| graph.may_lead_to(route)).collect();
        let mut report = Report::new(read.fact.at, &read.name, message).unless(doubts);
        for &route in &relevant {
            report = report.related(
                format!("`{}` is declared here", graph.routes[route].fact.name),
                graph.routes[route].fact.at,
            );
        }
        sink.push(match near.is_empty() {
            true => report,
            false => report.help(format!("Did you mean {}?", listed(&near))),
        });
    }
}

fn is_optional(read: &Read) -> bool {
    !read.fact.absent.asks()
}

/// Whether a route says nothing of what it takes, in a style whose callers pass what they like.
fn is_loose(graph: &Graph<'_>, route: RouteId) -> bool {
    let route = &graph.routes[route];
    route.declares_by_reads() && graph.ways(route.fact.style).passes == Passes::Loosely
}

/// Whether a route's screen is shown as an object, whose maker hands it what it takes.
fn is_handed_in(graph: &Graph<'_>, route: RouteId) -> bool {
    let fact = &graph.routes[route];
    fact.declares_by_reads() && fact.fact.opened == Opened::OnlyIfCalled
}

/// Whether a call passes something that nobody takes out.
fn is_lost(graph: &Graph<'_>, route: RouteId) -> bool {
    let reads: Vec<&str> = graph.routes[route]
        .screen
        .map(|screen| graph.reads_of(screen).map(|read| read.name.as_str()).collect())
        .unwrap_or_default();
    graph
        .calls_to(route)
        .flat_map(|call| &call.arguments)
        .any(|argument| !reads.contains(&argument.name.as_str()))
}

/// Whether a route declares the name, or a call to it passes it or may pass anything.
fn may_supply(graph: &Graph<'_>, route: RouteId, name: &str) -> bool {
    let fact = &graph.routes[route];
    // Of a path only its own parameters are declared: what the query holds, its screen only asks for.
    let asked = |parameter: &Parameter| fact.fact.opened == Opened::ByAddress && parameter.via == Via::Query;
    // What an object holds that is taken as a whole is declared with it; what is only taken out is not.
    let says = !fact.fact.takes.by_reads() || fact.whole.is_some();
    let declared = says && fact.parameter(name).is_some_and(|p| !asked(p));
    let given =
        fact.fact.parameters.iter().any(|parameter| parameter.name == name && parameter.default.is_some());
    let linked = fact.fact.deep_links.iter().any(|(pattern, _)| pattern.contains(&format!("{{{name}}}")));
    let mut calls = graph.opened_as(route).into_iter().flat_map(|route| graph.calls_to(route));
    let by_call =
        calls.any(|call| call.fact.open || call.arguments.iter().any(|argument| argument.name == name));
    // What is handed back arrives as well.
    let back = |call: &&Call| !call.goes_forward() && call.fact.style == fact.fact.style;
    let handed = graph.calls.iter().filter(back).flat_map(|call| &call.arguments);
    let by_back = handed.into_iter().any(|argument| argument.name == name);
    // What others open may bring anything.
    by_back || declared || given || linked || by_call || fact.fact.opened.from_outside()
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn misspelt_reads_are_reported_and_own_state_is_not() {
        judged(
            "argument-unsupplied",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/member">
  <fragment android:id="@+id/member" android:name="barn.MemberFragment">
    <argument android:name="memberName" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Member.kt
package barn
import androidx.navigation.fragment.findNavController
class MemberFragment : Fragment() {
    private val model: MemberModel by viewModels()
    fun name() = requireArguments().getString("member_name", "")
                 ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ argument-unsupplied: nothing passes `member_name`
    fun right() = requireArguments().getString("memberName", "")
    fun result() = setFragmentResultListener("x") { _, bundle -> bundle.getString("other") }
}
class MemberModel(private val handle: SavedStateHandle) : ViewModel() {
    val draft = handle.get<String>("draft")
    fun keep() { handle["draft"] = "x" }
}
"#),
        );
    }
}
