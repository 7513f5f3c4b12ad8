//! What screens take out of their route: `route.params`, in all forms.

use crate::facts::Facts;
use crate::model::Via;
use crate::recover::react_native::navigation::properties_type;
use crate::recover::react_native::taken::taken;
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
            taken(at, Via::Argument, values, facts);
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
