//! Addresses that are declared apart from the routes that they open, and how far navigators look for
//! names.

use crate::facts::{LinkFact, OwnFact, RouteId, Sight};
use crate::link::{Join, Joining, Phase};
use crate::model::Style;
use rustc_hash::FxHashMap;

/// Both joins.
pub(super) const JOINS: &[Join] =
    &[Join { after: Phase::Contained, join: look_inside }, Join { after: Phase::Placed, join: link }];

/// A scheme and host that an app answers.
#[derive(Debug)]
pub(super) struct Origin {
    /// The style of the routes.
    pub(super) style: Style,
    /// `barn://`.
    pub(super) origin: String,
    /// The module of the app.
    pub(super) module: usize,
}

/// An address that is declared for a route.
#[derive(Debug)]
pub(super) struct Link {
    /// The style of the route.
    pub(super) style: Style,
    /// Its path, parameters in braces; `None` where it only groups others.
    pub(super) pattern: Option<String>,
    /// Schemes and hosts that the app answers.
    pub(super) origins: Vec<String>,
    /// The module of the app.
    pub(super) module: usize,
    /// The route, and where it is named.
    pub(super) to: LinkFact,
}

/// An app whose navigators look for names inside of others as well.
#[derive(Debug)]
pub(super) struct LooksInside {
    /// Its module.
    pub(super) module: usize,
}

impl OwnFact for Origin {}
impl OwnFact for Link {}
impl OwnFact for LooksInside {}

fn look_inside(joining: &mut Joining<'_, '_>) {
    let modules: Vec<usize> = joining.take::<LooksInside>().into_iter().map(|fact| fact.module).collect();
    for container in joining.graph().containers.indices() {
        let at = joining.graph().containers[container].fact.key.0;
        if modules.contains(&joining.values().program().source(at.file).module) {
            joining.see_from(container, Sight::Anywhere);
        }
    }
}

/// Gives routes the addresses that are declared for their names.
fn link(joining: &mut Joining<'_, '_>) {
    let mut by_name: FxHashMap<(Style, String), Vec<RouteId>> = FxHashMap::default();
    for (i, route) in joining.graph().routes.iter_enumerated() {
        by_name.entry((route.fact.style, route.fact.name.clone())).or_default().push(i);
    }
    let origins = joining.take::<Origin>();
    for link in joining.take::<Link>() {
        let Some(named) = by_name.get(&(link.style, link.to.route.clone())) else {
            joining.unlinked(link.to);
            continue;
        };
        let Some(pattern) = &link.pattern else { continue };
        let own = |&i: &RouteId| {
            let at = joining.graph().routes[i].fact.at;
            joining.values().program().source(at.file).module == link.module
        };
        let inside: Vec<RouteId> = named.iter().copied().filter(own).collect();
        let of_app = origins.iter().filter(|o| o.style == link.style && o.module == link.module);
        let of_app: Vec<String> = match link.origins.is_empty() {
            true => of_app.map(|origin| origin.origin.clone()).collect(),
            false => link.origins.clone(),
        };
        for &route in if inside.is_empty() { named } else { &inside } {
            joining.path(route, format!("/{pattern}"));
            for origin in &of_app {
                let address = match origin.ends_with("://") || origin.ends_with('/') {
                    true => format!("{origin}{pattern}"),
                    false => format!("{origin}/{pattern}"),
                };
                joining.open_by(route, address, link.to.at);
            }
        }
    }
}
