//! Java's declarations.

use super::Java;
use crate::model::Span;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, bare_type, child, children, named, span};
use crate::syntax::{
    Annotation, Arg, Class, ClassKind, Function, Id, Kind, Parameter, SuperType, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::Node;

/// What other languages have a word for.
const OVERRIDE: &str = "Override";

impl Java<'_> {
    fn modifiers(&mut self, node: Node<'_>) -> Modifiers {
        let mut found = Modifiers::default();
        let Some(group) = child(node, "modifiers") else { return found };
        for word in children(group) {
            match word.kind() {
                "annotation" | "marker_annotation" => {
                    let name = word.child_by_field_name("name").map(|n| self.0.name(n)).unwrap_or_default();
                    let args = child(word, "annotation_argument_list").map(|n| self.annotation_args(n));
                    if name == OVERRIDE {
                        found.words.push(name.clone());
                    }
                    found.annotations.push(Annotation {
                        name,
                        args: args.unwrap_or_default(),
                        types: Vec::new(),
                    });
                }
                _ if word.is_extra() => {}
                _ => found.words.push(self.0.name(word)),
            }
        }
        found
    }

    fn annotation_args(&mut self, node: Node<'_>) -> Vec<Arg> {
        let pairs = named(node);
        pairs
            .into_iter()
            .map(|part| {
                let name = part.child_by_field_name("key").map(|n| self.0.name(n));
                let value = part.child_by_field_name("value").unwrap_or(part);
                Arg { name, value: self.expression(value), spread: false }
            })
            .collect()
    }

    fn empty_class(&self, name: Option<Node<'_>>, kind: ClassKind) -> Class {
        Class {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(Span::default(), span),
            kind,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: Vec::new(),
            params: Vec::new(),
            members: Vec::new(),
        }
    }

    pub(super) fn class(&mut self, node: Node<'_>) -> Id {
        let kind = match node.kind() {
            "interface_declaration" | "annotation_type_declaration" => ClassKind::Interface,
            "enum_declaration" => ClassKind::Enum,
            _ => ClassKind::Class,
        };
        let mut class = self.empty_class(node.child_by_field_name("name"), kind);
        let modifiers = self.modifiers(node);
        class.modifiers = Modifier::among(modifiers.words);
        class.annotations = modifiers.annotations;
        class.supers = self.supers(node);
        if node.kind() == "record_declaration" {
            class.params =
                node.child_by_field_name("parameters").map(|n| self.params(n, true)).unwrap_or_default();
        }
        if let Some(body) = node.child_by_field_name("body") {
            class.members = self.members(body);
        }
        self.0.add(Kind::Class(class), node)
    }

    fn supers(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let mut types: Vec<Node<'_>> = child(node, "superclass").map(named).unwrap_or_default();
        for list in named(node) {
            if matches!(list.kind(), "super_interfaces" | "extends_interfaces") {
                types.extend(child(list, "type_list").map(named).unwrap_or_default());
            }
        }
        types.into_iter().map(|n| SuperType { ty: self.type_name(n), args: Vec::new() }).collect()
    }

    /// Members of any class body; an enum's stand one level deeper.
    fn members(&mut self, body: Node<'_>) -> Vec<Id> {
        let mut members = Vec::new();
        for part in named(body) {
            if part.kind() == "enum_body_declarations" {
                members.extend(self.items(named(part)));
            } else {
                members.push(self.item(part));
            }
        }
        members
    }

    pub(super) fn entry(&mut self, node: Node<'_>) -> Id {
        let mut class = self.empty_class(node.child_by_field_name("name"), ClassKind::Entry);
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        class.supers = vec![SuperType { ty: bare_type(SmolStr::default(), span(node)), args }];
        class.members = node.child_by_field_name("body").map(|n| self.members(n)).unwrap_or_default();
        self.0.add(Kind::Class(class), node)
    }

    /// The body of `new X() { … }`.
    pub(super) fn anonymous(&mut self, base: TypeName, body: Node<'_>) -> Id {
        let mut class = self.empty_class(None, ClassKind::Anonymous);
        class.supers = vec![SuperType { ty: base, args: Vec::new() }];
        class.members = self.members(body);
        self.0.add(Kind::Class(class), body)
    }

    pub(super) fn method(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let name = node.child_by_field_name("name");
        let constructor = node.kind() != "method_declaration";
        let function = Function {
            name: if constructor {
                "<init>".into()
            } else {
                name.map(|n| self.0.name(n)).unwrap_or_default()
            },
            name_span: name.map_or(span(node), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: None,
            type_params: self.0.type_params(node),
            params: node.child_by_field_name("parameters").map(|n| self.params(n, false)).unwrap_or_default(),
            result: node.child_by_field_name("type").map(|n| self.type_name(n)),
            body: node.child_by_field_name("body").map(|n| self.item(n)),
        };
        self.0.add(Kind::Function(function), node)
    }

    pub(super) fn params(&mut self, list: Node<'_>, property: bool) -> Vec<Id> {
        let mut params = Vec::new();
        for part in named(list) {
            let modifiers = self.modifiers(part);
            let nullable = modifiers.annotations.iter().any(|a| a.name == "Nullable");
            let declarator = child(part, "variable_declarator").unwrap_or(part);
            let Some(name) = declarator.child_by_field_name("name").or_else(|| is_name(part).then_some(part))
            else {
                continue;
            };
            let ty = type_of_parameter(part).map(|n| TypeName { nullable, ..self.type_name(n) });
            let mut words = modifiers.words;
            if part.kind() == "spread_parameter" {
                words.push("vararg".into());
            }
            let name = self.0.name(name);
            let parameter =
                Parameter { name, ty, property, modifiers: Modifier::among(words), ..Parameter::default() };
            params.push(self.0.add(Kind::Parameter(parameter), part));
        }
        params
    }

    /// A declaration may name several variables; each is one.
    pub(super) fn variables(&mut self, node: Node<'_>) -> Id {
        let mut variables = Vec::new();
        let declarators: Vec<_> = node.children_by_field_name("declarator", &mut node.walk()).collect();
        for declarator in declarators {
            let modifiers = self.modifiers(node);
            let ty = node.child_by_field_name("type").map(|n| self.type_name(n));
            let init = declarator.child_by_field_name("value");
            let variable = self.variable(declarator, modifiers, ty, init);
            variables.push(variable);
        }
        match variables.as_slice() {
            [one] => *one,
            _ => self.0.add(Kind::Other(variables), node),
        }
    }

    pub(super) fn variable(
        &mut self,
        node: Node<'_>,
        modifiers: Modifiers,
        ty: Option<TypeName>,
        init: Option<Node<'_>>,
    ) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let ty = ty.filter(|t| t.name != "var");
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            mutable: !modifiers.words.iter().any(|w| w == "final"),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            ty,
            init: init.map(|n| self.expression(n)),
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        match node.kind() {
            "generic_type" => {
                let base = named(node).into_iter().next().map(|n| self.type_name(n)).unwrap_or_default();
                let args = child(node, "type_arguments").map(named).unwrap_or_default();
                TypeName { args: args.into_iter().map(|n| self.type_name(n)).collect(), ..base }
            }
            "annotated_type" => {
                named(node).into_iter().next_back().map(|n| self.type_name(n)).unwrap_or_default()
            }
            _ => bare_type(self.0.str(node).split_whitespace().collect::<String>().into(), span(node)),
        }
    }

    pub(super) fn arguments(&mut self, node: Node<'_>) -> Vec<Arg> {
        let parts = named(node);
        parts.into_iter().map(|n| Arg { name: None, value: self.expression(n), spread: false }).collect()
    }
}

/// A parameter's type; the grammar leaves that of `int... x` without its field's name.
fn type_of_parameter(node: Node<'_>) -> Option<Node<'_>> {
    let unnamed = || {
        named(node)
            .into_iter()
            .find(|n| !matches!(n.kind(), "modifiers" | "variable_declarator" | "identifier"))
    };
    node.child_by_field_name("type").or_else(unnamed)
}

fn is_name(node: Node<'_>) -> bool {
    node.kind() == "identifier"
}
