//! What containers show first.

use super::graph::Graph;
use super::patterns::fit;
use crate::facts::{ChosenStart, ContainerFact, ContainerId, RouteFact, RouteId, Sight, Start, StartFact};
use crate::names::nearest;
use crate::values::Shape;

/// Gives containers the starts that are said apart from them, and else, where that is so, their first
/// route's.
pub(super) fn choose(
    mut containers: Vec<ContainerFact>,
    chosen: Vec<ChosenStart>,
    routes: &[RouteFact],
) -> Vec<ContainerFact> {
    for choice in chosen {
        if let Some(container) = containers.iter_mut().find(|container| container.key == choice.container) {
            container.start.add(choice.start);
        }
    }
    for container in &mut containers {
        let Start::FirstDeclared(said) = &container.start else { continue };
        container.start = if said.is_empty() {
            let own = routes.iter().filter(|route| route.container == Some(container.key));
            let first = own.min_by_key(|route| (route.order, route.at));
            Start::said_if_any(first.map(StartFact::first))
        } else {
            Start::Said(said.clone())
        };
    }
    containers
}

/// Finds the routes that containers show first.
pub(super) fn find(graph: &mut Graph<'_>) {
    for i in graph.containers.indices() {
        let container = &graph.containers[i];
        let wanted: Vec<String> = container.says.known().iter().map(|start| start.name.clone()).collect();
        let found: Vec<RouteId> = wanted.iter().filter_map(|name| start_named(graph, i, name)).collect();
        graph.containers[i].start = found.first().copied();
        let is_app = graph.containers[i].is_app;
        for &route in &found {
            graph.routes[route].start = true;
            graph.routes[route].entry |= is_app;
        }
        let meant = if found.is_empty() { presumed(graph, i, &wanted) } else { found };
        graph.containers[i].starts = meant;
        if graph.containers[i].start.is_none() {
            // Said and not there, or not said at all: reported once, there.
            let container = &mut graph.containers[i];
            container.broken |= !container.says.is_open() && !container.incomplete;
        }
    }
}

/// Where a start is said by a name that is only misspelt, what is behind it is reached all the same.
fn presumed(graph: &Graph<'_>, container: ContainerId, wanted: &[String]) -> Vec<RouteId> {
    let own: Vec<RouteId> = graph.routes_in(container).collect();
    let by_name = own.iter().any(|&route| graph.ways_of(route).first_of_a_name_counts());
    let Some(name) = wanted.first().filter(|_| by_name) else { return Vec::new() };
    let near = nearest(name, own.iter().map(|&route| graph.routes[route].fact.name.as_str()));
    let meant = own.into_iter().find(|&route| near.first() == Some(&graph.routes[route].fact.name));
    meant.into_iter().collect()
}

/// The route of a container that a start's name means.
fn start_named(graph: &Graph<'_>, container: ContainerId, name: &str) -> Option<RouteId> {
    let own = |route: &RouteId| graph.routes[*route].loses_to.is_none();
    let exact = graph.routes_in(container).filter(own).find(|&route| graph.routes[route].fact.name == name);
    let fits = |route: &RouteId| {
        let pattern = graph.routes[*route].fact.pattern.as_deref();
        pattern.is_some_and(|pattern| fit(&Shape::text(name, false), pattern).is_some())
    };
    let elsewhere = || {
        // A host without routes of its own shows any.
        let bare = graph.containers[container].fact.shown_by.is_host()
            && graph.routes_in(container).next().is_none();
        graph.routes_named(name).iter().copied().find(|_| bare)
    };
    // What stands in an inner container can be a start as well where names are seen from anywhere.
    let inner = || {
        let within = |route: &RouteId| {
            let fact = &graph.routes[*route].fact;
            let typed = graph.routes[*route].container.is_none() && fact.class.is_some();
            typed || graph.routes[*route].container.is_some_and(|inner| graph.is_within(inner, container))
        };
        let open = graph.containers[container].sight == Sight::Anywhere;
        let all = graph.patterned_routes().iter().copied().filter(|_| open);
        all.filter(own).filter(within).find(fits)
    };
    let by_path = |route: &RouteId| own(route) && !graph.ways_of(*route).first_of_a_name_counts();
    exact.or_else(|| graph.routes_in(container).filter(by_path).find(fits)).or_else(inner).or_else(elsewhere)
}
