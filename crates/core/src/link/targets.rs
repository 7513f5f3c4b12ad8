//! Where a call leads: ids and actions as seen from its screen, directions, addresses, classes.

use super::containers::visible;
use super::graph::{Argument, Call, Graph};
use super::patterns::{Fit, TEXT, fit};
use super::stacks::{Opened, opened};
use super::view::View;
use crate::facts::{
    ActionId, Addresses, ArgumentFact, CallFact, Choice, RouteId, RouteKey, ScreenId, Slot, TargetFact,
    Unknown, ValueType,
};
use crate::model::{CallStatus, RouteKind, Style};
use crate::names::spelling;
use crate::values::{Ref, Shape};

/// Addresses that every device can open.
const OUTSIDE: &[&str] =
    &["http", "https", "mailto", "tel", "sms", "smsto", "geo", "market", "content", "file"];

/// A placeholder that a text fills, with the expression put in and its type.
type Filled = (String, String, Option<String>);

/// What resolving comes to.
struct Resolved {
    targets: Vec<RouteId>,
    status: CallStatus,
    action: Option<ActionId>,
    out_of_scope: Option<String>,
    unknown: Option<String>,
    filled: Vec<Filled>,
    raw: Vec<String>,
    sometimes: Vec<String>,
}

impl Resolved {
    fn status(status: CallStatus) -> Self {
        Self {
            targets: Vec::new(),
            status,
            action: None,
            out_of_scope: None,
            unknown: None,
            filled: Vec::new(),
            raw: Vec::new(),
            sometimes: Vec::new(),
        }
    }

    fn to(targets: Vec<RouteId>) -> Self {
        Self { targets, ..Self::status(CallStatus::Resolved) }
    }

    fn undeclared(name: &str) -> Self {
        Self { unknown: Some(name.to_owned()), ..Self::status(CallStatus::Undeclared) }
    }
}

/// Resolves a call that belongs to these screens.
pub(super) fn resolve(fact: CallFact, screens: Vec<ScreenId>, graph: &Graph<'_>) -> Call {
    let view = View::of(&fact, &screens, graph);
    let resolved = match &fact.target {
        TargetFact::None => Resolved::to(Vec::new()),
        TargetFact::Unknown => Resolved::status(CallStatus::Dynamic),
        TargetFact::External => Resolved::status(CallStatus::External),
        TargetFact::Ids(names) => merge(names.iter().map(|name| by_id(name, &view, graph))),
        TargetFact::Actions(names) => merge(names.iter().map(|name| match graph.actions_named(name) {
            [] => Resolved::undeclared(name),
            actions => by_actions(actions, name, &view, graph),
        })),
        TargetFact::Generated { owner, method, .. } => by_generated(owner, method, &view, graph),
        TargetFact::Address(shapes) => merge(shapes.iter().map(|shape| by_address(shape, &fact, graph))),
        TargetFact::Text(shapes) => {
            merge(shapes.iter().map(|shape| by_text(shape, fact.style, &view, graph)))
        }
        TargetFact::Named(shapes) => {
            merge(shapes.iter().map(|shape| by_name(shape, fact.style, &view, graph)))
        }
        TargetFact::FirstOf(shapes) => first_of(shapes, fact.style, &view, graph),
        TargetFact::Typed(classes) => merge(classes.iter().map(|&class| by_type(class, &view, graph))),
        TargetFact::Classes(classes) => merge(classes.iter().map(|&class| by_class(class, &fact, graph))),
        TargetFact::Values(types) => merge(types.iter().map(|ty| by_value(ty, &view, &screens, graph))),
        TargetFact::Routes(keys) => by_key(keys, fact.style, graph),
        TargetFact::Beside(places) => beside(*places, &view, graph),
    };
    let arguments = resolved.filled.iter().map(|(name, written, ty)| Argument {
        name: name.clone(),
        fact: ArgumentFact {
            slot: Slot::Name(name.clone()),
            ty: ty.clone().map(|ty| if ty == TEXT { "String".to_owned() } else { ty }),
            value: Some(written.clone()),
            nullable: false,
            literal_key: false,
            text: (ty.as_deref() == Some(TEXT)).then(|| written.clone()),
            at: fact.at,
        },
    });
    Call {
        ways: graph.ways(fact.style),
        arguments: arguments.collect(),
        screens,
        targets: resolved.targets,
        leads_on: Vec::new(),
        status: resolved.status,
        action: resolved.action,
        out_of_scope: resolved.out_of_scope,
        unknown: resolved.unknown,
        raw: resolved.raw,
        sometimes: resolved.sometimes,
        conditional: false,
        fact,
    }
}

/// Several ways: together they are as good as their best, and all their targets count.
fn merge(ways: impl Iterator<Item = Resolved>) -> Resolved {
    let mut ways = ways.collect::<Vec<_>>();
    if ways.len() == 1 {
        return ways.remove(0);
    }
    let mut merged = Resolved::status(CallStatus::Dynamic);
    let mut fills: Vec<Vec<Filled>> = Vec::new();
    for way in ways {
        merged.status = match (merged.status, way.status) {
            (CallStatus::Resolved, _) | (_, CallStatus::Resolved) => CallStatus::Resolved,
            (CallStatus::Undeclared, _) | (_, CallStatus::Undeclared) => CallStatus::Undeclared,
            (_, status) => status,
        };
        for target in way.targets {
            if !merged.targets.contains(&target) {
                merged.targets.push(target);
            }
        }
        merged.unknown = merged.unknown.or(way.unknown);
        merged.out_of_scope = merged.out_of_scope.or(way.out_of_scope);
        merged.raw.extend(way.raw);
        fills.extend((way.status == CallStatus::Resolved).then_some(way.filled));
    }
    merged.sometimes = sometimes(&fills);
    for filled in fills.into_iter().flatten() {
        if !merged.filled.iter().any(|(name, ..)| *name == filled.0) {
            merged.filled.push(filled);
        }
    }
    merged
}

/// What only some of several ways fill.
fn sometimes(ways: &[Vec<Filled>]) -> Vec<String> {
    let fills = |way: &Vec<Filled>, name: &str| way.iter().any(|(filled, ..)| filled == name);
    let names = ways.iter().flatten().map(|(name, ..)| name);
    let partly = names.filter(|name| !ways.iter().all(|way| fills(way, name)));
    partly.cloned().collect()
}

/// Where a target leads that nobody's screen names.
pub(super) fn ways(target: &TargetFact, style: Style, graph: &Graph<'_>) -> Vec<RouteId> {
    let view = View::default();
    let resolved = match target {
        TargetFact::Text(shapes) => merge(shapes.iter().map(|shape| by_text(shape, style, &view, graph))),
        TargetFact::Named(shapes) => merge(shapes.iter().map(|shape| by_name(shape, style, &view, graph))),
        TargetFact::Typed(classes) => merge(classes.iter().map(|&class| by_type(class, &view, graph))),
        TargetFact::Routes(keys) => by_key(keys, style, graph),
        _ => return Vec::new(),
    };
    resolved.targets
}

/// An id: of an action of its own, of the graphs around, or of a destination that can be seen.
fn by_id(name: &str, view: &View, graph: &Graph<'_>) -> Resolved {
    let actions = graph.actions_named(name);
    if !actions.is_empty() {
        return by_actions(actions, name, view, graph);
    }
    for &container in &view.containers {
        let found = visible(graph, name, container);
        if !found.is_empty() {
            return Resolved::to(found);
        }
    }
    let all: Vec<RouteId> = graph
        .routes_named(name)
        .iter()
        .copied()
        .filter(|&route| graph.routes[route].container.or(graph.routes[route].group).is_some())
        .filter(|&route| graph.routes[route].loses_to.is_none())
        .collect();
    if all.is_empty() {
        return Resolved::undeclared(name);
    }
    let place = |route: RouteId| graph.routes[route].container.or(graph.routes[route].group);
    let hosted: Vec<RouteId> =
        all.iter().copied().filter(|&r| place(r).is_some_and(|c| view.is_hosted(c, graph))).collect();
    if !hosted.is_empty() {
        return Resolved::to(hosted);
    }
    let out_of_scope =
        (!view.is_blank()).then(|| match place(all[0]).and_then(|c| graph.containers[c].fact.name.clone()) {
            Some(inside) => format!("it stands in `{inside}`, which is not around this screen"),
            None => "it stands in a graph that is not around this screen".to_owned(),
        });
    Resolved { out_of_scope, ..Resolved::to(all) }
}

/// Of the actions of a name, the one that the calling screen can use.
fn by_actions(actions: &[ActionId], name: &str, view: &View, graph: &Graph<'_>) -> Resolved {
    let usable = |&action: &ActionId| {
        let action = &graph.actions[action];
        match action.route {
            Some(route) => view.standing.contains(&route),
            None => {
                action.container.is_some_and(|own| view.containers.iter().any(|&c| graph.is_within(c, own)))
            }
        }
    };
    let hosted =
        |&action: &ActionId| graph.actions[action].container.is_some_and(|c| view.is_hosted(c, graph));
    let found = actions.iter().copied().find(usable).or_else(|| actions.iter().copied().find(hosted));
    let action = found.unwrap_or(actions[0]);
    let targets = graph.actions[action].targets.clone();
    let out_of_scope = (found.is_none() && !view.is_blank()).then(|| match graph.actions[action].route {
        Some(route) => format!("it is an action of `{}`", graph.routes[route].fact.name),
        None => "it is an action of a graph that is not around this screen".to_owned(),
    });
    if targets.is_empty() {
        let fact = &graph.actions[action].fact;
        let Some(wanted) = fact.destination.as_ref().map(|(name, _)| name) else {
            return Resolved::to(Vec::new());
        };
        let elsewhere = graph.routes_named(wanted).to_vec();
        let lost = if elsewhere.is_empty() {
            Resolved::undeclared(wanted)
        } else {
            let reason = format!("`{name}` leads to `{wanted}`, which stands in a graph of its own");
            Resolved { out_of_scope: Some(reason), ..Resolved::to(elsewhere) }
        };
        return Resolved { action: Some(action), ..lost };
    }
    Resolved { action: Some(action), out_of_scope, ..Resolved::to(targets) }
}

/// `actionShelfToItem` of `ShelfFragment`: an action of a destination that shows it, or of the graph that
/// is called so.
fn by_generated(owner: &str, method: &str, view: &View, graph: &Graph<'_>) -> Resolved {
    let showing = graph.routes_showing(owner);
    let fits = |&action: &ActionId| {
        let action = &graph.actions[action];
        match (action.route, action.container) {
            (Some(route), _) => showing.contains(&route),
            (None, Some(own)) => {
                // A destination's directions know the global actions of the graphs around it as well.
                graph.containers[own].fact.name.as_deref().is_some_and(|name| same(name, owner))
                    || showing
                        .iter()
                        .any(|&r| graph.routes[r].container.is_some_and(|c| graph.is_within(c, own)))
            }
            (None, None) => false,
        }
    };
    let found: Vec<ActionId> = graph.actions_spelled(method).iter().copied().filter(fits).collect();
    let Some(&first) = found.first() else { return Resolved::undeclared(method) };
    let name = graph.actions[first].fact.name.clone();
    let other_screen = by_actions(&found, &name, view, graph);
    // A route that a later one replaces still has its directions.
    if other_screen.out_of_scope.is_some() && view.standing.is_empty() {
        return Resolved { out_of_scope: None, ..other_screen };
    }
    other_screen
}

/// Generated names are the ids in camel case.
pub(super) fn same(id: &str, generated: &str) -> bool {
    spelling(id) == spelling(generated)
}

/// An address against the deep links of every route; own words beat placeholders.
fn by_address(shape: &Shape, fact: &CallFact, graph: &Graph<'_>) -> Resolved {
    let value = shape.value();
    if value.starts_with("{}") {
        return Resolved::status(CallStatus::Dynamic);
    }
    let mut found: Vec<(u32, RouteId, Vec<_>)> = Vec::new();
    for &i in graph.linked_routes() {
        let best = graph.routes[i]
            .fact
            .deep_links
            .iter()
            .filter_map(|(pattern, _)| {
                fit_address(shape, pattern, graph.ways(graph.routes[i].fact.style).addresses)
            })
            .max_by_key(|fit| fit.score);
        if let Some(fit) = best {
            found.push((fit.score, i, fit.filled));
        }
    }
    if let Some(best) = found.iter().map(|(score, ..)| *score).max() {
        found.retain(|(score, ..)| *score == best);
        let filled = found.first().map(|(.., filled)| filled.clone()).unwrap_or_default();
        return Resolved { filled, ..Resolved::to(found.into_iter().map(|(_, route, _)| route).collect()) };
    }
    if let Some(found) = answered_by_host(&value, graph) {
        return Resolved::to(found);
    }
    let scheme = value.split("://").next().unwrap_or_default();
    let outside = OUTSIDE.contains(&scheme) || OUTSIDE.iter().any(|s| value.starts_with(&format!("{s}:")));
    let own = graph
        .routes
        .iter()
        .flat_map(|route| &route.fact.deep_links)
        .any(|(pattern, _)| pattern.split("://").next() == Some(scheme) && !OUTSIDE.contains(&scheme));
    // A graph's controller opens nothing but its own routes; an intent may open any app.
    if outside || (graph.ways(fact.style).unknown == Unknown::External && !own) {
        return Resolved::status(CallStatus::External);
    }
    Resolved::undeclared(&value)
}

/// An address against a declared one. Without a path it may take any
/// (developer.android.com, "data element": all paths match).
fn fit_address(shape: &Shape, pattern: &str, addresses: Addresses) -> Option<Fit> {
    let pathless = || pattern.split_once("://").is_none_or(|(_, rest)| !rest.contains(['/', '?', '{']));
    fit(shape, pattern).or_else(|| {
        let open = (addresses == Addresses::AnyPath && pathless()).then(|| format!("{pattern}/{{}}"))?;
        fit(shape, &open)
    })
}

/// Where code answers addresses by their hosts, whatever follows.
fn answered_by_host(value: &str, graph: &Graph<'_>) -> Option<Vec<RouteId>> {
    let host = |address: &str| {
        let (scheme, rest) = address.split_once("://")?;
        Some((scheme.to_owned(), rest.split(['/', '?']).next()?.to_owned()))
    };
    let wanted = host(value)?;
    let answers = |&&route: &&RouteId| {
        let fact = &graph.routes[route].fact;
        let links = fact.deep_links.iter().map(|(pattern, _)| host(pattern));
        graph.ways(fact.style).addresses == Addresses::InCode && links.flatten().any(|own| own == wanted)
    };
    let found: Vec<RouteId> = graph.linked_routes().iter().filter(answers).copied().collect();
    (!found.is_empty()).then_some(found)
}

/// Of several candidates, those that can be named from here; else all of them, out of scope.
fn in_sight(found: Vec<RouteId>, view: &View, graph: &Graph<'_>) -> (Vec<RouteId>, Option<String>) {
    let seen: Vec<RouteId> = found.iter().copied().filter(|&route| view.sees(route, graph)).collect();
    if !seen.is_empty() || found.is_empty() {
        return (seen, None);
    }
    (found, Some("it stands in a navigator that this screen does not see".to_owned()))
}

/// A route by the name that it is declared with.
fn by_name(shape: &Shape, style: Style, view: &View, graph: &Graph<'_>) -> Resolved {
    let Some(name) = shape.plain() else { return Resolved::status(CallStatus::Dynamic) };
    let own = |&route: &RouteId| {
        let route = &graph.routes[route];
        route.fact.style == style && route.loses_to.is_none() && route.fact.kind != RouteKind::Fallback
    };
    let found: Vec<RouteId> = graph.routes_named(&name).iter().copied().filter(own).collect();
    if found.is_empty() {
        return Resolved::undeclared(&name);
    }
    let (targets, out_of_scope) = in_sight(found, view, graph);
    Resolved { out_of_scope, ..Resolved::to(targets) }
}

/// A route by the first of several names that is declared; else the last of them is missed.
fn first_of(shapes: &[Shape], style: Style, view: &View, graph: &Graph<'_>) -> Resolved {
    let mut found = shapes.iter().map(|shape| by_name(shape, style, view, graph));
    let last = shapes.last().map(|shape| by_name(shape, style, view, graph));
    let declared = found.find(|way| way.status == CallStatus::Resolved);
    let below = || shapes.iter().find_map(|shape| below_here(shape, style, view, graph));
    declared.or_else(below).or(last).unwrap_or_else(|| Resolved::status(CallStatus::Dynamic))
}

/// A route that is registered below the one that the call stands on: `shelf/item` for `item`.
fn below_here(shape: &Shape, style: Style, view: &View, graph: &Graph<'_>) -> Option<Resolved> {
    let name = shape.plain()?;
    let here: Vec<&str> = view.standing.iter().map(|&route| graph.routes[route].fact.name.as_str()).collect();
    let found = graph.routes.indices().filter(|&route| {
        let fact = &graph.routes[route].fact;
        let around = fact.name.strip_suffix(name.as_str()).and_then(|rest| rest.strip_suffix('/'));
        fact.style == style && around.is_some_and(|around| here.is_empty() || here.contains(&around))
    });
    let found: Vec<RouteId> = found.collect();
    (!found.is_empty()).then(|| Resolved::to(found))
}

/// More patterns than this that a text may only possibly mean are as good as unknown.
const MAX_POSSIBLE: usize = 3;

/// Route text against the declared patterns: those of the call's own host, then any.
fn by_text(shape: &Shape, style: Style, view: &View, graph: &Graph<'_>) -> Resolved {
    let value = shape.value();
    if value.starts_with("{}") {
        return Resolved::status(CallStatus::Dynamic);
    }
    let mut found: Vec<(u32, RouteId, Fit)> = Vec::new();
    for &i in graph.patterned_routes() {
        let route = &graph.routes[i];
        let own = route.fact.style == style && route.fact.kind != RouteKind::Fallback;
        let Some(pattern) = route.fact.pattern.as_deref().filter(|_| own && route.loses_to.is_none()) else {
            continue;
        };
        if let Some(fit) = fit(shape, pattern) {
            found.push((fit.score, i, fit));
        }
    }
    let own = |route: RouteId| graph.routes[route].container.is_none_or(|c| view.is_hosted(c, graph));
    let seen = view.controller && found.iter().any(|(_, route, _)| own(*route));
    if seen {
        found.retain(|(_, route, _)| own(*route));
    }
    let Some(best) = found.iter().map(|(score, ..)| *score).max() else {
        return Resolved::undeclared(&value);
    };
    if graph.ways(style).choice == Choice::InOrder {
        // The first that surely fits takes it.
        found.sort_by_key(|(_, route, fit)| (!fit.certain, graph.routes[*route].fact.order));
        let certain = found.first().is_some_and(|(.., fit)| fit.certain);
        let (seen, _) = in_sight(found.iter().map(|(_, route, _)| *route).collect(), view, graph);
        found.retain(|(score, route, fit)| {
            seen.contains(route) && (if certain { fit.certain } else { *score == best })
        });
        if certain {
            found.truncate(1);
        }
    } else {
        found.retain(|(score, ..)| *score == best);
    }
    let possible = found.iter().all(|(.., fit)| !fit.certain);
    if found.is_empty() || (possible && found.len() > MAX_POSSIBLE) {
        return Resolved::status(CallStatus::Dynamic);
    }
    let first = found[0].2.clone();
    let out_of_scope =
        (view.controller && !seen).then(|| "it is a route of another host than this controller's".to_owned());
    let targets = found.into_iter().map(|(_, route, _)| route).collect();
    let (targets, out_of_sight) = in_sight(targets, view, graph);
    let out_of_scope = out_of_scope.or(out_of_sight);
    Resolved { filled: first.filled, raw: first.raw, out_of_scope, ..Resolved::to(targets) }
}

/// Routes registered by a class.
fn by_type(class: Ref, view: &View, graph: &Graph<'_>) -> Resolved {
    let own_type = graph.routes_of_type(class).iter().copied();
    let found: Vec<RouteId> = own_type.filter(|&route| graph.routes[route].loses_to.is_none()).collect();
    let own = |route: &RouteId| graph.routes[*route].container.is_none_or(|c| view.is_hosted(c, graph));
    match found.iter().any(own) || !view.controller {
        _ if found.is_empty() => Resolved::undeclared(graph.class_name(class)),
        true => Resolved::to(found),
        false => Resolved {
            out_of_scope: Some("it is a route of another host than this controller's".to_owned()),
            ..Resolved::to(found)
        },
    }
}

/// What is registered for a value's type.
fn by_value(ty: &ValueType, view: &View, screens: &[ScreenId], graph: &Graph<'_>) -> Resolved {
    match opened(ty, &view.stacks, screens, graph) {
        Opened::Routes(found) => Resolved::to(found),
        Opened::Nothing => {
            let mark = if ty.nullable { "?" } else { "" };
            Resolved::undeclared(&format!("{}{mark}", ty.name))
        }
        Opened::OutOfSight(found, reason) => Resolved { out_of_scope: Some(reason), ..Resolved::to(found) },
    }
}

/// What stands so many places behind the caller's routes, each in its own container.
fn beside(places: i32, view: &View, graph: &Graph<'_>) -> Resolved {
    let mut found = Vec::new();
    for &route in &view.standing {
        let Some(container) = graph.routes[route].container else { continue };
        let mut all: Vec<RouteId> =
            graph.routes_in(container).filter(|&r| graph.routes[r].loses_to.is_none()).collect();
        all.sort_by_key(|&r| (graph.routes[r].fact.order, graph.routes[r].fact.at));
        let Some(place) = all.iter().position(|&r| r == route) else { continue };
        let count = i32::try_from(all.len()).unwrap_or(i32::MAX);
        let next = (i32::try_from(place).unwrap_or_default() + places).rem_euclid(count.max(1));
        found.extend(usize::try_from(next).ok().and_then(|next| all.get(next)).copied());
    }
    match found.is_empty() {
        true => Resolved::status(CallStatus::Dynamic),
        false => Resolved::to(found),
    }
}

/// Routes that are known themselves; none is as good as undeclared, and said elsewhere.
fn by_key(keys: &[RouteKey], style: Style, graph: &Graph<'_>) -> Resolved {
    let own = |route: &RouteId| {
        let fact = &graph.routes[*route].fact;
        fact.style == style && keys.contains(&RouteKey(fact.at))
    };
    let found: Vec<RouteId> = graph.routes.indices().filter(own).collect();
    if found.is_empty() { Resolved::status(CallStatus::Undeclared) } else { Resolved::to(found) }
}

/// A screen by its class: its route in the call's own style, else any that shows it.
fn by_class(class: Ref, fact: &CallFact, graph: &Graph<'_>) -> Resolved {
    let Some(screen) = graph.screen_of(class).map(|screen| &graph.screens[screen]) else {
        return Resolved::status(CallStatus::External);
    };
    // A class that two source sets declare is one of two.
    let same = graph.screens.iter().filter(|other| other.fact.path == screen.fact.path);
    let routes = same.flat_map(|screen| screen.routes.iter().copied());
    let (own, others): (Vec<RouteId>, Vec<RouteId>) =
        routes.partition(|&route| graph.routes[route].fact.style == fact.style);
    Resolved::to(if own.is_empty() { others } else { own })
}
