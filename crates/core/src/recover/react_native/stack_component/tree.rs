//! Navigators as elements: the screens inside, through groups, choices, lists and helpers.

use super::routes::{Named, list, route};
use crate::facts::{
    At, ContainerFact, ContainerKey, Facts, Holds, RouteFact, ShownBy, Sight, Start, StartFact,
};
use crate::recover::code;
use crate::recover::react_native::components::{Shown, component_around, shown};
use crate::recover::react_native::element::{Element, element};
use crate::recover::react_native::list_types::is_list;
use crate::recover::react_native::looks_only_around;
use crate::recover::react_native::navigators::{Part, offers, part};
use crate::syntax::{BinaryOp, Kind};
use crate::values::{Datum, Expr, Ref, Value, Values};

/// Helpers in helpers are followed this deep.
const MAX_DEPTH: usize = 24;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Expr::new(Ref { file, id });
        let Some(element) = element(&at, values) else { continue };
        if let Some((created, Part::Navigator)) = part(&element.callee(), values) {
            navigator(&element, created, values, facts);
        }
    }
}

/// A screen among a navigator's children.
struct Child<'p> {
    element: Element<'p>,
    /// The choices it stands in, and the arm of each.
    arms: Vec<(Ref, usize)>,
    /// It is made for each element of a list.
    mapped: bool,
}

/// What is found among children.
#[derive(Default)]
struct Children<'p> {
    screens: Vec<Child<'p>>,
    /// How many arms each choice has.
    choices: Vec<(Ref, usize)>,
    /// There may be more.
    open: bool,
}

fn navigator(navigator: &Element<'_>, created: Ref, values: &Values<'_>, facts: &mut Facts) {
    let key = ContainerKey(navigator.place(values));
    let mut children = Children::default();
    if let Some(inside) = navigator.property("children", values) {
        collect(&inside, &[], false, 0, values, &mut children);
    }
    // What it is handed besides its children runs for whichever of them is shown.
    facts.nobodys.push(navigator.at.at);
    let mut routes = Vec::new();
    for child in &children.screens {
        match declared(child, created, key, values, facts) {
            Some(fact) => routes.push(fact),
            None => children.open = true,
        }
    }
    let component = component_around(navigator.at.at, values);
    let shown = component.is_none_or(|component| is_shown(component, values));
    facts.containers.push(ContainerFact {
        name: component
            .and_then(|at| crate::recover::react_native::components::screen(at, values))
            .map(|s| s.name),
        start: starts(navigator, created, &routes, &children.choices, values),
        shown_by: if shown { ShownBy::App } else { ShownBy::Another },
        sites: vec![navigator.at.at],
        stands_where_shown: true,
        sight: sight(navigator.at.at.file, values),
        holds: Holds::more_if(children.open),
        offers: offers(created, |name| navigator.property(name, values).is_some(), values),
        ..ContainerFact::new(key)
    });
    facts.routes.extend(routes);
}

/// From where names are looked up: since version 7 only in the navigators around the caller.
pub(super) fn sight(file: u32, values: &Values<'_>) -> Sight {
    if looks_only_around(file, values) { Sight::Below } else { Sight::Anywhere }
}

/// Whether anything makes, names or hands on a component; roots are named by no code of the app's own.
fn is_shown(component: Ref, values: &Values<'_>) -> bool {
    let source = values.program().source(component.file);
    let name = source.path.rsplit('/').next().unwrap_or_default().split('.').next().unwrap_or_default();
    let exported = values
        .program()
        .tree(component.file)
        .imports
        .iter()
        .any(|import| import.exported && import.name.as_deref() == Some("default"));
    let root = matches!(name.to_ascii_lowercase().as_str(), "app" | "index" | "main") && exported;
    let used = || match values.class(component) {
        Some(_) => !values.makes(component).is_empty(),
        None => !values.uses(component).is_empty(),
    };
    // A file that somebody takes in whole may be shown by its default name.
    root || used() || is_function_named_default(component, values)
}

fn is_function_named_default(component: Ref, values: &Values<'_>) -> bool {
    values.tree(component).function(component.id).is_some_and(|function| function.name == "default")
}

fn declared(
    child: &Child<'_>,
    created: Ref,
    container: ContainerKey,
    values: &Values<'_>,
    facts: &mut Facts,
) -> Option<RouteFact> {
    let element = &child.element;
    let name_at = element.property("name", values)?;
    let name = values.plain_text(&name_at)?;
    let at = match child.mapped.then(|| origin(&name_at, 0, values)).flatten() {
        Some(at) => code::node_at(at, values),
        None => element.place(values),
    };
    let fact = route(
        Named {
            name,
            shown: what(element, values),
            initial: element.property("initialParams", values),
            created,
            container,
            at,
        },
        values,
        facts,
    );
    Some(RouteFact { content: Some(element.at.at), arms: child.arms.clone(), ..fact })
}

/// What a screen shows: a component, one that is fetched, or what a function of children makes.
fn what(element: &Element<'_>, values: &Values<'_>) -> Shown {
    let ways = ["component", "getComponent", "children"];
    let found = ways.iter().find_map(|name| element.property(name, values));
    found.map_or(Shown::Missing, |value| shown(&value, values))
}

/// The element of a list that a name is taken from.
fn origin(expr: &Expr, depth: usize, values: &Values<'_>) -> Option<Ref> {
    if depth > MAX_DEPTH {
        return None;
    }
    match values.kind(expr.at) {
        Kind::Name(_) => match values.given(expr) {
            Some(given) => Some(given.at),
            None => {
                let behind = values.value_behind(expr).filter(|behind| behind.at != expr.at)?;
                origin(&behind, depth + 1, values)
            }
        },
        Kind::Member(member) => origin(&expr.with(member.of), depth + 1, values),
        Kind::Cast { of, .. } | Kind::Unary { of, .. } => origin(&expr.with(*of), depth + 1, values),
        Kind::Text(_) if depth > 0 => Some(expr.at),
        _ => None,
    }
}

fn collect<'p>(
    expr: &Expr,
    arms: &[(Ref, usize)],
    mapped: bool,
    depth: usize,
    values: &Values<'p>,
    found: &mut Children<'p>,
) {
    if depth > MAX_DEPTH {
        found.open = true;
        return;
    }
    match values.kind(expr.at) {
        Kind::List(items) => {
            for item in items {
                collect(&expr.with(item.value), arms, mapped, depth + 1, values, found);
            }
        }
        Kind::Branch { arms: ways, .. } => {
            if !found.choices.iter().any(|(choice, _)| *choice == expr.at) {
                found.choices.push((expr.at, ways.len()));
            }
            for (i, way) in ways.iter().enumerate() {
                let inside = [arms, &[(expr.at, i)]].concat();
                collect(&expr.with(way.body), &inside, mapped, depth + 1, values, found);
            }
        }
        Kind::Binary { op, right, .. } if *op == BinaryOp::And => {
            // There or not: one arm of two, the other empty.
            found.choices.push((expr.at, 2));
            let inside = [arms, &[(expr.at, 0)]].concat();
            collect(&expr.with(*right), &inside, mapped, depth + 1, values, found);
        }
        Kind::Binary { op, left, right } if *op == BinaryOp::OrElse => {
            collect(&expr.with(*left), arms, mapped, depth + 1, values, found);
            collect(&expr.with(*right), arms, mapped, depth + 1, values, found);
        }
        Kind::Cast { of, .. } | Kind::Unary { of, .. } => {
            collect(&expr.with(*of), arms, mapped, depth + 1, values, found);
        }
        Kind::Null | Kind::Bool(_) => {}
        Kind::Call(_) => collect_call(expr, arms, mapped, depth, values, found),
        Kind::Name(_) | Kind::Member(_) => {
            match values.value_behind(expr).filter(|behind| behind.at != expr.at) {
                Some(behind) => collect(&behind, arms, mapped, depth + 1, values, found),
                None => found.open = true,
            }
        }
        _ => found.open = true,
    }
}

fn collect_call<'p>(
    expr: &Expr,
    arms: &[(Ref, usize)],
    mapped: bool,
    depth: usize,
    values: &Values<'p>,
    found: &mut Children<'p>,
) {
    if let Some(element) = element(expr, values) {
        match part(&element.callee(), values) {
            Some((_, Part::Screen)) => {
                found.screens.push(Child { element, arms: arms.to_vec(), mapped });
            }
            Some((_, Part::Group)) => inside(&element, arms, mapped, depth, values, found),
            _ if is_fragment(&element, values) => inside(&element, arms, mapped, depth, values, found),
            _ => {}
        }
        return;
    }
    if let Some(body) = values.called_body(expr).or_else(|| values.called_lambda(expr)) {
        for handed in values.handed_back(&body) {
            collect(&handed, arms, mapped, depth + 1, values, found);
        }
        return;
    }
    // `pages.map(…)`.
    let made: Vec<Expr> = values.elements(expr).into_iter().filter(|made| made.at != expr.at).collect();
    found.open |= made.is_empty();
    for made in made {
        match element(&made, values) {
            Some(_) => collect_call(&made, arms, true, depth + 1, values, found),
            None => collect(&made, arms, true, depth + 1, values, found),
        }
    }
}

fn inside<'p>(
    element: &Element<'p>,
    arms: &[(Ref, usize)],
    mapped: bool,
    depth: usize,
    values: &Values<'p>,
    found: &mut Children<'p>,
) {
    if let Some(children) = element.property("children", values) {
        collect(&children, arms, mapped, depth + 1, values, found);
    }
}

fn is_fragment(element: &Element<'_>, values: &Values<'_>) -> bool {
    let name = values.tree(element.at.at).last_name(element.call.callee);
    name.is_some_and(|(name, _)| name == "Fragment")
}

/// The start that is said, or the first screen of each way that a choice can go.
fn starts(
    navigator: &Element<'_>,
    created: Ref,
    routes: &[RouteFact],
    choices: &[(Ref, usize)],
    values: &Values<'_>,
) -> Start {
    let said = navigator.property("initialRouteName", values);
    if let Some(start) = said.and_then(|said| start_said(&said, created, values)) {
        return start;
    }
    let first = routes.iter().enumerate().filter(|(i, fact)| !is_covered(&fact.arms, &routes[..*i], choices));
    Start::new(first.map(|(_, fact)| StartFact::first(fact)), false)
}

/// The start that a navigator names, on each way of a choice; `None` where it names none after all.
pub(in crate::recover::react_native) fn start_said(
    said: &Expr,
    created: Ref,
    values: &Values<'_>,
) -> Option<Start> {
    let found = values.eval(said);
    if let [Value { datum: Datum::Null, .. }] = found.as_slice() {
        return None;
    }
    let checked = list(created, values).is_some_and(|list| is_list(list, values))
        && !matches!(values.kind(said.at), Kind::Cast { .. });
    let at: At = code::node_at(said.at, values);
    let known = found.iter().filter_map(|value| {
        let literal = value.form == crate::model::Form::Literal;
        Some(StartFact { name: value.shape()?.plain()?, literal, checked, at })
    });
    let known: Vec<StartFact> = known.collect();
    Some(if known.len() < found.len() { Start::AtRunTime(known) } else { Start::Said(known) })
}

/// Whether, wherever a screen is there, one before it is as well.
fn is_covered(arms: &[(Ref, usize)], before: &[RouteFact], choices: &[(Ref, usize)]) -> bool {
    if before.iter().any(|other| other.arms.iter().all(|arm| arms.contains(arm))) {
        return true;
    }
    choices.iter().any(|(choice, count)| {
        (0..*count).all(|way| {
            before.iter().any(|other| {
                other.arms.contains(&(*choice, way))
                    && other.arms.iter().all(|arm| arm.0 == *choice || arms.contains(arm))
            })
        })
    })
}
