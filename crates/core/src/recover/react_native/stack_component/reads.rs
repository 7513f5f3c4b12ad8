//! What screens take out of their route: `route.params`, in all forms.

use crate::model::Via;
use crate::recover::react_native::navigation::properties_type;
use crate::recover::{Facts, ReadFact, code};
use crate::syntax::Kind;
use crate::values::{Def, Expr, Ref, Values};

/// Variables of variables are followed this deep.
const MAX_DEPTH: usize = 6;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Member(member) = tree.kind(id) else { continue };
        let at = Ref { file, id };
        if member.name == "params" && is_route(&Expr::new(at).with(member.of), 0, values) {
            follow(at, 0, values, facts);
        }
    }
}

/// Whether an expression is a screen's own route.
fn is_route(expr: &Expr, depth: usize, values: &Values<'_>) -> bool {
    if depth > MAX_DEPTH {
        return false;
    }
    match values.kind(expr.at) {
        Kind::Unary { of, .. } | Kind::Cast { of, .. } => is_route(&expr.with(*of), depth + 1, values),
        Kind::Member(member) if member.name == "route" => {
            properties_type(&expr.with(member.of), values).is_some()
        }
        Kind::Call(call) => {
            let name = values.tree(expr.at).callee(call).map(|(name, _)| name.as_str());
            name == Some("useRoute") && !values.calls_own_function(expr, call)
        }
        Kind::Name(name) => match values.meaning(expr) {
            Some(Def::Variable(_)) => values
                .value_behind(expr)
                .filter(|behind| behind.at != expr.at)
                .is_some_and(|behind| is_route(&behind, depth + 1, values)),
            Some(Def::Parameter(_)) => name == "route",
            _ => false,
        },
        _ => false,
    }
}

/// Follows the parameters from where they are taken: members, names they are given, choices with a
/// stand-in.
fn follow(at: Ref, depth: usize, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent.filter(|_| depth < MAX_DEPTH) else { return };
    let outer = Ref { file: at.file, id: parent };
    match tree.kind(parent) {
        Kind::Unary { op, .. } if op == "!!" => follow(outer, depth + 1, values, facts),
        Kind::Cast { of, .. } if *of == at.id => follow(outer, depth + 1, values, facts),
        Kind::Binary { op, left, .. } if op == "?:" && *left == at.id => {
            follow(outer, depth + 1, values, facts);
        }
        Kind::Variable(variable) if variable.init == Some(at.id) => {
            let uses = values.program().uses_in(at.file, &variable.name).iter().copied();
            let own = uses.filter(|&used| values.resolve(used, &variable.name) == Some(Def::Variable(outer)));
            own.for_each(|used| follow(used, depth + 1, values, facts));
        }
        Kind::Member(member) if member.of == at.id => {
            let fact =
                ReadFact::new(member.name.to_string(), Via::Argument, outer, code::node_at(outer, values));
            let span = member.name_span;
            facts.reads.push(ReadFact {
                forced: code::is_forced(outer, values),
                tolerant: member.safe || code::is_met(outer, values),
                at: crate::recover::At { file: at.file, span },
                ..fact
            });
        }
        // Looked at, not taken.
        Kind::Binary { op, .. } if matches!(op.as_str(), "==" | "!=" | "&&") => {}
        Kind::Branch { .. } | Kind::Block(_) => {}
        _ => facts.whole_bags.push(at),
    }
}
