//! Swift's properties: stored, computed, watched and wrapped.

use super::Swift;
use super::types::is_type;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, child, children, has, named, span};
use crate::syntax::{Id, Kind, TypeName, Variable};
use tree_sitter::Node;

/// One name of a declaration, with what is said of it.
#[derive(Default)]
struct Declared<'n> {
    pattern: Option<Node<'n>>,
    annotation: Option<Node<'n>>,
    value: Option<Node<'n>>,
    computed: Option<Node<'n>>,
    watched: Option<Node<'n>>,
}

impl Swift<'_> {
    pub(super) fn property(&mut self, node: Node<'_>) -> Id {
        let mut all: Vec<Declared<'_>> = Vec::new();
        let mut assigned = false;
        for part in children(node) {
            let last = all.last_mut();
            match (part.kind(), last) {
                ("pattern", _) => all.push(Declared { pattern: Some(part), ..Declared::default() }),
                ("type_annotation", Some(last)) => last.annotation = Some(part),
                ("computed_property", Some(last)) => last.computed = Some(part),
                ("willset_didset_block", Some(last)) => last.watched = Some(part),
                ("=", _) => assigned = true,
                (",", _) => assigned = false,
                (_, Some(last))
                    if assigned && part.is_named() && last.value.is_none() && !part.is_extra() =>
                {
                    last.value = Some(part);
                }
                _ => {}
            }
        }
        let mutable = child(node, "value_binding_pattern").is_some_and(|n| has(n, "var"));
        let mut ids: Vec<Id> = all.into_iter().map(|one| self.declared(node, one, mutable)).collect();
        match ids.len() {
            1 => ids.remove(0),
            _ => self.0.add(Kind::Other(ids), node),
        }
    }

    /// `let (title, page) = row`: each name is a part of the tuple.
    fn tuple_taken_apart(&mut self, pattern: Node<'_>, init: Option<Id>, node: Node<'_>) -> Id {
        let held = self.0.held(pattern);
        let mut inside = vec![self.0.holding(&held, init, None, pattern)];
        let parts = named(pattern).into_iter().filter(|n| n.kind() == "pattern");
        for (place, part) in parts.enumerate() {
            match named(part).as_slice() {
                [name] if name.kind() == "simple_identifier" => {
                    inside.push(self.0.part(&held, place, *name, None));
                }
                _ => inside.push(self.pattern(part, true)),
            }
        }
        self.0.add(Kind::Other(inside), node)
    }

    fn declared(&mut self, node: Node<'_>, one: Declared<'_>, mutable: bool) -> Id {
        let Modifiers { words, annotations } = self.modifiers(node);
        let Some(pattern) = one.pattern else { return self.0.nothing(node) };
        let init = one.value.map(|n| self.expression(n));
        let simple = named(pattern).into_iter().find(|n| n.kind() == "simple_identifier");
        let Some(name) = simple.filter(|_| !has(pattern, "(")) else {
            return self.tuple_taken_apart(pattern, init, node);
        };
        let said = one.annotation.and_then(|n| self.annotated(n));
        let from_environment =
            annotations.iter().find(|a| a.name == "Environment").and_then(|a| a.args.first());
        let object = from_environment.and_then(|arg| match self.0.tree.kind(arg.value) {
            Kind::ClassOf(ty) => Some(ty.clone()),
            _ => None,
        });
        let (getter, setter) = one.computed.map(|n| self.accessors(n)).unwrap_or_default();
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            modifiers: Modifier::among(words),
            annotations,
            ty: said.or(object),
            init,
            getter,
            setter: setter.or_else(|| one.watched.map(|n| self.inside(n))),
            mutable,
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// A computed property's body, or its getter and setter.
    fn accessors(&mut self, node: Node<'_>) -> (Option<Id>, Option<Id>) {
        let getter = child(node, "computed_getter");
        if getter.is_none() {
            return (Some(self.body(node)), None);
        }
        let setter = child(node, "computed_setter");
        (getter.map(|n| self.body(n)), setter.map(|n| self.body(n)))
    }

    /// What a protocol asks for.
    pub(super) fn required_property(&mut self, node: Node<'_>) -> Id {
        let pattern = child(node, "pattern").unwrap_or(node);
        let Some(name) = child(pattern, "simple_identifier") else { return self.0.nothing(node) };
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            ty: child(node, "type_annotation").and_then(|n| self.annotated(n)),
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }

    /// `typealias Shelf = Rack`: another name for a class.
    pub(super) fn alias(&mut self, node: Node<'_>) -> Id {
        let ty = named(node).into_iter().rfind(|n| is_type(*n)).map(|n| self.type_name(n));
        let name = node.child_by_field_name("name");
        let variable = Variable {
            name: name.map(|n| self.0.name(n)).unwrap_or_default(),
            name_span: name.map_or(span(node), span),
            modifiers: vec![Modifier::TypeAlias],
            ty: Some(ty.unwrap_or_else(TypeName::default)),
            ..Variable::default()
        };
        self.0.add(Kind::Variable(variable), node)
    }
}
