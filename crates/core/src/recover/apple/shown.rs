//! Which of the app's own views a piece of SwiftUI shows: through containers, modifiers, choices,
//! computed properties and helpers.

use super::views::is_view;
use crate::facts::At;
use crate::syntax::{Call, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// Views in views are followed this deep.
const MAX_DEPTH: usize = 24;

/// A view of the app's own that is shown.
#[derive(Debug, Clone)]
pub(super) struct Shown {
    /// Its type.
    pub(super) class: Ref,
    /// The call that makes it.
    pub(super) made: Expr,
}

/// The views that an expression, a closure or a body comes to: one for each way of a choice, of views
/// side by side the first.
pub(super) fn shown(content: &Expr, values: &Values<'_>) -> Vec<Shown> {
    let mut found = Vec::new();
    collect(content, 0, values, &mut found);
    let mut seen = Vec::new();
    found.retain(|shown: &Shown| {
        !seen.contains(&shown.class) && {
            seen.push(shown.class);
            true
        }
    });
    found
}

fn collect(expr: &Expr, depth: usize, values: &Values<'_>, found: &mut Vec<Shown>) {
    if depth > MAX_DEPTH {
        return;
    }
    match values.kind(expr.at) {
        Kind::Lambda { body, .. } => collect(&expr.with(*body), depth + 1, values, found),
        Kind::Block(items) | Kind::Other(items) => {
            let before = found.len();
            for &item in items {
                collect(&expr.with(item), depth + 1, values, found);
                if found.len() > before {
                    return;
                }
            }
        }
        Kind::Return(Some(value)) => collect(&expr.with(*value), depth + 1, values, found),
        Kind::Branch { arms, .. } => {
            arms.iter().for_each(|arm| collect(&expr.with(arm.body), depth + 1, values, found));
        }
        Kind::Unary { of, .. } | Kind::Cast { of, .. } => collect(&expr.with(*of), depth + 1, values, found),
        // `ItemView.init`, handed over as what makes it.
        Kind::Member(member) if member.name == "init" => {
            if let Some(Def::Class(class)) = values.meaning(&expr.with(member.of))
                && is_view(class, values)
            {
                found.push(Shown { class, made: expr.clone() });
            }
        }
        Kind::Name(_) | Kind::Member(_) => named(expr, depth, values, found),
        Kind::Call(call) => called(expr, call, depth, values, found),
        _ => {}
    }
}

fn named(expr: &Expr, depth: usize, values: &Values<'_>, found: &mut Vec<Shown>) {
    if let Some(Def::Variable(at)) = values.meaning(expr)
        && let Some(getter) = values.tree(at).variable(at.id).and_then(|variable| variable.getter)
    {
        return collect(&Expr::new(Ref { file: at.file, id: getter }), depth + 1, values, found);
    }
    if let Some(behind) = values.value_behind(expr).filter(|behind| behind.at != expr.at) {
        collect(&behind, depth + 1, values, found);
    }
}

fn called(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>, found: &mut Vec<Shown>) {
    if let Some(class) = values.made_class(expr).filter(|&class| is_view(class, values)) {
        // A wrapper of the app's own shows what it is put around.
        let before = found.len();
        let closures = call
            .args
            .iter()
            .filter(|arg| matches!(values.kind(expr.with(arg.value).at), Kind::Lambda { .. }));
        closures.for_each(|arg| collect(&expr.with(arg.value), depth + 1, values, found));
        if found.len() == before {
            found.push(Shown { class, made: expr.clone() });
        }
        return;
    }
    let receiver = values.tree(expr.at).receiver(call).map(|of| expr.with(of));
    let before = found.len();
    if let Some(receiver) = &receiver {
        // A modifier changes what it is called on.
        collect(receiver, depth + 1, values, found);
        if found.len() > before {
            return;
        }
    }
    if let Some(body) = values.called_body(expr) {
        return collect(&body, depth + 1, values, found);
    }
    if receiver.is_none() {
        inside(expr, call, depth, values, found);
    }
}

/// What a container of the platform is put around: the first closure or view that shows something.
fn inside(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>, found: &mut Vec<Shown>) {
    const BESIDE: &[&str] =
        &["label", "action", "header", "footer", "icon", "title", "background", "overlay"];
    let before = found.len();
    for arg in &call.args {
        if arg.name.as_deref().is_some_and(|name| BESIDE.contains(&name)) {
            continue;
        }
        match values.kind(expr.with(arg.value).at) {
            Kind::Lambda { .. } | Kind::Call(_) => collect(&expr.with(arg.value), depth + 1, values, found),
            _ => {}
        }
        if found.len() > before {
            return;
        }
    }
}

/// The place of a class's name.
pub(super) fn class_at(class: Ref, values: &Values<'_>) -> At {
    let span = values.class(class).map_or_else(|| values.tree(class).span(class.id), |c| c.name_span);
    At { file: class.file, span }
}
