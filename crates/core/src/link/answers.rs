//! Addresses that code takes apart itself: what each answer of it opens gets the address.

use super::graph::{Call, Graph};
use crate::facts::{AnswerFact, OriginFact, RouteId};
use crate::model::Verb;
use crate::values::{Expr, Ref, Values};

/// Helpers of helpers are followed this deep.
const MAX_DEPTH: usize = 4;

/// Gives the routes that answers open their addresses.
pub(super) fn attach(
    answers: &[AnswerFact],
    origins: &[OriginFact],
    graph: &mut Graph<'_>,
    values: Values<'_>,
) {
    for answer in answers {
        let mut bodies = vec![answer.body];
        called_from(answer.body, 0, values, &mut bodies);
        let inside = |call: &&Call| bodies.iter().any(|body| holds(*body, call.fact.site, values));
        let calls: Vec<&Call> =
            graph.calls.iter().filter(inside).filter(|call| call.goes_forward()).collect();
        let shown = calls.iter().rfind(|call| call.fact.verb != Verb::Tab).or(calls.last());
        let Some(call) = shown else { continue };
        let [target] = call.targets.as_slice() else { continue };
        let rest = answer.rest.as_ref().map(|name| format!("/{{{}}}", parameter(call, name, graph, *target)));
        let module = values.program().source(answer.body.file).module;
        let own = origins.iter().filter(|origin| origin.module == module).map(|origin| origin.origin.clone());
        let mut schemes: Vec<String> = answer.scheme.iter().map(|scheme| format!("{scheme}://")).collect();
        schemes.extend(own.filter(|_| answer.scheme.is_none()));
        let target = *target;
        for scheme in schemes {
            let pattern = format!("{scheme}{}{}", answer.host, rest.as_deref().unwrap_or_default());
            let links = &mut graph.routes[target].fact.deep_links;
            if links.iter().all(|(known, _)| *known != pattern) {
                links.push((pattern, answer.at));
            }
        }
        graph.routes[target].entry = true;
    }
}

/// The parameter that a piece of the address is passed for.
fn parameter(call: &Call, name: &str, graph: &Graph<'_>, target: RouteId) -> String {
    let parameters = &graph.routes[target].parameters;
    let passed = call.fact.arguments.iter().position(|argument| argument.value.as_deref() == Some(name));
    let named = passed.and_then(|place| match &call.fact.arguments[place].slot {
        crate::facts::Slot::Name(name) => Some(name.clone()),
        _ => parameters.get(place).map(|parameter| parameter.name.clone()),
    });
    named.or_else(|| parameters.first().map(|p| p.name.clone())).unwrap_or_else(|| name.to_owned())
}

fn holds(body: Ref, site: Ref, values: Values<'_>) -> bool {
    body.file == site.file && values.tree(body).span(body.id).holds(values.tree(site).span(site.id))
}

/// The bodies of the source's own functions that a piece of code calls.
fn called_from(body: Ref, depth: usize, values: Values<'_>, bodies: &mut Vec<Ref>) {
    if depth >= MAX_DEPTH {
        return;
    }
    let tree = values.tree(body);
    let mut todo = vec![body.id];
    while let Some(id) = todo.pop() {
        let called =
            tree.call(id).and_then(|_| values.called_function(&Expr::new(Ref { file: body.file, id })));
        if let Some(function) = called
            && let Some(inner) = values.tree(function).function(function.id).and_then(|f| f.body)
        {
            let inner = Ref { file: function.file, id: inner };
            if !bodies.contains(&inner) {
                bodies.push(inner);
                called_from(inner, depth + 1, values, bodies);
            }
        }
        todo.extend(tree.kind(id).children());
    }
}
