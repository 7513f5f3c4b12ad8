//! Swift's statements.

use super::Swift;
use crate::syntax::code::{child, children, named, plain, span};
use crate::syntax::{Arm, Call, Id, Kind, Member, Parameter};
use tree_sitter::Node;

impl Swift<'_> {
    /// `if`, with what it binds, and whatever comes else.
    pub(super) fn choice(&mut self, node: Node<'_>) -> Id {
        let tests = self.conditions(node);
        let parts = children(node);
        let opens = parts.iter().position(|n| n.kind() == "{").unwrap_or(parts.len());
        let body = self.braces(&parts[opens..], node);
        let mut arms = vec![Arm { tests, body }];
        if let Some(at) = parts.iter().position(|n| n.kind() == "else") {
            let body = match parts.get(at + 1) {
                Some(next) if next.kind() == "if_statement" => self.expression(*next),
                _ => self.braces(&parts[at..], node),
            };
            arms.push(Arm { tests: Vec::new(), body });
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    /// The first statements from here on, as a body.
    fn braces(&mut self, parts: &[Node<'_>], whole: Node<'_>) -> Id {
        let closes = parts.iter().position(|n| n.kind() == "}").unwrap_or(parts.len());
        match parts[..closes].iter().find(|n| n.kind() == "statements") {
            Some(statements) => {
                let all =
                    named(*statements).into_iter().filter(|n| n.kind() != "directive").collect::<Vec<_>>();
                match all.as_slice() {
                    [one] if super::is_value(*one) => self.expression(*one),
                    _ => {
                        let items = self.items(all);
                        self.0.add(Kind::Block(items), *statements)
                    }
                }
            }
            None => self.0.add(Kind::Block(Vec::new()), whole),
        }
    }

    /// `guard`: what it binds is there for all that follows.
    pub(super) fn guard(&mut self, node: Node<'_>) -> Id {
        let mut inside = self.conditions(node);
        let parts = children(node);
        let at = parts.iter().position(|n| n.kind() == "else").unwrap_or(0);
        let body = self.braces(&parts[at..], node);
        let arms = vec![Arm { tests: Vec::new(), body }];
        inside.push(self.0.add(Kind::Branch { subject: None, arms }, node));
        self.0.add(Kind::Other(inside), node)
    }

    /// `while`, with what it binds.
    pub(super) fn while_loop(&mut self, node: Node<'_>) -> Id {
        let mut inside = self.conditions(node);
        let parts = children(node);
        let opens = parts.iter().position(|n| n.kind() == "{").unwrap_or(parts.len());
        inside.push(self.braces(&parts[opens..], node));
        self.0.add(Kind::Other(inside), node)
    }

    /// `for shelf in shelves { … }` runs its body on each of them, as `forEach` does.
    pub(super) fn for_loop(&mut self, node: Node<'_>) -> Id {
        let (Some(item), Some(over)) =
            (node.child_by_field_name("item"), node.child_by_field_name("collection"))
        else {
            return self.inside(node);
        };
        let bound = named(item).into_iter().find(|n| n.kind() == "simple_identifier");
        let places: Vec<_> = named(item).into_iter().filter(|n| n.kind() == "pattern").collect();
        let name = bound.map_or_else(|| self.0.held(item), |name| self.0.name(name));
        let name_of = name.clone();
        let mut inside = Vec::new();
        for (place, part) in places.iter().enumerate() {
            match named(*part).as_slice() {
                [name] if name.kind() == "simple_identifier" => {
                    inside.push(self.0.part(&name_of, place, *name, None));
                }
                _ => inside.push(self.pattern(*part, true)),
            }
        }
        let parameter = Parameter { name, ..Parameter::default() };
        let mut params = vec![self.0.add(Kind::Parameter(parameter), bound.unwrap_or(item))];
        if bound.is_none() && places.is_empty() {
            params = vec![self.pattern(item, true)];
        }
        let of = self.expression(over);
        let parts = children(node);
        let opens = parts.iter().position(|n| n.kind() == "{").unwrap_or(parts.len());
        let mut body = self.braces(&parts[opens..], node);
        if !inside.is_empty() {
            inside.push(body);
            body = self.0.add(Kind::Block(inside), node);
        }
        let lambda = self.0.add(Kind::Lambda { params, body }, node);
        let member = Member { of, name: "forEach".into(), name_span: span(over), safe: false };
        let callee = self.0.add(Kind::Member(member), over);
        let call = Call { callee, types: Vec::new(), args: vec![plain(lambda)], new: false, body: None };
        self.0.add(Kind::Call(call), node)
    }

    pub(super) fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("expr").map(|n| self.expression(n));
        let arms = self.arms(node);
        self.0.add(Kind::Branch { subject, arms }, node)
    }

    /// `return`, `throw`, `break`.
    pub(super) fn leaving(&mut self, node: Node<'_>) -> Id {
        let value = node.child_by_field_name("result").map(|n| self.expression(n));
        match child(node, "return") {
            Some(_) => self.0.add(Kind::Return(value), node),
            None => self.0.add(Kind::Other(value.into_iter().collect()), node),
        }
    }
}
