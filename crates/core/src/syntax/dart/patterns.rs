//! Dart's patterns: what they test, and what they declare.

use super::Dart;
use crate::syntax::code::{child, has, named, span};
use crate::syntax::{Id, Kind, Member, Variable};
use tree_sitter::Node;

impl Dart<'_> {
    /// A pattern as the expressions it compares with and the variables it declares.
    pub(super) fn pattern(&mut self, node: Node<'_>) -> Vec<Id> {
        match node.kind() {
            "constant_pattern" => vec![self.constant(node)],
            "variable_pattern" => vec![self.bound(node, None)],
            "object_pattern" => {
                let ty = self.type_name(node);
                let mut inside = vec![self.lower.tree.add(Kind::ClassOf(ty.clone()), ty.span)];
                for part in named(node) {
                    if !matches!(part.kind(), "type_identifier" | "type_arguments" | "label") {
                        inside.extend(self.pattern(part));
                    }
                }
                vec![self.lower.add(Kind::Other(inside), node)]
            }
            "cast_pattern"
            | "null_check_pattern"
            | "null_assert_pattern"
            | "list_pattern"
            | "map_pattern"
            | "record_pattern"
            | "rest_pattern" => {
                let mut inside = Vec::new();
                for part in named(node).into_iter().filter(|n| !matches!(n.kind(), "label" | "type")) {
                    inside.extend(self.pattern(part));
                }
                vec![self.lower.add(Kind::Other(inside), node)]
            }
            _ => vec![self.expression(node)],
        }
    }

    /// A constant to compare with: a literal, a name, `Names.shelf`.
    fn constant(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let Some(first) = parts.first() else { return self.expression_of_words(node) };
        if first.kind() == "qualified_name" {
            return self.qualified(*first);
        }
        let mut id = self.expression(*first);
        for part in &parts[1..] {
            if part.kind() == "identifier" {
                let name = self.lower.name(*part);
                let member = Member { of: id, name, name_span: span(*part), safe: false };
                id = self.lower.add(Kind::Member(member), node);
            }
        }
        id
    }

    fn expression_of_words(&mut self, node: Node<'_>) -> Id {
        match node.child(0).map(|n| n.kind()) {
            Some("true") => self.lower.add(Kind::Bool(true), node),
            Some("false") => self.lower.add(Kind::Bool(false), node),
            _ => self.lower.add(Kind::Null, node),
        }
    }

    /// `nav.Names.shelf`.
    pub(super) fn qualified(&mut self, node: Node<'_>) -> Id {
        let mut parts = named(node).into_iter();
        let Some(first) = parts.next() else { return self.lower.nothing(node) };
        let mut id = self.expression(first);
        for part in parts {
            let member = Member { of: id, name: self.lower.name(part), name_span: span(part), safe: false };
            id = self.lower.add(Kind::Member(member), node);
        }
        id
    }

    /// A variable that a pattern declares, with where it takes its value from.
    fn bound(&mut self, node: Node<'_>, init: Option<Id>) -> Id {
        let name = node.child_by_field_name("name").unwrap_or(node);
        let ty = child(node, "type").map(|n| self.type_name(n));
        let variable =
            Variable { name: self.lower.name(name), name_span: span(name), ty, init, ..Variable::default() };
        self.lower.add(Kind::Variable(variable), node)
    }

    /// `final GoRouterState(:extra) = state`: each variable is a member of what is taken apart. Where a
    /// list or record is, they are only known by name.
    pub(super) fn destructured(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(pattern), Some(value)) = (parts.first(), parts.last()) else { return self.other(node) };
        let mut inside = vec![self.expression(*value)];
        if matches!(pattern.kind(), "object_pattern") {
            self.fields(*pattern, *value, &mut inside);
        } else {
            inside.extend(self.pattern(*pattern));
        }
        self.lower.add(Kind::Other(inside), node)
    }

    fn fields(&mut self, pattern: Node<'_>, value: Node<'_>, inside: &mut Vec<Id>) {
        let mut label = None;
        for part in named(pattern) {
            match part.kind() {
                "label" => label = child(part, "identifier"),
                "variable_pattern" => {
                    let name = part.child_by_field_name("name").unwrap_or(part);
                    let property = label.take().unwrap_or(name);
                    let of = self.expression(value);
                    let member = Member {
                        of,
                        name: self.lower.name(property),
                        name_span: span(property),
                        safe: has(part, "?"),
                    };
                    let member = self.lower.add(Kind::Member(member), part);
                    inside.push(self.bound(part, Some(member)));
                }
                "type_identifier" | "type_arguments" => {}
                _ => {
                    label = None;
                    inside.extend(self.pattern(part));
                }
            }
        }
    }
}
