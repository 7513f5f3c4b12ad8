//! Addresses that are declared apart from the routes they open.

use super::graph::Graph;
use crate::facts::{LinkFact, OriginFact, RouteFact};
use crate::model::Style;
use rustc_hash::FxHashMap;

/// Gives routes the addresses that are declared for their names.
pub(super) fn attach(
    links: Vec<LinkFact>,
    origins: &[OriginFact],
    routes: &mut [RouteFact],
    graph: &mut Graph<'_>,
) {
    let sources = graph.sources;
    let mut by_name: FxHashMap<(Style, String), Vec<usize>> = FxHashMap::default();
    for (i, route) in routes.iter().enumerate() {
        by_name.entry((route.style, route.name.clone())).or_default().push(i);
    }
    for mut link in links {
        if link.origins.is_empty() {
            let own = origins.iter().filter(|o| o.style == link.style && o.module == link.module);
            link.origins = own.map(|fact| fact.origin.clone()).collect();
        }
        let named = by_name.get(&(link.style, link.route.clone())).cloned().unwrap_or_default();
        if named.is_empty() {
            graph.unlinked.push(link);
            continue;
        }
        let Some(pattern) = &link.pattern else { continue };
        let own = |i: &usize| sources.files[routes[*i].at.file as usize].module == link.module;
        let inside: Vec<usize> = named.iter().copied().filter(own).collect();
        for i in if inside.is_empty() { named } else { inside } {
            let route = &mut routes[i];
            route.pattern.get_or_insert_with(|| format!("/{pattern}"));
            for origin in &link.origins {
                let address = match origin.ends_with("://") || origin.ends_with('/') {
                    true => format!("{origin}{pattern}"),
                    false => format!("{origin}/{pattern}"),
                };
                route.deep_links.push((address, link.at));
            }
        }
    }
}
