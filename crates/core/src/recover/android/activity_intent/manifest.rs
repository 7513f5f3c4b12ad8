//! `AndroidManifest.xml`: activities, the launcher, deep links of intent filters.

use crate::model::{RouteKind, Style};
use crate::recover::android::markup::{ANDROID, class_path, element_at, value_at};
use crate::recover::{At, Facts, RouteFact, Shows};
use crate::syntax::{Element, ElementId, Markup};
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    for (at, element) in markup.elements() {
        let class = match element.name.as_str() {
            "activity" => element.attribute(ANDROID, "name"),
            "activity-alias" => element.attribute(ANDROID, "targetActivity"),
            _ => None,
        };
        let Some(class) = class else { continue };
        let path = class_path(file, &class.value, values);
        let alias = element.name == "activity-alias";
        let filters: Vec<ElementId> =
            markup.children(at).filter(|(_, e)| e.name == "intent-filter").map(|(id, _)| id).collect();
        let launcher = filters.iter().any(|&filter| is_launcher(markup, filter));
        let exported = element.attribute(ANDROID, "exported").is_some_and(|a| a.value == "true");
        // Another name for an activity is no route of its own, but it may be what the system opens.
        if alias && !launcher {
            continue;
        }
        let name = path.rsplit('.').next().unwrap_or(&path).to_owned();
        facts.routes.push(RouteFact {
            shows: Shows::Class(path, value_at(file, class)),
            deep_links: filters.iter().flat_map(|&filter| links(file, markup, filter)).collect(),
            launcher,
            from_outside: !filters.is_empty() || exported,
            parameters_from_reads: true,
            ..RouteFact::new(Style::ActivityIntent, RouteKind::Activity, name, element_at(file, element))
        });
    }
}

fn is_launcher(markup: &Markup, filter: ElementId) -> bool {
    let names = |tag: &str, value: &str| {
        markup
            .children(filter)
            .any(|(_, e)| e.name == tag && e.attribute(ANDROID, "name").is_some_and(|a| a.value == value))
    };
    names("action", "android.intent.action.MAIN")
        && (names("category", "android.intent.category.LAUNCHER")
            || names("category", "android.intent.category.LEANBACK_LAUNCHER"))
}

/// Addresses a filter takes: every scheme with every host and path, as the system combines them.
fn links(file: u32, markup: &Markup, filter: ElementId) -> Vec<(String, At)> {
    let data: Vec<&Element> = markup.children(filter).map(|(_, e)| e).filter(|e| e.name == "data").collect();
    let all = |name: &str| -> Vec<String> {
        data.iter().filter_map(|e| e.attribute(ANDROID, name)).map(|a| a.value.clone()).collect()
    };
    let paths: Vec<String> = data
        .iter()
        .flat_map(|e| &e.attributes)
        .filter_map(|a| match a.name.as_str() {
            "path" => Some(a.value.clone()),
            "pathPrefix" | "pathPattern" | "pathAdvancedPattern" => {
                Some(format!("{}{{}}", a.value.trim_end_matches(".*")))
            }
            _ => None,
        })
        .collect();
    let Some(first) = data.first() else { return Vec::new() };
    let at = element_at(file, first);
    let or_empty = |list: Vec<String>| if list.is_empty() { vec![String::new()] } else { list };
    let mut found = Vec::new();
    for scheme in all("scheme") {
        for host in or_empty(all("host")) {
            for path in or_empty(paths.clone()) {
                found.push((format!("{scheme}://{host}{path}"), at));
            }
        }
    }
    found
}
