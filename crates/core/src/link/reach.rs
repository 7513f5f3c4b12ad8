//! Which routes a way leads to, from the entries on.

use super::graph::Graph;
use crate::facts::{ContainerId, Offers, RouteId, TargetFact};
use pathfinding::prelude::bfs_reach;

/// Marks every route that can be reached.
pub(super) fn mark(graph: &mut Graph<'_>) {
    let mut seeds: Vec<RouteId> = graph.routes.indices().filter(|&route| graph.routes[route].entry).collect();
    let app = graph.containers.iter().any(|container| container.is_app && container.start.is_some());
    graph.has_entries = app || graph.routes.iter().any(|route| route.fact.opened.at_launch());
    if !graph.has_entries {
        // Part of an app: what its hosts show first is as far out as one can see.
        let hosted = graph.containers.iter().filter(|container| container.hosted);
        seeds.extend(hosted.flat_map(|container| container.starts.clone()));
    }
    let apps = graph.containers.indices().filter(|&i| graph.containers[i].is_app);
    seeds.extend(apps.flat_map(|app| offered(graph, app)));
    // A notification, a service, the app's own links: nobody's screen, so always at hand.
    let loose = graph.calls.iter().filter(|call| call.screens.is_empty());
    seeds.extend(loose.flat_map(|call| call.targets.iter().copied()));
    seeds.extend(graph.routes.indices().filter(|&route| graph.routes[route].fact.opened.from_outside()));
    let anywhere = graph.redirects.iter().filter(|redirect| redirect.from.is_none());
    seeds.extend(anywhere.flat_map(|redirect| redirect.targets.iter().copied()));
    for route in from(graph, &seeds) {
        graph.routes[route].reached = true;
    }
}

/// Every route that can be reached from some, those included.
pub(crate) fn from(graph: &Graph<'_>, seeds: &[RouteId]) -> Vec<RouteId> {
    // From nowhere one gets to the seeds.
    let reached = bfs_reach(None, |from: &Option<RouteId>| {
        let onward = from.map_or_else(|| seeds.to_vec(), |route| next(graph, route));
        onward.into_iter().map(Some)
    });
    let mut found: Vec<RouteId> = reached.flatten().collect();
    found.sort_unstable();
    found
}

/// The routes that one step leads to.
fn next(graph: &Graph<'_>, route: RouteId) -> Vec<RouteId> {
    let mut found = graph.routes[route].group.map(|group| shown(graph, group)).unwrap_or_default();
    let own = graph.redirects.iter().filter(|redirect| redirect.from == Some(route));
    found.extend(own.flat_map(|redirect| redirect.targets.iter().copied()));
    let Some(screen) = graph.routes[route].screen else { return found };
    // The same screen under another route is the same place to call from.
    found.extend(graph.screens[screen].hosts.iter().flat_map(|&container| shown(graph, container)));
    let forward = graph
        .calls_of(screen)
        .filter(|call| call.goes_forward() || !matches!(call.fact.target, TargetFact::None));
    found.extend(forward.flat_map(|call| call.targets.iter().copied()));
    found
}

/// What a container that is shown leads to.
fn shown(graph: &Graph<'_>, container: ContainerId) -> Vec<RouteId> {
    let mut found = graph.containers[container].starts.clone();
    found.extend(offered(graph, container));
    found
}

/// What a container's own bar, drawer or row of tabs lists.
fn offered(graph: &Graph<'_>, container: ContainerId) -> Vec<RouteId> {
    match graph.containers[container].fact.offers {
        Offers::All => graph.routes_in(container).collect(),
        Offers::Start => Vec::new(),
    }
}
