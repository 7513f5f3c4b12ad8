//! Addresses that the native host of an app takes, for the routes of the app inside.

use crate::facts::{Facts, OwnFact, RouteId};
use crate::link::{Join, Joining, Phase};
use crate::model::RouteKind;
use crate::names::without_names;
use crate::recover::android::activity_intent::{Address, addresses};
use crate::recover::{StyleRecoverer, resource};
use crate::source::{Language, Resource};
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: |language| matches!(language, Language::Xml(Resource::Manifest)),
    words: &[],
    recover,
    joins: &[Join { after: Phase::Placed, join }],
    ..StyleRecoverer::SHARED
};

/// Addresses that the system hands to an app whose routes are text.
#[derive(Debug)]
struct Taken {
    address: Address,
    /// The module of the app.
    module: usize,
}

impl OwnFact for Taken {}

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let sources = values.program().sources();
    let host = values.program().source(file).module;
    if resource(file, values) != Some(Resource::Manifest) {
        return;
    }
    let Some(module) = sources.module_hosted_by(host) else { return };
    facts.own.extend(addresses(file, values).into_iter().map(|address| Taken { address, module }));
}

/// Gives every route that is text the addresses that open it.
fn join(joining: &mut Joining<'_, '_>) {
    let taken = joining.take::<Taken>();
    for route in joining.graph().routes.indices() {
        for (address, at) in opened_by(route, &taken, joining) {
            joining.open_by(route, address, at);
        }
    }
}

fn opened_by(route: RouteId, taken: &[Taken], joining: &Joining<'_, '_>) -> Vec<(String, crate::facts::At)> {
    let this = &joining.graph().routes[route];
    let Some(pattern) = this.fact.pattern.as_deref().filter(|_| takes_addresses(this.fact.kind)) else {
        return Vec::new();
    };
    if this.loses_to.is_some() || this.shadowed_by.is_some() {
        return Vec::new();
    }
    let module = joining.values().program().source(this.fact.at.file).module;
    let own = taken.iter().filter(|taken| taken.module == module && fits(&taken.address, pattern));
    own.map(|taken| (format!("{}{pattern}", taken.address.origin), taken.address.at)).collect()
}

fn takes_addresses(kind: RouteKind) -> bool {
    !matches!(kind, RouteKind::Fallback | RouteKind::Group)
}

/// Whether an address leads to a pattern.
fn fits(address: &Address, pattern: &str) -> bool {
    if !pattern.starts_with('/') {
        return false;
    }
    match &address.path {
        None => true,
        Some(path) if address.is_prefix => pattern.starts_with(path.as_str()),
        Some(path) => without_names(pattern) == without_names(path),
    }
}
