//! Arguments taken out of an entry by key, and properties of typed routes.

use crate::facts::{Facts, ReadFact};
use crate::model::Via;
use crate::recover::android::{bundle, code};
use crate::syntax::{BinaryOp, Kind, Member, Variable};
use crate::values::{Expr, Ref, Values};

/// `entry.arguments?.getString("id")`.
pub(super) fn entries(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Kind::Call(call) = tree.kind(id) else { continue };
        let (Some(of), Some(first), Some((method, _))) =
            (tree.receiver(call), call.args.first(), tree.callee(call))
        else {
            continue;
        };
        let at = Ref { file, id };
        let expr = Expr::new(at);
        if !method.starts_with("get") || !is_entry_arguments(&expr.with(of), values) {
            continue;
        }
        let Some((name, literal_key)) = code::key(&expr.with(first.value), values) else { continue };
        let default = call.args.len() > 1;
        facts.reads.push(ReadFact {
            ty: bundle::taken_type(method).map(str::to_owned),
            literal_key,
            absent: code::absent(at, default, values),
            ..read(at, name, values)
        });
    }
}

fn read(at: Ref, name: String, values: &Values<'_>) -> ReadFact {
    ReadFact::new(name, Via::Argument, at, code::node_at(at, values))
}

/// The arguments of a back-stack entry, however they are held.
fn is_entry_arguments(expr: &Expr, values: &Values<'_>) -> bool {
    let mut at = expr.clone();
    for _ in 0..8 {
        let tree = values.tree(at.at);
        match tree.kind(at.at.id) {
            Kind::Member(Member { of, name, .. }) if name == "arguments" => {
                return is_entry(&at.with(*of), values);
            }
            Kind::Unary { of, .. } | Kind::Cast { of, .. } => at = at.with(*of),
            Kind::Binary { op, left, .. } if *op == BinaryOp::OrElse => at = at.with(*left),
            Kind::Call(call)
                if matches!(code::callee_name(at.at, values), "requireNotNull" | "checkNotNull") =>
            {
                match call.args.first() {
                    Some(arg) => at = at.with(arg.value),
                    None => return false,
                }
            }
            _ => match values.value_behind(&at) {
                Some(behind) => at = behind,
                None => return false,
            },
        }
    }
    false
}

/// An entry: by its type, or the parameter of a destination's content.
pub(in crate::recover::android) fn is_entry(expr: &Expr, values: &Values<'_>) -> bool {
    if values.type_of(expr).is_some_and(|ty| ty.name == "NavBackStackEntry") {
        return true;
    }
    values.lambda_of_parameter(expr).is_some_and(|call| {
        matches!(code::callee_name(call, values), "composable" | "dialog" | "bottomSheet")
            || is_builder(call, values)
    })
}

/// A wrapper of the app's own around the builder's functions.
fn is_builder(call: Ref, values: &Values<'_>) -> bool {
    let function = values.called_function(&Expr::new(call));
    let declared = function.and_then(|at| values.tree(at).function(at.id));
    declared.and_then(|f| f.receiver.as_ref()).is_some_and(|ty| ty.simple() == "NavGraphBuilder")
}

/// `entry.toRoute<Item>().id`, and the uses of what holds it.
pub(super) fn routes(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let at = Ref { file, id };
        if let Kind::Member(member) = tree.kind(id)
            && is_route(&Expr::new(at).with(member.of), values)
        {
            facts.reads.push(ReadFact {
                absent: code::absent(at, false, values),
                ..read(at, member.name.to_string(), values)
            });
        }
        if let Kind::Variable(variable) = tree.kind(id)
            && let Some((whole, place)) = taken_apart(file, variable, values)
            && let Some(name) = route_class(&whole, values).and_then(|class| component(class, place, values))
        {
            facts.reads.push(ReadFact { ty: None, ..read(at, name, values) });
        }
        // The whole object, handed on.
        if let Kind::Call(call) = tree.kind(id) {
            let whole = |id: crate::syntax::Id| {
                matches!(tree.kind(id), Kind::Name(_) | Kind::Call(_))
                    && is_route(&Expr::new(Ref { file, id }), values)
            };
            if call.args.iter().any(|arg| whole(arg.value)) {
                facts.whole_bags.push(at);
            }
        }
    }
}

/// `val (id, note) = entry.toRoute<Item>()`: the whole, and the place of what a variable is of it.
pub(in crate::recover::android) fn taken_apart(
    file: u32,
    variable: &Variable,
    values: &Values<'_>,
) -> Option<(Expr, usize)> {
    let tree = values.program().tree(file);
    let Kind::Index { of, args } = tree.kind(variable.init?) else { return None };
    let Kind::Number(place) = tree.kind(*args.first()?) else { return None };
    Some((Expr::new(Ref { file, id: *of }), place.parse().ok()?))
}

/// The class of a typed route taken out of an entry: as it is said there, or as what holds it.
fn route_class(expr: &Expr, values: &Values<'_>) -> Option<Ref> {
    let taken = taken_out(expr, values)?;
    let said = values.tree(taken.at).call(taken.at.id)?.types.first();
    let said = said.and_then(|ty| values.class_named(taken.at, &ty.name));
    said.or_else(|| values.type_of(expr)?.class)
}

/// What a data class has at a place.
pub(in crate::recover::android) fn component(
    class: Ref,
    place: usize,
    values: &Values<'_>,
) -> Option<String> {
    let &id = values.class(class)?.params.get(place)?;
    Some(values.tree(class).parameter(id)?.name.to_string())
}

/// Whether an expression is a typed route taken out of an entry or a saved-state handle.
fn is_route(expr: &Expr, values: &Values<'_>) -> bool {
    taken_out(expr, values).is_some()
}

/// The call that takes a typed route out, behind the names that hold it.
fn taken_out(expr: &Expr, values: &Values<'_>) -> Option<Expr> {
    let mut at = expr.clone();
    for _ in 0..4 {
        if matches!(values.kind(at.at), Kind::Call(_)) {
            return (code::callee_name(at.at, values) == "toRoute").then_some(at);
        }
        at = values.value_behind(&at)?;
    }
    None
}
