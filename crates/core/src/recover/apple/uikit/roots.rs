//! The window's root. What is set while the app starts is what it starts with; later it is a call.

use super::super::pages::{What, page};
use super::super::scenes::boards;
use super::stackless::ShownAs;
use super::{route, shows};
use crate::facts::{At, Facts, Opened, RedirectFact, RouteFact, TargetFact};
use crate::model::{RouteKind, Style, Verb};
use crate::recover::apple::pages::initial_of;
use crate::recover::code;
use crate::syntax::{Kind, Parameter};
use crate::values::{Expr, Ref, Values};

/// Callers of callers are followed this deep.
const MAX_DEPTH: usize = 5;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for &used in values.program().uses_in(file, "rootViewController") {
        let Some(outer) = tree.node(used.id).parent else { continue };
        let Kind::Assign { target, value, .. } = tree.kind(outer) else { continue };
        if *target != used.id || !is_of_window(used, values) {
            continue;
        }
        let site = Ref { file, id: outer };
        let given = Expr::new(Ref { file, id: *value });
        // What is handed in is said where it is handed over.
        for said in values.sites(site, &Expr::new(site).with(*value)) {
            let given = said.bind(&given);
            if starts(said.at, 0, values) {
                start(&given, values, facts);
                continue;
            }
            let at = match said.at == site {
                true => {
                    let span = tree.last_name(used.id).map_or(tree.span(used.id), |(_, span)| span);
                    At { file, span }
                }
                false => code::callee_at(said.at, values),
            };
            let made = shows(said.at, at, Verb::Reset, &given, values, facts);
            facts.calls.extend(made);
        }
    }
}

fn is_of_window(used: Ref, values: &Values<'_>) -> bool {
    let Kind::Member(member) = values.kind(used) else { return false };
    let ty = values.type_of(&Expr::new(used).with(member.of));
    ty.is_none_or(|ty| ty.name.ends_with("Window"))
}

/// Whether code runs while the app starts: in the delegates' own methods, or called from them.
fn starts(site: Ref, depth: usize, values: &Values<'_>) -> bool {
    let Some(function) = values.enclosing_function(site) else { return false };
    let tree = values.tree(function);
    let Some(declared) = tree.function(function.id) else { return false };
    let labels = declared.params.iter().filter_map(|&id| tree.parameter(id)).map(Parameter::called);
    let first = ["didFinishLaunchingWithOptions", "willFinishLaunchingWithOptions", "willConnectTo"];
    if labels.into_iter().any(|label| first.contains(&label)) {
        return true;
    }
    if depth >= MAX_DEPTH {
        return false;
    }
    let uses = match declared.name.as_str() {
        "<init>" => {
            values.enclosing_named_class(function).map(|c| values.makes(c).to_vec()).unwrap_or_default()
        }
        _ => values.uses(function),
    };
    uses.into_iter().any(|used| starts(used, depth + 1, values))
}

fn start(given: &Expr, values: &Values<'_>, facts: &mut Facts) {
    // Each way of a choice is one that the app may start with.
    if let Kind::Branch { arms, .. } = values.kind(given.at) {
        return arms.iter().for_each(|arm| start(&given.with(arm.body), values, facts));
    }
    let found = page(given, values);
    match &found.what {
        What::Class(class) | What::View(class) => {
            let screen = values.program().path(*class).to_owned();
            facts.own.push(ShownAs { screen, in_stack: found.wrapped });
            let fact = route(*class, RouteKind::Screen, values);
            // A bar of tabs is what starts, and says itself which tab is first.
            let tabs = super::super::pages::page(given, values).wrapped && is_bar(given, values);
            if !tabs {
                facts.routes.push(RouteFact { opened: Opened::AtLaunch, ..fact });
            }
        }
        What::Initial(name) => {
            let boards = boards(values);
            if let Some((board, scene)) = initial_of(name, &boards, values) {
                let target = TargetFact::Routes(vec![boards[board].scenes[scene].key()]);
                facts.redirects.push(RedirectFact { style: Style::Storyboard, from: None, target });
            }
        }
        _ => {}
    }
}

fn is_bar(given: &Expr, values: &Values<'_>) -> bool {
    let ty = values.type_of(given);
    ty.is_some_and(|ty| {
        ty.name == "UITabBarController"
            || ty.class.is_some_and(|class| super::super::controllers::is_tabs(class, values))
    })
}
