//! Stacks whose destinations are registered by views: what stands in which, and what a value opens there
//! (developer.apple.com, "navigationDestination(for:destination:)": the one nearest to the root counts).

use super::graph::Graph;
use crate::facts::{ContainerId, Presents, RouteId, ScreenId, Sight, Standing, ValueType};
use crate::model::RouteKind;
use crate::owners::Owners;
use oxc_index::IndexVec;
use rustc_hash::FxHashMap;

/// A place in a stack.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Stood {
    /// The stack.
    pub stack: ContainerId,
    /// At the bottom of it, not pushed later.
    pub at_root: bool,
    /// The screen shows the stack itself.
    pub shows: bool,
}

/// Finds which stacks registrations and screens stand in, and which of several registrations counts.
pub(super) fn stand(owners: &Owners<'_>, graph: &mut Graph<'_>) {
    let stacks: Vec<ContainerId> =
        graph.containers.indices().filter(|&c| graph.containers[c].sight == Sight::AtOrAbove).collect();
    if stacks.is_empty() {
        return;
    }
    roots(&stacks, graph);
    let by_key: FxHashMap<_, ContainerId> =
        stacks.iter().map(|&stack| (graph.containers[stack].fact.key, stack)).collect();
    let mut holders: IndexVec<RouteId, Vec<ScreenId>> = oxc_index::index_vec![Vec::new(); graph.routes.len()];
    for (route, held) in holders.iter_mut_enumerated() {
        for standing in graph.routes[route].fact.stands.clone() {
            match standing {
                Standing::In(key) => {
                    if let Some(&stack) = by_key.get(&key) {
                        let stood = Stood { stack, at_root: true, shows: false };
                        add(&mut graph.routes[route].stacks, stood);
                    }
                }
                Standing::With(site) => held.extend(owners.of(site)),
            }
        }
    }
    let tabs = tabs(graph);
    // Who shows a screen puts it, and what it registers, in its own stack.
    loop {
        let mut grew = false;
        for (route, held) in holders.iter_enumerated() {
            for stood in held.iter().flat_map(|&screen| graph.screens[screen].stacks.clone()) {
                grew |= add(&mut graph.routes[route].stacks, stood);
            }
            let Some(screen) = graph.routes[route].screen else { continue };
            for stood in graph.routes[route].stacks.clone() {
                grew |=
                    add(&mut graph.screens[screen].stacks, Stood { at_root: false, shows: false, ..stood });
            }
        }
        for &(outer, inner) in &tabs {
            for stood in graph.screens[outer].stacks.clone().into_iter().filter(|stood| !stood.shows) {
                grew |= add(&mut graph.screens[inner].stacks, stood);
            }
        }
        if !grew {
            break;
        }
    }
    for (route, held) in holders.into_iter_enumerated() {
        graph.routes[route].registered_by = held;
    }
    find_losers(graph);
    for route in &mut graph.routes {
        route.container = route.container.or_else(|| route.stacks.first().map(|stood| stood.stack));
    }
}

/// Screens with those that are tabs in them, unless a tab has a stack of its own.
fn tabs(graph: &Graph<'_>) -> Vec<(ScreenId, ScreenId)> {
    let mut found = Vec::new();
    for route in graph.routes.iter().filter(|route| route.fact.kind == RouteKind::Tab) {
        let (Some(inner), Some(container)) = (route.screen, route.container) else { continue };
        if graph.screens[inner].stacks.is_empty() {
            let outer = graph.screens.indices().filter(|&s| graph.screens[s].hosts.contains(&container));
            found.extend(outer.map(|outer| (outer, inner)));
        }
    }
    found
}

fn roots(stacks: &[ContainerId], graph: &mut Graph<'_>) {
    for &stack in stacks {
        let roots = graph.containers[stack].fact.roots.clone();
        for screen in &mut graph.screens {
            let shows = screen.hosts.contains(&stack);
            let stands = roots.contains(&screen.fact.path);
            if stands || shows {
                add(&mut screen.stacks, Stood { stack, at_root: true, shows: shows && !stands });
            }
        }
    }
}

fn add(all: &mut Vec<Stood>, stood: Stood) -> bool {
    match all.iter().position(|known| known.stack == stood.stack) {
        Some(at) if stood.at_root && !all[at].at_root => {
            all[at].at_root = true;
            true
        }
        Some(_) => false,
        None => {
            all.push(stood);
            true
        }
    }
}

/// A registration above another of the same type never counts, if that is so in every stack.
fn find_losers(graph: &mut Graph<'_>) {
    let at_root = |route: RouteId, stack: ContainerId| {
        graph.routes[route].stacks.iter().any(|stood| stood.stack == stack && stood.at_root)
    };
    let mut lost = Vec::new();
    for route in graph.routes.indices() {
        let this = &graph.routes[route];
        let Some(registers) = this.fact.registers.as_ref().filter(|_| !this.stacks.is_empty()) else {
            continue;
        };
        let winner = |stack: ContainerId| {
            graph.routes.indices().find(|&other| {
                other != route
                    && graph.routes[other].fact.registers.as_ref() == Some(registers)
                    && graph.routes[other].fact.class == this.fact.class
                    && at_root(other, stack)
            })
        };
        let winners: Option<Vec<RouteId>> =
            this.stacks.iter().map(|stood| if stood.at_root { None } else { winner(stood.stack) }).collect();
        lost.extend(winners.and_then(|winners| winners.first().copied()).map(|winner| (route, winner)));
    }
    for (route, winner) in lost {
        graph.routes[route].loses_to = Some(winner);
    }
}

/// What a value opens.
pub(super) enum Opened {
    /// These, as seen from the call.
    Routes(Vec<RouteId>),
    /// Nothing is registered for the type.
    Nothing,
    /// These are registered, but not where the call can see them: why.
    OutOfSight(Vec<RouteId>, String),
}

/// What a value of a type opens from places in stacks; none are known where the call's own place is not.
pub(super) fn opened(ty: &ValueType, from: &[Stood], screens: &[ScreenId], graph: &Graph<'_>) -> Opened {
    let all: Vec<RouteId> = match ty.nullable {
        // Another type than the plain one.
        true => Vec::new(),
        false => graph.routes.indices().filter(|&route| takes(route, ty, graph)).collect(),
    };
    if all.is_empty() {
        return Opened::Nothing;
    }
    let counting = || all.iter().copied().filter(|&route| graph.routes[route].loses_to.is_none()).collect();
    // A registration whose own place is not known may be anywhere.
    let placed = all.iter().all(|&route| !graph.routes[route].stacks.is_empty());
    if from.is_empty() && placed && are_presented_alone(screens, graph) {
        let reason = "what is presented stands outside of every stack, and this screen opens none";
        return Opened::OutOfSight(counting(), reason.to_owned());
    }
    if from.is_empty() || !placed {
        return Opened::Routes(counting());
    }
    let mut found = Vec::new();
    for &here in from {
        let stands =
            |route: RouteId| graph.routes[route].stacks.iter().copied().find(|s| s.stack == here.stack);
        let seen: Vec<(RouteId, Stood)> = all
            .iter()
            .filter_map(|&route| Some((route, stands(route)?)))
            .filter(|(route, stood)| {
                stood.at_root
                    || !here.at_root
                    || graph.routes[*route].registered_by.iter().any(|holder| screens.contains(holder))
            })
            .collect();
        let lowest = seen.iter().any(|(_, stood)| stood.at_root);
        found.extend(seen.into_iter().filter(|(_, stood)| stood.at_root == lowest).map(|(route, _)| route));
    }
    found.sort_unstable();
    found.dedup();
    if !found.is_empty() {
        return Opened::Routes(found);
    }
    let same = all.iter().any(|&route| {
        graph.routes[route].stacks.iter().any(|stood| from.iter().any(|here| here.stack == stood.stack))
    });
    let reason = match same {
        true => "it is registered on a view that is opened later, not here or below",
        false => "it is registered in another stack",
    };
    Opened::OutOfSight(counting(), reason.to_owned())
}

/// Whether screens are shown by nothing but presentations, without a stack around or in them.
fn are_presented_alone(screens: &[ScreenId], graph: &Graph<'_>) -> bool {
    let alone = |&screen: &ScreenId| {
        let screen = &graph.screens[screen];
        let apart = |&route: &RouteId| {
            let route = &graph.routes[route];
            let ways = graph.ways(route.fact.style);
            route.fact.kind == RouteKind::Sheet && ways.presents == Presents::Apart
        };
        !screen.routes.is_empty() && screen.routes.iter().all(apart) && screen.hosts.is_empty()
    };
    !screens.is_empty() && screens.iter().all(alone)
}

/// Whether a route is for values of a type.
fn takes(route: RouteId, ty: &ValueType, graph: &Graph<'_>) -> bool {
    let fact = &graph.routes[route].fact;
    let Some(registers) = &fact.registers else { return false };
    match ty.class {
        Some(class) => {
            fact.class == Some(class)
                || registers.class == Some(class)
                // A case of an enum that is shown as a whole.
                || (fact.class == registers.class
                    && ty.name.rsplit_once('.').is_some_and(|(owner, _)| owner == registers.name))
        }
        None => registers.class.is_none() && registers.name == ty.name,
    }
}
