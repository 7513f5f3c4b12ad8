//! `named-table`: names in a map or a generator, and calls by name (docs.flutter.dev, "Navigate with
//! named routes"; api.flutter.dev, `WidgetsApp.onGenerateRoute`).

pub(super) use calls::arguments;

mod calls;
mod generator;
mod names;
mod table;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use super::bag::Bag;
use crate::facts::{Addresses, Choice, Facts, Names, Ways};
use crate::model::{Style, Via};
use crate::recover::StyleRecoverer;
use crate::syntax::Kind;
use crate::values::{Def, Expr, Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::NamedTable),
    speaks: SPEAKS,
    words: &["pushNamed", "PushNamed", "onGenerateRoute", "initialRoute", "RouteSettings", "ModalRoute"],
    verbs: &[
        "pushNamed",
        "pushReplacementNamed",
        "popAndPushNamed",
        "pushNamedAndRemoveUntil",
        "restorablePushNamed",
    ],
    recover,
    ways: Ways { names: Names::Text, choice: Choice::InOrder, addresses: Addresses::None, ..Ways::PLAIN },
    ..StyleRecoverer::SHARED
};

/// What arguments that are no map are called.
const WHOLE: &str = "arguments";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).is_generated() {
        return;
    }
    table::recover(file, values, facts);
    calls::recover(file, values, facts);
    for &at in values.program().uses_in(file, "arguments") {
        if is_settings_arguments(at, values) {
            Bag { name: WHOLE, via: Via::Argument }.taken(at, values, facts);
        }
    }
}

/// `settings.arguments` of a route: of a generator's parameter, or of the page's own route.
fn is_settings_arguments(at: Ref, values: &Values<'_>) -> bool {
    let Kind::Member(member) = values.kind(at) else { return false };
    is_settings(&Expr::new(at).with(member.of), 0, values)
}

fn is_settings(of: &Expr, depth: usize, values: &Values<'_>) -> bool {
    if depth > 4 {
        return false;
    }
    if values.type_of(of).is_some_and(|ty| ty.name == "RouteSettings") {
        return true;
    }
    match values.kind(of.at) {
        Kind::Unary { of: inner, .. } => is_settings(&of.with(*inner), depth + 1, values),
        Kind::Member(member) if member.name == "settings" => true,
        Kind::Name(name) => match values.resolve(of.at, name) {
            Some(Def::Parameter(parameter)) => is_generators(parameter, values),
            Some(Def::Variable(_)) => {
                let behind = values.value_behind(of).filter(|behind| behind.at != of.at);
                behind.is_some_and(|behind| is_settings(&behind, depth + 1, values))
            }
            _ => false,
        },
        _ => false,
    }
}

/// The parameter of a lambda that is a generator: `onGenerateRoute: (settings) { … }`.
fn is_generators(parameter: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(parameter);
    let lambda = tree.node(parameter.id).parent.filter(|&id| matches!(tree.kind(id), Kind::Lambda { .. }));
    let call = lambda.and_then(|id| tree.node(id).parent).and_then(|id| tree.call(id));
    call.zip(lambda).is_some_and(|(call, lambda)| {
        let arg = call.args.iter().find(|arg| arg.value == lambda);
        arg.and_then(|arg| arg.name.as_deref())
            .is_some_and(|name| matches!(name, "onGenerateRoute" | "onUnknownRoute"))
    })
}
