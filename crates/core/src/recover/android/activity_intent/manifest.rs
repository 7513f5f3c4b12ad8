//! `AndroidManifest.xml`: activities, the launcher, deep links of intent filters.

use crate::facts::{At, Facts, Opened, RouteFact, Shows, Takes};
use crate::model::{RouteKind, Style};
use crate::recover::android::markup::{ANDROID, class_path, element_at, value_at};
use crate::recover::android::screens::is_host_base;
use crate::source::{Language, Resource};
use crate::syntax::{Element, ElementId, Markup};
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(markup) = values.program().markup(file) else { return };
    for (at, element) in markup.elements() {
        let class = match element.name.as_str() {
            "activity" => element.attribute(ANDROID, "name"),
            "activity-alias" => element.attribute(ANDROID, "targetActivity"),
            _ => None,
        };
        // A name that is filled in when the app is made, or by a template, names no class yet.
        let Some(class) = class.filter(|class| !class.value.contains('{')) else { continue };
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
        // What only holds an app that is written in something else is no screen of it.
        if launcher && hosts_another(file, &path, values) {
            continue;
        }
        let opened = match launcher {
            true => Opened::AtLaunch,
            false if exported || !filters.is_empty() => Opened::FromOutside,
            false => Opened::Inside,
        };
        facts.routes.push(RouteFact {
            shows: Shows::Class(path, value_at(file, class)),
            deep_links: filters.iter().flat_map(|&filter| links(file, markup, filter)).collect(),
            opened,
            takes: Takes::as_read_if(true),
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

/// Whether an activity is the native host of a cross-platform app.
fn hosts_another(file: u32, class: &str, values: &Values<'_>) -> bool {
    let program = values.program();
    let bases = program.classes_at(class).first().map(|&class| values.external_bases(class));
    program.sources().is_native_host(program.source(file).module)
        || bases.is_some_and(|bases| bases.iter().any(|base| is_host_base(base)))
}

/// The activities whose filters answer to an action of the app's own.
pub(super) fn answering(action: &str, values: &Values<'_>) -> Vec<Ref> {
    // The system's own actions are answered by anybody.
    if action.starts_with("android.") {
        return Vec::new();
    }
    let program = values.program();
    let manifests = program.files_in(Language::Xml(Resource::Manifest)).iter().copied();
    let mut found = Vec::new();
    for file in manifests {
        let Some(markup) = program.markup(file) else { continue };
        for (at, element) in markup.elements().filter(|(_, e)| e.name == "activity") {
            let filters = markup.children(at).filter(|(_, e)| e.name == "intent-filter");
            let mut actions = filters.flat_map(|(filter, _)| markup.children(filter));
            let answers = actions.any(|(_, e)| {
                e.name == "action" && e.attribute(ANDROID, "name").is_some_and(|a| a.value == action)
            });
            if let Some(class) = element.attribute(ANDROID, "name").filter(|_| answers) {
                found.extend(program.classes_at(&class_path(file, &class.value, values)).first());
            }
        }
    }
    found
}

/// Addresses that a filter takes.
#[derive(Debug)]
pub(in crate::recover) struct Address {
    /// Scheme and host: `https://barn.example`.
    pub(in crate::recover) origin: String,
    /// The path, if it says one.
    pub(in crate::recover) path: Option<String>,
    /// Whether the path may go on.
    pub(in crate::recover) is_prefix: bool,
    /// Where.
    pub(in crate::recover) at: At,
}

/// The addresses that all filters of a manifest take.
pub(in crate::recover) fn addresses(file: u32, values: &Values<'_>) -> Vec<Address> {
    let Some(markup) = values.program().markup(file) else { return Vec::new() };
    let filters = markup.elements().filter(|(_, element)| element.name == "intent-filter");
    filters.flat_map(|(filter, _)| filter_addresses(file, markup, filter)).collect()
}

/// Addresses as deep links are written.
fn links(file: u32, markup: &Markup, filter: ElementId) -> Vec<(String, At)> {
    let found = filter_addresses(file, markup, filter).into_iter();
    found
        .map(|address| {
            let open = if address.is_prefix { "{}" } else { "" };
            (format!("{}{}{open}", address.origin, address.path.unwrap_or_default()), address.at)
        })
        .collect()
}

/// Addresses a filter takes: every scheme with every host and path, as the system combines them.
fn filter_addresses(file: u32, markup: &Markup, filter: ElementId) -> Vec<Address> {
    let data: Vec<&Element> = markup.children(filter).map(|(_, e)| e).filter(|e| e.name == "data").collect();
    let all = |name: &str| -> Vec<String> {
        data.iter().filter_map(|e| e.attribute(ANDROID, name)).map(|a| a.value.clone()).collect()
    };
    let paths: Vec<(Option<String>, bool)> = data
        .iter()
        .flat_map(|e| &e.attributes)
        .filter_map(|a| match a.name.as_str() {
            "path" => Some((Some(a.value.clone()), false)),
            "pathPrefix" | "pathPattern" | "pathAdvancedPattern" => {
                Some((Some(a.value.trim_end_matches(".*").to_owned()), true))
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
            let any = [(None, false)];
            for (path, is_prefix) in if paths.is_empty() { &any[..] } else { &paths } {
                let origin = format!("{scheme}://{host}");
                let path = path.clone();
                found.push(Address { origin, path, is_prefix: *is_prefix, at });
            }
        }
    }
    found
}
