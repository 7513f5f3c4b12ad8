//! What screens take out of their state: `navigation.state.params`, `getParam`.

use crate::facts::{Absent, Facts, ReadFact};
use crate::model::Via;
use crate::recover::code;
use crate::recover::react_native::navigation::{methods, navigation};
use crate::recover::react_native::taken::taken;
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Member(member) = tree.kind(id) else { continue };
        let at = Ref { file, id };
        if member.name == "params" && is_state(&Expr::new(at).with(member.of), values) {
            taken(at, Via::Argument, values, facts);
        }
    }
    for method in methods(file, values, &["getParam"]) {
        let Some(key) = method.call.args.first().map(|arg| Expr::new(method.at).with(arg.value)) else {
            continue;
        };
        // A helper's callers say which.
        for site in values.sites(method.at, &key) {
            let said = code::seen_through(&site.bind(&key), values);
            let Some((name, literal_key)) = code::key(&said, values) else {
                facts.whole_bags.push(site.at);
                continue;
            };
            let fact = ReadFact::new(name, Via::Argument, site.at, code::callee_at(site.at, values));
            let met = method.call.args.len() > 1
                || code::is_met(method.at, values)
                || (site.at != method.at && code::is_met(site.at, values));
            facts.reads.push(ReadFact { literal_key, absent: Absent::of(false, met), ..fact });
        }
    }
}

/// The state of a navigation object, or a name that it was given.
fn is_state(of: &Expr, values: &Values<'_>) -> bool {
    match values.kind(of.at) {
        Kind::Member(member) if member.name == "state" => navigation(&of.with(member.of), values).is_some(),
        Kind::Name(_) => {
            let behind = values.value_behind(of).filter(|behind| behind.at != of.at);
            behind.is_some_and(|behind| is_state(&behind, values))
        }
        _ => false,
    }
}
