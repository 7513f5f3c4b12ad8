//! Calls that go to an address of a shell.

use super::addresses::{Address, read};
use super::{STYLE, shells};
use crate::facts::{ArgumentFact, At, CallFact, Facts, HostHint, Slot, TargetFact};
use crate::model::{Form, Verb};
use crate::recover::code;
use crate::recover::xaml::uri::unescaped;
use crate::syntax::{Call, Kind};
use crate::values::{Expr, Ref, Shape, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let mut found: Vec<CallFact> = Vec::new();
    for (at, call) in code::calls(file, values, &["GoToAsync"]) {
        let Some(first) = call.args.first().filter(|_| is_on_shell(at, call, values)) else { continue };
        for said in values.sites(at, &Expr::new(at).with(first.value)) {
            let bound = |id| said.bind(&Expr::new(Ref { file, id }));
            let place = code::callee_at(said.at, values);
            let mut fact = going(said.at, place, &bound(first.value), values, facts);
            for arg in call.args.iter().skip(1) {
                data(&bound(arg.value), &mut fact, values);
            }
            add(fact, &mut found);
        }
    }
    facts.calls.extend(found);
}

/// A wrapper may have several calls for one use: the one that passes most is kept.
fn add(fact: CallFact, found: &mut Vec<CallFact>) {
    match found.iter_mut().find(|other| other.at == fact.at && other.written == fact.written) {
        Some(other) if other.arguments.len() < fact.arguments.len() || fact.open => *other = fact,
        Some(_) => {}
        None => found.push(fact),
    }
}

fn is_on_shell(at: Ref, call: &Call, values: &Values<'_>) -> bool {
    match values.tree(at).receiver(call) {
        Some(of) => shells::is_current(&Expr::new(at).with(of), values),
        None => shells::is_in_shell(at, values) && values.called_function(&Expr::new(at)).is_none(),
    }
}

fn going(site: Ref, at: At, given: &Expr, values: &Values<'_>, facts: &mut Facts) -> CallFact {
    let said = code::said(CallFact::new(STYLE, Verb::Open, site, at), given, TargetFact::Named, values);
    let shapes = match &said.target {
        TargetFact::Named(shapes) => shapes.clone(),
        _ => Vec::new(),
    };
    let mut addresses: Vec<Address> = shapes.iter().filter_map(|shape| read(shape, at)).collect();
    let Some(first) = addresses.first() else {
        return CallFact { target: TargetFact::Unknown, form: Form::Dynamic, literal: None, ..said };
    };
    let (verb, up, names) = (first.verb, first.up, first.names);
    let several = addresses.len() > 1;
    let names_of = |address: &Address| match several {
        true => address.last.first().cloned().into_iter().collect(),
        false => address.last.iter().rev().cloned().collect::<Vec<Shape>>(),
    };
    let lasts: Vec<Shape> = addresses.iter().flat_map(names_of).collect();
    let mut arguments = Vec::new();
    for pair in addresses.drain(..).flat_map(|address| address.pairs) {
        if pair.unescaped {
            facts.missing_steps.push(unescaped(&pair.argument, at));
        }
        arguments.push(pair.argument);
    }
    if lasts.is_empty() {
        let back = CallFact::new(STYLE, Verb::Back, site, at);
        return CallFact { steps: up, arguments, written: said.written, ..back };
    }
    let host = host(verb, names, at.file, values);
    // Of one address a longer name is asked for first; of a choice of several each may be meant.
    let target = if several { TargetFact::Named(lasts) } else { TargetFact::FirstOf(lasts) };
    CallFact { verb, arguments, host, target, ..said }
}

/// Content is absolute, what is registered is not; both may stand in a longer address.
fn host(verb: Verb, names: usize, file: u32, values: &Values<'_>) -> Option<HostHint> {
    let shell = shells::shell(file, values)?;
    Some(match verb {
        Verb::Reset if names == 1 => HostHint::Container(shells::content(&shell)),
        Verb::Reset => HostHint::Any,
        _ => HostHint::Container(shells::beside(&shell)),
    })
}

/// What is passed as a dictionary.
fn data(given: &Expr, fact: &mut CallFact, values: &Values<'_>) {
    let given = code::seen_through(given, values);
    if matches!(values.kind(given.at), Kind::Bool(_) | Kind::Null) {
        return;
    }
    let Some(entries) = values.entries(&given) else {
        // A parameter that its caller leaves out passes nothing.
        let parameter = values.parameter_of_function(&given);
        let left_out =
            parameter.and_then(|at| values.tree(at).parameter(at.id)).is_some_and(|p| p.default.is_some());
        let flag = values.type_of(&given).is_some_and(|ty| ty.name == "bool");
        fact.open |= !left_out && !flag;
        return;
    };
    fact.open |= entries.open;
    for (key, value) in &entries.known {
        match code::key(key, values) {
            Some((name, literal_key)) => fact.arguments.push(ArgumentFact {
                literal_key,
                at: code::node_at(key.at, values),
                ..code::argument(Slot::Name(name), value, values)
            }),
            None => fact.open = true,
        }
    }
}
