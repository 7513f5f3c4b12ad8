use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;
use crate::types::{PlainType, differ, plain_type as known};

pub(super) static RULE: Rule = Rule {
    name: "argument-type",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A value's type is not the one that the route declares, or that the screen takes out.",
    why: "A value of another type is not found where it is taken out: the screen gets the default, or the app stops.",
    mend: "Pass or read the value as the declared type.",
    example: Example {
        wrong: "bundle.putString(\"copies\", field.text.toString())\n// copies is declared as integer",
        right: "bundle.putInt(\"copies\", field.text.toString().toInt())",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for call in graph.calls.iter().filter(|call| call.goes_forward() && call.out_of_scope.is_none()) {
        let [target] = call.targets.as_slice() else { continue };
        let route = &graph.routes[graph.shown_by(*target)];
        // The compiler has looked already.
        if call.completes_itself() {
            continue;
        }
        if let (true, Some((name, wanted))) = (call.passes_another(route), &route.whole) {
            let passed = call.fact.object.first().map(|own| own.as_str()).unwrap_or_default();
            let message = format!("`{name}` is taken as {wanted}, and a {passed} is passed");
            let report = Report::new(call.fact.at, &format!("{}.{name}", route.fact.name), message);
            sink.push(report.related(format!("`{}` is declared here", route.fact.name), route.fact.at));
            continue;
        }
        for argument in call.arguments.iter().filter(|argument| route.is_whole(&argument.name)) {
            let (Some(passed), Some((name, wanted))) = (&argument.fact.ty, &route.whole) else { continue };
            if known(passed).is_some() {
                let message = format!("`{name}` is taken as {wanted}, and a {passed} is passed");
                let report = Report::new(argument.fact.at, &format!("{}.{name}", route.fact.name), message);
                sink.push(report.related("the call is here", call.fact.at));
            }
        }
        for argument in &call.arguments {
            let Some(parameter) = route.parameter(&argument.name) else { continue };
            let (Some(passed), Some(declared)) = (&argument.fact.ty, &parameter.ty) else { continue };
            // Route text is parsed again: what is put in must only read as the declared type.
            let wrong = match &argument.fact.text {
                Some(text) => !reads_as(text, declared),
                None => {
                    !call.is_address() && (differ(passed, declared) || is_unboxed(graph, passed, declared))
                }
            };
            if !wrong {
                continue;
            }
            let message = format!("`{}` is declared as {declared}, and a {passed} is passed", argument.name);
            let report =
                Report::new(argument.fact.at, &format!("{}.{}", route.fact.name, argument.name), message);
            sink.push(
                report
                    .related("the call is here", call.fact.at)
                    .related(format!("`{}` is declared here", argument.name), parameter.at),
            );
        }
    }
    reads(graph, sink);
}

/// Whether a plain value is passed where an object of the app's own is taken out.
fn is_unboxed(graph: &Graph<'_>, passed: &str, declared: &str) -> bool {
    known(passed).is_some() && graph.objects.contains(declared)
}

/// A screen that takes an argument out as another type than it declares.
fn reads(graph: &Graph<'_>, sink: &mut Sink) {
    for read in graph.reads.iter().filter(|read| read.fact.generated.is_none()) {
        let Some(ty) = &read.fact.ty else { continue };
        let routes = read.screens.iter().flat_map(|&screen| &graph.screens[screen].routes);
        let declared: Vec<_> = routes
            .filter(|&&route| !graph.routes[route].declares_by_reads())
            .filter_map(|&route| graph.routes[route].parameter(&read.name))
            .collect();
        let Some(first) = declared.first() else { continue };
        if declared.iter().all(|parameter| parameter.ty.as_ref().is_some_and(|declared| differ(ty, declared)))
        {
            let written = first.ty.clone().unwrap_or_default();
            let message = format!("`{}` is declared as {written}, and taken out as {ty}", read.name);
            let report = Report::new(read.fact.at, &read.name, message);
            sink.push(report.related(format!("`{}` is declared here", read.name), first.at));
        }
    }
}

/// Whether a text can be parsed as a type.
fn reads_as(text: &str, declared: &str) -> bool {
    match known(declared) {
        Some(PlainType::Int) => text.parse::<i32>().is_ok(),
        Some(PlainType::Long) => text.parse::<i64>().is_ok(),
        Some(PlainType::Float | PlainType::Double) => text.parse::<f64>().is_ok(),
        Some(PlainType::Truth) => matches!(text, "true" | "false"),
        _ => true,
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn known_types_that_differ_are_reported_and_unknown_ones_are_not() {
        judged(
            "argument-type",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="copies" app:argType="integer"/>
    <argument android:name="tool" app:argType="barn.Tool" android:defaultValue="@null" app:nullable="true"/>
  </fragment>
</navigation>
//- Shelf.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open(field: EditText, any: Any) {
        val typed = field.text.toString()
        findNavController().navigate(R.id.item, bundleOf("copies" to typed))
                                                         ^^^^^^^^ argument-type: declared as integer, and a String
        findNavController().navigate(R.id.item, bundleOf("copies" to typed.toInt()))
        findNavController().navigate(R.id.item, bundleOf("copies" to any, "tool" to any))
    }
}
class ItemFragment : Fragment() {
    fun copies() = requireArguments().getInt("copies")
    fun wrong() = requireArguments().getString("copies")
                  ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ argument-type: taken out as String
}
"#),
        );
    }
}
