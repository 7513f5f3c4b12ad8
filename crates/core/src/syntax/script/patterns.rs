//! Objects and arrays taken apart: each name is a member of what it is taken from.

use super::Script;
use crate::model::Span;
use crate::syntax::code::{children, named, span};
use crate::syntax::{Id, Kind, Member, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Script<'_> {
    /// `const { a, b: { c } } = value`: the value under a name of its own, and the names taken from it.
    pub(super) fn destructured(&mut self, pattern: Node<'_>, value: Node<'_>) -> Vec<Id> {
        let mut found = Vec::new();
        // A name or a chain of members can be said again; anything else is held.
        if matches!(value.kind(), "identifier" | "member_expression" | "this" | "non_null_expression") {
            let again = |lens: &mut Self, _: Span| lens.expression(value);
            self.taken_apart(pattern, &again, &mut found);
            return found;
        }
        let held: SmolStr = format!("<held {}>", span(value).start).into();
        let init = Some(self.expression(value));
        let at = Span { start: span(pattern).start, end: span(pattern).start };
        let variable = Variable { name: held.clone(), name_span: at, init, ..Variable::default() };
        found.push(self.0.tree.add(Kind::Variable(variable), span(value)));
        let whole = |lens: &mut Self, at: Span| lens.0.tree.add(Kind::Name(held.clone()), at);
        self.taken_apart(pattern, &whole, &mut found);
        found
    }

    /// The variables that a pattern declares. `whole` says again what is taken apart.
    pub(super) fn taken_apart(
        &mut self,
        pattern: Node<'_>,
        whole: &dyn Fn(&mut Self, Span) -> Id,
        found: &mut Vec<Id>,
    ) {
        match pattern.kind() {
            "object_pattern" => {
                for part in named(pattern) {
                    self.property(part, whole, found);
                }
            }
            "array_pattern" => {
                // `[, name]` leaves a place out.
                let mut i = 0;
                for part in children(pattern) {
                    if !part.is_named() {
                        i += usize::from(part.kind() == ",");
                        continue;
                    }
                    let element = |lens: &mut Self, at: Span| {
                        let of = whole(lens, at);
                        let index = lens.0.tree.add(Kind::Number(i.to_string().into()), at);
                        lens.0.tree.add(Kind::Index { of, args: vec![index] }, at)
                    };
                    self.bound(part, &element, found);
                }
            }
            _ => self.bound(pattern, whole, found),
        }
    }

    fn property(&mut self, part: Node<'_>, whole: &dyn Fn(&mut Self, Span) -> Id, found: &mut Vec<Id>) {
        let (key, target) = match part.kind() {
            "pair_pattern" => (part.child_by_field_name("key"), part.child_by_field_name("value")),
            "object_assignment_pattern" => (part.child_by_field_name("left"), Some(part)),
            "shorthand_property_identifier_pattern" => (Some(part), Some(part)),
            // `...rest` is not followed.
            "rest_pattern" => {
                if let Some(name) = named(part).into_iter().next() {
                    self.variable(name, None, found);
                }
                return;
            }
            _ => return,
        };
        let (Some(key), Some(target)) = (key, target) else { return };
        let (name, name_span) = (self.0.name(key), span(key));
        let name: SmolStr = name.trim_matches(['\'', '"']).into();
        let member = |lens: &mut Self, _: Span| {
            let of = whole(lens, Span { start: name_span.start, end: name_span.start });
            let member = Member { of, name: name.clone(), name_span, safe: false };
            lens.0.tree.add(Kind::Member(member), name_span)
        };
        self.bound(target, &member, found);
    }

    /// A name, a further pattern, or either with a default.
    fn bound(&mut self, target: Node<'_>, value: &dyn Fn(&mut Self, Span) -> Id, found: &mut Vec<Id>) {
        match target.kind() {
            "object_pattern" | "array_pattern" => self.taken_apart(target, value, found),
            "assignment_pattern" | "object_assignment_pattern" => {
                let (Some(left), Some(right)) =
                    (target.child_by_field_name("left"), target.child_by_field_name("right"))
                else {
                    return;
                };
                if matches!(left.kind(), "object_pattern" | "array_pattern") {
                    return self.taken_apart(left, value, found);
                }
                let given = value(self, span(left));
                let default = self.expression(right);
                let init = Kind::Binary { op: "?:".into(), left: given, right: default };
                let init = self.0.add(init, target);
                self.variable(left, Some(init), found);
            }
            _ => {
                let init = value(self, span(target));
                self.variable(target, Some(init), found);
            }
        }
    }

    fn variable(&mut self, name: Node<'_>, init: Option<Id>, found: &mut Vec<Id>) {
        let variable =
            Variable { name: self.0.name(name), name_span: span(name), init, ..Variable::default() };
        found.push(self.0.add(Kind::Variable(variable), name));
    }
}
