//! Expressions.

use super::Script;
use super::declarations::is_function;
use crate::syntax::BinaryOp;
use crate::syntax::code::{child, has, named, plain, span, unescape};
use crate::syntax::{Arg, Arm, Call, Entry, Id, Kind, Member, Piece};
use tree_sitter::Node;

impl Script<'_> {
    pub(super) fn expression(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = self.expression_inner(node);
        self.0.leave();
        id
    }

    fn expression_inner(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "identifier"
            | "shorthand_property_identifier"
            | "property_identifier"
            | "type_identifier"
            | "private_property_identifier" => {
                let name = self.0.name(node);
                self.0.add(Kind::Name(name), node)
            }
            "this" => self.0.add(Kind::This, node),
            "super" => self.0.add(Kind::Super, node),
            "null" | "undefined" => self.0.add(Kind::Null, node),
            "true" | "false" => self.0.add(Kind::Bool(node.kind() == "true"), node),
            "number" => {
                let text = self.0.str(node).replace('_', "").into();
                self.0.add(Kind::Number(text), node)
            }
            "string" | "template_string" => self.string(node),
            "array" => {
                let items = named(node).into_iter().map(|n| self.argument(n)).collect();
                self.0.add(Kind::List(items), node)
            }
            "object" => self.object(node),
            "internal_module" => self.space(node),
            "parenthesized_expression" | "satisfies_expression" => match named(node).first() {
                Some(inner) => self.expression(*inner),
                None => self.0.nothing(node),
            },
            "sequence_expression" => match named(node).last() {
                Some(inner) => self.expression(*inner),
                None => self.0.nothing(node),
            },
            "non_null_expression" => {
                let of = named(node).first().map(|n| self.expression(*n));
                let of = of.unwrap_or_else(|| self.0.nothing(node));
                self.0.add(Kind::Unary { op: "!!".into(), of }, node)
            }
            "as_expression" | "type_assertion" => self.cast(node),
            "member_expression" | "nested_identifier" => self.member(node),
            "subscript_expression" => {
                let of = self.operand(node, "object");
                let args = vec![self.operand(node, "index")];
                self.0.add(Kind::Index { of, args }, node)
            }
            "call_expression" | "new_expression" => self.call(node),
            "binary_expression" => self.binary(node),
            "unary_expression" | "update_expression" => {
                let op = node.child_by_field_name("operator").map(|n| self.0.name(n)).unwrap_or_default();
                let of = self.operand(node, "argument");
                self.0.add(Kind::Unary { op: op.as_str().into(), of }, node)
            }
            "await_expression" | "yield_expression" => {
                let of = named(node).first().map(|n| self.expression(*n));
                let of = of.unwrap_or_else(|| self.0.nothing(node));
                self.0.add(Kind::Unary { op: "await".into(), of }, node)
            }
            "ternary_expression" => {
                let tests = vec![self.operand(node, "condition")];
                let then = Arm { tests, body: self.operand(node, "consequence") };
                let other = Arm { tests: Vec::new(), body: self.operand(node, "alternative") };
                self.0.add(Kind::Branch { subject: None, arms: vec![then, other] }, node)
            }
            "assignment_expression" | "augmented_assignment_expression" => {
                let op = node.child_by_field_name("operator").map(|n| self.0.name(n)).unwrap_or("=".into());
                let (target, value) = (self.operand(node, "left"), self.operand(node, "right"));
                self.0.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
            }
            "jsx_element" | "jsx_self_closing_element" | "jsx_fragment" => self.element(node),
            "jsx_expression" => self.braced(node),
            "class" => self.item(node),
            _ if is_function(node) => self.lambda(node),
            _ => self.other(node),
        }
    }

    pub(super) fn operand(&mut self, node: Node<'_>, field: &str) -> Id {
        match node.child_by_field_name(field) {
            Some(inner) => self.expression(inner),
            None => self.0.nothing(node),
        }
    }

    fn member(&mut self, node: Node<'_>) -> Id {
        let of = self.operand(node, "object");
        let Some(property) = node.child_by_field_name("property") else { return of };
        let safe = node.child_by_field_name("optional_chain").is_some();
        let member = Member { of, name: self.0.name(property), name_span: span(property), safe };
        self.0.add(Kind::Member(member), node)
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        if let Some(uri) = self.required_uri(node) {
            return self.taken_in(&uri, node);
        }
        if let Some(function) = self.bound_function(node) {
            return function;
        }
        let new = node.kind() == "new_expression";
        let callee = self.operand(node, if new { "constructor" } else { "function" });
        // `(ref.go as Go)(…)` calls what is cast.
        let callee = match self.0.tree.kind(callee) {
            Kind::Cast { of, .. } => *of,
            _ => callee,
        };
        let types = node.child_by_field_name("type_arguments").map(|n| self.type_args(n)).unwrap_or_default();
        let args = match node.child_by_field_name("arguments") {
            Some(list) if list.kind() == "arguments" => {
                named(list).into_iter().map(|n| self.argument(n)).collect()
            }
            Some(text) => vec![plain(self.expression(text))],
            None => Vec::new(),
        };
        self.0.add(Kind::Call(Call { callee, types, args, new, body: None }), node)
    }

    /// `open.bind(this, 'shelf')` is a function that runs another one with what is given here; without
    /// arguments it is that other one.
    fn bound_function(&mut self, node: Node<'_>) -> Option<Id> {
        let callee = node.child_by_field_name("function").filter(|n| n.kind() == "member_expression")?;
        let property = callee.child_by_field_name("property")?;
        (self.0.str(property) == "bind").then_some(())?;
        let given = named(node.child_by_field_name("arguments")?);
        let (on, rest) = given.split_first()?;
        matches!(on.kind(), "this" | "null" | "undefined" | "identifier").then_some(())?;
        let function = self.operand(callee, "object");
        if rest.is_empty() {
            return Some(function);
        }
        let args = rest.iter().map(|n| self.argument(*n)).collect();
        let call = Call { callee: function, types: Vec::new(), args, new: false, body: None };
        let body = self.0.add(Kind::Call(call), node);
        Some(self.0.add(Kind::Lambda { params: Vec::new(), body }, node))
    }

    fn argument(&mut self, node: Node<'_>) -> Arg {
        if node.kind() == "spread_element" {
            let value = named(node).first().map(|n| self.expression(*n));
            return Arg { name: None, value: value.unwrap_or_else(|| self.0.nothing(node)), spread: true };
        }
        plain(self.expression(node))
    }

    fn object(&mut self, node: Node<'_>) -> Id {
        let mut entries = Vec::new();
        for part in named(node) {
            match part.kind() {
                "pair" => {
                    let key = part.child_by_field_name("key").map(|n| self.key(n));
                    entries.push(Entry { key, value: self.operand(part, "value") });
                }
                "shorthand_property_identifier" => {
                    let key = Some(self.key(part));
                    entries.push(Entry { key, value: self.expression(part) });
                }
                "method_definition" => {
                    let key = part.child_by_field_name("name").map(|n| self.key(n));
                    entries.push(Entry { key, value: self.lambda(part) });
                }
                "spread_element" => {
                    if let Some(inner) = named(part).first() {
                        entries.push(Entry { key: None, value: self.expression(*inner) });
                    }
                }
                _ => {}
            }
        }
        self.0.add(Kind::Map(entries), node)
    }

    /// The name of a property as text; `[x]` as what it is.
    pub(super) fn key(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "computed_property_name" => match named(node).first() {
                Some(inner) => self.expression(*inner),
                None => self.0.nothing(node),
            },
            "string" => self.string(node),
            _ => {
                let text = self.0.str(node).into();
                self.0.add(Kind::Text(vec![Piece::Text(text)]), node)
            }
        }
    }

    fn string(&mut self, node: Node<'_>) -> Id {
        let mut pieces = Vec::new();
        for part in named(node) {
            match part.kind() {
                "string_fragment" | "html_character_reference" => {
                    pieces.push(Piece::Text(self.0.str(part).into()));
                }
                "escape_sequence" => pieces.push(Piece::Text(unescape(self.0.str(part)))),
                "template_substitution" => {
                    if let Some(inner) = named(part).first() {
                        pieces.push(Piece::Hole(self.expression(*inner)));
                    }
                }
                _ => {}
            }
        }
        self.0.add(Kind::Text(pieces), node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let op = match node.child_by_field_name("operator").map_or("", |n| self.0.str(n)) {
            // What stands in for what is not there.
            "||" => BinaryOp::OrElse,
            op => op.into(),
        };
        let (left, right) = (self.operand(node, "left"), self.operand(node, "right"));
        self.0.add(Kind::Binary { op, left, right }, node)
    }

    fn cast(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (of, ty) = match (node.kind(), parts.as_slice()) {
            ("type_assertion", [ty, of]) => (*of, Some(*ty)),
            (_, [of, ty]) => (*of, Some(*ty)),
            (_, [of, ..]) => (*of, None),
            _ => return self.0.nothing(node),
        };
        let of = self.expression(of);
        // `as const` says nothing of the value.
        match ty.filter(|_| !has(node, "const")) {
            Some(ty) => {
                let ty = self.type_name(ty);
                self.0.add(Kind::Cast { of, ty, safe: true }, node)
            }
            None => of,
        }
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let (params, mut apart) = self.parameters(node, None);
        let body = match node.child_by_field_name("body") {
            Some(body) => self.item(body),
            None => self.0.nothing(node),
        };
        let body = self.with_parts(&mut apart, body, node);
        self.0.add(Kind::Lambda { params, body }, node)
    }

    /// The type behind the colon of an annotation.
    pub(super) fn annotated(&mut self, node: Node<'_>) -> crate::syntax::TypeName {
        match child(node, "type_annotation").or_else(|| named(node).into_iter().next()) {
            Some(inner) => self.type_name(inner),
            None => self.type_name(node),
        }
    }
}
