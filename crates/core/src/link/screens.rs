//! Screens, what they read and hand back, and who makes them.

use super::arguments::declared_around;
use super::graph::{Graph, Read, ResultSideLinked, Screen};
use crate::facts::{ContainerFact, ReadFact, ResultSideFact, RouteFact, ScreenFact, ScreenId, Shows};
use crate::owners::Owners;
use crate::values::{Ref, Values};
use oxc_index::IndexVec;
use rustc_hash::FxHashSet;
use std::collections::BTreeSet;

/// The screens, of what may be some those that routes show.
pub(super) fn screens(
    mut facts: Vec<ScreenFact>,
    routes: &[RouteFact],
    containers: &[ContainerFact],
    values: Values<'_>,
) -> IndexVec<ScreenId, Screen> {
    let roots = containers.iter().flat_map(|container| container.roots.iter().map(String::as_str));
    keep_shown(&mut facts, routes, roots.collect(), values);
    facts.sort_by_key(|fact| fact.at);
    facts.dedup_by_key(|fact| fact.class);
    let screen = |fact| Screen {
        fact,
        hosts: Vec::new(),
        stacks: Vec::new(),
        routes: Vec::new(),
        made: false,
        derived: false,
        whole_bag: false,
    };
    facts.into_iter().map(screen).collect()
}

/// Of functions that make UI, those that a route shows are screens, and those that are named like them
/// and that nothing makes. What stands at the bottom of a stack is shown by it.
fn keep_shown(facts: &mut Vec<ScreenFact>, routes: &[RouteFact], roots: FxHashSet<&str>, values: Values<'_>) {
    let shown: FxHashSet<&str> = routes
        .iter()
        .flat_map(|route| {
            let first = match &route.shows {
                Shows::Class(path, _) => Some(path.as_str()),
                _ => None,
            };
            first.into_iter().chain(route.also.iter().map(String::as_str))
        })
        .collect();
    let last_word = |name: &str| name.rfind(char::is_uppercase).map(|at| name[at..].to_owned());
    let words: FxHashSet<String> = facts
        .iter()
        .filter(|fact| !fact.surely && shown.contains(fact.path.as_str()))
        .filter_map(|fact| last_word(&fact.name))
        .collect();
    words.iter().for_each(|word| values.expect_ending(word));
    facts.retain(|fact| {
        fact.surely
            || shown.contains(fact.path.as_str())
            || roots.contains(fact.path.as_str())
            || (last_word(&fact.name).is_some_and(|word| words.contains(&word))
                && !values.is_shown_in_code(fact.class))
    });
}

/// Adds reads and results under the screens they belong to.
pub(super) fn add_reads(
    reads: Vec<ReadFact>,
    results: Vec<ResultSideFact>,
    owners: &Owners<'_>,
    graph: &mut Graph<'_>,
    values: Values<'_>,
) {
    for fact in reads {
        let screens = owners.of_read(&fact);
        let name = fact.name.clone();
        let declared_by = declared_around(fact.site, graph, values);
        graph.reads.push(Read { fact, screens, name, declared_by });
    }
    graph.reads.sort_by(|a, b| (a.fact.at, &a.name).cmp(&(b.fact.at, &b.name)));
    // A view's own parameter is often a route's as well: one use of it is one use.
    graph.reads.dedup_by(|a, b| {
        a.fact.is_parameter
            && b.fact.is_parameter
            && a.fact.at == b.fact.at
            && a.name == b.name
            && a.screens == b.screens
    });
    for fact in results {
        let screens = owners.of(fact.site);
        graph.results.push(ResultSideLinked { fact, screens, routes: Vec::new() });
    }
    graph.results.sort_by(|a, b| (a.fact.at, &a.fact.key).cmp(&(b.fact.at, &b.fact.key)));
}

/// Marks the screens whose arguments go on where they cannot be followed.
pub(super) fn mark_whole_bags(sites: &[Ref], owners: &Owners<'_>, graph: &mut Graph<'_>) {
    let marked: BTreeSet<ScreenId> = sites.iter().flat_map(|&site| owners.of(site)).collect();
    for screen in marked {
        graph.screens[screen].whole_bag = true;
    }
}

/// Marks the screens that something makes or derives from, outside of themselves.
pub(super) fn mark_made(graph: &mut Graph<'_>, values: Values<'_>, elsewhere: &FxHashSet<String>) {
    let by_markup: BTreeSet<&String> = graph.shown_by_markup.iter().collect();
    let made: Vec<(bool, bool)> = graph
        .screens
        .iter()
        .map(|screen| {
            let class = screen.fact.class;
            // Of functions only those are kept that a route shows or nothing runs.
            if !screen.fact.surely {
                return (by_markup.contains(&screen.fact.path), values.is_derived(class));
            }
            let named = elsewhere.contains(&screen.fact.name) || by_markup.contains(&screen.fact.path);
            (named || values.is_made(class), values.is_derived(class))
        })
        .collect();
    for (screen, (made, derived)) in graph.screens.iter_mut().zip(made) {
        screen.made = made;
        screen.derived = derived;
    }
}
