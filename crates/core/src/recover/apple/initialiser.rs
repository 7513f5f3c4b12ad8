//! What an object is made with: by an initialiser that is written, or by the one that a struct gets
//! from its properties (docs.swift.org, "Initialization": memberwise initialisers).

use crate::facts::{ArgumentFact, At, ParameterFact, Slot};
use crate::model::Via;
use crate::recover::code;
use crate::syntax::{Annotation, Class, Function, Id, Kind, Modifier, Parameter, TypeName, Variable};
use crate::values::{Expr, Ref, Values};

/// What is said of properties that no memberwise initialiser takes.
const HIDDEN: &[Modifier] =
    &[Modifier::Static, Modifier::Lazy, Modifier::Private, Modifier::FilePrivate, Modifier::TypeAlias];

/// Attributes of properties that stand outside of the memberwise initialiser, or carry what the
/// surroundings give.
const GIVEN: &[&str] = &[
    "AccessibilityFocusState",
    "AppStorage",
    "Environment",
    "EnvironmentObject",
    "FetchRequest",
    "FocusState",
    "FocusedBinding",
    "FocusedValue",
    "GestureState",
    "Namespace",
    "Query",
    "ScaledMetric",
    "SceneStorage",
    "State",
    "StateObject",
];

/// What an initialiser takes, with what each parameter is called inside.
pub(super) struct Taken {
    /// The parameter as callers see it.
    pub(super) fact: ParameterFact,
    /// The property or parameter that holds it.
    pub(super) held: Ref,
}

/// The parameters that an object of a class is made with; callbacks, delegates and coordinators are
/// no values that travel.
pub(super) fn taken(class: Ref, values: &Values<'_>) -> Vec<Taken> {
    let Some(declared) = values.class(class) else { return Vec::new() };
    let all = match written(class, values) {
        Some((file, function)) => of_function(file, function, values),
        None if declared.is(Modifier::Struct) => of_properties(class, declared, values),
        None => inherited(class, values),
    };
    all.into_iter().filter(|taken| carries(taken.held, values)).collect()
}

/// The class's parameters alone.
pub(super) fn parameters(class: Ref, values: &Values<'_>) -> Vec<ParameterFact> {
    taken(class, values).into_iter().map(|taken| taken.fact).collect()
}

/// The initialiser that a class writes itself and that others can call.
fn written<'p>(class: Ref, values: &Values<'p>) -> Option<(u32, &'p Function)> {
    let tree = values.tree(class);
    let members = values.class(class)?.members.iter();
    let made: Vec<&Function> = members
        .filter_map(|&id| tree.function(id))
        .filter(|f| f.name == "<init>" && is_offered(tree, f))
        .collect();
    let main = made.iter().find(|f| !f.is(Modifier::Convenience) && !f.params.is_empty());
    main.or(made.first()).map(|function| (class.file, *function))
}

fn is_offered(tree: &crate::syntax::Tree, function: &Function) -> bool {
    let unavailable = |note: &Annotation| {
        note.name == "available"
            && note
                .args
                .iter()
                .any(|arg| tree.last_name(arg.value).is_some_and(|(name, _)| name == "unavailable"))
    };
    let from_archive = function
        .params
        .iter()
        .filter_map(|&id| tree.parameter(id))
        .any(|p| matches!(p.called(), "coder" | "nibName"));
    !from_archive && !function.annotations.iter().any(unavailable)
}

/// A class that writes none has its base's.
fn inherited(class: Ref, values: &Values<'_>) -> Vec<Taken> {
    let bases = values.lineage(class).into_iter().skip(1);
    let mut found = bases.filter_map(|base| written(base, values));
    found.next().map(|(file, function)| of_function(file, function, values)).unwrap_or_default()
}

fn of_function(file: u32, function: &Function, values: &Values<'_>) -> Vec<Taken> {
    let tree = values.program().tree(file);
    let params = function.params.iter().filter_map(|&id| Some((id, tree.parameter(id)?)));
    params
        .map(|(id, parameter)| Taken {
            fact: ParameterFact {
                name: shown_name(parameter),
                ty: parameter.ty.as_ref().map(|ty| written_type(file, ty, values)),
                required: parameter.default.is_none(),
                nullable: parameter.ty.as_ref().is_some_and(|ty| ty.nullable),
                default: parameter.default.map(|id| values.written(Ref { file, id })),
                via: Via::Constructor,
                at: At { file, span: tree.span(id) },
            },
            held: Ref { file, id },
        })
        .collect()
}

fn shown_name(parameter: &Parameter) -> String {
    let called = parameter.called();
    if called.is_empty() { parameter.name.to_string() } else { called.to_owned() }
}

fn of_properties(class: Ref, declared: &Class, values: &Values<'_>) -> Vec<Taken> {
    let tree = values.tree(class);
    stored(class, declared, values)
        .into_iter()
        .filter_map(|id| {
            let variable = tree.variable(id)?;
            // A constant with a value is settled.
            if variable.init.is_some() && !variable.mutable {
                return None;
            }
            let ty = variable.ty.as_ref();
            let nullable = ty.is_some_and(|ty| ty.nullable);
            let fact = ParameterFact {
                name: variable.name.to_string(),
                ty: ty.map(|ty| written_type(class.file, ty, values)).or_else(|| {
                    let init = variable.init.map(|id| Expr::new(Ref { file: class.file, id }))?;
                    values.type_of(&init).map(|ty| ty.name.to_string())
                }),
                required: variable.init.is_none() && !(nullable && variable.mutable),
                nullable,
                default: variable.init.map(|id| values.written(Ref { file: class.file, id })),
                via: Via::Constructor,
                at: At { file: class.file, span: variable.name_span },
            };
            Some(Taken { fact, held: Ref { file: class.file, id } })
        })
        .collect()
}

/// Properties that an object holds itself and is given from outside.
pub(super) fn stored(class: Ref, declared: &Class, values: &Values<'_>) -> Vec<Id> {
    let tree = values.tree(class);
    let mut ids = Vec::new();
    for &id in &declared.members {
        match tree.kind(id) {
            Kind::Other(inside) => ids.extend(inside.iter().copied()),
            _ => ids.push(id),
        }
    }
    let own = |variable: &Variable| {
        variable.getter.is_none()
            && !HIDDEN.iter().any(|&modifier| variable.is(modifier))
            && !variable.annotations.iter().any(|note| GIVEN.contains(&note.name.as_str()))
    };
    ids.into_iter().filter(|&id| tree.variable(id).is_some_and(own)).collect()
}

/// Whether what is handed over is a value, not somebody to call back or a way to navigate.
fn carries(held: Ref, values: &Values<'_>) -> bool {
    let (ty, notes) = match values.kind(held) {
        Kind::Parameter(parameter) => (parameter.ty.as_ref(), &parameter.annotations),
        Kind::Variable(variable) if variable.is(Modifier::Weak) => return false,
        Kind::Variable(variable) => (variable.ty.as_ref(), &variable.annotations),
        _ => return false,
    };
    let wrapped = ["Binding", "ObservedObject", "Bindable", "ViewBuilder"];
    if notes.iter().any(|note| wrapped.contains(&note.name.as_str())) {
        return false;
    }
    ty.is_none_or(|ty| is_value_type(held.file, ty, values))
}

/// Whether a type is of values: no function, delegate, coordinator or router.
pub(super) fn is_value_type(file: u32, ty: &TypeName, values: &Values<'_>) -> bool {
    const HELPERS: &[&str] =
        &["Coordinator", "Coordinating", "DataSource", "Delegate", "Navigator", "Router"];
    let written = written_type(file, ty, values);
    !ty.name.is_empty()
        && !written.starts_with("Binding<")
        && !HELPERS.iter().any(|ending| ty.simple().ends_with(ending))
}

/// A type in the source's own words.
pub(super) fn written_type(file: u32, ty: &TypeName, values: &Values<'_>) -> String {
    let text = values.program().source(file).text.slice(ty.span);
    text.split_whitespace().collect::<Vec<_>>().join(" ")
}

/// What the call that makes an object passes, under the parameters' names.
pub(super) fn arguments(made: &Expr, class: Ref, values: &Values<'_>) -> Vec<ArgumentFact> {
    let Some(call) = values.tree(made.at).call(made.at.id) else { return Vec::new() };
    let taken = taken(class, values);
    let named = call.args.iter().enumerate().filter_map(|(place, arg)| {
        let name = match &arg.name {
            Some(label) => taken.iter().find(|taken| taken.fact.name == *label)?.fact.name.clone(),
            None => taken.get(place)?.fact.name.clone(),
        };
        Some(code::argument(Slot::Name(name), &made.with(arg.value), values))
    });
    named.collect()
}
