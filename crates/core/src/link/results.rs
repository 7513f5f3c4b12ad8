//! Results without a key of their own: a value that is awaited from a route, and what its screen hands
//! back.

use super::graph::{Graph, ResultSideLinked};
use crate::facts::{At, CallId, Channel, ResultSideFact, RouteId, ScreenId};
use crate::model::ResultSide;
use crate::values::Ref;
use rustc_hash::FxHashMap;
use std::collections::BTreeMap;

/// Finds the routes that such results belong to; the first one's name is the key.
pub(super) fn find_routes(graph: &mut Graph<'_>) {
    let by_call: FxHashMap<At, Vec<RouteId>> =
        graph.calls.iter().map(|call| (call.fact.at, call.targets.clone())).collect();
    for i in 0..graph.results.len() {
        let result = &graph.results[i];
        if result.fact.channel != Channel::OpenedRoute {
            continue;
        }
        let routes: Vec<RouteId> = match result.fact.side {
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

/// What a call puts to a route's parameters is handed back to it; what its screen takes out that no
/// other call passes waits for that.
pub(super) fn find_merged(graph: &mut Graph<'_>) {
    let mut found = Vec::new();
    let merging: Vec<CallId> = graph.calls.indices().filter(|&i| graph.calls[i].fact.merges).collect();
    for &i in &merging {
        let call = &graph.calls[i];
        for argument in &call.arguments {
            let side = side(&argument.name, ResultSide::Send, call.fact.site, call.fact.at);
            found.push(ResultSideLinked { fact: side, screens: call.screens.clone(), routes: Vec::new() });
        }
    }
    let mut sent: BTreeMap<RouteId, Vec<String>> = BTreeMap::new();
    for &i in &merging {
        let names = graph.calls[i].arguments.iter().map(|argument| argument.name.clone());
        let names: Vec<String> = names.collect();
        for route in gets(graph, i) {
            sent.entry(route).or_default().extend(names.iter().cloned());
        }
    }
    for (route, names) in &sent {
        found.extend(awaited(graph, *route, names));
    }
    graph.results.extend(found);
    graph.results.sort_by(|a, b| (a.fact.at, &a.fact.key).cmp(&(b.fact.at, &b.fact.key)));
}

/// The routes that get what a call hands back: those that it names, else those below its screens.
fn gets(graph: &Graph<'_>, call: CallId) -> Vec<RouteId> {
    let call = &graph.calls[call];
    if !call.targets.is_empty() {
        return call.targets.clone();
    }
    let routes_of = |screens: &[ScreenId]| -> Vec<RouteId> {
        screens.iter().flat_map(|&screen| graph.screens[screen].routes.iter().copied()).collect()
    };
    let openers = routes_of(&call.screens).into_iter().flat_map(|route| graph.calls_to(route));
    openers.flat_map(|opener| routes_of(&opener.screens)).collect()
}

fn awaited(graph: &Graph<'_>, route: RouteId, sent: &[String]) -> Vec<ResultSideLinked> {
    let Some(screen) = graph.routes[route].screen else { return Vec::new() };
    let passed = |name: &str| {
        graph
            .calls_to(route)
            .into_iter()
            .any(|call| !call.fact.merges && call.arguments.iter().any(|argument| argument.name == name))
    };
    let needed = |name: &str| graph.routes[route].parameters.iter().any(|p| p.name == name && p.required);
    // What is handed back under a name that nobody takes out was meant for some other.
    let lost = sent.iter().any(|name| graph.reads_of(screen).all(|read| read.name != *name));
    let reads = graph
        .reads_of(screen)
        .filter(|read| !needed(&read.name) && !passed(&read.name))
        .filter(|read| lost || sent.contains(&read.name));
    reads
        .map(|read| ResultSideLinked {
            fact: side(&read.name, ResultSide::Receive, read.fact.site, read.fact.at),
            screens: read.screens.clone(),
            routes: Vec::new(),
        })
        .collect()
}

fn side(key: &str, side: ResultSide, site: Ref, at: At) -> ResultSideFact {
    ResultSideFact {
        key: Some(key.to_owned()),
        side,
        sure: true,
        channel: Channel::MergedParameters,
        ty: None,
        literal_key: false,
        site,
        at,
    }
}
