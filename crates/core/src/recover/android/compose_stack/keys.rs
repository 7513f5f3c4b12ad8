//! What is a key: a class that says so, or one that an entry is for.

use crate::recover::android::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Type, Values};

/// The mark of the library's own keys.
const KEY: &str = "NavKey";

/// Whether objects of a type are keys.
pub(super) fn is_key(ty: &Type, values: &Values<'_>) -> bool {
    ty.name == KEY || ty.class.is_some_and(|class| is_key_class(class, values))
}

/// Whether a class, or what derives from it, is a key.
pub(super) fn is_key_class(class: Ref, values: &Values<'_>) -> bool {
    let marked = values.external_bases(class).iter().any(|base| base == KEY);
    marked || entered(values).iter().any(|&key| values.lineage(key).contains(&class))
}

/// Every class that an entry names.
fn entered(values: &Values<'_>) -> Vec<Ref> {
    let calls = values.program().calls_named("entry").iter();
    calls.filter_map(|&at| class_of_entry(at, values.tree(at).call(at.id)?, values)).collect()
}

/// What an entry is for: `entry<Item> { … }`, `entry(Shelf) { … }`.
pub(super) fn class_of_entry(at: Ref, call: &Call, values: &Values<'_>) -> Option<Ref> {
    if values.calls_own_function(&Expr::new(at), call) {
        return None;
    }
    if let Some(ty) = call.types.first() {
        return values.class_named(at, &ty.name);
    }
    let key = call.arg("key", 0).filter(|&id| !matches!(values.tree(at).kind(id), Kind::Lambda { .. }))?;
    classes(&Expr::new(at).with(key), values).first().copied()
}

/// The classes of the keys that an expression may be.
pub(super) fn classes(expr: &Expr, values: &Values<'_>) -> Vec<Ref> {
    let found = values.eval(expr);
    let mut classes: Vec<Ref> = found.iter().filter_map(|value| values.object_class(value)).collect();
    classes.dedup();
    classes
}

/// Whether the library is at hand in a file: what is called like its functions is theirs.
pub(super) fn is_at_hand(file: u32, values: &Values<'_>) -> bool {
    code::imports(file, super::PACKAGE, values)
}
