//! Routes: what they show, what they stand in, and which of several takes a call.

use super::graph::{Graph, Route};
use super::{containers, shadows, starts};
use crate::facts::{
    Choice, ContainerId, ContainerKey, Opened, RouteFact, RouteId, RouteKey, ScreenId, Shows, Space,
};
use crate::names::without_names;
use crate::source::are_alternatives;
use crate::values::Values;
use rustc_hash::{FxHashMap, FxHashSet};

/// Adds routes: what they show, what they stand in, which is first.
pub(super) fn add(facts: Vec<RouteFact>, graph: &mut Graph<'_>, values: Values<'_>) {
    let by_key: FxHashMap<_, ContainerId> =
        graph.containers.iter_enumerated().map(|(i, container)| (container.fact.key, i)).collect();
    let by_path: FxHashMap<String, ScreenId> =
        graph.screens.iter_enumerated().map(|(i, screen)| (screen.fact.path.clone(), i)).collect();
    let declared: FxHashSet<String> = facts
        .iter()
        .filter(|fact| fact.opened != Opened::OnlyIfCalled)
        .filter_map(|fact| match &fact.shows {
            Shows::Class(path, _) => Some(format!("{} {path}", fact.style)),
            _ => None,
        })
        .collect();
    let mut seen = FxHashSet::default();
    let mut facts = facts;
    let key = |fact: &RouteFact| (!fact.opened.at_launch(), fact.container.is_none());
    facts.sort_by(|a, b| (a.at, &a.name, key(a)).cmp(&(b.at, &b.name, key(b))));
    for fact in facts {
        let held = fact.holds.and_then(|key| by_key.get(&key).copied());
        let group = held.or_else(|| by_key.get(&ContainerKey(fact.at)).copied());
        // A graph that a host shows is no route; one that others hold is.
        if group.is_some_and(|group| {
            graph.containers[group].fact.resource.is_some() && graph.containers[group].parents.is_empty()
        }) {
            continue;
        }
        let screen = match &fact.shows {
            Shows::Class(path, _) => by_path.get(path).copied(),
            _ => None,
        };
        if let Shows::Class(path, _) = &fact.shows {
            let elsewhere =
                fact.opened == Opened::OnlyIfCalled && declared.contains(&format!("{} {path}", fact.style));
            // Who opens a screen by its class says again what others said.
            if elsewhere || !seen.insert((fact.style, fact.at, fact.name.clone())) {
                continue;
            }
        }
        let route = graph.routes.next_idx();
        let also = fact.also.iter().filter_map(|path| by_path.get(path).copied());
        for screen in screen.into_iter().chain(also) {
            if !graph.screens[screen].routes.contains(&route) {
                graph.screens[screen].routes.push(route);
            }
        }
        let container = fact.container.and_then(|key| by_key.get(&key).copied());
        let entry =
            matches!(fact.opened, Opened::AtLaunch | Opened::ByAddress) || !fact.deep_links.is_empty();
        let parameters = fact.parameters.clone();
        if let (Some(inner), Some(outer)) = (held, container) {
            graph.containers[inner].parents.push(outer);
        }
        graph.routes.push(Route {
            screen,
            container,
            group,
            start: fact.opened.at_launch(),
            parameters,
            stacks: Vec::new(),
            registered_by: Vec::new(),
            whole: None,
            loses_to: None,
            shadowed_by: None,
            reached: false,
            entry,
            fact,
        });
    }
    containers::find_empty(graph);
    containers::stand_where_shown(graph);
    find_duplicates(graph);
    graph.index_names();
    shadows::find(graph);
    starts::find(graph);
    graph.namespaces = namespaces(values);
    graph.classes = values.program().classes().map(|class| values.program().path(class).to_owned()).collect();
}

/// Of two destinations of one id in one graph the later replaces the earlier; of two patterns of one
/// shape in one host the earlier takes all calls.
fn find_duplicates(graph: &mut Graph<'_>) {
    let mut last: FxHashMap<(ContainerId, String), RouteId> = FxHashMap::default();
    let mut named: FxHashMap<(ContainerId, Option<RouteKey>, String), Vec<RouteId>> = FxHashMap::default();
    let mut in_order: Vec<RouteId> = graph.routes.indices().collect();
    in_order.sort_by_key(|&i| graph.routes[i].fact.order);
    for i in in_order {
        let route = &graph.routes[i];
        let (Some(container), false) = (route.container, route.fact.name.is_empty()) else { continue };
        if let Choice::FirstOfAName(space) = graph.ways_of(i).choice {
            let space = match space {
                Space::App => graph.roots(container).first().copied().unwrap_or(container),
                Space::Container => container,
            };
            let earlier = named.entry((space, route.fact.parent, route.fact.name.clone())).or_default();
            let winner = earlier.iter().copied().find(|&other| !exclude(graph, other, i));
            earlier.push(i);
            graph.routes[i].loses_to = winner;
            continue;
        }
        let Some(pattern) = &route.fact.pattern else {
            let earlier = last.insert((container, route.fact.name.clone()), i);
            if let Some(earlier) = earlier.filter(|&earlier| !exclude(graph, earlier, i)) {
                graph.routes[earlier].loses_to = Some(i);
            }
            continue;
        };
        let root = graph.roots(container).first().copied().unwrap_or(container);
        let winner = *last.entry((root, without_names(pattern))).or_insert(i);
        // A child without a path of its own is where its parent is.
        if winner != i && !is_above(graph, winner, i) && !exclude(graph, winner, i) {
            graph.routes[i].loses_to = Some(winner);
        }
    }
}

/// Whether two routes are never there at once: they stand in different arms of one choice, or in files
/// of which a build takes one.
fn exclude(graph: &Graph<'_>, one: RouteId, other: RouteId) -> bool {
    let (one, other) = (&graph.routes[one].fact, &graph.routes[other].fact);
    let mut arms = one
        .arms
        .iter()
        .flat_map(|(choice, arm)| other.arms.iter().map(move |(same, own)| same == choice && own != arm));
    let path = |fact: &RouteFact| graph.sources.files[fact.at.file as usize].path.as_str();
    arms.any(|apart| apart) || are_alternatives(path(one), path(other))
}

/// Whether a route is written around another.
fn is_above(graph: &Graph<'_>, outer: RouteId, inner: RouteId) -> bool {
    let mut parent = graph.routes[inner].fact.parent;
    let outer = graph.routes[outer].fact.at;
    for _ in 0..graph.routes.len() {
        match parent {
            Some(key) if key.0 == outer => return true,
            Some(key) => {
                let above = graph.routes.iter().find(|route| route.fact.at == key.0);
                parent = above.and_then(|route| route.fact.parent);
            }
            None => return false,
        }
    }
    false
}

/// Names of libraries share their first two parts with those who use them: `com.maker`.
const NAMESPACE_PARTS: usize = 3;

/// The namespaces of the modules and the packages that the source declares, each cut after its third
/// part. A package beside the modules' own is one of a library that is mended here: it stays whole.
fn namespaces(values: Values<'_>) -> Vec<String> {
    let program = values.program();
    let cut = |package: &str| package.split('.').take(NAMESPACE_PARTS).collect::<Vec<_>>().join(".") + ".";
    let modules = program.sources().modules.iter().filter_map(|module| module.build.namespace.as_deref());
    let own: Vec<String> = modules.map(cut).collect();
    let packages = program.parsed().map(|file| program.tree(file).package.as_str());
    let packages = packages.filter(|package| !package.is_empty()).map(|package| {
        let short = cut(package);
        if own.is_empty() || own.contains(&short) { short } else { format!("{package}.") }
    });
    let mut cut: Vec<String> = packages.collect();
    cut.extend(own);
    cut.sort_unstable();
    cut.dedup();
    cut
}
