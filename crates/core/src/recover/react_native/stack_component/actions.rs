//! Actions that are dispatched, and states that are set (reactnavigation.org, "CommonActions",
//! "StackActions", "TabActions", "DrawerActions").

use crate::model::Verb;
use crate::recover::react_native::element::property;
use crate::syntax::Kind;
use crate::values::{Expr, Values};

/// What a call does, and which expressions say where it leads and what it passes.
#[derive(Debug, Clone)]
pub(super) struct Step {
    /// What it does.
    pub(super) verb: Verb,
    /// The name; `None` where it leads back.
    pub(super) name: Option<Expr>,
    /// What is passed.
    pub(super) params: Option<Expr>,
    /// What is passed is put to what is there.
    pub(super) merges: bool,
    /// How many screens it goes back.
    pub(super) steps: u32,
    /// It says through which navigators it goes.
    pub(super) nested: bool,
}

impl Step {
    fn back(verb: Verb, steps: u32) -> Self {
        Self { verb, name: None, params: None, merges: false, steps, nested: false }
    }

    fn to(verb: Verb, name: Expr, params: Option<Expr>) -> Self {
        Self { verb, name: Some(name), params, merges: false, steps: 1, nested: false }
    }
}

/// Methods of navigation objects and of creators of actions that name a route.
const NAMING: &[(&str, Verb)] = &[
    ("jumpTo", Verb::Tab),
    ("navigate", Verb::Open),
    ("navigateDeprecated", Verb::Open),
    ("popTo", Verb::BackTo),
    ("push", Verb::Open),
    ("replace", Verb::Replace),
];

/// Objects whose methods make actions.
const CREATORS: &[&str] =
    &["CommonActions", "DrawerActions", "NavigationActions", "StackActions", "SwitchActions", "TabActions"];

/// All methods that this style's calls are made by.
pub(super) const METHODS: &[&str] = &[
    "dispatch",
    "goBack",
    "jumpTo",
    "navigate",
    "navigateDeprecated",
    "pop",
    "popTo",
    "popToTop",
    "push",
    "replace",
    "reset",
    "resetRoot",
];

/// What a method does with its arguments; `None` where it is no call.
pub(super) fn step(method: &str, args: &[Expr], values: &Values<'_>) -> Option<Step> {
    match method {
        "back" | "goBack" => Some(Step::back(Verb::Back, 1)),
        "popToTop" => Some(Step::back(Verb::BackTo, 1)),
        "pop" => Some(match args.first() {
            None => Step::back(Verb::Back, 1),
            Some(count) => {
                // `pop(2)`; `pop({ n: 2 })` of the older packages.
                let count = property(count, "n", values).unwrap_or_else(|| count.clone());
                Step::back(Verb::Back, number(&count, values).unwrap_or(1))
            }
        }),
        "reset" | "resetRoot" => state(args.first()?, values),
        "dispatch" => dispatched(args.first()?, values),
        _ => {
            let (_, verb) = NAMING.iter().find(|(name, _)| *name == method)?;
            named(*verb, args, values)
        }
    }
}

fn number(expr: &Expr, values: &Values<'_>) -> Option<u32> {
    match values.kind(expr.at) {
        Kind::Number(text) => text.parse().ok(),
        _ => None,
    }
}

/// `navigate(name, params)`, `navigate({ name, params })`.
fn named(verb: Verb, args: &[Expr], values: &Values<'_>) -> Option<Step> {
    let first = args.first()?;
    if let Some(name) = property(first, "name", values).or_else(|| property(first, "routeName", values)) {
        let mut step = Step::to(verb, name, property(first, "params", values));
        // The older packages hand on an action for the navigator inside.
        let inner = property(first, "action", values).and_then(|action| dispatched(&action, values));
        if let Some(inner) = inner.filter(|inner| inner.name.is_some()) {
            return Some(Step { verb, nested: true, ..inner });
        }
        step.merges = is_true(property(first, "merge", values), values);
        return Some(innermost(step, values));
    }
    // A route by its key is one that is there.
    if values.entries(first).is_some() {
        return None;
    }
    let mut step = Step::to(verb, first.clone(), args.get(1).cloned());
    let options = args.get(2);
    // The older packages take an action for the navigator inside.
    let inner = options.and_then(|action| dispatched(action, values)).filter(|inner| inner.name.is_some());
    if let Some(inner) = inner {
        return Some(Step { verb, nested: true, ..inner });
    }
    step.merges = is_true(options.and_then(|options| property(options, "merge", values)), values);
    Some(innermost(step, values))
}

fn is_true(value: Option<Expr>, values: &Values<'_>) -> bool {
    value.is_some_and(|value| matches!(values.kind(value.at), Kind::Bool(true)))
}

/// `{ screen, params }` inside of `params`: the innermost screen is where it leads.
fn innermost(mut step: Step, values: &Values<'_>) -> Step {
    for _ in 0..8 {
        let Some(params) = &step.params else { break };
        let Some(screen) = property(params, "screen", values) else { break };
        // A parameter of that name is none: its value names no route.
        if !matches!(
            values.kind(screen.at),
            Kind::Text(_) | Kind::Name(_) | Kind::Member(_) | Kind::Cast { .. }
        ) {
            break;
        }
        let inner = property(params, "params", values);
        step = Step { name: Some(screen), params: inner, nested: true, ..step };
    }
    step
}

/// A state: its routes, of which the last, or the one it points at, is on top.
fn state(state: &Expr, values: &Values<'_>) -> Option<Step> {
    if let Some(actions) = property(state, "actions", values) {
        let last = values.elements(&actions).pop()?;
        return dispatched(&last, values).map(|step| Step { verb: Verb::Reset, ..step });
    }
    let routes = values.elements(&property(state, "routes", values)?);
    let index = property(state, "index", values).and_then(|index| number(&index, values));
    let on_top = match index {
        Some(index) => routes.get(usize::try_from(index).ok()?),
        None => routes.last(),
    };
    let on_top = on_top.or_else(|| routes.last())?;
    let name = property(on_top, "name", values)?;
    let step = Step::to(Verb::Reset, name, property(on_top, "params", values));
    // A state inside of the route's own says what it shows.
    if let Some(inner) = property(on_top, "state", values) {
        return state_inside(&inner, values).or(Some(step));
    }
    Some(innermost(step, values))
}

fn state_inside(inner: &Expr, values: &Values<'_>) -> Option<Step> {
    state(inner, values).map(|step| Step { nested: true, ..step })
}

/// The action that is handed to `dispatch`, or that a function of the state hands back.
fn dispatched(action: &Expr, values: &Values<'_>) -> Option<Step> {
    if let Kind::Lambda { body, .. } = values.kind(action.at) {
        let body = action.with(*body);
        return values.handed_back(&body).iter().find_map(|inner| dispatched(inner, values));
    }
    let made = values.built(action).root;
    let tree = values.tree(made.at);
    let call = tree.call(made.at.id)?;
    let creator = tree.last_name(tree.receiver(call)?)?.0;
    CREATORS.contains(&creator.as_str()).then_some(())?;
    let method = tree.callee(call)?.0.as_str();
    let args: Vec<Expr> = call.args.iter().map(|arg| made.with(arg.value)).collect();
    (method != "dispatch").then(|| step(method, &args, values))?
}

/// Whether an expression is an action that leads somewhere.
pub(super) fn is_action(action: &Expr, values: &Values<'_>) -> bool {
    dispatched(action, values).is_some()
}
