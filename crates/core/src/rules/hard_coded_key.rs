use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Channel, ScreenId};
use crate::link::Graph;
use crate::model::{ResultSide, Severity};
use std::collections::BTreeSet;

pub(super) static RULE: Rule = Rule {
    name: "hard-coded-key",
    severity: Severity::Note,
    says: Says::Presence,
    summary: "An argument's or a result's key is written as a literal on both sides.",
    why: "The two literals agree only as long as nobody touches one of them, and no compiler looks.",
    mend: "Keep the key in one constant that both sides use, or use generated arguments.",
    example: Example {
        wrong: "setFragmentResult(\"picked\", bundle)\nsetFragmentResultListener(\"picked\") { _, bundle -> }",
        right: "setFragmentResult(Keys.PICKED, bundle)\nsetFragmentResultListener(Keys.PICKED) { _, bundle -> }",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    let mut seen: BTreeSet<(Channel, &str)> = BTreeSet::new();
    for send in graph.results.iter().filter(|r| r.fact.side == ResultSide::Send && r.fact.literal_key) {
        let Some(key) = &send.fact.key else { continue };
        let receive = graph.results.iter().find(|other| {
            other.fact.side == ResultSide::Receive
                && other.fact.literal_key
                && other.fact.channel == send.fact.channel
                && other.fact.key.as_ref() == Some(key)
        });
        if let Some(receive) = receive.filter(|_| seen.insert((send.fact.channel, key))) {
            let message =
                format!("the result key `{key}` is a literal where it is sent and where it is received");
            sink.push(Report::new(send.fact.at, key, message).related("received here", receive.fact.at));
        }
    }
    arguments(graph, sink);
}

fn arguments(graph: &Graph<'_>, sink: &mut Sink) {
    let mut seen: BTreeSet<(ScreenId, &str)> = BTreeSet::new();
    for call in &graph.calls {
        for argument in call.arguments.iter().filter(|argument| argument.fact.literal_key) {
            for &target in &call.targets {
                let Some(screen) = graph.routes[graph.shown_by(target)].screen else { continue };
                let read = graph.reads_of(screen).find(|read| {
                    read.fact.literal_key && read.fact.generated.is_none() && read.name == argument.name
                });
                let Some(read) = read.filter(|_| seen.insert((screen, &argument.name))) else { continue };
                let message = format!(
                    "the key `{}` is a literal where it is passed and where `{}` reads it",
                    argument.name,
                    graph.screen_name(screen)
                );
                sink.push(
                    Report::new(argument.fact.at, &argument.name, message).related("read here", read.fact.at),
                );
            }
        }
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn literals_on_both_sides_but_not_on_one() {
        judged(
            "hard-coded-key",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string"/>
    <argument android:name="tag" app:argType="string" android:defaultValue=""/>
  </fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
const val TAG = "tag"
const val PICKED = "picked"
class ShelfFragment : Fragment() {
    fun open() {
        findNavController().navigate(R.id.item, bundleOf("itemId" to "7", TAG to "x"))
                                                         ^^^^^^^^ hard-coded-key: `itemId` is a literal
        setFragmentResultListener("returned") { _, _ -> }
        setFragmentResultListener(PICKED) { _, _ -> }
    }
}
class ItemFragment : Fragment() {
    fun show() = requireArguments().getString("itemId") + requireArguments().getString("tag")
    fun close() {
        setFragmentResult("returned", bundleOf())
        ^^^^^^^^^^^^^^^^^ hard-coded-key: `returned` is a literal
        setFragmentResult("picked", bundleOf())
    }
}
"#),
        );
    }
}
