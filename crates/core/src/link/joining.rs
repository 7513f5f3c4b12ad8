//! The door through which a style joins facts that only it has: what it may see of the graph, and the
//! few things that it may do to it.

use super::graph::{Call, Graph, HandsOn, Host, HostProblem, Redirect};
use crate::facts::{
    At, CallFact, CallId, ContainerId, LinkFact, MissingStep, Own, OwnFact, ParameterFact, RouteId, ScreenId,
    Sight, Start, StartFact, Unwired,
};
use crate::owners::Owners;
use crate::values::{Ref, Values};

/// How far linking is when a style's join runs.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Phase {
    /// Screens and containers are there.
    Contained,
    /// Routes and named ways stand in their containers.
    Placed,
    /// Calls that name routes are resolved; those that go by an address are not.
    Resolved,
    /// All calls are.
    Called,
    /// What calls pass and screens read has its names.
    Named,
}

/// How a style joins facts that only it has.
#[derive(Debug, Clone, Copy)]
pub struct Join {
    /// When.
    pub after: Phase,
    /// What is done.
    pub join: fn(&mut Joining<'_, '_>),
}

/// What a join sees and may do.
pub struct Joining<'j, 'p> {
    pub(super) graph: &'j mut Graph<'p>,
    pub(super) owners: &'j Owners<'p>,
    pub(super) own: &'j mut Own,
    pub(super) values: Values<'p>,
}

/// What it sees.
impl<'p> Joining<'_, 'p> {
    /// The facts of a type, in the order of files. They are taken: only one join gets them.
    #[must_use]
    pub fn take<T: OwnFact>(&mut self) -> Vec<T> {
        self.own.take()
    }

    /// Keeps a fact for a later join.
    pub fn keep<T: OwnFact>(&mut self, fact: T) {
        self.own.push(fact);
    }

    /// The graph as far as it is joined.
    #[must_use]
    pub fn graph(&self) -> &Graph<'p> {
        self.graph
    }

    /// What the source says.
    #[must_use]
    pub fn values(&self) -> Values<'p> {
        self.values
    }

    /// The screens that a place belongs to.
    #[must_use]
    pub fn owners_of(&self, site: Ref) -> Vec<ScreenId> {
        self.owners.of(site)
    }

    /// The routes in whose declaration a place stands, else those that show its screens.
    #[must_use]
    pub fn routes_around(&self, site: Ref) -> Vec<RouteId> {
        let declared = super::arguments::declared_around(site, self.graph, self.values);
        if !declared.is_empty() {
            return declared;
        }
        let screens = self.owners.of(site).into_iter();
        screens.flat_map(|screen| self.graph.screens[screen].routes.clone()).collect()
    }
}

/// What it may do while containers are joined.
impl Joining<'_, '_> {
    /// Puts a container into another.
    pub fn put_into(&mut self, inner: ContainerId, outer: ContainerId) {
        self.graph.containers[inner].parents.push(outer);
    }

    /// Says that a container may hold more than is known.
    pub fn may_hold_more(&mut self, container: ContainerId) {
        self.graph.containers[container].incomplete = true;
    }

    /// Says that something shows a container: on these screens, as far as that is known.
    pub fn show(&mut self, container: ContainerId, screens: &[ScreenId]) {
        self.graph.containers[container].hosted = true;
        screens.iter().for_each(|&screen| self.graph.screens[screen].hosts.push(container));
    }

    /// Says with which route code starts a container.
    pub fn start_with(&mut self, container: ContainerId, route: String) {
        let at = self.graph.containers[container].fact.key.0;
        self.graph.containers[container].says = Start::Perhaps(vec![StartFact::new(route, at)]);
    }

    /// Says from where the routes of a container can be named.
    pub fn see_from(&mut self, container: ContainerId, sight: Sight) {
        self.graph.containers[container].sight = sight;
    }

    /// Says that what keeps a container from being shown is reported already.
    pub fn excuse(&mut self, container: ContainerId) {
        self.graph.containers[container].broken = true;
    }

    /// Adds a view that shows containers.
    pub fn add_host(&mut self, host: Host) {
        self.graph.hosts.push(host);
    }
}

/// What it may do while routes and calls are joined.
impl Joining<'_, '_> {
    /// Gives a route an address that opens it.
    pub fn open_by(&mut self, route: RouteId, address: String, at: At) {
        let route = &mut self.graph.routes[route];
        route.entry = true;
        if route.fact.deep_links.iter().all(|(known, _)| *known != address) {
            route.fact.deep_links.push((address, at));
        }
    }

    /// Says that something outside of the app opens a route.
    pub fn open_from_outside(&mut self, route: RouteId) {
        self.graph.routes[route].entry = true;
    }

    /// Gives a route without a path one.
    pub fn path(&mut self, route: RouteId, pattern: String) {
        self.graph.routes[route].fact.pattern.get_or_insert(pattern);
    }

    /// Keeps an address whose route nobody declares.
    pub fn unlinked(&mut self, link: LinkFact) {
        self.graph.unlinked.push(link);
    }

    /// Adds a call that leads to known routes.
    pub fn add_call(&mut self, fact: CallFact, screens: Vec<ScreenId>, targets: Vec<RouteId>) {
        let ways = self.graph.ways(fact.style);
        self.graph.calls.push(Call::resolved(fact, ways, screens, targets));
    }

    /// Says that a route leads on to others by itself.
    pub fn lead_on(&mut self, from: RouteId, targets: Vec<RouteId>) {
        self.graph.redirects.push(Redirect { from: Some(from), targets });
    }

    /// Says where a call is led on to.
    pub fn led_on(&mut self, call: CallId, targets: Vec<RouteId>) {
        self.graph.calls[call].leads_on = targets;
    }

    /// Says what a route hands on to the page that it leads to.
    pub fn hand_on(&mut self, entry: HandsOn) {
        self.graph.hands_on.push(entry);
    }

    /// Keeps some of a route's parameters.
    pub fn keep_parameters(&mut self, route: RouteId, keep: impl FnMut(&ParameterFact) -> bool) {
        self.graph.routes[route].parameters.retain(keep);
    }

    /// Says that a route takes all it takes as one object: what that is called, its type, its parts.
    pub fn takes_whole(&mut self, route: RouteId, whole: (String, String), parts: &[ParameterFact]) {
        let route = &mut self.graph.routes[route];
        route.whole.get_or_insert(whole);
        let new = parts.iter().filter(|part| route.parameters.iter().all(|known| known.name != part.name));
        let new: Vec<ParameterFact> = new.cloned().collect();
        route.parameters.extend(new);
    }
}

/// What it may report.
impl Joining<'_, '_> {
    /// Reports a host, a graph or a menu that lacks something.
    pub fn report(&mut self, what: Unwired, at: At) {
        self.graph.host_problems.push(HostProblem { what, at });
    }

    /// Reports set-up with a step that is not there.
    pub fn slip(&mut self, step: MissingStep) {
        self.graph.missing_steps.push(step);
    }
}
