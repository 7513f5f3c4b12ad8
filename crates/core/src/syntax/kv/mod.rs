//! kv's own parser: rules, dynamic classes, widgets, properties, handlers over several lines,
//! directives, with places, and going on after what it cannot read (kivy.org, "Kivy Language"). What
//! stands behind a property is Python, and is read by Python's lens.
//!
//! A rule becomes more of the class that it names, a dynamic class a class, a widget the call that
//! makes it: its properties are the call's arguments by name, its handlers closures, its children
//! arguments without a name.

mod lines;
mod lower;

#[cfg(test)]
mod tests;

use super::python::Python;
use super::{Body, Id, Trouble};
use lines::{Line, read};

/// Marks before a name that other files may ask for.
pub(super) const DECLARING: &[&str] = &["<"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let mut lens = Python::new(text);
    let (items, trouble) = lower_range(&mut lens, (0, text.len()));
    lens.0.tree.items = items;
    let trouble = trouble.or_else(|| lens.0.trouble(None));
    (Body::Code(lens.0.tree), trouble)
}

/// Lowers a document that stands in a part of a Python file.
pub(super) fn lower_into(lens: &mut Python<'_>, range: (usize, usize)) -> Vec<Id> {
    lower_range(lens, range).0
}

fn lower_range(lens: &mut Python<'_>, range: (usize, usize)) -> (Vec<Id>, Option<Trouble>) {
    let lines: Vec<Line> = read(lens.0.text, range);
    lower::document(lens, &lines)
}
