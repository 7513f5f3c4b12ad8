//! What is written in and at nodes and arrows, the same in every format.

use fallow_lantern_core::map::{Arrow, Node};
use fallow_lantern_core::model::Severity;
use fallow_lantern_core::names::count;

/// Longer names are cut in the middle.
const LONGEST: usize = 34;

/// The lines of a node: its name, what it is, and what is remarkable about it.
pub(super) fn lines(node: &Node) -> Vec<String> {
    let mut lines = vec![short(&node.name), short(&node.detail)];
    let marks = marks(node);
    if !marks.is_empty() {
        lines.push(marks.join(" · "));
    }
    lines
}

/// What is remarkable about a node, in words.
pub(super) fn marks(node: &Node) -> Vec<String> {
    let mut marks = Vec::new();
    let mut mark = |on: bool, word: &str| {
        if on {
            marks.push(word.to_owned());
        }
    };
    mark(node.entry, "way in");
    mark(node.start && !node.entry, "first");
    mark(node.orphan, "nobody opens it");
    mark(node.unreachable, "cannot be reached");
    mark(node.again, "opens itself");
    for (severity, number) in node.findings.iter().rev().filter(|(severity, _)| **severity > Severity::Note) {
        marks.push(count(*number, severity.as_str()));
    }
    marks
}

/// What stands at an arrow: how many calls take it where that is more than one, and what they pass.
pub(super) fn label(arrow: &Arrow, arguments: bool) -> String {
    let count = if arrow.calls > 1 { format!("{}×", arrow.calls) } else { String::new() };
    let passed = if arguments { arrow.arguments.join(", ") } else { String::new() };
    [count, passed].into_iter().filter(|part| !part.is_empty()).collect::<Vec<_>>().join(" ")
}

/// A name that fits, without control characters.
pub(super) fn short(name: &str) -> String {
    let name: Vec<char> = name.chars().map(|c| if c.is_control() { '\u{fffd}' } else { c }).collect();
    if name.len() <= LONGEST {
        return name.into_iter().collect();
    }
    let tail = name.len() - LONGEST / 2;
    name[..LONGEST / 2 - 1].iter().chain(&['…']).chain(&name[tail..]).collect()
}
