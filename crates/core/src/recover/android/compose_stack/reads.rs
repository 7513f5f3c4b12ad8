//! What an entry's content takes out of its key.

use super::keys::class_of_entry;
use crate::facts::{Facts, ReadFact};
use crate::model::Via;
use crate::recover::android::code;
use crate::recover::android::compose::{component, taken_apart};
use crate::syntax::Kind;
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let entries = ["entry", "NavEntry"];
    if entries.iter().all(|name| values.program().calls_in(file, name).is_empty()) {
        return;
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        match tree.kind(id) {
            Kind::Member(member) if is_key_of_entry(&Expr::new(at).with(member.of), values) => {
                facts.reads.push(ReadFact {
                    absent: code::absent(at, false, values),
                    ..ReadFact::new(member.name.to_string(), Via::Argument, at, code::node_at(at, values))
                });
            }
            // `val (id) = key`.
            Kind::Variable(variable) => {
                let name = taken_apart(file, variable, values).and_then(|(whole, place)| {
                    let whole = values.value_behind(&whole).unwrap_or(whole);
                    is_key_of_entry(&whole, values).then_some(())?;
                    component(class_of_key(&whole, values)?, place, values)
                });
                let place = code::node_at(at, values);
                facts.reads.extend(name.map(|name| ReadFact::new(name, Via::Argument, at, place)));
            }
            // The whole key, handed on to what is shown; the entry itself needs it to be one.
            Kind::Call(call) if !entries.contains(&code::callee_name(at, values)) => {
                let whole = |arg: &&crate::syntax::Arg| {
                    is_key_of_entry(&Expr::new(Ref { file, id: arg.value }), values)
                };
                if call.args.iter().any(|arg| whole(&arg)) {
                    facts.whole_bags.push(at);
                }
            }
            _ => {}
        }
    }
}

/// Whether a name is the key that an entry's content is given, or that a choice of entries is made by.
fn is_key_of_entry(expr: &Expr, values: &Values<'_>) -> bool {
    let Some(call) = values.lambda_of_parameter(expr) else { return false };
    match code::callee_name(call, values) {
        "entry" | "NavEntry" => true,
        "NavDisplay" => is_in_entry(expr.at, values),
        _ => false,
    }
}

/// The class that the entry around a key is for.
fn class_of_key(key: &Expr, values: &Values<'_>) -> Option<Ref> {
    let call = values.lambda_of_parameter(key)?;
    class_of_entry(call, values.tree(call).call(call.id)?, values)
}

fn is_in_entry(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let mut around = tree.ancestors(at.id).filter(|&id| tree.call(id).is_some());
    around.any(|id| code::callee_name(Ref { file: at.file, id }, values) == "NavEntry")
}
