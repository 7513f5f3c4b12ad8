use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Query, ScreenId};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "argument-unread",
    severity: Severity::Note,
    says: Says::Presence,
    summary: "A parameter is declared, or an extra passed, and the screen never reads it.",
    why: "Every caller pays for a value that nobody uses, and a reader takes the screen for something it is not.",
    mend: "Read it, or take it out of the declaration and the calls.",
    example: Example {
        wrong: "<argument android:name=\"note\" app:argType=\"string\" />\n// LoanFragment reads loanId only",
        right: "<!-- note is gone -->",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for (i, route) in graph.routes.iter_enumerated() {
        let Some(screen) = route.screen else { continue };
        // Where taking out declares, only what is declared beside that can be left unread.
        let declared = match route.declares_by_reads() {
            true if graph.ways(route.fact.style).query == Query::FailsWithout => &route.fact.parameters,
            true => continue,
            false => &route.parameters,
        };
        // An entry hands values on under names of its own.
        if graph.hands_on.iter().any(|entry| entry.route == i) {
            continue;
        }
        if graph.screens[screen].whole_bag || route.loses_to.is_some() {
            continue;
        }
        for parameter in declared.iter().filter(|p| !is_read(graph, screen, &p.name)) {
            let name = graph.screen_name(screen);
            let message = format!("`{name}` never reads `{}`", parameter.name);
            let report =
                Report::new(parameter.at, &format!("{}.{}", route.fact.name, parameter.name), message);
            sink.push(report.related(format!("`{name}` is here"), graph.screens[screen].fact.at));
        }
    }
    extras(graph, sink);
}

/// Where the screen's own taking-out declares, what a call passes beyond that is never read.
fn extras(graph: &Graph<'_>, sink: &mut Sink) {
    for call in graph.calls.iter().filter(|call| call.goes_forward() && !call.asks_by_query()) {
        let [target] = call.targets.as_slice() else { continue };
        let route = &graph.routes[*target];
        let Some(screen) = route.screen.filter(|_| route.declares_by_reads()) else { continue };
        if graph.screens[screen].whole_bag {
            continue;
        }
        for argument in call.arguments.iter().filter(|argument| !is_read(graph, screen, &argument.name)) {
            let message = format!("`{}` never reads `{}`", graph.screen_name(screen), argument.name);
            let report =
                Report::new(argument.fact.at, &format!("{}.{}", route.fact.name, argument.name), message);
            sink.push(
                report.related(
                    format!("`{}` is here", graph.screen_name(screen)),
                    graph.screens[screen].fact.at,
                ),
            );
        }
    }
}

fn is_read(graph: &Graph<'_>, screen: ScreenId, name: &str) -> bool {
    graph.reads_of(screen).any(|read| read.name == name)
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn reads_by_delegate_bundle_and_view_model_count() {
        judged(
            "argument-unread",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/loan">
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment">
    <argument android:name="loan_id" app:argType="string" android:defaultValue=""/>
    <argument android:name="member" app:argType="string" android:defaultValue=""/>
    <argument android:name="due" app:argType="string" android:defaultValue=""/>
    <argument android:name="note" app:argType="string" android:defaultValue=""/>
    ^^^^^^^^^ argument-unread: `LoanFragment` never reads `note`
  </fragment>
  <fragment android:id="@+id/whole" android:name="barn.WholeFragment">
    <argument android:name="any" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Loan.kt
package barn
import androidx.navigation.fragment.navArgs
class LoanFragment : Fragment() {
    private val args: LoanFragmentArgs by navArgs()
    private val model: LoanModel by viewModels()
    fun show() = args.loanId + requireArguments().getString("member")
}
class LoanModel(handle: SavedStateHandle) : ViewModel() {
    val due: String? = handle["due"]
}
class WholeFragment : Fragment() { fun show(model: Any) = model.load(requireArguments()) }
"#),
        );
    }
}
