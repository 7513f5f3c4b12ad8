use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "start-missing",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A graph has no start, or its start is not one of its routes.",
    why: "The graph cannot be opened: the app stops when it is.",
    mend: "Name one of the graph's own destinations as its start.",
    example: Example {
        wrong: "<navigation android:id=\"@+id/archive\" app:startDestination=\"@id/shelf\"\n<!-- shelf is a destination of another graph -->",
        right: "<navigation android:id=\"@+id/archive\" app:startDestination=\"@id/archive_list\"",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for (i, container) in graph.containers.iter_enumerated() {
        if container.start.is_some() || container.says.is_open() || container.incomplete {
            continue;
        }
        let name =
            container.fact.name.as_deref().or(container.fact.resource.as_deref()).unwrap_or("this graph");
        match container.says.known().first() {
            Some(start) => {
                let message = format!("`{}` is not a route of `{name}`", start.name);
                let other = graph.routes.iter().find(|route| route.fact.name == start.name);
                let report = Report::new(start.at, name, message);
                sink.push(match other {
                    Some(other) => {
                        report.related(format!("`{}` is declared here", start.name), other.fact.at)
                    }
                    None => report,
                });
            }
            None if graph.routes_in(i).next().is_some() => {
                let message = format!("`{name}` does not say which route it shows first");
                sink.push(Report::new(container.fact.key.0, name, message));
            }
            None => {}
        }
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn starts_of_other_graphs_and_starts_from_code() {
        judged(
            "start-missing",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/inner">
  <navigation android:id="@+id/inner" app:startDestination="@id/shelf">
    <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  </navigation>
  <navigation android:id="@+id/archive" app:startDestination="@id/shelf">
                                                              ^^^^^^^^^ start-missing: `shelf` is not a route of `archive`
    <fragment android:id="@+id/old" android:name="barn.ShelfFragment"/>
  </navigation>
  <navigation android:id="@+id/none"><fragment android:id="@+id/x" android:name="barn.ShelfFragment"/></navigation>
  ^^^^^^^^^^^ start-missing: does not say
</navigation>
//- res/navigation/chosen.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" android:id="@+id/chosen">
  <fragment android:id="@+id/first" android:name="barn.ShelfFragment"/>
</navigation>
//- Main.kt
package barn
import androidx.navigation.NavController
class ShelfFragment : Fragment()
class MainActivity : AppCompatActivity() {
    fun wire(nav: NavController) {
        val graph = nav.navInflater.inflate(R.navigation.chosen)
        graph.setStartDestination(R.id.first)
        nav.graph = graph
    }
}
"#),
        );
    }
}
