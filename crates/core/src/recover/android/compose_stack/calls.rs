//! What is done to a stack: keys put on it and taken off, in place or in a class of the app's own.

use super::keys::{classes, is_key};
use super::stacks::{is_of_owner, is_owner, is_stack};
use crate::facts::{At, CallFact, Facts, TargetFact};
use crate::model::{Form, Style, Verb};
use crate::recover::android::code;
use crate::recover::constructor::made_with;
use crate::syntax::{AssignOp, Call, Id, Kind};
use crate::values::{Def, Expr, Ref, Values};

/// Puts one key on.
const ADDS: &[&str] = &["add", "addLast", "plusAssign"];

/// Takes the last key off.
const TAKES: &[&str] = &["removeLastOrNull", "removeLast", "removeAt"];

/// Takes several off.
const CUTS: &[&str] = &["removeAll", "retainAll", "removeRange", "removeIf"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let before = facts.calls.len();
    let names = [ADDS, TAKES, CUTS, &["addAll", "put", "set"]].concat();
    for (at, call) in code::calls(file, values, &names) {
        method(at, call, values, facts);
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        if let Kind::Assign { target, op, value } = tree.kind(id) {
            assigned(Ref { file, id }, *target, *op, *value, values, facts);
        }
    }
    once_a_place(facts, before);
}

/// A helper that puts a key on one of several stacks, and sets which of them is shown, is one call.
fn once_a_place(facts: &mut Facts, before: usize) {
    let mut seen: Vec<(At, bool)> = Vec::new();
    let mut from = 0;
    facts.calls.retain(|call| {
        from += 1;
        let key = (call.at, matches!(call.verb, Verb::Back | Verb::BackTo));
        from <= before
            || (!seen.contains(&key) && {
                seen.push(key);
                true
            })
    });
}

fn method(at: Ref, call: &Call, values: &Values<'_>, facts: &mut Facts) {
    let Some(stack) = stack_of(at, call, values) else { return };
    let name = code::callee_name(at, values);
    let first = call.args.first().map(|arg| arg.value);
    let last = call.args.last().map(|arg| arg.value);
    match (name, first) {
        (name, Some(_)) if ADDS.contains(&name) => {
            // `add(0, key)` puts it below all others.
            if let Some(key) = last.filter(|_| call.args.len() == 1) {
                puts(at, key, verb_of(at, &stack, values), values, facts);
            }
        }
        ("addAll", Some(keys)) => {
            let keys = Expr::new(at).with(keys);
            let key = values.elements(&keys).pop().filter(|key| !classes(key, values).is_empty());
            match key {
                Some(key) => facts.calls.push(opened(at, &key, verb_of(at, &stack, values), values)),
                // What is put together of a class's own lists is no way on.
                None if is_of_owner(&stack, values) => {}
                None => facts.calls.push(opened(at, &keys, verb_of(at, &stack, values), values)),
            }
        }
        // A stack of its own for a key: a tab.
        ("put", Some(key)) if is_of_owner(&stack, values) => puts(at, key, Verb::Tab, values, facts),
        ("set", Some(_)) if call.args.len() == 2 => {
            if let Some(key) = last {
                puts(at, key, Verb::Replace, values, facts);
            }
        }
        (name, _) if TAKES.contains(&name) && !is_followed_by_add(at, values) => {
            let steps = code::in_a_row(at, |_| true, values);
            facts.calls.push(CallFact { steps, ..back(at, Verb::Back, values) });
        }
        (name, _) if CUTS.contains(&name) => facts.calls.push(back(at, Verb::BackTo, values)),
        _ => {}
    }
}

fn back(at: Ref, verb: Verb, values: &Values<'_>) -> CallFact {
    CallFact::new(Style::ComposeStack, verb, at, code::callee_at(at, values))
}

/// The stack that a call is made on: what stands before the dot, or what a scope function is called on.
fn stack_of(at: Ref, call: &Call, values: &Values<'_>) -> Option<Expr> {
    let expr = Expr::new(at);
    if values.calls_own_function(&expr, call) {
        return None;
    }
    let on = match values.tree(at).receiver(call) {
        Some(of) => expr.with(of),
        None => values.implicit_receiver(&expr)?,
    };
    (is_stack(&on, values) || is_kept(&on, values)).then_some(on)
}

/// One of the lists that a class keeps for its tabs.
fn is_kept(on: &Expr, values: &Values<'_>) -> bool {
    match values.kind(on.at) {
        Kind::Index { of, .. } => is_of_owner(&on.with(*of), values),
        Kind::Name(_) | Kind::Member(_) => {
            let of_lists = values.type_of(on).is_some_and(|ty| ty.class.is_none() && !ty.args.is_empty());
            of_lists && is_of_owner(on, values)
        }
        _ => false,
    }
}

/// What comes before in the same block says whether a key is put on what was there.
fn verb_of(at: Ref, stack: &Expr, values: &Values<'_>) -> Verb {
    match statement_beside(at, false, values) {
        Some(("clear", on)) if is_same(on, stack, values) => Verb::Reset,
        Some((name, on)) if TAKES.contains(&name) && is_same(on, stack, values) => Verb::Replace,
        _ => Verb::Open,
    }
}

fn is_followed_by_add(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let of = tree.call(at.id).and_then(|call| tree.receiver(call)).map(|id| Ref { file: at.file, id });
    statement_beside(at, true, values).is_some_and(|(name, on)| {
        (ADDS.contains(&name) || name == "addAll")
            && on.map(|on| values.written(on)) == of.map(|of| values.written(of))
    })
}

fn is_same(on: Option<Ref>, stack: &Expr, values: &Values<'_>) -> bool {
    on.is_none_or(|on| values.written(on) == values.written(stack.at))
}

/// The call that the statement before, or after, the one around a node is: its name and receiver.
fn statement_beside<'p>(at: Ref, after: bool, values: &Values<'p>) -> Option<(&'p str, Option<Ref>)> {
    let tree = values.tree(at);
    let mut inner = at.id;
    for outer in tree.ancestors(at.id) {
        match tree.kind(outer) {
            Kind::Block(items) => {
                let place = items.iter().position(|&item| item == inner)?;
                let beside = if after { items.get(place + 1) } else { items.get(place.checked_sub(1)?) }?;
                let call = tree.call(*beside)?;
                let on = tree.receiver(call).map(|id| Ref { file: at.file, id });
                return Some((tree.callee(call)?.0.as_str(), on));
            }
            Kind::Member(_) | Kind::Call(_) | Kind::Assign { .. } | Kind::Unary { .. } => inner = outer,
            _ => return None,
        }
    }
    None
}

/// `backStack += Item(id)`, `backStack[backStack.lastIndex] = Item(id)`, and which of several stacks a
/// class shows: `topLevelKey = key`.
fn assigned(at: Ref, target: Id, op: AssignOp, value: Id, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(at);
    let on = Expr::new(at).with(target);
    match (op, tree.kind(target)) {
        (AssignOp::Add, _) if is_stack(&on, values) => puts(at, value, Verb::Open, values, facts),
        (AssignOp::Set, Kind::Index { of, .. }) => {
            let of = on.with(*of);
            if is_stack(&of, values) && values.type_of(&of).is_none_or(|ty| ty.name != "Map") {
                puts(at, value, Verb::Replace, values, facts);
            } else if let Kind::Index { args, .. } = tree.kind(target)
                && let Some(&key) = args.first()
                && is_of_owner(&of, values)
            {
                puts(at, key, Verb::Tab, values, facts);
            }
        }
        (AssignOp::Set, Kind::Name(_) | Kind::Member(_)) if is_which_tab(&on, values) => {
            puts(at, value, Verb::Tab, values, facts);
        }
        _ => {}
    }
}

/// Whether an expression is a property that holds a key, in a class that keeps stacks.
fn is_which_tab(on: &Expr, values: &Values<'_>) -> bool {
    let Some(Def::Variable(variable)) = values.meaning(on) else { return false };
    let Some(class) = values.enclosing_named_class(variable).filter(|_| !values.is_local(variable)) else {
        return false;
    };
    let holds_key = values.type_of(on).is_some_and(|ty| is_key(&ty, values));
    (holds_key && keeps_stacks(class, values)) || (is_owner(class, values) && !holds_list(on, values))
}

fn holds_list(on: &Expr, values: &Values<'_>) -> bool {
    values.type_of(on).is_some_and(|ty| !ty.args.is_empty()) || is_stack(on, values)
}

/// Whether an expression is a property of a class that keeps stacks.
fn is_kept_beside_stacks(key: &Expr, values: &Values<'_>) -> bool {
    let class = match values.meaning(key) {
        Some(Def::Variable(at)) if !values.is_local(at) => values.enclosing_named_class(at),
        // A parameter that is a property as well.
        Some(Def::Parameter(at)) if matches!(values.kind(key.at), Kind::Member(_)) => {
            values.enclosing_named_class(at)
        }
        _ => None,
    };
    class.is_some_and(|class| is_owner(class, values) || keeps_stacks(class, values))
}

/// Whether a class has a property, or takes a parameter, that is a stack or a map of stacks.
fn keeps_stacks(class: Ref, values: &Values<'_>) -> bool {
    let Some(declared) = values.class(class) else { return false };
    let tree = values.tree(class);
    let types = declared.params.iter().filter_map(|&id| tree.parameter(id)?.ty.as_ref());
    types.chain(declared.members.iter().filter_map(|&id| tree.variable(id)?.ty.as_ref())).any(|ty| {
        let named = std::iter::once(ty).chain(&ty.args);
        named.into_iter().any(|ty| ty.simple() == "NavBackStack")
    })
}

/// A key put on, wherever that is really said.
fn puts(at: Ref, key: Id, verb: Verb, values: &Values<'_>, facts: &mut Facts) {
    let key = Expr::new(at).with(key);
    // What a class puts where from its own properties is its own affair.
    if is_kept_beside_stacks(&key, values) {
        return;
    }
    for site in values.sites(at, &key) {
        facts.calls.push(opened(site.at, &site.bind(&key), verb, values));
    }
}

fn opened(site: Ref, key: &Expr, verb: Verb, values: &Values<'_>) -> CallFact {
    let found = values.eval(key);
    let classes = classes(key, values);
    let ways = found.iter().filter_map(|value| Some(made_with(value, values.object_class(value)?, values)));
    CallFact {
        written: values.written(code::seen_through(key, values).at),
        form: match classes.len() {
            0 => Form::Dynamic,
            1 => Form::Typed,
            _ => Form::Computed,
        },
        arguments: code::joined(ways),
        open: found.len() > classes.len(),
        value_class: values.type_of(key).and_then(|ty| ty.class),
        target: if classes.is_empty() { TargetFact::Unknown } else { TargetFact::Typed(classes) },
        ..CallFact::new(Style::ComposeStack, verb, site, place_of(site, values))
    }
}

/// The callee's last name, or what is assigned to.
fn place_of(site: Ref, values: &Values<'_>) -> At {
    let tree = values.tree(site);
    match tree.kind(site.id) {
        Kind::Assign { target, .. } => {
            let named = match tree.kind(*target) {
                Kind::Index { of, .. } => *of,
                _ => *target,
            };
            let span = tree.last_name(named).map_or(tree.span(site.id), |(_, span)| span);
            At { file: site.file, span }
        }
        _ => code::callee_at(site, values),
    }
}
