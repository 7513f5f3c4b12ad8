//! Elements in angle brackets: calls with one object of all their properties.

use crate::facts::At;
use crate::recover::code;
use crate::syntax::{Call, Kind, PROPERTIES, Piece};
use crate::values::{Expr, Values};

/// An element.
#[derive(Clone)]
pub(super) struct Element<'p> {
    /// Its node.
    pub(super) at: Expr,
    /// The same, as a call.
    pub(super) call: &'p Call,
}

/// The element that a node is.
pub(super) fn element<'p>(at: &Expr, values: &Values<'p>) -> Option<Element<'p>> {
    let call = values.tree(at.at).call(at.at.id)?;
    let first = call.args.first()?;
    (first.name.as_deref() == Some(PROPERTIES)).then(|| Element { at: at.clone(), call })
}

impl Element<'_> {
    /// What it is an element of.
    pub(super) fn callee(&self) -> Expr {
        self.at.with(self.call.callee)
    }

    /// A property, through spreads.
    pub(super) fn property(&self, name: &str, values: &Values<'_>) -> Option<Expr> {
        property(&self.at.with(self.call.args.first()?.value), name, values)
    }

    /// Where its name stands.
    pub(super) fn place(&self, values: &Values<'_>) -> At {
        code::callee_at(self.at.at, values)
    }
}

/// The value of an object under a name.
pub(super) fn property(object: &Expr, name: &str, values: &Values<'_>) -> Option<Expr> {
    let entries = values.entries(object)?;
    let found = entries.known.into_iter().rev().find(|(key, _)| key_of(key, values).as_deref() == Some(name));
    found.map(|(_, value)| value)
}

/// The text of a key.
pub(super) fn key_of(key: &Expr, values: &Values<'_>) -> Option<String> {
    if let Kind::Text(pieces) = values.kind(key.at)
        && let [Piece::Text(text)] = pieces.as_slice()
    {
        return Some(text.to_string());
    }
    values.plain_text(key)
}
