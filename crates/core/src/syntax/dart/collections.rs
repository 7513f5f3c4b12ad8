//! Dart's lists, sets and maps, with the conditions and loops inside of them.

use super::Dart;
use super::idioms::EACH;
use crate::syntax::code::{child, operands, plain, span};
use crate::syntax::{Arg, Arm, Call, Entry, Id, Kind, Member, Parameter};
use tree_sitter::Node;

impl Dart<'_> {
    pub(super) fn elements(&mut self, nodes: Vec<Node<'_>>) -> Vec<Arg> {
        let nodes = nodes.into_iter().filter(|n| n.kind() != "type_arguments");
        nodes.map(|n| self.element(n)).collect()
    }

    /// An element of a list: a value, `...others`, `if (a) b else c`, `for (final x in xs) y`.
    fn element(&mut self, node: Node<'_>) -> Arg {
        match node.kind() {
            "spread_element" => Arg { name: None, value: self.operand(node, "value"), spread: true },
            "if_element" => plain(self.if_element(node)),
            "for_element" => Arg { name: None, value: self.for_element(node), spread: true },
            "null_aware_expression_element" => match operands(node).first() {
                Some(inner) => plain(self.expression(*inner)),
                None => plain(self.lower.nothing(node)),
            },
            _ => plain(self.expression(node)),
        }
    }

    fn if_element(&mut self, node: Node<'_>) -> Id {
        let tests = vec![self.condition(node)];
        let mut arms = Vec::new();
        if let Some(then) = node.child_by_field_name("consequence") {
            let body = self.element_as_value(then);
            arms.push(Arm { tests, body });
        }
        if let Some(other) = node.child_by_field_name("alternative") {
            let body = self.element_as_value(other);
            arms.push(Arm { tests: Vec::new(), body });
        }
        self.lower.add(Kind::Branch { subject: None, arms }, node)
    }

    /// What stands behind an `if` in a list may itself be several elements.
    fn element_as_value(&mut self, node: Node<'_>) -> Id {
        let arg = self.element(node);
        if arg.spread { self.lower.add(Kind::List(vec![arg]), node) } else { arg.value }
    }

    fn for_element(&mut self, node: Node<'_>) -> Id {
        let over = self.operand(node, "value");
        if let Some(pattern) = outer_pattern(node) {
            return self.each_pattern(over, pattern, node);
        }
        let variable = node.child_by_field_name("name").or_else(|| child(node, "identifier"));
        let params = variable.map(|n| vec![self.parameter_named(n)]).unwrap_or_default();
        let body = match node.child_by_field_name("body") {
            Some(body) => self.element_as_value(body),
            None => self.lower.nothing(node),
        };
        let lambda = self.lower.add(Kind::Lambda { params, body }, node);
        self.call_on(over, EACH, vec![plain(lambda)], node)
    }

    /// `for (final (title, page) in rows) …`.
    fn each_pattern(&mut self, over: Id, pattern: Node<'_>, node: Node<'_>) -> Id {
        let held = self.lower.held(pattern);
        let parameter = Parameter { name: held.clone(), ..Parameter::default() };
        let params = vec![self.lower.add(Kind::Parameter(parameter), pattern)];
        let mut inside = Vec::new();
        self.parts_of_held(pattern, &held, &mut inside);
        if let Some(body) = node.child_by_field_name("body") {
            let value = self.element_as_value(body);
            inside.push(self.lower.add(Kind::Return(Some(value)), body));
        }
        let body = self.lower.add(Kind::Block(inside), node);
        let lambda = self.lower.add(Kind::Lambda { params, body }, node);
        self.call_on(over, EACH, vec![plain(lambda)], node)
    }

    fn parameter_named(&mut self, node: Node<'_>) -> Id {
        let parameter = Parameter { name: self.lower.name(node), ..Parameter::default() };
        self.lower.add(Kind::Parameter(parameter), node)
    }

    pub(super) fn call_on(&mut self, of: Id, name: &str, args: Vec<Arg>, node: Node<'_>) -> Id {
        let member = Member { of, name: name.into(), name_span: span(node), safe: false };
        let callee = self.lower.add(Kind::Member(member), node);
        let call = Call { callee, types: Vec::new(), args, new: false, body: None };
        self.lower.add(Kind::Call(call), node)
    }

    /// `{a: b}` is a map, `{a}` a set, and `{}` or `{...a}` is taken for a map.
    pub(super) fn set_or_map(&mut self, node: Node<'_>) -> Id {
        let parts: Vec<_> = operands(node).into_iter().filter(|n| n.kind() != "type_arguments").collect();
        let entry = |n: &Node<'_>| matches!(n.kind(), "map_element" | "null_aware_map_element");
        let control = |n: &Node<'_>| matches!(n.kind(), "if_element" | "for_element" | "spread_element");
        if parts.iter().any(|n| !entry(n) && !control(n)) {
            let items = self.elements(parts);
            return self.lower.add(Kind::List(items), node);
        }
        let mut entries = Vec::new();
        for part in parts {
            self.entries(part, &mut entries);
        }
        self.lower.add(Kind::Map(entries), node)
    }

    fn entries(&mut self, node: Node<'_>, entries: &mut Vec<Entry>) {
        match node.kind() {
            "map_element" | "null_aware_map_element" => {
                let key = Some(self.operand(node, "key"));
                entries.push(Entry { key, value: self.operand(node, "value") });
            }
            "spread_element" => entries.push(Entry { key: None, value: self.operand(node, "value") }),
            // What a condition or a loop puts in is there as far as one can see.
            "if_element" => {
                for field in ["consequence", "alternative"] {
                    if let Some(inner) = node.child_by_field_name(field) {
                        self.entries(inner, entries);
                    }
                }
            }
            _ => entries.push(Entry { key: None, value: self.other(node) }),
        }
    }
}

/// The pattern that a loop takes apart what it is over with.
pub(super) fn outer_pattern(node: Node<'_>) -> Option<Node<'_>> {
    ["record_pattern", "object_pattern", "list_pattern", "map_pattern"]
        .into_iter()
        .find_map(|kind| child(node, kind))
}
