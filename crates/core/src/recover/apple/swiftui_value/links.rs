//! Links by value.

use super::stacks::STYLE;
use super::targets::{opens, said_at, stack_of};
use crate::facts::{CallFact, Facts};
use crate::model::Verb;
use crate::recover::code;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, &["NavigationLink"]) {
        if sets_selection(at, values) {
            continue;
        }
        if values.calls_own_function(&Expr::new(at), call) {
            continue;
        }
        let Some(value) = call.args.iter().find(|arg| arg.name.as_deref() == Some("value")) else { continue };
        let value = Expr::new(Ref { file, id: value.value });
        for (site, said) in said_at(at, &value, values) {
            let base = CallFact::new(STYLE, Verb::Open, site, code::callee_at(site, values));
            // A link takes an absent value: then it cannot be tapped.
            let fact = opens(base, &said, false, values);
            facts.calls.push(CallFact { host: stack_of(site, values), ..fact });
        }
    }
}

/// Whether a link stands in a list that keeps which of its rows is chosen: it needs no destination
/// (developer.apple.com, "NavigationSplitView").
fn sets_selection(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let around = tree.ancestors(at.id).filter_map(|id| Some((id, tree.call(id)?)));
    around.into_iter().any(|(id, call)| {
        code::callee_name(Ref { file: at.file, id }, values) == "List"
            && call.args.iter().any(|arg| arg.name.as_deref() == Some("selection"))
    })
}
