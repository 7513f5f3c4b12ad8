//! Addresses that the system hands to an app, against the routes that are text.

use super::graph::Graph;
use crate::facts::AddressFact;
use crate::model::RouteKind;
use crate::names::without_names;

/// Gives every route that is text the addresses that open it.
pub(super) fn add(addresses: &[AddressFact], graph: &mut Graph<'_>) {
    for route in graph.routes.indices() {
        let this = &graph.routes[route];
        let Some(pattern) = this.fact.pattern.clone().filter(|_| takes_addresses(this.fact.kind)) else {
            continue;
        };
        let own = addresses.iter().filter(|address| {
            let module = graph.sources.files[this.fact.at.file as usize].module;
            address.module == module && fits(address, &pattern)
        });
        if this.loses_to.is_some() || this.shadowed_by.is_some() {
            continue;
        }
        let links: Vec<_> = own.map(|address| (format!("{}{pattern}", address.origin), address.at)).collect();
        graph.routes[route].entry |= !links.is_empty();
        graph.routes[route].fact.deep_links.extend(links);
    }
}

fn takes_addresses(kind: RouteKind) -> bool {
    !matches!(kind, RouteKind::Fallback | RouteKind::Group)
}

/// Whether an address leads to a pattern.
fn fits(address: &AddressFact, pattern: &str) -> bool {
    if !pattern.starts_with('/') {
        return false;
    }
    match &address.path {
        None => true,
        Some(path) if address.is_prefix => pattern.starts_with(path.as_str()),
        Some(path) => without_names(pattern) == without_names(path),
    }
}
