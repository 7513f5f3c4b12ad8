//! What a value says of where it leads: its type, and the case that it is.

use super::text_table;
use crate::facts::{CallFact, HostHint, Slot, TargetFact, ValueType};
use crate::model::Form;
use crate::recover::apple::variables::given_at_making;
use crate::recover::code;
use crate::syntax::{ClassKind, Kind, TypeName};
use crate::values::{Def, Expr, Ref, Type, Values};

/// A call that shows what is registered for a value's type.
pub(super) fn opens(base: CallFact, value: &Expr, absent: bool, values: &Values<'_>) -> CallFact {
    let is_text = values.type_of(value).is_none_or(|ty| ty.name == "String");
    if is_text
        && values.eval(value).iter().any(|value| value.shape().is_some())
        && text_table::is_there(values)
    {
        return code::said(base, value, TargetFact::Text, values);
    }
    let found = types_of(value, 0, values);
    let arguments = match found.as_slice() {
        [one] => arguments(one, values),
        _ => Vec::new(),
    };
    let types: Vec<ValueType> =
        found.iter().map(|way| ValueType { nullable: way.ty.nullable && absent, ..way.ty.clone() }).collect();
    // Of several cases nobody says which: the type is all that is known.
    if let [ValueType { class: Some(class), .. }] = types.as_slice()
        && is_enum(*class, values)
        && values.parameter_of_function(value).is_some()
    {
        let written = values.written(code::seen_through(value, values).at);
        return CallFact {
            written,
            target: TargetFact::Unknown,
            value_class: Some(*class),
            open: true,
            ..base
        };
    }
    CallFact {
        written: values.written(code::seen_through(value, values).at),
        form: match types.len() {
            0 => Form::Dynamic,
            1 => Form::Typed,
            _ => Form::Computed,
        },
        open: types.len() > 1,
        target: if types.is_empty() { TargetFact::Unknown } else { TargetFact::Values(types) },
        arguments,
        ..base
    }
}

/// One way that a value may be.
struct Way {
    ty: ValueType,
    /// What makes it.
    made: Expr,
}

fn types_of(value: &Expr, depth: usize, values: &Values<'_>) -> Vec<Way> {
    if depth > 8 {
        return Vec::new();
    }
    match values.kind(value.at) {
        Kind::Branch { arms, .. } => {
            return arms.iter().flat_map(|arm| types_of(&value.with(arm.body), depth + 1, values)).collect();
        }
        Kind::Block(items) => {
            return items
                .last()
                .map(|&last| types_of(&value.with(last), depth + 1, values))
                .unwrap_or_default();
        }
        Kind::Return(Some(inner)) => return types_of(&value.with(*inner), depth + 1, values),
        _ => {}
    }
    if let Some(case) = case_of(value, values) {
        let name = values.class_path(case);
        let ty = ValueType { class: Some(case), name, nullable: false };
        return vec![Way { ty, made: value.clone() }];
    }
    // What a name was given decides before what it is declared as.
    let known = values.type_of(value);
    let is_choice = known.as_ref().and_then(|ty| ty.class).is_none_or(|class| is_enum(class, values));
    if let Some(behind) = values.given(value).or_else(|| values.value_behind(value)).filter(|_| is_choice) {
        let found = types_of(&behind, depth + 1, values);
        if !found.is_empty() && behind.at != value.at {
            return found;
        }
    }
    // A helper says which by what it hands back.
    if let Some(body) = values.called_body(value).filter(|_| is_choice) {
        let each = values.handed_back(&body);
        let ways: Vec<Vec<Way>> = each.iter().map(|given| types_of(given, depth + 1, values)).collect();
        let said = |ways: &Vec<Way>| !ways.is_empty() && ways.iter().all(|way| is_case(&way.ty, values));
        if !ways.is_empty() && ways.iter().all(said) {
            return ways.into_iter().flatten().collect();
        }
    }
    match known {
        Some(ty) => vec![Way { ty: value_type(&ty, values), made: value.clone() }],
        None => Vec::new(),
    }
}

fn is_enum(class: Ref, values: &Values<'_>) -> bool {
    values.class(class).is_some_and(|class| class.kind == ClassKind::Enum)
}

/// Whether a type is told down to the case.
fn is_case(ty: &ValueType, values: &Values<'_>) -> bool {
    let class = ty.class.and_then(|class| values.class(class));
    class.is_some_and(|class| class.kind == ClassKind::Entry)
}

fn is_protocol(class: Ref, values: &Values<'_>) -> bool {
    values.class(class).is_some_and(|class| class.kind == ClassKind::Interface)
}

/// The case of an enum that an expression makes.
pub(super) fn case_of(value: &Expr, values: &Values<'_>) -> Option<Ref> {
    let named = match values.kind(value.at) {
        Kind::Call(call) => value.with(call.callee),
        Kind::Member(_) => value.clone(),
        _ => return None,
    };
    match values.meaning(&named)? {
        Def::Class(class) if values.class(class)?.kind == ClassKind::Entry => Some(class),
        _ => None,
    }
}

fn value_type(ty: &Type, values: &Values<'_>) -> ValueType {
    let name = ty.class.map_or_else(|| ty.name.to_string(), |class| values.class_path(class));
    ValueType { class: ty.class, name, nullable: ty.nullable }
}

/// The type that a registration names.
pub(super) fn registered(at: Ref, ty: &TypeName, values: &Values<'_>) -> Option<ValueType> {
    let found = values.named_type(at, ty)?;
    Some(value_type(&found, values))
}

/// A value is what its type's route takes; what a case carries are the route's parameters.
fn arguments(way: &Way, values: &Values<'_>) -> Vec<crate::facts::ArgumentFact> {
    let case = way.ty.class.filter(|&c| values.class(c).is_some_and(|c| c.kind == ClassKind::Entry));
    let Some(case) = case else {
        return vec![code::argument(Slot::Position(0), &way.made, values)];
    };
    let Kind::Call(call) = values.kind(way.made.at) else { return Vec::new() };
    let tree = values.tree(case);
    let params = values.class(case).map(|case| case.params.clone()).unwrap_or_default();
    let passed = call.args.iter().enumerate().map(|(place, arg)| {
        let of = |id: &crate::syntax::Id| tree.parameter(*id).map(|p| p.name.to_string()).unwrap_or_default();
        let at = params.iter().position(|id| arg.name.as_ref().is_some_and(|name| of(id) == name.as_str()));
        let slot = match arg.name.as_ref() {
            Some(name) => Slot::Name(name.to_string()),
            None => Slot::Place(at.unwrap_or(place)),
        };
        code::argument(slot, &way.made.with(arg.value), values)
    });
    passed.collect()
}

/// The places that really say what a value is: where it is handed to a helper that only passes it on,
/// or to a view that keeps it under a type of several.
pub(super) fn said_at(site: Ref, value: &Expr, values: &Values<'_>) -> Vec<(Ref, Expr)> {
    // Where the type alone says where it leads, the helper does.
    let own = values.type_of(value).and_then(|ty| ty.class);
    if own.is_some_and(|class| !is_enum(class, values) && !is_protocol(class, values)) {
        return vec![(site, value.clone())];
    }
    let mut found = Vec::new();
    for said in values.sites(site, value) {
        found.push((said.at, said.bind(value)));
    }
    let [(at, _)] = found.as_slice() else { return found };
    if *at != site {
        return found;
    }
    let ty = values.type_of(value);
    let choice = ty.as_ref().is_none_or(|ty| ty.class.is_some_and(|class| is_enum(class, values)));
    match choice && case_of(value, values).is_none() {
        true => {
            let given = given_at_making(value, values);
            if given.is_empty() { found } else { given }
        }
        false => found,
    }
}

/// Where a call acts, if that is plain from where it is written.
pub(super) fn stack_of(site: Ref, values: &Values<'_>) -> Option<HostHint> {
    super::stacks::around(site, values).map(HostHint::Within)
}
