//! Displays and the lists that they show.

use super::keys::{classes, is_key};
use crate::facts::{ChosenStart, ContainerFact, ContainerKey, Facts, ShownBy, Start, StartFact};
use crate::recover::android::code;
use crate::syntax::{BinaryOp, Call, Kind};
use crate::values::{Def, Expr, Ref, Type, Values};

/// What makes a list that can be a stack.
const MAKES: &[&str] =
    &["rememberNavBackStack", "NavBackStack", "mutableStateListOf", "mutableListOf", "SnapshotStateList"];

/// Types of such lists.
const LISTS: &[&str] = &["SnapshotStateList", "MutableList", "ArrayList", "ArrayDeque", "List"];

/// Locals, members and helpers are followed this far.
const MAX_STEPS: usize = 10;

/// The displays of a file, and what is put on their stacks first.
pub(super) fn displays(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["NavDisplay"]) {
        if values.calls_own_function(&Expr::new(at), call) {
            continue;
        }
        facts.containers.push(ContainerFact {
            start: Start::OPEN,
            shown_by: ShownBy::Itself,
            sites: vec![at],
            ..ContainerFact::new(key_of(at, values))
        });
    }
    for (at, call) in code::calls(file, values, MAKES) {
        let expr = Expr::new(at);
        let shown = holder(at, values).is_some_and(|held| shown_variables(values).contains(&held));
        if !values.calls_own_function(&expr, call) && (shown || is_stack(&expr, values)) {
            first_keys(at, call, values, facts);
        }
    }
}

/// `rememberNavBackStack(Shelf)`: what is there before anything is put on it.
fn first_keys(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    for container in shown_by(at, values) {
        for arg in &call.args {
            for site in values.sites(at, &Expr::new(at).with(arg.value)) {
                let key = site.bind(&Expr::new(at).with(arg.value));
                let place = code::node_at(code::seen_through(&key, values).at, values);
                let starts = classes(&key, values).into_iter().map(|class| ChosenStart {
                    container,
                    start: StartFact::new(values.class_path(class), place),
                });
                facts.chosen.extend(starts);
            }
        }
    }
}

/// A display's identity.
pub(super) fn key_of(display: Ref, values: &Values<'_>) -> ContainerKey {
    ContainerKey(code::callee_at(display, values))
}

/// Every display of the app.
pub(super) fn all_displays<'p>(values: &Values<'p>) -> impl Iterator<Item = (Ref, &'p Call)> {
    let values = *values;
    let calls = values.program().calls_named("NavDisplay").iter();
    calls.filter_map(move |&at| {
        let call = values.tree(at).call(at.id)?;
        (!values.calls_own_function(&Expr::new(at), call)).then_some((at, call))
    })
}

/// The displays that show the stack which a call makes: those that are given what it is held by; where
/// none is known to be, the only one there is.
fn shown_by(made: Ref, values: &Values<'_>) -> Vec<ContainerKey> {
    let held = holder(made, values);
    let shows = |(at, call): &(Ref, &Call)| {
        let given = given_to(*at, call);
        given.is_some_and(|stack| {
            stack.at == made || held.is_some_and(|held| variables(&stack, values).contains(&held))
        })
    };
    let found: Vec<ContainerKey> =
        all_displays(values).filter(shows).map(|(at, _)| key_of(at, values)).collect();
    match found.is_empty() {
        true => only_display(values).into_iter().collect(),
        false => found,
    }
}

/// The variable that holds what a call makes.
fn holder(made: Ref, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(made);
    let held = tree.ancestors(made.id).find(|&id| tree.variable(id).is_some())?;
    Some(Ref { file: made.file, id: held })
}

/// The one display, where there is one only.
pub(super) fn only_display(values: &Values<'_>) -> Option<ContainerKey> {
    let mut all = all_displays(values);
    let (first, _) = all.next()?;
    all.next().is_none().then(|| key_of(first, values))
}

/// The stack that a display is given.
fn given_to(at: Ref, call: &Call) -> Option<Expr> {
    Some(Expr::new(at).with(call.arg("backStack", 0)?))
}

/// The variables that an expression means, through locals, members and what makes their objects.
fn variables(expr: &Expr, values: &Values<'_>) -> Vec<Ref> {
    let mut found = Vec::new();
    let mut at = expr.clone();
    for _ in 0..MAX_STEPS {
        if let Some(Def::Variable(variable)) = values.meaning(&at) {
            found.push(variable);
        }
        match values.value_behind(&at) {
            Some(behind) if behind.at != at.at => at = behind,
            _ => break,
        }
    }
    found
}

/// The variables that displays show, and the classes that have them.
fn shown_variables(values: &Values<'_>) -> Vec<Ref> {
    let given = all_displays(values).filter_map(|(at, call)| given_to(at, call));
    given.flat_map(|stack| variables(&stack, values)).collect()
}

/// Whether an expression is a stack of keys: by its type, by what makes it, by who shows it.
pub(super) fn is_stack(expr: &Expr, values: &Values<'_>) -> bool {
    let mut at = expr.clone();
    for _ in 0..MAX_STEPS {
        if values.type_of(&at).is_some_and(|ty| is_stack_type(&ty, values)) {
            return true;
        }
        if let Some(Def::Variable(variable)) = values.meaning(&at)
            && shown_variables(values).contains(&variable)
        {
            return true;
        }
        at = match values.kind(at.at) {
            Kind::Call(call) if MAKES.contains(&code::callee_name(at.at, values)) => {
                return makes_stack(&at, call, values);
            }
            Kind::Index { of, .. } => return holds_stacks(&at.with(*of), values),
            Kind::Unary { of, .. } | Kind::Cast { of, .. } => at.with(*of),
            Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => at.with(*left),
            _ => match values.value_behind(&at) {
                Some(behind) if behind.at != at.at => behind,
                _ => return false,
            },
        };
    }
    false
}

/// `mutableStateListOf<NavKey>(Shelf)`: of keys, or made where a display is given it.
fn makes_stack(expr: &Expr, call: &Call, values: &Values<'_>) -> bool {
    let name = code::callee_name(expr.at, values);
    if name.ends_with("NavBackStack") {
        return true;
    }
    let typed = call.types.first().and_then(|ty| values.named_type(expr.at, ty));
    match typed {
        Some(ty) => is_key(&ty, values),
        None => {
            let first = call.args.first().map(|arg| classes(&expr.with(arg.value), values));
            first.unwrap_or_default().iter().any(|&class| super::keys::is_key_class(class, values))
        }
    }
}

fn is_stack_type(ty: &Type, values: &Values<'_>) -> bool {
    ty.class.is_none()
        && (ty.name == "NavBackStack"
            || (LISTS.contains(&ty.name.as_str())
                && ty.args.first().is_some_and(|held| is_key(held, values))))
}

/// Whether a map's values are stacks: one for each tab.
fn holds_stacks(map: &Expr, values: &Values<'_>) -> bool {
    let by_type =
        values.type_of(map).is_some_and(|ty| ty.args.last().is_some_and(|held| is_stack_type(held, values)));
    by_type || is_of_owner(map, values)
}

/// Whether an expression is a property of a class that keeps the stack which a display shows, asked for
/// within that class.
pub(super) fn is_of_owner(expr: &Expr, values: &Values<'_>) -> bool {
    let Some(Def::Variable(variable)) = values.meaning(expr) else { return false };
    let (Some(class), Some(around)) =
        (values.enclosing_named_class(variable), values.enclosing_named_class(expr.at))
    else {
        return false;
    };
    class == around && !values.is_local(variable) && is_owner(class, values)
}

/// Whether a class keeps a stack that a display shows.
pub(super) fn is_owner(class: Ref, values: &Values<'_>) -> bool {
    shown_variables(values)
        .iter()
        .any(|&shown| !values.is_local(shown) && values.enclosing_named_class(shown) == Some(class))
}
