//! Entries: `entry<Item> { key -> … }` in a provider, and a choice over keys that makes them.

use super::keys::{class_of_entry, classes, is_at_hand};
use super::stacks::{key_of, only_display};
use crate::facts::{At, ContainerKey, Facts, RouteFact, Shows};
use crate::model::{RouteKind, Style};
use crate::recover::android::code;
use crate::recover::android::compose::{path, shown, unmarked};
use crate::recover::constructor::parameters;
use crate::syntax::{BinaryOp, Call, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// Builders and variables that hold providers are followed this deep.
const MAX_DEPTH: usize = 8;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["entry"]) {
        let Some(class) = class_of_entry(at, call, values) else { continue };
        let place = code::callee_at(at, values);
        facts.routes.push(RouteFact { ..route(at, call, class, place, values) });
        // What a saved stack holds is written down.
        if values.program().calls_named("rememberNavBackStack").is_empty() || is_marked_above(class, values) {
            continue;
        }
        let effect = "the app stops when the stack is saved";
        facts.missing_steps.extend(unmarked(class, effect, place, values));
    }
    for (at, call) in code::calls(file, values, &["NavEntry"]) {
        if !values.calls_own_function(&Expr::new(at), call) && is_at_hand(file, values) {
            chosen(at, call, values, facts);
        }
    }
}

/// A base with the mark saves for its cases, as far as the compiler checks it.
fn is_marked_above(class: Ref, values: &Values<'_>) -> bool {
    values
        .lineage(class)
        .into_iter()
        .skip(1)
        .filter_map(|base| values.class(base))
        .any(|base| base.annotations.iter().any(|annotation| annotation.name.ends_with("Serializable")))
}

fn route(at: Ref, call: &Call, class: Ref, place: At, values: &Values<'_>) -> RouteFact {
    let content = call.args.iter().find(|arg| arg.name.as_deref() == Some("content")).or(call.args.last());
    let content = content.map(|arg| Ref { file: at.file, id: arg.value });
    let content = content
        .filter(|&content| matches!(values.kind(content), Kind::Lambda { .. } | Kind::Reference { .. }));
    let screen = content.and_then(|content| shown(&Expr::new(content), values));
    RouteFact {
        shows: screen.map_or(Shows::NotApplicable, |screen| Shows::Class(path(screen, values), place)),
        container: display_of(at, 0, values).or_else(|| only_display(values)),
        parameters: parameters(class, values),
        class: Some(class),
        content,
        ..RouteFact::new(Style::ComposeStack, kind_of(call, at, values), values.class_path(class), place)
    }
}

/// How an entry is shown, by its metadata: `DialogSceneStrategy.dialog()`.
fn kind_of(call: &Call, at: Ref, values: &Values<'_>) -> RouteKind {
    let metadata = call.args.iter().find(|arg| arg.name.as_deref() == Some("metadata"));
    let mut todo: Vec<Id> = metadata.map(|arg| arg.value).into_iter().collect();
    let tree = values.tree(at);
    while let Some(id) = todo.pop() {
        match tree.call(id).and_then(|call| tree.callee(call)).map(|(name, _)| name.as_str()) {
            Some("dialog") => return RouteKind::Dialog,
            Some("bottomSheet") => return RouteKind::Sheet,
            _ => todo.extend(tree.kind(id).children()),
        }
    }
    RouteKind::Screen
}

/// `when (key) { is Item -> NavEntry(key) { … } }`: an arm of a choice over keys, once for each type.
fn chosen(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let mut inner = at.id;
    for outer in tree.ancestors(at.id) {
        match tree.kind(outer) {
            Kind::Branch { arms, .. } => {
                let Some(arm) = arms.iter().find(|arm| arm.body == inner) else { return };
                for &test in &arm.tests {
                    let Some((class, span)) = tested(Ref { file: at.file, id: test }, values) else {
                        continue;
                    };
                    facts.routes.push(route(at, call, class, At { file: at.file, span }, values));
                }
                if arm.tests.is_empty() {
                    let fallback = RouteFact::new(
                        Style::ComposeStack,
                        RouteKind::Fallback,
                        "default".to_owned(),
                        code::callee_at(at, values),
                    );
                    let container = display_of(at, 0, values).or_else(|| only_display(values));
                    facts.routes.push(RouteFact { container, ..fallback });
                }
                return;
            }
            Kind::Function(_) | Kind::Class(_) | Kind::Lambda { .. } => return,
            _ => inner = outer,
        }
    }
}

/// The type that a test asks for, `is Item` or `Shelf`, and where it is named.
fn tested(test: Ref, values: &Values<'_>) -> Option<(Ref, crate::model::Span)> {
    let tree = values.tree(test);
    match tree.kind(test.id) {
        Kind::Binary { op: BinaryOp::Is, right, .. } => tested(Ref { file: test.file, id: *right }, values),
        Kind::ClassOf(ty) => Some((values.class_named(test, &ty.name)?, tree.span(test.id))),
        _ => {
            let class = classes(&Expr::new(test), values).first().copied()?;
            Some((class, tree.span(test.id)))
        }
    }
}

/// The display that shows what is written at a node: the one it is written in, or the one whose provider
/// calls the builder, or takes the variable, that it is written in.
fn display_of(at: Ref, depth: usize, values: &Values<'_>) -> Option<ContainerKey> {
    let tree = values.tree(at);
    for outer in tree.ancestors(at.id) {
        let here = Ref { file: at.file, id: outer };
        match tree.kind(outer) {
            Kind::Call(call)
                if code::callee_name(here, values) == "NavDisplay"
                    && !values.calls_own_function(&Expr::new(here), call) =>
            {
                return Some(key_of(here, values));
            }
            Kind::Function(_) if depth < MAX_DEPTH => {
                let uses = values.uses(here);
                return uses.into_iter().find_map(|used| display_of(used, depth + 1, values));
            }
            Kind::Variable(variable) if depth < MAX_DEPTH => {
                let uses = values.program().uses_in(at.file, &variable.name).iter().copied();
                let mut uses = uses.filter(|used| !tree.span(outer).holds(tree.span(used.id)));
                return uses.find_map(|used| display_of(used, depth + 1, values));
            }
            _ => {}
        }
    }
    None
}
