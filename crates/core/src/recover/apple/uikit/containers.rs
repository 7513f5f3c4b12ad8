//! Tabs: which controllers a bar holds, and what switches between them. What a navigation controller
//! begins with is its root, and no call.

use super::super::controllers::is_tabs;
use super::super::pages::{What, list_set, page, tabs_in};
use super::super::scenes::{boards, identified, tabs_of};
use super::stackless::ShownAs;
use super::{STYLE, name_of, route};
use crate::facts::{
    At, CallFact, ContainerFact, ContainerKey, Facts, Opened, RedirectFact, RouteFact, RouteKey, ShownBy,
    Start, StartFact, TargetFact,
};
use crate::model::{Form, RouteKind, Style, Verb};
use crate::recover::apple::pages::{board_of, initial_of};
use crate::recover::apple::shown::class_at;
use crate::recover::code;
use crate::syntax::{AssignOp, Call, Kind};
use crate::values::{Def, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for name in ["viewControllers", "setViewControllers"] {
        for &used in values.program().uses_in(file, name) {
            if let Some(list) = list_set(used, values).filter(|_| is_on_tabs(used, values)) {
                tabs(used, &list, values, facts);
            }
        }
    }
    for name in ["selectedIndex", "selectedViewController"] {
        for &used in values.program().uses_in(file, name) {
            facts.calls.extend(selects(used, name, values));
        }
    }
}

/// Whether what a member is asked of holds tabs.
fn is_on_tabs(used: Ref, values: &Values<'_>) -> bool {
    let class = match values.kind(used) {
        Kind::Member(member) if !matches!(values.tree(used).kind(member.of), Kind::This) => {
            let Some(ty) = values.type_of(&Expr::new(used).with(member.of)) else { return false };
            if ty.name == "UITabBarController" {
                return true;
            }
            ty.class
        }
        _ => values.enclosing_named_class(used),
    };
    class.is_some_and(|class| is_tabs(class, values))
}

fn tabs(used: Ref, list: &Expr, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(used);
    let span = tree.last_name(used.id).map_or(tree.span(used.id), |(_, span)| span);
    let key = ContainerKey(At { file: used.file, span });
    let mut first = None;
    for element in values.elements(list) {
        let found = page(&element, values);
        match &found.what {
            What::Class(class) | What::View(class) => {
                let fact = route(*class, RouteKind::Tab, values);
                first.get_or_insert_with(|| StartFact::first(&fact));
                let screen = values.program().path(*class).to_owned();
                facts.own.push(ShownAs { screen, in_stack: found.wrapped });
                let target = TargetFact::Routes(vec![RouteKey(fact.at)]);
                facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
                facts.routes.push(RouteFact { container: Some(key), opened: Opened::Inside, ..fact });
            }
            what => {
                if let Some(target) = scene(what, values) {
                    first.get_or_insert_with(|| StartFact::new(String::new(), key.0));
                    facts.redirects.push(RedirectFact { style: Style::Storyboard, from: None, target });
                }
            }
        }
    }
    let starts: Vec<StartFact> = first.into_iter().filter(|start| !start.name.is_empty()).collect();
    facts.containers.push(ContainerFact {
        start: Start::said_if_any(starts),
        shown_by: ShownBy::App,
        ..ContainerFact::new(key)
    });
}

/// The scene that a page is.
fn scene(what: &What, values: &Values<'_>) -> Option<TargetFact> {
    let boards = boards(values);
    let (board, scene) = match what {
        What::Initial(name) => initial_of(name, &boards, values)?,
        What::Identified(identifier, Some(name)) => {
            identified(&boards, board_of(name, &boards, values)?, &values.plain_text(identifier)?)?
        }
        _ => return None,
    };
    Some(TargetFact::Routes(vec![boards[board].scenes[scene].key()]))
}

/// Setting what is selected switches tabs.
fn selects(used: Ref, name: &str, values: &Values<'_>) -> Option<CallFact> {
    let tree = values.tree(used);
    let outer = tree.node(used.id).parent?;
    let Kind::Assign { target, value, op } = tree.kind(outer) else { return None };
    (*target == used.id && *op == AssignOp::Set).then_some(())?;
    let owner = owner(used, values)?;
    let site = Ref { file: used.file, id: outer };
    let span = tree.last_name(used.id).map_or(tree.span(used.id), |(_, span)| span);
    let base = CallFact {
        form: Form::Computed,
        written: values.written(Ref { file: used.file, id: *value }),
        ..CallFact::new(STYLE, Verb::Tab, site, At { file: used.file, span })
    };
    let given = Expr::new(Ref { file: used.file, id: *value });
    let place = if name == "selectedIndex" { number(&given, values) } else { None };
    let chosen = match name {
        "selectedViewController" => Some(given),
        _ => place.and_then(|place| elements(owner, values)?.into_iter().nth(place)),
    };
    let Some(chosen) = chosen else {
        let drawn = place.and_then(|place| drawn_tab(place, values));
        return Some(match drawn {
            Some(target) => CallFact { style: Style::Storyboard, target, ..base },
            None => CallFact { target: TargetFact::Unknown, ..base },
        });
    };
    let found = page(&chosen, values);
    Some(match &found.what {
        What::Class(class) | What::View(class) => CallFact {
            target: TargetFact::Routes(vec![RouteKey(class_at(*class, values))]),
            written: if name == "selectedIndex" { base.written.clone() } else { name_of(*class, values) },
            ..base
        },
        what => match scene(what, values) {
            Some(target) => CallFact { style: Style::Storyboard, target, ..base },
            None => CallFact { target: TargetFact::Unknown, ..base },
        },
    })
}

/// A tab of the only bar that storyboards draw.
fn drawn_tab(place: usize, values: &Values<'_>) -> Option<TargetFact> {
    let boards = boards(values);
    let bars = boards.iter().flat_map(|board| &board.scenes).filter(|scene| scene.tabs).count();
    let drawn = (0..boards.len()).map(|board| tabs_of(&boards, board)).find(|tabs| !tabs.is_empty());
    let (board, scene) = *drawn.filter(|_| bars == 1)?.get(place)?;
    Some(TargetFact::Routes(vec![boards[board].scenes[scene].key()]))
}

fn number(expr: &Expr, values: &Values<'_>) -> Option<usize> {
    match values.eval(expr).as_slice() {
        [one] => match &one.datum {
            crate::values::Datum::Number(text) => text.parse().ok(),
            _ => None,
        },
        _ => None,
    }
}

/// The class of tabs that a selection is of, where it is the app's own; `None` inside for any. Nothing
/// for what holds no tabs.
#[allow(clippy::option_option)]
fn owner(used: Ref, values: &Values<'_>) -> Option<Option<Ref>> {
    let class = match values.kind(used) {
        Kind::Member(member) if !matches!(values.tree(used).kind(member.of), Kind::This) => {
            let ty = values.type_of(&Expr::new(used).with(member.of))?;
            if ty.name == "UITabBarController" {
                return Some(None);
            }
            ty.class?
        }
        _ => values.enclosing_named_class(used)?,
    };
    is_tabs(class, values).then_some(Some(class))
}

/// The tabs of a class, or of the only bar that there is.
fn elements(owner: Option<Ref>, values: &Values<'_>) -> Option<Vec<Expr>> {
    if let Some(class) = owner {
        return Some(tabs_in(class, values)).filter(|tabs| !tabs.is_empty());
    }
    let program = values.program();
    let mut lists = Vec::new();
    for name in ["viewControllers", "setViewControllers"] {
        let uses = program.uses_of_name(name).iter().copied().filter(|&used| is_on_tabs(used, values));
        lists.extend(uses.filter_map(|used| list_set(used, values)));
    }
    match lists.as_slice() {
        [one] => Some(values.elements(one)),
        _ => None,
    }
}

/// Whether a call sets what a navigation controller of the app's own begins with: the first thing that
/// is put into one that was made empty.
pub(super) fn sets_first_root(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let Some(of) = values.tree(at).receiver(call) else { return false };
    let Some(Def::Variable(variable)) = values.meaning(&Expr::new(at).with(of)) else { return false };
    let Some(declared) = values.tree(variable).variable(variable.id) else { return false };
    let init = declared.init.map(|id| Ref { file: variable.file, id });
    let empty = init.is_some_and(|init| {
        code::callee_name(init, values) == "UINavigationController"
            && values.tree(init).call(init.id).is_some_and(|call| {
                call.args.iter().all(|arg| arg.name.as_deref() != Some("rootViewController"))
            })
    });
    let filling = ["setViewControllers", "pushViewController", "viewControllers"];
    let steps = values.steps_of(variable, &declared.name);
    let first = steps.iter().find(|step| filling.contains(&step.name.as_str()));
    empty && first.is_some_and(|step| step.at.at == at)
}
