//! One app of a comparison: its routes with their words, neighbours and results.

use super::likeness::words;
use crate::model::{Document, ResultSide, Route, RouteKind};
use crate::names::without_names;
use crate::network::{Hop, Network, What};

/// An app.
#[derive(Debug)]
pub(super) struct Side<'d> {
    pub(super) document: &'d Document,
    pub(super) network: Network<'d>,
    /// Routes that take part: groups do not.
    pub(super) units: Vec<Unit<'d>>,
}

/// A route that takes part.
#[derive(Debug)]
pub(super) struct Unit<'d> {
    pub(super) route: &'d Route,
    /// Its place in the network.
    pub(super) place: Option<usize>,
    /// Its screen's name.
    pub(super) screen: Option<&'d str>,
    /// Words of its name.
    pub(super) words: Vec<String>,
    /// Words of its screen's name.
    pub(super) screen_words: Vec<String>,
    /// Words of its parameters' names.
    pub(super) parameters: Vec<Vec<String>>,
    /// The addresses that open it, without their schemes and the names of their placeholders.
    pub(super) addresses: Vec<String>,
    /// Units that its screen leads to.
    pub(super) leads_to: Vec<usize>,
}

impl<'d> Side<'d> {
    pub(super) fn new(document: &'d Document) -> Self {
        let network = Network::new(document);
        let same = |a: &Route, b: &Route| {
            (a.style, &a.name, &a.screen, a.parent.is_none())
                == (b.style, &b.name, &b.screen, b.parent.is_none())
                && a.kind == b.kind
                && a.screen.is_some()
        };
        // One name for one screen, said twice, is one route.
        let first =
            |(i, route): &(usize, &Route)| !document.routes[..*i].iter().any(|other| same(other, route));
        let routes = document.routes.iter().enumerate().filter(first).map(|(_, route)| route);
        let routes = routes.filter(|route| route.kind != RouteKind::Group);
        let mut units: Vec<Unit<'d>> = routes.map(|route| unit(document, &network, route)).collect();
        let leads_to: Vec<Vec<usize>> = units.iter().map(|unit| leads_to(&network, unit, &units)).collect();
        for (unit, leads_to) in units.iter_mut().zip(leads_to) {
            unit.leads_to = leads_to;
        }
        Self { document, network, units }
    }

    /// The unit of a route.
    pub(super) fn unit_of(&self, route: usize) -> Option<usize> {
        let id = &self.document.routes[route].id;
        self.units.iter().position(|unit| unit.route.id == *id)
    }

    /// Names by which a unit is known.
    pub(super) fn names(&self) -> impl Iterator<Item = &str> {
        self.units.iter().flat_map(|unit| [Some(unit.route.name.as_str()), unit.screen].into_iter().flatten())
    }

    /// Hops between units: the unit it starts from, the one it ends at, and the first call.
    pub(super) fn hops(&self) -> Vec<(usize, usize, usize)> {
        let mut hops = Vec::new();
        for hop in self.network.hops.iter().filter(|hop| !hop.calls.is_empty()) {
            let from = self.units.iter().position(|unit| unit.place == Some(hop.from));
            let to = hop.routes.iter().filter_map(|&route| self.unit_at(route, hop.to));
            for to in to {
                if let Some(from) = from {
                    hops.push((from, to, hop.calls[0]));
                }
            }
        }
        hops.sort_unstable();
        hops.dedup_by_key(|hop| (hop.0, hop.1));
        hops
    }

    /// The unit of a route; a group's is what it shows first.
    fn unit_at(&self, route: usize, place: usize) -> Option<usize> {
        self.unit_of(route).or_else(|| self.units.iter().position(|unit| unit.place == Some(place)))
    }

    /// Whether anything leads from one place to another.
    pub(super) fn has_hop(&self, from: usize, to: usize) -> bool {
        let to = self.units[to].place;
        self.out_of(from).any(|hop| Some(hop.to) == to)
    }

    /// The routes by which one place leads to another.
    pub(super) fn routes_between(&self, from: usize, to: usize) -> Vec<usize> {
        let to = self.units[to].place;
        let out = self.out_of(from).filter(|hop| Some(hop.to) == to);
        out.flat_map(|hop| hop.routes.iter().copied()).collect()
    }

    /// The routes by which a unit's screen leads anywhere.
    pub(super) fn routes_from(&self, unit: usize) -> impl Iterator<Item = usize> {
        self.out_of(unit).flat_map(|hop| hop.routes.iter().copied())
    }

    fn out_of(&self, unit: usize) -> impl Iterator<Item = &Hop> {
        let place = self.units[unit].place.map(|place| &self.network.places[place]);
        place.into_iter().flat_map(|place| &place.out).map(|&hop| &self.network.hops[hop])
    }

    /// Whether a screen sends any result.
    pub(super) fn sends(&self, unit: usize) -> bool {
        let id = self.units[unit].place.and_then(|place| match self.network.places[place].what {
            What::Screen(screen) => Some(screen.id.as_str()),
            _ => None,
        });
        id.is_some()
            && self
                .document
                .results
                .iter()
                .any(|result| result.side == ResultSide::Send && result.screen.as_deref() == id)
    }
}

fn unit<'d>(document: &'d Document, network: &Network<'d>, route: &'d Route) -> Unit<'d> {
    let screen = route.screen.as_ref().and_then(|id| document.screens.iter().find(|screen| screen.id == *id));
    Unit {
        route,
        place: network.of_route(&route.id),
        screen: screen.map(|screen| screen.name.as_str()),
        words: words(&route.name),
        screen_words: screen.map(|screen| words(&screen.name)).unwrap_or_default(),
        parameters: route.parameters.iter().map(|parameter| words(&parameter.name)).collect(),
        addresses: route.deep_links.iter().map(|link| address(link)).collect(),
        leads_to: Vec::new(),
    }
}

/// `barn://notice/{id}` and `https://barn.example/notice/{noticeId}` say one thing: `notice/{}`.
fn address(link: &str) -> String {
    let (scheme, rest) = link.split_once("://").unwrap_or(("", link));
    let path = match scheme {
        "http" | "https" => rest.split_once('/').map_or("", |(_, path)| path),
        _ => rest,
    };
    without_names(path.split('?').next().unwrap_or(path)).trim_matches('/').to_owned()
}

fn leads_to(network: &Network<'_>, unit: &Unit<'_>, units: &[Unit<'_>]) -> Vec<usize> {
    let Some(place) = unit.place else { return Vec::new() };
    let ends: Vec<usize> = network.places[place].out.iter().map(|&hop| network.hops[hop].to).collect();
    let found = units.iter().enumerate().filter(|(_, other)| other.place.is_some_and(|p| ends.contains(&p)));
    found.map(|(i, _)| i).collect()
}
