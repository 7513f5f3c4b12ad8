//! Values taken out of an object that holds what a screen was given.

use crate::facts::{Absent, At, Facts, ReadFact};
use crate::model::Via;
use crate::recover::code;
use crate::recover::react_native::components::{Shown, shown};
use crate::recover::react_native::element::{element, key_of};
use crate::recover::react_native::navigation::properties_type;
use crate::syntax::{BinaryOp, Kind, UnaryOp};
use crate::values::{Def, Expr, Ref, Values};

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
        Kind::Unary { op, .. } if *op == UnaryOp::Force => {
            follow(outer, via, (depth + 1, stands_in), values, facts)
        }
        Kind::Cast { of, .. } if *of == at.id => follow(outer, via, (depth + 1, stands_in), values, facts),
        Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse && *left == at.id => {
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
            let met = stands_in || member.safe || code::is_met(outer, values);
            let absent = match Absent::of(code::is_forced(outer, values), met) {
                Absent::Silent if needed => Absent::Needed,
                known => known,
            };
            facts.reads.push(ReadFact { absent, at: At { file: at.file, span }, ..fact });
        }
        // `params[PLACE]`
        Kind::Index { of, args } if *of == at.id => {
            let key = args.first().map(|&id| Expr::new(Ref { file: at.file, id }));
            match key.and_then(|key| code::key(&key, values)) {
                Some((name, literal_key)) => {
                    let met = stands_in || code::is_met(outer, values);
                    let absent = Absent::of(code::is_forced(outer, values), met);
                    let fact = ReadFact::new(name, via, outer, code::node_at(outer, values));
                    facts.reads.push(ReadFact { absent, literal_key, ..fact });
                }
                None => facts.whole_bags.push(at),
            }
        }
        Kind::Map(_) if hand_on(at, outer, via, depth, values, facts) => {}
        // Looked at, not taken.
        Kind::Binary { op: BinaryOp::Equal | BinaryOp::NotEqual | BinaryOp::And, .. } => {}
        Kind::Branch { .. } | Kind::Block(_) => {}
        _ => facts.whole_bags.push(at),
    }
}

/// `<Detail params={route.params} />`: what the component takes out of its property. Whether it is one
/// of the app's own.
fn hand_on(at: Ref, object: Ref, via: Via, depth: usize, values: &Values<'_>, facts: &mut Facts) -> bool {
    let tree = values.tree(at);
    let Kind::Map(entries) = tree.kind(object.id) else { return false };
    let key = entries.iter().find(|entry| entry.value == at.id).and_then(|entry| entry.key);
    let name = key.and_then(|key| key_of(&Expr::new(Ref { file: at.file, id: key }), values));
    let call = tree.node(object.id).parent.map(|id| Expr::new(Ref { file: at.file, id }));
    let element = call.and_then(|call| element(&call, values));
    let (Some(name), Some(element)) = (name, element) else { return false };
    let Shown::Own(component) = shown(&element.callee(), values) else { return false };
    for used in properties_of(component, &name, values) {
        follow(used, via, (depth + 1, false), values, facts);
    }
    true
}

/// Where a component takes a property of a name.
fn properties_of(component: Ref, name: &str, values: &Values<'_>) -> Vec<Ref> {
    let tree = values.tree(component);
    let around = tree.span(component.id);
    let uses = values.program().uses_in(component.file, name).iter().copied();
    let inside = uses.filter(|used| around.holds(tree.span(used.id)));
    let of_it = inside.filter(|used| match tree.kind(used.id) {
        Kind::Member(member) => {
            properties_type(&Expr::new(Ref { file: used.file, id: member.of }), values).is_some()
        }
        _ => false,
    });
    of_it.collect()
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
        Kind::Binary { op, .. } => {
            matches!(op, BinaryOp::And | BinaryOp::OrElse | BinaryOp::Equal | BinaryOp::NotEqual)
        }
        Kind::Unary { op, .. } => *op == UnaryOp::Not,
        Kind::Member(member) => member.safe && member.of == at.id,
        _ => false,
    }
}
