//! What an app shows first: its main page, or the page of its window
//! (learn.microsoft.com, "App lifecycle", "Windows").

use super::pages::{pages_of, route};
use super::stackless;
use crate::facts::{At, Facts, Opened, RouteFact};
use crate::model::RouteKind;
use crate::recover::code;
use crate::recover::xaml::is_kind;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

/// Functions in which an application sets its first page.
const LAUNCHING: &[&str] = &["<init>", "CreateWindow", "OnStart", "OnInitialized"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        if let Kind::Assign { target, value, .. } = tree.kind(id)
            && is_root(&Expr::new(at).with(*target), values)
            && is_launch(at, values)
        {
            starts(&Expr::new(at).with(*value), values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["Window"]) {
        let first = call.arg("page", 0).filter(|_| call.new);
        if let Some(first) = first.filter(|_| is_launch(at, values)) {
            starts(&Expr::new(at).with(first), values, facts);
        }
    }
}

fn starts(page: &Expr, values: &Values<'_>, facts: &mut Facts) {
    for page in pages_of(page, values) {
        stackless::shown(&page, false, values, facts);
        let fact = route(page.class, RouteKind::Screen, values);
        facts.routes.push(RouteFact { opened: Opened::AtLaunch, ..fact });
    }
}

/// Whether an expression is what an app's window shows: `MainPage`, `Windows[0].Page`.
pub(super) fn is_root(target: &Expr, values: &Values<'_>) -> bool {
    match values.kind(target.at) {
        Kind::Name(name) if name == "MainPage" => in_application(target.at, values),
        Kind::Member(member) if member.name == "MainPage" => {
            let of = target.with(member.of);
            match values.kind(of.at) {
                Kind::This => in_application(target.at, values),
                _ => is_application(&of, values),
            }
        }
        Kind::Member(member) if member.name == "Page" => is_window(&target.with(member.of), values),
        _ => false,
    }
}

fn in_application(at: Ref, values: &Values<'_>) -> bool {
    values.enclosing_named_class(at).is_some_and(|class| is_kind(class, "Application", values))
}

/// `Application.Current`, `App.Current`, and what they are cast to.
fn is_application(of: &Expr, values: &Values<'_>) -> bool {
    match values.kind(of.at) {
        Kind::Member(member) => member.name == "Current",
        Kind::Unary { of: inner, .. } | Kind::Cast { of: inner, .. } => {
            is_application(&of.with(*inner), values)
        }
        _ => values.type_of(of).is_some_and(|ty| match ty.class {
            Some(class) => is_kind(class, "Application", values),
            None => ty.name == "Application",
        }),
    }
}

/// `Windows[0]`, and what is typed as a window.
fn is_window(of: &Expr, values: &Values<'_>) -> bool {
    match values.kind(of.at) {
        Kind::Index { of: list, .. } => {
            values.tree(of.at).last_name(*list).is_some_and(|(name, _)| name == "Windows")
        }
        Kind::Unary { of: inner, .. } => is_window(&of.with(*inner), values),
        _ => values.type_of(of).is_some_and(|ty| ty.class.is_none() && ty.name == "Window"),
    }
}

/// Whether an application shows its first page here.
pub(super) fn is_launch(at: Ref, values: &Values<'_>) -> bool {
    let function = values.enclosing_function(at);
    let name = function.and_then(|at| values.tree(at).function(at.id)).map(|f| f.name.as_str());
    name.is_some_and(|name| LAUNCHING.contains(&name)) && in_application(at, values)
}

/// Whether an expression is what a page with a flyout shows beside it.
pub(super) fn is_detail(target: &Expr, values: &Values<'_>) -> bool {
    let kinds = ["FlyoutPage", "MasterDetailPage"];
    let is = |class: Ref| kinds.iter().any(|kind| is_kind(class, kind, values));
    match values.kind(target.at) {
        Kind::Name(name) => name == "Detail" && values.enclosing_named_class(target.at).is_some_and(is),
        Kind::Member(member) if member.name == "Detail" => {
            let of = target.with(member.of);
            match values.kind(of.at) {
                Kind::This => values.enclosing_named_class(target.at).is_some_and(is),
                _ => values.type_of(&of).is_some_and(|ty| match ty.class {
                    Some(class) => is(class),
                    None => kinds.contains(&ty.name.as_str()),
                }),
            }
        }
        _ => false,
    }
}

/// Whether a node stands where an object of its class is made.
pub(super) fn is_made_here(at: Ref, values: &Values<'_>) -> bool {
    let function = values.enclosing_function(at);
    function.and_then(|at| values.tree(at).function(at.id)).is_some_and(|f| f.name == "<init>")
}

/// Whether a node sets what a window shows.
pub(super) fn is_root_assigned(at: Ref, values: &Values<'_>) -> bool {
    match values.kind(at) {
        Kind::Assign { target, .. } => is_root(&Expr::new(at).with(*target), values),
        _ => false,
    }
}

/// The callee's last name, or what is assigned to.
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
