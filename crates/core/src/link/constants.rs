//! Named things and who uses them: actions, constants that hold route text.

use super::graph::{Constant, Graph};
use crate::facts::{ActionId, Addresses, At, Names, TargetFact};
use crate::names::spelling;
use crate::names::without_names;
use crate::values::{Ref, Values};
use rustc_hash::{FxHashMap, FxHashSet};

/// The names whose uses have to be looked for in files that were not parsed.
pub(super) fn words(graph: &Graph<'_>) -> Vec<String> {
    let actions =
        graph.actions.iter().flat_map(|action| [action.fact.name.clone(), camel(&action.fact.name)]);
    let constants = graph.constants.iter().map(|constant| last(&constant.name).to_owned());
    let screens = graph.screens.iter().map(|screen| screen.fact.name.clone());
    actions.chain(constants).chain(screens).collect()
}

fn last(name: &str) -> &str {
    name.rsplit('.').next().unwrap_or(name)
}

/// Marks the actions and constants that something uses, in parsed files or elsewhere.
pub(super) fn mark(graph: &mut Graph<'_>, values: Values<'_>, elsewhere: &FxHashSet<String>) {
    let names: FxHashSet<&str> = graph.used.iter().map(|fact| fact.name.as_str()).collect();
    let generated: FxHashSet<String> = graph
        .calls
        .iter()
        .filter_map(|call| match &call.fact.target {
            TargetFact::Generated { method, .. } => Some(spelling(method)),
            _ => None,
        })
        .collect();
    let called: FxHashSet<ActionId> = graph.calls.iter().filter_map(|call| call.action).collect();
    for (i, action) in graph.actions.iter_mut_enumerated() {
        let name = &action.fact.name;
        action.used = action.fact.wired
            || names.contains(name.as_str())
            || elsewhere.contains(name)
            || elsewhere.contains(&camel(name))
            || called.contains(&i)
            || generated.contains(&spelling(name))
            || !values.program().uses_of_name(&camel(name)).is_empty();
    }
    for constant in &mut graph.constants {
        let word = last(&constant.name);
        constant.used = names.contains(word)
            || elsewhere.contains(word)
            || !values.program().uses_of_name(word).is_empty();
    }
}

/// A name or text without its separators, in small letters.
fn letters(name: &str) -> String {
    spelling(name).chars().filter(|c| c.is_alphanumeric()).collect()
}

/// A text without what stands at the end of addresses and says nothing.
fn without_ending<'t>(text: &'t str, endings: &FxHashSet<&'static str>) -> &'t str {
    let mut cut = endings.iter().filter(|ending| !ending.is_empty());
    cut.find_map(|ending| text.strip_suffix(ending)).unwrap_or(text)
}

/// Whether a name in full, or in part, is what it holds: `archive` of `ShelfArchive`.
fn says_its_text(name: &str, text: &str) -> bool {
    let (name, text) = (letters(last(name)), letters(text));
    name == text
        || (name.len() > 3 && (text.ends_with(&name) || text.starts_with(&name)))
        || (text.len() > 3 && name.starts_with(&text))
}

/// `action_shelf_to_item` as generated code spells it.
fn camel(id: &str) -> String {
    let mut parts = id.split(['_', '.']);
    let mut name = parts.next().unwrap_or_default().to_owned();
    for part in parts {
        let mut chars = part.chars();
        if let Some(first) = chars.next() {
            name.extend(first.to_uppercase());
            name.push_str(chars.as_str());
        }
    }
    name
}

/// Collects the constants and functions that hold an address of the app's own, or a route's text.
pub(super) fn collect(graph: &mut Graph<'_>, values: Values<'_>) {
    let schemes: FxHashSet<String> = graph
        .routes
        .iter()
        .flat_map(|route| &route.fact.deep_links)
        .filter_map(|(pattern, _)| pattern.split_once("://").map(|(scheme, _)| format!("{scheme}://")))
        .filter(|scheme| scheme != "https://" && scheme != "http://")
        .collect();
    let routes: FxHashSet<String> = graph
        .routes
        .iter()
        .flat_map(|route| {
            let pattern = route.fact.pattern.as_deref();
            let ways = graph.ways(route.fact.style);
            let named = (ways.names == Names::Text).then(|| route.fact.name.clone());
            // Where code compares the host of an address, the host is a name.
            let in_code = ways.addresses == Addresses::InCode;
            let links = route.fact.deep_links.iter().filter(move |_| in_code);
            let hosts = links.filter_map(|(link, _)| link.split_once("://")?.1.split('/').next());
            let patterns =
                pattern.into_iter().flat_map(|pattern| [pattern.to_owned(), without_names(pattern)]);
            patterns.chain(named).chain(hosts.map(str::to_owned).collect::<Vec<_>>())
        })
        .collect();
    let routes: FxHashSet<String> = graph
        .actions
        .iter()
        .filter(|action| action.fact.leads.is_some())
        .map(|action| action.fact.name.clone())
        .chain(routes)
        .collect();
    let endings: FxHashSet<&'static str> =
        graph.routes.iter().map(|route| graph.ways(route.fact.style).ending).collect();
    let mut found: Vec<Constant> = Vec::new();
    let mut others: FxHashMap<Ref, Vec<Constant>> = FxHashMap::default();
    let mut holders: FxHashMap<Ref, usize> = FxHashMap::default();
    for text in values.text_constants() {
        let addressed =
            schemes.iter().any(|scheme| text.value.starts_with(scheme.as_str()) && text.value != *scheme);
        let holder = text.holder;
        let constant = Constant {
            name: text.name,
            value: text.value,
            function: text.is_function,
            used: false,
            at: At { file: text.file, span: text.name_span },
        };
        if addressed || routes.contains(&constant.value) {
            holder.into_iter().for_each(|holder| *holders.entry(holder).or_default() += 1);
            found.push(constant);
        } else if let Some(holder) = holder {
            others.entry(holder).or_default().push(constant);
        }
    }
    // What stands among names of routes is one, though no route has it.
    for (holder, named) in holders {
        let rest = others.remove(&holder).unwrap_or_default();
        if named > 1 && named >= rest.len() {
            // A route's name says its text, as far as that goes; a file's or a setting's need not.
            found.extend(
                rest.into_iter().filter(|c| says_its_text(&c.name, without_ending(&c.value, &endings))),
            );
        }
    }
    found.sort_by_key(|constant| constant.at);
    graph.constants = found;
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn ids_are_spelled_in_camel_case() {
        assert_eq!(camel("action_shelf_to_item"), "actionShelfToItem");
        assert_eq!(camel("action_shelfList_to_item"), "actionShelfListToItem");
    }
}
