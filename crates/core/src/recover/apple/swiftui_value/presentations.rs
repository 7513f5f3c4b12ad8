//! What is shown by a flag or an item: sheets, covers, popovers, and destinations in the stack. Setting
//! the flag or the item is the call.

use super::destinations::{cases, choice_of, closure_of, closure_read, route, standing};
use super::stacks::place_of;
use super::targets::{case_of, opens, said_at};
use crate::facts::{CallFact, Facts, ParameterFact, RouteFact, RouteKey, Slot, TargetFact};
use crate::model::{Form, RouteKind, Style, Verb, Via};
use crate::recover::apple::shown::shown;
use crate::recover::apple::variables::{uses, variable_of, with_bindings};
use crate::recover::code;
use crate::syntax::{ClassKind, Kind};
use crate::values::{Expr, Ref, Values};

/// Modifiers that show something, and how.
const PRESENTERS: &[(&str, RouteKind, Verb)] = &[
    ("fullScreenCover", RouteKind::Sheet, Verb::Present),
    ("inspector", RouteKind::Sheet, Verb::Present),
    ("navigationDestination", RouteKind::Screen, Verb::Open),
    ("popover", RouteKind::Sheet, Verb::Present),
    ("sheet", RouteKind::Sheet, Verb::Present),
];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (name, kind, verb) in PRESENTERS {
        for (at, call) in code::calls(file, values, &[name]) {
            let arg = |label: &str| {
                let found = call.args.iter().find(|arg| arg.name.as_deref() == Some(label))?;
                Some(Expr::new(Ref { file, id: found.value }))
            };
            let (flag, item) = (arg("isPresented"), arg("item"));
            let Some(closure) = closure_of(at, call, values) else { continue };
            let Some(bound) = flag.as_ref().or(item.as_ref()) else { continue };
            if values.calls_own_function(&Expr::new(at), call) {
                continue;
            }
            let stands = match kind {
                RouteKind::Screen => standing(at, values, facts),
                _ => Vec::new(),
            };
            if let Some(cases) = item.as_ref().and_then(|item| by_case(item, &closure, values, facts)) {
                let flag = Flag {
                    style: Style::SwiftuiValue,
                    verb: *verb,
                    name: String::new(),
                    target: TargetFact::Routes(cases.iter().map(|route| RouteKey(route.at)).collect()),
                    item: None,
                    cases: cases
                        .iter()
                        .filter_map(|route| Some((route.class?, RouteKey(route.at))))
                        .collect(),
                };
                let made =
                    cases.into_iter().map(|fact| RouteFact { kind: *kind, stands: stands.clone(), ..fact });
                facts.routes.extend(made);
                for variable in item.iter().flat_map(|item| bound_to(at, item, values)) {
                    flag_calls(variable, &flag, values, facts);
                }
                continue;
            }
            let Some(route) = presented(at, *kind, &closure, item.as_ref(), values, facts) else { continue };
            let variables = bound_to(at, bound, values);
            let flag = Flag {
                style: Style::SwiftuiValue,
                verb: *verb,
                name: route.name.clone(),
                target: TargetFact::Routes(vec![RouteKey(route.at)]),
                item: item.is_some().then(|| route.parameters.first().map(|p| p.name.clone())).flatten(),
                cases: Vec::new(),
            };
            // What a binding that is computed shows, its own setter says.
            if variables.is_empty() && values.parameter_of_function(bound).is_none() {
                continue;
            }
            facts.routes.push(RouteFact { stands, ..route });
            variables.into_iter().for_each(|variable| flag_calls(variable, &flag, values, facts));
        }
    }
}

/// The variables that say whether something is shown: that of the binding, or, in a helper that takes the
/// binding, those of its callers.
fn bound_to(at: Ref, bound: &Expr, values: &Values<'_>) -> Vec<Ref> {
    if let Some(own) = variable_of(bound, values) {
        return vec![own];
    }
    let sites = values.sites(at, bound).into_iter();
    sites.filter_map(|site| variable_of(&code::seen_through(&site.bind(bound), values), values)).collect()
}

/// The route of what is presented: named by its screen, with the item as its parameter.
fn presented(
    at: Ref,
    kind: RouteKind,
    closure: &Expr,
    item: Option<&Expr>,
    values: &Values<'_>,
    facts: &mut Facts,
) -> Option<RouteFact> {
    let views = shown(closure, values);
    let first = views.first()?;
    let name = values.class(first.class)?.name.to_string();
    let place = code::callee_at(at, values);
    let parameters: Vec<ParameterFact> =
        item.map(|item| parameter(item, closure, values)).into_iter().collect();
    if let Some(parameter) = parameters.first() {
        facts.reads.extend(closure_read(closure, parameter, values));
    }
    Some(RouteFact { kind, parameters, ..route(name, place, &views, closure.at, values) })
}

/// An item of several kinds: a route for each case of its enum that a switch shows something for.
fn by_case(item: &Expr, closure: &Expr, values: &Values<'_>, facts: &mut Facts) -> Option<Vec<RouteFact>> {
    let class = values.type_of(item)?.class?;
    (values.class(class)?.kind == ClassKind::Enum).then_some(())?;
    let choice = choice_of(closure, class, 0, values)?;
    Some(cases(class, &choice, values, facts)).filter(|cases| !cases.is_empty())
}

fn parameter(item: &Expr, closure: &Expr, values: &Values<'_>) -> ParameterFact {
    let tree = values.tree(closure.at);
    let given = match tree.kind(closure.at.id) {
        Kind::Lambda { params, .. } => params.first().copied(),
        _ => None,
    };
    let name = given.and_then(|id| tree.parameter(id)).map(|p| p.name.to_string());
    ParameterFact {
        name: name.filter(|name| name != "_").unwrap_or_else(|| "item".to_owned()),
        ty: values.type_of(item).map(|ty| ty.name.to_string()),
        required: true,
        nullable: false,
        default: None,
        via: Via::Argument,
        at: code::node_at(given.map_or(item.at, |id| Ref { file: closure.at.file, id }), values),
    }
}

/// What setting a flag, an item or a tag does.
pub(in crate::recover::apple) struct Flag {
    /// The style of what it shows.
    pub(in crate::recover::apple) style: Style,
    /// What it does when it is set.
    pub(in crate::recover::apple) verb: Verb,
    /// What it shows, for people.
    pub(in crate::recover::apple) name: String,
    /// What it shows.
    pub(in crate::recover::apple) target: TargetFact,
    /// The parameter that the value is.
    pub(in crate::recover::apple) item: Option<String>,
    /// What each case of an enum shows, where the value says which.
    pub(in crate::recover::apple) cases: Vec<(Ref, RouteKey)>,
}

/// The calls that set a flag or an item, wherever the variable or a binding of it is.
pub(in crate::recover::apple) fn flag_calls(
    variable: Ref,
    flag: &Flag,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    for held in with_bindings(variable, values) {
        for used in uses(held, values) {
            facts.calls.extend(flag_call(used, flag, values));
        }
    }
}

fn flag_call(used: Ref, flag: &Flag, values: &Values<'_>) -> Vec<CallFact> {
    let tree = values.tree(used);
    let Some(outer) = tree.node(used.id).parent else { return Vec::new() };
    let at = |id| Ref { file: used.file, id };
    match tree.kind(outer) {
        Kind::Assign { target, value, .. } if *target == used.id => {
            let site = at(outer);
            let value = Expr::new(at(*value));
            match tree.kind(value.at.id) {
                Kind::Bool(false) | Kind::Null => {
                    vec![CallFact::new(flag.style, Verb::Back, site, place_of(site, values))]
                }
                // Which of several it is, a helper's callers say.
                _ if !flag.cases.is_empty() => {
                    let said = said_at(site, &value, values).into_iter();
                    said.map(|(site, value)| set(site, flag, Some(&value), values)).collect()
                }
                _ => vec![set(site, flag, Some(&value), values)],
            }
        }
        Kind::Member(member) if member.of == used.id && member.name == "toggle" => {
            let call = tree.node(outer).parent.filter(|&up| tree.call(up).is_some());
            call.map(|call| set(at(call), flag, None, values)).into_iter().collect()
        }
        _ => Vec::new(),
    }
}

fn set(site: Ref, flag: &Flag, value: Option<&Expr>, values: &Values<'_>) -> CallFact {
    let seen = value.map(|value| code::seen_through(value, values));
    let value = seen.as_ref();
    if let Some(value) = value.filter(|_| !flag.cases.is_empty()) {
        let base = CallFact::new(flag.style, flag.verb, site, place_of(site, values));
        let call = opens(base, value, false, values);
        if let TargetFact::Unknown = call.target {
            return call;
        }
        let case = case_of(value, values).and_then(|case| flag.cases.iter().find(|(of, _)| *of == case));
        let target = case.map_or_else(|| flag.target.clone(), |(_, key)| TargetFact::Routes(vec![*key]));
        return CallFact { target, form: if case.is_some() { Form::Typed } else { Form::Computed }, ..call };
    }
    let argument = flag
        .item
        .as_ref()
        .zip(value)
        .map(|(name, value)| code::argument(Slot::Name(name.clone()), value, values));
    CallFact {
        target: flag.target.clone(),
        written: flag.name.clone(),
        form: Form::Typed,
        arguments: argument.into_iter().collect(),
        ..CallFact::new(flag.style, flag.verb, site, place_of(site, values))
    }
}
