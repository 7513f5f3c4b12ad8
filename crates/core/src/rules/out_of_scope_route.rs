use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;
use std::collections::BTreeSet;

pub(super) static RULE: Rule = Rule {
    name: "out-of-scope-route",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "The route exists, but not where this call can see it.",
    why: "A name is only found where it is looked for. From here it is not, and the call fails when it runs.",
    mend: "Use a route that this screen can see: declare one here or where both can see it, or go through what holds it.",
    example: Example {
        wrong: "// in LoansFragment; the action belongs to shelf\nfindNavController().navigate(R.id.action_shelf_to_item)",
        right: "findNavController().navigate(R.id.action_loans_to_item)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for call in &graph.calls {
        let Some(reason) = &call.out_of_scope else { continue };
        // The route, not the expression that holds its name; an action by its own.
        let names: BTreeSet<&str> =
            call.targets.iter().map(|&route| graph.routes[route].fact.name.as_str()).collect();
        let action = call.action.map(|action| graph.actions[action].fact.name.as_str());
        let only = names.iter().next().copied().filter(|_| names.len() == 1);
        let name = action.or(only).unwrap_or(call.fact.written.as_str());
        let message = format!("`{name}` cannot be used here: {reason}");
        let mut report = Report::new(call.fact.at, name, message);
        if let Some(action) = call.action {
            report = report.related(format!("`{name}` is declared here"), graph.actions[action].fact.at);
        } else if let Some(&target) = call.targets.first() {
            report = report.related(format!("`{name}` is declared here"), graph.routes[target].fact.at);
        }
        sink.push(report);
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn anothers_action_and_a_nested_destination() {
        judged(
            "out-of-scope-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <include app:graph="@navigation/loans"/>
  <action android:id="@+id/to_help" app:destination="@id/help"/>
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/shelf_to_item" app:destination="@id/item"/>
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/help" android:name="barn.HelpFragment"/>
</navigation>
//- res/navigation/loans.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/loans" app:startDestination="@id/loan_list">
  <fragment android:id="@+id/loan_list" android:name="barn.LoanListFragment"/>
  <fragment android:id="@+id/loan" android:name="barn.LoanFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
abstract class BarnFragment : Fragment() { fun help() = findNavController().navigate(R.id.to_help) }
class ShelfFragment : BarnFragment() {
    fun open() {
        findNavController().navigate(R.id.shelf_to_item)
        findNavController().navigate(R.id.loans)
        findNavController().navigate(R.id.loan)
                            ^^^^^^^^ out-of-scope-route: it stands in `loans`
    }
}
class ItemFragment : BarnFragment()
class HelpFragment : BarnFragment()
class LoanListFragment : BarnFragment() {
    fun open() {
        findNavController().navigate(R.id.loan)
        findNavController().navigate(R.id.item)
        findNavController().navigate(R.id.shelf_to_item)
                            ^^^^^^^^ out-of-scope-route: an action of `shelf`
    }
}
class LoanFragment : BarnFragment()
"#),
        );
    }
}
