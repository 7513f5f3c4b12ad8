//! Menus tied to navigation: each entry is a call, or names nothing.

use super::facts::{Handled, Menu, MenuItem, MenuSetup, MenuView};
use super::shown_layouts::ShownLayouts;
use crate::facts::{CallFact, ContainerId, RouteId, ScreenId, TargetFact, Unwired};
use crate::link::{Graph, Join, Joining, Phase};
use crate::model::{Form, Style, Verb};
use rustc_hash::FxHashSet;

pub(super) const JOIN: Join = Join { after: Phase::Placed, join };

/// What is known of an app's menus.
struct Menus {
    menus: Vec<Menu>,
    views: Vec<MenuView>,
    setups: Vec<MenuSetup>,
    layouts: Vec<ShownLayouts>,
}

/// A menu that is tied to navigation.
struct Tied<'m> {
    menu: &'m Menu,
    verb: Verb,
    screens: Vec<ScreenId>,
    setup: &'m MenuSetup,
    /// Whether an entry without a route can only be a slip.
    strict: bool,
}

/// The calls that entries make; entries that name nothing become problems.
fn join(joining: &mut Joining<'_, '_>) {
    let menus = Menus {
        menus: joining.take(),
        views: joining.take(),
        setups: joining.take(),
        layouts: joining.take(),
    };
    let handled: FxHashSet<(ScreenId, String)> = joining
        .take::<Handled>()
        .into_iter()
        .flat_map(|fact| {
            joining.owners_of(fact.site).into_iter().map(move |screen| (screen, fact.id.clone()))
        })
        .collect();
    let mut known = FxHashSet::default();
    let mut reported = FxHashSet::default();
    for tied in menus.tied(joining) {
        let answered =
            |id: &str| tied.screens.iter().any(|&screen| handled.contains(&(screen, id.to_owned())));
        for item in &tied.menu.items {
            if known.contains(&(item.at, tied.verb)) {
                continue;
            }
            let targets = targets(item, &tied, joining.graph());
            if !targets.is_empty() {
                known.insert((item.at, tied.verb));
                joining.add_call(call(item, &tied), tied.screens.clone(), targets);
            } else if tied.strict && !answered(&item.id) && reported.insert(item.id_at) {
                joining.report(Unwired::EntryWithoutRoute(item.id.clone()), item.id_at);
            }
        }
    }
}

impl Menus {
    fn tied(&self, joining: &Joining<'_, '_>) -> Vec<Tied<'_>> {
        let mut found = Vec::new();
        for setup in &self.setups {
            let screens = joining.owners_of(setup.site);
            if let Some(name) = &setup.menu {
                let menu = self.named(name);
                found.extend(menu.map(|menu| Tied {
                    menu,
                    verb: Verb::Open,
                    screens: screens.clone(),
                    setup,
                    strict: false,
                }));
                continue;
            }
            for view in &self.views {
                let on: Vec<ScreenId> =
                    screens.iter().copied().filter(|&screen| self.shows(screen, &view.layout)).collect();
                let meant = match (&setup.view, &view.id) {
                    (Some(wanted), Some(id)) => plain(wanted) == plain(id),
                    _ => true,
                };
                if !on.is_empty() && meant {
                    found.extend(self.named(&view.menu).map(|menu| Tied {
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

    fn named<'m>(&'m self, name: &'m str) -> impl Iterator<Item = &'m Menu> {
        self.menus.iter().filter(move |menu| menu.name == name)
    }

    fn shows(&self, screen: ScreenId, layout: &str) -> bool {
        self.layouts.iter().any(|layouts| layouts.shows(screen, layout))
    }
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

fn call(item: &MenuItem, tied: &Tied<'_>) -> CallFact {
    CallFact {
        target: TargetFact::Ids(vec![item.id.clone()]),
        written: format!("@id/{}", item.id),
        form: Form::Resource,
        ..CallFact::new(Style::FragmentGraph, tied.verb, tied.setup.site, item.at)
    }
}
