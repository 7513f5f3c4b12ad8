//! Values taken out of an object that holds what a screen was given.

use crate::model::Via;
use crate::recover::{At, Facts, ReadFact, code};
use crate::syntax::Kind;
use crate::values::{Def, Ref, Values};

/// Variables of variables are followed this deep.
const MAX_DEPTH: usize = 6;

/// What is taken out of the object that a node is.
pub(super) fn taken(at: Ref, via: Via, values: &Values<'_>, facts: &mut Facts) {
    follow(at, via, (0, false), values, facts);
}

/// Follows the parameters from where they are taken: members, names they are given, choices with a
/// stand-in (which `stands_in` says was on the way).
fn follow(at: Ref, via: Via, (depth, stands_in): (usize, bool), values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent.filter(|_| depth < MAX_DEPTH) else { return };
    let outer = Ref { file: at.file, id: parent };
    match tree.kind(parent) {
        Kind::Unary { op, .. } if op == "!!" => follow(outer, via, (depth + 1, stands_in), values, facts),
        Kind::Cast { of, .. } if *of == at.id => follow(outer, via, (depth + 1, stands_in), values, facts),
        Kind::Binary { op, left, .. } if op == "?:" && *left == at.id => {
            // `params || {}`: nothing of it need be there.
            follow(outer, via, (depth + 1, true), values, facts);
        }
        Kind::Variable(variable) if variable.init == Some(at.id) => {
            let uses = values.program().uses_in(at.file, &variable.name).iter().copied();
            let own = uses.filter(|&used| values.resolve(used, &variable.name) == Some(Def::Variable(outer)));
            own.for_each(|used| follow(used, via, (depth + 1, stands_in), values, facts));
        }
        Kind::Member(member) if member.of == at.id => {
            let fact = ReadFact::new(member.name.to_string(), via, outer, code::node_at(outer, values));
            let span = member.name_span;
            let needed =
                is_untyped(at.file, values) && !stands_in && !member.safe && !is_asked_for(outer, values);
            facts.reads.push(ReadFact {
                forced: code::is_forced(outer, values),
                needed: needed && !code::is_met(outer, values),
                tolerant: stands_in || member.safe || code::is_met(outer, values),
                at: At { file: at.file, span },
                ..fact
            });
        }
        // Looked at, not taken.
        Kind::Binary { op, .. } if matches!(op.as_str(), "==" | "!=" | "&&") => {}
        Kind::Branch { .. } | Kind::Block(_) => {}
        _ => facts.whole_bags.push(at),
    }
}

/// Whether a file says nothing of types: what is taken out plainly is needed there.
fn is_untyped(file: u32, values: &Values<'_>) -> bool {
    let path = values.program().source(file).path.as_str();
    [".js", ".jsx", ".mjs", ".cjs"].iter().any(|ending| path.ends_with(ending))
}

/// Whether a value, or the name that it is given, is looked at before it is used.
fn is_asked_for(at: Ref, values: &Values<'_>) -> bool {
    if is_tested(at, values) {
        return true;
    }
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent else { return false };
    let held = Ref { file: at.file, id: parent };
    let Some(variable) = tree.variable(parent).filter(|variable| variable.init == Some(at.id)) else {
        return false;
    };
    let uses = values.program().uses_in(at.file, &variable.name).iter().copied();
    let own = uses.filter(|&used| values.resolve(used, &variable.name) == Some(Def::Variable(held)));
    let own: Vec<Ref> = own.collect();
    own.is_empty() || own.into_iter().any(|used| is_tested(used, values))
}

fn is_tested(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent else { return false };
    match tree.kind(parent) {
        Kind::Branch { arms, .. } => arms.iter().any(|arm| arm.tests.contains(&at.id)),
        Kind::Binary { op, .. } => matches!(op.as_str(), "&&" | "?:" | "==" | "!="),
        Kind::Unary { op, .. } => op == "!",
        Kind::Member(member) => member.safe && member.of == at.id,
        _ => false,
    }
}
