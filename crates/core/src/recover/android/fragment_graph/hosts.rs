//! Which graphs the hosts in layouts and in code show, and which graphs stand in others.

use super::facts::{GraphInclude, GraphNamed, HostView, Inflated};
use super::shown_layouts::ShownLayouts;
use crate::facts::{ContainerId, Unwired};
use crate::link::{Graph, Host, Join, Joining, Phase};

pub(super) const JOIN: Join = Join { after: Phase::Contained, join };

fn join(joining: &mut Joining<'_, '_>) {
    for include in joining.take::<GraphInclude>() {
        let outer = joining.graph().containers.position(|container| container.fact.key == include.into);
        let Some(outer) = outer else { continue };
        let inside = named(joining.graph(), &include.resource);
        if inside.is_empty() {
            joining.may_hold_more(outer);
        }
        inside.into_iter().filter(|inner| *inner != outer).for_each(|inner| joining.put_into(inner, outer));
    }
    let inflated = joining.take::<Inflated>();
    for inflated in &inflated {
        let screens = joining.owners_of(inflated.site);
        let graphs = inflated.graph.as_deref().map(|name| named(joining.graph(), name)).unwrap_or_default();
        for container in graphs {
            joining.show(container, &screens);
            if let Some(start) = &inflated.start {
                joining.start_with(container, start.clone());
            }
        }
    }
    let layouts = ShownLayouts::of(joining);
    let views = joining.take::<HostView>();
    let unidentified = views.iter().map(|view| add(view, &inflated, &layouts, joining)).collect::<Vec<_>>();
    excuse(&views, &unidentified, joining);
    for mentioned in joining.take::<GraphNamed>() {
        named(joining.graph(), &mentioned.resource).into_iter().for_each(|graph| joining.show(graph, &[]));
    }
    joining.keep(layouts);
}

/// Graphs of a resource name: several where build variants each have their own.
fn named(graph: &Graph<'_>, resource: &str) -> Vec<ContainerId> {
    let own = graph.containers.iter_enumerated();
    let own = own.filter(|(_, container)| container.fact.resource.as_deref() == Some(resource));
    own.map(|(i, _)| i).collect()
}

/// Adds a host. The graphs that it shows.
fn add(
    view: &HostView,
    inflated: &[Inflated],
    layouts: &ShownLayouts,
    joining: &mut Joining<'_, '_>,
) -> Vec<ContainerId> {
    let screens = layouts.screens_with(&view.layout);
    let mut containers = Vec::new();
    if let Some((name, at)) = &view.graph {
        containers = named(joining.graph(), name);
        if containers.is_empty() {
            joining.report(Unwired::NoSuchGraph(name.clone()), *at);
        }
    } else {
        let in_code = inflated.iter().any(|inflated| {
            let owners = joining.owners_of(inflated.site);
            owners.is_empty() || owners.iter().any(|screen| screens.contains(screen))
        });
        if !in_code && !screens.is_empty() {
            joining.report(Unwired::HostWithoutGraph, view.at);
        }
    }
    if !view.identified {
        joining.report(Unwired::HostWithoutId, view.at);
    }
    containers.iter().for_each(|&container| joining.show(container, &screens));
    joining.add_host(Host { id: view.id.clone(), screens, containers: containers.clone() });
    containers
}

/// A graph that only such hosts show as cannot be inflated is reported with them.
fn excuse(views: &[HostView], shown: &[Vec<ContainerId>], joining: &mut Joining<'_, '_>) {
    for container in joining.graph().containers.indices() {
        let showing = views.iter().zip(shown).filter(|(_, graphs)| graphs.contains(&container));
        let (identified, others): (Vec<_>, Vec<_>) = showing.partition(|(view, _)| view.identified);
        if identified.is_empty() && !others.is_empty() {
            joining.excuse(container);
        }
    }
}
