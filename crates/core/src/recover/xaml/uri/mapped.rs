//! Entries that lead on to pages: which page each is, by itself or by what calls put in.

use crate::facts::{CallId, OwnFact, RouteId, RouteKey};
use crate::link::{HandsOn, Join, Joining, Phase};
use rustc_hash::FxHashMap;

pub(super) const JOIN: Join = Join { after: Phase::Called, join };

/// An entry that leads on to a page, and what it hands the page.
#[derive(Debug)]
pub(super) struct Entry {
    /// The entry's route.
    pub(super) from: RouteKey,
    /// The page.
    pub(super) to: LeadsTo,
    /// The names under which it hands values on.
    pub(super) passes: Vec<String>,
}

/// The page that an entry leads to.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(super) enum LeadsTo {
    /// This one.
    Page(RouteKey),
    /// One that a placeholder names, between the rest of its address.
    Named {
        /// What stands before it.
        before: String,
        /// The placeholder.
        placeholder: String,
        /// What stands behind it.
        after: String,
    },
}

impl OwnFact for Entry {}

fn join(joining: &mut Joining<'_, '_>) {
    let by_at: FxHashMap<_, RouteId> =
        joining.graph().routes.iter_enumerated().map(|(i, route)| (route.fact.at, i)).collect();
    for entry in joining.take::<Entry>() {
        let Some(&route) = by_at.get(&entry.from.0) else { continue };
        let page = match &entry.to {
            LeadsTo::Page(RouteKey(at)) => by_at.get(at).copied(),
            LeadsTo::Named { .. } => None,
        };
        let targets = match &entry.to {
            LeadsTo::Page(_) => page.into_iter().collect(),
            LeadsTo::Named { before, placeholder, after } => {
                named(route, before, placeholder, after, joining)
            }
        };
        joining.lead_on(route, targets);
        joining.hand_on(HandsOn { route, page, passes: entry.passes });
    }
}

/// The pages that calls name; where a call's value is not known, every page that could be meant.
fn named(
    route: RouteId,
    before: &str,
    placeholder: &str,
    after: &str,
    joining: &mut Joining<'_, '_>,
) -> Vec<RouteId> {
    let graph = joining.graph();
    let container = graph.routes[route].container;
    let pages = graph.routes.iter_enumerated().filter(|(_, other)| other.container == container);
    // What stands in the placeholder's place for each page.
    let middles = pages.filter_map(|(i, other)| {
        let path = other.fact.pattern.as_deref()?;
        Some((i, path.strip_prefix(before)?.strip_suffix(after)?))
    });
    let middles: Vec<(RouteId, &str)> = middles.collect();
    let calls = graph.calls.iter_enumerated().filter(|(_, call)| call.targets.contains(&route));
    let led: Vec<(CallId, Vec<RouteId>)> = calls
        .map(|(i, call)| {
            let given = call.arguments.iter().find(|argument| argument.name == placeholder);
            let text = given.and_then(|argument| argument.fact.text.as_deref());
            let fits = |middle: &str| text.map_or(!middle.contains('/'), |text| text == middle);
            (i, middles.iter().filter(|(_, middle)| fits(middle)).map(|(page, _)| *page).collect())
        })
        .collect();
    let mut found: Vec<RouteId> = led.iter().flat_map(|(_, pages)| pages.iter().copied()).collect();
    found.sort_unstable();
    found.dedup();
    led.into_iter().for_each(|(call, pages)| joining.led_on(call, pages));
    found
}
