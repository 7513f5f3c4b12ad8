//! `prepare(for:sender:)`: what a scene's class sets on where a segue leads.

use crate::facts::{ArgumentFact, Slot};
use crate::recover::apple::controllers::is_controller;
use crate::recover::apple::initialiser::is_value_type;
use crate::recover::apple::scenes::Scene;
use crate::recover::code;
use crate::syntax::{BinaryOp, Id, Kind, Modifier};
use crate::values::{Def, Expr, Ref, Values};

/// What a scene's class sets on the destination of a segue.
pub(super) fn prepared(
    from: &Scene,
    identifier: Option<&str>,
    destination: &Scene,
    values: &Values<'_>,
) -> Vec<ArgumentFact> {
    let (Some(class), Some(shown)) = (from.declared(values), destination.declared(values)) else {
        return Vec::new();
    };
    prepared_by(class, identifier, shown, values)
}

/// What a class sets on another's object before a segue.
pub(super) fn prepared_by(
    class: Ref,
    identifier: Option<&str>,
    shown: Ref,
    values: &Values<'_>,
) -> Vec<ArgumentFact> {
    let Some(Def::Functions(found)) = values.member_of_class(class, "prepare") else { return Vec::new() };
    let Some(&function) = found.first() else { return Vec::new() };
    let Some(body) = values.tree(function).function(function.id).and_then(|f| f.body) else {
        return Vec::new();
    };
    let body = Ref { file: function.file, id: body };
    let mut places = Vec::new();
    parts_for(body, identifier, values, &mut places);
    let mut found: Vec<ArgumentFact> = Vec::new();
    for place in places {
        collect(place, shown, values, &mut found);
    }
    found
}

/// The parts of a body that run for an identifier: its arm of a choice among identifiers, and all that
/// is in no such choice.
fn parts_for(body: Ref, identifier: Option<&str>, values: &Values<'_>, found: &mut Vec<Ref>) {
    let tree = values.tree(body);
    let at = |id: Id| Ref { file: body.file, id };
    match tree.kind(body.id) {
        Kind::Branch { subject, arms } => {
            let by_subject = subject.is_some_and(|id| names_identifier(at(id), values));
            for arm in arms {
                let tested = arm.tests.iter().find_map(|&test| match (by_subject, tree.kind(test)) {
                    (true, _) => values.plain_text(&Expr::new(at(test))),
                    (false, Kind::Binary { op, left, right })
                        if *op == BinaryOp::Equal && names_identifier(at(*left), values) =>
                    {
                        values.plain_text(&Expr::new(at(*right)))
                    }
                    _ => None,
                });
                match tested {
                    Some(text) if identifier == Some(text.as_str()) => {
                        found.push(at(arm.body));
                        found.extend(arm.tests.iter().map(|&test| at(test)));
                    }
                    Some(_) => {}
                    None => parts_for(at(arm.body), identifier, values, found),
                }
            }
        }
        Kind::Block(items) | Kind::Other(items) => {
            items.iter().for_each(|&item| parts_for(at(item), identifier, values, found));
        }
        _ => found.push(body),
    }
}

/// `segue.identifier`.
fn names_identifier(at: Ref, values: &Values<'_>) -> bool {
    values.tree(at).last_name(at.id).is_some_and(|(name, _)| name == "identifier")
}

/// The properties that are set on an object of the class that is shown.
fn collect(place: Ref, shown: Ref, values: &Values<'_>, found: &mut Vec<ArgumentFact>) {
    let tree = values.tree(place);
    let mut todo = vec![place.id];
    while let Some(id) = todo.pop() {
        if let Kind::Assign { target, value, .. } = tree.kind(id)
            && let Kind::Member(member) = tree.kind(*target)
        {
            let at = |id| Expr::new(Ref { file: place.file, id });
            let class = values.type_of(&at(member.of)).and_then(|ty| ty.class);
            let same = class.is_some_and(|class| {
                is_controller(class, values)
                    && (values.lineage(shown).contains(&class) || values.lineage(class).contains(&shown))
            });
            if same
                && is_value(&at(*target), values)
                && found.iter().all(|known| !is_for(known, &member.name))
            {
                found.push(code::argument(Slot::Name(member.name.to_string()), &at(*value), values));
            }
        }
        todo.extend(tree.kind(id).children());
    }
}

fn is_for(argument: &ArgumentFact, name: &str) -> bool {
    matches!(&argument.slot, Slot::Name(known) if known == name)
}

/// A property that carries a value, not somebody to call back.
pub(in crate::recover::apple) fn is_value(property: &Expr, values: &Values<'_>) -> bool {
    match values.meaning(property) {
        Some(Def::Variable(at)) => values.tree(at).variable(at.id).is_some_and(|variable| {
            !variable.is(Modifier::Weak)
                && variable.ty.as_ref().is_none_or(|ty| is_value_type(at.file, ty, values))
        }),
        _ => false,
    }
}
