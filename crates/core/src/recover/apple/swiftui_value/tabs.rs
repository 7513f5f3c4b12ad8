//! Tabs, by the tag or value that selects each (developer.apple.com, "TabView").

use super::destinations::{cases, choice_of, route};
use super::stacks::{STYLE, place_of};
use super::targets::case_of;
use crate::facts::{
    At, CallFact, ContainerFact, ContainerKey, Facts, HostHint, RedirectFact, RouteFact, RouteKey, ShownBy,
    Start, StartFact, TargetFact,
};
use crate::model::{Form, RouteKind, Verb};
use crate::recover::apple::shown::shown;
use crate::recover::apple::variables::{uses, variable_of, with_bindings};
use crate::recover::code;
use crate::syntax::{Call, ClassKind, Id, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// A tab and what selects it.
struct Tab {
    route: RouteFact,
}

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["TabView"]) {
        let is_set = call.args.iter().any(|arg| arg.name.as_deref() == Some("selection"));
        // Pages that are only swiped through are no places of their own.
        if values.calls_own_function(&Expr::new(at), call) || (!is_set && is_paged(at, values)) {
            continue;
        }
        let Some(content) =
            call.args.last().filter(|arg| matches!(values.tree(at).kind(arg.value), Kind::Lambda { .. }))
        else {
            continue;
        };
        let selection = call.args.iter().find(|arg| arg.name.as_deref() == Some("selection"));
        let selection =
            selection.and_then(|arg| variable_of(&Expr::new(Ref { file, id: arg.value }), values));
        let chosen = selection.and_then(|variable| type_of(variable, values));
        let tabs = tabs(Ref { file, id: content.value }, chosen, values, facts);
        if !tabs.is_empty() {
            declare(at, tabs, selection, values, facts);
        }
    }
}

/// The enum that a selection is of.
fn type_of(variable: Ref, values: &Values<'_>) -> Option<Ref> {
    let declared = values.tree(variable).variable(variable.id)?;
    match &declared.ty {
        Some(ty) => values.named_type(variable, ty)?.class,
        None => values.type_of(&Expr::new(Ref { file: variable.file, id: declared.init? }))?.class,
    }
}

/// The case that a tab's value is: what has no owner is one of the selection's.
fn tab_case(value: &Expr, chosen: Option<Ref>, values: &Values<'_>) -> Option<Ref> {
    let implied = match values.kind(value.at) {
        Kind::Member(member) if matches!(values.kind(value.with(member.of).at), Kind::Implied) => {
            &member.name
        }
        _ => return case_of(value, values),
    };
    match values.member_of_class(chosen?, implied)? {
        Def::Class(case) => Some(case),
        _ => None,
    }
}

/// Pages of one thing, swiped through.
fn is_paged(at: Ref, values: &Values<'_>) -> bool {
    let end = values.chain_end(at);
    let tree = values.tree(at);
    let mut id = end.id;
    while let Some(call) = tree.call(id) {
        let name = code::callee_name(Ref { file: at.file, id }, values);
        let page =
            |id: Id| tree.last_name(id).is_some_and(|(name, _)| name == "page" || name == "PageTabViewStyle");
        if name == "tabViewStyle"
            && call
                .args
                .iter()
                .any(|arg| page(arg.value) || tree.call(arg.value).is_some_and(|c| page(c.callee)))
        {
            return true;
        }
        match tree.receiver(call) {
            Some(of) => id = of,
            None => return false,
        }
    }
    false
}

fn tabs(content: Ref, chosen: Option<Ref>, values: &Values<'_>, facts: &mut Facts) -> Vec<Tab> {
    let tree = values.tree(content);
    let Kind::Lambda { body, .. } = tree.kind(content.id) else { return Vec::new() };
    let mut items = vec![*body];
    let mut found = Vec::new();
    while let Some(id) = items.pop() {
        match tree.kind(id) {
            Kind::Block(inside) | Kind::Other(inside) => items.extend(inside.iter().rev()),
            Kind::Branch { arms, .. } => items.extend(arms.iter().rev().map(|arm| arm.body)),
            Kind::Call(call)
                if matches!(
                    code::callee_name(Ref { file: content.file, id }, values),
                    "TabSection" | "Group"
                ) =>
            {
                items.extend(call.args.iter().filter_map(|arg| match tree.kind(arg.value) {
                    Kind::Lambda { body, .. } => Some(*body),
                    _ => None,
                }));
            }
            _ => found.extend(tab(Ref { file: content.file, id }, chosen, values, facts)),
        }
    }
    found
}

/// `Tab("Shelf", value: .shelf) { … }`, `ShelfView().tag(Tab.shelf)`, or a view with neither.
fn tab(at: Ref, chosen: Option<Ref>, values: &Values<'_>, facts: &mut Facts) -> Vec<Tab> {
    let tree = values.tree(at);
    let Some(call) = tree.call(at.id) else { return Vec::new() };
    let here = |id: Id| Expr::new(Ref { file: at.file, id });
    if code::callee_name(at, values) == "Tab" && tree.receiver(call).is_none() {
        let content = call.args.iter().rev().find(|arg| matches!(tree.kind(arg.value), Kind::Lambda { .. }));
        let Some(content) = content.map(|arg| Ref { file: at.file, id: arg.value }) else {
            return Vec::new();
        };
        let value = call.args.iter().find(|arg| arg.name.as_deref() == Some("value"));
        let value = value.map(|arg| here(arg.value));
        let place = code::callee_at(at, values);
        return of_each_case(content, value.as_ref(), chosen, values, facts)
            .unwrap_or_else(|| make(content, value, chosen, place, values).into_iter().collect());
    }
    let tag = modifier(at, "tag", values);
    let place = tag.map_or_else(|| code::callee_at(at, values), |(at, _)| code::callee_at(at, values));
    let value = tag.and_then(|(_, call)| call.args.first()).map(|arg| here(arg.value));
    of_each_case(at, value.as_ref(), chosen, values, facts)
        .unwrap_or_else(|| make(at, value, chosen, place, values).into_iter().collect())
}

/// `ForEach(AppTab.allCases) { tab in tab.content.tag(tab) }`: a tab for each case, by the switch that
/// says what each shows.
fn of_each_case(
    content: Ref,
    value: Option<&Expr>,
    chosen: Option<Ref>,
    values: &Values<'_>,
    facts: &mut Facts,
) -> Option<Vec<Tab>> {
    let is_one = value.is_some_and(|value| tab_case(value, chosen, values).is_some());
    let class = value.and_then(|value| values.type_of(value)?.class).or(chosen).filter(|_| !is_one)?;
    (values.class(class)?.kind == ClassKind::Enum).then_some(())?;
    let choice = choice_of(&Expr::new(content), class, 0, values)?;
    let routes = cases(class, &choice, values, facts).into_iter();
    Some(routes.map(|fact| Tab { route: RouteFact { kind: RouteKind::Tab, ..fact } }).collect())
}

fn make(
    content: Ref,
    value: Option<Expr>,
    chosen: Option<Ref>,
    place: At,
    values: &Values<'_>,
) -> Option<Tab> {
    let views = shown(&Expr::new(content), values);
    let first = views.first()?;
    let case = value.as_ref().and_then(|value| tab_case(value, chosen, values));
    let text = || value.as_ref().and_then(|value| values.plain_text(value));
    let number = || {
        value.as_ref().and_then(|value| match values.kind(value.at) {
            Kind::Number(text) => Some(text.to_string()),
            _ => None,
        })
    };
    let name = case
        .map(|case| values.class_path(case))
        .or_else(text)
        .or_else(number)
        .or_else(|| Some(values.class(first.class)?.name.to_string()))?;
    let fact = route(name, place, &views, content, values);
    Some(Tab { route: RouteFact { kind: RouteKind::Tab, class: case, ..fact } })
}

/// A modifier of a view, and its call.
fn modifier<'p>(at: Ref, name: &str, values: &Values<'p>) -> Option<(Ref, &'p Call)> {
    let tree = values.tree(at);
    let mut id = at.id;
    loop {
        let call = tree.call(id)?;
        let here = Ref { file: at.file, id };
        if code::callee_name(here, values) == name && tree.receiver(call).is_some() {
            return Some((here, call));
        }
        id = tree.receiver(call)?;
    }
}

fn declare(at: Ref, tabs: Vec<Tab>, selection: Option<Ref>, values: &Values<'_>, facts: &mut Facts) {
    let key = ContainerKey(code::callee_at(at, values));
    let chosen = selection.and_then(|variable| first_chosen(variable, values));
    let start = match (&chosen, selection) {
        (Some(start), _) => Some(start.clone()),
        (None, None) => tabs.first().map(|tab| StartFact::first(&tab.route)),
        _ => None,
    };
    facts.containers.push(ContainerFact {
        name: None,
        start: Start::said_if_any(start),
        shown_by: ShownBy::App,
        sites: vec![at],
        ..ContainerFact::new(key)
    });
    let keys: Vec<RouteKey> = tabs.iter().map(|tab| RouteKey(tab.route.at)).collect();
    for tab in tabs {
        // Whoever sees the bar gets to all that is in it.
        let target = TargetFact::Routes(vec![RouteKey(tab.route.at)]);
        facts.redirects.push(RedirectFact { style: STYLE, from: None, target });
        facts.routes.push(RouteFact { container: Some(key), ..tab.route });
    }
    if let Some(variable) = selection.filter(|_| !keys.is_empty()) {
        for held in with_bindings(variable, values) {
            for used in uses(held, values) {
                facts.calls.extend(selects(used, key, values));
            }
        }
    }
}

/// The tab that is chosen at first: what the variable starts with.
fn first_chosen(variable: Ref, values: &Values<'_>) -> Option<StartFact> {
    let init = values.tree(variable).variable(variable.id)?.init?;
    let value = Expr::new(Ref { file: variable.file, id: init });
    let at = code::node_at(value.at, values);
    if let Some(case) = case_of(&value, values) {
        return Some(StartFact::new(values.class_path(case), at));
    }
    if let Kind::Number(text) = values.kind(value.at) {
        return Some(StartFact::new(text.to_string(), at));
    }
    let found = values.eval(&value);
    let [one] = found.as_slice() else { return None };
    let name = one.shape()?.plain()?;
    Some(StartFact { literal: one.form == Form::Literal, ..StartFact::new(name, at) })
}

/// Setting the selection switches tabs.
fn selects(used: Ref, tabs: ContainerKey, values: &Values<'_>) -> Option<CallFact> {
    let tree = values.tree(used);
    let outer = tree.node(used.id).parent?;
    let Kind::Assign { target, value, .. } = tree.kind(outer) else { return None };
    (*target == used.id).then_some(())?;
    let site = Ref { file: used.file, id: outer };
    let value = Expr::new(Ref { file: used.file, id: *value });
    let base = CallFact {
        host: Some(HostHint::Container(tabs)),
        ..CallFact::new(STYLE, Verb::Tab, site, place_of(site, values))
    };
    let named = match (case_of(&value, values), values.kind(value.at)) {
        (Some(case), _) => Some(values.class_path(case)),
        (None, Kind::Number(text)) => Some(text.to_string()),
        _ => None,
    };
    Some(match named {
        Some(name) => CallFact {
            written: values.written(value.at),
            form: Form::Typed,
            target: TargetFact::Named(vec![crate::values::Shape::text(&name, false)]),
            ..base
        },
        None => code::said(base, &value, TargetFact::Named, values),
    })
}
