//! Leaving by the environment's own actions, and by presentation modes
//! (developer.apple.com, "DismissAction", "PresentationMode").

use super::stacks::STYLE;
use crate::facts::{CallFact, Facts};
use crate::model::{Style, Verb};
use crate::recover::code;
use crate::syntax::Kind;
use crate::values::{Def, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(variable) =
            tree.variable(id).filter(|v| v.annotations.iter().any(|a| a.name == "Environment"))
        else {
            continue;
        };
        let named = variable.annotations.iter().flat_map(|note| &note.args).find_map(|arg| {
            match tree.kind(arg.value) {
                Kind::KeyPath(names) => names.last().cloned(),
                _ => None,
            }
        });
        let variable_at = Ref { file, id };
        match named.as_deref() {
            Some("dismiss") => {
                for (at, call) in code::calls(file, values, &[variable.name.as_str()]) {
                    if means(at, call.callee, variable_at, values) {
                        facts.calls.push(back(STYLE, at, values));
                    }
                }
            }
            Some("presentationMode") => {
                for (at, call) in code::calls(file, values, &["dismiss"]) {
                    if comes_from(at, call.callee, variable_at, values) {
                        facts.calls.push(back(Style::SwiftuiViewLink, at, values));
                    }
                }
            }
            _ => {}
        }
    }
}

fn back(style: Style, at: Ref, values: &Values<'_>) -> CallFact {
    CallFact::new(style, Verb::Back, at, code::callee_at(at, values))
}

fn means(at: Ref, id: crate::syntax::Id, variable: Ref, values: &Values<'_>) -> bool {
    values.meaning(&Expr::new(Ref { file: at.file, id })) == Some(Def::Variable(variable))
}

/// `presentationMode.wrappedValue.dismiss()`, `$presentationMode.wrappedValue.dismiss()`.
fn comes_from(at: Ref, callee: crate::syntax::Id, variable: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let mut id = callee;
    loop {
        match tree.kind(id) {
            Kind::Member(member) if matches!(tree.kind(member.of), Kind::This) => {
                return means(at, id, variable, values);
            }
            Kind::Member(member) => id = member.of,
            Kind::Unary { of, .. } => id = *of,
            Kind::Name(_) => return means(at, id, variable, values),
            _ => return false,
        }
    }
}
