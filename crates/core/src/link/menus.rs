//! Menus tied to navigation: each entry is a call, or names nothing.

use super::graph::{Call, Graph, HostProblem, Unwired};
use super::owners::Owners;
use crate::facts::{
    CallFact, ContainerId, HandledFact, MenuFact, MenuItem, MenuSetup, MenuView, RouteId, ScreenId,
    TargetFact,
};
use crate::model::{CallStatus, Form, Style, Verb};
use rustc_hash::FxHashSet;

/// What is known of an app's menus.
pub(super) struct Menus {
    pub(super) menus: Vec<MenuFact>,
    pub(super) views: Vec<MenuView>,
    pub(super) setups: Vec<MenuSetup>,
    pub(super) handled: Vec<HandledFact>,
}

/// A menu that is tied to navigation.
struct Tied<'m> {
    menu: &'m MenuFact,
    verb: Verb,
    screens: Vec<ScreenId>,
    setup: &'m MenuSetup,
    /// Whether an entry without a route can only be a slip.
    strict: bool,
}

/// The calls that entries make; entries that name nothing become problems.
pub(super) fn calls(menus: Menus, owners: &Owners<'_>, graph: &mut Graph<'_>) -> Vec<Call> {
    let mut calls: Vec<Call> = Vec::new();
    let handled: FxHashSet<(ScreenId, &str)> = menus
        .handled
        .iter()
        .flat_map(|fact| owners.of(fact.site).into_iter().map(|screen| (screen, fact.id.as_str())))
        .collect();
    for tied in tied(&menus, owners, graph) {
        let answered = |id: &str| tied.screens.iter().any(|screen| handled.contains(&(*screen, id)));
        for item in &tied.menu.items {
            if calls.iter().any(|call| call.fact.at == item.at && call.fact.verb == tied.verb) {
                continue;
            }
            let targets = targets(item, &tied, graph);
            if !targets.is_empty() {
                calls.push(call(item, &tied, targets, graph));
            } else if tied.strict && !answered(&item.id) {
                let what = Unwired::EntryWithoutRoute(item.id.clone());
                if !graph.host_problems.iter().any(|problem| problem.at == item.id_at) {
                    graph.host_problems.push(HostProblem { what, at: item.id_at });
                }
            }
        }
    }
    calls
}

fn tied<'m>(menus: &'m Menus, owners: &Owners<'_>, graph: &Graph<'_>) -> Vec<Tied<'m>> {
    let mut found = Vec::new();
    for setup in &menus.setups {
        let screens = owners.of(setup.site);
        if let Some(name) = &setup.menu {
            let menu = menus.menus.iter().filter(|menu| menu.name == *name);
            found.extend(menu.map(|menu| Tied {
                menu,
                verb: Verb::Open,
                screens: screens.clone(),
                setup,
                strict: false,
            }));
            continue;
        }
        for view in &menus.views {
            let shown = |screen: &ScreenId| graph.screens[*screen].layouts.contains(&view.layout);
            let on: Vec<ScreenId> = screens.iter().copied().filter(shown).collect();
            let meant = match (&setup.view, &view.id) {
                (Some(wanted), Some(id)) => plain(wanted) == plain(id),
                _ => true,
            };
            if !on.is_empty() && meant {
                let menu = menus.menus.iter().filter(|menu| menu.name == view.menu);
                found.extend(menu.map(|menu| Tied {
                    menu,
                    verb: view.verb,
                    screens: on.clone(),
                    setup,
                    strict: true,
                }));
            }
        }
    }
    found
}

/// A binding spells `bottom_bar` as `bottomBar`.
fn plain(id: &str) -> String {
    id.replace('_', "").to_lowercase()
}

/// Routes of the entry's id in the graphs that the screens host or stand in.
fn targets(item: &MenuItem, tied: &Tied<'_>, graph: &Graph<'_>) -> Vec<RouteId> {
    let mut roots: Vec<ContainerId> = Vec::new();
    for &screen in &tied.screens {
        roots.extend(graph.screens[screen].hosts.iter().flat_map(|&c| graph.roots(c)));
        let standing = graph.screens[screen].routes.iter().filter_map(|&route| graph.routes[route].container);
        roots.extend(standing.flat_map(|c| graph.roots(c)));
    }
    let within = |container: ContainerId| {
        roots.is_empty() || graph.around(container).iter().any(|c| roots.contains(c))
    };
    let named = graph.routes_named(&item.id).iter().copied();
    named
        .filter(|&i| {
            let route = &graph.routes[i];
            let place = route.container.or(route.group);
            route.loses_to.is_none() && place.is_some_and(within)
        })
        .collect()
}

fn call(item: &MenuItem, tied: &Tied<'_>, targets: Vec<RouteId>, graph: &Graph<'_>) -> Call {
    Call {
        ways: graph.ways(Style::FragmentGraph),
        fact: CallFact {
            target: TargetFact::Ids(vec![item.id.clone()]),
            written: format!("@id/{}", item.id),
            form: Form::Resource,
            ..CallFact::new(Style::FragmentGraph, tied.verb, tied.setup.site, item.at)
        },
        screens: tied.screens.clone(),
        targets,
        leads_on: Vec::new(),
        status: CallStatus::Resolved,
        action: None,
        out_of_scope: None,
        unknown: None,
        raw: Vec::new(),
        arguments: Vec::new(),
    }
}
