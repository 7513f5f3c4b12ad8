//! Routes that annotations declare: the class is the route, its constructor says what it takes.

use super::tree::leads_on;
use crate::facts::{Facts, Order, ParameterFact, ReadFact, RouteFact, RouteKey, Shows};
use crate::model::{RouteKind, Style, Via};
use crate::recover::code;
use crate::recover::constructor::parameters;
use crate::recover::flutter::builder::{class_at, leaves};
use crate::recover::flutter::location::{joined, pattern};
use crate::syntax::{Annotation, Arg, TypeName};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(class) = tree.class(id) else { continue };
        let at = Ref { file, id };
        for note in class.annotations.iter().filter(|note| is_declaring(&note.name)) {
            let Annotation { name, types, args } = note;
            let top = Above { path: String::new(), route: None, depth: 0 };
            declared(name, types, args, &Expr::new(at), &top, values, facts);
            super::stale::check(at, note, values, facts);
        }
    }
}

fn is_declaring(name: &str) -> bool {
    let name = name.rsplit('.').next().unwrap_or(name);
    matches!(
        name,
        "TypedGoRoute"
            | "TypedShellRoute"
            | "TypedStatefulShellRoute"
            | "TypedStatefulShellBranch"
            | "TypedRelativeGoRoute"
    )
}

/// Whether a class is a typed route.
pub(super) fn is_typed(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base.ends_with("GoRouteData"))
}

struct Above {
    path: String,
    route: Option<RouteKey>,
    depth: usize,
}

/// One annotation, or one of those that are written inside it.
fn declared(
    name: &str,
    types: &[TypeName],
    args: &[Arg],
    at: &Expr,
    above: &Above,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    if above.depth > 16 {
        return;
    }
    let arg =
        |name: &str| args.iter().find(|arg| arg.name.as_deref() == Some(name)).map(|arg| at.with(arg.value));
    let mut below = Above { path: above.path.clone(), route: above.route, depth: above.depth + 1 };
    if name.ends_with("GoRoute")
        && let Some(class) = types.first().and_then(|ty| values.class_named(at.at, &ty.name))
        && let Some(path) = arg("path").and_then(|path| values.plain_text(&path))
    {
        let path = joined(&above.path, &pattern(&path));
        let fact = route(class, &path, above.route, facts.routes.len(), values);
        below.route = Some(RouteKey(fact.at));
        below.path = path;
        reads(class, &fact, values, facts);
        if let Some(redirect) = method(class, "redirect", values) {
            leads_on_from(&redirect, RouteKey(fact.at), values, facts);
        }
        facts.routes.push(fact);
    }
    for list in ["routes", "branches"].iter().filter_map(|name| arg(name)) {
        for element in values.elements(&list) {
            let tree = values.tree(element.at);
            let Some(call) = tree.call(element.at.id) else { continue };
            if let Some((name, _)) = tree.callee(call).filter(|(name, _)| is_declaring(name)) {
                declared(name, &call.types, &call.args, &element, &below, values, facts);
            }
        }
    }
}

fn route(class: Ref, path: &str, parent: Option<RouteKey>, order: usize, values: &Values<'_>) -> RouteFact {
    let at = class_at(class, values);
    let name = values.class(class).map(|c| c.name.to_string()).unwrap_or_default();
    let body = method(class, "build", values).or_else(|| method(class, "buildPage", values));
    let shown = body.as_ref().map(|body| leaves(body, values).shown).unwrap_or_default();
    let mut paths = shown.into_iter().map(|shown| values.program().path(shown.class).to_owned());
    let kind = if body.is_none() { RouteKind::Redirect } else { RouteKind::Screen };
    RouteFact {
        pattern: Some(path.to_owned()),
        shows: paths.next().map_or(Shows::NotApplicable, |path| Shows::Class(path, at)),
        also: paths.collect(),
        parameters: parameters(class, values)
            .into_iter()
            .map(|parameter| travelling(parameter, path))
            .collect(),
        class: Some(class),
        content: body.map(|body| body.at),
        parent,
        order: Order::Declared(order),
        ..RouteFact::new(Style::GoRouter, kind, name, at)
    }
}

/// A parameter by the way it travels: in the path, beside it, or in the query.
fn travelling(parameter: ParameterFact, path: &str) -> ParameterFact {
    let via = if path.contains(&format!("{{{}}}", parameter.name)) {
        Via::Path
    } else if parameter.name == "$extra" {
        Via::Extra
    } else {
        Via::Query
    };
    ParameterFact { via, ..parameter }
}

/// The body of a method that a class declares itself.
fn method(class: Ref, name: &str, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(class);
    let members = &values.class(class)?.members;
    let body = members.iter().find_map(|&id| tree.function(id).filter(|f| f.name == name)?.body)?;
    Some(Expr::new(Ref { file: class.file, id: body }))
}

fn leads_on_from(body: &Expr, from: RouteKey, values: &Values<'_>, facts: &mut Facts) {
    for value in values.handed_back(body) {
        leads_on(&value, Some(from), values, facts);
    }
}

/// The class's parameters that its own methods use.
fn reads(class: Ref, fact: &RouteFact, values: &Values<'_>, facts: &mut Facts) {
    let Some(content) = fact.content else { return };
    let tree = values.tree(class);
    for parameter in &fact.parameters {
        let uses = values.program().uses_in(class.file, &parameter.name).iter().copied();
        for used in uses.filter(|at| tree.span(content.id).holds(tree.span(at.id))) {
            facts.reads.push(ReadFact::of_parameter(&parameter.name, used, code::node_at(used, values)));
        }
    }
}
