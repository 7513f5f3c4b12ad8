//! C#'s objects as they are made: constructors with initialisers, arrays, collections.

use super::CSharp;
use crate::syntax::code::{child, named, plain, span};
use crate::syntax::{Arg, Call, Entry, Id, Kind, Member, TypeName};
use tree_sitter::Node;

/// Classes that hold values by keys.
const MAPS: &[&str] = &["Dictionary", "ShellNavigationQueryParameters"];

impl CSharp<'_> {
    /// A value where its type may be said before it: `Shelf x = new(3)`.
    pub(super) fn wanted(&mut self, node: Node<'_>, ty: Option<&TypeName>) -> Id {
        match (node.kind(), ty) {
            ("implicit_object_creation_expression", Some(ty)) => self.made(node, ty.clone(), node),
            ("initializer_expression" | "collection_expression", ty) => self.list(node, ty),
            _ => self.expression(node),
        }
    }

    pub(super) fn creation(&mut self, node: Node<'_>) -> Id {
        let Some(ty) = node.child_by_field_name("type") else {
            let inside = self.items(named(node));
            return self.low.add(Kind::Other(inside), node);
        };
        let name = self.type_name(ty);
        self.made(node, name, ty)
    }

    /// An object with what its initialiser sets: entries, elements, or properties by name.
    fn made(&mut self, node: Node<'_>, ty: TypeName, at: Node<'_>) -> Id {
        let setting = child(node, "initializer_expression");
        let parts = setting.map(named).unwrap_or_default();
        if parts.first().is_some_and(|first| is_entry(*first)) {
            return self.entries(node, &parts);
        }
        let by_name = parts.iter().all(|part| part.kind() == "assignment_expression");
        if !by_name {
            let held = ty.args.first();
            let items = parts.iter().map(|n| plain(self.wanted(*n, held))).collect();
            return self.low.add(Kind::List(items), node);
        }
        if parts.is_empty() && MAPS.contains(&ty.simple()) {
            return self.low.add(Kind::Map(Vec::new()), node);
        }
        let callee = self.type_path(&ty.name, at);
        let mut args = child(node, "argument_list").map(|n| self.arguments(n)).unwrap_or_default();
        args.extend(parts.into_iter().filter_map(|part| self.set_property(part)));
        self.low.add(Kind::Call(Call { callee, types: ty.args, args, new: true, body: None }), node)
    }

    fn set_property(&mut self, part: Node<'_>) -> Option<Arg> {
        let name = part.child_by_field_name("left").map(|n| self.low.name(n))?;
        let value = part.child_by_field_name("right")?;
        Some(Arg { name: Some(name), value: self.wanted(value, None), spread: false })
    }

    /// `{ ["a"] = 1 }` and `{ { "a", 1 } }`.
    fn entries(&mut self, node: Node<'_>, parts: &[Node<'_>]) -> Id {
        let mut entries = Vec::new();
        for part in parts {
            let (key, value) = match part.kind() {
                "assignment_expression" => {
                    let left = part.child_by_field_name("left");
                    let key =
                        left.and_then(|n| child(n, "argument")).and_then(|n| named(n).into_iter().next());
                    (key, part.child_by_field_name("right"))
                }
                _ => {
                    let inside = named(*part);
                    (inside.first().copied(), inside.get(1).copied())
                }
            };
            if let (Some(key), Some(value)) = (key, value) {
                let key = Some(self.expression(key));
                let value = self.wanted(value, None);
                entries.push(Entry { key, value });
            }
        }
        self.low.add(Kind::Map(entries), node)
    }

    /// `new { A = 1, B }`: a name, or the last name of what stands there.
    pub(super) fn anonymous(&mut self, node: Node<'_>) -> Id {
        let inside = self.items(named(node));
        self.low.add(Kind::Other(inside), node)
    }

    /// An array or collection written out.
    pub(super) fn list(&mut self, node: Node<'_>, ty: Option<&TypeName>) -> Id {
        let held = ty.and_then(|ty| ty.args.first());
        let holder = child(node, "initializer_expression").unwrap_or(node);
        let mut items = Vec::new();
        for part in named(holder) {
            match part.kind() {
                "collection_element" => {
                    let inner = named(part).into_iter().next();
                    let spread = inner.is_some_and(|n| n.kind() == "spread_element");
                    let value = inner.and_then(|n| named(n).into_iter().next());
                    items.extend(value.map(|n| Arg { name: None, value: self.wanted(n, held), spread }));
                }
                "array_type" | "predefined_type" => {}
                _ => items.push(plain(self.wanted(part, held))),
            }
        }
        self.low.add(Kind::List(items), node)
    }

    /// `Outer.Inner` as a chain of names, like any other callee.
    pub(super) fn type_path(&mut self, dotted: &str, node: Node<'_>) -> Id {
        let mut parts = dotted.split('.');
        let first = parts.next().unwrap_or_default();
        let mut id = self.low.add(Kind::Name(first.into()), node);
        for part in parts {
            let member = Member { of: id, name: part.into(), name_span: span(node), safe: false };
            id = self.low.add(Kind::Member(member), node);
        }
        id
    }
}

fn is_entry(part: Node<'_>) -> bool {
    let by_index = |n: Node<'_>| n.kind() == "element_binding_expression";
    match part.kind() {
        "assignment_expression" => part.child_by_field_name("left").is_some_and(by_index),
        "initializer_expression" => named(part).len() == 2,
        _ => false,
    }
}
