use super::{Example, Report, Rule, Says, Sink};
use crate::facts::Shows;
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "screen-missing",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "A route shows a class that the source does not have, or none at all.",
    why: "No build looks at names in markup or at files that are fetched late: the app stops when the route is opened.",
    mend: "Name the class where it is now, or take the route out.",
    example: Example {
        wrong: "<fragment android:id=\"@+id/map\" android:name=\"barn.MapFragment\" />\n<!-- MapFragment was moved to barn.map -->",
        right: "<fragment android:id=\"@+id/map\" android:name=\"barn.map.MapFragment\" />",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for route in graph.routes.iter().filter(|route| route.screen.is_none()) {
        let fact = &route.fact;
        match &fact.shows {
            Shows::Nothing => {
                let says = &graph.ways(fact.style).shows_nothing;
                sink.push(Report::new(fact.at, &fact.name, says.of(&fact.name)).help(says.mend));
            }
            Shows::Absent(name, at) if !graph.is_declared(name) => {
                let message = format!("`{}` shows `{name}`, which the source does not have", fact.name);
                sink.push(Report::new(fact.at, &fact.name, message).related("named here", *at));
            }
            Shows::Class(path, at) if graph.is_own(path) && !graph.is_declared(path) => {
                let simple = path.rsplit('.').next().unwrap_or(path);
                let message = format!("`{}` shows `{path}`, which the source does not have", fact.name);
                let mut report = Report::new(fact.at, &fact.name, message).related("named here", *at);
                if let Some(moved) = graph.screens.iter().find(|screen| screen.fact.name == simple) {
                    report = report
                        .help(format!("There is a `{}`: name that.", moved.fact.path))
                        .related(format!("`{simple}` is here now"), moved.fact.at);
                }
                sink.push(report);
            }
            _ => {}
        }
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn moved_classes_and_placeholders() {
        judged(
            "screen-missing",
            &app(r#"
//- build.gradle
android { namespace 'org.barn' }
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name=".ShelfFragment"/>
  <fragment android:id="@+id/map" android:name=".MapFragment"/>
  ^^^^^^^^^ screen-missing: `map` shows `org.barn.MapFragment`
  <fragment android:id="@+id/later"/>
  ^^^^^^^^^ screen-missing: `later` names no class
  <fragment android:id="@+id/scanner" android:name="com.library.ScannerFragment"/>
  <fragment android:id="@+id/chart" android:name="com.maker.charts.full.ChartFragment"/>
  <fragment android:id="@+id/axes" android:name="com.maker.charts.axes.AxesFragment"/>
  ^^^^^^^^^ screen-missing: `axes` shows `com.maker.charts.axes.AxesFragment`
  <chooser android:id="@+id/custom"/>
</navigation>
//- Screens.kt
package org.barn
class ShelfFragment : Fragment()
//- Axes.kt
package com.maker.charts.axes
class Mended : Fragment()
//- Map.kt
package org.barn.map
import org.barn.ShelfFragment
class MapFragment : Fragment()
"#),
        );
    }
}
