//! Entries that lead on to pages: which page each is, by itself or by what calls put in.

use super::graph::{Graph, Mapped, Redirect};
use crate::facts::{MappedFact, MappedTo, RouteId, RouteKey};
use rustc_hash::FxHashMap;

/// Joins entries to their pages. Calls must be resolved.
pub(super) fn add(facts: Vec<MappedFact>, graph: &mut Graph<'_>) {
    let by_at: FxHashMap<_, RouteId> =
        graph.routes.iter_enumerated().map(|(i, route)| (route.fact.at, i)).collect();
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
fn named(
    route: RouteId,
    before: &str,
    placeholder: &str,
    after: &str,
    graph: &mut Graph<'_>,
) -> Vec<RouteId> {
    let container = graph.routes[route].container;
    let pages = graph.routes.iter_enumerated().filter(|(_, other)| other.container == container);
    // What stands in the placeholder's place for each page.
    let middles = pages.filter_map(|(i, other)| {
        let path = other.fact.pattern.as_deref()?;
        Some((i, path.strip_prefix(before)?.strip_suffix(after)?.to_owned()))
    });
    let middles: Vec<(RouteId, String)> = middles.collect();
    let mut found = Vec::new();
    for call in graph.calls.iter_mut().filter(|call| call.targets.contains(&route)) {
        let given = call.arguments.iter().find(|argument| argument.name == placeholder);
        let text = given.and_then(|argument| argument.fact.text.as_deref());
        let fits = |middle: &String| text.map_or(!middle.contains('/'), |text| text == middle);
        call.leads_on = middles.iter().filter(|(_, middle)| fits(middle)).map(|(page, _)| *page).collect();
        found.extend(call.leads_on.iter().copied());
    }
    found.sort_unstable();
    found.dedup();
    found
}
