//! Ways back: pops, to the root, to a controller, and dismissals.

use super::{STYLE, is_platforms};
use crate::facts::{CallFact, Facts, TargetFact};
use crate::model::{Form, Verb};
use crate::recover::code;
use crate::syntax::{BinaryOp, Call, Kind, TypeName};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let names = ["dismiss", "popToRootViewController", "popToViewController", "popViewController"];
    for (at, call) in code::calls(file, values, &names) {
        if !is_platforms(at, call, values) {
            continue;
        }
        let base = |verb| CallFact::new(STYLE, verb, at, code::callee_at(at, values));
        let animated = call.args.iter().any(|arg| arg.name.as_deref() == Some("animated"));
        match code::callee_name(at, values) {
            "dismiss" if !animated => {}
            "popToRootViewController" => facts.calls.push(base(Verb::BackTo)),
            "popToViewController" => facts.calls.extend(to(at, call, base(Verb::BackTo), values)),
            _ => {
                let steps = code::in_a_row(at, |_| true, values);
                facts.calls.push(CallFact { steps, ..base(Verb::Back) });
            }
        }
    }
}

/// Back to one of the controllers of a stack: by how far it lies below the top, or by its class.
fn to(at: Ref, call: &Call, base: CallFact, values: &Values<'_>) -> Option<CallFact> {
    let given = Expr::new(Ref { file: at.file, id: call.args.first()?.value });
    if let Some(steps) = below_top(&given, 0, values) {
        return Some(CallFact { verb: Verb::Back, steps, ..base });
    }
    if is_first(&given, 0, values) {
        return Some(base);
    }
    let class = checked_class(&given, 0, values).or_else(|| checked_around(&given, values));
    Some(match class.and_then(|ty| values.class_named(at, &ty.name)) {
        Some(class) => CallFact {
            target: TargetFact::Classes(vec![class]),
            written: values.class(class).map(|class| class.name.to_string()).unwrap_or_default(),
            form: Form::Typed,
            ..base
        },
        None => CallFact { target: TargetFact::Unknown, written: values.written(given.at), ..base },
    })
}

/// `pages[pages.count - 3]` lies two below the top.
fn below_top(given: &Expr, depth: usize, values: &Values<'_>) -> Option<u32> {
    match values.kind(given.at) {
        Kind::Index { args, .. } => {
            let Kind::Binary { op, left, right } = values.kind(given.with(*args.first()?).at) else {
                return None;
            };
            let counts = values.tree(given.at).last_name(*left).is_some_and(|(name, _)| name == "count");
            let Kind::Number(text) = values.kind(given.with(*right).at) else { return None };
            (*op == BinaryOp::Subtract && counts).then_some(())?;
            text.parse::<u32>().ok()?.checked_sub(1).filter(|steps| *steps > 0)
        }
        Kind::Name(_) | Kind::Unary { .. } if depth < 8 => {
            below_top(&behind(given, values)?, depth + 1, values)
        }
        _ => None,
    }
}

fn behind(given: &Expr, values: &Values<'_>) -> Option<Expr> {
    match values.kind(given.at) {
        Kind::Unary { of, .. } | Kind::Cast { of, .. } => Some(given.with(*of)),
        _ => values.value_behind(given).filter(|behind| behind.at != given.at),
    }
}

/// `viewControllers.first`, `viewControllers[0]`: the root.
fn is_first(given: &Expr, depth: usize, values: &Values<'_>) -> bool {
    match values.kind(given.at) {
        Kind::Member(member) => member.name == "first",
        Kind::Index { args, .. } => args
            .first()
            .is_some_and(|&id| matches!(values.kind(given.with(id).at), Kind::Number(text) if text == "0")),
        Kind::Name(_) | Kind::Unary { .. } if depth < 8 => {
            behind(given, values).is_some_and(|behind| is_first(&behind, depth + 1, values))
        }
        _ => false,
    }
}

/// The class that a search among controllers asks for: `first(where: { $0 is Shelf })`.
fn checked_class(given: &Expr, depth: usize, values: &Values<'_>) -> Option<TypeName> {
    match values.kind(given.at) {
        Kind::Cast { ty, .. } => Some(ty.clone()),
        Kind::Call(call) => {
            let tree = values.tree(given.at);
            let lambda = call.args.iter().find(|arg| matches!(tree.kind(arg.value), Kind::Lambda { .. }))?;
            let mut todo = vec![lambda.value];
            while let Some(id) = todo.pop() {
                match tree.kind(id) {
                    Kind::ClassOf(ty) => return Some(ty.clone()),
                    kind => todo.extend(kind.children()),
                }
            }
            None
        }
        Kind::Name(_) | Kind::Unary { .. } if depth < 8 => {
            checked_class(&behind(given, values)?, depth + 1, values)
        }
        _ => None,
    }
}

/// `for page in pages { if page is Shelf { … } }`.
fn checked_around(given: &Expr, values: &Values<'_>) -> Option<TypeName> {
    let tree = values.tree(given.at);
    let Kind::Name(name) = tree.kind(given.at.id) else { return None };
    tree.ancestors(given.at.id).find_map(|id| {
        let Kind::Branch { arms, .. } = tree.kind(id) else { return None };
        arms.iter().flat_map(|arm| &arm.tests).find_map(|&test| match tree.kind(test) {
            Kind::Binary { op, left, right } if *op == BinaryOp::Is => {
                match (tree.kind(*left), tree.kind(*right)) {
                    (Kind::Name(checked), Kind::ClassOf(ty)) if checked == name => Some(ty.clone()),
                    _ => None,
                }
            }
            _ => None,
        })
    })
}
