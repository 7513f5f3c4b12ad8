//! Dart's patterns: what they test, and what they declare.

use super::Dart;
use crate::syntax::code::{child, children, has, named, span};
use crate::syntax::{Id, Kind, Member, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

/// Makes what is taken apart anew, for each part of it.
type Whole<'w, 'd> = &'w dyn Fn(&mut Dart<'d>, Node<'_>) -> Id;

impl<'d> Dart<'d> {
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

    /// `final GoRouterState(:extra) = state`: each variable is a part of what is taken apart.
    pub(super) fn destructured(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(pattern), Some(value)) = (parts.first(), parts.last()) else { return self.other(node) };
        let mut inside = vec![self.expression(*value)];
        let value = *value;
        self.taken_apart(*pattern, &|lens, _| lens.expression(value), &mut inside);
        self.lower.add(Kind::Other(inside), node)
    }

    /// The variable of a loop that is a pattern, with those that it is taken apart to.
    pub(super) fn each_taken_apart(&mut self, pattern: Node<'_>, each: Option<Id>, inside: &mut Vec<Id>) {
        let held = self.lower.held(pattern);
        inside.push(self.lower.holding(&held, None, each, pattern));
        self.parts_of_held(pattern, &held, inside);
    }

    /// The variables of a pattern that takes apart what a held name stands for.
    pub(super) fn parts_of_held(&mut self, pattern: Node<'_>, held: &SmolStr, inside: &mut Vec<Id>) {
        let of = |lens: &mut Self, at: Node<'_>| lens.lower.add(Kind::Name(held.clone()), at);
        self.taken_apart(pattern, &of, inside);
    }

    /// The variables of a pattern, each with its part of what `of` makes.
    fn taken_apart(&mut self, node: Node<'_>, of: Whole<'_, 'd>, inside: &mut Vec<Id>) {
        match node.kind() {
            "variable_pattern" | "identifier" => {
                let init = Some(of(self, node));
                inside.push(self.bound(node, init));
            }
            "object_pattern" | "record_pattern" => self.fields(node, of, inside),
            "list_pattern" => {
                for (place, part) in named(node).into_iter().enumerate() {
                    if part.kind() == "rest_pattern" {
                        break;
                    }
                    self.taken_apart(part, &|lens, at| lens.place(of, place, at), inside);
                }
            }
            "map_pattern" => {
                let parts = named(node);
                for pair in parts.chunks(2) {
                    let [key, part] = pair else { continue };
                    let under = |lens: &mut Self, at: Node<'_>| {
                        let (of, key) = (of(lens, at), lens.expression(*key));
                        lens.lower.add(Kind::Index { of, args: vec![key] }, at)
                    };
                    self.taken_apart(*part, &under, inside);
                }
            }
            "cast_pattern" | "null_check_pattern" | "null_assert_pattern" => {
                if let Some(inner) = named(node).first() {
                    self.taken_apart(*inner, of, inside);
                }
            }
            _ => inside.extend(self.pattern(node)),
        }
    }

    /// Fields by name, `:extra` and `page: final shown`, and by place.
    fn fields(&mut self, node: Node<'_>, of: Whole<'_, 'd>, inside: &mut Vec<Id>) {
        let (mut label, mut place) = (None, 0);
        for part in children(node) {
            match part.kind() {
                "label" => label = Some(child(part, "identifier")),
                ":" => label = Some(None),
                "type_identifier" | "type_arguments" => {}
                _ if !part.is_named() => {}
                _ => match label.take() {
                    Some(property) => {
                        let of_member = |lens: &mut Self, at: Node<'_>| {
                            let name = property.or_else(|| at.child_by_field_name("name")).unwrap_or(at);
                            let of = of(lens, at);
                            let (name, name_span) = (lens.lower.name(name), span(name));
                            let safe = has(part, "?");
                            lens.lower.add(Kind::Member(Member { of, name, name_span, safe }), at)
                        };
                        self.taken_apart(part, &of_member, inside);
                    }
                    None => {
                        self.taken_apart(part, &|lens, at| lens.place(of, place, at), inside);
                        place += 1;
                    }
                },
            }
        }
    }

    fn place(&mut self, of: Whole<'_, 'd>, place: usize, at: Node<'_>) -> Id {
        let of = of(self, at);
        let place = self.lower.add(Kind::Number(place.to_string().into()), at);
        self.lower.add(Kind::Index { of, args: vec![place] }, at)
    }
}
