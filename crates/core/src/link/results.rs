//! Results without a key of their own: a value that is awaited from a route, and what its screen hands
//! back.

use super::graph::Graph;
use crate::model::ResultSide;
use crate::recover::At;
use rustc_hash::FxHashMap;

/// The channel of results that are met by the route that was opened.
pub(crate) const OPENED: &str = "opened-route";

/// Finds the routes that such results belong to; the first one's name is the key.
pub(super) fn find_routes(graph: &mut Graph<'_>) {
    let by_call: FxHashMap<At, Vec<usize>> =
        graph.calls.iter().map(|call| (call.fact.at, call.targets.clone())).collect();
    for i in 0..graph.results.len() {
        let result = &graph.results[i];
        if result.fact.channel != OPENED {
            continue;
        }
        let routes: Vec<usize> = match result.fact.side {
            ResultSide::Receive => by_call.get(&result.fact.at).cloned().unwrap_or_default(),
            ResultSide::Send => {
                let shown = result.screens.iter().flat_map(|&screen| graph.screens[screen].routes.clone());
                shown.collect()
            }
        };
        graph.results[i].fact.key = routes.first().map(|&route| graph.routes[route].fact.name.clone());
        graph.results[i].routes = routes;
    }
}
