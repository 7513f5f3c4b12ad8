//! Arguments that arrive as properties of the component: declared ones, defaults, and what it takes
//! out (react.dev, "Typechecking with PropTypes").

use crate::facts::{Absent, At, Facts, ParameterFact, ReadFact};
use crate::model::Via;
use crate::recover::code;
use crate::recover::react_native::element::{Element, key_of};
use crate::recover::react_native::navigation::properties_type;
use crate::syntax::{Kind, PROPERTIES};
use crate::values::{Expr, Ref, Values};

/// Properties that the package or the framework gives every component.
const GIVEN: &[&str] = &["children", "key", "name", "navigation", "ref", "sceneKey", "title"];

/// Properties of a scene that are its own.
const OWN: &[&str] = &[
    "back",
    "children",
    "component",
    "drawerWidth",
    "hideNavBar",
    "icon",
    "initial",
    "key",
    "lazy",
    "modal",
    "onBack",
    "onEnter",
    "onExit",
    "onLeft",
    "onRight",
    "path",
    "rightTitle",
    "leftTitle",
    "title",
    "type",
];

/// What a scene takes.
pub(super) struct Taken {
    pub(super) parameters: Vec<ParameterFact>,
    /// The component says all of it.
    pub(super) declared: bool,
}

/// What a component is given as properties.
pub(super) fn taken(
    component: Ref,
    scene: &Element<'_>,
    wrapped: bool,
    values: &Values<'_>,
    facts: &mut Facts,
) -> Taken {
    let types = object_of(component, "propTypes", values);
    let mut parameters: Vec<ParameterFact> =
        types.as_ref().map(|types| declared(types, values)).unwrap_or_default();
    if let Some(defaults) = object_of(component, "defaultProps", values) {
        for (name, value) in known(&defaults, values) {
            let default = Some(values.written(value.at));
            match parameters.iter_mut().find(|parameter| parameter.name == name) {
                Some(parameter) => {
                    parameter.required = false;
                    parameter.default = default;
                }
                None => parameters.push(ParameterFact {
                    ty: values.type_of(&value).map(|ty| ty.name.to_string()),
                    default,
                    ..optional(name, code::node_at(value.at, values))
                }),
            }
        }
    }
    for (name, value) in given_by_scene(scene, values) {
        match parameters.iter_mut().find(|parameter| parameter.name == name) {
            Some(parameter) => {
                parameter.required = false;
                parameter.default = Some(values.written(value.at));
            }
            None if !OWN.contains(&name.as_str()) => parameters.push(ParameterFact {
                default: Some(values.written(value.at)),
                ..optional(name, code::node_at(value.at, values))
            }),
            None => {}
        }
    }
    match wrapped {
        true => facts.whole_bags.push(inner(component, values)),
        false => reads(component, values, facts),
    }
    Taken { parameters, declared: types.is_some() }
}

fn optional(name: String, at: At) -> ParameterFact {
    ParameterFact { name, ty: None, required: false, nullable: false, default: None, via: Via::Property, at }
}

/// A node inside of a component: what belongs to it belongs to its screen.
fn inner(component: Ref, values: &Values<'_>) -> Ref {
    let tree = values.tree(component);
    let body = match tree.kind(component.id) {
        Kind::Function(function) => function.body,
        Kind::Class(class) => class.members.first().copied(),
        _ => None,
    };
    Ref { file: component.file, id: body.unwrap_or(component.id) }
}

/// `static propTypes = { … }`, `Shelf.propTypes = { … }`.
fn object_of(component: Ref, name: &str, values: &Values<'_>) -> Option<Expr> {
    let tree = values.tree(component);
    let member = values.class(component).and_then(|class| {
        class.members.iter().find_map(|&id| tree.variable(id).filter(|v| v.name == name)?.init)
    });
    if let Some(init) = member {
        return Some(Expr::new(Ref { file: component.file, id: init }));
    }
    let own = match tree.kind(component.id) {
        Kind::Function(function) => &function.name,
        Kind::Class(class) => &class.name,
        _ => return None,
    };
    values.program().uses_in(component.file, name).iter().find_map(|&used| {
        let Kind::Member(member) = tree.kind(used.id) else { return None };
        let Kind::Assign { target, value, .. } = tree.kind(tree.node(used.id).parent?) else { return None };
        let of = matches!(tree.kind(member.of), Kind::Name(name) if name == own);
        (of && *target == used.id).then(|| Expr::new(Ref { file: component.file, id: *value }))
    })
}

fn known(object: &Expr, values: &Values<'_>) -> Vec<(String, Expr)> {
    let entries = values.entries(object).map(|entries| entries.known).unwrap_or_default();
    entries.into_iter().filter_map(|(key, value)| Some((key_of(&key, values)?, value))).collect()
}

/// `PropTypes.string.isRequired`.
fn declared(types: &Expr, values: &Values<'_>) -> Vec<ParameterFact> {
    let entries = values.entries(types).map(|entries| entries.known).unwrap_or_default();
    let all = entries.into_iter().filter_map(|(key, value)| {
        let name = key_of(&key, values)?;
        let tree = values.tree(value.at);
        let (last, required) = match tree.kind(value.at.id) {
            Kind::Member(member) if member.name == "isRequired" => (value.with(member.of), true),
            _ => (value, false),
        };
        let ty = match values.kind(last.at) {
            Kind::Member(member) => Some(member.name.to_string()),
            _ => None,
        };
        let place = code::node_at(key.at, values);
        Some(ParameterFact { ty, required, ..optional(name, place) })
    });
    all.collect()
}

/// What the scene itself passes on to its component.
fn given_by_scene(scene: &Element<'_>, values: &Values<'_>) -> Vec<(String, Expr)> {
    let first = scene.call.args.first().filter(|arg| arg.name.as_deref() == Some(PROPERTIES));
    first.map(|arg| known(&scene.at.with(arg.value), values)).unwrap_or_default()
}

/// What the component takes out of its properties.
fn reads(component: Ref, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.tree(component);
    let around = tree.span(component.id);
    for id in tree.ids().filter(|&id| around.holds(tree.span(id))) {
        let at = Ref { file: component.file, id };
        let Kind::Member(member) = tree.kind(id) else { continue };
        if GIVEN.contains(&member.name.as_str()) || !is_own_properties(component, at, member.of, values) {
            continue;
        }
        let span = member.name_span;
        let fact = ReadFact::new(member.name.to_string(), Via::Property, at, At { file: at.file, span });
        facts.reads.push(ReadFact { absent: Absent::of(false, code::is_met(at, values)), ..fact });
    }
    // Handed on whole: `{...props}`.
    let whole = tree.ids().filter(|&id| around.holds(tree.span(id))).any(|id| {
        let Kind::Map(entries) = tree.kind(id) else { return false };
        entries.iter().filter(|entry| entry.key.is_none()).any(|entry| {
            properties_type(&Expr::new(Ref { file: component.file, id: entry.value }), values).is_some()
        })
    });
    if whole {
        facts.whole_bags.push(inner(component, values));
    }
}

/// `this.props` of the class, or the first parameter of the function.
fn is_own_properties(component: Ref, at: Ref, of: crate::syntax::Id, values: &Values<'_>) -> bool {
    let tree = values.tree(component);
    let of = Expr::new(Ref { file: at.file, id: of });
    match tree.kind(component.id) {
        Kind::Class(_) => matches!(tree.kind(of.at.id), Kind::Member(member)
            if member.name == "props" && matches!(tree.kind(member.of), Kind::This)),
        Kind::Function(function) => {
            let first = function.params.first().copied();
            first.is_some_and(|first| {
                matches!(values.meaning(&of), Some(crate::values::Def::Parameter(parameter)) if parameter.id == first)
            })
        }
        _ => false,
    }
}
