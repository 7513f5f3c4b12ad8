//! What a call can see from where it stands.

use super::graph::Graph;
use super::stacks::Stood;
use crate::facts::{CallFact, ContainerId, HostHint, RouteId, ScreenId, Sight};

/// What a call can see: the routes its screens are shown by, and the containers around.
#[derive(Default)]
pub(super) struct View {
    /// Routes that show its screens.
    pub(super) standing: Vec<RouteId>,
    /// Containers its screens stand in.
    pub(super) containers: Vec<ContainerId>,
    /// Containers its screens host: what is on top there is not known.
    pub(super) hosted: Vec<ContainerId>,
    /// The controller is of a host further out, which may hold anything.
    pub(super) outer: bool,
    /// It says itself through which containers it goes.
    pub(super) anywhere: bool,
    /// The controller's own host is known.
    pub(super) controller: bool,
    /// Its places in stacks.
    pub(super) stacks: Vec<Stood>,
}

impl View {
    pub(super) fn of(fact: &CallFact, screens: &[ScreenId], graph: &Graph<'_>) -> Self {
        let routes = screens.iter().flat_map(|&screen| graph.screens[screen].routes.iter().copied());
        let standing: Vec<RouteId> =
            routes.filter(|&route| graph.routes[route].container.is_some()).collect();
        let containers = standing.iter().filter_map(|&route| graph.routes[route].container);
        let containers = containers.flat_map(|container| seen_through(container, 0, graph)).collect();
        let mut hosted: Vec<ContainerId> =
            screens.iter().flat_map(|&s| graph.screens[s].hosts.iter().copied()).collect();
        let (mut outer, mut anywhere) = (false, false);
        match &fact.host {
            // A host that is named decides, wherever the call is.
            Some(HostHint::Id(id)) => {
                let named = graph.hosts.iter().filter(|host| host.id.as_ref() == Some(id));
                hosted.extend(named.flat_map(|host| host.containers.iter().copied()));
            }
            Some(HostHint::Outer) => outer = true,
            Some(HostHint::Any) => anywhere = true,
            Some(HostHint::Container(key) | HostHint::Within(key)) => {
                hosted = graph.containers.position(|c| c.fact.key == *key).into_iter().collect();
            }
            None => {}
        }
        let controller = matches!(fact.host, Some(HostHint::Container(_))) && !hosted.is_empty();
        let stacks = match fact.host {
            // What is done to a path may happen wherever in the stack one is.
            Some(HostHint::Container(_)) => places(&hosted, false),
            Some(HostHint::Within(_)) => places(&hosted, true),
            _ => screens.iter().flat_map(|&screen| graph.screens[screen].stacks.iter().copied()).collect(),
        };
        Self { standing, containers, hosted, outer, anywhere, controller, stacks }
    }

    /// Whether nothing is known of where the call stands.
    pub(super) fn is_blank(&self) -> bool {
        self.outer || (self.containers.is_empty() && self.hosted.is_empty())
    }

    /// Whether a route can be named from here.
    pub(super) fn sees(&self, route: RouteId, graph: &Graph<'_>) -> bool {
        let Some(container) = graph.routes[route].container else { return true };
        let holder = &graph.containers[container];
        match holder.sight {
            Sight::Anywhere | Sight::Through => true,
            _ if self.anywhere => true,
            Sight::Inside if self.controller => self.hosted.contains(&container),
            Sight::Inside if self.outer => holder.is_app,
            Sight::Below if self.outer => holder.parents.is_empty(),
            _ if self.containers.is_empty() => true,
            Sight::AtOrAbove => true,
            Sight::Inside => self.containers.contains(&container),
            Sight::Below => {
                let here = self.containers.iter().chain(&self.hosted);
                here.into_iter().any(|&own| graph.is_within(own, container))
            }
        }
    }

    pub(super) fn is_hosted(&self, container: ContainerId, graph: &Graph<'_>) -> bool {
        graph.around(container).iter().any(|around| self.hosted.contains(around))
    }
}

/// A container, or, where it is no place to call from, those that its hosts stand in.
fn seen_through(container: ContainerId, depth: usize, graph: &Graph<'_>) -> Vec<ContainerId> {
    if graph.containers[container].sight != Sight::Through {
        return vec![container];
    }
    let hosts = graph.screens.iter().filter(|screen| depth < 8 && screen.hosts.contains(&container));
    let around = hosts.flat_map(|screen| &screen.routes).filter_map(|&route| graph.routes[route].container);
    around.flat_map(|outer| seen_through(outer, depth + 1, graph)).collect()
}

/// Places in stacks, at their roots or anywhere.
fn places(stacks: &[ContainerId], at_root: bool) -> Vec<Stood> {
    stacks.iter().map(|&stack| Stood { stack, at_root, shows: false }).collect()
}
