//! The scan document as a network: places (screens, with the routes that show them) and the hops
//! between them. What `reach`, `map`, `report` and `gaps` look at.

mod build;
mod ways;

#[cfg(test)]
mod tests;

pub use ways::{Way, Ways};

use crate::model::{Call, Document, RouteKind, Screen, Severity};
use crate::names::nearest;
use rustc_hash::FxHashMap;

/// Places and hops over a document.
#[derive(Debug)]
pub struct Network<'d> {
    /// The document.
    pub document: &'d Document,
    /// Places: screens in the document's order, then routes without a screen, then what calls name in
    /// vain.
    pub places: Vec<Place<'d>>,
    /// Hops, by where they start and end.
    pub hops: Vec<Hop>,
    by_screen: FxHashMap<&'d str, usize>,
    by_route: FxHashMap<&'d str, usize>,
    route_index: FxHashMap<&'d str, usize>,
}

/// A screen with its routes, or what stands in its place.
#[derive(Debug)]
pub struct Place<'d> {
    /// What it is called.
    pub name: &'d str,
    /// What stands there.
    pub what: What<'d>,
    /// Indices of the routes that show it.
    pub routes: Vec<usize>,
    /// Whether something outside of the app can open it.
    pub entry: bool,
    /// Indices of the findings at it, its routes or its calls.
    pub findings: Vec<usize>,
    /// Hops that start here.
    pub out: Vec<usize>,
    /// Hops that end here.
    pub into: Vec<usize>,
}

/// What stands at a place.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum What<'d> {
    /// A screen.
    Screen(&'d Screen),
    /// A route whose screen is not known.
    Route,
    /// A target that nothing declares.
    Undeclared,
    /// The app itself: calls that belong to no screen.
    App,
}

/// A way from one place to the next.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Hop {
    /// Where it starts.
    pub from: usize,
    /// Where it ends.
    pub to: usize,
    /// Indices of the calls that take it; none where the screen shows the other inside itself.
    pub calls: Vec<usize>,
    /// Indices of the routes by which it ends there.
    pub routes: Vec<usize>,
}

impl<'d> Network<'d> {
    /// The network of a document.
    #[must_use]
    pub fn new(document: &'d Document) -> Self {
        build::network(document)
    }

    /// The place that a name means: a screen's name or id, else a route's name, id or pattern.
    ///
    /// # Errors
    /// The nearest names where nothing is called so.
    pub fn find(&self, name: &str) -> Result<usize, Vec<String>> {
        let screens = self.document.screens.iter().find(|s| s.id == name || s.name == name);
        let by_screen = screens.and_then(|screen| self.by_screen.get(screen.id.as_str()));
        let routes = || self.document.routes.iter().find(|route| route.is_named(name));
        let by_route = || routes().and_then(|route| self.by_route.get(route.id.as_str()));
        by_screen.or_else(by_route).copied().ok_or_else(|| {
            let screens = self.document.screens.iter().map(|screen| screen.name.as_str());
            let near =
                nearest(name, screens.chain(self.document.routes.iter().map(|route| route.name.as_str())));
            if near.is_empty() { self.holding(name) } else { near }
        })
    }

    /// Names that hold a part.
    fn holding(&self, part: &str) -> Vec<String> {
        let part = part.to_lowercase();
        let names = self.places.iter().map(|place| place.name);
        names.filter(|name| name.to_lowercase().contains(&part)).take(3).map(str::to_owned).collect()
    }

    /// The place of a screen.
    #[must_use]
    pub fn of_screen(&self, id: &str) -> Option<usize> {
        self.by_screen.get(id).copied()
    }

    /// The place that a route shows; a group's is what it shows first.
    #[must_use]
    pub fn of_route(&self, id: &str) -> Option<usize> {
        self.by_route.get(id).copied()
    }

    /// The index of a route in the document.
    #[must_use]
    pub fn route_index(&self, id: &str) -> Option<usize> {
        self.route_index.get(id).copied()
    }

    /// Calls that lead to a place.
    pub fn callers(&self, place: usize) -> impl Iterator<Item = (&Hop, &'d Call)> + '_ {
        let calls = &self.document.calls;
        let hops = self.places[place].into.iter().map(|&hop| &self.hops[hop]);
        hops.flat_map(move |hop| hop.calls.iter().map(move |&call| (hop, &calls[call])))
    }

    /// The worst of a place's findings.
    #[must_use]
    pub fn worst(&self, place: usize) -> Option<Severity> {
        self.places[place].findings.iter().map(|&i| self.document.findings[i].severity).max()
    }

    /// Whether a rule reports the place itself.
    #[must_use]
    pub fn is_reported(&self, place: usize, rule: &str) -> bool {
        let own = |i: &usize| self.document.findings[*i].rule == rule;
        self.places[place].findings.iter().any(own)
    }

    /// How a place is shown: as a dialog, a sheet, a tab, or filling the window.
    #[must_use]
    pub fn kind(&self, place: usize) -> RouteKind {
        let kinds = self.places[place].routes.iter().map(|&route| self.document.routes[route].kind);
        kinds.min_by_key(|kind| *kind == RouteKind::Group).unwrap_or(RouteKind::Screen)
    }

    /// Places that something outside of the app can open; in a part of an app, what its graphs show
    /// first.
    #[must_use]
    pub fn entries(&self) -> Vec<usize> {
        let own: Vec<usize> = (0..self.places.len())
            .filter(|&i| self.places[i].entry || self.places[i].what == What::App)
            .collect();
        if self.places.iter().any(|place| place.entry) {
            return own;
        }
        let starts = |i: &usize| {
            self.places[*i].what == What::App
                || self.places[*i].routes.iter().any(|&route| {
                    self.document.routes[route].start && self.document.routes[route].parent.is_none()
                })
        };
        (0..self.places.len()).filter(starts).collect()
    }
}
