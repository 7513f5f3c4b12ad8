use super::{Example, Report, Rule, Says, Sink, listed};
use crate::facts::ScreenId;
use crate::link::Graph;
use crate::model::Severity;
use crate::names::nearest;

pub(super) static RULE: Rule = Rule {
    name: "argument-unknown",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "A call passes an argument that its route does not declare.",
    why: "The value never arrives under a name that the screen asks for: usually the name is misspelt, or was changed on one side only.",
    mend: "Use the declared name, or declare the argument at the route.",
    example: Example {
        wrong: "findNavController().navigate(R.id.item_detail, bundleOf(\"item_id\" to item.id))\n// item_detail declares itemId",
        right: "findNavController().navigate(R.id.item_detail, bundleOf(\"itemId\" to item.id))",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for call in graph.calls.iter().filter(|call| call.goes_forward() && call.out_of_scope.is_none()) {
        let [target] = call.targets.as_slice() else { continue };
        let route = &graph.routes[graph.shown_by(*target)];
        // What declares nothing cannot be passed too much: what is never read is another rule's. A key
        // of a query is looked for by name.
        if route.declares_by_reads() && !call.asks_by_query() {
            continue;
        }
        // What is passed in place of the whole is the matter of its type.
        if call.passes_another(route) {
            continue;
        }
        if call.asks_by_query() && route.screen.is_none_or(|screen| graph.screens[screen].whole_bag) {
            continue;
        }
        let unknown = |name: &str| route.parameter(name).is_none() && !route.is_whole(name);
        for argument in call.arguments.iter().filter(|argument| unknown(&argument.name)) {
            if read_by_name(graph, route.screen, &argument.name) {
                continue;
            }
            let near = nearest(&argument.name, route.parameters.iter().map(|p| p.name.as_str()));
            let message = format!("`{}` declares no `{}`", route.fact.name, argument.name);
            let report =
                Report::new(argument.fact.at, &format!("{}.{}", route.fact.name, argument.name), message)
                    .related("the call is here", call.fact.at)
                    .related(format!("`{}` is declared here", route.fact.name), route.fact.at);
            sink.push(match near.is_empty() {
                true => report,
                false => report.help(format!(
                    "Did you mean {}? Use the declared name, or declare the argument.",
                    listed(&near)
                )),
            });
        }
    }
}

/// The screen takes it out by hand: undeclared, but it arrives.
fn read_by_name(graph: &Graph<'_>, screen: Option<ScreenId>, name: &str) -> bool {
    screen.is_some_and(|screen| graph.reads_of(screen).any(|read| read.name == name))
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn misspelt_keys_are_named_with_the_nearest() {
        judged(
            "argument-unknown",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Shelf.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open() {
        findNavController().navigate(R.id.item, bundleOf("item_id" to "7", "itemId" to "7"))
                                                         ^^^^^^^^^ argument-unknown: `item` declares no `item_id`
        findNavController().navigate(R.id.item, bundleOf("mode" to "edit"))
    }
}
class ItemFragment : Fragment() { fun f() = arguments?.getString("mode", "") + arguments?.getString("itemId") }
"#),
        );
    }
}
