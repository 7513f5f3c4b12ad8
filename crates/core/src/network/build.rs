//! From a document to its network.

use super::{Hop, Network, Place, What};
use crate::model::{self, Call, CallStatus, Document, Route, RouteKind, Verb};
use rustc_hash::{FxHashMap, FxHashSet};
use std::collections::BTreeMap;

/// Line and column of a declaration, and the place it is of.
type Declared = ((u32, u32), usize);
/// What calls name in vain, by its name and the module they stand in.
type Vain<'d> = FxHashMap<(&'d str, Option<&'d str>), usize>;
/// Calls and routes of one hop while it is put together.
type Taken = (Vec<usize>, Vec<usize>);

pub(super) fn network(document: &Document) -> Network<'_> {
    let mut network = Network {
        document,
        places: Vec::new(),
        hops: Vec::new(),
        by_screen: FxHashMap::default(),
        by_route: FxHashMap::default(),
        route_index: document.routes.iter().enumerate().map(|(i, route)| (route.id.as_str(), i)).collect(),
    };
    network.add_screens();
    network.add_routes();
    let hops = network.joined();
    for ((from, to), (calls, routes)) in hops {
        let hop = network.hops.len();
        network.places[from].out.push(hop);
        network.places[to].into.push(hop);
        network.hops.push(Hop { from, to, calls, routes });
    }
    network.add_findings();
    network
}

/// Routes that every call to them passes on to others.
fn leading_on(document: &Document) -> FxHashSet<&str> {
    let targets = document.calls.iter().filter_map(|call| call.target.as_ref());
    let (on, stay): (Vec<_>, Vec<_>) = targets.partition(|target| !target.leads_on.is_empty());
    let mut passed: FxHashSet<&str> =
        on.iter().flat_map(|target| &target.routes).map(String::as_str).collect();
    stay.iter().flat_map(|target| &target.routes).for_each(|id| {
        passed.remove(id.as_str());
    });
    passed
}

fn place<'d>(name: &'d str, what: What<'d>) -> Place<'d> {
    Place {
        name,
        what,
        routes: Vec::new(),
        entry: false,
        findings: Vec::new(),
        out: Vec::new(),
        into: Vec::new(),
    }
}

impl<'d> Network<'d> {
    fn add(&mut self, place: Place<'d>) -> usize {
        self.places.push(place);
        self.places.len() - 1
    }

    fn add_screens(&mut self) {
        for screen in &self.document.screens {
            let at = self.add(place(&screen.name, What::Screen(screen)));
            self.by_screen.insert(&screen.id, at);
        }
    }

    fn add_routes(&mut self) {
        let passed = leading_on(self.document);
        for (i, route) in self.document.routes.iter().enumerate() {
            let shows_nothing = route.kind == RouteKind::Group || passed.contains(route.id.as_str());
            if shows_nothing && route.screen.is_none() {
                continue;
            }
            let shown = route.screen.as_deref().and_then(|screen| self.of_screen(screen));
            let at = shown.unwrap_or_else(|| self.add(place(&route.name, What::Route)));
            self.places[at].routes.push(i);
            self.places[at].entry |= route.entry;
            self.by_route.insert(&route.id, at);
        }
        // A group is what it shows first, however deep that is.
        for route in self.document.routes.iter().filter(|route| route.kind == RouteKind::Group) {
            if let Some(at) = self.first_in(route) {
                self.by_route.entry(&route.id).or_insert(at);
                self.places[at].entry |= route.entry;
            }
        }
    }

    fn first_in(&self, group: &Route) -> Option<usize> {
        let mut group = group;
        for _ in 0..self.document.routes.len() {
            let inside = |route: &&Route| route.parent.as_deref() == Some(group.id.as_str()) && route.start;
            let first = self.document.routes.iter().find(inside)?;
            if first.kind != RouteKind::Group {
                return self.of_route(&first.id);
            }
            group = first;
        }
        None
    }

    /// Every hop under its ends, parallel ones joined.
    fn joined(&mut self) -> BTreeMap<(usize, usize), Taken> {
        let mut hops: BTreeMap<(usize, usize), Taken> = BTreeMap::new();
        for screen in &self.document.screens {
            for route in &screen.shows {
                if let (Some(from), Some(to)) = (self.of_screen(&screen.id), self.of_route(route)) {
                    hops.entry((from, to)).or_default();
                }
            }
        }
        let mut app = None;
        let mut vain = Vain::default();
        for (i, call) in self.document.calls.iter().enumerate().filter(|(_, call)| is_forward(call)) {
            let mut from: Vec<usize> = call.screens.iter().filter_map(|id| self.of_screen(id)).collect();
            let to = self.ends(call, &mut vain);
            if from.is_empty() && !to.is_empty() {
                let at = *app.get_or_insert_with(|| self.add(place("app", What::App)));
                from.push(at);
            }
            for &start in &from {
                for (end, route) in &to {
                    let (calls, routes) = hops.entry((start, *end)).or_default();
                    calls.push(i);
                    if let Some(route) = route.filter(|route| !routes.contains(route)) {
                        routes.push(route);
                    }
                }
            }
        }
        hops
    }

    /// Where a call leads, with the route by which it does.
    fn ends(&mut self, call: &'d Call, vain: &mut Vain<'d>) -> Vec<(usize, Option<usize>)> {
        let Some(target) = &call.target else { return Vec::new() };
        if call.status == CallStatus::Undeclared {
            let name = target.value.as_deref().unwrap_or(&target.text).trim_matches(['"', '\'']);
            let module = self.document.module_of(&call.at.file);
            let at = match vain.get(&(name, module)) {
                Some(&at) => at,
                None => self.add(place(name, What::Undeclared)),
            };
            vain.insert((name, module), at);
            return vec![(at, None)];
        }
        // What leads on is no place: the page behind it is.
        let routes = if target.leads_on.is_empty() { &target.routes } else { &target.leads_on };
        routes.iter().filter_map(|id| Some((self.of_route(id)?, self.route_index(id)))).collect()
    }

    /// Findings belong to the screens whose call they are at; else to what is declared last before
    /// them in their file.
    fn add_findings(&mut self) {
        let mut declared: FxHashMap<&str, Vec<Declared>> = FxHashMap::default();
        let mut note = |at: &'d model::Place, place: usize| {
            declared.entry(at.file.as_str()).or_default().push(((at.line, at.column), place));
        };
        for (i, place) in self.places.iter().enumerate() {
            if let What::Screen(screen) = place.what {
                note(&screen.at, i);
            }
            place.routes.iter().for_each(|&route| note(&self.document.routes[route].at, i));
        }
        for list in declared.values_mut() {
            list.sort_unstable();
        }
        let mut calls: FxHashMap<(&str, u32, u32), Vec<usize>> = FxHashMap::default();
        for (i, call) in self.document.calls.iter().enumerate() {
            calls.entry((&call.at.file, call.at.line, call.at.column)).or_default().push(i);
        }
        for (i, finding) in self.document.findings.iter().enumerate() {
            let at = &finding.at;
            let by_call = calls.get(&(at.file.as_str(), at.line, at.column)).into_iter().flatten();
            let screens = by_call.flat_map(|&call| &self.document.calls[call].screens);
            let mut owners: Vec<usize> =
                screens.filter_map(|id| self.by_screen.get(id.as_str()).copied()).collect();
            if owners.is_empty() {
                let before = declared.get(at.file.as_str()).into_iter().flatten();
                owners.extend(
                    before.take_while(|(place, _)| *place <= (at.line, at.column)).last().map(|(_, p)| *p),
                );
            }
            owners.dedup();
            owners.into_iter().for_each(|owner| self.places[owner].findings.push(i));
        }
    }
}

/// Going back is no hop.
fn is_forward(call: &Call) -> bool {
    !matches!(call.verb, Verb::Back | Verb::BackTo)
}
