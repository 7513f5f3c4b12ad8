//! C#'s types that a program declares.

use super::CSharp;
use crate::model::Span;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, bare_type, child, named, span};
use crate::syntax::{Annotation, Arg, Class, ClassKind, Id, Kind, Parameter, SuperType, TypeName};
use tree_sitter::Node;

impl CSharp<'_> {
    /// Words and attributes before a declaration.
    pub(super) fn modifiers(&mut self, node: Node<'_>) -> Modifiers {
        let mut found = Modifiers::default();
        for part in named(node) {
            match part.kind() {
                "modifier" => found.words.push(self.low.name(part)),
                "attribute_list" => {
                    for attribute in named(part).into_iter().filter(|n| n.kind() == "attribute") {
                        let note = self.attribute(attribute);
                        found.annotations.push(note);
                    }
                }
                _ => {}
            }
        }
        found
    }

    /// An attribute may be named with or without its ending (C# specification, "Attributes").
    fn attribute(&mut self, node: Node<'_>) -> Annotation {
        let name = node.child_by_field_name("name");
        let ty = name.map(|n| self.type_name(n)).unwrap_or_default();
        let simple = ty.simple().strip_suffix("Attribute").unwrap_or(ty.simple());
        let list = child(node, "attribute_argument_list").map(named).unwrap_or_default();
        let args = list
            .into_iter()
            .filter_map(|part| {
                let label = part.child_by_field_name("name");
                let value = named(part).into_iter().rfind(|n| Some(n.id()) != label.map(|l| l.id()))?;
                let name = label.map(|n| self.low.name(n));
                Some(Arg { name, value: self.expression(value), spread: false })
            })
            .collect();
        Annotation { name: simple.into(), types: ty.args, args }
    }

    pub(super) fn class(&mut self, node: Node<'_>) -> Id {
        let kind = match node.kind() {
            "interface_declaration" => ClassKind::Interface,
            "enum_declaration" => ClassKind::Enum,
            _ => ClassKind::Class,
        };
        let modifiers = self.modifiers(node);
        let name = node.child_by_field_name("name");
        let is_record = node.kind() == "record_declaration";
        let class = Class {
            name: self.field_name(node, "name"),
            name_span: name.map_or(Span::default(), span),
            kind,
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            supers: if kind == ClassKind::Enum { Vec::new() } else { self.supers(node) },
            params: child(node, "parameter_list").map(|n| self.params(n, is_record)).unwrap_or_default(),
            members: node.child_by_field_name("body").map(|n| self.items(named(n))).unwrap_or_default(),
        };
        self.low.add(Kind::Class(class), node)
    }

    /// The bases, the first with what a primary constructor hands it.
    fn supers(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let mut supers: Vec<SuperType> = Vec::new();
        for part in child(node, "base_list").map(named).unwrap_or_default() {
            match (part.kind(), supers.last_mut()) {
                ("argument_list", Some(_)) => {
                    let args = self.arguments(part);
                    if let Some(base) = supers.last_mut() {
                        base.args = args;
                    }
                }
                ("primary_constructor_base_type", _) => {
                    let inside = named(part);
                    let ty = inside.first().map(|n| self.type_name(*n)).unwrap_or_default();
                    let args = child(part, "argument_list").map(|n| self.arguments(n)).unwrap_or_default();
                    supers.push(SuperType { ty, args });
                }
                _ => supers.push(SuperType { ty: self.type_name(part), args: Vec::new() }),
            }
        }
        supers
    }

    pub(super) fn entry(&mut self, node: Node<'_>) -> Id {
        let class = Class {
            name: self.field_name(node, "name"),
            name_span: node.child_by_field_name("name").map_or(Span::default(), span),
            kind: ClassKind::Entry,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: vec![SuperType { ty: bare_type("".into(), span(node)), args: Vec::new() }],
            params: Vec::new(),
            members: Vec::new(),
        };
        self.low.add(Kind::Class(class), node)
    }

    pub(super) fn params(&mut self, list: Node<'_>, property: bool) -> Vec<Id> {
        let mut params: Vec<Id> = Vec::new();
        for part in named(list).into_iter().filter(|n| n.kind() == "parameter") {
            let modifiers = self.modifiers(part);
            let default = named(part).into_iter().next_back().filter(|_| has_default(part));
            let parameter = Parameter {
                name: self.field_name(part, "name"),
                ty: self.declared(part),
                default: default.map(|n| self.expression(n)),
                property,
                modifiers: Modifier::among(modifiers.words),
                annotations: modifiers.annotations,
                label: None,
            };
            params.push(self.low.add(Kind::Parameter(parameter), part));
        }
        // The grammar leaves `params T[] x` without a node of its own.
        if let (Some(name), Some(_)) = (list.child_by_field_name("name"), child(list, "params")) {
            let ty: Option<TypeName> = self.declared(list);
            let modifiers = vec![Modifier::Vararg];
            let parameter =
                Parameter { name: self.low.name(name), ty, modifiers, property, ..Parameter::default() };
            params.push(self.low.add(Kind::Parameter(parameter), name));
        }
        params
    }
}

fn has_default(parameter: Node<'_>) -> bool {
    child(parameter, "=").is_some()
}
