//! What is done to a stack's path: values put on it and taken off (developer.apple.com,
//! "NavigationPath").

use super::stacks::{STYLE, place_of};
use super::targets::{opens, said_at};
use crate::facts::{CallFact, ContainerKey, Facts, HostHint, TargetFact};
use crate::model::Verb;
use crate::recover::code;
use crate::syntax::{AssignOp, Call, Kind};
use crate::values::{Expr, Ref, Values};

/// What one use of a path does.
pub(super) fn recover(used: Ref, stack: ContainerKey, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(used);
    let Some(outer) = tree.node(used.id).parent else { return };
    match tree.kind(outer) {
        Kind::Member(member) if member.of == used.id => {
            let Some(up) = tree.node(outer).parent else { return };
            if let Some(call) = tree.call(up).filter(|call| call.callee == outer) {
                method(Ref { file: used.file, id: up }, call, member.name.as_str(), stack, values, facts);
            }
        }
        Kind::Assign { target, op, value } if *target == used.id => {
            let site = Ref { file: used.file, id: outer };
            let value = Expr::new(Ref { file: used.file, id: *value });
            match op {
                AssignOp::Add => appended(site, &value, stack, values, facts),
                _ => assigned(site, &value, stack, values, facts),
            }
        }
        _ => {}
    }
}

fn call(verb: Verb, site: Ref, stack: ContainerKey, values: &Values<'_>) -> CallFact {
    let base = CallFact::new(STYLE, verb, site, place_of(site, values));
    CallFact { host: Some(HostHint::Container(stack)), ..base }
}

fn method(at: Ref, made: &Call, name: &str, stack: ContainerKey, values: &Values<'_>, facts: &mut Facts) {
    let first = made.args.first().map(|arg| (arg, Expr::new(Ref { file: at.file, id: arg.value })));
    match (name, first) {
        ("append", Some((arg, value))) if arg.name.as_deref() == Some("contentsOf") => {
            appended(at, &value, stack, values, facts);
        }
        ("append" | "insert", Some((_, value))) => {
            for (site, said) in said_at(at, &value, values) {
                facts.calls.push(opens(call(Verb::Open, site, stack, values), &said, true, values));
            }
        }
        ("removeLast" | "popLast" | "removeFirst", first) => {
            let count = first.map(|(_, value)| value);
            facts.calls.push(taken_off(call(Verb::Back, at, stack, values), count.as_ref(), values));
        }
        ("removeAll", None) => facts.calls.push(call(Verb::BackTo, at, stack, values)),
        ("removeAll", Some((arg, _))) if arg.name.as_deref() == Some("keepingCapacity") => {
            facts.calls.push(call(Verb::BackTo, at, stack, values));
        }
        _ => {}
    }
}

/// So many steps back; all that there are, to the root.
fn taken_off(back: CallFact, count: Option<&Expr>, values: &Values<'_>) -> CallFact {
    let Some(count) = count else { return back };
    match values.kind(count.at) {
        Kind::Number(text) => CallFact { steps: text.parse().unwrap_or(1), ..back },
        Kind::Member(member) if member.name == "count" => CallFact { verb: Verb::BackTo, ..back },
        _ => back,
    }
}

/// Several values at once, the last on top.
fn appended(site: Ref, list: &Expr, stack: ContainerKey, values: &Values<'_>, facts: &mut Facts) {
    match values.elements(list).last() {
        Some(last) => facts.calls.push(opens(call(Verb::Open, site, stack, values), last, true, values)),
        None => {
            let base = call(Verb::Open, site, stack, values);
            facts.calls.push(CallFact { target: TargetFact::Unknown, ..base });
        }
    }
}

/// A path as a whole: none of it is back at the root, else what ends on top is shown.
fn assigned(site: Ref, value: &Expr, stack: ContainerKey, values: &Values<'_>, facts: &mut Facts) {
    for said in values.sites(site, value) {
        let value = code::seen_through(&said.bind(value), values);
        let base = |verb| call(verb, said.at, stack, values);
        let list = listed(&value, values);
        facts.calls.push(match list.as_deref() {
            Some([]) => base(Verb::BackTo),
            Some([.., last]) => {
                let lands = u32::try_from(list.as_ref().map_or(0, Vec::len)).unwrap_or(u32::MAX);
                CallFact { lands, ..opens(base(Verb::Reset), last, true, values) }
            }
            None if shortens(&value, values) => base(Verb::Back),
            None => CallFact {
                target: TargetFact::Unknown,
                written: values.written(value.at),
                ..base(Verb::Reset)
            },
        });
    }
}

/// `path.dropLast()`: what is left of what was there.
fn shortens(value: &Expr, values: &Values<'_>) -> bool {
    values.tree(value.at).call(value.at.id).is_some()
        && matches!(code::callee_name(value.at, values), "dropLast" | "prefix")
}

/// The values of a path that is made in place: `[]`, `NavigationPath()`, `.init([a, b])`.
fn listed(value: &Expr, values: &Values<'_>) -> Option<Vec<Expr>> {
    match values.kind(value.at) {
        Kind::List(items) => Some(items.iter().map(|item| value.with(item.value)).collect()),
        Kind::Call(call) if matches!(code::callee_name(value.at, values), "NavigationPath" | "init") => {
            match call.args.first() {
                None => Some(Vec::new()),
                Some(arg) => listed(&value.with(arg.value), values),
            }
        }
        _ => None,
    }
}
