//! What a screen can be given: its properties, what its methods set, what its rules declare, and what
//! its methods take.

use super::uses::own_uses;
use crate::facts::{At, ParameterFact};
use crate::model::Via;
use crate::recover::code;
use crate::syntax::{Function, Id, Kind, Variable};
use crate::values::{Expr, Ref, Values};

/// Something that others can set on a screen.
pub(super) struct Property {
    /// Its name.
    pub(super) name: String,
    /// Its declaration, where that is a node of its own.
    pub(super) held: Option<Ref>,
    /// Where its class takes it, where nothing says which declaration that means.
    pub(super) used: Option<Ref>,
    ty: Option<String>,
    at: At,
}

/// What every widget has from the library.
pub(super) const OF_WIDGETS: &[&str] = &[
    "center",
    "center_x",
    "center_y",
    "children",
    "cls",
    "disabled",
    "height",
    "ids",
    "manager",
    "md_bg_color",
    "name",
    "opacity",
    "padding",
    "parent",
    "pos",
    "pos_hint",
    "right",
    "size",
    "size_hint",
    "size_hint_x",
    "size_hint_y",
    "spacing",
    "top",
    "transition",
    "width",
    "x",
    "y",
];

/// What a class, and its bases in the source, can be given.
pub(super) fn properties(class: Ref, values: &Values<'_>) -> Vec<Property> {
    let mut found: Vec<Property> = Vec::new();
    let add = |property: Property, found: &mut Vec<Property>| {
        if found.iter().all(|known| known.name != property.name)
            && !OF_WIDGETS.contains(&property.name.as_str())
        {
            found.push(property);
        }
    };
    for at in values.lineage(class) {
        let tree = values.tree(at);
        let members = values.class(at).map(|class| class.members.clone()).unwrap_or_default();
        for &id in &members {
            if let Some(variable) = tree.variable(id).filter(|variable| variable.getter.is_none()) {
                add(of_variable(Ref { file: at.file, id }, variable, values), &mut found);
            }
        }
        for more in std::iter::once(at).chain(values.extensions(at)) {
            of_rules(more, values).into_iter().for_each(|property| add(property, &mut found));
        }
        for &id in &members {
            if let Some(function) = tree.function(id).filter(|function| function.name != "<init>") {
                of_method(at.file, function, values)
                    .into_iter()
                    .for_each(|property| add(property, &mut found));
            }
        }
    }
    let uses = own_uses(class, values);
    for property in found.iter_mut().filter(|property| property.held.is_none()) {
        property.used = uses.iter().find(|used| used.name == property.name).map(|used| used.at);
    }
    for used in uses {
        let at = code::node_at(used.at, values);
        add(Property { name: used.name, held: None, used: Some(used.at), ty: None, at }, &mut found);
    }
    found
}

fn of_variable(at: Ref, variable: &Variable, values: &Values<'_>) -> Property {
    Property {
        name: variable.name.to_string(),
        held: Some(at),
        used: None,
        ty: variable.init.and_then(|init| type_of(&Expr::new(Ref { file: at.file, id: init }), values)),
        at: At { file: at.file, span: variable.name_span },
    }
}

/// The class of a property, or the plain type of a value.
fn type_of(init: &Expr, values: &Values<'_>) -> Option<String> {
    let tree = values.tree(init.at);
    let call = tree.call(init.at.id).and_then(|call| tree.callee(call));
    match call {
        Some((name, _)) if name.ends_with("Property") => Some(name.to_string()),
        _ => values.type_of(init).map(|ty| ty.name.to_string()),
    }
}

/// A rule that gives its own object a property which the class does not have declares it.
fn of_rules(rule: Ref, values: &Values<'_>) -> Vec<Property> {
    let Some((call, _)) = set_up(rule, values) else { return Vec::new() };
    let tree = values.tree(rule);
    let named =
        tree.call(call).map(|call| call.args.as_slice()).unwrap_or_default().iter().filter_map(|arg| {
            let name = arg.name.as_ref().filter(|name| !name.starts_with("on_") && *name != "id")?;
            let at = At { file: rule.file, span: tree.span(arg.value) };
            Some(Property { name: name.to_string(), held: None, used: None, ty: None, at })
        });
    named.collect()
}

/// What a method takes is given to its screen.
fn of_method(file: u32, function: &Function, values: &Values<'_>) -> Vec<Property> {
    let tree = values.program().tree(file);
    let params = function.params.iter().filter_map(|&id| Some((id, tree.parameter(id)?)));
    let own = params.filter(|(_, parameter)| !parameter.is_vararg());
    own.map(|(id, parameter)| Property {
        name: parameter.name.to_string(),
        held: Some(Ref { file, id }),
        used: None,
        ty: parameter.ty.as_ref().map(|ty| ty.name.to_string()),
        at: At { file, span: tree.span(id) },
    })
    .collect()
}

/// The call that stands for all that a rule sets up, and the rule.
pub(super) fn set_up(rule: Ref, values: &Values<'_>) -> Option<(Id, Ref)> {
    let tree = values.tree(rule);
    let members = &values.class(rule)?.members;
    let body = members.iter().find_map(|&id| tree.function(id).filter(|f| f.name == "<kv>")?.body)?;
    matches!(tree.kind(body), Kind::Call(_)).then_some((body, rule))
}

impl Property {
    /// As a route's parameter: nobody has to set it.
    pub(super) fn parameter(self) -> ParameterFact {
        ParameterFact {
            name: self.name,
            ty: self.ty,
            required: false,
            nullable: true,
            default: None,
            via: Via::Property,
            at: self.at,
        }
    }
}
