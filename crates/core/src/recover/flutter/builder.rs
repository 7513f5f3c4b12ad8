//! What a builder shows: the app's own widget in it, through providers, scaffolds, guards, helpers and
//! choices.

use super::widgets::is_widget;
use crate::facts::{At, Shows};
use crate::recover::code;
use crate::syntax::{Arg, BinaryOp, Call, Kind};
use crate::types::plain_type;
use crate::values::{Datum, Expr, Ref, Values};

/// Wrappers in wrappers are followed this deep.
const MAX_DEPTH: usize = 16;

/// Arguments by which widgets take what they are put around, the likeliest first.
const CHILDREN: &[&str] =
    &["child", "builder", "pageBuilder", "body", "home", "page", "screen", "content", "widget", "children"];

/// A widget of the app's own that is shown.
#[derive(Debug, Clone)]
pub(super) struct Shown {
    /// Its class.
    pub(super) class: Ref,
    /// What makes it: its constructor's call, or the constructor itself.
    pub(super) made: Expr,
}

/// What a builder comes to.
#[derive(Debug, Default)]
pub(super) struct Leaves {
    /// Widgets of the app's own: several where a choice is made.
    pub(super) shown: Vec<Shown>,
    /// Names of parameters that say what is shown.
    pub(super) open: Vec<Expr>,
    /// A widget that is imported from a file of the source's own which is not there.
    pub(super) gone: Option<(String, At)>,
}

impl Leaves {
    /// What a route shows first, with what else it may.
    pub(super) fn shows(self, at: At, values: &Values<'_>) -> (Shows, Vec<String>) {
        let mut paths = self.shown.iter().map(|shown| values.program().path(shown.class).to_owned());
        let absent = || self.gone.clone().map_or(Shows::NotApplicable, |(name, at)| Shows::Absent(name, at));
        let first = paths.next().map_or_else(absent, |path| Shows::Class(path, at));
        (first, paths.collect())
    }
}

/// The widgets that a builder, a route object or a widget comes to.
pub(super) fn leaves(builder: &Expr, values: &Values<'_>) -> Leaves {
    let mut found = Leaves::default();
    collect(builder, 0, values, &mut found);
    let mut seen = Vec::new();
    found.shown.retain(|shown| {
        !seen.contains(&shown.class) && {
            seen.push(shown.class);
            true
        }
    });
    found
}

fn collect(expr: &Expr, depth: usize, values: &Values<'_>, found: &mut Leaves) {
    if depth > MAX_DEPTH {
        return;
    }
    let mut deeper = |inner: &Expr| collect(inner, depth + 1, values, found);
    match values.kind(expr.at) {
        Kind::Lambda { body, .. } => {
            let body = expr.with(*body);
            values.handed_back(&body).iter().for_each(deeper);
        }
        Kind::Block(_) => values.handed_back(expr).iter().for_each(deeper),
        Kind::Return(Some(value)) => deeper(&expr.with(*value)),
        Kind::Branch { arms, .. } => arms.iter().for_each(|arm| match values.kind(expr.with(arm.body).at) {
            Kind::Block(_) => values.handed_back(&expr.with(arm.body)).iter().for_each(&mut deeper),
            _ => deeper(&expr.with(arm.body)),
        }),
        Kind::Unary { of, .. } | Kind::Cast { of, .. } => deeper(&expr.with(*of)),
        Kind::Binary { op, left, right } if *op == BinaryOp::OrElse => {
            deeper(&expr.with(*left));
            deeper(&expr.with(*right));
        }
        Kind::Name(_) | Kind::Member(_) => named(expr, depth, values, found),
        Kind::Index { .. } => values.made_or_handed(expr).iter().for_each(deeper),
        // A constructor handed over whole.
        Kind::Reference { name, .. } => {
            let class = values.class_named(expr.at, name).filter(|&class| is_widget(class, values));
            found.shown.extend(class.map(|class| Shown { class, made: expr.clone() }));
        }
        Kind::Call(call) => called(expr, call, depth, values, found),
        _ => {}
    }
}

fn named(expr: &Expr, depth: usize, values: &Values<'_>, found: &mut Leaves) {
    if let Some(behind) = values.value_behind(expr).filter(|behind| behind.at != expr.at) {
        return collect(&behind, depth + 1, values, found);
    }
    if let Some(function) = values.named_function(expr) {
        let declared = values.tree(function).function(function.id);
        if let Some(body) = declared.and_then(|function| function.body) {
            let body = Expr::new(Ref { file: function.file, id: body });
            values.handed_back(&body).iter().for_each(|inner| collect(inner, depth + 1, values, found));
        }
        return;
    }
    let made = values.made_or_handed(expr);
    if made.is_empty() {
        return found.open.push(expr.clone());
    }
    made.iter().for_each(|made| collect(made, depth + 1, values, found));
}

fn called(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>, found: &mut Leaves) {
    if let Some(class) = values.made_class(expr) {
        // A wrapper of the app's own shows what it is put around.
        if let Some(inside) = inside(expr, call, depth, values) {
            found.shown.extend(inside.shown);
            found.open.extend(inside.open);
        } else if is_widget(class, values) {
            found.shown.push(Shown { class, made: expr.clone() });
        } else {
            route_class(expr, class, depth, values, found);
        }
        return;
    }
    if let Some(body) = values.called_body(expr).or_else(|| values.called_lambda(expr)) {
        values.handed_back(&body).iter().for_each(|inner| collect(inner, depth + 1, values, found));
        return;
    }
    // What a callee is that is no function's own name: `make()`, `builders[key]!(c)`.
    let mut functions = values.made_or_handed(&expr.with(call.callee));
    functions.retain(|made| matches!(values.kind(made.at), Kind::Lambda { .. } | Kind::Reference { .. }));
    if !functions.is_empty() {
        functions.iter().for_each(|function| collect(function, depth + 1, values, found));
    } else if let Some(inside) = inside(expr, call, depth, values) {
        found.shown.extend(inside.shown);
        found.open.extend(inside.open);
    } else if let Some((name, span)) = values.tree(expr.at).callee(call)
        && values.is_of_missing_file(expr.at, name)
    {
        found.gone.get_or_insert_with(|| (name.to_string(), At { file: expr.at.file, span }));
    }
}

/// A route class of the app's own: what it hands to its base, or builds by a method.
fn route_class(made: &Expr, class: Ref, depth: usize, values: &Values<'_>, found: &mut Leaves) {
    let (Some(declared), Some(env)) = (values.class(class), values.made_env(made)) else { return };
    let base = Expr { at: class, env };
    let handed = declared.supers.iter().flat_map(|base| &base.args).filter(|arg| arg.name.is_some());
    let mut handed: Vec<&Arg> = handed.filter(|arg| place_of(arg).is_some()).collect();
    handed.sort_by_key(|arg| place_of(arg));
    let tree = values.tree(class);
    let built = declared.members.iter().filter_map(|&id| tree.function(id)).filter(|function| {
        matches!(function.name.as_str(), "buildPage" | "buildContent" | "build" | "createRoute")
    });
    let bodies = handed.into_iter().map(|arg| arg.value).chain(built.filter_map(|function| function.body));
    for body in bodies {
        collect(&base.with(body), depth + 1, values, found);
        if !found.shown.is_empty() {
            return;
        }
    }
}

/// What stands in the arguments of a call that takes others in: the first of them that has any.
fn inside(expr: &Expr, call: &Call, depth: usize, values: &Values<'_>) -> Option<Leaves> {
    let mut ordered: Vec<&Arg> = call.args.iter().filter(|arg| place_of(arg).is_some()).collect();
    ordered.sort_by_key(|arg| place_of(arg));
    ordered.into_iter().find_map(|arg| {
        let mut leaves = Leaves::default();
        let inner = expr.with(arg.value);
        match values.kind(inner.at) {
            Kind::List(_) => {
                let elements = values.elements(&inner);
                elements.iter().for_each(|element| {
                    if leaves.shown.is_empty() {
                        collect(element, depth + 1, values, &mut leaves);
                    }
                });
                leaves.open.clear();
            }
            _ => collect(&inner, depth + 1, values, &mut leaves),
        }
        // A child that is a local builder's own parameter says nothing.
        // By place, it must be known to be one.
        leaves.open.retain(|open| is_passed_in(open, values) && (arg.name.is_some() || builds(open, values)));
        (!leaves.shown.is_empty() || !leaves.open.is_empty()).then_some(leaves)
    })
}

fn place_of(arg: &Arg) -> Option<usize> {
    match &arg.name {
        Some(name) => CHILDREN.iter().position(|known| known == name),
        None => Some(CHILDREN.len()),
    }
}

/// Whether a name is the parameter of a function that has a name, or what a widget is made with: those
/// who call or make it say what it is.
fn is_passed_in(expr: &Expr, values: &Values<'_>) -> bool {
    values.eval(expr).iter().any(|value| match value.datum {
        Datum::Parameter(at) => {
            let tree = values.tree(at);
            let holder = tree.node(at.id).parent.map(|id| tree.kind(id));
            matches!(holder, Some(Kind::Function(_) | Kind::Class(_))) && may_build(expr, values)
        }
        _ => false,
    })
}

/// Whether something is a widget or builds one, by its type.
fn builds(expr: &Expr, values: &Values<'_>) -> bool {
    values.type_of(expr).is_some_and(|ty| match ty.class {
        Some(class) => is_widget(class, values),
        None => ["Widget", "Builder", "Route", "Function"].iter().any(|end| ty.name.ends_with(end)),
    })
}

/// Whether something may be a widget or build one: by its type, no text, number or object of the app's
/// own. What is taken from another object must say so.
fn may_build(expr: &Expr, values: &Values<'_>) -> bool {
    match values.type_of(expr) {
        Some(ty) => match ty.class {
            Some(class) => is_widget(class, values),
            None => plain_type(&ty.name).is_none(),
        },
        None => matches!(values.kind(expr.at), Kind::Name(_)),
    }
}

/// The place of a class's name.
pub(super) fn class_at(class: Ref, values: &Values<'_>) -> At {
    let span = values.class(class).map_or_else(|| values.tree(class).span(class.id), |c| c.name_span);
    At { file: class.file, span }
}

/// The lambda or function body that a callback argument is, with the places of its parameters.
pub(super) fn callback(expr: &Expr, values: &Values<'_>) -> Option<(Vec<Ref>, Expr)> {
    let at = code::seen_through(expr, values);
    let at = match values.kind(at.at) {
        Kind::Lambda { .. } => at,
        _ => values.value_behind(&at).unwrap_or(at),
    };
    if let Kind::Lambda { params, body } = values.kind(at.at) {
        let params = params.iter().map(|&id| Ref { file: at.at.file, id }).collect();
        return Some((params, at.with(*body)));
    }
    let function_at = values.named_function(&at)?;
    let function = values.tree(function_at).function(function_at.id)?;
    let params = function.params.iter().map(|&id| Ref { file: function_at.file, id }).collect();
    let body = Ref { file: function_at.file, id: function.body? };
    Some((params, Expr { at: body, env: at.env.clone() }))
}

/// What is built, where a function with a name builds it.
pub(super) fn body_of(content: &Expr, values: &Values<'_>) -> Ref {
    match values.kind(content.at) {
        Kind::Name(_) | Kind::Member(_) => callback(content, values).map_or(content.at, |(_, body)| body.at),
        _ => content.at,
    }
}
