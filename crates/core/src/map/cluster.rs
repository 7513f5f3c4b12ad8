//! Too many places for one picture: what belongs together is one node.

use super::groups::groups_around;
use super::part::{file, module_of};
use super::{Arrow, Map, Node, Shape};
use crate::network::Network;
use std::collections::BTreeMap;

/// More clusters than this are joined by what they have in common.
const MOST_CLUSTERS: usize = 60;

pub(super) fn clustered(network: &Network<'_>, places: &[usize], title: String) -> Map {
    let keys: Vec<Vec<String>> = places.iter().map(|&place| key(network, place)).collect();
    let depth = depth(&keys);
    let mut index: BTreeMap<String, usize> = BTreeMap::new();
    let names: Vec<String> = keys.iter().map(|key| key[..depth.min(key.len())].join(" › ")).collect();
    for name in &names {
        let next = index.len();
        index.entry(name.clone()).or_insert(next);
    }
    // Numbered in the order of their names, whatever the order of places.
    index.values_mut().enumerate().for_each(|(i, at)| *at = i);
    let mut nodes: Vec<Node> = index.keys().map(|name| cluster(name)).collect();
    let mut of_place = vec![None; network.places.len()];
    let mut count = vec![0_usize; nodes.len()];
    for (&place, name) in places.iter().zip(&names) {
        let Some(&at) = index.get(name) else { continue };
        of_place[place] = Some(at);
        count[at] += 1;
        let one = super::node(network, place);
        nodes[at].entry |= one.entry;
        for (severity, number) in one.findings {
            *nodes[at].findings.entry(severity).or_default() += number;
        }
    }
    for (node, count) in nodes.iter_mut().zip(count) {
        let plural = if count == 1 { "" } else { "s" };
        node.detail = format!("{count} place{plural}");
    }
    let arrows = arrows(network, &of_place);
    Map {
        title: format!("{title}, in {} clusters", nodes.len()),
        nodes,
        boxes: Vec::new(),
        arrows,
        clustered: true,
    }
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

/// What a place belongs to, the widest first: its module, its graphs, its folders.
pub(crate) fn key(network: &Network<'_>, place: usize) -> Vec<String> {
    let module = module_of(network, place).unwrap_or("elsewhere");
    let mut key = vec![module.to_owned()];
    let route = network.places[place].routes.first().map(|&route| &network.document.routes[route]);
    let groups = route.map(|route| groups_around(network.document, route)).unwrap_or_default();
    if groups.is_empty() {
        let file = file(network, place).unwrap_or_default();
        let inside = file.strip_prefix(module).unwrap_or(file).trim_start_matches('/');
        let folders = inside.rsplit_once('/').map_or("", |(folders, _)| folders);
        key.extend(folders.split('/').filter(|folder| !folder.is_empty()).map(str::to_owned));
    } else {
        key.extend(groups.iter().map(|group| group.name.clone()));
    }
    key
}

/// The deepest level that still makes few enough clusters.
fn depth(keys: &[Vec<String>]) -> usize {
    let deepest = keys.iter().map(Vec::len).max().unwrap_or(1);
    let clusters = |depth: usize| {
        let mut names: Vec<&[String]> = keys.iter().map(|key| &key[..depth.min(key.len())]).collect();
        names.sort_unstable();
        names.dedup();
        names.len()
    };
    (1..=deepest).rev().find(|&depth| clusters(depth) <= MOST_CLUSTERS).unwrap_or(1)
}
