//! A map in the DOT language (graphviz.org, "DOT Language").

use super::words;
use fallow_lantern_core::map::{Map, Node, Shape};
use std::fmt::Write;

/// Writes it.
pub(crate) fn dot(map: &Map, arguments: bool) -> String {
    let mut out = String::from(
        "digraph map {\n  rankdir=LR;\n  node [shape=box, fontname=\"sans-serif\", fontsize=11];\n  edge [fontname=\"sans-serif\", fontsize=9];\n",
    );
    let _ = writeln!(out, "  label={};", quoted(&map.title));
    write_inside(map, None, 1, &mut out);
    for arrow in &map.arrows {
        let style = if arrow.vain || arrow.calls == 0 { "dashed" } else { "solid" };
        let label = quoted(&words::label(arrow, arguments));
        let _ = writeln!(out, "  n{} -> n{} [label={label}, style={style}];", arrow.from, arrow.to);
    }
    out + "}\n"
}

fn write_inside(map: &Map, within: Option<usize>, depth: usize, out: &mut String) {
    let pad = "  ".repeat(depth);
    for (i, node) in map.nodes.iter().enumerate().filter(|(_, node)| node.within == within) {
        let label = quoted(&words::lines(node).join("\n"));
        let _ = writeln!(out, "{pad}n{i} [label={label}, {}];", form(node));
    }
    for (i, group) in map.boxes.iter().enumerate().filter(|(_, group)| group.within == within) {
        let _ = writeln!(out, "{pad}subgraph cluster_{i} {{");
        let _ = writeln!(out, "{pad}  label={};", quoted(&format!("{} {}", group.what, group.name)));
        write_inside(map, Some(i), depth + 1, out);
        let _ = writeln!(out, "{pad}}}");
    }
}

fn form(node: &Node) -> &'static str {
    match node.shape {
        _ if node.orphan => "style=\"rounded,dashed\"",
        _ if node.unreachable => "style=\"rounded,dotted\"",
        Shape::Screen if node.entry => "style=\"rounded,bold\"",
        Shape::Screen => "style=rounded",
        Shape::Activity => "peripheries=2",
        Shape::Dialog => "shape=octagon",
        Shape::Sheet => "shape=house",
        Shape::Tab => "shape=trapezium",
        Shape::Unknown | Shape::Undeclared => "shape=hexagon, style=dashed",
        Shape::App => "shape=oval",
        Shape::Cluster => "shape=box3d",
    }
}

/// Text in quotes: quotes and backslashes are escaped, line ends are written out.
fn quoted(text: &str) -> String {
    let mut quoted = String::from("\"");
    for c in text.chars() {
        match c {
            '"' => quoted += "\\\"",
            '\\' => quoted += "\\\\",
            '\n' => quoted += "\\n",
            c if c.is_control() => quoted.push('\u{fffd}'),
            c => quoted.push(c),
        }
    }
    quoted + "\""
}
