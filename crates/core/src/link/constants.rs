//! Named things and who uses them: actions, constants that hold route text.

use super::graph::{Constant, Graph};
use crate::facts::{ActionId, Addresses, At, Names, TargetFact};
use crate::names::spelling;
use crate::names::without_names;
use crate::syntax::{ClassKind, Kind};
use crate::values::{Expr, Ref, Values};
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

/// Whether a name in full, or in part, is what it holds: `archive` of `ShelfArchive`.
fn says_its_text(name: &str, text: &str) -> bool {
    let text = text.strip_suffix(".xaml").unwrap_or(text);
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
            let ways = (graph.ways)(route.fact.style);
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
    let mut found: Vec<Constant> = Vec::new();
    let mut others: FxHashMap<Ref, Vec<Constant>> = FxHashMap::default();
    let mut holders: FxHashMap<Ref, usize> = FxHashMap::default();
    for file in values.program().parsed() {
        let tree = values.program().tree(file);
        for id in tree.ids() {
            let at = Ref { file, id };
            let constant = match tree.kind(id) {
                Kind::Variable(variable) => {
                    constant_of(at, &variable.name, variable.name_span, false, values)
                }
                Kind::Function(function) => constant_of(at, &function.name, function.name_span, true, values),
                _ => None,
            };
            let holder = |at: Ref| values.enclosing_class(at).or_else(|| file_of(at, values));
            let mut all: Vec<(Option<Ref>, Constant)> = constant
                .into_iter()
                .map(|constant| (holder(at).filter(|_| !constant.function), constant))
                .collect();
            all.extend(members_of(at, values).into_iter().map(|constant| (Some(at), constant)));
            for (holder, constant) in all {
                let addressed = schemes
                    .iter()
                    .any(|scheme| constant.value.starts_with(scheme.as_str()) && constant.value != *scheme);
                if addressed || routes.contains(&constant.value) {
                    holder.into_iter().for_each(|holder| *holders.entry(holder).or_default() += 1);
                    found.push(constant);
                } else if let Some(holder) = holder {
                    others.entry(holder).or_default().push(constant);
                }
            }
        }
    }
    // What stands among names of routes is one, though no route has it.
    for (holder, named) in holders {
        let rest = others.remove(&holder).unwrap_or_default();
        if named > 1 && named >= rest.len() {
            // A route's name says its text, as far as that goes; a file's or a setting's need not.
            found.extend(rest.into_iter().filter(|c| says_its_text(&c.name, &c.value)));
        }
    }
    found.sort_by_key(|constant| constant.at);
    graph.constants = found;
}

/// Where names outside of anything are a file's own, the file holds them: its first item stands for it.
fn file_of(at: Ref, values: Values<'_>) -> Option<Ref> {
    let id = *values.tree(at).items.first()?;
    values.imports_all_by_name(at.file).then_some(Ref { file: at.file, id })
}

/// The texts of an object that a name holds outside of any function, in languages where its entries are
/// read as members.
fn members_of(at: Ref, values: Values<'_>) -> Vec<Constant> {
    let tree = values.tree(at);
    let Some(variable) = tree.variable(at.id).filter(|_| values.imports_all_by_name(at.file)) else {
        return Vec::new();
    };
    let Some(Kind::Map(entries)) = variable.init.map(|init| tree.kind(init)).filter(|_| !values.is_local(at))
    else {
        return Vec::new();
    };
    let constants = entries.iter().filter_map(|entry| {
        let key = Ref { file: at.file, id: entry.key? };
        let name = values.plain_text(&Expr::new(key))?;
        let value = values.plain_text(&Expr::new(Ref { file: at.file, id: entry.value }))?;
        let span = tree.span(key.id);
        let name = format!("{}.{name}", variable.name);
        Some(Constant { name, value, function: false, used: false, at: At { file: at.file, span } })
    });
    constants.collect()
}

/// A constant outside of any function, or a function that hands back route text.
fn constant_of(
    at: Ref,
    name: &str,
    span: crate::model::Span,
    function: bool,
    values: Values<'_>,
) -> Option<Constant> {
    let class = values.enclosing_class(at);
    let holder = class.and_then(|class| values.class(class));
    if holder.is_some_and(|class| class.kind == ClassKind::Anonymous) || (!function && values.is_local(at)) {
        return None;
    }
    let value = if function { values.returned_text(at)? } else { values.initial_text(at)? };
    if value.is_blank() || value.value().starts_with("{}") {
        return None;
    }
    let holder = holder.map(|class| match class.kind {
        ClassKind::Companion => values
            .enclosing_class(class_ref(at, values))
            .and_then(|c| values.class(c))
            .map_or("", |c| c.name.as_str()),
        _ => class.name.as_str(),
    });
    let name = match holder {
        Some(holder) if !holder.is_empty() => format!("{holder}.{name}"),
        _ => name.to_owned(),
    };
    Some(Constant { name, value: value.value(), function, used: false, at: At { file: at.file, span } })
}

fn class_ref(at: Ref, values: Values<'_>) -> Ref {
    values.enclosing_class(at).unwrap_or(at)
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
