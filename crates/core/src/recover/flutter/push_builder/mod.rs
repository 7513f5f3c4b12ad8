//! `push-builder`: pages that a call builds in place, dialogs and sheets, and the ways back
//! (docs.flutter.dev, "Navigate to a new screen and back").

mod containers;

#[cfg(test)]
mod tab_tests;
#[cfg(test)]
mod tests;

use super::builder::{Leaves, Shown, callback, class_at, leaves};
use super::navigator::{NavigatorCall, calls, named};
use super::{SPEAKS, results};
use crate::facts::{
    CallFact, Facts, HostHint, Literal, Opened, RouteFact, Shows, TargetFact, Unopened, Ways,
};
use crate::model::{Form, RouteKind, Style, Verb};
use crate::recover::constructor::{arguments_of, parameters};
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{BinaryOp, Id, Kind, Tree, UnaryOp};
use crate::values::{Expr, Ref, Shape, Site, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::PushBuilder),
    speaks: SPEAKS,
    words: &[
        "Navigator",
        "NavigatorState",
        "MaterialApp",
        "CupertinoApp",
        "WidgetsApp",
        "showDialog",
        "showGeneralDialog",
        "showAdaptiveDialog",
        "BottomSheet",
        "showCupertino",
        "IndexedStack",
        "TabBarView",
        "PageView",
        "BottomNavigationBar",
        "NavigationBar",
    ],
    verbs: &[
        "push",
        "pushReplacement",
        "pushAndRemoveUntil",
        "pop",
        "popUntil",
        "maybePop",
        "showDialog",
        "showModalBottomSheet",
        "showCupertinoModalPopup",
        "showGeneralDialog",
    ],
    recover,
    ways: Ways { unopened: Unopened::Shown, ..Ways::PLAIN },
    ..StyleRecoverer::SHARED
};

/// Methods of the navigator that take a route object, and what they do.
const PUSHING: &[(&str, Verb)] = &[
    ("push", Verb::Open),
    ("pushAndRemoveUntil", Verb::Reset),
    ("pushReplacement", Verb::Replace),
    ("restorablePush", Verb::Open),
    ("restorablePushAndRemoveUntil", Verb::Reset),
    ("restorablePushReplacement", Verb::Replace),
];

/// Functions of the framework that present what they build.
pub(super) const PRESENTING: &[(&str, RouteKind)] = &[
    ("showAdaptiveDialog", RouteKind::Dialog),
    ("showBottomSheet", RouteKind::Sheet),
    ("showCupertinoDialog", RouteKind::Dialog),
    ("showCupertinoModalPopup", RouteKind::Sheet),
    ("showCupertinoSheet", RouteKind::Sheet),
    ("showDialog", RouteKind::Dialog),
    ("showGeneralDialog", RouteKind::Dialog),
    ("showModalBottomSheet", RouteKind::Sheet),
];

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).is_generated() {
        return;
    }
    let methods: Vec<&str> = PUSHING.iter().map(|(name, _)| *name).collect();
    for call in calls(file, values, &methods) {
        let verb =
            PUSHING.iter().find(|(name, _)| *name == call.method).map_or(Verb::Open, |(_, verb)| *verb);
        if let Some(route) = call.positional(0) {
            opens(call.at, &route, verb, RouteKind::Screen, &call.host, values, facts);
        }
    }
    for (name, kind) in PRESENTING {
        for (at, call) in code::calls(file, values, &[name]) {
            if values.calls_own_function(&Expr::new(at), call) {
                continue;
            }
            if let Some(builder) = results::builder_of(at, call) {
                opens(at, &builder, Verb::Present, *kind, &None, values, facts);
            }
        }
    }
    for (at, call) in code::calls(file, values, &["MaterialApp", "CupertinoApp", "WidgetsApp"]) {
        if let Some(home) = named(at, call, "home") {
            leaves(&home, values).shown.iter().for_each(|shown| start(shown, values, facts));
        }
    }
    containers::recover(file, values, facts);
    backs(file, values, facts);
}

/// What the app shows first.
fn start(shown: &Shown, values: &Values<'_>, facts: &mut Facts) {
    let route = route(shown.class, RouteKind::Screen, values);
    facts.routes.push(RouteFact { opened: Opened::AtLaunch, ..route });
}

/// A route of a widget that something opens.
fn route(class: Ref, kind: RouteKind, values: &Values<'_>) -> RouteFact {
    let at = class_at(class, values);
    let name = values.class(class).map(|c| c.name.to_string()).unwrap_or_default();
    RouteFact {
        shows: Shows::Class(values.program().path(class).to_owned(), at),
        opened: Opened::OnlyIfCalled,
        parameters: parameters(class, values),
        class: Some(class),
        ..RouteFact::new(Style::PushBuilder, kind, name, at)
    }
}

/// A call that shows what it builds, or what its caller hands it.
fn opens(
    at: Ref,
    target: &Expr,
    verb: Verb,
    kind: RouteKind,
    host: &Option<HostHint>,
    values: &Values<'_>,
    facts: &mut Facts,
) {
    let found = leaves(target, values);
    let mut push = |site: Ref, found: &Leaves| {
        let fact = call(site, &found.shown, verb, values);
        let types = values.tree(site).call(site.id).map(|call| call.types.clone()).unwrap_or_default();
        let types = if types.is_empty() { route_types(target, values) } else { types };
        results::receive(site, &types, fact.at, values, facts);
        facts.calls.push(CallFact { host: host.clone(), ..fact });
        facts.routes.extend(found.shown.iter().map(|shown| route(shown.class, kind, values)));
    };
    if !found.shown.is_empty() {
        return push(at, &found);
    }
    // What makes the route is not seen; a builder that shows a library's own widget is.
    let root = values.built(target).root;
    let builds = values.tree(root.at).call(root.at.id).is_some_and(|call| {
        call.new || call.args.iter().any(|arg| matches!(arg.name.as_deref(), Some("builder" | "pageBuilder")))
    });
    if found.open.is_empty() && !builds && found.gone.is_none() && verb != Verb::Present {
        return push(at, &Leaves::default());
    }
    // A wrapper of the app's own: each of its uses says what it shows, by one parameter or another.
    let opens: Vec<&Expr> = found.open.iter().filter(|open| open.at.file == at.file).collect();
    let sites: Vec<Vec<Site>> = opens.iter().map(|open| values.sites(at, open)).collect();
    let mut told: Vec<Ref> = Vec::new();
    for (open, site) in
        opens.iter().zip(&sites).flat_map(|(open, sites)| sites.iter().map(move |s| (open, s)))
    {
        let given = leaves(&site.bind(open), values);
        if !given.shown.is_empty() && !told.contains(&site.at) {
            told.push(site.at);
            push(site.at, &given);
        }
    }
    // Neither it nor any of its uses says so.
    if told.is_empty() && verb != Verb::Present && sites.iter().flatten().any(|site| site.at == at) {
        push(at, &Leaves::default());
    }
}

/// The type of what a route object hands back: `MaterialPageRoute<bool>(…)`.
fn route_types(target: &Expr, values: &Values<'_>) -> Vec<crate::syntax::TypeName> {
    let root = values.built(target).root;
    values.tree(root.at).call(root.at.id).map(|call| call.types.clone()).unwrap_or_default()
}

fn call(site: Ref, shown: &[Shown], verb: Verb, values: &Values<'_>) -> CallFact {
    let fact = CallFact::new(Style::PushBuilder, verb, site, code::callee_at(site, values));
    let [first, rest @ ..] = shown else {
        return CallFact { target: TargetFact::Unknown, ..fact };
    };
    CallFact {
        written: values.class(first.class).map(|c| c.name.to_string()).unwrap_or_default(),
        form: if rest.is_empty() { Form::Typed } else { Form::Computed },
        arguments: arguments_of(&first.made, first.class, values),
        open: !rest.is_empty(),
        target: TargetFact::Typed(shown.iter().map(|shown| shown.class).collect()),
        ..fact
    }
}

fn backs(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for call in calls(file, values, &["pop", "maybePop", "popUntil"]) {
        let at = code::callee_at(call.at, values);
        let back = CallFact {
            host: call.host.clone(),
            steps: code::in_a_row(call.at, |_| true, values),
            ..CallFact::new(Style::PushBuilder, Verb::Back, call.at, at)
        };
        if call.method == "popUntil" {
            facts.calls.push(until(&call, back, values));
            continue;
        }
        if let Some(value) = call.positional(0) {
            results::send_through(call.at, &value, values, facts);
        }
        facts.calls.push(back);
    }
}

/// `popUntil(ModalRoute.withName('/shelf'))`, `popUntil((route) => route.isFirst)`, or a counter.
fn until(call: &NavigatorCall<'_>, back: CallFact, values: &Values<'_>) -> CallFact {
    let to = CallFact { verb: Verb::BackTo, ..back };
    let Some(predicate) = call.positional(0) else { return to };
    if let Some(name) = with_name(&predicate, values) {
        let found = values.eval(&name);
        let shapes: Vec<Shape> = found.iter().filter_map(|value| value.shape().cloned()).collect();
        let known = !shapes.is_empty() && !shapes.iter().all(Shape::is_blank);
        return CallFact {
            style: Style::NamedTable,
            written: values.written(code::seen_through(&name, values).at),
            form: found.first().map_or(Form::Dynamic, |value| value.form),
            constant: found.iter().find_map(|value| value.constant),
            literal: shapes
                .iter()
                .find(|shape| shape.has_literal_words())
                .map(|shape| Literal { text: shape.value() }),
            target: if known { TargetFact::Text(shapes) } else { TargetFact::Unknown },
            ..to
        };
    }
    let Some((_, body)) = callback(&predicate, values) else {
        return CallFact { target: TargetFact::Unknown, ..to };
    };
    let tree = values.tree(body.at);
    if mentions(tree, body.at.id, "isFirst") {
        return to;
    }
    match counted(&body, values) {
        Some(steps) => CallFact { verb: Verb::Back, steps, ..to },
        None => CallFact { target: TargetFact::Unknown, ..to },
    }
}

/// The name in `ModalRoute.withName(name)` or `(route) => route.settings.name == name`.
fn with_name(predicate: &Expr, values: &Values<'_>) -> Option<Expr> {
    let made = values.built(predicate).root;
    let tree = values.tree(made.at);
    if let Some(call) = tree.call(made.at.id)
        && code::callee_name(made.at, values) == "withName"
    {
        return call.args.first().map(|arg| made.with(arg.value));
    }
    let (_, body) = callback(predicate, values)?;
    let tree = values.tree(body.at);
    let mut todo = vec![body.at.id];
    while let Some(id) = todo.pop() {
        if let Kind::Binary { op, left, right } = tree.kind(id)
            && *op == BinaryOp::Equal
        {
            let named = |id: Id| tree.last_name(id).is_some_and(|(name, _)| name == "name");
            match (named(*left), named(*right)) {
                (true, _) => return Some(body.with(*right)),
                (_, true) => return Some(body.with(*left)),
                _ => {}
            }
        }
        todo.extend(tree.kind(id).children());
    }
    None
}

fn mentions(tree: &Tree, within: Id, name: &str) -> bool {
    let mut todo = vec![within];
    while let Some(id) = todo.pop() {
        if tree.last_name(id).is_some_and(|(last, _)| last == name) {
            return true;
        }
        todo.extend(tree.kind(id).children());
    }
    false
}

/// More steps than this are no fixed number.
const MAX_STEPS: u32 = 20;

/// How many screens a counter lets go: `left-- == 0`, `count++ >= 2`. It is asked for each of them.
fn counted(body: &Expr, values: &Values<'_>) -> Option<u32> {
    let last = values.handed_back(body).into_iter().next()?;
    let Kind::Binary { op, left, right } = values.kind(last.at) else { return None };
    let (changed, limit) =
        (number_or_counter(&last.with(*left), values)?, number(&last.with(*right), values)?);
    let Counter { start, step, before } = changed;
    let mut count = start;
    for steps in 0..MAX_STEPS {
        let seen = if before { count + step } else { count };
        count += step;
        let stops = match op {
            BinaryOp::Equal => seen == limit,
            BinaryOp::MoreOrEqual => seen >= limit,
            BinaryOp::More => seen > limit,
            BinaryOp::LessOrEqual => seen <= limit,
            BinaryOp::Less => seen < limit,
            _ => return None,
        };
        if stops {
            return (steps > 0).then_some(steps);
        }
    }
    None
}

struct Counter {
    start: i64,
    step: i64,
    /// It changes before it is looked at.
    before: bool,
}

fn number_or_counter(expr: &Expr, values: &Values<'_>) -> Option<Counter> {
    let Kind::Unary { op, of } = values.kind(expr.at) else { return None };
    let start = values.initial_number(&expr.with(*of))?;
    let (step, before) = match op {
        UnaryOp::ThenIncrement => (1, false),
        UnaryOp::ThenDecrement => (-1, false),
        UnaryOp::Increment => (1, true),
        UnaryOp::Decrement => (-1, true),
        _ => return None,
    };
    Some(Counter { start, step, before })
}

fn number(expr: &Expr, values: &Values<'_>) -> Option<i64> {
    match values.kind(expr.at) {
        Kind::Number(text) => text.parse().ok(),
        _ => values.initial_number(expr),
    }
}
