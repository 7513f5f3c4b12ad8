//! Python's classes and functions.

use super::Python;
use crate::syntax::Modifier;
use crate::syntax::code::{child, named, plain, span};
use crate::syntax::{
    Annotation, Arg, Class, ClassKind, Function, Id, Kind, Parameter, SuperType, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Python<'_> {
    pub(super) fn decorated(&mut self, node: Node<'_>) -> Id {
        let decorators: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "decorator").collect();
        let mut annotations = Vec::new();
        for decorator in decorators {
            let Some(inner) = named(decorator).into_iter().next() else { continue };
            let (name, args) = match inner.kind() {
                "call" => (inner.child_by_field_name("function"), inner.child_by_field_name("arguments")),
                _ => (Some(inner), None),
            };
            let args = args.map(|n| self.arguments(n)).unwrap_or_default();
            let name = name.map(|n| self.0.str(n).rsplit('.').next().unwrap_or_default().into());
            annotations.push(Annotation { name: name.unwrap_or_default(), types: Vec::new(), args });
        }
        match node.child_by_field_name("definition") {
            Some(inner) if inner.kind() == "class_definition" => self.class(inner, annotations),
            Some(inner) => self.function(inner, annotations),
            None => self.0.nothing(node),
        }
    }

    pub(super) fn class(&mut self, node: Node<'_>, annotations: Vec<Annotation>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let bases = node.child_by_field_name("superclasses").map(named).unwrap_or_default();
        let supers = bases.into_iter().filter(|n| n.kind() != "keyword_argument");
        let supers: Vec<SuperType> =
            supers.map(|n| SuperType { ty: self.type_name(n), args: Vec::new() }).collect();
        self.open();
        let body = node.child_by_field_name("body");
        let mut members = body.map(|body| self.items(named(body))).unwrap_or_default();
        self.close();
        members.extend(body.map(|body| self.set_on_self(body, &members)).unwrap_or_default());
        let is_record = annotations.iter().any(|note| note.name.rsplit('.').next() == Some("dataclass"))
            || supers.iter().any(|base| base.ty.simple() == "NamedTuple");
        let params = if is_record { self.fields_as_params(&members) } else { Vec::new() };
        let class = Class {
            name: self.0.name(name),
            name_span: span(name),
            kind: ClassKind::Class,
            modifiers: Vec::new(),
            annotations,
            supers,
            params,
            members,
        };
        self.0.add(Kind::Class(class), node)
    }

    /// The constructor that a data class gets from its fields (docs.python.org, "dataclasses").
    fn fields_as_params(&mut self, members: &[Id]) -> Vec<Id> {
        let fields = members.iter().filter_map(|&id| {
            let field = self.0.tree.variable(id).filter(|field| field.ty.is_some())?;
            let (name, ty) = (field.name.clone(), field.ty.clone());
            let parameter =
                Parameter { name, ty, default: field.init, property: true, ..Parameter::default() };
            Some((parameter, self.0.tree.span(id)))
        });
        let fields: Vec<_> = fields.collect();
        let param = |(parameter, span)| self.0.tree.add(Kind::Parameter(parameter), span);
        fields.into_iter().map(param).collect()
    }

    /// Attributes that a class's methods set on their object are its members: each at its first
    /// setting.
    fn set_on_self(&mut self, body: Node<'_>, members: &[Id]) -> Vec<Id> {
        let mut known: Vec<SmolStr> = Vec::new();
        let mut todo = members.to_vec();
        while let Some(id) = todo.pop() {
            match self.0.tree.kind(id) {
                Kind::Variable(variable) => known.push(variable.name.clone()),
                Kind::Function(function) => known.push(function.name.clone()),
                Kind::Other(inside) => todo.extend(inside),
                _ => {}
            }
        }
        let mut found = Vec::new();
        let mut nodes = vec![body];
        let mut set: Vec<Node<'_>> = Vec::new();
        while let Some(node) = nodes.pop() {
            if node.kind() == "class_definition" {
                continue;
            }
            if node.kind() == "assignment" {
                let left = node.child_by_field_name("left").filter(|n| n.kind() == "attribute");
                set.extend(
                    left.filter(|n| {
                        n.child_by_field_name("object").is_some_and(|of| self.0.str(of) == "self")
                    }),
                );
            }
            nodes.extend(named(node).into_iter().rev());
        }
        set.sort_by_key(Node::start_byte);
        for attribute in set {
            let Some(name) = attribute.child_by_field_name("attribute") else { continue };
            let text = self.0.name(name);
            if known.contains(&text) {
                continue;
            }
            known.push(text.clone());
            let variable =
                Variable { name: text, name_span: span(name), mutable: true, ..Variable::default() };
            found.push(self.0.add(Kind::Variable(variable), name));
        }
        found
    }

    pub(super) fn function(&mut self, node: Node<'_>, annotations: Vec<Annotation>) -> Id {
        let name_node = node.child_by_field_name("name").unwrap_or(node);
        let name = self.0.name(name_node);
        self.open();
        let params = node.child_by_field_name("parameters").map(|n| self.params(n)).unwrap_or_default();
        let body = node.child_by_field_name("body").map(|n| self.block(n));
        self.close();
        let has = |word: &str| annotations.iter().any(|note| note.name == word);
        if has("property") {
            let variable = Variable {
                name,
                name_span: span(name_node),
                annotations,
                getter: body,
                ..Variable::default()
            };
            return self.0.add(Kind::Variable(variable), node);
        }
        let modifiers =
            if has("staticmethod") || has("classmethod") { vec![Modifier::Static] } else { Vec::new() };
        let function = Function {
            name: if name == "__init__" { "<init>".into() } else { name },
            name_span: span(name_node),
            modifiers,
            annotations,
            receiver: None,
            type_params: Vec::new(),
            params,
            result: node.child_by_field_name("return_type").map(|n| self.type_name(n)),
            body,
        };
        self.0.add(Kind::Function(function), node)
    }

    /// Parameters without the object itself; those behind a star are open.
    pub(super) fn params(&mut self, list: Node<'_>) -> Vec<Id> {
        let mut params = Vec::new();
        for part in named(list) {
            let name = match part.kind() {
                "identifier" => Some(part),
                "typed_parameter" => named(part).into_iter().next(),
                "default_parameter" | "typed_default_parameter" => part.child_by_field_name("name"),
                "list_splat_pattern" | "dictionary_splat_pattern" => child(part, "identifier"),
                _ => None,
            };
            let Some(name) = name else { continue };
            let text = self.0.name(name);
            if matches!(text.as_str(), "self" | "cls") && params.is_empty() {
                continue;
            }
            self.is_new(&text);
            let open = matches!(part.kind(), "list_splat_pattern" | "dictionary_splat_pattern");
            let parameter = Parameter {
                name: text,
                ty: part.child_by_field_name("type").map(|n| self.type_name(n)),
                default: part.child_by_field_name("value").map(|n| self.expression(n)),
                modifiers: if open { vec![Modifier::Vararg] } else { Vec::new() },
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), part));
        }
        params
    }

    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        let written = self.0.str(node).split_whitespace().collect::<String>();
        let (nullable, inner) = match written.strip_prefix("Optional[") {
            Some(rest) => (true, rest.trim_end_matches(']').to_owned()),
            None => (written.contains("|None"), written.replace("|None", "")),
        };
        let plain = inner.chars().all(|c| c.is_alphanumeric() || c == '_' || c == '.');
        let name = if plain { inner } else { inner.split('[').next().unwrap_or_default().to_owned() };
        TypeName { name: name.into(), nullable, span: span(node), ..TypeName::default() }
    }

    pub(super) fn arguments(&mut self, list: Node<'_>) -> Vec<Arg> {
        named(list).into_iter().filter_map(|part| self.argument(part)).collect()
    }

    pub(super) fn argument(&mut self, part: Node<'_>) -> Option<Arg> {
        match part.kind() {
            "keyword_argument" => {
                let name = part.child_by_field_name("name").map(|n| self.0.name(n));
                let value = part.child_by_field_name("value")?;
                Some(Arg { name, ..plain(self.expression(value)) })
            }
            "list_splat" | "dictionary_splat" => {
                let inner = named(part).into_iter().next()?;
                Some(Arg { spread: true, ..plain(self.expression(inner)) })
            }
            _ => Some(plain(self.expression(part))),
        }
    }
}
