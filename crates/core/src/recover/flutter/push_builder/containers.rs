//! Widgets that show others of the app side by side or one on the other: tabs, pages, stacks.

use super::route;
use crate::facts::{
    ContainerFact, ContainerKey, Facts, Opened, RedirectFact, RouteFact, ShownBy, Sight, Start, StartFact,
    TargetFact,
};
use crate::model::{RouteKind, Style};
use crate::recover::code;
use crate::recover::flutter::builder::{Shown, leaves};
use crate::recover::flutter::navigator::named;
use crate::syntax::{Id, Kind};
use crate::values::{Expr, Ref, Values};

/// Widgets, the argument that takes what they show, and what that is.
const CONTAINERS: &[(&str, &str, RouteKind)] = &[
    ("CupertinoTabScaffold", "tabBuilder", RouteKind::Tab),
    ("IndexedStack", "children", RouteKind::Tab),
    ("Navigator", "pages", RouteKind::Screen),
    ("PageView", "children", RouteKind::Tab),
    ("TabBarView", "children", RouteKind::Tab),
];

/// How widgets that fill the window are called. What stands in a container may be anything.
const SCREENS: &[&str] = &["Page", "Screen", "Tab", "View"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (name, argument, kind) in CONTAINERS {
        for (at, call) in code::calls(file, values, &[name]) {
            if values.calls_own_function(&Expr::new(at), call) {
                continue;
            }
            let Some(list) = named(at, call, argument) else { continue };
            let shown = shown(&list, values);
            contains(at, &shown, *kind, values, facts);
        }
    }
    chosen_by_number(file, values, facts);
}

/// The screens that a list of widgets, or a builder, comes to.
fn shown(list: &Expr, values: &Values<'_>) -> Vec<Shown> {
    let elements = values.elements(list);
    let all: Vec<Shown> = match elements.is_empty() {
        true => leaves(list, values).shown,
        false => elements.iter().flat_map(|element| leaves(element, values).shown).collect(),
    };
    all.into_iter().filter(|shown| is_named_so(shown.class, values)).collect()
}

fn is_named_so(class: Ref, values: &Values<'_>) -> bool {
    values.class(class).is_some_and(|class| SCREENS.iter().any(|ending| class.name.ends_with(ending)))
}

/// `body: _pages[_index]`: a list of screens of which one is shown.
fn chosen_by_number(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Index { of, .. } = tree.kind(id) else { continue };
        let at = Ref { file, id };
        if !is_widget_argument(at, values) {
            continue;
        }
        let list = Expr::new(at).with(*of);
        let shown: Vec<Shown> = match values.elements(&list).len() {
            0 | 1 => Vec::new(),
            _ => shown(&list, values),
        };
        contains(at, &shown, RouteKind::Tab, values, facts);
    }
}

/// Whether a node is what a widget is put around.
fn is_widget_argument(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let call = tree.node(at.id).parent.and_then(|id| tree.call(id));
    let arg = call.and_then(|call| call.args.iter().find(|arg: &&crate::syntax::Arg| arg.value == at.id));
    arg.is_some_and(|arg| matches!(arg.name.as_deref(), Some("body" | "child")))
}

fn contains(at: Ref, shown: &[Shown], kind: RouteKind, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) = shown.first() else { return };
    let span = values.tree(at).span(id_of_name(at, values));
    let key = ContainerKey(crate::facts::At { file: at.file, span });
    let start = route(first.class, kind, values);
    facts.containers.push(ContainerFact {
        start: Start::Said(vec![StartFact::new(start.name, start.at)]),
        shown_by: ShownBy::App,
        // Of these only one has a stack of its own.
        sight: match code::callee_name(at, values) {
            "Navigator" => Sight::Anywhere,
            _ => Sight::Through,
        },
        sites: vec![at],
        ..ContainerFact::new(key)
    });
    for shown in shown {
        let fact = route(shown.class, kind, values);
        facts.routes.push(RouteFact { container: Some(key), opened: Opened::Inside, ..fact });
        // Whoever sees the container gets to all that is in it.
        let target = TargetFact::Typed(vec![shown.class]);
        facts.redirects.push(RedirectFact { style: Style::PushBuilder, from: None, target });
    }
}

fn id_of_name(at: Ref, values: &Values<'_>) -> Id {
    values.tree(at).call(at.id).map_or(at.id, |call| call.callee)
}
