//! Calls on the object of actions: a method for each key, by dot or bracket, and those that take a key.

use super::of_package;
use crate::facts::{At, CallFact, Facts, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::code;
use crate::recover::react_native::element::property;
use crate::recover::react_native::navigation::sites;
use crate::recover::react_native::stack_component::calls::passed;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

/// Methods that take a key, and what they do.
const KEYED: &[(&str, Verb)] = &[
    ("jump", Verb::Tab),
    ("popAndPush", Verb::Replace),
    ("popTo", Verb::BackTo),
    ("push", Verb::Open),
    ("replace", Verb::Replace),
    ("reset", Verb::Reset),
];

/// Members that are no key.
const OTHERS: &[&str] = &[
    "androidBackHandler",
    "callback",
    "create",
    "currentParams",
    "currentScene",
    "dispatch",
    "drawerClose",
    "drawerOpen",
    "execute",
    "get",
    "on",
    "prevScene",
    "prevState",
    "ref",
    "refresh",
    "state",
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        match tree.kind(id) {
            Kind::Call(call) => called(at, call, values, facts),
            Kind::Member(member) if is_actions(&Expr::new(at).with(member.of), values) => {
                handed_over(at, &member.name, member.name_span, values, facts);
            }
            _ => {}
        }
    }
}

fn is_actions(of: &Expr, values: &Values<'_>) -> bool {
    of_package(of, values).as_deref() == Some("Actions")
}

fn called(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let here = Expr::new(at);
    let callee = here.with(call.callee);
    let first = call.args.first().map(|arg| here.with(arg.value));
    match values.kind(callee.at) {
        Kind::Member(member) if is_actions(&callee.with(member.of), values) => {
            let name = member.name.as_str();
            if let Some((_, verb)) = KEYED.iter().find(|(known, _)| *known == name) {
                let Some(key) = first else { return };
                let params = call.args.get(1).map(|arg| here.with(arg.value));
                by_key(at, &key, params.as_ref(), *verb, values, facts);
            } else if name == "pop" {
                let given = first.and_then(|options| property(&options, "refresh", values));
                let (arguments, open) = given.map(|given| passed(&given, values)).unwrap_or_default();
                let base = CallFact::new(Style::FluxScene, Verb::Back, at, code::callee_at(at, values));
                facts.calls.push(CallFact { merges: !arguments.is_empty(), arguments, open, ..base });
            } else if !OTHERS.contains(&name) {
                let place = At { file: at.file, span: member.name_span };
                let (arguments, open) = first.map(|first| passed(&first, values)).unwrap_or_default();
                let fact = method(at, place, name);
                facts.calls.push(CallFact { arguments, open, ..fact });
            }
        }
        // `Actions['item'](…)`, `Actions[key](…)`.
        Kind::Index { of, args } if is_actions(&callee.with(*of), values) => {
            if let Some(&key) = args.first() {
                by_key(at, &callee.with(key), first.as_ref(), Verb::Open, values, facts);
            }
        }
        _ => {}
    }
}

/// A method of the object: its name is checked by nothing, and is no text.
fn method(at: Ref, place: At, name: &str) -> CallFact {
    CallFact {
        target: TargetFact::Named(vec![Shape::text(name, false)]),
        written: format!("Actions.{name}"),
        form: Form::Generated,
        ..CallFact::new(Style::FluxScene, Verb::Open, at, place)
    }
}

/// `onPress={Actions.item}`: a method that is handed over and not called.
fn handed_over(at: Ref, name: &str, span: crate::model::Span, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let handed = match tree.node(at.id).parent.map(|parent| tree.kind(parent)) {
        Some(Kind::Call(call)) => call.callee != at.id,
        Some(Kind::Map(_)) => true,
        _ => false,
    };
    if !handed || OTHERS.contains(&name) || KEYED.iter().any(|(known, _)| *known == name) {
        return;
    }
    let place = At { file: at.file, span };
    facts.calls.push(match name {
        "pop" => CallFact::new(Style::FluxScene, Verb::Back, at, place),
        // It is given whatever it is called with.
        _ => CallFact { open: true, ..method(at, place, name) },
    });
}

fn by_key(at: Ref, key: &Expr, params: Option<&Expr>, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    for site in sites(at, key, values) {
        let bound = |expr: &Expr| site.bind(expr);
        let base = CallFact::new(Style::FluxScene, verb, site.at, code::callee_at(site.at, values));
        let fact = code::said(base, &bound(key), TargetFact::Named, values);
        let (arguments, open) = params.map(|params| passed(&bound(params), values)).unwrap_or_default();
        facts.calls.push(CallFact { arguments, open, ..fact });
    }
}
