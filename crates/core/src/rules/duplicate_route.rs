use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "duplicate-route",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "Two declarations have one name where a call cannot tell them apart.",
    why: "Only one of them is ever shown. A change to the other one has no effect, and nobody sees why.",
    mend: "Give one of them another name, or take out the one that is not meant.",
    example: Example {
        wrong: "<dialog android:id=\"@+id/confirm\" android:name=\".ConfirmReturn\" />\n<dialog android:id=\"@+id/confirm\" android:name=\".ConfirmRepair\" />",
        right: "<dialog android:id=\"@+id/confirm_return\" android:name=\".ConfirmReturn\" />\n<dialog android:id=\"@+id/confirm_repair\" android:name=\".ConfirmRepair\" />",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for other in &graph.overruled {
        let message = format!("`{}` is registered again, later: this registration never counts", other.name);
        sink.push(Report::new(other.at, &other.name, message).related("the one that counts", other.winner));
    }
    for route in &graph.routes {
        let Some(winner) = route.loses_to else { continue };
        let winner = &graph.routes[winner];
        let name = &route.fact.name;
        sink.push(if winner.fact.at > route.fact.at {
            let message = format!("`{name}` is declared twice in one graph; this one replaces the earlier");
            Report::new(winner.fact.at, name, message).related("the earlier one, never shown", route.fact.at)
        } else {
            let winning = &winner.fact.name;
            let message = format!("`{name}` can never be opened: `{winning}` has its shape and comes first");
            Report::new(route.fact.at, name, message).related("this one takes the calls", winner.fact.at)
        });
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn one_id_twice_in_a_graph_but_not_in_two() {
        judged(
            "duplicate-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  ^^^^^^^^^ duplicate-route: `shelf` is declared twice
  <navigation android:id="@+id/inner" app:startDestination="@id/item">
    <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  </navigation>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
</navigation>
//- Screens.kt
package barn
class ShelfFragment : Fragment()
class ItemFragment : Fragment()
"#),
        );
    }
}
