//! Types: their names, and the objects that they describe.

use super::Script;
use crate::syntax::Modifier;
use crate::syntax::code::{bare_type, child, children, has, named, span};
use crate::syntax::{Class, ClassKind, Id, Kind, SuperType, TypeName, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Script<'_> {
    /// A type by its name and arguments. An object that is written out has no name; a union of one type
    /// with nothing is that type, nullable.
    pub(super) fn type_name(&mut self, node: Node<'_>) -> TypeName {
        match node.kind() {
            "type_annotation" | "parenthesized_type" | "readonly_type" => {
                match named(node).into_iter().next() {
                    Some(inner) => self.type_name(inner),
                    None => bare_type(SmolStr::default(), span(node)),
                }
            }
            "generic_type" => {
                let name = node.child_by_field_name("name").map(|n| self.written(n)).unwrap_or_default();
                let args = node.child_by_field_name("type_arguments").map(|n| self.type_args(n));
                TypeName { args: args.unwrap_or_default(), ..bare_type(name, span(node)) }
            }
            "union_type" => {
                let mut parts = Vec::new();
                union(node, &mut parts);
                let nothing = |n: &Node<'_>| matches!(self.0.str(*n), "undefined" | "null");
                let nullable = parts.iter().any(nothing);
                let rest: Vec<_> = parts.into_iter().filter(|n| !nothing(n)).collect();
                match rest.as_slice() {
                    [one] => TypeName { nullable, ..self.type_name(*one) },
                    _ => TypeName { nullable, ..bare_type(self.written(node), span(node)) },
                }
            }
            "object_type" | "intersection_type" => {
                let mut class = self.described(SmolStr::default(), span(node));
                self.describe(node, &mut class);
                let described = Some(self.0.add(Kind::Class(class), node));
                TypeName { described, ..bare_type(SmolStr::default(), span(node)) }
            }
            "function_type" => bare_type(SmolStr::default(), span(node)),
            _ => bare_type(self.written(node), span(node)),
        }
    }

    pub(super) fn type_args(&mut self, node: Node<'_>) -> Vec<TypeName> {
        named(node).into_iter().map(|n| self.type_name(n)).collect()
    }

    fn written(&self, node: Node<'_>) -> SmolStr {
        self.0.str(node).split_whitespace().collect::<Vec<_>>().join(" ").into()
    }

    /// `type Params = { … }`, `type Props = A & B<C>`: an interface of that name.
    pub(super) fn alias(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let mut class = self.described(self.0.name(name), span(name));
        if let Some(value) = node.child_by_field_name("value") {
            self.describe(value, &mut class);
        }
        self.0.add(Kind::Class(class), node)
    }

    pub(super) fn interface(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let mut class = self.described(self.0.name(name), span(name));
        for base in child(node, "extends_type_clause").map(named).unwrap_or_default() {
            class.supers.push(SuperType { ty: self.type_name(base), args: Vec::new() });
        }
        if let Some(body) = node.child_by_field_name("body") {
            self.describe(body, &mut class);
        }
        self.0.add(Kind::Class(class), node)
    }

    fn described(&self, name: SmolStr, name_span: crate::model::Span) -> Class {
        Class {
            name,
            name_span,
            kind: ClassKind::Interface,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: Vec::new(),
            params: Vec::new(),
            members: Vec::new(),
        }
    }

    /// What a type says of an object: its properties, and the types that it is put together from.
    fn describe(&mut self, node: Node<'_>, class: &mut Class) {
        match node.kind() {
            "object_type" | "interface_body" => {
                for part in named(node).into_iter().filter(|n| n.kind() == "property_signature") {
                    let property = self.property_signature(part);
                    class.members.push(property);
                }
            }
            "intersection_type" => {
                for part in named(node) {
                    self.describe(part, class);
                }
            }
            "union_type" => {
                let mut parts = Vec::new();
                union(node, &mut parts);
                // `{ … } | undefined` describes the object.
                let rest: Vec<_> =
                    parts.into_iter().filter(|n| !matches!(self.0.str(*n), "undefined" | "null")).collect();
                if let [one] = rest.as_slice() {
                    self.describe(*one, class);
                }
            }
            "parenthesized_type" | "readonly_type" => {
                named(node).into_iter().for_each(|inner| self.describe(inner, class));
            }
            _ => {
                let ty = self.type_name(node);
                if !ty.name.is_empty() {
                    class.supers.push(SuperType { ty, args: Vec::new() });
                }
            }
        }
    }

    /// `name?: type`; an object that is written out is a description of its own.
    fn property_signature(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let annotation = node.child_by_field_name("type");
        let ty = annotation.map(|n| self.type_name(n));
        let init = ty.as_ref().and_then(|ty| ty.described);
        let optional = has(node, "?");
        let computed = (name.kind() == "computed_property_name").then(|| self.key(name));
        let variable = Variable {
            name: self.0.str(name).trim_matches(['\'', '"']).into(),
            name_span: span(name),
            modifiers: if optional { vec![Modifier::Optional] } else { Vec::new() },
            key: computed,
            ty,
            init,
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }
}

/// The members of a union, flat.
fn union<'n>(node: Node<'n>, parts: &mut Vec<Node<'n>>) {
    for part in children(node).into_iter().filter(Node::is_named) {
        if part.kind() == "union_type" { union(part, parts) } else { parts.push(part) }
    }
}
