//! What the Android recoverers ask of code.

pub(super) use crate::recover::code::*;

use crate::values::{Datum, Expr, Values};

/// The ids among the values of an expression: `R.id.shelf`.
pub(super) fn ids(expr: &Expr, values: &Values<'_>) -> Vec<String> {
    resources(expr, "id", values)
}

/// The resources of a kind among the values of an expression.
pub(super) fn resources(expr: &Expr, wanted: &str, values: &Values<'_>) -> Vec<String> {
    let found = values.eval(expr).into_iter().filter_map(|value| match value.datum {
        Datum::Resource { kind, name } if kind == wanted => Some(name.to_string()),
        _ => None,
    });
    found.collect()
}
