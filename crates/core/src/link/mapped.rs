//! Entries that lead on to pages: which page each is, by itself or by what calls put in.

use super::graph::{Graph, Mapped, Redirect};
use crate::recover::{MappedFact, MappedTo, RouteKey};
use rustc_hash::FxHashMap;

/// Joins entries to their pages. Calls must be resolved.
pub(super) fn add(facts: Vec<MappedFact>, graph: &mut Graph<'_>) {
    let by_at: FxHashMap<_, usize> =
        graph.routes.iter().enumerate().map(|(i, route)| (route.fact.at, i)).collect();
    for fact in facts {
        let Some(&route) = by_at.get(&fact.from.0) else { continue };
        let page = match fact.to {
            MappedTo::Page(RouteKey(at)) => by_at.get(&at).copied(),
            MappedTo::Named { .. } => None,
        };
        let targets = match &fact.to {
            MappedTo::Page(_) => page.into_iter().collect(),
            MappedTo::Named { before, placeholder, after } => named(route, before, placeholder, after, graph),
        };
        graph.redirects.push(Redirect { from: Some(route), targets });
        graph.mapped.push(Mapped { route, page, passes: fact.passes });
    }
}

/// The pages that calls name; where a call's value is not known, every page that could be meant.
fn named(route: usize, before: &str, placeholder: &str, after: &str, graph: &Graph<'_>) -> Vec<usize> {
    let container = graph.routes[route].container;
    let pages = graph.routes.iter().enumerate().filter(|(_, other)| other.container == container);
    let pages: Vec<(usize, &str)> =
        pages.filter_map(|(i, other)| Some((i, other.fact.pattern.as_deref()?))).collect();
    let mut found = Vec::new();
    for call in graph.calls.iter().filter(|call| call.targets.contains(&route)) {
        let given = call.arguments.iter().find(|argument| argument.name == placeholder);
        let text = given.and_then(|argument| argument.fact.text.as_deref());
        found.extend(pages.iter().filter_map(|(page, path)| {
            let middle = path.strip_prefix(before)?.strip_suffix(after)?;
            let fits = text.map_or(!middle.contains('/'), |text| text == middle);
            fits.then_some(*page)
        }));
    }
    found.sort_unstable();
    found.dedup();
    found
}
