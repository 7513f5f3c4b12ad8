//! Ways on that no call takes: where each leads.

use super::graph::{Graph, Redirect};
use super::targets::ways;
use crate::facts::{RedirectFact, RouteId};
use rustc_hash::FxHashMap;

/// Resolves redirects. What is not known leads nowhere.
pub(super) fn add(facts: Vec<RedirectFact>, graph: &mut Graph<'_>) {
    let by_at: FxHashMap<_, RouteId> =
        graph.routes.iter_enumerated().map(|(i, route)| (route.fact.at, i)).collect();
    for fact in facts {
        let from = fact.from.and_then(|key| by_at.get(&key.0).copied());
        let targets = ways(&fact.target, fact.style, graph);
        graph.redirects.push(Redirect { from, targets });
    }
    graph.index_redirects();
}
