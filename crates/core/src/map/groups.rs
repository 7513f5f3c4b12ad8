//! The boxes around places: modules where there are several, and the graphs and tabs inside them.

use super::Group;
use super::part::module_of;
use crate::model::Route;
use crate::network::Network;
use rustc_hash::FxHashMap;

/// Boxes, made as they are asked for.
pub(super) struct Boxes<'n, 'd> {
    network: &'n Network<'d>,
    several_modules: bool,
    made: Vec<Group>,
    known: FxHashMap<String, usize>,
}

impl<'n, 'd> Boxes<'n, 'd> {
    pub(super) fn new(network: &'n Network<'d>, places: &[usize]) -> Self {
        let mut modules: Vec<_> = places.iter().filter_map(|&place| module_of(network, place)).collect();
        modules.sort_unstable();
        modules.dedup();
        Self { network, several_modules: modules.len() > 1, made: Vec::new(), known: FxHashMap::default() }
    }

    /// The innermost box around a place.
    pub(super) fn around(&mut self, place: usize) -> Option<usize> {
        let module = module_of(self.network, place).filter(|_| self.several_modules);
        let outer = module.map(|module| self.named(format!("module {module}"), module, "module", None));
        let routes = &self.network.places[place].routes;
        let first = routes.first().map(|&route| &self.network.document.routes[route]);
        let groups = first.map(|route| groups_around(self.network, route)).unwrap_or_default();
        groups.into_iter().fold(outer, |within, group| {
            let key = format!("{}{within:?}", group.id);
            Some(self.named(key, &group.name, "graph", within))
        })
    }

    fn named(&mut self, key: String, name: &str, what: &'static str, within: Option<usize>) -> usize {
        let made = &mut self.made;
        *self.known.entry(key).or_insert_with(|| {
            made.push(Group { name: name.to_owned(), what, within });
            made.len() - 1
        })
    }

    pub(super) fn finish(self) -> Vec<Group> {
        self.made
    }
}

/// The groups around a route, outermost first.
pub(super) fn groups_around<'d>(network: &Network<'d>, route: &Route) -> Vec<&'d Route> {
    let document = network.document;
    let mut groups = Vec::new();
    let mut parent = route.parent.as_deref();
    while let Some(id) = parent {
        let Some(group) = network.route_index(id).map(|at| &document.routes[at]) else { break };
        if groups.iter().any(|known: &&Route| known.id == group.id) {
            break;
        }
        groups.push(group);
        parent = group.parent.as_deref();
    }
    groups.reverse();
    groups
}
