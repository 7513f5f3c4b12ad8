//! What is set on another screen, or handed to its methods, before the switch.

use super::properties::OF_WIDGETS;
use crate::facts::{ArgumentFact, Facts, OwnFact, Slot, Takes};
use crate::link::{Join, Joining, Phase};
use crate::recover::code;
use crate::syntax::{AssignOp, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// What the code around a switch sets before it on the screen of a name; on any, where that is not
/// known.
pub(super) fn passed(site: Ref, name: Option<&str>, values: &Values<'_>) -> Vec<ArgumentFact> {
    let tree = values.tree(site);
    let Some(around) =
        tree.enclosing(site.id, |kind| matches!(kind, Kind::Function(_) | Kind::Lambda { .. }))
    else {
        return Vec::new();
    };
    let end = tree.span(site.id).start;
    let mut found: Vec<ArgumentFact> = Vec::new();
    let mut todo = vec![around];
    let mut nodes: Vec<Id> = Vec::new();
    while let Some(id) = todo.pop() {
        if tree.span(id).start < end {
            nodes.push(id);
        }
        todo.extend(tree.kind(id).children());
    }
    nodes.sort_by_key(|&id| tree.span(id).start);
    for id in nodes {
        let here = Ref { file: site.file, id };
        match tree.kind(id) {
            Kind::Assign { target, value, op } if *op == AssignOp::Set => {
                let Kind::Member(member) = tree.kind(*target) else { continue };
                let plain = OF_WIDGETS.contains(&member.name.as_str()) || member.name == "current";
                if !plain && is_screen_of(&Expr::new(here).with(member.of), name, values) {
                    let value = Expr::new(Ref { file: site.file, id: *value });
                    add(code::argument(Slot::Name(member.name.to_string()), &value, values), &mut found);
                }
            }
            Kind::Call(call) => {
                let Some(of) = tree.receiver(call) else { continue };
                if is_screen_of(&Expr::new(here).with(of), name, values) {
                    of_method(here, values).into_iter().for_each(|argument| add(argument, &mut found));
                }
            }
            _ => {}
        }
    }
    found
}

/// A screen could be given anything that it has: its route takes what it is given.
pub(super) const JOIN: Join = Join { after: Phase::Named, join };

/// What is set on a screen from outside.
#[derive(Debug)]
struct SetOutside {
    /// The name of its route.
    route: String,
    /// The property.
    property: String,
}

impl OwnFact for SetOutside {}

fn join(joining: &mut Joining<'_, '_>) {
    let set = joining.take::<SetOutside>();
    for route in joining.graph().routes.indices() {
        let this = &joining.graph().routes[route];
        if this.fact.takes != Takes::AsPassed {
            continue;
        }
        let set = set.iter().filter(|set| set.route == this.fact.name).map(|set| set.property.clone());
        let calls = joining.graph().calls_to(route);
        let passed = calls.flat_map(|call| &call.arguments).map(|argument| argument.name.clone());
        let kept: Vec<String> = passed.chain(set).collect();
        joining.keep_parameters(route, |parameter| parameter.required || kept.contains(&parameter.name));
    }
}

/// Everything in a file that is set on a screen which a manager was asked for by name.
pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Assign { target, .. } = tree.kind(id) else { continue };
        let Kind::Member(member) = tree.kind(*target) else { continue };
        let name = asked(&Expr::new(Ref { file, id }).with(member.of), 0, values);
        facts.own.extend(name.map(|route| SetOutside { route, property: member.name.to_string() }));
    }
}

fn add(argument: ArgumentFact, found: &mut Vec<ArgumentFact>) {
    let same = |known: &ArgumentFact| matches!((&known.slot, &argument.slot), (Slot::Name(a), Slot::Name(b)) if a == b);
    match found.iter_mut().find(|known| same(known)) {
        Some(known) => *known = argument,
        None => found.push(argument),
    }
}

/// Whether an expression is the screen that a manager was asked for by that name.
fn is_screen_of(expr: &Expr, name: Option<&str>, values: &Values<'_>) -> bool {
    asked(expr, 0, values).is_some_and(|asked| name.is_none_or(|name| asked == name))
}

/// The name that `manager.get_screen(name)` asks for.
fn asked(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<String> {
    match values.kind(expr.at) {
        Kind::Call(call) if code::callee_name(expr.at, values) == "get_screen" => {
            values.plain_text(&expr.with(call.args.first()?.value))
        }
        Kind::Name(_) | Kind::Member(_) if depth < 6 => {
            let behind = values.value_behind(expr).filter(|behind| behind.at != expr.at)?;
            asked(&behind, depth + 1, values)
        }
        _ => None,
    }
}

/// What a call of a screen's method passes, under the names of the method's parameters.
fn of_method(at: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    let tree = values.tree(at);
    let Some(call) = tree.call(at.id) else { return Vec::new() };
    let Some((method, _)) = tree.callee(call) else { return Vec::new() };
    // The screen is known by name only: so is its method.
    let functions = values.functions_called(method);
    let params: Vec<String> = functions
        .iter()
        .find_map(|&function| {
            let declared = values.tree(function).function(function.id)?;
            (declared.params.len() >= call.args.len()).then(|| {
                let names = declared.params.iter().filter_map(|&id| values.tree(function).parameter(id));
                names.map(|parameter| parameter.name.to_string()).collect()
            })
        })
        .unwrap_or_default();
    let named = call.args.iter().enumerate().filter_map(|(place, arg)| {
        let name = arg.name.as_ref().map(ToString::to_string).or_else(|| params.get(place).cloned())?;
        Some(code::argument(Slot::Name(name), &Expr::new(at).with(arg.value), values))
    });
    named.collect()
}
