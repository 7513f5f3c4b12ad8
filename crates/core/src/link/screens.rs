//! Screens, what they read and hand back, and who makes them.

use super::arguments::declared_around;
use super::graph::{Graph, Read, ResultSideLinked, Screen};
use super::owners::Owners;
use crate::facts::{ReadFact, ResultSideFact, RouteFact, ScreenFact, ScreenId, Shows};
use crate::values::{Ref, Values};
use rustc_hash::{FxHashMap, FxHashSet};
use std::collections::BTreeSet;

/// Adds the screens, with the layouts that theirs include.
pub(super) fn add(
    mut facts: Vec<ScreenFact>,
    routes: &[RouteFact],
    includes: &[(String, String)],
    graph: &mut Graph<'_>,
    values: Values<'_>,
) {
    keep_shown(&mut facts, routes, values);
    facts.sort_by_key(|fact| fact.at);
    facts.dedup_by_key(|fact| fact.class);
    let mut inner: FxHashMap<&str, Vec<&str>> = FxHashMap::default();
    for (outer, included) in includes {
        inner.entry(outer).or_default().push(included);
    }
    graph.screens = facts
        .into_iter()
        .map(|fact| {
            let mut layouts: Vec<String> = fact.layouts.iter().map(|used| used.layout.clone()).collect();
            let mut next = 0;
            while next < layouts.len() {
                for included in inner.get(layouts[next].as_str()).into_iter().flatten() {
                    if !layouts.iter().any(|known| known == included) {
                        layouts.push((*included).to_owned());
                    }
                }
                next += 1;
            }
            Screen {
                fact,
                layouts,
                hosts: Vec::new(),
                stacks: Vec::new(),
                routes: Vec::new(),
                made: false,
                derived: false,
                whole_bag: false,
            }
        })
        .collect();
}

/// Of functions that make UI, those that a route shows are screens, and those that are named like them
/// and that nothing makes.
fn keep_shown(facts: &mut Vec<ScreenFact>, routes: &[RouteFact], values: Values<'_>) {
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
            || (last_word(&fact.name).is_some_and(|word| words.contains(&word))
                && !is_used(fact.class, values))
    });
}

/// Whether anything but a preview runs a function, or makes an object of a class.
fn is_used(screen: Ref, values: Values<'_>) -> bool {
    if values.class(screen).is_some() {
        return is_made(screen, values);
    }
    values.uses(screen).into_iter().any(|at| {
        let around = values.enclosing_function(at).and_then(|f| values.tree(f).function(f.id));
        around.is_none_or(|f| !f.annotations.iter().any(|annotation| annotation.name.contains("Preview")))
    })
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
    let fixed: BTreeSet<&String> = graph.hosts.iter().filter_map(|host| host.fact.fixed.as_ref()).collect();
    let made: Vec<(bool, bool)> = graph
        .screens
        .iter()
        .map(|screen| {
            let class = screen.fact.class;
            // Of functions only those are kept that a route shows or nothing runs.
            if !screen.fact.surely {
                return (false, false);
            }
            let named = elsewhere.contains(&screen.fact.name)
                || by_markup.contains(&screen.fact.path)
                || fixed.contains(&screen.fact.path);
            (named || is_made(class, values), is_derived(class, values))
        })
        .collect();
    for (screen, (made, derived)) in graph.screens.iter_mut().zip(made) {
        screen.made = made;
        screen.derived = derived;
    }
}

/// A mention that can make one: a constructor's call, a class literal, a type argument, a factory of
/// its own that others call.
fn is_made(class: Ref, values: Values<'_>) -> bool {
    let Some(declared) = values.class(class) else { return false };
    let program = values.program();
    let outside = |at: Ref| values.enclosing_named_class(at) != Some(class) && !is_inside(at, class, values);
    let (own, others): (Vec<Ref>, Vec<Ref>) =
        values.makes(class).iter().copied().partition(|&at| !outside(at));
    if !others.is_empty() {
        return true;
    }
    // Made in a factory of its own: then the factory must be used.
    let factories = own.into_iter().filter_map(|at| values.enclosing_function(at));
    if factories.into_iter().any(|factory| values.uses(factory).into_iter().any(outside)) {
        return true;
    }
    let literal = |at: &Ref| matches!(values.kind(*at), crate::syntax::Kind::ClassOf(ty) if values.class_named(*at, &ty.name) == Some(class));
    let argument = |at: &Ref| {
        let tree = values.tree(*at);
        let call = tree.call(at.id);
        if let Some(ty) = asked_for(*at, values) {
            return values.class_named(*at, ty) == Some(class);
        }
        if call.and_then(|call| tree.callee(call)).is_some_and(|(name, _)| values.enlists(*at, name)) {
            return false;
        }
        let types = call.map(|call| call.types.as_slice()).unwrap_or_default();
        types.iter().any(|ty| values.class_named(*at, &ty.name) == Some(class))
    };
    program.uses_of_name(&declared.name).iter().any(literal)
        || program.typed(&declared.name).iter().any(argument)
        || program.references_named(&declared.name).iter().any(|&at| outside(at))
}

/// The type of a parameter, where what is enlisted is handed in by it.
fn asked_for<'p>(at: Ref, values: Values<'p>) -> Option<&'p str> {
    let parameter = values.tree(at).parameter(at.id).filter(|_| values.hands_in(at))?;
    parameter.ty.as_ref().map(|ty| ty.name.as_str())
}

/// Whether a node is written inside a class, at any depth.
fn is_inside(at: Ref, class: Ref, values: Values<'_>) -> bool {
    at.file == class.file && values.tree(at).span(class.id).holds(values.tree(at).span(at.id))
}

fn is_derived(class: Ref, values: Values<'_>) -> bool {
    let Some(declared) = values.class(class) else { return false };
    let derived = values.program().derived(&declared.name).iter();
    derived.copied().any(|other| other != class && values.lineage(other).contains(&class))
}
