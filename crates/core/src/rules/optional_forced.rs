use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Absent, RouteId};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "optional-forced",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "A screen forces a value that may be absent.",
    why: "It works as long as every caller happens to pass the value, and stops the app for the first one that does not.",
    mend: "Take the value with a default or a check, or make the parameter required and not nullable.",
    example: Example {
        wrong: "title.text = args.note!!\n// note is nullable, and null by default",
        right: "title.text = args.note.orEmpty()",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    unmet(graph, sink);
    for read in graph.reads.iter().filter(|read| read.fact.absent == Absent::Fails) {
        let routes = read.screens.iter().flat_map(|&screen| &graph.screens[screen].routes);
        let declared = routes
            .filter(|&&route| !graph.routes[route].declares_by_reads())
            .filter_map(|&route| graph.routes[route].parameter(&read.name));
        // A parameter with a default of its own is always there.
        let absent = |default: &Option<String>| {
            default.as_deref().is_none_or(|text| text == "@null" || text == "null")
        };
        let Some(parameter) = declared.into_iter().find(|p| p.nullable && absent(&p.default)) else {
            continue;
        };
        let message = format!("`{}` may be absent, and is forced here", read.name);
        let report = Report::new(read.fact.at, &read.name, message);
        sink.push(report.related(format!("`{}` is declared here", read.name), parameter.at));
    }
}

/// What was asked for and is used whatever the answer was, where some call does without it.
fn unmet(graph: &Graph<'_>, sink: &mut Sink) {
    for read in graph.reads.iter().filter(|read| read.fact.absent == Absent::Unmet) {
        let routes = read.screens.iter().flat_map(|&screen| graph.screens[screen].routes.iter().copied());
        let lacks = |route: RouteId| {
            let mut calls = graph.calls_to(route).filter(|call| call.goes_forward() && !call.fact.open);
            calls.find(|call| call.arguments.iter().all(|argument| argument.name != read.name))
        };
        let Some(call) = routes.into_iter().find_map(lacks) else { continue };
        let message = format!("`{}` may be absent, and is used as if it were there", read.name);
        let report = Report::new(read.fact.at, &read.name, message);
        sink.push(report.related(format!("this call does without `{}`", read.name), call.fact.at));
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn forcing_a_nullable_argument_but_not_a_required_one() {
        judged(
            "optional-forced",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/item">
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string"/>
    <argument android:name="note" app:argType="string" app:nullable="true" android:defaultValue="@null"/>
    <argument android:name="mode" app:argType="string" android:defaultValue="view"/>
  </fragment>
</navigation>
//- Item.kt
package barn
import androidx.navigation.fragment.navArgs
class ItemFragment : Fragment() {
    private val args by navArgs<ItemFragmentArgs>()
    fun note() = args.note!!
                 ^^^^^^^^^ optional-forced: `note` may be absent
    fun met() = args.note ?: ""
    fun bundle() = requireNotNull(requireArguments().getString("note"))
                                  ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ optional-forced: `note` may be absent
    fun rest() = requireArguments().getString("itemId")!! + requireArguments().getString("mode")!!
}
"#),
        );
    }
}
