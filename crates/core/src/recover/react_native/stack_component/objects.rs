//! Navigators declared as objects (reactnavigation.org, "Static configuration").

use super::links;
use super::routes::{Named, key_of_object, route};
use super::tree::{sight, start_said};
use crate::facts::{ContainerFact, ContainerKey, Facts, Holds, RouteFact, ShownBy, Start, StartFact};
use crate::recover::code;
use crate::recover::react_native::components::shown;
use crate::recover::react_native::element::{key_of, property};
use crate::recover::react_native::navigators::{is_creator, is_used, offers, variable_name};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(call) = tree.call(id) else { continue };
        let at = Ref { file, id };
        let Some(arg) = call.args.first().filter(|_| code::callee_name(at, values).starts_with("create"))
        else {
            continue;
        };
        let object = Expr::new(at).with(arg.value);
        if is_creator(&Expr::new(at), values) && is_object(&object, values) {
            navigator(at, &object, values, facts);
        }
    }
}

fn is_object(object: &Expr, values: &Values<'_>) -> bool {
    property(object, "screens", values).is_some() || property(object, "groups", values).is_some()
}

fn navigator(created: Ref, object: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let key = key_of_object(created, values);
    let (mut routes, mut open) = (Vec::new(), false);
    screens(created, object, key, values, facts, &mut routes, &mut open);
    let groups = property(object, "groups", values).and_then(|groups| values.entries(&groups));
    for (_, group) in groups.map(|groups| groups.known).unwrap_or_default() {
        screens(created, &group, key, values, facts, &mut routes, &mut open);
    }
    let said = property(object, "initialRouteName", values);
    let first = || routes.first().map(StartFact::first);
    // The names are keys of the object that says the start: the compiler checks it.
    let said = said.and_then(|said| start_said(&said, created, values));
    let start = said.map(Start::checked).unwrap_or_else(|| Start::new(first(), false));
    let used = is_used(created, values);
    facts.containers.push(ContainerFact {
        name: variable_name(created, values),
        start,
        shown_by: if is_whole_app(created, values) { ShownBy::App } else { ShownBy::itself_if(used) },
        sight: sight(created.file, values),
        holds: Holds::more_if(open),
        offers: offers(created, |name| property(object, name, values).is_some(), values),
        ..ContainerFact::new(key)
    });
    facts.routes.extend(routes);
}

fn screens(
    created: Ref,
    object: &Expr,
    container: ContainerKey,
    values: &Values<'_>,
    facts: &mut Facts,
    routes: &mut Vec<RouteFact>,
    open: &mut bool,
) {
    let Some(screens) = property(object, "screens", values) else { return };
    let Some(entries) = values.entries(&screens) else {
        *open = true;
        return;
    };
    *open |= entries.open;
    for (key, value) in entries.known {
        let Some(name) = key_of(&key, values) else {
            *open = true;
            continue;
        };
        let whole = property(&value, "screen", values);
        let initial = whole.as_ref().and_then(|_| property(&value, "initialParams", values));
        let shown = shown(whole.as_ref().unwrap_or(&value), values);
        let at = code::node_at(key.at, values);
        if let Some(linking) = property(&value, "linking", values) {
            links::of_screen(&name, &linking, at, values, facts);
        }
        let fact = route(Named { name, shown, initial, created, container, at }, values, facts);
        routes.push(RouteFact { content: Some(value.at), ..fact });
    }
}

/// Whether a navigator is made to a component that no other navigator holds.
fn is_whole_app(created: Ref, values: &Values<'_>) -> bool {
    let Some(name) = variable_name(created, values) else { return false };
    values.program().uses_of_name(&name).iter().any(|&used| {
        let tree = values.tree(used);
        if values.built(&Expr::new(used)).root.at != created {
            return false;
        }
        let around = tree.node(used.id).parent.map(|parent| tree.kind(parent));
        matches!(around, Some(Kind::Call(call))
            if tree.callee(call).is_some_and(|(name, _)| name == "createStaticNavigation"))
    })
}
