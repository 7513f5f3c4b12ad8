//! Patterns that are filled with arguments: `%s` and `{}` in turn, `{0}` by place, `{name}` by name
//! (`java.util.Formatter`; docs.python.org, "Format String Syntax"; .NET, "Composite formatting").

use super::eval::Value;
use super::{Expr, Fuel, Shape, Values};
use crate::syntax::Arg;

impl Values<'_> {
    /// A pattern with its arguments, which stand at a call. One that lacks an argument is not known.
    pub(super) fn formatted(&self, pattern: &Expr, at: &Expr, args: &[Arg], fuel: &Fuel) -> Vec<Value> {
        let Some(shape) = self.shapes(pattern, fuel).into_iter().next() else { return Value::unknown() };
        let Some(text) = shape.plain() else { return Value::unknown() };
        let in_place = shape.has_literal_words();
        let fill = |arg: &Arg| self.shapes(&at.with(arg.value), fuel).into_iter().next();
        let filled = match text.contains('%') {
            true => by_turns(&text, in_place, args, fill),
            false => by_places(&text, in_place, args, fill),
        };
        filled.map_or_else(Value::unknown, |shape| vec![self.text_value(shape)])
    }
}

/// `"loan/%s"`: each conversion takes the next argument.
fn by_turns(text: &str, in_place: bool, args: &[Arg], fill: impl Fn(&Arg) -> Option<Shape>) -> Option<Shape> {
    let mut result = Shape::text("", in_place);
    let mut args = args.iter();
    let mut rest = text;
    while let Some((before, tail)) = rest.split_once('%') {
        result.push(Shape::text(before, in_place));
        let end = tail.find(|c: char| c.is_alphabetic() || c == '%').map_or(tail.len(), |i| i + 1);
        match tail.starts_with('%') {
            true => result.push(Shape::text("%", in_place)),
            false => result.push(fill(args.next()?)?),
        }
        rest = tail.get(end..).unwrap_or_default();
    }
    result.push(Shape::text(rest, in_place));
    Some(result)
}

/// `"loan/{0}"`, `"loan/{}"`, `"loan/{id}"`.
fn by_places(
    text: &str,
    in_place: bool,
    args: &[Arg],
    fill: impl Fn(&Arg) -> Option<Shape>,
) -> Option<Shape> {
    let mut result = Shape::text("", in_place);
    let mut turn = 0;
    let mut rest = text;
    while let Some((before, after)) = rest.split_once('{') {
        let (place, tail) = after.split_once('}')?;
        result.push(Shape::text(before, in_place));
        let place = place.split([':', ',', '!']).next().unwrap_or_default();
        let arg = match place.parse::<usize>() {
            Ok(place) => args.get(place),
            Err(_) if place.is_empty() => {
                turn += 1;
                args.get(turn - 1)
            }
            Err(_) => args.iter().find(|arg| arg.name.as_deref() == Some(place)),
        };
        result.push(fill(arg?)?);
        rest = tail;
    }
    result.push(Shape::text(rest, in_place));
    Some(result)
}
