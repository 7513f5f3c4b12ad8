//! Look-ups over the graph: by name, container, class, screen and target.

use super::graph::{Call, Graph, Read};
use crate::facts::{ActionId, CallId, Choice, ContainerId, RouteId, ScreenId, Shows};
use crate::names::spelling;
use crate::values::Ref;
use oxc_index::IndexVec;
use rustc_hash::FxHashMap;

/// Look-ups by what lists are asked for most. Made by [`Graph::index_names`] and
/// [`Graph::index_uses`].
#[derive(Debug, Default)]
pub(super) struct Index {
    routes_by_name: FxHashMap<String, Vec<RouteId>>,
    actions_by_name: FxHashMap<String, Vec<ActionId>>,
    routes_by_container: FxHashMap<ContainerId, Vec<RouteId>>,
    routes_by_class: FxHashMap<String, Vec<RouteId>>,
    routes_with_links: Vec<RouteId>,
    routes_by_content: FxHashMap<u32, Vec<(Ref, RouteId)>>,
    redirects_by_target: FxHashMap<RouteId, Vec<usize>>,
    routes_with_patterns: Vec<RouteId>,
    routes_by_type: FxHashMap<Ref, Vec<RouteId>>,
    actions_by_spelling: FxHashMap<String, Vec<ActionId>>,
    route_of_group: FxHashMap<ContainerId, RouteId>,
    screens_by_class: FxHashMap<Ref, ScreenId>,
    calls_by_target: IndexVec<RouteId, Vec<CallId>>,
    calls_by_screen: IndexVec<ScreenId, Vec<CallId>>,
    reads_by_screen: IndexVec<ScreenId, Vec<usize>>,
}

impl Graph<'_> {
    /// Makes names findable, once routes and actions are there.
    pub(super) fn index_names(&mut self) {
        let mut index = Index::default();
        for (i, route) in self.routes.iter_enumerated() {
            index.routes_by_name.entry(route.fact.name.clone()).or_default().push(i);
            let included =
                route.group.map(|group| self.containers[group].parents.as_slice()).unwrap_or_default();
            let mut around: Vec<ContainerId> = route.container.iter().chain(included).copied().collect();
            around.sort_unstable();
            around.dedup();
            for container in around {
                index.routes_by_container.entry(container).or_default().push(i);
            }
            if let Some(group) = route.group {
                index.route_of_group.insert(group, i);
            }
            if let Shows::Class(path, _) = &route.fact.shows {
                let simple = path.rsplit('.').next().unwrap_or(path);
                index.routes_by_class.entry(simple.to_owned()).or_default().push(i);
            }
            if route.fact.pattern.is_some() {
                index.routes_with_patterns.push(i);
            }
            if let Some(class) = route.fact.class {
                index.routes_by_type.entry(class).or_default().push(i);
            }
            if !route.fact.deep_links.is_empty() {
                index.routes_with_links.push(i);
            }
            if let Some(content) = route.fact.content {
                index.routes_by_content.entry(content.file).or_default().push((content, i));
            }
        }
        for (i, action) in self.actions.iter_enumerated() {
            index.actions_by_name.entry(action.fact.name.clone()).or_default().push(i);
            index.actions_by_spelling.entry(spelling(&action.fact.name)).or_default().push(i);
        }
        index.screens_by_class = self.screens.iter_enumerated().map(|(i, s)| (s.fact.class, i)).collect();
        self.index = index;
    }

    /// Makes redirects findable from where they lead.
    pub(super) fn index_redirects(&mut self) {
        for (i, redirect) in self.redirects.iter().enumerate() {
            for &target in &redirect.targets {
                self.index.redirects_by_target.entry(target).or_default().push(i);
            }
        }
    }

    /// Whether a route leads on to this one by itself.
    #[must_use]
    pub fn is_redirected_to(&self, route: RouteId) -> bool {
        self.index.redirects_by_target.contains_key(&route)
    }

    /// The routes that are declared in a file by something that is shown in place.
    pub(super) fn contents_in(&self, file: u32) -> &[(Ref, RouteId)] {
        self.index.routes_by_content.get(&file).map_or(&[], Vec::as_slice)
    }

    /// Makes calls and reads findable from their screens and targets, once they are linked.
    pub(super) fn index_uses(&mut self) {
        let mut by_target = oxc_index::index_vec![Vec::new(); self.routes.len()];
        let mut by_screen = oxc_index::index_vec![Vec::new(); self.screens.len()];
        for (i, call) in self.calls.iter_enumerated() {
            call.targets.iter().for_each(|&target| by_target[target].push(i));
            call.screens.iter().for_each(|&screen| by_screen[screen].push(i));
        }
        let mut reads = oxc_index::index_vec![Vec::new(); self.screens.len()];
        for (i, read) in self.reads.iter().enumerate() {
            read.screens.iter().for_each(|&screen| reads[screen].push(i));
        }
        for (outer, root) in self.bottoms() {
            let own: Vec<CallId> =
                by_screen[root].iter().copied().filter(|call| !by_screen[outer].contains(call)).collect();
            by_screen[outer].extend(own);
        }
        self.index.calls_by_target = by_target;
        self.index.calls_by_screen = by_screen;
        self.index.reads_by_screen = reads;
    }

    /// Screens that hold a stack, each with what stands at the bottom of it and is no route's: one is
    /// seen with the other.
    fn bottoms(&self) -> Vec<(ScreenId, ScreenId)> {
        let by_path: FxHashMap<&str, ScreenId> =
            self.screens.iter_enumerated().map(|(i, screen)| (screen.fact.path.as_str(), i)).collect();
        let held = self.screens.iter_enumerated().flat_map(|(outer, screen)| {
            let roots = screen.hosts.iter().flat_map(|&container| &self.containers[container].fact.roots);
            roots.filter_map(|path| by_path.get(path.as_str()).copied()).map(move |root| (outer, root))
        });
        held.filter(|(outer, root)| outer != root).collect()
    }

    /// Routes of a name.
    #[must_use]
    pub fn routes_named(&self, name: &str) -> &[RouteId] {
        self.index.routes_by_name.get(name).map_or(&[], Vec::as_slice)
    }

    /// Actions of a name.
    #[must_use]
    pub fn actions_named(&self, name: &str) -> &[ActionId] {
        self.index.actions_by_name.get(name).map_or(&[], Vec::as_slice)
    }

    /// Actions that generated code would spell like this.
    #[must_use]
    pub fn actions_spelled(&self, generated: &str) -> &[ActionId] {
        self.index.actions_by_spelling.get(&spelling(generated)).map_or(&[], Vec::as_slice)
    }

    /// Routes that show a class of this simple name.
    #[must_use]
    pub fn routes_showing(&self, class: &str) -> &[RouteId] {
        self.index.routes_by_class.get(class).map_or(&[], Vec::as_slice)
    }

    /// Routes that are text.
    #[must_use]
    pub fn patterned_routes(&self) -> &[RouteId] {
        &self.index.routes_with_patterns
    }

    /// Routes that are text and asked one after the other.
    pub(super) fn patterned_in_order(&self) -> Vec<RouteId> {
        let ordered = |route: &RouteId| self.ways_of(*route).choice == Choice::InOrder;
        self.index.routes_with_patterns.iter().copied().filter(ordered).collect()
    }

    /// Routes that are registered by a class.
    #[must_use]
    pub fn routes_of_type(&self, class: Ref) -> &[RouteId] {
        self.index.routes_by_type.get(&class).map_or(&[], Vec::as_slice)
    }

    /// Routes that have addresses.
    #[must_use]
    pub fn linked_routes(&self) -> &[RouteId] {
        &self.index.routes_with_links
    }

    /// A route, and the groups that show it when they are opened.
    #[must_use]
    pub fn opened_as(&self, route: RouteId) -> Vec<RouteId> {
        let mut all = vec![route];
        while let Some(group) = self.group_started_by(all[all.len() - 1]).filter(|group| !all.contains(group))
        {
            all.push(group);
        }
        all
    }

    fn group_started_by(&self, route: RouteId) -> Option<RouteId> {
        let around = self.routes[route].container?;
        (self.containers[around].start == Some(route)).then(|| self.route_of_group(around)).flatten()
    }

    /// The screen that a class is.
    #[must_use]
    pub fn screen_of(&self, class: Ref) -> Option<ScreenId> {
        self.index.screens_by_class.get(&class).copied()
    }

    /// The route that stands for a container.
    #[must_use]
    pub fn route_of_group(&self, container: ContainerId) -> Option<RouteId> {
        self.index.route_of_group.get(&container).copied()
    }

    /// Calls that belong to a screen.
    pub fn calls_of(&self, screen: ScreenId) -> impl Iterator<Item = &Call> {
        self.index.calls_by_screen.get(screen).into_iter().flatten().map(|&call| &self.calls[call])
    }

    /// The routes directly in a container, groups of included containers among them.
    pub fn routes_in(&self, container: ContainerId) -> impl Iterator<Item = RouteId> + '_ {
        self.index.routes_by_container.get(&container).into_iter().flatten().copied()
    }

    /// Calls that resolve to a route.
    pub fn calls_to(&self, route: RouteId) -> impl Iterator<Item = &Call> {
        self.index.calls_by_target.get(route).into_iter().flatten().map(|&call| &self.calls[call])
    }

    /// Reads that belong to a screen.
    pub fn reads_of(&self, screen: ScreenId) -> impl Iterator<Item = &Read> {
        self.index.reads_by_screen.get(screen).into_iter().flatten().map(|&read| &self.reads[read])
    }
}
