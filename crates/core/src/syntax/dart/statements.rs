//! Dart's statements.

use super::Dart;
use super::collections::outer_pattern;
use crate::syntax::code::{child, children, has, named, operands, span};
use crate::syntax::{Arm, Id, Kind, Variable};
use tree_sitter::Node;

impl Dart<'_> {
    /// The statement, if the node is one.
    pub(super) fn statement(&mut self, node: Node<'_>) -> Option<Id> {
        let id = match node.kind() {
            "block" => {
                let items = self.items(named(node));
                self.lower.add(Kind::Block(items), node)
            }
            "local_variable_declaration" => self.local(node),
            "if_statement" => self.if_statement(node),
            "for_statement" => self.for_statement(node),
            "switch_statement" => self.switch(node),
            "return_statement" => {
                let value = operands(node).last().map(|n| self.expression(*n));
                self.lower.add(Kind::Return(value), node)
            }
            "labeled_statement" => {
                let inside = named(node).into_iter().skip(1).map(|n| self.item(n)).collect();
                self.lower.add(Kind::Other(inside), node)
            }
            _ => return None,
        };
        Some(id)
    }

    fn local(&mut self, node: Node<'_>) -> Id {
        if let Some(pattern) = child(node, "pattern_variable_declaration") {
            return self.destructured(pattern);
        }
        let Some(inner) = child(node, "initialized_variable_declaration") else { return self.other(node) };
        let mut variables = Vec::new();
        let ty = child(inner, "type").map(|n| self.type_name(n));
        let mutable = !has(inner, "final") && !has(inner, "const");
        if let Some(name) = inner.child_by_field_name("name") {
            let init = inner.child_by_field_name("value").map(|n| self.expression(n));
            let variable = Variable {
                name: self.lower.name(name),
                name_span: span(name),
                ty: ty.clone(),
                init,
                mutable,
                ..Variable::default()
            };
            variables.push(self.lower.add(Kind::Variable(variable), inner));
        }
        for more in named(inner).into_iter().filter(|n| n.kind() == "initialized_identifier") {
            let variable = self.declared(more, ty.clone(), mutable);
            variables.push(self.lower.add(Kind::Variable(variable), more));
        }
        match variables.as_slice() {
            [one] => *one,
            _ => self.lower.add(Kind::Other(variables), node),
        }
    }

    /// The test of an `if`, with what a pattern in it declares.
    pub(super) fn condition(&mut self, node: Node<'_>) -> Id {
        let Some(test) = node.child_by_field_name("condition") else { return self.lower.nothing(node) };
        let test_id = self.expression(test);
        if !has(node, "case") {
            return test_id;
        }
        let ends = [node.child_by_field_name("consequence"), node.child_by_field_name("alternative")];
        let patterns: Vec<_> =
            named(node).into_iter().filter(|n| *n != test && !ends.contains(&Some(*n))).collect();
        let mut inside = vec![test_id];
        for pattern in patterns {
            inside.extend(self.pattern(pattern));
        }
        self.lower.add(Kind::Other(inside), node)
    }

    fn if_statement(&mut self, node: Node<'_>) -> Id {
        let test = self.condition(node);
        let mut arms = Vec::new();
        if let Some(then) = node.child_by_field_name("consequence") {
            arms.push(Arm { tests: vec![test], body: self.item(then) });
        }
        if let Some(other) = node.child_by_field_name("alternative") {
            arms.push(Arm { tests: Vec::new(), body: self.item(other) });
        }
        self.lower.add(Kind::Branch { subject: None, arms }, node)
    }

    /// The loop's variable stands around its body.
    fn for_statement(&mut self, node: Node<'_>) -> Id {
        let mut inside = Vec::new();
        let mut fields = vec!["init", "value", "condition", "update", "body"];
        if has(node, "in")
            && outer_pattern(node).is_none()
            && let Some(name) = node.child_by_field_name("name").or_else(|| child(node, "identifier"))
        {
            let ty = child(node, "type").map(|n| self.type_name(n));
            let each = node.child_by_field_name("value").map(|n| self.expression(n));
            fields.retain(|field| *field != "value");
            let (name, name_span) = (self.lower.name(name), span(name));
            let variable = Variable { name, name_span, ty, each, ..Variable::default() };
            inside.push(self.lower.add(Kind::Variable(variable), node));
        }
        if let Some(many) = outer_pattern(node) {
            let each = node.child_by_field_name("value").map(|n| self.expression(n));
            fields.retain(|field| *field != "value");
            self.each_taken_apart(many, each, &mut inside);
        }
        for field in fields {
            let parts: Vec<_> = node.children_by_field_name(field, &mut node.walk()).collect();
            for part in parts.into_iter().filter(Node::is_named) {
                inside.push(self.item(part));
            }
        }
        self.lower.add(Kind::Other(inside), node)
    }

    /// A switch of either kind. Cases that fall through share the body of the one they reach.
    pub(super) fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("condition").map(|n| self.expression(n));
        let body = child(node, "switch_block").unwrap_or(node);
        let mut arms = Vec::new();
        let mut waiting = Vec::new();
        for case in named(body) {
            match case.kind() {
                "switch_statement_case" => {
                    let (mut tests, body) = self.case(case);
                    waiting.append(&mut tests);
                    if let Some(body) = body {
                        arms.push(Arm { tests: std::mem::take(&mut waiting), body });
                    }
                }
                "switch_statement_default" => {
                    let statements = named(case).into_iter().filter(|n| n.kind() != "label").collect();
                    let items = self.items(statements);
                    let body = self.lower.add(Kind::Block(items), case);
                    waiting.clear();
                    arms.push(Arm { tests: Vec::new(), body });
                }
                "switch_expression_case" => self.case_expression(case, &mut arms),
                _ => {}
            }
        }
        self.lower.add(Kind::Branch { subject, arms }, node)
    }

    /// The tests of a case, and its body where it has one.
    fn case(&mut self, node: Node<'_>) -> (Vec<Id>, Option<Id>) {
        let parts = children(node);
        let colon = parts.iter().rposition(|n| n.kind() == ":" && !n.is_named());
        let (before, after) = parts.split_at(colon.unwrap_or(parts.len()));
        let guard = node.child_by_field_name("guard");
        let tests = before.iter().filter(|n| n.is_named() && n.kind() != "label" && Some(**n) != guard);
        let mut found = Vec::new();
        for test in tests.copied().collect::<Vec<_>>() {
            found.extend(self.pattern(test));
        }
        found.extend(guard.map(|n| self.expression(n)));
        let statements: Vec<_> = after.iter().filter(|n| n.is_named() && !n.is_extra()).copied().collect();
        if statements.is_empty() {
            return (found, None);
        }
        let items = self.items(statements);
        let body = self.lower.add(Kind::Block(items), node);
        (found, Some(body))
    }

    fn case_expression(&mut self, node: Node<'_>, arms: &mut Vec<Arm>) {
        let parts = named(node);
        let Some((body, before)) = parts.split_last() else { return };
        let guard = node.child_by_field_name("guard");
        let rest = |n: &&Node<'_>| self.lower.str(**n) == "_" && guard.is_none();
        let is_rest = before.iter().any(|n| rest(&n));
        let mut tests = Vec::new();
        for test in before.iter().filter(|n| Some(**n) != guard && !is_rest) {
            tests.extend(self.pattern(*test));
        }
        tests.extend(guard.map(|n| self.expression(n)));
        let body = self.expression(*body);
        arms.push(Arm { tests, body });
    }
}
