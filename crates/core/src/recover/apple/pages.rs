//! What an expression shows when it is pushed, presented or held: the app's own controller, a view in a
//! hosting controller, a scene, through containers, factories and casts.

use super::controllers::{CONTAINERS, is_container, is_controller, is_controller_name, is_tabs};
use super::scenes::{At2, Board, initial};
use super::shown::shown;
use crate::syntax::{AssignOp, Call, Id, Kind};
use crate::values::{Def, Expr, Ref, Step, Values};

/// Controllers in controllers are followed this deep.
const MAX_DEPTH: usize = 16;

/// What is shown.
#[derive(Debug, Clone)]
pub(super) struct Page {
    /// What it is.
    pub(super) what: What,
    /// What makes it.
    pub(super) made: Expr,
    /// What was set on it.
    pub(super) steps: Vec<Step>,
    /// It stands in a navigation controller of its own.
    pub(super) wrapped: bool,
    /// What else it may be, where a choice is made.
    pub(super) also: Vec<Page>,
}

/// Kinds of pages.
#[derive(Debug, Clone)]
pub(super) enum What {
    /// A controller of the app's own.
    Class(Ref),
    /// A SwiftUI view of the app's own, in a controller of the platform.
    View(Ref),
    /// A scene by identifier: the identifier, and its storyboard's name where it is said.
    Identified(Expr, Option<Expr>),
    /// What a storyboard shows first: its name.
    Initial(Expr),
    /// A controller of the platform: an alert, a share sheet.
    Platform,
    /// Not known from here.
    Unknown,
}

/// What an expression shows.
pub(super) fn page(expr: &Expr, values: &Values<'_>) -> Page {
    follow(expr, Vec::new(), 0, values)
}

fn follow(expr: &Expr, steps: Vec<Step>, depth: usize, values: &Values<'_>) -> Page {
    let unknown =
        |steps| Page { what: What::Unknown, made: expr.clone(), steps, wrapped: false, also: Vec::new() };
    if depth > MAX_DEPTH {
        return unknown(steps);
    }
    match values.kind(expr.at) {
        Kind::Unary { of, .. } => follow(&expr.with(*of), steps, depth + 1, values),
        Kind::Cast { of, ty, .. } => {
            let found = follow(&expr.with(*of), steps, depth + 1, values);
            // What it is said to be is all that is known of it.
            let class = values.class_named(expr.at, &ty.name);
            match (&found.what, class.filter(|&class| is_controller(class, values))) {
                (What::Unknown, Some(class)) if !is_container(class, values) => {
                    Page { what: What::Class(class), ..found }
                }
                _ => found,
            }
        }
        Kind::Name(_) | Kind::Member(_) => named(expr, steps, depth, values),
        Kind::Call(call) => called(expr, call, steps, depth, values),
        Kind::Branch { .. } => {
            let ways = values.ways_taken(expr).into_iter().map(|way| expr.with(way)).collect();
            any_of(ways, steps.clone(), depth, values).unwrap_or_else(|| unknown(steps))
        }
        Kind::Block(items) => {
            let mut ways = values.handed_back(expr);
            if ways.is_empty() {
                ways.extend(items.last().map(|&id| expr.with(id)));
            }
            any_of(ways, steps.clone(), depth, values).unwrap_or_else(|| unknown(steps))
        }
        Kind::Return(Some(value)) => follow(&expr.with(*value), steps, depth + 1, values),
        _ => unknown(steps),
    }
}

/// What one of several ways shows, with what the others do; those of which nothing is known say nothing.
fn any_of(ways: Vec<Expr>, steps: Vec<Step>, depth: usize, values: &Values<'_>) -> Option<Page> {
    let mut pages: Vec<Page> = Vec::new();
    for page in ways.iter().map(|way| follow(way, steps.clone(), depth + 1, values)) {
        let same = |known: &Page| matches!((&known.what, &page.what), (What::Class(a), What::Class(b)) | (What::View(a), What::View(b)) if a == b);
        if !pages.iter().any(same) {
            pages.push(page);
        }
    }
    pages.sort_by_key(|page| matches!(page.what, What::Unknown | What::Platform));
    let mut pages = pages.into_iter();
    let first = pages.next()?;
    let also = pages.flat_map(|mut page| {
        let more = std::mem::take(&mut page.also);
        std::iter::once(page).chain(more)
    });
    let also = also.filter(|page| matches!(page.what, What::Class(_) | What::View(_))).collect::<Vec<_>>();
    Some(Page { also: first.also.iter().cloned().chain(also).collect(), ..first })
}

/// What a computed property, or a call of what a list or a variable holds, makes.
fn made_by(expr: &Expr, steps: &[Step], depth: usize, values: &Values<'_>) -> Option<Page> {
    let mut made = values.made_or_handed(expr);
    made.retain(|made| !matches!(values.kind(made.at), Kind::Lambda { .. } | Kind::Reference { .. }));
    any_of(made, steps.to_vec(), depth, values)
}

fn named(expr: &Expr, mut steps: Vec<Step>, depth: usize, values: &Values<'_>) -> Page {
    if let Some(Def::Variable(at)) = values.meaning(expr)
        && let Some(variable) = values.tree(at).variable(at.id)
    {
        let name = variable.name.clone();
        steps.extend(values.steps_of(at, &name));
        if variable.getter.is_some()
            && let Some(page) = made_by(expr, &steps, depth, values)
        {
            return page;
        }
        if let Some(behind) = values.value_behind(expr).filter(|behind| behind.at != expr.at) {
            return follow(&behind, steps, depth + 1, values);
        }
        // One of several, or set elsewhere: what it is declared as.
        let class =
            values.type_of(expr).and_then(|ty| ty.class).filter(|&class| is_controller(class, values));
        let what = class.filter(|&class| !is_container(class, values)).map_or(What::Unknown, What::Class);
        return Page { what, made: expr.clone(), steps, wrapped: false, also: Vec::new() };
    }
    match values.value_behind(expr).filter(|behind| behind.at != expr.at) {
        Some(behind) => follow(&behind, steps, depth + 1, values),
        None => {
            let platform = values.type_of(expr).is_some_and(|ty| {
                ty.class.is_none() && is_controller_name(&ty.name) && ty.name != "UIViewController"
            });
            let what = if platform { What::Platform } else { What::Unknown };
            Page { what, made: expr.clone(), steps, wrapped: false, also: Vec::new() }
        }
    }
}

fn called(expr: &Expr, call: &Call, mut steps: Vec<Step>, depth: usize, values: &Values<'_>) -> Page {
    let tree = values.tree(expr.at);
    let page = |what, steps| Page { what, made: expr.clone(), steps, wrapped: false, also: Vec::new() };
    if let Kind::Lambda { body, .. } = tree.kind(call.callee) {
        return follow(&expr.with(*body), steps, depth + 1, values);
    }
    if let Some(class) = values.made_class(expr) {
        if !is_controller(class, values) {
            return page(What::Unknown, steps);
        }
        if is_tabs(class, values) {
            let first = tabs_in(class, values).into_iter().next();
            return first.map_or_else(
                || page(What::Unknown, Vec::new()),
                |first| Page { wrapped: true, ..follow(&first, Vec::new(), depth + 1, values) },
            );
        }
        if is_container(class, values) {
            return contained(expr, call, &steps, depth, values);
        }
        return page(What::Class(class), steps);
    }
    if let Some(body) = values.called_body(expr) {
        return follow(&body, steps, depth + 1, values);
    }
    if let Some(page) = made_by(expr, &steps, depth, values) {
        return page;
    }
    let Some((name, _)) = tree.callee(call) else { return page(What::Unknown, steps) };
    let arg = |label: &str| {
        let found = call.args.iter().find(|arg| arg.name.as_deref() == Some(label))?;
        Some(expr.with(found.value))
    };
    match name.as_str() {
        "instantiateViewController" => match arg("withIdentifier").or_else(|| arg("identifier")) {
            Some(identifier) => page(What::Identified(identifier, board_named(expr, call, values)), steps),
            None => page(What::Unknown, steps),
        },
        "instantiateInitialViewController" => match board_named(expr, call, values) {
            Some(name) => page(What::Initial(name), steps),
            None => page(What::Unknown, steps),
        },
        "UIHostingController" => {
            let view = arg("rootView").and_then(|view| shown(&view, values).into_iter().next());
            match view {
                Some(view) => Page {
                    what: What::View(view.class),
                    made: view.made,
                    steps,
                    wrapped: false,
                    also: Vec::new(),
                },
                None => page(What::Unknown, steps),
            }
        }
        name if CONTAINERS.contains(&name) => {
            let own = values.built(expr).steps;
            steps.extend(own);
            contained(expr, call, &steps, depth, values)
        }
        name if is_controller_name(name) || name == "UIAlertController" => page(What::Platform, steps),
        name if name.starts_with(char::is_uppercase) && name.ends_with("Controller") => {
            page(What::Platform, steps)
        }
        _ => page(What::Unknown, steps),
    }
}

/// What a container made here shows first: what it is made with, else what is put into it.
fn contained(expr: &Expr, call: &Call, steps: &[Step], depth: usize, values: &Values<'_>) -> Page {
    let navigates = values.tree(expr.at).callee(call).is_none_or(|(name, _)| name != "UITabBarController");
    let root = call.args.iter().find(|arg| arg.name.as_deref() == Some("rootViewController"));
    let root = root.map(|arg| expr.with(arg.value)).or_else(|| put_in(steps, navigates, values));
    match root {
        Some(root) => Page { wrapped: true, ..follow(&root, Vec::new(), depth + 1, values) },
        None => Page {
            what: What::Unknown,
            made: expr.clone(),
            steps: Vec::new(),
            wrapped: true,
            also: Vec::new(),
        },
    }
}

/// The first thing that is put into a container.
fn put_in(steps: &[Step], navigates: bool, values: &Values<'_>) -> Option<Expr> {
    steps.iter().find_map(|step| {
        let first = step.args.first()?;
        match step.name.as_str() {
            "viewControllers" | "setViewControllers" => {
                let elements = values.elements(first);
                if navigates { elements.last().cloned() } else { elements.first().cloned() }
            }
            "pushViewController" => Some(first.clone()),
            _ => None,
        }
    })
}

/// The tabs that a class of the app's own sets up for itself.
pub(super) fn tabs_in(class: Ref, values: &Values<'_>) -> Vec<Expr> {
    for file in values.files_of(class) {
        let tree = values.program().tree(file);
        for name in ["viewControllers", "setViewControllers"] {
            for &used in values.program().uses_in(file, name) {
                let own = values.enclosing_named_class(used) == Some(class);
                let Some(list) = list_set(used, values).filter(|_| own && is_own_member(tree, used.id))
                else {
                    continue;
                };
                let elements = values.elements(&list);
                if !elements.is_empty() {
                    return elements;
                }
            }
        }
    }
    Vec::new()
}

/// `viewControllers = …`, `self.viewControllers = …`, `setViewControllers(…)`.
fn is_own_member(tree: &crate::syntax::Tree, id: Id) -> bool {
    match tree.kind(id) {
        Kind::Name(_) => true,
        Kind::Member(member) => matches!(tree.kind(member.of), Kind::This | Kind::Super),
        _ => false,
    }
}

/// The list that a mention of a container's controllers sets.
pub(super) fn list_set(used: Ref, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(used);
    let outer = tree.node(used.id).parent?;
    let at = |id| Expr::new(Ref { file: used.file, id });
    match tree.kind(outer) {
        Kind::Assign { target, value, op } if *target == used.id && *op == AssignOp::Set => Some(at(*value)),
        Kind::Call(call) if call.callee == used.id => call.args.first().map(|arg| at(arg.value)),
        _ => None,
    }
}

/// The name of the storyboard that a call is made on; `None` for the caller's own.
fn board_named(expr: &Expr, call: &Call, values: &Values<'_>) -> Option<Expr> {
    let of = expr.with(values.tree(expr.at).receiver(call)?);
    let mut of = of;
    for _ in 0..MAX_DEPTH {
        match values.kind(of.at) {
            Kind::Unary { of: inner, .. } => of = of.with(*inner),
            Kind::Call(made) => {
                let name = made.args.iter().find(|arg| arg.name.as_deref() == Some("name"));
                return match name {
                    Some(arg) => Some(of.with(arg.value)),
                    None => {
                        of = values.handed_back(&values.called_body(&of)?).into_iter().next()?;
                        continue;
                    }
                };
            }
            Kind::Name(_) | Kind::Member(_) => {
                let behind = values.value_behind(&of).filter(|behind| behind.at != of.at)?;
                of = behind;
            }
            _ => return None,
        }
    }
    None
}

/// The storyboard of a name.
pub(super) fn board_of(name: &Expr, boards: &[Board], values: &Values<'_>) -> Option<usize> {
    let name = values.plain_text(name)?;
    boards.iter().position(|board| board.name == name)
}

/// What a storyboard of a name shows first.
pub(super) fn initial_of(name: &Expr, boards: &[Board], values: &Values<'_>) -> Option<At2> {
    initial(boards, board_of(name, boards, values)?)
}
