//! Lists of parameters as types: which list a navigation object is checked against, and what a route
//! takes by it (reactnavigation.org, "Type checking with TypeScript").

use crate::facts::{At, ParameterFact};
use crate::model::Via;
use crate::recover::code;
use crate::syntax::{Kind, Modifier, TypeName};
use crate::values::{Def, Expr, Ref, Shape, Values};

/// Types of types are followed this deep.
const MAX_DEPTH: usize = 8;

/// The list of parameters that a type of properties, of a route or of a navigation object names.
pub(super) fn list_of(ty: &TypeName, at: Ref, values: &Values<'_>) -> Option<Ref> {
    list_at(ty, at, 0, values)
}

fn list_at(ty: &TypeName, at: Ref, depth: usize, values: &Values<'_>) -> Option<Ref> {
    if depth > MAX_DEPTH {
        return None;
    }
    if let Some(own) = class_of(ty, at, values) {
        return supers(own, values).into_iter().find_map(|(at, base)| list_at(base, at, depth + 1, values));
    }
    let first = ty.args.first()?;
    match ty.simple() {
        name if name.starts_with("Composite") => list_at(first, at, depth + 1, values),
        "StaticScreenProps" => None,
        name if name.contains("Navigation") || name.ends_with("Props") || name.ends_with("Prop") => {
            class_of(first, at, values).filter(|&list| is_list(list, values))
        }
        _ => None,
    }
}

/// Whether a type declares names at all: an open record checks nothing.
pub(super) fn is_list(list: Ref, values: &Values<'_>) -> bool {
    values.lineage(list).iter().any(|&at| values.class(at).is_some_and(|class| !class.members.is_empty()))
}

pub(super) fn class_of(ty: &TypeName, at: Ref, values: &Values<'_>) -> Option<Ref> {
    match ty.described {
        Some(id) => Some(Ref { file: at.file, id }),
        None if ty.name.is_empty() => None,
        None => values.class_named(at, &ty.name),
    }
}

/// The types that one of the source is put together from, those of its own bases included.
pub(super) fn supers<'p>(own: Ref, values: &Values<'p>) -> Vec<(Ref, &'p TypeName)> {
    let lineage = values.lineage(own).into_iter();
    let all = lineage.filter_map(|at| Some((at, values.class(at)?)));
    all.flat_map(|(at, class)| class.supers.iter().map(move |base| (at, &base.ty))).collect()
}

/// What a list says that a route takes; `None` where it says nothing of it.
pub(super) fn of_list(list: Ref, route: &str, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    let (at, ty) = member(list, route, values)?;
    parameters(ty, at, values)
}

/// What a component's properties say that it takes.
pub(super) fn of_component(component: Ref, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    let tree = values.tree(component);
    let ty = match tree.kind(component.id) {
        Kind::Function(function) => tree.parameter(*function.params.first()?)?.ty.as_ref()?,
        Kind::Class(class) => class.supers.first()?.ty.args.first()?,
        _ => return None,
    };
    of_properties(ty, component, 0, values)
}

/// What the hooks in a component say that it takes: `useRoute<RouteProp<List, 'Name'>>()`.
pub(super) fn of_hooks(component: Ref, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    let around = values.tree(component).span(component.id);
    let hooks = code::calls(component.file, values, &["useRoute"]).into_iter();
    let mut inside = hooks.filter(|(at, _)| around.holds(values.tree(*at).span(at.id)));
    inside.find_map(|(at, call)| of_route(call.types.first()?, at, values))
}

fn of_properties(ty: &TypeName, at: Ref, depth: usize, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    if depth > MAX_DEPTH {
        return None;
    }
    if let Some(own) = class_of(ty, at, values) {
        let by_base =
            supers(own, values).into_iter().find_map(|(at, base)| of_properties(base, at, depth + 1, values));
        return by_base.or_else(|| {
            let (at, route) = member(own, "route", values)?;
            of_route(route, at, values)
        });
    }
    match ty.simple() {
        "StaticScreenProps" => parameters(ty.args.first()?, at, values),
        name if name.starts_with("Composite") => of_properties(ty.args.first()?, at, depth + 1, values),
        name if name.ends_with("ScreenProps") || name.ends_with("RouteProp") => of_pair(ty, at, values),
        _ => None,
    }
}

/// `RouteProp<List, 'Name'>`, or an object with `params`.
fn of_route(ty: &TypeName, at: Ref, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    match class_of(ty, at, values) {
        Some(own) => match member(own, "params", values) {
            Some((at, held)) => parameters(held, at, values),
            // `type ItemRoute = RouteProp<List, 'Item'>`.
            None => supers(own, values).into_iter().find_map(|(at, base)| of_pair(base, at, values)),
        },
        None => of_pair(ty, at, values),
    }
}

fn of_pair(ty: &TypeName, at: Ref, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    let [list, name, ..] = ty.args.as_slice() else { return None };
    of_list(class_of(list, at, values)?, &route_named(name, at, values), values)
}

/// The name of a route as a type says it: `'Item'`, or a case of an enum, `Screens.Item`.
fn route_named(ty: &TypeName, at: Ref, values: &Values<'_>) -> String {
    let case = || {
        let (holder, case) = ty.name.rsplit_once('.')?;
        let holder = values.class_named(at, holder)?;
        match values.member_of_class(holder, case)? {
            Def::Variable(variable) => values.initial_text(variable)?.plain(),
            Def::Class(entry) => values.initial_text(entry)?.plain(),
            _ => None,
        }
    };
    case().unwrap_or_else(|| ty.name.trim_matches(['\'', '"']).to_owned())
}

fn member<'p>(class: Ref, name: &str, values: &Values<'p>) -> Option<(Ref, &'p TypeName)> {
    let at = match values.member_of_class(class, name) {
        Some(Def::Variable(at)) => at,
        _ => computed_member(class, name, values)?,
    };
    Some((at, values.tree(at).variable(at.id)?.ty.as_ref()?))
}

/// `[Screens.Shelf]: …`, by what the key comes to.
fn computed_member(class: Ref, name: &str, values: &Values<'_>) -> Option<Ref> {
    let lineage = values.lineage(class).into_iter();
    let members = lineage.flat_map(|own| {
        let ids = values.class(own).map(|class| class.members.as_slice()).unwrap_or_default();
        ids.iter().map(move |&id| Ref { file: own.file, id })
    });
    let is_named = |at: &Ref| {
        let key = values.tree(*at).variable(at.id).and_then(|variable| variable.key);
        let texts =
            key.map(|key| values.eval(&Expr::new(Ref { file: at.file, id: key }))).unwrap_or_default();
        matches!(texts.as_slice(), [one] if one.shape().and_then(Shape::plain).as_deref() == Some(name))
    };
    members.into_iter().find(is_named)
}

/// The parameters that a type names; `None` where it does not say which.
pub(super) fn parameters(ty: &TypeName, at: Ref, values: &Values<'_>) -> Option<Vec<ParameterFact>> {
    if matches!(ty.simple(), "undefined" | "null" | "never" | "NavigatorScreenParams") {
        return Some(Vec::new());
    }
    let own = class_of(ty, at, values)?;
    if !values.external_bases(own).is_empty() {
        return None;
    }
    let mut found: Vec<ParameterFact> = Vec::new();
    for class in values.lineage(own) {
        let tree = values.tree(class);
        for &id in values.class(class).map(|class| class.members.as_slice()).unwrap_or_default() {
            let Some(variable) = tree.variable(id) else { continue };
            if found.iter().any(|known| known.name == variable.name) {
                continue;
            }
            let written = variable.ty.as_ref().map(TypeName::written).filter(|ty| !ty.is_empty());
            found.push(ParameterFact {
                name: variable.name.to_string(),
                ty: written,
                required: !variable.is(Modifier::Optional)
                    && !ty.nullable
                    && !variable.ty.as_ref().is_some_and(|ty| ty.nullable),
                nullable: variable.is(Modifier::Optional)
                    || variable.ty.as_ref().is_some_and(|ty| ty.nullable),
                default: None,
                via: Via::Argument,
                at: At { file: class.file, span: variable.name_span },
            });
        }
    }
    Some(found)
}
