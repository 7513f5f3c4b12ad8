//! Where everything stands: layers from left to right, by the layout library.

use super::{Map, Node};
use dagre::graph::{Graph, GraphOptions};
use dagre::{EdgeLabel, LayoutOptions, NodeLabel, RankDir, Ranker};

/// A map with its places, in pixels from the upper left corner.
#[derive(Debug, Clone, PartialEq)]
pub struct Drawing {
    /// Width of everything.
    pub width: f64,
    /// Height of everything.
    pub height: f64,
    /// Frames of the nodes.
    pub nodes: Vec<Frame>,
    /// Frames of the boxes.
    pub boxes: Vec<Frame>,
    /// Courses of the arrows.
    pub arrows: Vec<Path>,
}

/// A rectangle.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Frame {
    /// Left edge.
    pub x: f64,
    /// Upper edge.
    pub y: f64,
    /// Width.
    pub width: f64,
    /// Height.
    pub height: f64,
}

/// The points that an arrow passes, from the edge of one node to that of the other.
pub type Path = Vec<(f64, f64)>;

const NODE_GAP: f64 = 18.0;
const LAYER_GAP: f64 = 64.0;
const ARROW_GAP: f64 = 10.0;
/// Room for a box's name above what is in it.
const BOX_HEAD: f64 = 22.0;
const BOX_PAD: f64 = 10.0;
const MARGIN: f64 = 16.0;
/// So few nodes may stand as they like.
const FEW: usize = 12;
/// Higher than this for its width is a tower.
const TALL: f64 = 1.6;
/// How much wider than high the rows are.
const WIDE: f64 = 1.8;
const ROW_GAP: f64 = 44.0;

/// Lays a map out; `size` says how large a node is drawn.
#[must_use]
pub fn layout(map: &Map, size: impl Fn(&Node) -> (f64, f64)) -> Drawing {
    let sizes: Vec<(f64, f64)> = map.nodes.iter().map(size).collect();
    let mut graph = graph(map, &sizes);
    let options = LayoutOptions {
        rankdir: RankDir::LR,
        nodesep: NODE_GAP,
        ranksep: LAYER_GAP,
        edgesep: ARROW_GAP,
        ranker: if map.nodes.len() > 60 { Ranker::LongestPath } else { Ranker::NetworkSimplex },
        ..LayoutOptions::default()
    };
    dagre::layout(&mut graph, Some(options));
    let mut nodes = frames(&graph, &sizes);
    let mut arrows = paths(map, &graph, &nodes);
    let mut boxes = boxes(map, &nodes);
    let (width, height) = shift(&mut nodes, &mut boxes, &mut arrows);
    if map.boxes.is_empty() && map.nodes.len() > FEW && height > TALL * width {
        return in_rows(map, &sizes);
    }
    Drawing { width, height, nodes, boxes, arrows }
}

/// Layers that stand like a tower are put into rows instead, to be read on a screen.
fn in_rows(map: &Map, sizes: &[(f64, f64)]) -> Drawing {
    let widest = sizes.iter().map(|size| size.0).fold(0.0, f64::max);
    let highest = sizes.iter().map(|size| size.1).fold(0.0, f64::max);
    let (across, down) = (widest + LAYER_GAP, highest + ROW_GAP);
    let columns = (sizes.len() as f64 * WIDE * down / across).sqrt().ceil().max(1.0) as usize;
    let frame = |(i, &(width, height)): (usize, &(f64, f64))| Frame {
        x: (i % columns) as f64 * across,
        y: (i / columns) as f64 * down,
        width,
        height,
    };
    let mut nodes: Vec<Frame> = sizes.iter().enumerate().map(frame).collect();
    let mut arrows: Vec<Path> =
        map.arrows.iter().map(|arrow| between(nodes[arrow.from], nodes[arrow.to])).collect();
    let (width, height) = shift(&mut nodes, &mut [], &mut arrows);
    Drawing { width, height, nodes, boxes: Vec::new(), arrows }
}

/// From the side that looks towards the other to the side that looks back.
fn between(from: Frame, to: Frame) -> Path {
    let middle = |frame: Frame| (frame.x + frame.width / 2.0, frame.y + frame.height / 2.0);
    let ((fx, fy), (tx, ty)) = (middle(from), middle(to));
    let ends = if (tx - fx).abs() < from.width {
        let down = ty > fy;
        let edge = |frame: Frame, lower: bool| if lower { frame.y + frame.height } else { frame.y };
        [(fx, edge(from, down)), (tx, edge(to, !down))]
    } else {
        let right = tx > fx;
        let edge = |frame: Frame, right: bool| if right { frame.x + frame.width } else { frame.x };
        [(edge(from, right), fy), (edge(to, !right), ty)]
    };
    let halfway = (f64::midpoint(ends[0].0, ends[1].0), f64::midpoint(ends[0].1, ends[1].1));
    vec![ends[0], halfway, ends[1]]
}

type Laid = Graph<NodeLabel, EdgeLabel>;

fn graph(map: &Map, sizes: &[(f64, f64)]) -> Laid {
    let mut graph: Laid =
        Graph::with_options(GraphOptions { directed: true, multigraph: false, compound: true });
    let used = |at: usize| {
        map.nodes.iter().any(|node| node.within == Some(at)) || map.boxes.iter().any(|b| b.within == Some(at))
    };
    for at in (0..map.boxes.len()).filter(|&at| used(at)) {
        graph.set_node(format!("box{at}"), Some(NodeLabel::default()));
    }
    for (at, _) in map.nodes.iter().enumerate() {
        let label = NodeLabel { width: sizes[at].0, height: sizes[at].1, ..NodeLabel::default() };
        graph.set_node(format!("node{at}"), Some(label));
    }
    for (at, group) in map.boxes.iter().enumerate() {
        if let Some(within) = group.within {
            graph.set_parent(&format!("box{at}"), Some(&format!("box{within}")));
        }
    }
    for (at, node) in map.nodes.iter().enumerate() {
        if let Some(within) = node.within {
            graph.set_parent(&format!("node{at}"), Some(&format!("box{within}")));
        }
    }
    for arrow in &map.arrows {
        graph.set_edge(
            format!("node{}", arrow.from),
            format!("node{}", arrow.to),
            Some(EdgeLabel::default()),
            None,
        );
    }
    graph
}

/// The library leaves a node without a place where it gives up on it: those stand in a column of
/// their own.
fn frames(graph: &Laid, sizes: &[(f64, f64)]) -> Vec<Frame> {
    let mut below = 0.0;
    let frame = |(at, &(width, height)): (usize, &(f64, f64))| {
        let centre = graph.node(&format!("node{at}")).and_then(|node| Some((node.x?, node.y?)));
        let (x, y) = centre.unwrap_or_else(|| {
            below += height + NODE_GAP;
            (-width, below)
        });
        Frame { x: x - width / 2.0, y: y - height / 2.0, width, height }
    };
    sizes.iter().enumerate().map(frame).collect()
}

fn paths(map: &Map, graph: &Laid, nodes: &[Frame]) -> Vec<Path> {
    let path = |arrow: &super::Arrow| {
        let edge = graph.edge(&format!("node{}", arrow.from), &format!("node{}", arrow.to), None);
        let points: Path =
            edge.map(|edge| edge.points.iter().map(|p| (p.x, p.y)).collect()).unwrap_or_default();
        if points.len() >= 2 { points } else { straight(nodes[arrow.from], nodes[arrow.to]) }
    };
    map.arrows.iter().map(path).collect()
}

fn straight(from: Frame, to: Frame) -> Path {
    vec![(from.x + from.width, from.y + from.height / 2.0), (to.x, to.y + to.height / 2.0)]
}

/// Boxes close around what is in them, inner ones first.
fn boxes(map: &Map, nodes: &[Frame]) -> Vec<Frame> {
    let mut frames: Vec<Option<Frame>> = vec![None; map.boxes.len()];
    for at in (0..map.boxes.len()).rev() {
        let own =
            map.nodes.iter().zip(nodes).filter(|(node, _)| node.within == Some(at)).map(|(_, frame)| *frame);
        let inner = map.boxes.iter().zip(&frames).filter(|(group, _)| group.within == Some(at));
        let inside: Vec<Frame> = own.chain(inner.filter_map(|(_, frame)| *frame)).collect();
        frames[at] = around(&inside).map(|frame| Frame {
            x: frame.x - BOX_PAD,
            y: frame.y - BOX_HEAD,
            width: frame.width + 2.0 * BOX_PAD,
            height: frame.height + BOX_HEAD + BOX_PAD,
        });
    }
    frames.into_iter().map(Option::unwrap_or_default).collect()
}

fn around(frames: &[Frame]) -> Option<Frame> {
    let first = frames.first()?;
    let edges =
        frames.iter().fold((first.x, first.y, first.x, first.y), |(left, top, right, bottom), frame| {
            (
                left.min(frame.x),
                top.min(frame.y),
                right.max(frame.x + frame.width),
                bottom.max(frame.y + frame.height),
            )
        });
    Some(Frame { x: edges.0, y: edges.1, width: edges.2 - edges.0, height: edges.3 - edges.1 })
}

/// Moves everything so that it begins at the margin; gives the size of it all.
fn shift(nodes: &mut [Frame], boxes: &mut [Frame], arrows: &mut [Path]) -> (f64, f64) {
    let mut all: Vec<Frame> =
        nodes.iter().chain(boxes.iter()).filter(|frame| frame.width > 0.0).copied().collect();
    let points = arrows.iter().flatten().map(|&(x, y)| Frame { x, y, width: 0.0, height: 0.0 });
    all.extend(points);
    let Some(whole) = around(&all) else { return (2.0 * MARGIN, 2.0 * MARGIN) };
    let (dx, dy) = (MARGIN - whole.x, MARGIN - whole.y);
    for frame in nodes.iter_mut().chain(boxes.iter_mut()) {
        frame.x += dx;
        frame.y += dy;
    }
    for point in arrows.iter_mut().flatten() {
        point.0 += dx;
        point.1 += dy;
    }
    (whole.width + 2.0 * MARGIN, whole.height + 2.0 * MARGIN)
}
