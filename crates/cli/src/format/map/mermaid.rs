//! A map as a Mermaid flowchart (mermaid.js.org, "Flowcharts").

use super::words;
use fallow_lantern_core::map::{Map, Node, Shape};
use std::fmt::Write;

/// Writes it.
pub(crate) fn mermaid(map: &Map, arguments: bool) -> String {
    let mut out = String::from("flowchart LR\n");
    let _ = writeln!(out, "  %% {}", map.title.replace(|c: char| c.is_control(), " "));
    write_inside(map, None, 1, &mut out);
    for arrow in &map.arrows {
        let line = if arrow.vain || arrow.calls == 0 { "-.->" } else { "-->" };
        let label = words::label(arrow, arguments);
        let label = if label.is_empty() { String::new() } else { format!("|{}|", quoted(&label)) };
        let _ = writeln!(out, "  n{} {line}{label} n{}", arrow.from, arrow.to);
    }
    out
}

fn write_inside(map: &Map, within: Option<usize>, depth: usize, out: &mut String) {
    let pad = "  ".repeat(depth);
    for (i, node) in map.nodes.iter().enumerate().filter(|(_, node)| node.within == within) {
        let (open, close) = form(node);
        let _ = writeln!(out, "{pad}n{i}{open}{}{close}", quoted(&words::lines(node).join("\n")));
    }
    for (i, group) in map.boxes.iter().enumerate().filter(|(_, group)| group.within == within) {
        let _ = writeln!(out, "{pad}subgraph b{i}[{}]", quoted(&format!("{} {}", group.what, group.name)));
        write_inside(map, Some(i), depth + 1, out);
        let _ = writeln!(out, "{pad}end");
    }
}

fn form(node: &Node) -> (&'static str, &'static str) {
    match node.shape {
        Shape::Screen | Shape::Sheet | Shape::Tab => ("(", ")"),
        Shape::Activity => ("[[", "]]"),
        Shape::Dialog | Shape::Unknown | Shape::Undeclared => ("{{", "}}"),
        Shape::App => ("([", "])"),
        Shape::Cluster => ("[", "]"),
    }
}

/// Text in quotes. What the language or HTML would read is written as its code.
fn quoted(text: &str) -> String {
    let mut quoted = String::from("\"");
    for c in text.chars() {
        match c {
            '\n' => quoted += "<br/>",
            '"' | '<' | '>' | '&' | '#' | '`' | '\\' | ';' => {
                let _ = write!(quoted, "#{};", u32::from(c));
            }
            c if c.is_control() => quoted.push('\u{fffd}'),
            c => quoted.push(c),
        }
    }
    quoted + "\""
}
