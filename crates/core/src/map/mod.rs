//! The picture of an app before it is drawn: which places, in which boxes, joined by which hops.
//!
//! [`map`] chooses and groups; [`layout`] gives everything its place. Drawing is for others.

mod cluster;
mod groups;
mod layout;
mod part;

#[cfg(test)]
mod tests;

pub use layout::{Drawing, Frame, Path, layout};
pub use part::Part;

use crate::model::{RouteKind, ScreenKind, Severity, Verb};
use crate::network::{Hop, Network, What};
use std::collections::BTreeMap;

/// More nodes than this are shown as clusters: nobody reads them, and their layout takes long.
pub const MOST_NODES: usize = 180;
/// More arrows than this as well.
pub const MOST_ARROWS: usize = 420;

/// What is to be drawn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Map {
    /// What it shows, in words.
    pub title: String,
    /// Nodes.
    pub nodes: Vec<Node>,
    /// Boxes around nodes; outer ones before inner ones.
    pub boxes: Vec<Group>,
    /// Arrows.
    pub arrows: Vec<Arrow>,
    /// Whether nodes stand for several screens each.
    pub clustered: bool,
}

/// A node: a screen, or what stands in its place.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Node {
    /// The place in the network; none for a cluster.
    pub place: Option<usize>,
    /// The places that a cluster stands for.
    pub members: Vec<usize>,
    /// What it is called.
    pub name: String,
    /// What it is.
    pub shape: Shape,
    /// What the source calls it: its kind and its routes.
    pub detail: String,
    /// Something outside of the app can open it.
    pub entry: bool,
    /// Its graph shows it first.
    pub start: bool,
    /// Nothing opens it.
    pub orphan: bool,
    /// No way leads to what opens it.
    pub unreachable: bool,
    /// It opens itself.
    pub again: bool,
    /// How many findings it has, by severity.
    pub findings: BTreeMap<Severity, usize>,
    /// The box around it.
    pub within: Option<usize>,
}

/// What a node is; told apart by form, not by colour alone.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Shape {
    /// Fills the window.
    Screen,
    /// A window of its own.
    Activity,
    /// Over the screen.
    Dialog,
    /// From the window's edge.
    Sheet,
    /// In a bar.
    Tab,
    /// A route whose screen is not known.
    Unknown,
    /// Named by a call, declared by nobody.
    Undeclared,
    /// Code that belongs to no screen.
    App,
    /// Several screens.
    Cluster,
}

/// A box.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Group {
    /// Its name.
    pub name: String,
    /// What it is: a module, a graph, tabs.
    pub what: &'static str,
    /// The box around it.
    pub within: Option<usize>,
}

/// An arrow; parallel hops are one.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Arrow {
    /// Index of the node where it starts.
    pub from: usize,
    /// Index of the node where it ends.
    pub to: usize,
    /// How many calls take it; none where the one shows the other inside itself.
    pub calls: usize,
    /// What the calls do.
    pub verbs: Vec<Verb>,
    /// Names of what they pass.
    pub arguments: Vec<String>,
    /// It leads to nothing that is declared.
    pub vain: bool,
}

/// What a part of an app looks like. Where it has too many places, they are shown as clusters.
///
/// # Errors
/// The names nearest to the one that the part asks for and nothing has.
pub fn map(network: &Network<'_>, part: &Part) -> Result<Map, Vec<String>> {
    let places = part.places(network)?;
    let title = part.title(network, places.len());
    if places.len() > MOST_NODES {
        return Ok(cluster::clustered(network, &places, title));
    }
    let whole = plain(network, &places, title.clone());
    Ok(if whole.arrows.len() > MOST_ARROWS { cluster::clustered(network, &places, title) } else { whole })
}

/// Only some places, each with its node; their neighbours are left out.
#[must_use]
pub fn map_of(network: &Network<'_>, places: &[usize], title: &str) -> Map {
    plain(network, places, title.to_owned())
}

/// A node for each place.
fn plain(network: &Network<'_>, places: &[usize], title: String) -> Map {
    let mut boxes = groups::Boxes::new(network, places);
    let mut index = vec![None; network.places.len()];
    let mut nodes = Vec::new();
    for &place in places {
        index[place] = Some(nodes.len());
        let within = boxes.around(place);
        nodes.push(Node { within, ..node(network, place) });
    }
    let hops = network.hops.iter().filter_map(|hop| Some((index[hop.from]?, index[hop.to]?, hop)));
    let mut arrows = Vec::new();
    for (from, to, hop) in hops {
        if from == to {
            nodes[from].again = true;
        } else {
            arrows.push(arrow(network, from, to, hop));
        }
    }
    Map { title, nodes, boxes: boxes.finish(), arrows, clustered: false }
}

fn node(network: &Network<'_>, at: usize) -> Node {
    let place = &network.places[at];
    let mut findings: BTreeMap<Severity, usize> = BTreeMap::new();
    for &finding in &place.findings {
        *findings.entry(network.document.findings[finding].severity).or_default() += 1;
    }
    Node {
        place: Some(at),
        members: Vec::new(),
        name: place.name.to_owned(),
        shape: shape(network, at),
        detail: detail(network, at),
        entry: place.entry,
        start: place.routes.iter().any(|&route| network.document.routes[route].start),
        orphan: network.is_reported(at, "orphan-screen"),
        unreachable: network.is_reported(at, "unreachable-route"),
        again: false,
        findings,
        within: None,
    }
}

fn shape(network: &Network<'_>, at: usize) -> Shape {
    match (network.places[at].what, network.kind(at)) {
        (What::App, _) => Shape::App,
        (What::Undeclared, _) => Shape::Undeclared,
        (What::Route, _) => Shape::Unknown,
        (What::Screen(_), RouteKind::Dialog) => Shape::Dialog,
        (What::Screen(_), RouteKind::Sheet) => Shape::Sheet,
        (What::Screen(_), RouteKind::Tab) => Shape::Tab,
        (What::Screen(screen), _) if screen.kind == ScreenKind::Activity => Shape::Activity,
        (What::Screen(_), _) => Shape::Screen,
    }
}

/// `fragment · loanDetail`: what the name does not say already.
fn detail(network: &Network<'_>, at: usize) -> String {
    let place = &network.places[at];
    let routes: Vec<&str> =
        place.routes.iter().map(|&route| network.document.routes[route].name.as_str()).collect();
    let other: Vec<&str> = routes.iter().copied().filter(|name| *name != place.name).collect();
    let named = match other.as_slice() {
        [] => String::new(),
        [one] => (*one).to_owned(),
        [first, rest @ ..] => format!("{first} +{}", rest.len()),
    };
    let kind = match place.what {
        What::Screen(screen) => match network.kind(at) {
            RouteKind::Screen | RouteKind::Activity | RouteKind::Group => screen.kind.to_string(),
            kind => kind.to_string(),
        },
        What::Route => "screen not known".to_owned(),
        What::Undeclared => "nobody declares it".to_owned(),
        What::App => "code of no screen".to_owned(),
    };
    if named.is_empty() { kind } else { format!("{kind} · {named}") }
}

fn arrow(network: &Network<'_>, from: usize, to: usize, hop: &Hop) -> Arrow {
    let calls = || hop.calls.iter().map(|&call| &network.document.calls[call]);
    let mut verbs: Vec<Verb> = calls().map(|call| call.verb).collect();
    verbs.sort_unstable();
    verbs.dedup();
    let mut arguments: Vec<String> =
        calls().flat_map(|call| &call.arguments).map(|argument| argument.name.clone()).collect();
    arguments.sort();
    arguments.dedup();
    Arrow {
        from,
        to,
        calls: hop.calls.len(),
        verbs,
        arguments,
        vain: network.places[hop.to].what == What::Undeclared,
    }
}
