//! Paths as text: joined, with placeholders by name, or put together by `Uri`.

use crate::model::Form;
use crate::recover::flutter::navigator::named;
use crate::syntax::Kind;
use crate::values::{Expr, Hole, Part, Ref, Shape, Values};

/// A path that a call names.
pub(super) struct Location {
    /// What it may be.
    pub(super) shapes: Vec<Shape>,
    /// How it is named.
    pub(super) form: Form,
    /// The constant that holds all of it.
    pub(super) constant: Option<Ref>,
}

/// The path that an expression is.
pub(super) fn location(expr: &Expr, values: &Values<'_>) -> Location {
    if let Some(shape) = by_uri(expr, values) {
        return Location { shapes: vec![shape], form: Form::Computed, constant: None };
    }
    let found = values.eval(expr);
    let shapes = found.iter().filter_map(|value| value.shape().map(with_placeholders)).collect();
    let form = match found.as_slice() {
        [one] => one.form,
        _ => Form::Computed,
    };
    Location { shapes, form, constant: found.iter().find_map(|value| value.constant) }
}

/// `Uri(path: '/item', queryParameters: {'id': id}).toString()`.
fn by_uri(expr: &Expr, values: &Values<'_>) -> Option<Shape> {
    let root = values.built(expr).root;
    let call = values.tree(root.at).call(root.at.id)?;
    let (name, _) = values.tree(root.at).callee(call)?;
    (name == "Uri").then_some(())?;
    let path = named(root.at, call, "path").map(|path| Expr { env: root.env.clone(), ..path })?;
    let mut shape = values.eval(&path).into_iter().find_map(|value| value.shape().cloned())?;
    let query = named(root.at, call, "queryParameters").map(|map| Expr { env: root.env.clone(), ..map });
    for (i, (key, value)) in
        query.and_then(|map| values.entries(&map)).into_iter().flat_map(|e| e.known).enumerate()
    {
        let Some(key) = values.plain_text(&key) else { continue };
        shape.push(Shape::text(&format!("{}{key}=", if i == 0 { "?" } else { "&" }), false));
        let given = values.eval(&value).into_iter().find_map(|value| value.shape().cloned());
        let hole = || Hole {
            written: values.written(value.at),
            ty: values.type_of(&value).map(|ty| ty.name),
            parameter: None,
            escaped: true,
        };
        shape.push(given.unwrap_or_else(|| Shape::hole(hole())));
    }
    Some(shape)
}

/// A path with `:id` as one with `{id}`.
pub(super) fn pattern(path: &str) -> String {
    let parts = path.split('/').map(|part| match part.strip_prefix(':') {
        Some(name) => {
            let end = name.find(|c: char| !c.is_alphanumeric() && c != '_').unwrap_or(name.len());
            format!("{{{}}}{}", &name[..end], after_expression(&name[end..]))
        }
        None => part.to_owned(),
    });
    parts.collect::<Vec<_>>().join("/")
}

/// What stands behind an expression in brackets, which only says what a segment may look like.
fn after_expression(rest: &str) -> &str {
    match rest.strip_prefix('(') {
        Some(inside) => inside.rsplit_once(')').map_or("", |(_, after)| after),
        None => rest,
    }
}

fn with_placeholders(shape: &Shape) -> Shape {
    let parts = shape.parts.iter().map(|part| match part {
        Part::Text { text, in_place } if text.contains("/:") || text.starts_with(':') => {
            Part::Text { text: pattern(text), in_place: *in_place }
        }
        part => part.clone(),
    });
    Shape { parts: parts.collect() }
}

/// A child's path behind its parent's.
pub(super) fn joined(parent: &str, child: &str) -> String {
    let child = child.trim_start_matches('/');
    match (parent.trim_end_matches('/'), child) {
        ("", _) => format!("/{child}"),
        (parent, "") => parent.to_owned(),
        (parent, child) => format!("{parent}/{child}"),
    }
}

/// Whether an expression can be text.
pub(super) fn is_text(expr: &Expr, values: &Values<'_>) -> bool {
    values.type_of(expr).is_some_and(|ty| ty.name == "String")
        || matches!(values.kind(expr.at), Kind::Text(_))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn placeholders_and_joins() {
        assert_eq!(pattern("/item/:id"), "/item/{id}");
        assert_eq!(pattern(r"/item/:id(\d+)/tags"), "/item/{id}/tags");
        assert_eq!(pattern("at:id"), "at:id");
        assert_eq!(joined("/", "shelf"), "/shelf");
        assert_eq!(joined("/shelf", "item/{id}"), "/shelf/item/{id}");
        assert_eq!(joined("/shelf", "/about"), "/shelf/about");
        assert_eq!(joined("", "/shelf"), "/shelf");
    }
}
