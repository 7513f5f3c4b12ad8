//! Calls on routers: by route object, by path, by tab, and the ways back.

use super::names::is_route;
use crate::facts::{ArgumentFact, CallFact, Facts, HostHint, Literal, RedirectFact, Slot, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::code;
use crate::recover::flutter::location::{is_text, location};
use crate::recover::flutter::navigator::named;
use crate::recover::flutter::results;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

/// Methods of routers and contexts that take a route object, or a list of them.
const BY_ROUTE: &[(&str, Verb)] = &[
    ("navigate", Verb::Open),
    ("navigateTo", Verb::Open),
    ("popAndPush", Verb::Replace),
    ("push", Verb::Open),
    ("pushAll", Verb::Open),
    ("pushAndPopUntil", Verb::Reset),
    ("pushRoute", Verb::Open),
    ("replace", Verb::Replace),
    ("replaceAll", Verb::Reset),
    ("replaceRoute", Verb::Replace),
];
/// Methods that take a path.
const BY_PATH: &[(&str, Verb)] = &[
    ("navigateNamed", Verb::Open),
    ("navigateNamedTo", Verb::Open),
    ("navigatePath", Verb::Open),
    ("pushNamed", Verb::Open),
    ("pushNamedRoute", Verb::Open),
    ("pushPath", Verb::Open),
    ("replaceNamed", Verb::Replace),
    ("replaceNamedRoute", Verb::Replace),
    ("replacePath", Verb::Replace),
];
const BACK: &[(&str, Verb)] = &[
    ("back", Verb::Back),
    ("maybePop", Verb::Back),
    ("maybePopTop", Verb::Back),
    ("pop", Verb::Back),
    ("popForced", Verb::Back),
    ("popTop", Verb::Back),
    ("popUntilRoot", Verb::BackTo),
    ("popUntilRouteWithName", Verb::BackTo),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call, verb) in all(file, BY_ROUTE, values) {
        by_route(at, call, verb, values, facts);
    }
    for (at, call, verb) in all(file, BY_PATH, values) {
        if is_router(at, call, values) {
            by_path(at, call, verb, values, facts);
        }
    }
    for (at, call, verb) in all(file, BACK, values) {
        if is_router(at, call, values) || is_by_context(at, call, values) {
            back(at, call, verb, values, facts);
        }
    }
    for (at, call) in code::calls(file, values, &["setActiveIndex"]) {
        facts.calls.push(tab(at, call, values));
    }
    for (at, call) in code::calls(file, values, &["AutoTabsRouter", "AutoTabsScaffold"]) {
        // What a bar shows is a way in.
        let routes = named(at, call, "routes").map(|list| values.elements(&list)).unwrap_or_default();
        for name in routes.iter().filter_map(|route| Some(route_object(route, at, values)?.name)) {
            let target = TargetFact::Named(vec![Shape::text(&name, false)]);
            facts.redirects.push(RedirectFact { style: Style::AutoRoute, from: None, target });
        }
    }
}

fn all<'p>(
    file: u32,
    table: &'static [(&'static str, Verb)],
    values: &Values<'p>,
) -> Vec<(Ref, &'p Call, Verb)> {
    let names: Vec<&str> = table.iter().map(|(name, _)| *name).collect();
    let verb = |at: Ref| {
        let name = code::callee_name(at, values);
        table.iter().find(|(known, _)| *known == name).map_or(Verb::Open, |(_, verb)| *verb)
    };
    code::calls(file, values, &names).into_iter().map(|(at, call)| (at, call, verb(at))).collect()
}

/// A route object: its name, and what it is made with.
struct RouteObject {
    name: String,
    /// It is named as a child of another.
    is_inner: bool,
    arguments: Vec<ArgumentFact>,
}

/// The route that an expression makes; of one with children, the innermost.
fn route_object(expr: &Expr, near: Ref, values: &Values<'_>) -> Option<RouteObject> {
    let root = values.built(expr).root;
    let tree = values.tree(root.at);
    let call = tree.call(root.at.id)?;
    let (name, _) = tree.callee(call)?;
    is_route(name, near, values).then_some(())?;
    let inner = named(root.at, call, "children").and_then(|list| values.elements(&list).pop());
    if let Some(inner) = inner.and_then(|inner| route_object(&inner, near, values)) {
        return Some(RouteObject { is_inner: true, ..inner });
    }
    let own = call.args.iter().filter_map(|arg| {
        let name = arg.name.as_ref().filter(|name| !matches!(name.as_str(), "key" | "children"))?;
        Some(code::argument(Slot::Name(name.to_string()), &root.with(arg.value), values))
    });
    Some(RouteObject { name: name.to_string(), is_inner: false, arguments: own.collect() })
}

fn by_route(at: Ref, call: &Call, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) =
        call.args.iter().find(|arg| arg.name.is_none()).map(|arg| Expr::new(at).with(arg.value))
    else {
        return;
    };
    if values.calls_own_function(&Expr::new(at), call) {
        return;
    }
    for site in values.sites(at, &first) {
        let target = site.bind(&first);
        let last = match values.kind(code::seen_through(&target, values).at) {
            Kind::List(_) => values.elements(&target).pop(),
            _ => Some(target),
        };
        let Some(route) = last.and_then(|route| route_object(&route, at, values)) else { continue };
        let fact = CallFact {
            written: route.name.clone(),
            form: Form::Generated,
            checked: true,
            target: TargetFact::Named(vec![Shape::text(&route.name, false)]),
            arguments: route.arguments,
            host: if route.is_inner { Some(HostHint::Any) } else { host(at, call, values) },
            ..CallFact::new(Style::AutoRoute, verb, site.at, code::callee_at(site.at, values))
        };
        let types = values.tree(site.at).call(site.at.id).map(|call| call.types.clone()).unwrap_or_default();
        results::receive(site.at, &types, fact.at, values, facts);
        facts.calls.push(fact);
    }
}

fn by_path(at: Ref, call: &Call, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let Some(first) =
        call.args.iter().find(|arg| arg.name.is_none()).map(|arg| Expr::new(at).with(arg.value))
    else {
        return;
    };
    for site in values.sites(at, &first) {
        let target = site.bind(&first);
        let found = location(&target, values);
        if found.shapes.is_empty() && !is_text(&target, values) {
            continue;
        }
        let literal = found.shapes.iter().find(|shape| shape.has_literal_words());
        facts.calls.push(CallFact {
            written: values.written(code::seen_through(&target, values).at),
            form: found.form,
            constant: found.constant,
            literal: literal.map(|shape| Literal { text: shape.value() }),
            host: host(at, call, values),
            target: match found.shapes.iter().all(Shape::is_blank) {
                true => TargetFact::Unknown,
                false => TargetFact::Text(found.shapes),
            },
            ..CallFact::new(Style::AutoRoute, verb, site.at, code::callee_at(site.at, values))
        });
    }
}

fn back(at: Ref, call: &Call, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let fact = CallFact::new(Style::AutoRoute, verb, at, code::callee_at(at, values));
    let first = call.args.iter().find(|arg| arg.name.is_none()).map(|arg| Expr::new(at).with(arg.value));
    if code::callee_name(at, values) == "popUntilRouteWithName" {
        let name = first.as_ref().and_then(|name| named_route(name, values));
        facts.calls.push(CallFact {
            written: first.map(|name| values.written(name.at)).unwrap_or_default(),
            form: if name.is_some() { Form::Constant } else { Form::Dynamic },
            target: match name {
                Some(name) => TargetFact::Named(vec![Shape::text(&name, false)]),
                None => TargetFact::Unknown,
            },
            ..fact
        });
        return;
    }
    if let Some(value) = first.filter(|_| verb == Verb::Back) {
        results::send_through(at, &value, values, facts);
    }
    facts.calls.push(fact);
}

/// `ShelfRoute.name`, or the name as text.
fn named_route(expr: &Expr, values: &Values<'_>) -> Option<String> {
    let tree = values.tree(expr.at);
    if let Kind::Member(member) = tree.kind(expr.at.id)
        && member.name == "name"
        && let Some((name, _)) = tree.last_name(member.of)
    {
        return Some(name.to_string());
    }
    values.plain_text(expr)
}

/// A tab by its number, among those that bars are given.
fn tab(at: Ref, call: &Call, values: &Values<'_>) -> CallFact {
    let fact = CallFact::new(Style::AutoRoute, Verb::Tab, at, code::callee_at(at, values));
    let first = call.args.first().map(|arg| Expr::new(at).with(arg.value));
    let number = first.as_ref().and_then(|first| match values.kind(first.at) {
        Kind::Number(text) => text.parse::<usize>().ok(),
        _ => None,
    });
    let written = first.map(|first| values.written(first.at)).unwrap_or_default();
    let program = values.program();
    let bars = program.calls_named("AutoTabsRouter").iter().chain(program.calls_named("AutoTabsScaffold"));
    let own_module = bars.filter(|bar| program.source(bar.file).module == program.source(at.file).module);
    let names: Vec<Shape> = number
        .into_iter()
        .flat_map(|number| own_module.clone().map(move |&bar| (number, bar)))
        .filter_map(|(number, bar)| {
            let list = named(bar, values.tree(bar).call(bar.id)?, "routes")?;
            let route = values.elements(&list).into_iter().nth(number)?;
            Some(Shape::text(&route_object(&route, bar, values)?.name, false))
        })
        .collect();
    match names.is_empty() {
        true => CallFact { target: TargetFact::Unknown, written, ..fact },
        false => CallFact { target: TargetFact::Named(names), form: Form::Computed, written, ..fact },
    }
}

/// Whether a call is made on a router, or on a context by the router's extension.
fn is_router(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return false;
    }
    let tree = values.tree(at);
    let Some(of) = tree.receiver(call).map(|of| expr.with(of)) else { return false };
    is_router_object(&of, 0, values)
}

/// `context.maybePop()`, by the router's extension.
fn is_by_context(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let name = tree
        .callee(call)
        .is_some_and(|(name, _)| matches!(name.as_str(), "maybePop" | "back" | "maybePopTop"));
    let context = tree.receiver(call).is_some_and(|of| {
        let typed = values.type_of(&Expr::new(at).with(of)).is_some_and(|ty| ty.name == "BuildContext");
        typed || matches!(tree.kind(of), Kind::Name(name) if matches!(name.as_str(), "context" | "ctx"))
    });
    name && context && values.sees_package(at.file, "package:auto_route/")
}

fn is_router_object(of: &Expr, depth: usize, values: &Values<'_>) -> bool {
    if depth > 8 {
        return false;
    }
    if let Some(ty) = values.type_of(of) {
        let bases = ty.class.map(|class| values.external_bases(class)).unwrap_or_default();
        let is =
            |name: &str| name.ends_with("StackRouter") || matches!(name, "TabsRouter" | "RoutingController");
        return is(&ty.name) || bases.iter().any(|base| is(base));
    }
    let sees = || values.sees_package(of.at.file, "package:auto_route/");
    match values.kind(of.at) {
        Kind::Member(member) => match member.name.as_str() {
            "router" | "topRoute" | "innerRouter" | "tabsRouter" => sees(),
            "root" => is_router_object(&of.with(member.of), depth + 1, values),
            _ => false,
        },
        Kind::Unary { of: inner, .. } => is_router_object(&of.with(*inner), depth + 1, values),
        Kind::Call(call) => {
            let tree = values.tree(of.at);
            let inner = tree.receiver(call).map(|inner| of.with(inner));
            let name = tree.callee(call).map(|(name, _)| name.as_str());
            matches!(name, Some("parent" | "innerRouterOf" | "innerRouteByKey"))
                && inner.is_some_and(|inner| is_router_object(&inner, depth + 1, values))
        }
        Kind::Name(_) => {
            let behind = values.value_behind(of).filter(|behind| behind.at != of.at);
            behind.is_some_and(|behind| is_router_object(&behind, depth + 1, values))
        }
        _ => false,
    }
}

/// `context.router.root`: the outermost router.
fn host(at: Ref, call: &Call, values: &Values<'_>) -> Option<HostHint> {
    let tree = values.tree(at);
    let of = tree.receiver(call)?;
    let root = matches!(tree.kind(of), Kind::Member(member) if member.name == "root");
    root.then_some(HostHint::Outer)
}
