//! Too many places for one picture: what belongs together is one node.

use super::groups::groups_around;
use super::part::{file, module_of};
use super::{Arrow, Map, Node, Shape};
use crate::names;
use crate::network::Network;
use std::collections::{BTreeMap, BTreeSet};

/// More clusters than this are joined.
const MOST_CLUSTERS: usize = 48;
/// Fewer clusters than this say nothing.
const FEWEST_CLUSTERS: usize = 4;
/// So many arrows for each cluster are drawn, the busiest ones.
const ARROWS_EACH: usize = 3;
/// What is left when there are too many clusters.
const REST: &str = "the rest";

pub(super) fn clustered(network: &Network<'_>, places: &[usize], title: String) -> Map {
    let names = names(network, places);
    let mut index: BTreeMap<&str, usize> = names.iter().map(|name| (name.as_str(), 0)).collect();
    index.values_mut().enumerate().for_each(|(i, at)| *at = i);
    let mut nodes: Vec<Node> = index.keys().map(|name| cluster(name)).collect();
    let mut of_place = vec![None; network.places.len()];
    for (&place, name) in places.iter().zip(&names) {
        let Some(&at) = index.get(name.as_str()) else { continue };
        of_place[place] = Some(at);
        nodes[at].members.push(place);
        let one = super::node(network, place);
        nodes[at].entry |= one.entry;
        for (severity, number) in one.findings {
            *nodes[at].findings.entry(severity).or_default() += number;
        }
    }
    for node in &mut nodes {
        let count = node.members.len();
        node.detail = names::count(count, "place");
    }
    let mut arrows = arrows(network, &of_place);
    let mut title = format!("{title}, in {} clusters", nodes.len());
    let most = ARROWS_EACH * nodes.len();
    if arrows.len() > most {
        title += &format!(", the {most} busiest of {} ways between them", arrows.len());
        arrows.sort_by_key(|arrow| std::cmp::Reverse(arrow.calls));
        arrows.truncate(most);
        arrows.sort_by_key(|arrow| (arrow.from, arrow.to));
    }
    Map { title, nodes, boxes: Vec::new(), arrows, clustered: true }
}

/// The cluster of each place.
fn names(network: &Network<'_>, places: &[usize]) -> Vec<String> {
    let common = common(network, places);
    let keys: Vec<Vec<String>> = places.iter().map(|&place| key(network, place, &common)).collect();
    let depth = depth(&keys);
    let names: Vec<String> = keys.iter().map(|key| key[..depth.min(key.len())].join(" › ")).collect();
    let mut sizes: BTreeMap<&str, usize> = BTreeMap::new();
    names.iter().for_each(|name| *sizes.entry(name).or_default() += 1);
    if sizes.len() <= MOST_CLUSTERS {
        return names;
    }
    let mut by_size: Vec<(&str, usize)> = sizes.into_iter().collect();
    by_size.sort_by_key(|&(name, size)| (std::cmp::Reverse(size), name));
    let kept: BTreeSet<&str> = by_size.into_iter().take(MOST_CLUSTERS - 1).map(|(name, _)| name).collect();
    names
        .iter()
        .map(|name| if kept.contains(name.as_str()) { name.clone() } else { REST.to_owned() })
        .collect()
}

fn arrows(network: &Network<'_>, of_place: &[Option<usize>]) -> Vec<Arrow> {
    let mut joined: BTreeMap<(usize, usize), Arrow> = BTreeMap::new();
    for hop in &network.hops {
        let (Some(from), Some(to)) = (of_place[hop.from], of_place[hop.to]) else { continue };
        if from == to {
            continue;
        }
        let more = super::arrow(network, from, to, hop);
        let arrow = joined.entry((from, to)).or_insert_with(|| Arrow {
            calls: 0,
            verbs: Vec::new(),
            arguments: Vec::new(),
            vain: true,
            ..more.clone()
        });
        arrow.calls += more.calls.max(1);
        arrow.vain &= more.vain;
        arrow.verbs.extend(more.verbs);
        arrow.verbs.sort_unstable();
        arrow.verbs.dedup();
    }
    joined.into_values().collect()
}

fn cluster(name: &str) -> Node {
    Node {
        place: None,
        members: Vec::new(),
        name: name.to_owned(),
        shape: Shape::Cluster,
        detail: String::new(),
        entry: false,
        start: false,
        orphan: false,
        unreachable: false,
        again: false,
        findings: BTreeMap::new(),
        within: None,
    }
}

/// What a place belongs to, the widest first: its module, its graphs, else its folders.
fn key<'d>(network: &Network<'d>, place: usize, common: &Common<'d>) -> Vec<String> {
    let module = module_of(network, place).unwrap_or("elsewhere");
    let mut key = vec![module.to_owned()];
    let route = network.places[place].routes.first().map(|&route| &network.document.routes[route]);
    let groups = route.map(|route| groups_around(network, route)).unwrap_or_default();
    if groups.is_empty() {
        let folders = folders(network, place);
        let shared = common.get(module).copied().unwrap_or(0);
        key.extend(folders.into_iter().skip(shared).map(str::to_owned));
    } else {
        key.extend(groups.iter().map(|group| group.name.clone()));
    }
    key
}

/// The folders of a place's file.
fn folders<'d>(network: &Network<'d>, place: usize) -> Vec<&'d str> {
    let file = file(network, place).unwrap_or_default();
    file.rsplit_once('/').map_or_else(Vec::new, |(folders, _)| folders.split('/').collect())
}

/// How many folders all places of a module have in common.
type Common<'d> = BTreeMap<&'d str, usize>;

fn common<'d>(network: &Network<'d>, places: &[usize]) -> Common<'d> {
    let mut shared: BTreeMap<&str, Vec<&str>> = BTreeMap::new();
    for &place in places {
        let Some(module) = module_of(network, place) else { continue };
        let own = folders(network, place);
        let known = shared.entry(module).or_insert_with(|| own.clone());
        let same = known.iter().zip(&own).take_while(|(a, b)| a == b).count();
        known.truncate(same);
    }
    shared.into_iter().map(|(module, folders)| (module, folders.len())).collect()
}

/// The deepest level that still makes few enough clusters; where that would be next to none, one level
/// deeper, with the small ones joined.
fn depth(keys: &[Vec<String>]) -> usize {
    let deepest = keys.iter().map(Vec::len).max().unwrap_or(1);
    let clusters = |depth: usize| {
        let mut names: Vec<&[String]> = keys.iter().map(|key| &key[..depth.min(key.len())]).collect();
        names.sort_unstable();
        names.dedup();
        names.len()
    };
    let fitting = (1..=deepest).rev().find(|&depth| clusters(depth) <= MOST_CLUSTERS).unwrap_or(1);
    if clusters(fitting) < FEWEST_CLUSTERS { (fitting + 1).min(deepest) } else { fitting }
}
