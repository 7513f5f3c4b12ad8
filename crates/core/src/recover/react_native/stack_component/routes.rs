//! What elements and entries have in common: a name, what it shows, what it takes.

use crate::facts::{At, ContainerKey, Facts, ParameterFact, RouteFact, Shows, Takes};
use crate::model::{RouteKind, Style, Via};
use crate::recover::code;
use crate::recover::react_native::components::{Shown, holds_navigator, path, screen};
use crate::recover::react_native::element::key_of;
use crate::recover::react_native::list_types::{of_component, of_hooks, of_list};
use crate::values::{Expr, Ref, Values};

/// A screen as its navigator names it.
pub(super) struct Named {
    /// Its name.
    pub(super) name: String,
    /// What it shows.
    pub(super) shown: Shown,
    /// What it is given at first, as an object.
    pub(super) initial: Option<Expr>,
    /// The call that makes its navigator.
    pub(super) created: Ref,
    /// What it stands in.
    pub(super) container: ContainerKey,
    /// Where it is declared.
    pub(super) at: At,
}

/// The key of a navigator that is declared as an object.
pub(super) fn key_of_object(created: Ref, values: &Values<'_>) -> ContainerKey {
    ContainerKey(code::callee_at(created, values))
}

/// The list of parameters that a navigator is made with.
pub(super) fn list(created: Ref, values: &Values<'_>) -> Option<Ref> {
    let ty = values.tree(created).call(created.id)?.types.first()?;
    values.class_named(created, &ty.name)
}

/// The route that a screen is, and the screen that it shows.
pub(super) fn route(named: Named, values: &Values<'_>, facts: &mut Facts) -> RouteFact {
    let kind = match &named.shown {
        Shown::Own(component) if holds_navigator(*component, values) => RouteKind::Group,
        Shown::Navigator(_) => RouteKind::Group,
        _ if code::callee_name(named.created, values).contains("Tab") => RouteKind::Tab,
        _ => RouteKind::Screen,
    };
    let component = match &named.shown {
        Shown::Own(component) => Some(*component),
        _ => None,
    };
    let declared = match kind {
        RouteKind::Group => Some(Vec::new()),
        _ => list(named.created, values)
            .and_then(|list| of_list(list, &named.name, values))
            .or_else(|| component.and_then(|at| of_component(at, values).or_else(|| of_hooks(at, values)))),
    };
    let from_reads = declared.is_none();
    let given = named.initial.as_ref().and_then(|initial| values.entries(initial));
    let given: Vec<String> = given
        .map(|entries| entries.known.iter().filter_map(|(key, _)| key_of(key, values)).collect())
        .unwrap_or_default();
    let own = || named.initial.as_ref().map(|initial| defaults(initial, values)).unwrap_or_default();
    let mut parameters = declared.unwrap_or_else(own);
    for parameter in parameters.iter_mut().filter(|parameter| given.contains(&parameter.name)) {
        parameter.required = false;
    }
    if let Some(component) = component {
        facts.screens.extend(screen(component, values));
    }
    RouteFact {
        shows: match &named.shown {
            Shown::Own(component) => Shows::Class(path(*component, values), named.at),
            Shown::Missing => Shows::Nothing,
            Shown::Navigator(_) | Shown::Unknown => Shows::NotApplicable,
        },
        holds: match named.shown {
            Shown::Navigator(created) => Some(key_of_object(created, values)),
            _ => None,
        },
        container: Some(named.container),
        parameters,
        takes: Takes::as_read_if(from_reads),
        ..RouteFact::new(Style::StackComponent, kind, named.name, named.at)
    }
}

/// Values that a route is given where it is declared.
pub(in crate::recover::react_native) fn defaults(given: &Expr, values: &Values<'_>) -> Vec<ParameterFact> {
    let entries = values.entries(given).map(|entries| entries.known).unwrap_or_default();
    let known = entries.iter().filter_map(|(key, value)| {
        Some(ParameterFact {
            name: key_of(key, values)?,
            ty: None,
            required: false,
            nullable: false,
            default: Some(values.written(value.at)),
            via: Via::Argument,
            at: code::node_at(key.at, values),
        })
    });
    known.collect()
}
