//! Addresses that code takes apart itself: what each answer of it opens gets the address.

use crate::facts::{At, OwnFact, RouteId, Slot};
use crate::link::{Call, Graph, Join, Joining, Phase};
use crate::model::Verb;
use crate::values::{Expr, Ref, Values};

pub(super) const JOIN: Join = Join { after: Phase::Resolved, join };

/// Helpers of helpers are followed this deep.
const MAX_DEPTH: usize = 4;

/// One answer to an address that code takes apart itself.
#[derive(Debug)]
pub(super) struct Answer {
    /// The scheme that is compared with; `None` where any of the app's is meant.
    pub(super) scheme: Option<String>,
    /// The host that is answered.
    pub(super) host: String,
    /// What the rest of the path is called where it is used.
    pub(super) rest: Option<String>,
    /// What is done.
    pub(super) body: Ref,
    /// The comparison.
    pub(super) at: At,
}

/// A scheme that an app answers.
#[derive(Debug)]
pub(super) struct Scheme {
    /// `barn://`.
    pub(super) origin: String,
    /// The module of the app.
    pub(super) module: usize,
}

impl OwnFact for Answer {}
impl OwnFact for Scheme {}

/// Gives the routes that answers open their addresses.
fn join(joining: &mut Joining<'_, '_>) {
    let schemes = joining.take::<Scheme>();
    for answer in joining.take::<Answer>() {
        let Some((target, rest)) = opened(&answer, joining) else { continue };
        let module = joining.values().program().source(answer.body.file).module;
        let own = schemes.iter().filter(|scheme| scheme.module == module);
        let own = own.map(|scheme| scheme.origin.clone()).filter(|_| answer.scheme.is_none());
        let said = answer.scheme.iter().map(|scheme| format!("{scheme}://"));
        joining.open_from_outside(target);
        for scheme in said.chain(own).collect::<Vec<_>>() {
            joining.open_by(target, format!("{scheme}{}{rest}", answer.host), answer.at);
        }
    }
}

/// The route that an answer opens, and the rest of its address.
fn opened(answer: &Answer, joining: &Joining<'_, '_>) -> Option<(RouteId, String)> {
    let (graph, values) = (joining.graph(), joining.values());
    let mut bodies = vec![answer.body];
    called_from(answer.body, 0, values, &mut bodies);
    let inside = |call: &&Call| bodies.iter().any(|body| holds(*body, call.fact.site, values));
    let calls: Vec<&Call> = graph.calls.iter().filter(inside).filter(|call| call.goes_forward()).collect();
    let call = calls.iter().rfind(|call| call.fact.verb != Verb::Tab).or(calls.last())?;
    let [target] = call.targets.as_slice() else { return None };
    let rest = answer.rest.as_ref().map(|name| format!("/{{{}}}", parameter(call, name, graph, *target)));
    Some((*target, rest.unwrap_or_default()))
}

/// The parameter that a piece of the address is passed for.
fn parameter(call: &Call, name: &str, graph: &Graph<'_>, target: RouteId) -> String {
    let parameters = &graph.routes[target].parameters;
    let passed = call.fact.arguments.iter().position(|argument| argument.value.as_deref() == Some(name));
    let named = passed.and_then(|place| match &call.fact.arguments[place].slot {
        Slot::Name(name) => Some(name.clone()),
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
