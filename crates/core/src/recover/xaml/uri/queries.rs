//! An address taken apart: its path, and what it asks for behind a `?`.

use crate::facts::{ArgumentFact, At, Slot};
use crate::values::{Hole, Part, Shape};

/// One pair of a query.
#[derive(Debug)]
pub(in crate::recover::xaml) struct Pair {
    /// What is passed.
    pub(in crate::recover::xaml) argument: ArgumentFact,
    /// Text of the user's goes in as it is.
    pub(in crate::recover::xaml) unescaped: bool,
}

/// A shape's path and its query.
pub(in crate::recover::xaml) fn split(shape: &Shape, at: At) -> (Shape, Vec<Pair>) {
    let (path, query) = at_mark(shape, '?');
    let mut pairs = Vec::new();
    let mut rest = query;
    while let Some(query) = rest {
        let (pair, more) = at_mark(&query, '&');
        rest = more;
        let (key, value) = at_mark(&pair, '=');
        if let Some(name) = key.plain().filter(|name| !name.is_empty()) {
            pairs.push(read(name, &key, &value.unwrap_or_default(), at));
        }
    }
    (path, pairs)
}

fn read(name: String, key: &Shape, value: &Shape, at: At) -> Pair {
    let hole: Option<&Hole> = value.holes().next();
    let argument = ArgumentFact {
        slot: Slot::Name(name),
        ty: None,
        value: hole.map(|hole| hole.written.clone()).or_else(|| value.plain()),
        nullable: false,
        literal_key: key.is_in_place(),
        text: value.plain(),
        at,
    };
    let text =
        |hole: &Hole| hole.ty.as_deref() == Some("string") && !hole.escaped && !names_a_thing(&hole.written);
    Pair { argument, unescaped: value.holes().any(text) }
}

/// Ends of the names of what is made by code, and holds nothing that would have to be escaped.
const MADE: &[&str] = &["code", "guid", "id", "key", "number"];

/// Whether a value is called like the name that code has for a thing, which nobody types.
fn names_a_thing(written: &str) -> bool {
    let written = written.trim_end_matches(".ToString()").trim_end_matches("()");
    let last = written.rsplit(['.', '_']).next().unwrap_or(written).to_ascii_lowercase();
    MADE.iter().any(|end| last.ends_with(end))
}

/// What stands before a character and, where there is one, what stands behind it.
fn at_mark(shape: &Shape, mark: char) -> (Shape, Option<Shape>) {
    let mut before = Shape::default();
    let mut after: Option<Shape> = None;
    for part in &shape.parts {
        match (&mut after, part) {
            (Some(after), part) => after.push(Shape { parts: vec![part.clone()] }),
            (None, Part::Text { text, in_place }) => match text.split_once(mark) {
                Some((start, rest)) => {
                    before.push(Shape::text(start, *in_place));
                    after = Some(Shape::text(rest, *in_place));
                }
                None => before.push(Shape { parts: vec![part.clone()] }),
            },
            (None, part) => before.push(Shape { parts: vec![part.clone()] }),
        }
    }
    (before, after)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::model::Span;

    #[test]
    fn paths_and_pairs_come_apart_across_pieces() {
        let mut shape = Shape::text("/Views/Item.xaml?id=", true);
        let hole =
            |ty: &str| Hole { written: "x".into(), ty: Some(ty.into()), parameter: None, escaped: false };
        shape.push(Shape::hole(hole("int")));
        shape.push(Shape::text("&note=", false));
        shape.push(Shape::hole(hole("string")));
        let (path, pairs) = split(&shape, At { file: 0, span: Span::new(0, 0) });
        assert_eq!(path.plain().as_deref(), Some("/Views/Item.xaml"));
        let found: Vec<_> =
            pairs.iter().map(|p| (&p.argument.slot, p.argument.literal_key, p.unescaped)).collect();
        let name = |name: &str| Slot::Name(name.to_owned());
        assert_eq!(found, [(&name("id"), true, false), (&name("note"), false, true)]);
    }
}
