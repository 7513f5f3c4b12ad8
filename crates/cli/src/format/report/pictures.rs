//! The maps of a report: one of the whole app or, where it is too large, one of its clusters and one
//! of each cluster.

use crate::Failure;
use crate::format::map::{Use, legend_of, node_size, svg};
use fallow_lantern_core::map::{MOST_NODES, Map, Part, layout, map, map_of};
use fallow_lantern_core::network::Network;
use serde::Serialize;

/// A map, drawn.
#[derive(Debug, Serialize)]
pub(super) struct Picture {
    /// What it shows.
    pub(super) title: String,
    /// The picture.
    pub(super) svg: String,
    /// What each of its nodes leads to: a place, or another picture.
    pub(super) nodes: Vec<Leads>,
}

/// What a node leads to.
#[derive(Debug, Clone, Copy, Serialize)]
#[serde(rename_all = "snake_case")]
pub(super) enum Leads {
    /// A place of the network.
    Place(usize),
    /// Another picture.
    Picture(usize),
    /// A cluster too large for a picture.
    Nowhere,
}

pub(super) fn pictures(network: &Network<'_>) -> Result<Vec<Picture>, Failure> {
    let whole = map(network, &Part::default()).unwrap_or_else(|_| map_of(network, &[], ""));
    let mut inner = Vec::new();
    let mut nodes = Vec::new();
    for node in &whole.nodes {
        nodes.push(match node.place {
            Some(place) => Leads::Place(place),
            None if node.members.len() <= MOST_NODES => {
                let map = map_of(network, &node.members, &node.name);
                let places = map.nodes.iter().filter_map(|node| node.place).map(Leads::Place).collect();
                inner.push(drawn(&map, places)?);
                Leads::Picture(inner.len())
            }
            None => Leads::Nowhere,
        });
    }
    let mut all = vec![drawn(&whole, nodes)?];
    all.extend(inner);
    Ok(all)
}

/// What the forms in the pictures mean.
pub(super) fn legend(network: &Network<'_>) -> Result<String, Failure> {
    let all: Vec<usize> = (0..network.places.len()).collect();
    Ok(legend_of(&map_of(network, &all, ""))?)
}

fn drawn(map: &Map, nodes: Vec<Leads>) -> Result<Picture, Failure> {
    let drawing = layout(map, node_size);
    let svg = svg(map, &drawing, false, Use::InPage)?;
    Ok(Picture { title: map.title.clone(), svg, nodes })
}
