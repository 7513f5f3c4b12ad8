//! Arguments and reads under the names that routes declare.

use super::graph::{Argument, Graph, Parameter, Read, Route};
use super::targets::same;
use crate::facts::{Absent, ActionId, RouteId, Slot, TargetFact};
use crate::model::Via;
use crate::values::{Ref, Values};

/// Names what calls pass by position or in generated spelling, and what screens read of generated
/// classes.
pub(super) fn name(graph: &mut Graph<'_>) {
    let named: Vec<Vec<Argument>> = graph
        .calls
        .iter()
        .map(|call| {
            let parameters = call.targets.first().map(|&target| {
                let shown = if graph.routes[target].is_group() { graph.shown_by(target) } else { target };
                parameters_of(graph, call.action, shown)
            });
            let parameters = parameters.unwrap_or_default();
            let generated = matches!(call.fact.target, TargetFact::Generated { .. });
            let own = call.fact.arguments.iter().filter_map(|fact| {
                let name = match &fact.slot {
                    Slot::Position(position) => in_order(&parameters).get(*position)?.name.clone(),
                    Slot::Place(place) => parameters.get(*place)?.name.clone(),
                    Slot::Name(name) if generated => spelled(name, &parameters),
                    Slot::Name(name) => name.clone(),
                };
                Some(Argument { name, fact: fact.clone() })
            });
            own.collect()
        })
        .collect();
    for (call, arguments) in graph.calls.iter_mut().zip(named) {
        call.arguments.extend(arguments);
    }
    let reads: Vec<String> = graph
        .reads
        .iter()
        .map(|read| match &read.fact.generated {
            Some(_) => {
                let routes = read.screens.iter().flat_map(|&screen| &graph.screens[screen].routes);
                let all: Vec<Parameter> =
                    routes.flat_map(|&route| graph.routes[route].parameters.clone()).collect();
                spelled(&read.fact.name, &all)
            }
            None => read.fact.name.clone(),
        })
        .collect();
    for (read, name) in graph.reads.iter_mut().zip(reads) {
        read.name = name;
    }
}

/// A route's parameters as one action leaves them: what it supplies need not be passed.
pub(crate) fn parameters_of(graph: &Graph<'_>, action: Option<ActionId>, route: RouteId) -> Vec<Parameter> {
    let mut parameters = graph.routes[route].parameters.clone();
    for supplied in action.into_iter().flat_map(|action| &graph.actions[action].fact.supplies) {
        if let Some(parameter) = parameters.iter_mut().find(|parameter| parameter.name == supplied.name) {
            parameter.required = false;
            parameter.default.clone_from(&supplied.default);
        }
    }
    parameters
}

/// Generated functions take required parameters first.
fn in_order(parameters: &[Parameter]) -> Vec<&Parameter> {
    let (required, rest): (Vec<_>, Vec<_>) = parameters.iter().partition(|parameter| parameter.required);
    required.into_iter().chain(rest).collect()
}

/// Whether a read says what a route takes: a segment of the path never does, and what is taken out
/// where another route is declared is that one's.
fn declares(route: RouteId, read: &Read) -> bool {
    read.fact.via != Via::Path
        && !read.fact.is_parameter
        && (read.declared_by.is_empty() || read.declared_by.contains(&route))
}

fn spelled(generated: &str, parameters: &[Parameter]) -> String {
    let found = parameters.iter().find(|parameter| same(&parameter.name, generated));
    found.map_or_else(|| generated.to_owned(), |parameter| parameter.name.clone())
}

/// The routes in whose declaration a node stands: several where they share one, the innermost only.
pub(super) fn declared_around(site: Ref, graph: &Graph<'_>, values: Values<'_>) -> Vec<RouteId> {
    let tree = values.tree(site);
    let here = tree.span(site.id);
    let around = graph.contents_in(site.file).iter().filter(|(content, _)| tree.span(content.id).holds(here));
    let Some(inner) = around.clone().map(|(content, _)| tree.span(content.id).width()).min() else {
        return Vec::new();
    };
    around.filter(|(content, _)| tree.span(content.id).width() == inner).map(|(_, route)| *route).collect()
}

/// Where a route declares nothing, what its screen takes out is what it takes.
pub(super) fn declare_from_reads(graph: &mut Graph<'_>) {
    for route in graph.routes.indices() {
        let fact = &graph.routes[route].fact;
        let Some(screen) = graph.routes[route].screen.filter(|_| fact.takes.by_reads()) else {
            continue;
        };
        let mut parameters: Vec<Parameter> = Vec::new();
        for read in
            graph.reads_of(screen).filter(|read| declares(route, read) && read.fact.absent != Absent::Unmet)
        {
            let read_out = Route::read(&read.name, &read.fact, graph.ways_of(route));
            match parameters.iter_mut().find(|parameter| parameter.name == read.name) {
                Some(known) => {
                    known.required |= read_out.required;
                    known.nullable &= read_out.nullable;
                }
                None => parameters.push(read_out),
            }
        }
        let declared = &mut graph.routes[route].parameters;
        parameters.retain(|read| declared.iter().all(|known| known.name != read.name));
        declared.extend(parameters);
    }
}
