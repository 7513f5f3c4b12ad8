//! `swiftui-view-link`: links that build the view they lead to in place, with or without a flag or a
//! tag (developer.apple.com, "NavigationLink": initialisers with a destination).

#[cfg(test)]
mod tests;

use super::shown::{class_at, shown};
use super::swiftui_value::{Flag, flag_calls};
use super::variables::variable_of;
use super::{SPEAKS, initialiser, is_ours};
use crate::facts::{CallFact, Facts, Opened, Passes, RouteFact, RouteKey, Shows, TargetFact, Ways};
use crate::model::{Form, RouteKind, Style, Verb};
use crate::recover::apple::WAYS;
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{Arg, Call, Kind};
use crate::values::{Expr, Ref, Values};

const STYLE: Style = Style::SwiftuiViewLink;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &["NavigationLink"],
    verbs: &["NavigationLink"],
    recover,
    ways: Ways { passes: Passes::Checked, ..WAYS },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    for (at, call) in code::calls(file, values, &["NavigationLink"]) {
        let by_value = call.args.iter().any(|arg| arg.name.as_deref() == Some("value"));
        if by_value || values.calls_own_function(&Expr::new(at), call) {
            continue;
        }
        if let Some(destination) = destination(at, call, values) {
            link(at, call, &Expr::new(Ref { file, id: destination.value }), values, facts);
        }
    }
}

/// What a link leads to: by its name, or the closure that is no label.
fn destination<'c>(at: Ref, call: &'c Call, values: &Values<'_>) -> Option<&'c Arg> {
    let named = call.args.iter().find(|arg| arg.name.as_deref() == Some("destination"));
    let closure =
        |arg: &&Arg| arg.name.is_none() && matches!(values.tree(at).kind(arg.value), Kind::Lambda { .. });
    named.or_else(|| call.args.iter().find(closure))
}

fn link(at: Ref, call: &Call, destination: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let views = shown(destination, values);
    let base = CallFact::new(STYLE, Verb::Open, at, code::callee_at(at, values));
    let Some(first) = views.first() else {
        // Nothing of the app's own, or handed in from elsewhere.
        return handed_in(destination, values, facts);
    };
    let route = route(first.class, values);
    let name = route.name.clone();
    let target =
        TargetFact::Routes(views.iter().map(|shown| RouteKey(class_at(shown.class, values))).collect());
    facts.routes.extend(views.iter().map(|shown| self::route(shown.class, values)));
    facts.calls.push(CallFact {
        written: name.clone(),
        form: if views.len() == 1 { Form::Typed } else { Form::Computed },
        arguments: initialiser::arguments(&first.made, first.class, values),
        open: views.len() > 1,
        target: target.clone(),
        ..base
    });
    let flag = call.args.iter().find(|arg| matches!(arg.name.as_deref(), Some("isActive" | "selection")));
    let variable = flag.and_then(|arg| variable_of(&Expr::new(at).with(arg.value), values));
    if let Some(variable) = variable {
        let flag = Flag { style: STYLE, verb: Verb::Open, name, target, item: None, cases: Vec::new() };
        flag_calls(variable, &flag, values, facts);
    }
}

/// A view of the app's own whose maker says where its link leads.
fn handed_in(destination: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let named = match values.kind(destination.at) {
        Kind::Lambda { body, .. } => destination.with(*body),
        _ => destination.clone(),
    };
    let named = match values.kind(named.at) {
        Kind::Call(call) if call.args.is_empty() => named.with(call.callee),
        _ => named,
    };
    for (site, given) in super::variables::given_at_making(&named, values) {
        let views = shown(&given, values);
        let Some(first) = views.first() else { continue };
        facts.routes.extend(views.iter().map(|shown| route(shown.class, values)));
        facts.calls.push(CallFact {
            written: values.class(first.class).map(|class| class.name.to_string()).unwrap_or_default(),
            form: Form::Typed,
            arguments: initialiser::arguments(&first.made, first.class, values),
            target: TargetFact::Routes(vec![RouteKey(class_at(first.class, values))]),
            ..CallFact::new(STYLE, Verb::Open, site, code::callee_at(site, values))
        });
    }
}

fn route(class: Ref, values: &Values<'_>) -> RouteFact {
    let at = class_at(class, values);
    let name = values.class(class).map(|class| class.name.to_string()).unwrap_or_default();
    RouteFact {
        shows: Shows::Class(values.program().path(class).to_owned(), at),
        opened: Opened::OnlyIfCalled,
        parameters: initialiser::parameters(class, values),
        ..RouteFact::new(STYLE, RouteKind::Screen, name, at)
    }
}
