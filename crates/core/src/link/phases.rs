//! The phases of linking, in order.

use super::graph::{Call, Graph, HostProblem};
use super::joining::{Join, Joining, Phase};
use super::{
    arguments, constants, containers, reach, redirects, results, routes, screens, stacks, starts, targets,
};
use crate::facts::{
    ActionFact, CallFact, ContainerFact, Facts, Own, ProblemFact, ReadFact, RedirectFact, ResultSideFact,
    RouteFact, TargetFact, Ways,
};
use crate::model::Style;
use crate::owners::Owners;
use crate::settings::{Named, Settings};
use crate::values::{Ref, Values};
use rustc_hash::FxHashSet;

/// What linking is told of the styles.
#[derive(Clone, Copy)]
pub struct Rooms {
    /// How each one's names work.
    pub ways: fn(Style) -> &'static Ways,
    /// How each one joins what only it has.
    pub joins: fn() -> Vec<Join>,
}

/// What is carried from phase to phase.
struct Linking<'p> {
    graph: Graph<'p>,
    owners: Owners<'p>,
    own: Own,
    values: Values<'p>,
    joins: Vec<Join>,
}

/// Screens and containers are there, and who shows which.
pub struct Contained<'p>(Linking<'p>);

/// Routes and named ways stand in their containers.
pub struct Placed<'p>(Linking<'p>);

/// Calls lead to routes, and belong to screens.
pub struct Resolved<'p>(Linking<'p>);

/// Everything is joined; what needs all to be parsed is still to be asked by [`complete`].
pub struct Linked<'p>(Graph<'p>);

impl<'p> Linking<'p> {
    /// Lets the styles join what a phase has made possible.
    fn join(&mut self, after: Phase) {
        for join in self.joins.iter().filter(|join| join.after == after) {
            let mut joining = Joining {
                graph: &mut self.graph,
                owners: &self.owners,
                own: &mut self.own,
                values: self.values,
            };
            (join.join)(&mut joining);
        }
    }
}

/// Links the facts of all files.
#[must_use]
pub fn link<'p>(facts: Facts, values: Values<'p>, rooms: Rooms) -> Linked<'p> {
    let mut graph = Graph::new(values.program().sources(), rooms.ways);
    graph.objects = values.unboxed_classes();
    graph.missing_steps = facts.missing_steps;
    graph.overruled = facts.overruled;
    graph.stale = facts.stale;
    graph.unread = facts.unread;
    graph.used = facts.used;
    graph.shown_by_markup = facts.shown_by_markup;
    let problem = |ProblemFact { what, at }| HostProblem { what, at };
    graph.host_problems = facts.problems.into_iter().map(problem).collect();
    graph.screens = screens::screens(facts.screens, &facts.routes, &facts.containers, values);
    let owners = Owners::new(
        graph.screens.iter().map(|screen| &screen.fact),
        &facts.routes,
        &facts.parts,
        facts.nobodys,
        values,
    );
    let linking = Linking { graph, owners, own: facts.own, values, joins: (rooms.joins)() };

    let containers = starts::choose(facts.containers, facts.chosen, &facts.routes);
    let contained = contain(linking, containers);
    let placed = place(contained, facts.routes, facts.actions);
    let resolved = resolve(placed, facts.calls, facts.redirects, facts.reads, facts.results);
    name(resolved, &facts.whole_bags)
}

/// Adds containers.
fn contain(mut linking: Linking<'_>, facts: Vec<ContainerFact>) -> Contained<'_> {
    containers::add(facts, &linking.owners, &mut linking.graph);
    linking.join(Phase::Contained);
    containers::find_unhosted(&mut linking.graph);
    Contained(linking)
}

/// Puts routes into their containers, and names ways between them.
fn place<'p>(
    Contained(mut linking): Contained<'p>,
    facts: Vec<RouteFact>,
    actions: Vec<ActionFact>,
) -> Placed<'p> {
    let graph = &mut linking.graph;
    routes::add(facts, graph, linking.values);
    stacks::stand(&linking.owners, graph);
    containers::add_actions(actions, graph);
    graph.index_names();
    linking.join(Phase::Placed);
    linking.graph.index_names();
    Placed(linking)
}

/// Finds where calls lead, and which screens calls, reads and results belong to.
fn resolve<'p>(
    Placed(mut linking): Placed<'p>,
    mut calls: Vec<CallFact>,
    redirects: Vec<RedirectFact>,
    reads: Vec<ReadFact>,
    results: Vec<ResultSideFact>,
) -> Resolved<'p> {
    screens::add_reads(reads, results, &linking.owners, &mut linking.graph, linking.values);
    calls.sort_by(|a, b| (a.at, &a.written).cmp(&(b.at, &b.written)));
    calls.dedup_by(|a, b| a.at == b.at && a.written == b.written && a.verb == b.verb);
    for call in &calls {
        if let TargetFact::Typed(classes) = &call.target {
            let named = classes.iter().map(|&class| (class, linking.values.class_path(class)));
            linking.graph.class_names.extend(named);
        }
    }
    let to_address = |call: &CallFact| matches!(call.target, TargetFact::Address(_));
    let (by_address, others): (Vec<CallFact>, Vec<CallFact>) = calls.into_iter().partition(to_address);
    add_calls(others, &mut linking);
    // What code makes of an address is known once its calls are.
    linking.join(Phase::Resolved);
    linking.graph.index_names();
    add_calls(by_address, &mut linking);
    linking.join(Phase::Called);
    let graph = &mut linking.graph;
    redirects::add(redirects, graph);
    graph.calls.sort_by(|a, b| (a.fact.at, &a.fact.written).cmp(&(b.fact.at, &b.fact.written)));
    graph.index_uses();
    Resolved(linking)
}

fn add_calls(calls: Vec<CallFact>, linking: &mut Linking<'_>) {
    for call in calls {
        let screens = linking.owners.of(call.site);
        let conditional = linking.values.is_conditional(call.site);
        let linked = targets::resolve(call, screens, &linking.graph);
        linking.graph.calls.push(Call { conditional, ..linked });
    }
}

/// Gives what is passed, read and handed back its names.
fn name<'p>(Resolved(mut linking): Resolved<'p>, whole_bags: &[Ref]) -> Linked<'p> {
    screens::mark_whole_bags(whole_bags, &linking.owners, &mut linking.graph);
    arguments::name(&mut linking.graph);
    linking.join(Phase::Named);
    let mut graph = linking.graph;
    arguments::declare_from_reads(&mut graph);
    results::find_routes(&mut graph);
    results::find_merged(&mut graph);
    Linked(graph)
}

/// What is known of the source around a graph.
#[derive(Debug, Default)]
pub struct Around {
    /// Words of files that could not be read whole.
    pub half_read: FxHashSet<String>,
    /// Whether it is no app: others, that are not of the source, may use what it declares.
    pub exported: bool,
}

/// Answers what only needs to be asked once everything is parsed: who uses what, and what is reached.
#[must_use]
pub fn complete<'p>(
    Linked(mut graph): Linked<'p>,
    values: Values<'p>,
    settings: &Settings,
    around: Around,
) -> Graph<'p> {
    graph.half_read = around.half_read;
    graph.exported = around.exported;
    let classes = graph.routes.iter().filter_map(|route| route.fact.class);
    graph.lineages = classes.map(|class| (class, values.lineage(class))).collect();
    graph.target = settings.target;
    for Named { name, .. } in &settings.entries {
        let named = graph
            .routes
            .iter_mut()
            .filter(|route| route.fact.name == *name || route.fact.pattern.as_ref() == Some(name));
        named.for_each(|route| route.entry = true);
    }
    constants::collect(&mut graph, values);
    let elsewhere = values.program().words_of_unparsed(&constants::words(&graph));
    constants::mark(&mut graph, values, &elsewhere);
    screens::mark_made(&mut graph, values, &elsewhere);
    reach::mark(&mut graph);
    graph
}
