//! Declarations that the grammar reads as expressions: `data object X` as `data` called with `X`, and
//! `@A private fun f() { … }` as `private` called with the call of `f`. Kotlin's `fun` and `object` are
//! never names, so nothing else can be meant.

use super::Kotlin;
use crate::syntax::Modifier;
use crate::syntax::code::{Modifiers, child, named, span};
use crate::syntax::{Function, Id, Kind};
use tree_sitter::Node;

impl Kotlin<'_> {
    /// The declaration that an annotated or infix expression really is.
    pub(super) fn misread_declaration(&mut self, node: Node<'_>) -> Option<Id> {
        let mut modifiers = Modifiers::default();
        let mut inner = node;
        while inner.kind() == "annotated_expression" {
            for part in named(inner).into_iter().filter(|n| n.kind() == "annotation") {
                let annotation = self.annotation(part);
                modifiers.annotations.push(annotation);
            }
            inner = named(inner).into_iter().next_back()?;
        }
        let words = flat(inner);
        let [before @ .., keyword, last] = words.as_slice() else { return None };
        modifiers.words = before.iter().map(|n| self.0.name(*n)).collect();
        match (self.0.str(*keyword), last.kind()) {
            ("object", "identifier") => {
                let mut class = self.empty_class(*last, "object");
                class.modifiers = Modifier::among(modifiers.words);
                class.annotations = modifiers.annotations;
                Some(self.0.add(Kind::Class(class), node))
            }
            ("fun", "call_expression") => self.misread_function(node, *last, modifiers),
            _ => None,
        }
    }

    fn misread_function(&mut self, node: Node<'_>, call: Node<'_>, modifiers: Modifiers) -> Option<Id> {
        let head = child(call, "call_expression").unwrap_or(call);
        let name = named(head).into_iter().next().filter(|n| n.kind() == "identifier")?;
        let literal = child(call, "annotated_lambda").and_then(|n| child(n, "lambda_literal"));
        let body = literal.map(|literal| {
            let items = self.items(named(literal));
            self.0.add(Kind::Block(items), literal)
        });
        let function = Function {
            name: self.0.name(name),
            name_span: span(name),
            modifiers: Modifier::among(modifiers.words),
            annotations: modifiers.annotations,
            receiver: None,
            type_params: Vec::new(),
            params: Vec::new(),
            result: None,
            body,
        };
        Some(self.0.add(Kind::Function(function), node))
    }
}

/// The parts of a chain of infix calls, in order.
fn flat(node: Node<'_>) -> Vec<Node<'_>> {
    if node.kind() != "infix_expression" {
        return vec![node];
    }
    named(node).into_iter().flat_map(flat).collect()
}
