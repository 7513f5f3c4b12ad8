//! Texts that a stack's views are chosen by: `navigationDestination(for: String.self)` around a switch
//! over names, or a row of comparisons. The first that fits is shown.

use super::destinations::{read_of_bound, route};
use crate::facts::{At, Facts, Order, ParameterFact, ReadFact, RouteFact};
use crate::model::{RouteKind, Via};
use crate::recover::apple::shown::shown;
use crate::recover::code;
use crate::syntax::{Arm, BinaryOp, Call, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// Helpers of helpers are followed this deep.
const MAX_DEPTH: usize = 8;

/// What a row of a table asks of the text.
enum Row {
    /// This text.
    Name(String),
    /// A text that begins so; the name that the row gives it.
    Prefix(String, Option<Id>),
}

/// The routes of a table, without what they stand in; none where a closure chooses by no text.
pub(super) fn routes(closure: &Expr, values: &Values<'_>, facts: &mut Facts) -> Vec<RouteFact> {
    let Some(choice) = choice_of(closure, 0, values) else { return Vec::new() };
    let mut found = Vec::new();
    collect(&choice, values, &mut found, facts);
    for (place, route) in found.iter_mut().enumerate() {
        route.order = Order::Declared(place);
    }
    found
}

/// Whether any stack of the app chooses by text.
pub(super) fn is_there(values: &Values<'_>) -> bool {
    let calls = values.program().calls_named("navigationDestination").iter();
    calls.copied().any(|at| {
        let call = values.tree(at).call(at.id);
        call.is_some_and(|call| {
            is_for_text(at, call, values)
                && super::destinations::closure_of(at, call, values)
                    .is_some_and(|closure| choice_of(&closure, 0, values).is_some())
        })
    })
}

fn is_for_text(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    let ty = call.args.iter().find(|arg| arg.name.as_deref() == Some("for"));
    ty.is_some_and(|arg| matches!(values.tree(at).kind(arg.value), Kind::ClassOf(ty) if ty.name == "String"))
}

/// The choice that a closure, or a helper that it goes through, makes by text.
fn choice_of(content: &Expr, depth: usize, values: &Values<'_>) -> Option<Expr> {
    if depth > MAX_DEPTH {
        return None;
    }
    let deeper = |inner: &Expr| choice_of(inner, depth + 1, values);
    match values.kind(content.at) {
        Kind::Lambda { body, .. } => deeper(&content.with(*body)),
        Kind::Block(items) | Kind::Other(items) => items.iter().find_map(|&item| deeper(&content.with(item))),
        Kind::Return(Some(value)) => deeper(&content.with(*value)),
        Kind::Branch { arms, .. } => {
            let by_text = arms.iter().any(|arm| !rows(content, arm, values).is_empty());
            by_text.then(|| content.clone())
        }
        Kind::Call(call) => {
            let own = values.called_body(content).and_then(|body| deeper(&body));
            own.or_else(|| values.tree(content.at).receiver(call).and_then(|of| deeper(&content.with(of))))
        }
        _ => None,
    }
}

fn collect(choice: &Expr, values: &Values<'_>, found: &mut Vec<RouteFact>, facts: &mut Facts) {
    let Kind::Branch { arms, .. } = values.kind(choice.at) else { return };
    for arm in arms {
        let body = choice.with(arm.body);
        if arm.tests.is_empty() {
            // `else if` is a choice of its own.
            match choice_of(&body, 0, values) {
                Some(inner) => collect(&inner, values, found, facts),
                None => found.extend(fallback(&body, values)),
            }
            continue;
        }
        for (row, at) in rows(choice, arm, values) {
            facts.reads.extend(read(&row, &body, values));
            found.push(route_of(row, at, &body, values));
        }
    }
}

/// What an arm asks for, and where.
fn rows(choice: &Expr, arm: &Arm, values: &Values<'_>) -> Vec<(Row, At)> {
    let tree = values.tree(choice.at);
    let bound = arm.tests.iter().copied().find(|&id| tree.variable(id).is_some());
    let mut found = Vec::new();
    for &test in &arm.tests {
        let at = choice.with(test);
        let row = match values.kind(at.at) {
            Kind::Binary { op: BinaryOp::Equal, left, right } => {
                let text = values.plain_text(&at.with(*right)).or_else(|| values.plain_text(&at.with(*left)));
                text.map(Row::Name)
            }
            Kind::Call(call) if code::callee_name(at.at, values) == "hasPrefix" => {
                let prefix = call.args.first().and_then(|arg| values.plain_text(&at.with(arg.value)));
                prefix.map(|prefix| Row::Prefix(prefix, bound))
            }
            Kind::Variable(_) => None,
            _ => values.plain_text(&at).map(Row::Name),
        };
        // A name that the row gives the text stands before what it asks of it.
        let place = match &row {
            Some(Row::Prefix(_, Some(bound))) => at.with(*bound).at,
            _ => at.at,
        };
        found.extend(row.map(|row| (row, code::node_at(place, values))));
    }
    found
}

/// What a screen makes of the text that its row gives a name.
fn read(row: &Row, body: &Expr, values: &Values<'_>) -> Option<ReadFact> {
    let Row::Prefix(_, Some(bound)) = row else { return None };
    let held = Ref { file: body.at.file, id: *bound };
    let name = values.tree(held).variable(held.id)?.name.to_string();
    read_of_bound(&name, held, body, &shown(body, values), values)
}

fn route_of(row: Row, at: At, body: &Expr, values: &Values<'_>) -> RouteFact {
    let (name, pattern, parameters) = match row {
        Row::Name(name) => (name.clone(), name, Vec::new()),
        Row::Prefix(prefix, bound) => {
            let variable = bound.and_then(|id| values.tree(body.at).variable(id));
            let held = variable.map_or_else(|| "rest".to_owned(), |variable| variable.name.to_string());
            let parameter = variable.map(|variable| ParameterFact {
                name: held.clone(),
                ty: Some("String".to_owned()),
                required: true,
                nullable: false,
                default: None,
                via: Via::Path,
                at: At { file: body.at.file, span: variable.name_span },
            });
            (format!("{prefix}{{{held}}}"), format!("{prefix}{{}}"), parameter.into_iter().collect())
        }
    };
    RouteFact { pattern: Some(pattern), parameters, ..route(name, at, &shown(body, values), body.at, values) }
}

fn fallback(body: &Expr, values: &Values<'_>) -> Option<RouteFact> {
    let views = shown(body, values);
    let at = code::node_at(body.at, values);
    let fact = route("default".to_owned(), at, &views, body.at, values);
    (!views.is_empty()).then_some(RouteFact { kind: RouteKind::Fallback, ..fact })
}
