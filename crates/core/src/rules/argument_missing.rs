use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Absent, RouteId};
use crate::link::{Graph, parameters_of};
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "argument-missing",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A call does not pass an argument that its route requires.",
    why: "The screen asks for the value as soon as it opens, and the app stops there with an exception.",
    mend: "Pass the argument at the call, or give the parameter a default where it is declared.",
    example: Example {
        wrong: "findNavController().navigate(R.id.item_detail)\n// item_detail declares the argument itemId without a default",
        right: "findNavController().navigate(ShelfFragmentDirections.actionShelfToItemDetail(item.id))",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    mapped(graph, sink);
    for call in graph.calls.iter().filter(|call| call.goes_forward() && !call.fact.open) {
        // Of several targets any may be meant: only what all of them lack is surely missing.
        let [target] = call.targets.as_slice() else { continue };
        if call.out_of_scope.is_some() || call.completes_itself() {
            continue;
        }
        let shown = graph.shown_by(*target);
        let route = &graph.routes[shown];
        let action = call.action.filter(|_| shown == *target);
        // What is passed in place of the whole is the matter of its type.
        if call.passes_another(route) || call.arguments.iter().any(|argument| route.is_whole(&argument.name))
        {
            continue;
        }
        for parameter in parameters_of(graph, action, shown) {
            let passed = call.arguments.iter().any(|argument| argument.name == parameter.name)
                && !call.sometimes.contains(&parameter.name);
            // A placeholder left in the text arrives as it is written.
            if is_guessed(graph, shown, &parameter.name) {
                continue;
            }
            let raw = call.raw.contains(&parameter.name);
            if (parameter.required && !passed) || raw {
                let message = format!(
                    "`{}` needs `{}`, and this call does not pass it",
                    route.fact.name, parameter.name
                );
                let report =
                    Report::new(call.fact.at, &format!("{}.{}", route.fact.name, parameter.name), message);
                sink.push(report.related(format!("`{}` is declared here", parameter.name), parameter.at));
            }
        }
    }
}

/// An entry that leads on to a page hands it all that the page cannot do without.
fn mapped(graph: &Graph<'_>, sink: &mut Sink) {
    for entry in &graph.hands_on {
        let route = &graph.routes[entry.route];
        let Some(page) = entry.page.map(|page| &graph.routes[page]) else { continue };
        if route.loses_to.is_some() || route.shadowed_by.is_some() {
            continue;
        }
        for parameter in page.parameters.iter().filter(|p| p.required && !entry.passes.contains(&p.name)) {
            let message = format!(
                "`{}` needs `{}`, and `{}` does not hand it on",
                page.fact.name, parameter.name, route.fact.name
            );
            let report =
                Report::new(route.fact.at, &format!("{}.{}", route.fact.name, parameter.name), message);
            sink.push(report.related(format!("`{}` is taken here", parameter.name), parameter.at));
        }
    }
}

/// Whether only its screen's plain use says that a parameter is needed, and nobody ever passes it or
/// another use does without: who reads it is asked, not who calls.
fn is_guessed(graph: &Graph<'_>, route: RouteId, name: &str) -> bool {
    let (route, this) = (&graph.routes[route], route);
    let Some(screen) = route.screen.filter(|_| route.declares_by_reads()) else { return false };
    let reads: Vec<_> = graph.reads_of(screen).filter(|read| read.name == name).collect();
    let guessed = reads.iter().any(|read| read.fact.absent == Absent::Needed)
        && !reads.iter().any(|read| read.fact.absent == Absent::Fails);
    let copes = reads.iter().any(|read| read.fact.absent == Absent::Met);
    let passed = graph.calls_to(this).any(|call| call.arguments.iter().any(|argument| argument.name == name));
    guessed && (copes || !passed)
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn a_required_argument_is_missed_and_defaults_and_actions_fill_in() {
        judged(
            "argument-missing",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/to_item" app:destination="@id/item"/>
    <action android:id="@+id/to_first" app:destination="@id/item">
      <argument android:name="itemId" android:defaultValue="first"/>
    </action>
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string"/>
    <argument android:name="tag" app:argType="string" android:defaultValue="none"/>
  </fragment>
</navigation>
//- Shelf.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open(args: Bundle) {
        findNavController().navigate(R.id.to_item)
                            ^^^^^^^^ argument-missing: `item` needs `itemId`
        findNavController().navigate(R.id.to_first)
        findNavController().navigate(R.id.to_item, bundleOf("itemId" to "7"))
        findNavController().navigate(R.id.to_item, args)
        findNavController().navigate(R.id.item, Bundle().apply { putString("tag", "x") })
                            ^^^^^^^^ argument-missing: `item` needs `itemId`
    }
}
class ItemFragment : Fragment() { fun f() = arguments?.getString("itemId") }
"#),
        );
    }

    #[test]
    fn java_bundles_and_listener_factories_count() {
        judged(
            "argument-missing",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:a="http://schemas.android.com/apk/res/android" xmlns:b="http://schemas.android.com/apk/res-auto"
    a:id="@+id/main" b:startDestination="@id/shelf">
  <fragment a:id="@+id/shelf" a:name="barn.ShelfFragment"/>
  <fragment a:id="@+id/item" a:name="barn.ItemFragment"><argument a:name="itemId" b:argType="string"/></fragment>
</navigation>
//- ShelfFragment.java
package barn;
import androidx.navigation.Navigation;
public class ShelfFragment extends Fragment {
    static Bundle of(String id) {
        Bundle bundle = new Bundle();
        bundle.putString("itemId", id);
        return bundle;
    }
    void open(View view) {
        Navigation.findNavController(view).navigate(R.id.item, of("7"));
        view.setOnClickListener(Navigation.createNavigateOnClickListener(R.id.item, null));
                                           ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ argument-missing: `item` needs `itemId`
    }
}
//- ItemFragment.java
package barn;
public class ItemFragment extends Fragment { }
"#),
        );
    }

    #[test]
    fn a_broken_file_reports_nothing_it_cannot_know() {
        judged(
            "argument-missing",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" android:id="@+id/main">
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"><argument android:na
//- Shelf.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() { fun open() { findNavController().navigate(R.id.item, }
"#),
        );
    }
}
