//! What recoverers ask of code, whatever its language.

use crate::facts::{Absent, ArgumentFact, At, CallFact, Literal, ScreenFact, Slot, TargetFact};
use crate::model::{Form, ScreenKind};
use crate::syntax::{BinaryOp, Call, Class, Id, Kind, Tree, UnaryOp};
use crate::values::{Expr, Ref, Shape, Values};

/// Every call in a file whose callee's last name is among these, in the order of the source.
pub(in crate::recover) fn calls<'p>(file: u32, values: &Values<'p>, names: &[&str]) -> Vec<(Ref, &'p Call)> {
    let tree = values.program().tree(file);
    let found = names.iter().flat_map(|name| values.program().calls_in(file, name));
    let mut found: Vec<Ref> = found.copied().collect();
    found.sort_by_key(|at| tree.span(at.id).end);
    found.into_iter().filter_map(|at| Some((at, values.tree(at).call(at.id)?))).collect()
}

/// The place of a call's last name.
pub(in crate::recover) fn callee_at(at: Ref, values: &Values<'_>) -> At {
    let tree = values.tree(at);
    let span = tree.call(at.id).and_then(|call| tree.callee(call)).map_or(tree.span(at.id), |(_, span)| span);
    At { file: at.file, span }
}

/// A call's last name.
pub(in crate::recover) fn callee_name<'p>(at: Ref, values: &Values<'p>) -> &'p str {
    let tree = values.tree(at);
    tree.call(at.id).and_then(|call| tree.callee(call)).map_or("", |(name, _)| name.as_str())
}

/// The place of a node.
pub(in crate::recover) fn node_at(at: Ref, values: &Values<'_>) -> At {
    At { file: at.file, span: values.tree(at).span(at.id) }
}

/// The screen that a class is.
pub(in crate::recover) fn screen(
    at: Ref,
    class: &Class,
    kind: ScreenKind,
    values: &Values<'_>,
) -> ScreenFact {
    let place = At { file: at.file, span: class.name_span };
    ScreenFact::new(at, class.name.to_string(), values.program().path(at).to_owned(), kind, place)
}

/// Text that is known whole, and whether it is written in place.
pub(in crate::recover) fn key(expr: &Expr, values: &Values<'_>) -> Option<(String, bool)> {
    let found = values.eval(expr);
    let [one] = found.as_slice() else { return None };
    let text = one.shape()?.plain()?;
    Some((text, one.form == Form::Literal))
}

/// What an expression says as a call's target. Nothing known is [`TargetFact::Unknown`], anything else
/// what `target` makes of the shapes.
pub(in crate::recover) fn said(
    base: CallFact,
    expr: &Expr,
    target: fn(Vec<Shape>) -> TargetFact,
    values: &Values<'_>,
) -> CallFact {
    let found = values.eval_any_case(expr);
    let shapes: Vec<Shape> = found.iter().filter_map(|value| value.shape().cloned()).collect();
    let literal = shapes.iter().find(|shape| shape.has_literal_words());
    CallFact {
        written: values.written(seen_through(expr, values).at),
        form: match found.as_slice() {
            [one] => one.form,
            _ => Form::Computed,
        },
        constant: found.iter().find_map(|value| value.constant),
        literal: literal.map(|shape| Literal { text: shape.value() }),
        target: match shapes.iter().all(Shape::is_blank) {
            true => TargetFact::Unknown,
            false => target(shapes),
        },
        ..base
    }
}

/// What an expression says once the parameters on the way are looked through.
pub(in crate::recover) fn seen_through(expr: &Expr, values: &Values<'_>) -> Expr {
    match values.kind(expr.at) {
        Kind::Name(_) => {
            values.given(expr).map_or_else(|| expr.clone(), |given| seen_through(&given, values))
        }
        _ => expr.clone(),
    }
}

/// An argument from an expression.
pub(in crate::recover) fn argument(slot: Slot, value: &Expr, values: &Values<'_>) -> ArgumentFact {
    let ty = values.type_of(value);
    ArgumentFact {
        slot,
        nullable: ty.as_ref().is_some_and(|ty| ty.nullable) || matches!(values.kind(value.at), Kind::Null),
        ty: ty.map(|ty| ty.name.to_string()),
        value: Some(values.written(seen_through(value, values).at)),
        literal_key: false,
        text: None,
        at: node_at(value.at, values),
    }
}

/// The arguments of several ways together, one a name.
pub(in crate::recover) fn joined(ways: impl Iterator<Item = Vec<ArgumentFact>>) -> Vec<ArgumentFact> {
    let mut all: Vec<ArgumentFact> = Vec::new();
    for argument in ways.flatten() {
        if !all.iter().any(|known| known.slot == argument.slot) {
            all.push(argument);
        }
    }
    all
}

/// Whether a name is imported from a package or one below it.
pub(in crate::recover) fn imports(file: u32, package: &str, values: &Values<'_>) -> bool {
    values.program().tree(file).imports.iter().any(|import| import.path.starts_with(package))
}

/// Whether the value of a node is forced: it fails where the value is absent.
pub(in crate::recover) fn is_forced(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent else { return false };
    match tree.kind(parent) {
        Kind::Unary { op, .. } => *op == UnaryOp::Force,
        Kind::Cast { safe, ty, .. } => !safe && !ty.nullable && is_forced_by_cast(tree, at.id),
        Kind::Call(call) => {
            let argument = call.args.first().is_some_and(|arg| arg.value == at.id);
            argument
                && tree.callee(call).is_some_and(|(name, _)| tree.idioms.asserts.contains(&name.as_str()))
        }
        _ => false,
    }
}

/// `x as T` fails on null; `(T) x` of Java does not.
fn is_forced_by_cast(tree: &Tree, of: Id) -> bool {
    let Some(parent) = tree.node(of).parent else { return false };
    tree.span(of).start == tree.span(parent).start
}

/// What comes of a read where its value is absent; with a default it copes.
pub(in crate::recover) fn absent(at: Ref, default: bool, values: &Values<'_>) -> Absent {
    Absent::of(is_forced(at, values), default || is_met(at, values))
}

/// Whether an absent value is met: a default, a safe call, a comparison with null.
pub(in crate::recover) fn is_met(at: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(at);
    let Some(parent) = tree.node(at.id).parent else { return false };
    match tree.kind(parent) {
        Kind::Binary { op, left, .. } => {
            matches!(op, BinaryOp::OrElse | BinaryOp::Equal | BinaryOp::NotEqual) && *left == at.id
        }
        Kind::Member(member) => member.safe && member.of == at.id,
        _ => false,
    }
}

/// How many steps back a call takes: it and those of its name right before it, or as often as it is
/// repeated. Of a row only the last call counts for all. `is_step` tells a step from a call of the name
/// that goes somewhere.
pub(in crate::recover) fn in_a_row(at: Ref, is_step: fn(&Call) -> bool, values: &Values<'_>) -> u32 {
    let tree = values.tree(at);
    let statement = std::iter::successors(Some(at.id), |&id| {
        tree.node(id).parent.filter(|&up| matches!(tree.kind(up), Kind::Unary { .. }))
    });
    let statement = statement.last().unwrap_or(at.id);
    let Some(parent) = tree.node(statement).parent else { return 1 };
    let Kind::Block(items) = tree.kind(parent) else { return 1 };
    let written = |id: Id| {
        let mut id = id;
        while let Kind::Unary { of, .. } = tree.kind(id) {
            id = *of;
        }
        let call = tree.call(id).filter(|call| is_step(call))?;
        Some(values.written(Ref { file: at.file, id: call.callee }))
    };
    let own = written(statement);
    let Some(place) = items.iter().position(|&id| id == statement).filter(|_| own.is_some()) else {
        return 1;
    };
    let same = |id: &&Id| written(**id) == own;
    if items.get(place + 1).as_ref().is_some_and(same) {
        return 1;
    }
    let row = items[..=place].iter().rev().take_while(same).count();
    repeated(parent, tree).unwrap_or(1).saturating_mul(u32::try_from(row).unwrap_or(1))
}

/// `repeat(2) { … }` around a block.
fn repeated(block: Id, tree: &Tree) -> Option<u32> {
    let lambda = tree.node(block).parent?;
    let call = tree.call(tree.node(lambda).parent?)?;
    (tree.callee(call)?.0 == "repeat").then_some(())?;
    match tree.kind(call.args.first()?.value) {
        Kind::Number(text) => text.parse().ok(),
        _ => None,
    }
}
