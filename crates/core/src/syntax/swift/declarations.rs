//! Swift's types and functions.

use super::Swift;
use super::types::is_type;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, child, children, has, named, plain, span};
use crate::syntax::{Annotation, Arg, Class, ClassKind, Function, Id, Kind, Parameter, SuperType, TypeName};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Swift<'_> {
    pub(super) fn modifiers(&mut self, node: Node<'_>) -> Modifiers {
        let mut found = Modifiers::default();
        for word in named(node).into_iter().filter(|n| n.kind() == "modifiers").flat_map(named) {
            if word.kind() == "attribute" {
                let annotation = self.attribute(word);
                found.annotations.push(annotation);
            } else {
                found.words.push(self.0.str(word).into());
            }
        }
        // A type's own member, in the other spelling.
        if node.kind() != "class_declaration" && has(node, "class")
            || found.words.iter().any(|w| w == "class")
        {
            found.words.push("static".into());
        }
        found
    }

    fn attribute(&mut self, node: Node<'_>) -> Annotation {
        let ty = child(node, "user_type").map(|n| self.type_name(n)).unwrap_or_default();
        let values = named(node).into_iter().filter(|n| !is_type(*n)).collect::<Vec<_>>();
        let args = values.into_iter().map(|n| plain(self.expression(n))).collect();
        Annotation { name: ty.name, types: ty.args, args }
    }

    pub(super) fn class(&mut self, node: Node<'_>) -> Id {
        let name = node.child_by_field_name("name");
        let keyword =
            node.child_by_field_name("declaration_kind").map(|n| self.0.name(n)).unwrap_or_default();
        let modifiers = self.modifiers(node);
        let named_type = name.map(|n| self.type_name(n)).unwrap_or_default();
        let supers = self.supers(node);
        let mut class = Class {
            name: named_type.name.clone(),
            name_span: name.map_or(span(node), span),
            kind: match keyword.as_str() {
                "protocol" => ClassKind::Interface,
                "enum" => ClassKind::Enum,
                "extension" => ClassKind::Extension,
                _ => ClassKind::Class,
            },
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            supers,
            params: Vec::new(),
            members: Vec::new(),
        };
        class.modifiers.extend(Modifier::of(&keyword));
        // Nothing in a preview is of the app.
        let preview = class.supers.iter().any(|base| base.ty.name == "PreviewProvider");
        if let Some(body) = node.child_by_field_name("body").filter(|_| !preview) {
            class.members = self.members(body);
        }
        if class.kind == ClassKind::Extension {
            let receiver = TypeName { span: class.name_span, ..named_type };
            class.members.iter().for_each(|&member| self.0.tree.extend_type(member, &receiver));
        }
        self.0.add(Kind::Class(class), node)
    }

    fn supers(&mut self, node: Node<'_>) -> Vec<SuperType> {
        let bases = named(node).into_iter().filter(|n| n.kind() == "inheritance_specifier");
        let types = bases.filter_map(|n| named(n).into_iter().find(|n| is_type(*n)));
        types.map(|n| SuperType { ty: self.type_name(n), args: Vec::new() }).collect()
    }

    fn members(&mut self, body: Node<'_>) -> Vec<Id> {
        let mut members = Vec::new();
        for node in named(body).into_iter().filter(|n| n.kind() != "directive") {
            match node.kind() {
                "enum_entry" => members.extend(self.entries(node)),
                _ => members.push(self.item(node)),
            }
        }
        members
    }

    /// `case shelf(Int), item(id: Int)`: an entry each, with what it carries as parameters.
    fn entries(&mut self, node: Node<'_>) -> Vec<Id> {
        let mut entries: Vec<(Node<'_>, Option<Node<'_>>, Option<Node<'_>>)> = Vec::new();
        let mut raw = false;
        for part in children(node) {
            match part.kind() {
                "simple_identifier" if !raw => entries.push((part, None, None)),
                "enum_type_parameters" => {
                    if let Some(last) = entries.last_mut() {
                        last.1 = Some(part);
                    }
                }
                "=" => raw = true,
                "," => raw = false,
                _ if raw && part.is_named() => {
                    if let Some(last) = entries.last_mut() {
                        last.2 = Some(part);
                    }
                }
                _ => {}
            }
        }
        entries.into_iter().map(|(name, carries, raw)| self.entry(name, carries, raw)).collect()
    }

    fn entry(&mut self, name: Node<'_>, carries: Option<Node<'_>>, raw: Option<Node<'_>>) -> Id {
        let params = carries.map(|n| self.carried(n)).unwrap_or_default();
        let args: Vec<Arg> = raw.map(|n| plain(self.expression(n))).into_iter().collect();
        let supers = match args.is_empty() {
            true => Vec::new(),
            false => vec![SuperType { ty: TypeName { span: span(name), ..TypeName::default() }, args }],
        };
        let class = Class {
            name: self.0.name(name),
            name_span: span(name),
            kind: ClassKind::Entry,
            modifiers: Vec::new(),
            annotations: Vec::new(),
            supers,
            params,
            members: Vec::new(),
        };
        let whole = crate::model::Span { end: carries.map_or(span(name), span).end, ..span(name) };
        self.0.tree.add(Kind::Class(class), whole)
    }

    /// What a case carries; a value without a label has no name.
    fn carried(&mut self, list: Node<'_>) -> Vec<Id> {
        let mut params = Vec::new();
        for group in self.groups(children(list)) {
            let name =
                group.iter().find(|n| n.kind() == "simple_identifier" || n.kind() == "wildcard_pattern");
            let Some(ty) = group.iter().find(|n| is_type(**n)).copied() else { continue };
            let equals = group.iter().position(|n| n.kind() == "=");
            let default = equals.and_then(|at| group.get(at + 1)).map(|n| self.expression(*n));
            let parameter = Parameter {
                name: name.map(|n| self.0.name(*n)).filter(|n| n != "_").unwrap_or_default(),
                ty: Some(self.type_name(ty)),
                default,
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), ty));
        }
        params
    }

    /// Nodes between the commas of a list, its brackets left out.
    pub(super) fn groups<'n>(&self, nodes: Vec<Node<'n>>) -> Vec<Vec<Node<'n>>> {
        let inner = nodes.into_iter().filter(|n| !matches!(n.kind(), "(" | ")"));
        let mut groups = vec![Vec::new()];
        for node in inner {
            match node.kind() {
                "," => groups.push(Vec::new()),
                _ => groups.last_mut().into_iter().for_each(|group| group.push(node)),
            }
        }
        groups
    }

    pub(super) fn function(&mut self, node: Node<'_>) -> Id {
        let modifiers = self.modifiers(node);
        let is_init = node.kind() == "init_declaration";
        let name = node.child_by_field_name("name");
        let params = self.params(node);
        let arrow = children(node).iter().position(|n| n.kind() == "->");
        let result = arrow.and_then(|at| children(node)[at..].iter().find(|n| is_type(**n)).copied());
        let result = result.map(|n| self.type_name(n));
        let body = node.child_by_field_name("body").map(|n| self.body(n));
        let function = Function {
            name: match is_init {
                true => "<init>".into(),
                false => name.map(|n| self.0.name(n)).unwrap_or_default(),
            },
            name_span: name.map_or(span(node), span),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: None,
            type_params: self.0.type_params(node),
            params,
            result,
            body,
        };
        self.0.add(Kind::Function(function), node)
    }

    /// Parameters; a default stands behind its parameter, not in it.
    fn params(&mut self, node: Node<'_>) -> Vec<Id> {
        let parts = children(node);
        let mut params = Vec::new();
        for (i, part) in parts.iter().enumerate().filter(|(_, n)| n.kind() == "parameter") {
            let followed = parts.get(i + 1).is_some_and(|n| n.kind() == "=");
            let default = parts.get(i + 2).filter(|_| followed).map(|n| self.expression(*n));
            let names: Vec<SmolStr> = named(*part)
                .into_iter()
                .filter(|n| matches!(n.kind(), "simple_identifier" | "wildcard_pattern"))
                .map(|n| self.0.name(n))
                .collect();
            let mut modifiers: Vec<SmolStr> = Vec::new();
            if has(*part, "...") || parts.get(i + 1).is_some_and(|n| n.kind() == "...") {
                modifiers.push("vararg".into());
            }
            let (label, name) = match names.as_slice() {
                [label, name] => (Some(label), name.clone()),
                [one] => (None, one.clone()),
                _ => (None, SmolStr::default()),
            };
            let parameter = Parameter {
                label: label.or((name == "_").then_some(&name)).map(|label| match label.as_str() {
                    "_" => SmolStr::default(),
                    _ => label.clone(),
                }),
                name,
                ty: named(*part).into_iter().rfind(|n| is_type(*n)).map(|n| self.type_name(n)),
                default,
                modifiers: Modifier::among(modifiers),
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), *part));
        }
        params
    }
}
