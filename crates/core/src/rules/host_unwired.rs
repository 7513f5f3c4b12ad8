use super::{Example, Report, Rule, Says, Sink, listed};
use crate::facts::Unwired;
use crate::link::Graph;
use crate::model::Severity;
use crate::names::nearest;

pub(super) static RULE: Rule = Rule {
    name: "host-unwired",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A host has no graph, a graph or navigator no host, or a host, menu or layout names what is not there.",
    why: "What is not wired shows nothing, fails when it is inflated, or does nothing when it is tapped. None of it fails to compile.",
    mend: "Give it what it shows, name what is there, or take it out.",
    example: Example {
        wrong: "<item android:id=\"@+id/setting\" android:title=\"@string/settings\" />\n<!-- the destination is settings -->",
        right: "<item android:id=\"@+id/settings\" android:title=\"@string/settings\" />",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    // What uses a library may show what nothing in it does.
    let shown_elsewhere = |what: &Unwired| {
        graph.exported
            && matches!(what, Unwired::GraphWithoutHost(_) | Unwired::NothingIn | Unwired::NoStack(_))
    };
    for problem in graph.host_problems.iter().filter(|problem| !shown_elsewhere(&problem.what)) {
        let (subject, message, help) = match &problem.what {
            Unwired::HostWithoutGraph => (
                "host",
                "this host is given no graph, in the layout or in code".to_owned(),
                "Name a graph with `app:navGraph`, or set one in code.".to_owned(),
            ),
            Unwired::HostWithoutId => (
                "host-id",
                "this host has no id, and fails when its layout is inflated".to_owned(),
                "Give it an `android:id`.".to_owned(),
            ),
            Unwired::NoSuchGraph(name) => (
                name.as_str(),
                format!("there is no graph `{name}`"),
                "Name a graph of `res/navigation`.".to_owned(),
            ),
            Unwired::GraphWithoutHost(name) => (
                name.as_str(),
                format!("nothing shows the graph `{name}`: no host names it, no graph includes it"),
                "Name it at a host, include it in another graph, or take it out.".to_owned(),
            ),
            Unwired::NothingIn => (
                "manager",
                "nothing is ever shown in it: it stays empty".to_owned(),
                "Add its screens, or take it out.".to_owned(),
            ),
            Unwired::NoStack(name) => (
                name.as_str(),
                format!("nothing uses `{name}`: the destinations that it registers are on no stack"),
                "Use it on the root of the stack that they belong to, or take it out.".to_owned(),
            ),
            Unwired::ScreenWithoutFile(name) => (
                name.as_str(),
                format!("the layout names `{name}`, and no file beside it is called so"),
                "Name a file or folder that stands beside the layout.".to_owned(),
            ),
            Unwired::EntryWithoutRoute(name) => {
                let routes = graph.routes.iter().filter(|route| route.container.is_some());
                let near = nearest(name, routes.map(|route| route.fact.name.as_str()));
                let help = match near.is_empty() {
                    true => "Use the id of a destination, or answer the entry in the listener.".to_owned(),
                    false => format!(
                        "Did you mean {}? An entry opens the destination of the same id.",
                        listed(&near)
                    ),
                };
                (name.as_str(), format!("the entry `{name}` has no destination of that id"), help)
            }
        };
        sink.push(Report::new(problem.at, subject, message).help(help));
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::judged;

    const GRAPH: &str = r#"
//- minimal: launcher
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/settings" android:name="barn.ShelfFragment"/>
</navigation>
//- Shelf.kt
package barn
class ShelfFragment : Fragment()
"#;

    #[test]
    fn menus_and_hosts() {
        judged(
            "host-unwired",
            &format!(
                "{GRAPH}{}",
                r#"
//- res/layout/activity_main.xml
<LinearLayout xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto">
  <androidx.fragment.app.FragmentContainerView android:id="@+id/host" app:navGraph="@navigation/main"
      android:name="androidx.navigation.fragment.NavHostFragment"/>
  <com.google.android.material.bottomnavigation.BottomNavigationView android:id="@+id/bottom_bar" app:menu="@menu/bar"/>
  <androidx.fragment.app.FragmentContainerView app:navGraph="@navigation/main"
  ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ host-unwired: no id
      android:name="androidx.navigation.fragment.NavHostFragment"/>
  <androidx.fragment.app.FragmentContainerView android:id="@+id/bare"
  ^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^^ host-unwired: given no graph
      android:name="androidx.navigation.fragment.NavHostFragment"/>
  <androidx.fragment.app.FragmentContainerView android:id="@+id/slot"/>
</LinearLayout>
//- res/menu/bar.xml
<menu xmlns:android="http://schemas.android.com/apk/res/android">
  <item android:id="@+id/shelf"/>
  <item android:id="@+id/setting"/>
                    ^^^^^^^^^^^^ host-unwired: the entry `setting` has no destination
  <item android:id="@+id/sign_out"/>
</menu>
//- res/navigation/lost.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
^^^^^^^^^^^ host-unwired: nothing shows the graph `lost`
    android:id="@+id/lost" app:startDestination="@id/item">
  <fragment android:id="@+id/item" android:name="barn.ShelfFragment"/>
</navigation>
//- Main.kt
package barn
import androidx.navigation.ui.setupWithNavController
class MainActivity : AppCompatActivity(R.layout.activity_main) {
    fun wire() {
        findViewById<BottomNavigationView>(R.id.bottom_bar).setupWithNavController(findNavController(R.id.host))
    }
    fun answer(item: MenuItem) = item.itemId == R.id.sign_out
}
"#
            ),
        );
    }

    #[test]
    fn graphs_set_from_code_are_shown() {
        judged(
            "host-unwired",
            &format!(
                "{GRAPH}{}",
                r#"
//- res/layout/activity_main.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    android:id="@+id/host" android:name="androidx.navigation.fragment.NavHostFragment"/>
//- MainActivity.java
package barn;
import androidx.navigation.NavController;
public class MainActivity extends AppCompatActivity {
    void onCreate(Bundle state) {
        setContentView(R.layout.activity_main);
        NavHostFragment host = (NavHostFragment) getSupportFragmentManager().findFragmentById(R.id.host);
        host.getNavController().setGraph(R.navigation.main);
    }
}
"#
            ),
        );
    }
}
