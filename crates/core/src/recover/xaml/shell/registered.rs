//! Pages that code registers by a name.

use super::{STYLE, receives, shells};
use crate::facts::{At, Facts, Opened, RouteFact, Shows, Takes, UnreadFact};
use crate::model::RouteKind;
use crate::recover::code;
use crate::recover::xaml::said;
use crate::syntax::{Call, Kind, TypeName, UnaryOp};
use crate::values::{Expr, Ref, Values};

/// Functions that register a page by a name and enlist it at once.
const WITH_SERVICE: &[&str] =
    &["AddScopedWithShellRoute", "AddSingletonWithShellRoute", "AddTransientWithShellRoute"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["RegisterRoute"]) {
        let tree = values.tree(at);
        let of = tree.receiver(call).and_then(|of| tree.last_name(of));
        let [name, page, ..] = call.args.as_slice() else { continue };
        if of.is_none_or(|(name, _)| name != "Routing") {
            continue;
        }
        let here = Expr::new(at);
        let before = facts.routes.len();
        if let Kind::ClassOf(ty) = tree.kind(page.value) {
            for (site, ty) in said::types(at, ty, values) {
                facts.routes.extend(route(site, &here.with(name.value), &ty, values));
            }
        } else {
            facts.routes.extend(of_table(at, &here.with(name.value), &here.with(page.value), values));
        }
        if facts.routes.len() == before {
            // Any name may be a route.
            facts.unread.push(UnreadFact { style: STYLE, container: None, at: code::callee_at(at, values) });
        }
    }
    for (at, call) in code::calls(file, values, WITH_SERVICE) {
        if let ([page, ..], [name, ..]) = (call.types.as_slice(), call.args.as_slice()) {
            facts.routes.extend(route(at, &Expr::new(at).with(name.value), page, values));
        }
    }
    for (at, call) in code::calls(file, values, &["ShellContent"]) {
        facts.routes.extend(made(at, call, values));
    }
}

/// What a loop over a table registers, one a round.
fn of_table(at: Ref, name: &Expr, page: &Expr, values: &Values<'_>) -> Vec<RouteFact> {
    let rounds = values.in_rounds(&Expr::new(at));
    let each = rounds.iter().filter_map(|round| {
        let (name, page) = (round.with(name.at.id), round.with(page.at.id));
        let shown = values.built(&page).root;
        let Kind::ClassOf(ty) = values.kind(shown.at) else { return None };
        declared(values.plain_text(&name)?, ty, code::node_at(shown.at, values), shown.at, values)
    });
    each.collect()
}

fn route(site: Ref, name: &Expr, ty: &TypeName, values: &Values<'_>) -> Option<RouteFact> {
    let by_type = match values.kind(name.at) {
        Kind::Member(member) => matches!(values.kind(name.with(member.of).at), Kind::ClassOf(_)),
        Kind::Unary { op, .. } => *op == UnaryOp::NameOf,
        _ => false,
    };
    let text = if by_type { ty.simple().to_owned() } else { values.plain_text(name)? };
    let at = code::callee_at(site, values);
    declared(text, ty, at, site, values)
}

fn declared(name: String, ty: &TypeName, at: At, site: Ref, values: &Values<'_>) -> Option<RouteFact> {
    let class = values.class_named(site, &ty.name);
    let taken = class.map(|class| receives::parameters(class, values)).unwrap_or_default();
    let path = class.map(|class| values.program().path(class).to_owned());
    let shell = shells::shell(at.file, values);
    Some(RouteFact {
        shows: path.map_or(Shows::NotApplicable, |path| Shows::Class(path, at)),
        container: shell.map(|shell| shells::beside(&shell)),
        parameters: taken.declared,
        takes: Takes::as_read_if(taken.by_reads),
        ..RouteFact::new(STYLE, RouteKind::Screen, name, at)
    })
}

/// `new ShellContent { Route = "shelf", ContentTemplate = new DataTemplate(typeof(ShelfPage)) }`.
fn made(at: Ref, call: &Call, values: &Values<'_>) -> Option<RouteFact> {
    let here = Expr::new(at);
    let set = |name: &str| {
        let arg = call.args.iter().find(|arg| arg.name.as_deref() == Some(name))?;
        Some(here.with(arg.value))
    };
    let template = set("ContentTemplate").or_else(|| set("Content"))?;
    let made = values.tree(at).call(template.at.id)?;
    let first = made.args.first().map(|arg| values.kind(here.with(arg.value).at));
    let ty = match first {
        Some(Kind::ClassOf(ty)) => ty.clone(),
        _ => TypeName { name: values.tree(at).dotted(made.callee)?.into(), ..TypeName::default() },
    };
    let name = set("Route").and_then(|name| values.plain_text(&name));
    let name = name.unwrap_or_else(|| ty.simple().to_owned());
    let route = declared(name, &ty, code::callee_at(at, values), at, values)?;
    let shell = shells::shell(at.file, values);
    let container = shell.map(|shell| shells::content(&shell));
    // The shell shows it without a call.
    Some(RouteFact { container, opened: Opened::AtLaunch, ..route })
}
