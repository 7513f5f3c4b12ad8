//! Addresses: opened by the app itself, and answered by what `onOpenURL` hands them to.

use super::stacks::STYLE;
use crate::facts::{CallFact, Facts, TargetFact};
use crate::model::Verb;
use crate::recover::code;
use crate::syntax::{Call, Kind};
use crate::values::{Def, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["openURL", "Link", "open"]) {
        let Some(url) = address(at, call, values) else { continue };
        let base = CallFact::new(STYLE, Verb::Link, at, code::callee_at(at, values));
        facts.calls.push(code::said(base, &url, TargetFact::Address, values));
    }
}

/// The address that a call opens.
fn address(at: Ref, call: &Call, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(at);
    let expr = Expr::new(at);
    let given = match code::callee_name(at, values) {
        "openURL" => {
            let Some(Def::Variable(held)) = values.meaning(&expr.with(call.callee)) else { return None };
            let notes = &values.tree(held).variable(held.id)?.annotations;
            notes.iter().any(|note| note.name == "Environment").then_some(())?;
            call.args.first()?
        }
        "Link" if !values.calls_own_function(&expr, call) => {
            call.args.iter().find(|arg| arg.name.as_deref() == Some("destination"))?
        }
        "open" => {
            // `UIApplication.shared.open(url)`
            let of = tree.dotted(tree.receiver(call)?)?;
            (of == "UIApplication.shared").then(|| call.args.first())??
        }
        _ => return None,
    };
    url_text(&expr.with(given.value), 0, values)
}

/// The text that an address is made from: `URL(string: "barn://shelf")!`.
pub(in crate::recover::apple) fn url_text(url: &Expr, depth: usize, values: &Values<'_>) -> Option<Expr> {
    if depth > 8 {
        return None;
    }
    match values.kind(url.at) {
        Kind::Unary { of, .. } => url_text(&url.with(*of), depth + 1, values),
        Kind::Call(call) if code::callee_name(url.at, values) == "URL" => {
            let text = call.args.iter().find(|arg| arg.name.as_deref() == Some("string"))?;
            Some(url.with(text.value))
        }
        Kind::Call(_) => {
            url_text(&values.handed_back(&values.called_body(url)?).into_iter().next()?, depth + 1, values)
        }
        Kind::Name(_) | Kind::Member(_) => {
            let behind = values.value_behind(url).filter(|behind| behind.at != url.at)?;
            url_text(&behind, depth + 1, values)
        }
        _ => None,
    }
}
