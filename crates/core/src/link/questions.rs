//! Questions that several rules ask of the graph.

use super::graph::{Graph, Screen};
use crate::facts::{At, ContainerId, Offers, RouteId, ScreenId, Unwired, Ways};
use crate::model::{CallStatus, Place, Style};
use crate::names::nearest;
use crate::source::are_alternatives;
use crate::values::Ref;
use pathfinding::prelude::bfs_reach;

impl Graph<'_> {
    /// How a style's names work.
    #[must_use]
    pub fn ways(&self, style: Style) -> &'static Ways {
        (self.ways)(style)
    }

    /// How the names of a route's style work.
    #[must_use]
    pub fn ways_of(&self, route: RouteId) -> &'static Ways {
        (self.ways)(self.routes[route].fact.style)
    }

    /// The place of a stretch of source.
    #[must_use]
    pub fn place(&self, at: At) -> Place {
        at.place(self.sources)
    }

    /// A container with those around it, innermost first.
    #[must_use]
    pub fn around(&self, container: ContainerId) -> Vec<ContainerId> {
        bfs_reach(container, |&inner| self.containers[inner].parents.iter().copied()).collect()
    }

    /// The outermost containers around one.
    #[must_use]
    pub fn roots(&self, container: ContainerId) -> Vec<ContainerId> {
        self.around(container).into_iter().filter(|&c| self.containers[c].parents.is_empty()).collect()
    }

    /// Whether `inner` is `outer` or somewhere inside it.
    #[must_use]
    pub fn is_within(&self, inner: ContainerId, outer: ContainerId) -> bool {
        self.around(inner).contains(&outer)
    }

    /// What is shown when a route is opened: itself, or a group's start, all the way down.
    #[must_use]
    pub fn shown_by(&self, route: RouteId) -> RouteId {
        let mut at = route;
        for _ in 0..self.containers.len() {
            let start = self.routes[at].group.and_then(|group| self.containers[group].start);
            match start {
                Some(next) if next != at => at = next,
                _ => break,
            }
        }
        at
    }

    /// Whether a route is in, or is, a container that something already reported keeps from working.
    #[must_use]
    pub fn is_excused(&self, route: RouteId) -> bool {
        let at = route;
        let route = &self.routes[route];
        let own = route.container.or(route.group);
        let around = own.map(|container| self.around(container)).unwrap_or_default();
        let unplaced = route.fact.registers.is_some() && route.fact.stands.is_empty();
        route.loses_to.is_some()
            || unplaced
            || route.shadowed_by.is_some()
            || self.overruled.iter().any(|other| route.fact.class == Some(other.class))
            || around.into_iter().map(|c| &self.containers[c]).any(|c| {
                let lost = c.starts.is_empty() || c.start.is_some() || c.starts.contains(&at);
                (c.broken && lost) || (c.incomplete && c.start.is_none())
            })
    }

    /// The routes that one call can mean by name, nearest spelling first.
    #[must_use]
    pub fn nearest_routes(&self, name: &str) -> Vec<String> {
        let names = self.routes.iter().map(|route| route.fact.name.as_str());
        nearest(name, names.chain(self.actions.iter().map(|action| action.fact.name.as_str())))
    }

    /// Whether a dotted class name is of a package that the source declares.
    #[must_use]
    pub fn is_own(&self, path: &str) -> bool {
        self.namespaces.iter().any(|namespace| path.starts_with(namespace.as_str()))
    }

    /// A typed route's class as callers write it: without its package.
    #[must_use]
    pub fn class_name(&self, class: Ref) -> &str {
        self.class_names.get(&class).map_or("", String::as_str)
    }

    /// Whether graphs are named that the source does not have: more ids may be declared there.
    #[must_use]
    pub fn is_incomplete(&self) -> bool {
        let unknown =
            self.host_problems.iter().any(|problem| matches!(problem.what, Unwired::NoSuchGraph(_)));
        unknown || self.containers.iter().any(|container| container.incomplete)
    }

    /// Whether the source declares a class of that full name.
    #[must_use]
    pub fn is_declared(&self, path: &str) -> bool {
        // A file that could not be read whole may hold it.
        self.classes.contains(path) || self.half_read.contains(path.rsplit('.').next().unwrap_or(path))
    }

    /// Whether a bar, a drawer or a row of tabs lists the route by itself.
    #[must_use]
    pub fn is_offered(&self, route: RouteId) -> bool {
        let around = self.routes[route].container.map(|container| &self.containers[container]);
        around.is_some_and(|container| container.fact.offers == Offers::All)
    }

    /// Whether a call names the route.
    #[must_use]
    pub fn is_called(&self, route: RouteId) -> bool {
        self.calls_to(route).next().is_some()
    }

    /// Whether code names the route where it cannot be followed: an action to it that no call goes by,
    /// or, where some calls are decided at run time, its id.
    #[must_use]
    pub fn is_mentioned(&self, route: RouteId) -> bool {
        let by_action = self.actions.iter().any(|action| action.used && action.targets.contains(&route));
        let dynamic = self.calls.iter().any(|call| call.status == CallStatus::Dynamic);
        by_action || (dynamic && self.used.iter().any(|fact| fact.name == self.routes[route].fact.name))
    }

    /// Whether a call that stands outside of a container names the route.
    #[must_use]
    pub fn is_called_from_outside(&self, route: RouteId, container: ContainerId) -> bool {
        self.calls_to(route).any(|call| {
            call.screens.is_empty()
                || call
                    .screens
                    .iter()
                    .flat_map(|&screen| &self.screens[screen].routes)
                    .any(|&from| self.routes[from].container.is_none_or(|c| !self.is_within(c, container)))
        })
    }

    /// Screens that no route shows: what they open cannot be reached through them.
    pub fn lost_screens(&self) -> impl Iterator<Item = ScreenId> + '_ {
        self.screens.indices().filter(|&screen| self.screens[screen].routes.is_empty())
    }

    /// Routes that a screen's calls and hosts open.
    #[must_use]
    pub fn opened_by(&self, screen: ScreenId) -> Vec<RouteId> {
        let hosted =
            self.screens[screen].hosts.iter().filter_map(|&container| self.containers[container].start);
        hosted.chain(self.calls_of(screen).flat_map(|call| call.targets.iter().copied())).collect()
    }

    /// Whether a route shows a screen, or what another build has in its place.
    #[must_use]
    pub fn is_shown(&self, screen: ScreenId) -> bool {
        let own = &self.screens[screen].fact;
        let file = |at: At| self.sources.files[at.file as usize].path.as_str();
        let same = |other: &&Screen| {
            let other = &other.fact;
            other.path == own.path || other.name == own.name && are_alternatives(file(other.at), file(own.at))
        };
        let at_bottom = self.containers.iter().any(|container| container.fact.roots.contains(&own.path));
        at_bottom || self.screens.iter().filter(same).any(|screen| !screen.routes.is_empty())
    }

    /// A screen's name.
    #[must_use]
    pub fn screen_name(&self, screen: ScreenId) -> &str {
        &self.screens[screen].fact.name
    }
}
