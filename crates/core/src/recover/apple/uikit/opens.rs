//! Pushing, presenting, showing, and setting a whole stack.

use super::containers::sets_first_root;
use super::stackless::{Push, ShownAs};
use super::{is_platforms, shows};
use crate::facts::Facts;
use crate::model::Verb;
use crate::recover::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};

/// Methods that show a controller, the label that tells them from others of the name, and what they do.
const OPENING: &[(&str, Option<&str>, Verb)] = &[
    ("present", Some("animated"), Verb::Present),
    ("pushViewController", None, Verb::Open),
    ("show", Some("sender"), Verb::Open),
    ("showDetailViewController", None, Verb::Open),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (name, label, verb) in OPENING {
        for (at, call) in code::calls(file, values, &[name]) {
            let labelled =
                label.is_none_or(|label| call.args.iter().any(|arg| arg.name.as_deref() == Some(label)));
            let Some(shown) = call.args.first().filter(|arg| labelled && arg.name.is_none()) else {
                continue;
            };
            if !is_platforms(at, call, values) {
                continue;
            }
            needs_stack(at, call, name, values, facts);
            for said in values.sites(at, &Expr::new(at).with(shown.value)) {
                let given = said.bind(&Expr::new(Ref { file, id: shown.value }));
                let place = code::callee_at(said.at, values);
                let made = shows(said.at, place, *verb, &given, values, facts);
                facts.calls.extend(made);
            }
        }
    }
    for (at, call) in code::calls(file, values, &["setViewControllers"]) {
        if let Some(list) = call.args.first().filter(|_| is_platforms(at, call, values))
            && !is_of_tabs(at, call, values)
            && !sets_first_root(at, call, values)
        {
            reset(at, &Expr::new(Ref { file, id: list.value }), values, facts);
        }
    }
}

/// A push through the container around does nothing where there is none.
fn needs_stack(at: Ref, call: &Call, name: &str, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let own = tree.receiver(call).is_some_and(|of| match tree.kind(of) {
        Kind::Name(name) => name == "navigationController",
        Kind::Member(member) => {
            member.name == "navigationController" && matches!(tree.kind(member.of), Kind::This)
        }
        _ => false,
    });
    if own && name == "pushViewController" {
        facts.own.push(Push { site: at, at: code::callee_at(at, values) });
    }
}

fn is_of_tabs(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let of = match values.tree(at).receiver(call) {
        Some(of) => values.type_of(&Expr::new(at).with(of)).map(|ty| (ty.class, ty.name)),
        None => values.enclosing_named_class(at).map(|class| (Some(class), Default::default())),
    };
    of.is_some_and(|(class, name)| {
        name == "UITabBarController"
            || class.is_some_and(|class| super::super::controllers::is_tabs(class, values))
    })
}

/// A whole stack is set: what ends on top is shown.
fn reset(at: Ref, list: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let elements = values.elements(list);
    let place = code::callee_at(at, values);
    // What lies below can be come back to.
    for below in elements.iter().take(elements.len().saturating_sub(1)) {
        let mut kept = Facts::default();
        shows(at, place, Verb::Open, below, values, &mut kept);
        facts.routes.extend(kept.routes);
        facts.own.extend(kept.own.take::<ShownAs>());
    }
    let top = elements.last().unwrap_or(list);
    if let Some(call) = shows(at, place, Verb::Reset, top, values, facts) {
        let lands = u32::try_from(elements.len().saturating_sub(1)).unwrap_or(0);
        facts.calls.push(crate::facts::CallFact { lands, ..call });
    }
}
