//! Containers: what they are put into, who shows them, the ways that are named in them.

use super::graph::{Action, Container, Graph, HostProblem};
use crate::facts::{
    ActionFact, ContainerFact, ContainerId, Holds, Owner, RouteId, ScreenId, ShownBy, Unwired,
};
use crate::owners::Owners;
use rustc_hash::{FxHashMap, FxHashSet};

/// Adds containers, and finds which screens show which.
pub(super) fn add(facts: Vec<ContainerFact>, owners: &Owners<'_>, graph: &mut Graph<'_>) {
    let by_key: FxHashMap<_, ContainerId> =
        facts.iter().enumerate().map(|(i, fact)| (fact.key, ContainerId::from_usize(i))).collect();
    for fact in facts {
        let parents = fact.parent.and_then(|key| by_key.get(&key).copied()).into_iter().collect();
        graph.containers.push(Container {
            hosted: fact.shown_by.is_host(),
            says: fact.start.clone(),
            unread: false,
            incomplete: fact.holds == Holds::MayBeMore,
            sight: fact.sight,
            fact,
            parents,
            start: None,
            starts: Vec::new(),
            broken: false,
            is_app: false,
        });
    }
    for key in graph.unread.iter().filter_map(|unread| unread.container) {
        if let Some(&container) = by_key.get(&key) {
            graph.containers[container].unread = true;
        }
    }
    let by_path: FxHashMap<String, ScreenId> =
        graph.screens.iter_enumerated().map(|(i, screen)| (screen.fact.path.clone(), i)).collect();
    for container in graph.containers.indices() {
        let fact = &graph.containers[container].fact;
        let shown_in = fact.shown_in.as_ref().and_then(|path| by_path.get(path.as_str()).copied());
        let screens: Vec<ScreenId> =
            fact.sites.iter().flat_map(|&site| owners.of(site)).chain(shown_in).collect();
        graph.containers[container].is_app = fact.shown_by == ShownBy::App && screens.is_empty();
        screens.into_iter().for_each(|screen| graph.screens[screen].hosts.push(container));
    }
}

/// Finds containers that something has to show, and nothing does or holds.
pub(super) fn find_unhosted(graph: &mut Graph<'_>) {
    for screen in &mut graph.screens {
        screen.hosts.sort_unstable();
        screen.hosts.dedup();
    }
    // Part of an app: the hosts are somewhere else.
    if graph.hosts.is_empty() && !graph.containers.iter().any(|container| container.hosted) {
        return;
    }
    for container in &mut graph.containers {
        let fact = &container.fact;
        if container.broken
            || !container.parents.is_empty()
            || container.hosted
            || fact.shown_by != ShownBy::Another
        {
            continue;
        }
        let name = fact.name.clone().or_else(|| fact.resource.clone()).unwrap_or_default();
        let problem = HostProblem { what: Unwired::GraphWithoutHost(name), at: fact.key.0 };
        graph.host_problems.push(problem);
        container.broken = true;
    }
}

/// Containers that are of no use with nothing in them, and have nothing.
pub(super) fn find_empty(graph: &mut Graph<'_>) {
    let held: FxHashSet<ContainerId> = graph.routes.iter().filter_map(|route| route.container).collect();
    for container in graph.containers.indices() {
        let fact = &graph.containers[container].fact;
        let may_hold = graph.containers[container].unread
            || graph
                .unread
                .iter()
                .any(|unread| unread.container.is_none() && Some(unread.style) == fact.style);
        if fact.holds == Holds::MustHold && !may_hold && !held.contains(&container) {
            graph.host_problems.push(HostProblem { what: Unwired::NothingIn, at: fact.key.0 });
        }
    }
}

/// A navigator that a screen shows stands in what the screen's routes stand in.
pub(super) fn stand_where_shown(graph: &mut Graph<'_>) {
    for screen in graph.screens.indices() {
        let hosts = graph.screens[screen].hosts.clone();
        let inner = hosts.into_iter().filter(|&host| graph.containers[host].fact.stands_where_shown);
        for inner in inner.collect::<Vec<_>>() {
            for route in graph.screens[screen].routes.clone() {
                let outer = graph.routes[route].container;
                if graph.routes[route].is_group() {
                    graph.routes[route].group = Some(inner);
                }
                let parents = &mut graph.containers[inner].parents;
                parents.extend(outer.filter(|outer| *outer != inner && !parents.contains(outer)));
            }
        }
    }
}

/// Adds actions and where each leads, as seen from what it belongs to.
pub(super) fn add_actions(facts: Vec<ActionFact>, graph: &mut Graph<'_>) {
    let routes: FxHashMap<_, RouteId> =
        graph.routes.iter_enumerated().map(|(i, route)| (route.fact.at, i)).collect();
    let containers: FxHashMap<_, ContainerId> =
        graph.containers.iter_enumerated().map(|(i, container)| (container.fact.key.0, i)).collect();
    for fact in facts {
        let (route, container) = match fact.owner {
            Owner::Route(key) => {
                let route = routes.get(&key.0).copied();
                (route, route.and_then(|route| graph.routes[route].container))
            }
            Owner::Container(key) => (None, containers.get(&key.0).copied()),
        };
        // An action without a destination only pops: it leads back to what it pops to.
        let name = fact.destination.as_ref().map(|(name, _)| name.clone()).or_else(|| fact.pop_up_to.clone());
        let known = fact.leads.and_then(|key| routes.get(&key.0).copied());
        let targets = match (name, container) {
            _ if known.is_some() => known.into_iter().collect(),
            (Some(name), Some(container)) => visible(graph, &name, container),
            _ => Vec::new(),
        };
        graph.actions.push(Action { fact, route, container, targets, used: false });
    }
}

/// Routes of a name that can be seen from inside a container: those in it and in each around it,
/// the nearest ones only. A container around it can be named too.
pub(super) fn visible(graph: &Graph<'_>, name: &str, container: ContainerId) -> Vec<RouteId> {
    for around in graph.around(container) {
        let own = |route: &RouteId| {
            graph.routes[*route].fact.name == name && graph.routes[*route].loses_to.is_none()
        };
        let found: Vec<RouteId> = graph.routes_in(around).filter(own).collect();
        if !found.is_empty() {
            return found;
        }
    }
    Vec::new()
}
