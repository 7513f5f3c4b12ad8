//! Containers, their hosts, and the routes and actions in them.

use super::graph::{Action, Container, Graph, Host, HostProblem, Route, Unwired};
use super::patterns::fit;
use crate::names::{nearest, without_names};

use super::owners::Owners;
use super::shadows;
use crate::facts::{
    ActionFact, CallFact, Choice, ChosenStart, ContainerFact, ContainerId, Holds, HostFact, IncludeFact,
    InflateFact, Opened, Owner, RouteFact, RouteId, ScreenId, ShownBy, Shows, Sight, Space, Start, StartFact,
    Takes, TargetFact, UsedFact,
};
use crate::values::{Shape, Values};
use rustc_hash::{FxHashMap, FxHashSet};

/// Gives containers the starts that are said apart from them, and else, where that is so, their first
/// route's.
pub(super) fn choose_starts(
    containers: &mut [ContainerFact],
    chosen: Vec<ChosenStart>,
    routes: &[RouteFact],
) {
    for choice in chosen {
        if let Some(container) = containers.iter_mut().find(|container| container.key == choice.container) {
            container.start.add(choice.start);
        }
    }
    for container in containers {
        let Start::FirstDeclared(said) = &container.start else { continue };
        container.start = if said.is_empty() {
            let own = routes.iter().filter(|route| route.container == Some(container.key));
            let first = own.min_by_key(|route| (route.order, route.at));
            Start::said_if_any(first.map(StartFact::first))
        } else {
            Start::Said(said.clone())
        };
    }
}

/// Adds containers, joins included ones, and finds who shows which.
pub(super) fn add(
    facts: Vec<ContainerFact>,
    includes: &[IncludeFact],
    hosts: Vec<HostFact>,
    inflates: &[InflateFact],
    used: &[UsedFact],
    owners: &Owners<'_>,
    graph: &mut Graph<'_>,
) {
    let by_key: FxHashMap<_, ContainerId> =
        facts.iter().enumerate().map(|(i, fact)| (fact.key, ContainerId::from_usize(i))).collect();
    for fact in facts {
        let parents = fact.parent.and_then(|key| by_key.get(&key).copied()).into_iter().collect();
        graph.containers.push(Container {
            hosted: fact.shown_by.is_host(),
            says: fact.start.clone(),
            incomplete: fact.holds == Holds::MayBeMore,
            fact,
            parents,
            start: None,
            starts: Vec::new(),
            broken: false,
            is_app: false,
        });
    }
    let by_path: FxHashMap<String, ScreenId> =
        graph.screens.iter_enumerated().map(|(i, screen)| (screen.fact.path.clone(), i)).collect();
    for container in graph.containers.indices() {
        let fact = &graph.containers[container].fact;
        let shown_in = fact.shown_in.as_ref().and_then(|path| by_path.get(path.as_str()).copied());
        let screens: Vec<ScreenId> =
            fact.sites.iter().flat_map(|&site| owners.of(site)).chain(shown_in).collect();
        graph.containers[container].is_app = fact.shown_by == ShownBy::App && screens.is_empty();
        screens.into_iter().for_each(|screen| graph.screens[screen].hosts.push(container));
    }
    for include in includes {
        let Some(&into) = by_key.get(&include.into) else { continue };
        let inside = named(graph, &include.resource);
        if inside.is_empty() {
            graph.containers[into].incomplete = true;
        }
        for inner in inside {
            if inner != into {
                graph.containers[inner].parents.push(into);
            }
        }
    }
    for inflate in inflates {
        let screens = owners.of(inflate.site);
        for container in inflate.graph.as_deref().map(|name| named(graph, name)).unwrap_or_default() {
            graph.containers[container].hosted = true;
            if let Some(start) = &inflate.start {
                let start = StartFact::new(start.clone(), graph.containers[container].fact.key.0);
                graph.containers[container].says = Start::Perhaps(vec![start]);
            }
            screens.iter().for_each(|&screen| graph.screens[screen].hosts.push(container));
        }
    }
    for fact in hosts {
        add_host(fact, inflates, owners, graph);
    }
    for screen in &mut graph.screens {
        screen.hosts.sort_unstable();
        screen.hosts.dedup();
    }
    let mentioned = used.iter().filter(|fact| fact.kind == "navigation");
    for container in mentioned.flat_map(|fact| named(graph, &fact.name)).collect::<Vec<_>>() {
        graph.containers[container].hosted = true;
    }
    find_unhosted(graph);
}

/// Containers of a resource name: several where build variants each have their own.
fn named(graph: &Graph<'_>, resource: &str) -> Vec<ContainerId> {
    let found =
        graph.containers.iter_enumerated().filter(|(_, c)| c.fact.resource.as_deref() == Some(resource));
    found.map(|(i, _)| i).collect()
}

fn add_host(fact: HostFact, inflates: &[InflateFact], owners: &Owners<'_>, graph: &mut Graph<'_>) {
    if fact.fixed.is_some() {
        graph.hosts.push(Host { fact, screens: Vec::new(), containers: Vec::new() });
        return;
    }
    let shows = |layouts: &[String]| layouts.contains(&fact.layout);
    let screens: Vec<ScreenId> =
        graph.screens.iter_enumerated().filter(|(_, s)| shows(&s.layouts)).map(|(i, _)| i).collect();
    let mut containers = Vec::new();
    if let Some((name, at)) = &fact.graph {
        containers = named(graph, name);
        if containers.is_empty() {
            graph.host_problems.push(HostProblem { what: Unwired::NoSuchGraph(name.clone()), at: *at });
        }
    } else {
        let in_code = inflates.iter().any(|inflate| {
            let owners = owners.of(inflate.site);
            owners.is_empty() || owners.iter().any(|screen| screens.contains(screen))
        });
        if !in_code && !screens.is_empty() {
            graph.host_problems.push(HostProblem { what: Unwired::HostWithoutGraph, at: fact.at });
        }
    }
    if !fact.identified {
        graph.host_problems.push(HostProblem { what: Unwired::HostWithoutId, at: fact.at });
    }
    for &container in &containers {
        graph.containers[container].hosted = true;
        screens.iter().for_each(|&screen| graph.screens[screen].hosts.push(container));
    }
    graph.hosts.push(Host { fact, screens, containers });
}

/// A graph that is a whole file, and that nothing shows or includes.
fn find_unhosted(graph: &mut Graph<'_>) {
    let only_broken: FxHashSet<ContainerId> = graph
        .containers
        .iter_enumerated()
        .filter(|(i, _)| {
            let mut shown = graph.hosts.iter().filter(|host| host.containers.contains(i)).peekable();
            shown.peek().is_some() && shown.all(|host| !host.fact.identified)
        })
        .map(|(i, _)| i)
        .collect();
    // Part of an app: the hosts are somewhere else.
    let hosts = graph.hosts.iter().any(|host| host.fact.fixed.is_none());
    if !hosts && !graph.containers.iter().any(|container| container.hosted) {
        return;
    }
    for i in graph.containers.indices() {
        let container = &graph.containers[i];
        if only_broken.contains(&i) {
            graph.containers[i].broken = true;
        } else if container.parents.is_empty()
            && !container.hosted
            && container.fact.shown_by == ShownBy::Another
        {
            let name =
                container.fact.name.clone().or_else(|| container.fact.resource.clone()).unwrap_or_default();
            let at = container.fact.key.0;
            graph.host_problems.push(HostProblem { what: Unwired::GraphWithoutHost(name), at });
            graph.containers[i].broken = true;
        }
    }
}

/// Adds routes: what they show, what they stand in, which is first.
pub(super) fn add_routes(
    facts: Vec<RouteFact>,
    calls: &[CallFact],
    graph: &mut Graph<'_>,
    values: Values<'_>,
) {
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
    facts.extend(undeclared_activities(calls, &declared, graph, values));
    let key = |fact: &RouteFact| (!fact.opened.at_launch(), fact.container.is_none());
    facts.sort_by(|a, b| (a.at, &a.name, key(a)).cmp(&(b.at, &b.name, key(b))));
    for fact in facts {
        let held = fact.holds.and_then(|key| by_key.get(&key).copied());
        let group = held.or_else(|| by_key.get(&crate::facts::ContainerKey(fact.at)).copied());
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
    find_empty(graph);
    stand_where_shown(graph);
    find_duplicates(graph);
    graph.index_names();
    shadows::find(graph);
    find_starts(graph);
    graph.namespaces = namespaces(values);
    graph.classes = values.program().classes().map(|class| values.program().path(class).to_owned()).collect();
}

/// Containers that are of no use with nothing in them, and have nothing.
fn find_empty(graph: &mut Graph<'_>) {
    let held: FxHashSet<ContainerId> = graph.routes.iter().filter_map(|route| route.container).collect();
    for container in graph.containers.indices() {
        let fact = &graph.containers[container].fact;
        if fact.holds == Holds::MustHold && !held.contains(&container) {
            graph.host_problems.push(HostProblem { what: Unwired::NothingIn, at: fact.key.0 });
        }
    }
}

/// A navigator that a screen shows stands in what the screen's routes stand in.
fn stand_where_shown(graph: &mut Graph<'_>) {
    for screen in graph.screens.indices() {
        let hosts = graph.screens[screen].hosts.clone();
        let inner = hosts.into_iter().filter(|&host| graph.containers[host].fact.stands_where_shown);
        for inner in inner.collect::<Vec<_>>() {
            for route in graph.screens[screen].routes.clone() {
                let outer = graph.routes[route].container;
                if graph.routes[route].is_group() {
                    graph.routes[route].group = Some(inner);
                }
                let parents = &mut graph.containers[inner].parents;
                parents.extend(outer.filter(|outer| *outer != inner && !parents.contains(outer)));
            }
        }
    }
}

/// Activities that something opens and no manifest declares are routes at their class.
fn undeclared_activities(
    calls: &[CallFact],
    declared: &FxHashSet<String>,
    graph: &Graph<'_>,
    values: Values<'_>,
) -> Vec<RouteFact> {
    use crate::model::{RouteKind, Style};
    let mut found: Vec<RouteFact> = Vec::new();
    for call in calls.iter().filter(|call| call.style == Style::ActivityIntent) {
        let TargetFact::Class(class) = call.target else { continue };
        let path = values.program().path(class).to_owned();
        let Some(screen) = graph.screens.iter().find(|screen| screen.fact.class == class) else { continue };
        if declared.contains(&format!("{} {path}", Style::ActivityIntent))
            || found.iter().any(|f| f.at == screen.fact.at)
        {
            continue;
        }
        let name = screen.fact.name.clone();
        found.push(RouteFact {
            shows: Shows::Class(path, screen.fact.at),
            opened: Opened::OnlyIfCalled,
            takes: Takes::as_read_if(true),
            ..RouteFact::new(Style::ActivityIntent, RouteKind::Activity, name, screen.fact.at)
        });
    }
    found
}

/// Of two destinations of one id in one graph the later replaces the earlier; of two patterns of one
/// shape in one host the earlier takes all calls.
fn find_duplicates(graph: &mut Graph<'_>) {
    let mut last: FxHashMap<(ContainerId, String), RouteId> = FxHashMap::default();
    let mut named: FxHashMap<(ContainerId, String), Vec<RouteId>> = FxHashMap::default();
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
            let earlier = named.entry((space, route.fact.name.clone())).or_default();
            let winner = earlier.iter().copied().find(|&other| !exclude(&graph.routes[other], route));
            earlier.push(i);
            graph.routes[i].loses_to = winner;
            continue;
        }
        let Some(pattern) = &route.fact.pattern else {
            if let Some(earlier) = last.insert((container, route.fact.name.clone()), i) {
                graph.routes[earlier].loses_to = Some(i);
            }
            continue;
        };
        let root = graph.roots(container).first().copied().unwrap_or(container);
        let winner = *last.entry((root, without_names(pattern))).or_insert(i);
        // A child without a path of its own is where its parent is.
        if winner != i && !is_above(graph, winner, i) {
            graph.routes[i].loses_to = Some(winner);
        }
    }
}

/// Whether two routes stand in different arms of one choice: they are never there at once.
fn exclude(one: &Route, other: &Route) -> bool {
    let arms = &other.fact.arms;
    one.fact.arms.iter().any(|(choice, arm)| arms.iter().any(|(same, own)| same == choice && own != arm))
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

fn find_starts(graph: &mut Graph<'_>) {
    for i in graph.containers.indices() {
        let container = &graph.containers[i];
        let wanted: Vec<String> = container.says.known().iter().map(|start| start.name.clone()).collect();
        let found: Vec<RouteId> = wanted.iter().filter_map(|name| start_named(graph, i, name)).collect();
        graph.containers[i].start = found.first().copied();
        let is_app = graph.containers[i].is_app;
        for &route in &found {
            graph.routes[route].start = true;
            graph.routes[route].entry |= is_app;
        }
        let meant = if found.is_empty() { presumed(graph, i, &wanted) } else { found };
        graph.containers[i].starts = meant;
        if graph.containers[i].start.is_none() {
            // Said and not there, or not said at all: reported once, there.
            let container = &mut graph.containers[i];
            container.broken |= !container.says.is_open() && !container.incomplete;
        }
    }
}

/// Where a start is said by a name that is only misspelt, what is behind it is reached all the same.
fn presumed(graph: &Graph<'_>, container: ContainerId, wanted: &[String]) -> Vec<RouteId> {
    let own: Vec<RouteId> = graph.routes_in(container).collect();
    let by_name = own.iter().any(|&route| graph.ways_of(route).first_of_a_name_counts());
    let Some(name) = wanted.first().filter(|_| by_name) else { return Vec::new() };
    let near = nearest(name, own.iter().map(|&route| graph.routes[route].fact.name.as_str()));
    let meant = own.into_iter().find(|&route| near.first() == Some(&graph.routes[route].fact.name));
    meant.into_iter().collect()
}

/// The route of a container that a start's name means.
fn start_named(graph: &Graph<'_>, container: ContainerId, name: &str) -> Option<RouteId> {
    let own = |route: &RouteId| graph.routes[*route].loses_to.is_none();
    let exact = graph.routes_in(container).filter(own).find(|&route| graph.routes[route].fact.name == name);
    let fits = |route: &RouteId| {
        let pattern = graph.routes[*route].fact.pattern.as_deref();
        pattern.is_some_and(|pattern| fit(&Shape::text(name, false), pattern).is_some())
    };
    let elsewhere = || {
        // A host without routes of its own shows any.
        let bare = graph.containers[container].fact.shown_by.is_host()
            && graph.routes_in(container).next().is_none();
        graph.routes_named(name).iter().copied().find(|_| bare)
    };
    // What stands in an inner container can be a start as well where names are seen from anywhere.
    let inner = || {
        let within = |route: &RouteId| {
            let fact = &graph.routes[*route].fact;
            let typed = graph.routes[*route].container.is_none() && fact.class.is_some();
            typed || graph.routes[*route].container.is_some_and(|inner| graph.is_within(inner, container))
        };
        let open = graph.containers[container].fact.sight == Sight::Anywhere;
        let all = graph.patterned_routes().iter().copied().filter(|_| open);
        all.filter(own).filter(within).find(fits)
    };
    let by_path = |route: &RouteId| own(route) && !graph.ways_of(*route).first_of_a_name_counts();
    exact.or_else(|| graph.routes_in(container).filter(by_path).find(fits)).or_else(inner).or_else(elsewhere)
}

/// The packages that the source declares, each cut after its second part.
fn namespaces(values: Values<'_>) -> Vec<String> {
    let program = values.program();
    let packages = program.parsed().map(|file| program.tree(file).package.to_string());
    let modules = program.sources().modules.iter().filter_map(|module| module.build.namespace.clone());
    let mut cut: Vec<String> = packages
        .chain(modules)
        .filter(|package| !package.is_empty())
        .map(|package| package.split('.').take(2).collect::<Vec<_>>().join(".") + ".")
        .collect();
    cut.sort_unstable();
    cut.dedup();
    cut
}

/// Adds actions and where each leads, as seen from what it belongs to.
pub(super) fn add_actions(facts: Vec<ActionFact>, graph: &mut Graph<'_>) {
    let routes: FxHashMap<_, RouteId> =
        graph.routes.iter_enumerated().map(|(i, route)| (route.fact.at, i)).collect();
    let containers: FxHashMap<_, ContainerId> =
        graph.containers.iter_enumerated().map(|(i, container)| (container.fact.key.0, i)).collect();
    for fact in facts {
        let (route, container) = match fact.owner {
            Owner::Route(key) => {
                let route = routes.get(&key.0).copied();
                (route, route.and_then(|route| graph.routes[route].container))
            }
            Owner::Container(key) => (None, containers.get(&key.0).copied()),
        };
        // An action without a destination only pops: it leads back to what it pops to.
        let name = fact.destination.as_ref().map(|(name, _)| name.clone()).or_else(|| fact.pop_up_to.clone());
        let known = fact.leads.and_then(|key| routes.get(&key.0).copied());
        let targets = match (name, container) {
            _ if known.is_some() => known.into_iter().collect(),
            (Some(name), Some(container)) => visible(graph, &name, container),
            _ => Vec::new(),
        };
        graph.actions.push(Action { fact, route, container, targets, used: false });
    }
}

/// Routes of a name that can be seen from inside a container: those in it and in each around it,
/// the nearest ones only. A container around it can be named too.
pub(super) fn visible(graph: &Graph<'_>, name: &str, container: ContainerId) -> Vec<RouteId> {
    for around in graph.around(container) {
        let own = |route: &RouteId| {
            graph.routes[*route].fact.name == name && graph.routes[*route].loses_to.is_none()
        };
        let found: Vec<RouteId> = graph.routes_in(around).filter(own).collect();
        if !found.is_empty() {
            return found;
        }
    }
    Vec::new()
}
