//! Values that arrive by constructor: what a class takes, and what a call of it passes.

use super::code;
use crate::facts::{ArgumentFact, At, ParameterFact, Slot};
use crate::model::Via;
use crate::syntax::{Modifier, Parameter, TypeName};
use crate::values::{Expr, Ref, Value, Values};

/// The class's constructor parameters.
pub(in crate::recover) fn parameters(class: Ref, values: &Values<'_>) -> Vec<ParameterFact> {
    let tree = values.tree(class);
    let Some(declared) = values.class(class) else { return Vec::new() };
    let params = declared.params.iter().filter_map(|&id| Some((id, tree.parameter(id)?)));
    let own = params.filter(|(_, parameter)| !(parameter.name == "key" && is_widget_key(parameter)));
    own.map(|(id, parameter)| ParameterFact {
        name: parameter.name.to_string(),
        ty: parameter.ty.as_ref().filter(|ty| !ty.name.is_empty()).map(TypeName::written),
        required: is_required(parameter),
        nullable: parameter.ty.as_ref().is_some_and(|ty| ty.nullable),
        default: parameter.default.map(|id| values.written(Ref { file: class.file, id })),
        via: Via::Constructor,
        at: At { file: class.file, span: tree.span(id) },
    })
    .collect()
}

/// What a route, screen or provider is made with, under its parameters' names.
pub(in crate::recover) fn made_with(value: &Value, class: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    values.made(value).map(|made| arguments_of(&made, class, values)).unwrap_or_default()
}

/// What the call that makes an object passes, under the parameters' names.
pub(in crate::recover) fn arguments_of(made: &Expr, class: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    let Some(call) = values.tree(made.at).call(made.at.id) else { return Vec::new() };
    let parameters = parameters(class, values);
    let named = call.args.iter().enumerate().filter_map(|(position, arg)| {
        let name = arg
            .name
            .as_ref()
            .map(ToString::to_string)
            .or_else(|| Some(parameters.get(position)?.name.clone()))?;
        Some(code::argument(Slot::Name(name), &made.with(arg.value), values))
    });
    named.collect()
}

/// Flutter's `super.key` and `Key? key`, which say which widget one is and nothing to it.
fn is_widget_key(parameter: &Parameter) -> bool {
    parameter.is(Modifier::Super) || parameter.ty.as_ref().is_some_and(|ty| ty.simple() == "Key")
}

/// Without a default; where a language lets callers leave out parameters by how they are declared,
/// not so declared.
fn is_required(parameter: &Parameter) -> bool {
    parameter.default.is_none()
        && (parameter.is(Modifier::Required)
            || !(parameter.is(Modifier::Named) || parameter.is(Modifier::Optional)))
}
