//! The variables behind bindings: paths, selections, flags and items, whoever they are handed to
//! (developer.apple.com, "Binding").

use crate::syntax::{Id, Kind, Modifier, UnaryOp, Variable};
use crate::values::{Def, Expr, Ref, Values};

/// Bindings are handed down this deep.
const MAX_HANDED: usize = 8;

/// The variable that an expression, or a binding of it, stands for.
pub(super) fn variable_of(expr: &Expr, values: &Values<'_>) -> Option<Ref> {
    match values.kind(expr.at) {
        Kind::Unary { op, of } if *op == UnaryOp::Binding => variable_of(&expr.with(*of), values),
        // `$router.path`: the binding is taken of the whole.
        Kind::Name(_) | Kind::Member(_) => match values.meaning(expr)? {
            Def::Variable(at) => source_of(at, 0, values),
            _ => None,
        },
        _ => None,
    }
}

/// A local that only gives another variable's object a name leads nowhere else; anything else is
/// itself.
fn source_of(at: Ref, depth: usize, values: &Values<'_>) -> Option<Ref> {
    let variable = values.tree(at).variable(at.id)?;
    let handed = variable.annotations.iter().any(|note| note.name == "Binding");
    if handed && depth < MAX_HANDED {
        return Some(handed_from(at, variable, depth, values).unwrap_or(at));
    }
    let bindable = variable.annotations.iter().any(|note| note.name == "Bindable");
    match variable.init.filter(|_| bindable && depth < MAX_HANDED) {
        Some(init) => match values.meaning(&Expr::new(Ref { file: at.file, id: init })) {
            Some(Def::Variable(behind)) if behind != at => source_of(behind, depth + 1, values),
            _ => Some(at),
        },
        None => Some(at),
    }
}

/// The one variable that makers of a view hand its binding of.
fn handed_from(at: Ref, variable: &Variable, depth: usize, values: &Values<'_>) -> Option<Ref> {
    let class = values.enclosing_named_class(at)?;
    let mut found: Option<Ref> = None;
    for &made in values.makes(class) {
        let call = values.tree(made).call(made.id)?;
        let given = call.args.iter().find(|arg| arg.name.as_deref() == Some(variable.name.as_str()))?;
        let mut given = Expr::new(Ref { file: made.file, id: given.value });
        while let Kind::Unary { of, .. } = values.kind(given.at) {
            given = given.with(*of);
        }
        let Some(Def::Variable(behind)) = values.meaning(&given) else { return None };
        let source = source_of(behind, depth + 1, values)?;
        if found.is_some_and(|known| known != source) {
            return None;
        }
        found = Some(source);
    }
    found
}

/// A variable with the bindings of it that other views hold.
pub(super) fn with_bindings(variable: Ref, values: &Values<'_>) -> Vec<Ref> {
    let mut all = vec![variable];
    let mut next = 0;
    while next < all.len() && next < MAX_HANDED {
        for used in uses(all[next], values) {
            let handed = binding_handed(used, values);
            all.extend(handed.filter(|held| !all.contains(held)).into_iter().collect::<Vec<_>>());
        }
        next += 1;
    }
    all
}

/// The property of another view that a binding is handed to: `Row(shown: $shown)`.
fn binding_handed(used: Ref, values: &Values<'_>) -> Option<Ref> {
    let tree = values.tree(used);
    let mut inner = used.id;
    let mut outer = tree.node(inner).parent?;
    let mut bound = false;
    while let Kind::Unary { op, .. } = tree.kind(outer) {
        bound |= *op == UnaryOp::Binding;
        inner = outer;
        outer = tree.node(inner).parent?;
    }
    // `$router.path`
    bound |= first_of(tree, inner)
        .is_some_and(|id| matches!(tree.kind(id), Kind::Unary { op, .. } if *op == UnaryOp::Binding));
    let call = tree.call(outer).filter(|_| bound)?;
    let label = call.args.iter().find(|arg| arg.value == inner)?.name.clone()?;
    let class = values.made_class(&Expr::new(Ref { file: used.file, id: outer }))?;
    match values.member_of_class(class, &label)? {
        Def::Variable(held) => {
            let variable = values.tree(held).variable(held.id)?;
            variable.annotations.iter().any(|note| note.name == "Binding").then_some(held)
        }
        _ => None,
    }
}

/// What a chain of members starts from.
fn first_of(tree: &crate::syntax::Tree, id: Id) -> Option<Id> {
    match tree.kind(id) {
        Kind::Member(member) => first_of(tree, member.of).or(Some(member.of)),
        _ => None,
    }
}

/// Every place that means a variable.
pub(super) fn uses(variable: Ref, values: &Values<'_>) -> Vec<Ref> {
    let Some(declared) = values.tree(variable).variable(variable.id) else { return Vec::new() };
    let program = values.program();
    let all = match is_kept_inside(declared) || values.is_local(variable) {
        true => program.uses_in(variable.file, &declared.name),
        false => {
            values.expect_users(variable, &declared.name);
            program.uses_of_name(&declared.name)
        }
    };
    all.iter()
        .copied()
        .filter(|&used| values.meaning(&Expr::new(used)) == Some(Def::Variable(variable)))
        .collect()
}

fn is_kept_inside(variable: &Variable) -> bool {
    let wrapped = ["State", "StateObject", "SceneStorage", "GestureState"];
    variable.is(Modifier::Private)
        || variable.is(Modifier::FilePrivate)
        || variable.annotations.iter().any(|note| wrapped.contains(&note.name.as_str()))
}

/// The property that an expression names, where whoever makes its view says what it is: each call that
/// does, with what it passes.
pub(super) fn given_at_making(expr: &Expr, values: &Values<'_>) -> Vec<(Ref, Expr)> {
    let Some(Def::Variable(at)) = values.meaning(expr) else { return Vec::new() };
    let Some(variable) = values.tree(at).variable(at.id) else { return Vec::new() };
    let class = values.enclosing_named_class(at);
    let Some(class) = class.filter(|_| variable.init.is_none() && variable.getter.is_none()) else {
        return Vec::new();
    };
    // A closure behind the brackets is for the last property.
    let is_last = || {
        let members = values.class(class).map(|class| class.members.as_slice()).unwrap_or_default();
        let tree = values.tree(class);
        let mut stored = members.iter().filter(|&&id| {
            tree.variable(id)
                .is_some_and(|v| v.init.is_none() && v.getter.is_none() && !v.is(Modifier::Static))
        });
        stored.next_back() == Some(&at.id)
    };
    let made = values.makes(class).iter().filter_map(|&made| {
        let tree = values.tree(made);
        let call = tree.call(made.id)?;
        let named = call.args.iter().find(|arg| arg.name.as_deref() == Some(variable.name.as_str()));
        let trailing = || {
            let last = call.args.last().filter(|arg| arg.name.is_none())?;
            (matches!(tree.kind(last.value), Kind::Lambda { .. }) && is_last()).then_some(last)
        };
        let given = named.or_else(trailing)?;
        Some((made, Expr::new(Ref { file: made.file, id: given.value })))
    });
    made.collect()
}
