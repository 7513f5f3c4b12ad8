//! From facts to the graph: calls to routes, routes to screens, calls to the screens they are in.
//!
//! Each file here answers one question; [`link`] asks them in order. Nothing here knows a style: what
//! a style means is in the facts it recovers.

mod addresses;
mod answers;
mod arguments;
mod constants;
mod containers;
mod graph;
mod index;
mod links;
mod mapped;
mod menus;
mod patterns;

mod owners;
mod plain_types;
mod questions;
mod reach;
mod redirects;
mod results;
mod screens;
mod shadows;
mod stacks;
mod targets;

pub use graph::{
    Action, Argument, Call, Constant, Container, Graph, Host, HostProblem, Mapped, Parameter, Read,
    ResultSideLinked, Route, Screen, Unwired, WaysOf,
};

pub(crate) use plain_types::{differ, known as plain_type};
pub(crate) use {arguments::parameters_of, reach::from as reachable_from};

use crate::facts::{CallFact, Facts, Sight, TargetFact};
use crate::settings::{Named, Settings};
use crate::syntax::ClassKind;
use crate::values::Values;
use rustc_hash::FxHashSet;

/// Links the facts of all files. [`complete`] is to follow.
#[must_use]
pub fn link<'p>(facts: Facts, values: Values<'p>, ways: WaysOf) -> Graph<'p> {
    let mut graph = Graph::new(values.program().sources(), ways);
    let Facts {
        screens,
        parts,
        mut routes,
        links,
        origins,
        nobodys,
        mut containers,
        looking_inside,
        chosen,
        set_outside,
        includes,
        actions,
        redirects,
        mapped,
        addresses,
        answers,
        mut calls,
        reads,
        bags,
        results,
        hosts,
        layout_includes,
        inflates,
        menus,
        menu_views,
        menu_setups,
        handled,
        used,
        missing_steps,
        shown_by_markup,
        whole_bags,
        overruled,
        stale,
        unfiled,
        unplaced,
        ways,
        pushes,
    } = facts;
    graph.objects = objects(values);
    screens::add(screens, &routes, &layout_includes, &mut graph, values);
    let owners = owners::Owners::new(&graph.screens, &routes, &parts, nobodys, values);
    links::attach(links, &origins, &mut routes, &mut graph);
    for container in &mut containers {
        let module = values.program().source(container.key.0.file).module;
        if looking_inside.contains(&module) {
            container.sight = Sight::Anywhere;
        }
    }
    containers::choose_starts(&mut containers, chosen, &routes);
    containers::add(containers, &includes, hosts, &inflates, &used, &owners, &mut graph);
    containers::add_routes(routes, &calls, &mut graph, values);
    stacks::stand(&unplaced, &owners, &mut graph);
    addresses::add(&addresses, &mut graph);
    containers::add_actions(actions, &mut graph);
    graph.index_names();
    screens::add_reads(reads, results, &owners, &mut graph, values);
    let menu = menus::Menus { menus, views: menu_views, setups: menu_setups, handled };
    let from_menus = menus::calls(menu, &owners, &mut graph);
    calls.sort_by(|a, b| (a.at, &a.written).cmp(&(b.at, &b.written)));
    calls.dedup_by(|a, b| a.at == b.at && a.written == b.written && a.verb == b.verb);
    for call in &calls {
        if let TargetFact::Typed(classes) = &call.target {
            graph.class_names.extend(classes.iter().map(|&class| (class, values.class_path(class))));
        }
    }
    let to_address = |call: &CallFact| matches!(call.target, TargetFact::Address(_));
    let (by_address, others): (Vec<CallFact>, Vec<CallFact>) = calls.into_iter().partition(to_address);
    resolve(others, &owners, &mut graph);
    // What code makes of an address is known once its calls are.
    answers::attach(&answers, &origins, &mut graph, values);
    graph.index_names();
    resolve(by_address, &owners, &mut graph);
    mapped::add(mapped, &mut graph);
    redirects::add(redirects, &mut graph);
    graph.calls.extend(from_menus);
    graph.calls.sort_by(|a, b| (a.fact.at, &a.fact.written).cmp(&(b.fact.at, &b.fact.written)));
    graph.index_uses();
    screens::mark_whole_bags(&whole_bags, &owners, &mut graph);
    arguments::name(&mut graph);
    arguments::keep_passed(&set_outside, &mut graph);
    arguments::declare_from_bags(bags, &owners, &mut graph, values);
    arguments::declare_from_reads(&mut graph);
    results::find_routes(&mut graph);
    results::find_merged(&mut graph);
    graph.missing_steps = missing_steps;
    stacks::find_stackless(&ways, &pushes, &owners, &mut graph);
    graph.overruled = overruled;
    graph.stale = stale;
    graph.host_problems.extend(
        unfiled
            .into_iter()
            .map(|fact| HostProblem { what: Unwired::ScreenWithoutFile(fact.name), at: fact.at }),
    );
    graph.used = used;
    graph.shown_by_markup = shown_by_markup;
    graph
}

/// Names of classes whose objects are never plain values, in languages that unbox.
fn objects(values: Values<'_>) -> FxHashSet<String> {
    let program = values.program();
    let own = program.classes().filter(|class| program.tree(class.file).idioms.unboxes);
    let classes = own.filter_map(|class| program.class(class)).filter(|class| class.kind == ClassKind::Class);
    classes.map(|class| class.name.to_string()).collect()
}

fn resolve(calls: Vec<CallFact>, owners: &owners::Owners<'_>, graph: &mut Graph<'_>) {
    for call in calls {
        let screens = owners.of(call.site);
        let linked = targets::resolve(call, screens, graph);
        graph.calls.push(linked);
    }
}

/// Answers what only needs to be asked once everything is parsed: who uses what, and what is reached.
pub fn complete(graph: &mut Graph<'_>, values: Values<'_>, settings: &Settings) {
    graph.target = settings.target;
    for Named { name, .. } in &settings.entries {
        let named =
            |route: &&mut Route| route.fact.name == *name || route.fact.pattern.as_ref() == Some(name);
        graph.routes.iter_mut().filter(named).for_each(|route| route.entry = true);
    }
    constants::collect(graph, values);
    let elsewhere = values.program().words_of_unparsed(&constants::words(graph));
    constants::mark(graph, values, &elsewhere);
    screens::mark_made(graph, values, &elsewhere);
    reach::mark(graph);
}
