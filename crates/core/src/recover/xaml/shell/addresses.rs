//! Addresses of a shell: absolute from `//`, upward by `..`, or of a page that is registered.

use crate::facts::At;
use crate::model::Verb;
use crate::recover::xaml::uri::Pair;
use crate::values::{Part, Shape};

/// What an address says.
#[derive(Debug)]
pub(super) struct Address {
    /// What going there does to the stack.
    pub(super) verb: Verb,
    /// What the page that is shown at the end may be called: by the last name, or by several, since a
    /// page may be registered under a longer one. None where it only goes up.
    pub(super) last: Vec<Shape>,
    /// How many pages it goes up first.
    pub(super) up: u32,
    /// How many names it has.
    pub(super) names: usize,
    /// What it passes.
    pub(super) pairs: Vec<Pair>,
}

/// Takes an address apart. `None` where nothing of it is known.
pub(super) fn read(shape: &Shape, at: At) -> Option<Address> {
    let (path, pairs) = crate::recover::xaml::uri::split(shape, at);
    let text = path.value();
    if path.is_blank() || text.starts_with("{}") {
        return None;
    }
    let segments = segments(&path);
    let is_up = |segment: &&Shape| segment.plain().as_deref() == Some("..");
    let up = u32::try_from(segments.iter().take_while(|s| is_up(s)).count()).unwrap_or_default();
    let names: Vec<&Shape> = segments.iter().filter(|s| !is_up(s) && !s.value().is_empty()).collect();
    let last: Vec<Shape> = (0..names.len()).rev().map(|start| joined(&names[start..])).collect();
    let verb = match (text.starts_with("//"), up, last.is_empty()) {
        (true, ..) => Verb::Reset,
        (false, 1.., false) => Verb::Replace,
        (false, 1.., true) => Verb::Back,
        _ => Verb::Open,
    };
    Some(Address { verb, names: names.len(), last, up, pairs })
}

/// Names with slashes between them.
fn joined(names: &[&Shape]) -> Shape {
    let mut all = Shape::default();
    for (i, name) in names.iter().enumerate() {
        if i > 0 {
            all.push(Shape::text("/", false));
        }
        all.push((*name).clone());
    }
    all
}

/// What stands between slashes.
fn segments(path: &Shape) -> Vec<Shape> {
    let mut all = vec![Shape::default()];
    for part in &path.parts {
        match part {
            Part::Text { text, in_place } => {
                for (i, piece) in text.split('/').enumerate() {
                    if i > 0 {
                        all.push(Shape::default());
                    }
                    if let Some(last) = all.last_mut().filter(|_| !piece.is_empty()) {
                        last.push(Shape::text(piece, *in_place));
                    }
                }
            }
            hole => {
                if let Some(last) = all.last_mut() {
                    last.push(Shape { parts: vec![hole.clone()] });
                }
            }
        }
    }
    all
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::model::Span;

    fn address(text: &str) -> (Verb, Option<String>, u32, usize) {
        let read = read(&Shape::text(text, true), At { file: 0, span: Span::new(0, 0) }).expect("an address");
        (read.verb, read.last.first().and_then(Shape::plain), read.up, read.names)
    }

    #[test]
    fn absolute_upward_and_plain_addresses() {
        let some = |text: &str| Some(text.to_owned());
        assert_eq!(address("//tools/shelf?x=1"), (Verb::Reset, some("shelf"), 0, 2));
        assert_eq!(address("///shelf"), (Verb::Reset, some("shelf"), 0, 1));
        assert_eq!(address("../item"), (Verb::Replace, some("item"), 1, 1));
        assert_eq!(address("../.."), (Verb::Back, None, 2, 0));
        assert_eq!(address("item/loan"), (Verb::Open, some("loan"), 0, 2));
    }
}
