//! C#'s statements.

use super::CSharp;
use crate::syntax::code::{child, named, operands, span};
use crate::syntax::{Arm, Id, Kind, Variable};
use tree_sitter::Node;

impl CSharp<'_> {
    pub(super) fn statement(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "block" => self.block(node),
            "expression_statement" | "global_statement" => match named(node).into_iter().next() {
                Some(inner) => self.expression(inner),
                None => self.low.nothing(node),
            },
            "if_statement" => self.choice(node),
            "switch_statement" => self.switch(node),
            "return_statement" | "yield_statement" => {
                let value = operands(node).into_iter().next().map(|n| self.expression(n));
                self.low.add(Kind::Return(value), node)
            }
            "foreach_statement" => self.for_each(node),
            "using_statement" | "for_statement" => self.opening(node),
            "catch_clause" => {
                let inside = child(node, "block").map(|n| self.block(n)).into_iter().collect();
                self.low.add(Kind::Other(inside), node)
            }
            "using_directive" | "extern_alias_directive" => self.low.nothing(node),
            _ => self.expression(node),
        }
    }

    /// An `if` or `?:`.
    pub(super) fn choice(&mut self, node: Node<'_>) -> Id {
        let tests = node.child_by_field_name("condition").map(|n| self.expression(n));
        let mut arms = Vec::new();
        if let Some(body) = node.child_by_field_name("consequence") {
            arms.push(Arm { tests: tests.into_iter().collect(), body: self.one(body) });
        }
        if let Some(body) = node.child_by_field_name("alternative") {
            arms.push(Arm { tests: Vec::new(), body: self.one(body) });
        }
        self.low.add(Kind::Branch { subject: None, arms }, node)
    }

    /// One statement, with what it declares.
    fn one(&mut self, node: Node<'_>) -> Id {
        let items = self.statements(vec![node]);
        match items.as_slice() {
            [one] => *one,
            _ => self.low.add(Kind::Block(items), node),
        }
    }

    fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("value").map(|n| self.expression(n));
        let sections = node.child_by_field_name("body").map(named).unwrap_or_default();
        let mut arms = Vec::new();
        for section in sections {
            let parts = named(section).into_iter();
            let (labels, body): (Vec<_>, Vec<_>) = parts.partition(|n| is_pattern(*n));
            let tests = labels.into_iter().flat_map(|n| self.pattern(n, subject)).collect();
            let items = self.statements(body);
            let body = self.low.add(Kind::Block(items), section);
            arms.push(Arm { tests, body });
        }
        self.low.add(Kind::Branch { subject, arms }, node)
    }

    /// A `switch` that is a value.
    pub(super) fn switch_expression(&mut self, node: Node<'_>) -> Id {
        let mut parts = named(node).into_iter();
        let subject = parts.next().map(|n| self.expression(n));
        let mut arms = Vec::new();
        for arm in parts.filter(|n| n.kind() == "switch_expression_arm") {
            let inside = named(arm);
            let (Some(pattern), Some(body)) = (inside.first(), inside.last()) else { continue };
            let tests = match pattern.kind() {
                "discard" | "var_pattern" => Vec::new(),
                _ => self.pattern(*pattern, subject),
            };
            arms.push(Arm { tests, body: self.expression(*body) });
        }
        self.low.add(Kind::Branch { subject, arms }, node)
    }

    /// What a pattern tests for; what it binds is declared.
    pub(super) fn pattern(&mut self, node: Node<'_>, of: Option<Id>) -> Vec<Id> {
        match node.kind() {
            "constant_pattern" => named(node).into_iter().map(|n| self.expression(n)).collect(),
            "or_pattern" => named(node).into_iter().flat_map(|n| self.pattern(n, of)).collect(),
            "declaration_pattern" | "recursive_pattern" => {
                let ty = self.declared(node);
                let init = of.and_then(|of| self.again(of, ty.as_ref(), node));
                if let Some(name) = node.child_by_field_name("name") {
                    self.hoist(name, ty.clone(), init);
                }
                let ty = ty.unwrap_or_default();
                vec![self.low.add(Kind::ClassOf(ty), node)]
            }
            _ => {
                let inside = named(node).into_iter().flat_map(|n| self.pattern(n, None)).collect();
                vec![self.low.add(Kind::Other(inside), node)]
            }
        }
    }

    /// A name or member once more, as a type: what a pattern's variable holds.
    fn again(&mut self, of: Id, ty: Option<&crate::syntax::TypeName>, node: Node<'_>) -> Option<Id> {
        let copy = self.copied(of)?;
        Some(match ty {
            Some(ty) => self.low.add(Kind::Cast { of: copy, ty: ty.clone(), safe: true }, node),
            None => copy,
        })
    }

    fn copied(&mut self, of: Id) -> Option<Id> {
        let kind = match self.low.tree.kind(of) {
            Kind::Name(name) => Kind::Name(name.clone()),
            Kind::This => Kind::This,
            Kind::Member(member) => {
                let (from, name) = (member.of, member.name.clone());
                let (name_span, safe) = (member.name_span, member.safe);
                let of = self.copied(from)?;
                Kind::Member(crate::syntax::Member { of, name, name_span, safe })
            }
            _ => return None,
        };
        let at = self.low.tree.span(of);
        Some(self.low.tree.add(kind, at))
    }

    fn for_each(&mut self, node: Node<'_>) -> Id {
        let mut inside = Vec::new();
        let mut over = node.child_by_field_name("right").map(|n| self.expression(n));
        if let Some(name) = node.child_by_field_name("left").filter(|n| n.kind() == "identifier") {
            let variable = Variable {
                name: self.low.name(name),
                name_span: span(name),
                ty: self.declared(node),
                each: over.take(),
                ..Variable::default()
            };
            inside.push(self.low.add(Kind::Variable(variable), name));
        }
        if let Some(many) = node.child_by_field_name("left").filter(|n| n.kind() == "tuple_pattern") {
            let held = self.low.held(many);
            inside.push(self.low.holding(&held, None, over.take(), many));
            for (place, name) in named(many).into_iter().enumerate().filter(|(_, n)| n.kind() == "identifier")
            {
                inside.push(self.low.part(&held, place, name, None));
            }
        }
        inside.extend(over);
        inside.extend(node.child_by_field_name("body").map(|n| self.one(n)));
        self.low.add(Kind::Other(inside), node)
    }

    /// A statement that declares variables for its body.
    fn opening(&mut self, node: Node<'_>) -> Id {
        let mut inside = Vec::new();
        for part in named(node) {
            let id = match part.kind() {
                "variable_declaration" => self.variables(node),
                _ => self.one(part),
            };
            inside.push(id);
        }
        self.low.add(Kind::Other(inside), node)
    }
}

fn is_pattern(node: Node<'_>) -> bool {
    node.kind().ends_with("_pattern")
}
