//! What pages take out of the router's state.

use super::WHOLE;
use crate::facts::Facts;
use crate::model::Via;
use crate::recover::flutter::bag::Bag;
use crate::syntax::{Id, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// Maps and values of the state, old and new names, and how what is in them travels.
const BAGS: &[(&str, Via)] = &[
    ("extra", Via::Argument),
    ("params", Via::Path),
    ("pathParameters", Via::Path),
    ("queryParameters", Via::Query),
    ("queryParametersAll", Via::Query),
    ("queryParams", Via::Query),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (name, via) in BAGS {
        for &at in values.program().uses_in(file, name) {
            let Kind::Member(member) = values.kind(at) else { continue };
            if is_of_state(&Expr::new(at).with(member.of), values) {
                Bag { name: WHOLE, via: *via }.taken(at, values, facts);
            }
        }
    }
}

/// The state itself, or its address.
fn is_of_state(of: &Expr, values: &Values<'_>) -> bool {
    let mut at = of.clone();
    for _ in 0..6 {
        if values.type_of(&at).is_some_and(|ty| ty.name == "GoRouterState") {
            return true;
        }
        at = match values.kind(at.at) {
            Kind::Member(member) if member.name == "uri" => at.with(member.of),
            Kind::Unary { of, .. } => at.with(*of),
            Kind::Name(name) => match values.resolve(at.at, name) {
                Some(Def::Parameter(parameter)) => return is_builders(parameter, values),
                _ => match values.value_behind(&at).filter(|behind| behind.at != at.at) {
                    Some(behind) => behind,
                    None => return false,
                },
            },
            _ => return false,
        };
    }
    false
}

/// The second parameter of a builder or redirect: `builder: (context, state) => …`.
fn is_builders(parameter: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(parameter);
    let Some(lambda) = tree.node(parameter.id).parent else { return false };
    let Kind::Lambda { params, .. } = tree.kind(lambda) else { return false };
    let second = params.get(1).is_some_and(|&id: &Id| id == parameter.id);
    let call = tree.node(lambda).parent.and_then(|id| tree.call(id));
    second
        && call.and_then(|call| tree.callee(call)).is_some_and(|(name, _)| {
            matches!(
                name.as_str(),
                "GoRoute"
                    | "GoRouter"
                    | "ShellRoute"
                    | "StatefulShellRoute"
                    | "indexedStack"
                    | "RoutingConfig"
            )
        })
}
