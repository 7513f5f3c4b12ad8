//! Statements.

use super::Script;
use crate::model::Span;
use crate::syntax::code::{has, named, span};
use crate::syntax::{Arm, Id, Kind, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Script<'_> {
    /// The statement, if the node is one.
    pub(super) fn statement(&mut self, node: Node<'_>) -> Option<Id> {
        let id = match node.kind() {
            "statement_block" | "class_static_block" => {
                let items = self.items(named(node));
                self.0.add(Kind::Block(items), node)
            }
            "export_statement" => match self.export(node) {
                Some(id) => id,
                None => self.0.nothing(node),
            },
            "expression_statement" => {
                let inner = named(node).into_iter().next()?;
                let exported = (inner.kind() == "assignment_expression").then(|| self.common_export(inner));
                match exported.flatten() {
                    Some(id) => id,
                    None => self.expression(inner),
                }
            }
            "if_statement" => self.if_statement(node),
            "switch_statement" => self.switch(node),
            "return_statement" => {
                let value = named(node).into_iter().next().map(|n| self.expression(n));
                self.0.add(Kind::Return(value), node)
            }
            "for_in_statement" => self.for_in(node),
            "else_clause" => {
                let inner = named(node).into_iter().next()?;
                self.item(inner)
            }
            _ => return None,
        };
        Some(id)
    }

    fn if_statement(&mut self, node: Node<'_>) -> Id {
        let tests = node.child_by_field_name("condition").map(|n| self.expression(n)).into_iter().collect();
        let mut arms = Vec::new();
        if let Some(then) = node.child_by_field_name("consequence") {
            arms.push(Arm { tests, body: self.item(then) });
        }
        if let Some(other) = node.child_by_field_name("alternative") {
            arms.push(Arm { tests: Vec::new(), body: self.item(other) });
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("value").map(|n| self.expression(n));
        let mut arms = Vec::new();
        let mut waiting = Vec::new();
        for case in node.child_by_field_name("body").map(named).unwrap_or_default() {
            let bodies: Vec<_> = case.children_by_field_name("body", &mut case.walk()).collect();
            if case.kind() == "switch_case" {
                waiting.extend(case.child_by_field_name("value").map(|n| self.expression(n)));
                if bodies.is_empty() {
                    continue;
                }
            } else {
                waiting.clear();
            }
            let items = self.items(bodies);
            let body = self.0.add(Kind::Block(items), case);
            arms.push(Arm { tests: std::mem::take(&mut waiting), body });
        }
        self.0.add(Kind::Branch { subject, arms }, node)
    }

    /// `for (const x of xs) …`: the variable stands around the body.
    fn for_in(&mut self, node: Node<'_>) -> Id {
        let mut inside = Vec::new();
        let declares = ["const", "let", "var"].iter().any(|word| has(node, word));
        let mut over = node.child_by_field_name("right").map(|n| self.item(n));
        if let Some(left) = node.child_by_field_name("left").filter(|_| declares) {
            // Of an object's keys nothing is said.
            let each = if has(node, "of") { over.take() } else { None };
            self.taken_from(left, each, &mut inside);
        }
        inside.extend(over);
        inside.extend(node.child_by_field_name("body").map(|n| self.item(n)));
        self.0.add(Kind::Other(inside), node)
    }

    /// What a loop's head declares: one name, or the parts of each element.
    fn taken_from(&mut self, left: Node<'_>, each: Option<Id>, inside: &mut Vec<Id>) {
        if left.kind() == "identifier" {
            let (name, name_span) = (self.0.name(left), span(left));
            let variable = Variable { name, name_span, each, ..Variable::default() };
            inside.push(self.0.add(Kind::Variable(variable), left));
            return;
        }
        let name: SmolStr = format!("<each {}>", span(left).start).into();
        let name_span = Span { start: span(left).start, end: span(left).start };
        let variable = Variable { name: name.clone(), name_span, each, ..Variable::default() };
        inside.push(self.0.add(Kind::Variable(variable), left));
        let whole = |lens: &mut Self, at: Span| lens.0.tree.add(Kind::Name(name.clone()), at);
        self.taken_apart(left, &whole, inside);
    }
}
