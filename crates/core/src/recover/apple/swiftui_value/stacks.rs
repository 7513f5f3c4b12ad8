//! Stacks: what stands in them, and what is done to their paths.

use super::paths;
use crate::facts::{At, ContainerFact, ContainerKey, Facts, MissingStep, ShownBy, Sight, Start};
use crate::model::Style;
use crate::recover::apple::shown::shown;
use crate::recover::apple::variables::{uses, variable_of, with_bindings};
use crate::recover::code;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Values};

/// Containers that push, old and new.
pub(super) const STACKS: &[&str] = &["NavigationStack", "NavigationSplitView", "NavigationView"];

/// Choices in choices are followed this deep.
const MAX_DEPTH: usize = 16;

/// Calls whose closures are shown apart from what is around them.
const APART: &[&str] =
    &["sheet", "fullScreenCover", "popover", "inspector", "navigationDestination", "alert"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, STACKS) {
        if values.calls_own_function(&Expr::new(at), call) {
            continue;
        }
        let key = key_of(at, values);
        let whole = whole(at, call, values);
        let fills = direct(&whole, 0, values);
        // What stands in a list or a row does not fill the stack.
        let views = shown(&whole, values).into_iter().filter(|shown| fills.contains(&shown.made.at));
        facts.containers.push(ContainerFact {
            shown_by: ShownBy::Itself,
            start: Start::OPEN,
            sites: vec![at],
            sight: Sight::AtOrAbove,
            roots: views.map(|shown| values.program().path(shown.class).to_owned()).collect(),
            ..ContainerFact::new(key)
        });
        titles(at, values, facts);
        let path = call.args.iter().find(|arg| arg.name.as_deref() == Some("path"));
        let Some(variable) = path.and_then(|arg| variable_of(&Expr::new(at).with(arg.value), values)) else {
            continue;
        };
        for held in with_bindings(variable, values) {
            for used in uses(held, values) {
                paths::recover(used, key, values, facts);
            }
        }
    }
}

/// What a stack shows first: a split view's panes side by side.
fn whole(at: Ref, call: &Call, values: &Values<'_>) -> Expr {
    let tree = values.tree(at);
    let closures: Vec<_> =
        call.args.iter().filter(|arg| matches!(tree.kind(arg.value), Kind::Lambda { .. })).collect();
    let detail = closures.iter().find(|arg| arg.name.as_deref() == Some("detail"));
    let chosen = detail.or(closures.last()).map_or(at.id, |arg| arg.value);
    Expr::new(Ref { file: at.file, id: chosen })
}

/// The views that a closure comes to, without what is done to them.
fn direct(content: &Expr, depth: usize, values: &Values<'_>) -> Vec<Ref> {
    if depth > MAX_DEPTH {
        return Vec::new();
    }
    let deeper = |inner: &Expr| direct(inner, depth + 1, values);
    match values.kind(content.at) {
        Kind::Lambda { body, .. } => deeper(&content.with(*body)),
        Kind::Block(items) => items.iter().flat_map(|&item| deeper(&content.with(item))).collect(),
        Kind::Return(Some(value)) => deeper(&content.with(*value)),
        Kind::Branch { arms, .. } => arms.iter().flat_map(|arm| deeper(&content.with(arm.body))).collect(),
        Kind::Call(call) => match values.tree(content.at).receiver(call) {
            Some(of) => deeper(&content.with(of)),
            None => vec![content.at],
        },
        _ => vec![content.at],
    }
}

/// A stack's identity: the name that makes it.
pub(super) fn key_of(at: Ref, values: &Values<'_>) -> ContainerKey {
    ContainerKey(code::callee_at(at, values))
}

/// The stack that a node is written in, if it is not shown apart from it.
pub(super) fn around(site: Ref, values: &Values<'_>) -> Option<ContainerKey> {
    let tree = values.tree(site);
    let mut inner = site.id;
    for outer in tree.ancestors(site.id) {
        match tree.kind(outer) {
            Kind::Class(_) | Kind::Function(_) => return None,
            Kind::Call(call) if call.args.iter().any(|arg| arg.value == inner) => {
                let at = Ref { file: site.file, id: outer };
                let name = code::callee_name(at, values);
                if STACKS.contains(&name) {
                    return Some(key_of(at, values));
                }
                if APART.contains(&name) {
                    return None;
                }
            }
            _ => {}
        }
        inner = outer;
    }
    None
}

/// A title belongs to the view in a stack: on the stack itself it is never shown
/// (developer.apple.com, "navigationTitle(_:)").
fn titles(stack: Ref, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(stack);
    let mut inner = stack.id;
    while let Some(member) =
        tree.node(inner).parent.filter(|&up| matches!(tree.kind(up), Kind::Member(m) if m.of == inner))
    {
        let Some(call) =
            tree.node(member).parent.filter(|&up| tree.call(up).is_some_and(|c| c.callee == member))
        else {
            return;
        };
        let at = Ref { file: stack.file, id: call };
        let name = code::callee_name(at, values);
        if matches!(name, "navigationTitle" | "navigationBarTitle") && !is_in_another(stack, values) {
            facts.missing_steps.push(MissingStep {
                what: "this title".to_owned(),
                missing: String::new(),
                effect: "is set on the stack, and the bar of the view in it stays empty".to_owned(),
                mend: "Set it on the view inside the stack.".to_owned(),
                at: code::callee_at(at, values),
            });
        }
        inner = call;
    }
}

/// A stack in another one: its title is the outer one's.
fn is_in_another(stack: Ref, values: &Values<'_>) -> bool {
    around(stack, values).is_some()
}

/// The place that a call or an assignment is reported at.
pub(super) fn place_of(site: Ref, values: &Values<'_>) -> At {
    let tree = values.tree(site);
    match tree.kind(site.id) {
        Kind::Assign { target, .. } => {
            let span = tree.last_name(*target).map_or(tree.span(site.id), |(_, span)| span);
            At { file: site.file, span }
        }
        _ => code::callee_at(site, values),
    }
}

/// What is written in this style.
pub(super) const STYLE: Style = Style::SwiftuiValue;
