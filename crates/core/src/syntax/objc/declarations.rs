//! Objective-C's declarations.

use super::ObjC;
use super::selectors::cut;
use crate::syntax::Modifier;
use crate::syntax::code::{bare_type, child, children, named, span};
use crate::syntax::{Class, ClassKind, Function, Id, Kind, Parameter, SuperType, TypeName, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl ObjC<'_> {
    /// An interface that names what it derives from is the class; any other part of it adds to it.
    pub(super) fn class(&mut self, node: Node<'_>) -> Id {
        let name = child(node, "identifier").unwrap_or(node);
        let superclass = node.child_by_field_name("superclass");
        let members = named(node).into_iter().flat_map(|part| match part.kind() {
            "implementation_definition" => named(part),
            "property_declaration" | "method_declaration" => vec![part],
            _ => Vec::new(),
        });
        // What an interface only announces is defined elsewhere.
        let members: Vec<Node<'_>> = members.filter(|part| part.kind() != "method_declaration").collect();
        let supers =
            superclass.map(|n| SuperType { ty: bare_type(self.0.name(n), span(n)), args: Vec::new() });
        let class = Class {
            name: self.0.name(name),
            name_span: span(name),
            kind: if supers.is_some() { ClassKind::Class } else { ClassKind::Extension },
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: supers.into_iter().collect(),
            params: Vec::new(),
            members: self.items(members),
        };
        self.0.add(Kind::Class(class), node)
    }

    /// `- (void)openTool:(Tool *)tool animated:(BOOL)animated { … }`.
    pub(super) fn method(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let words: Vec<Node<'_>> = parts.iter().copied().filter(|n| n.kind() == "identifier").collect();
        let first = words.first().map(|n| self.0.name(*n)).unwrap_or_default();
        let (name, label) = cut(&first);
        let mut params = Vec::new();
        let given = parts.iter().filter(|n| n.kind() == "method_parameter");
        for (i, parameter) in given.enumerate() {
            let label = match i {
                0 => Some(label.unwrap_or_default().into()),
                _ => words.get(i).map(|n| self.0.name(*n)),
            };
            params.push(self.parameter(*parameter, label));
        }
        let is_init = first.starts_with("init");
        let on_class = children(node).first().is_some_and(|n| self.0.str(*n).starts_with('+'));
        let function = Function {
            name: if is_init { "<init>".into() } else { name.into() },
            name_span: words.first().map_or(span(node), |n| span(*n)),
            modifiers: if on_class { vec![Modifier::Static] } else { Vec::new() },
            annotations: Vec::new(),
            receiver: None,
            type_params: Vec::new(),
            params,
            result: child(node, "method_type").and_then(|n| self.type_in(n)),
            body: child(node, "compound_statement").map(|n| self.item(n)),
        };
        self.0.add(Kind::Function(function), node)
    }

    fn parameter(&mut self, node: Node<'_>, label: Option<SmolStr>) -> Id {
        let name = named(node).into_iter().rfind(|n| n.kind() == "identifier");
        let parameter = Parameter {
            label,
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            ty: child(node, "method_type").and_then(|n| self.type_in(n)),
            ..Parameter::default()
        };
        self.0.add(Kind::Parameter(parameter), node)
    }

    /// `@property (nonatomic, copy) NSString *toolId;`
    pub(super) fn property(&mut self, node: Node<'_>) -> Id {
        let Some(inside) = child(node, "struct_declaration") else { return self.0.nothing(node) };
        let name = innermost(inside);
        let variable = Variable {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(span(node), span),
            ty: self.type_in(inside),
            mutable: true,
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// `ToolViewController *next = …;`
    pub(super) fn variable(&mut self, node: Node<'_>) -> Id {
        let declarator = node.child_by_field_name("declarator");
        let name = declarator.and_then(innermost);
        let value = declarator.and_then(|n| n.child_by_field_name("value"));
        let constant = children(node).iter().any(|n| self.0.str(*n) == "static");
        let variable = Variable {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(span(node), span),
            ty: self.type_in(node),
            init: value.map(|n| self.expression(n)),
            mutable: !constant,
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// The type that a declaration names.
    fn type_in(&self, node: Node<'_>) -> Option<TypeName> {
        let mut todo = vec![node];
        while let Some(at) = todo.pop() {
            if at.kind() == "type_identifier" {
                let name = match self.0.name(at).as_str() {
                    "NSString" => SmolStr::from("String"),
                    "instancetype" | "id" => return None,
                    other => other.into(),
                };
                return Some(bare_type(name, span(at)));
            }
            todo.extend(named(at).into_iter().filter(|n| n.kind() != "init_declarator").rev());
        }
        None
    }
}

/// The name inside of pointers and first values.
fn innermost(node: Node<'_>) -> Option<Node<'_>> {
    let mut at = node;
    loop {
        if at.kind() == "identifier" {
            return Some(at);
        }
        let inner = at.child_by_field_name("declarator").or_else(|| {
            named(at).into_iter().find(|n| n.kind().ends_with("declarator") || n.kind() == "identifier")
        });
        at = inner?;
    }
}
