//! Kotlin's declarations.

use super::Kotlin;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, bare_type, child, children, has, named, span};
use crate::syntax::{
    Annotation, Arg, Class, ClassKind, Function, Id, Kind, Parameter, SuperType, TypeName, Variable,
};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Kotlin<'_> {
    pub(super) fn modifiers(&mut self, node: Node<'_>) -> Modifiers {
        let mut found = Modifiers::default();
        for group in
            named(node).into_iter().filter(|n| matches!(n.kind(), "modifiers" | "parameter_modifiers"))
        {
            for word in named(group) {
                if word.kind() == "annotation" {
                    let annotation = self.annotation(word);
                    found.annotations.push(annotation);
                } else {
                    found.words.push(self.0.str(word).into());
                }
            }
        }
        found
    }

    pub(super) fn annotation(&mut self, node: Node<'_>) -> Annotation {
        let inner = child(node, "constructor_invocation").unwrap_or(node);
        let name = child(inner, "user_type").map(|n| self.type_name(n).name).unwrap_or_default();
        let args = child(inner, "value_arguments").map(|n| self.arguments(n)).unwrap_or_default();
        Annotation { name, args, types: Vec::new() }
    }

    pub(super) fn empty_class(&self, name: Node<'_>, keyword: &str) -> Class {
        let kind = match keyword {
            "interface" => ClassKind::Interface,
            "object" => ClassKind::Object,
            _ => ClassKind::Class,
        };
        Class {
            name: self.0.name(name),
            name_span: span(name),
            kind,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers: Vec::new(),
            params: Vec::new(),
            members: Vec::new(),
        }
    }

    pub(super) fn class(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name");
        let keyword = ["interface", "object"].into_iter().find(|k| has(node, k)).unwrap_or("class");
        let mut class = self.empty_class(name.unwrap_or(node), keyword);
        let modifiers = self.modifiers(node);
        class.modifiers = Modifier::among(modifiers.words);
        class.annotations = modifiers.annotations;
        if node.kind() == "companion_object" {
            class.kind = ClassKind::Companion;
            class.name = name.map_or_else(|| "Companion".into(), |n| self.0.name(n));
        } else if class.is(Modifier::Enum) {
            class.kind = ClassKind::Enum;
        }
        for part in named(node) {
            match part.kind() {
                "primary_constructor" => class.params = self.class_params(part),
                "delegation_specifiers" => class.supers = self.supers(part),
                "class_body" | "enum_class_body" => class.members = self.members(part),
                _ => {}
            }
        }
        self.0.add(Kind::Class(class), node)
    }

    pub(super) fn members(&mut self, body: Node<'_>) -> Vec<Id> {
        let nodes = named(body);
        nodes
            .into_iter()
            .map(|n| if n.kind() == "enum_entry" { self.entry(n) } else { self.item(n) })
            .collect()
    }

    fn entry(&mut self, node: Node<'_>) -> Id {
        let name = child(node, "identifier").unwrap_or(node);
        let mut class = self.empty_class(name, "class");
        class.kind = ClassKind::Entry;
        let args = child(node, "value_arguments").map(|n| self.arguments(n)).unwrap_or_default();
        class.supers = vec![SuperType { ty: bare_type(SmolStr::default(), span(node)), args }];
        class.members = child(node, "class_body").map(|n| self.members(n)).unwrap_or_default();
        self.0.add(Kind::Class(class), node)
    }

    pub(super) fn class_params(&mut self, node: Node<'_>) -> Vec<Id> {
        let Some(list) = child(node, "class_parameters") else { return Vec::new() };
        let params = named(list).into_iter().filter(|n| n.kind() == "class_parameter").collect::<Vec<_>>();
        params.into_iter().map(|param| self.class_param(param)).collect()
    }

    fn class_param(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node).words;
        let parts: Vec<_> = named(node).into_iter().filter(|n| n.kind() != "modifiers").collect();
        let default = after_token(node, "=").map(|n| self.expression(n));
        let parameter = Parameter {
            label: None,
            name: parts.first().map(|n| self.0.name(*n)).unwrap_or_default(),
            ty: parts.get(1).filter(|n| is_type(**n)).map(|n| self.type_name(*n)),
            default,
            property: has(node, "val") || has(node, "var"),
            modifiers: Modifier::among(modifiers),
            annotations: Vec::new(),
        };
        self.0.add(Kind::Parameter(parameter), node)
    }

    pub(super) fn supers(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let specifiers: Vec<_> =
            named(node).into_iter().filter_map(|n| named(n).into_iter().next_back()).collect();
        specifiers
            .into_iter()
            .filter_map(|part| match part.kind() {
                "constructor_invocation" => Some(SuperType {
                    ty: self.type_name(child(part, "user_type")?),
                    args: child(part, "value_arguments").map(|n| self.arguments(n)).unwrap_or_default(),
                }),
                "explicit_delegation" => {
                    let ty = named(part).into_iter().find(|n| is_type(*n))?;
                    Some(SuperType { ty: self.type_name(ty), args: Vec::new() })
                }
                _ => Some(SuperType { ty: self.type_name(part), args: Vec::new() }),
            })
            .collect()
    }

    pub(super) fn function(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let constructor = node.kind() == "secondary_constructor";
        let name = node.child_by_field_name("name");
        let params = child(node, "function_value_parameters").map(|n| self.params(n)).unwrap_or_default();
        let body = child(node, "function_body").map(|n| self.inside(n));
        let body = body.or_else(|| child(node, "block").map(|n| self.expression(n)));
        // What one constructor hands to another is part of what it does.
        let body = body.or_else(|| child(node, "constructor_delegation_call").map(|n| self.expression(n)));
        let function = Function {
            name: if constructor {
                "<init>".into()
            } else {
                name.map(|n| self.0.name(n)).unwrap_or_default()
            },
            name_span: name.map_or(span(node), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: before_token(node, ".").filter(|n| is_type(*n)).map(|n| self.type_name(n)),
            type_params: self.0.type_params(node),
            params,
            result: after_token(node, ":").filter(|n| is_type(*n)).map(|n| self.type_name(n)),
            body,
        };
        self.0.add(Kind::Function(function), node)
    }

    /// Parameters; a default stands behind its parameter, not in it.
    pub(super) fn params(&mut self, list: Node<'_>) -> Vec<Id> {
        let parts = children(list);
        let mut params = Vec::new();
        for (i, part) in parts.iter().enumerate().filter(|(_, n)| n.kind() == "parameter") {
            let followed = parts.get(i + 1).is_some_and(|n| n.kind() == "=");
            let default = parts.get(i + 2).filter(|_| followed).map(|n| self.expression(*n));
            let modifiers = parts[..i].last().filter(|n| n.kind() == "parameter_modifiers");
            let modifiers = modifiers.map(|n| vec![SmolStr::from(self.0.str(*n))]).unwrap_or_default();
            let inner = named(*part);
            let parameter = Parameter {
                name: inner.first().map(|n| self.0.name(*n)).unwrap_or_default(),
                ty: inner.get(1).map(|n| self.type_name(*n)),
                default,
                modifiers: Modifier::among(modifiers),
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), *part));
        }
        params
    }

    pub(super) fn property(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let init = after_token(node, "=").map(|n| self.expression(n));
        if let Some(many) = child(node, "multi_variable_declaration") {
            return self.destructured(many, init);
        }
        let declared = child(node, "variable_declaration");
        let name = declared.and_then(|n| child(n, "identifier"));
        let variable = Variable {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(span(node), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: before_token(node, ".").filter(|n| is_type(*n)).map(|n| self.type_name(n)),
            ty: declared.and_then(|n| named(n).into_iter().find(|n| is_type(*n))).map(|n| self.type_name(n)),
            init,
            delegate: child(node, "property_delegate").map(|n| self.inside(n)),
            getter: child(node, "getter").and_then(|n| child(n, "function_body")).map(|n| self.inside(n)),
            setter: child(node, "setter").and_then(|n| child(n, "function_body")).map(|n| self.inside(n)),
            mutable: has(node, "var"),
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// `val (a, b) = pair`: each name is what stands at its place.
    fn destructured(&mut self, many: Node<'_>, init: Option<Id>) -> Id {
        let held = self.0.held(many);
        let mut inside = vec![self.0.holding(&held, init, None, many)];
        inside.extend(self.parts(&held, many));
        self.0.add(Kind::Other(inside), many)
    }

    /// The names that something is taken apart to.
    pub(super) fn parts(&mut self, held: &SmolStr, many: Node<'_>) -> Vec<Id> {
        let mut found = Vec::new();
        for (place, part) in named(many).into_iter().enumerate() {
            let ty = named(part).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n));
            let name = child(part, "identifier").unwrap_or(part);
            found.push(self.0.part(held, place, name, ty));
        }
        found
    }

    /// A variable that gets its value from elsewhere: a subject.
    pub(super) fn declared(&mut self, node: Node<'_>) -> Id {
        self.taking(node, None)
    }

    fn taking(&mut self, node: Node<'_>, each: Option<Id>) -> Id {
        let name = child(node, "identifier").unwrap_or(node);
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            ty: named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n)),
            each,
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// `for (x in xs)`: the variable stands around the body.
    pub(super) fn for_loop(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let Some(at) = parts.iter().position(|n| n.kind().ends_with("variable_declaration")) else {
            let inside = self.items(parts);
            return self.0.add(Kind::Other(inside), node);
        };
        let over = parts.get(at + 1).map(|n| self.expression(*n));
        let mut inside = Vec::new();
        if parts[at].kind() == "variable_declaration" {
            inside.push(self.taking(parts[at], over));
        } else {
            let held = self.0.held(parts[at]);
            inside.push(self.0.holding(&held, None, over, parts[at]));
            inside.extend(self.parts(&held, parts[at]));
        }
        inside.extend(self.items(parts.into_iter().skip(at + 2).collect()));
        self.0.add(Kind::Other(inside), node)
    }

    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        match node.kind() {
            "user_type" => {
                let parts: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "identifier").collect();
                let name = parts.iter().map(|n| self.0.name(*n).to_string()).collect::<Vec<_>>().join(".");
                let args = child(node, "type_arguments").map(|n| self.type_args(n)).unwrap_or_default();
                TypeName { name: name.into(), args, nullable: false, span: span(node), described: None }
            }
            "nullable_type" => {
                let inner = named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n));
                TypeName { nullable: true, ..inner.unwrap_or_default() }
            }
            "parenthesized_type" | "non_nullable_type" | "type_projection" => {
                named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n)).unwrap_or_default()
            }
            "identifier" => bare_type(self.0.name(node), span(node)),
            _ => bare_type(SmolStr::default(), span(node)),
        }
    }

    pub(super) fn type_args(&self, node: Node<'_>) -> Vec<TypeName> {
        named(node).into_iter().map(|n| self.type_name(n)).collect()
    }

    pub(super) fn arguments(&mut self, node: Node<'_>) -> Vec<Arg> {
        let args: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "value_argument").collect();
        args.into_iter().filter_map(|arg| self.argument(arg)).collect()
    }

    fn argument(&mut self, node: Node<'_>) -> Option<Arg> {
        let parts = named(node);
        let value = *parts.last()?;
        let name = parts.first().filter(|_| has(node, "=") && parts.len() > 1).map(|n| self.0.name(*n));
        if value.kind() == "spread_expression" {
            let inner = named(value).into_iter().next()?;
            return Some(Arg { name, value: self.expression(inner), spread: true });
        }
        Some(Arg { name, value: self.expression(value), spread: has(node, "*") })
    }
}

pub(super) fn is_type(node: Node<'_>) -> bool {
    matches!(
        node.kind(),
        "user_type"
            | "nullable_type"
            | "function_type"
            | "parenthesized_type"
            | "non_nullable_type"
            | "type_projection"
    )
}

/// The named node right after a token.
pub(super) fn after_token<'n>(node: Node<'n>, token: &str) -> Option<Node<'n>> {
    let parts = children(node);
    let at = parts.iter().position(|n| n.kind() == token)?;
    parts[at + 1..].iter().find(|n| n.is_named() && !n.is_extra()).copied()
}

/// The named node right before a token.
fn before_token<'n>(node: Node<'n>, token: &str) -> Option<Node<'n>> {
    let parts = children(node);
    let at = parts.iter().position(|n| n.kind() == token)?;
    parts[..at].last().copied()
}
