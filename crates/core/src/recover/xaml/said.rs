//! What is really said where code goes through helpers, and what is asked before it is taken.

use crate::recover::code;
use crate::syntax::TypeName;
use crate::values::{Expr, Ref, Values};

/// Ways of asking whether a dictionary has a key.
const ASKING: &[&str] = &["Contains", "ContainsKey", "TryGetValue"];

/// A type where it is really said: of a helper's own type parameter, every use of the helper.
pub(super) fn types(at: Ref, ty: &TypeName, values: &Values<'_>) -> Vec<(Ref, TypeName)> {
    let function = values.enclosing_function(at).filter(|_| values.class_named(at, &ty.name).is_none());
    let uses = function.map(|function| values.uses(function)).unwrap_or_default();
    let typed: Vec<(Ref, TypeName)> = uses
        .into_iter()
        .filter_map(|used| Some((used, values.tree(used).call(used.id)?.types.first()?.clone())))
        .collect();
    if typed.is_empty() { vec![(at, ty.clone())] } else { typed }
}

/// Whether the function around a key asks for it before it is taken.
pub(super) fn is_asked_for(key: &Expr, values: &Values<'_>) -> bool {
    let (Some(name), Some(function)) = (values.plain_text(key), values.enclosing_function(key.at)) else {
        return false;
    };
    let tree = values.tree(key.at);
    let around = tree.span(function.id);
    code::calls(key.at.file, values, ASKING).iter().any(|(at, call)| {
        let first = call.args.first().map(|arg| Expr::new(*at).with(arg.value));
        let asked = first.and_then(|key| values.plain_text(&key));
        around.holds(tree.span(at.id)) && asked.as_ref() == Some(&name)
    })
}
