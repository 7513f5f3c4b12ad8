//! Dart's expressions.

use super::Dart;
use super::idioms::CASCADE;
use crate::model::Span;
use crate::syntax::code::{bare_type, child, children, has, named, operands, plain, span, unescape};
use crate::syntax::{Arg, Arm, Call, Id, Kind, Member, Parameter, Piece, TypeName};
use smol_str::SmolStr;
use tree_sitter::Node;

/// The name under which a cascade's sections see the value before them.
const SUBJECT: &str = "<subject>";

impl Dart<'_> {
    pub(super) fn expression(&mut self, node: Node<'_>) -> Id {
        if !self.lower.enter(node) {
            return self.lower.nothing(node);
        }
        let id = self.expression_inner(node);
        self.lower.leave();
        id
    }

    fn expression_inner(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "identifier" | "identifier_dollar_escaped" | "type_identifier" => {
                let name = self.lower.name(node);
                self.lower.add(Kind::Name(name), node)
            }
            "this" => self.lower.add(Kind::This, node),
            "super" => self.lower.add(Kind::Super, node),
            "null_literal" => self.lower.add(Kind::Null, node),
            "true" | "false" => self.lower.add(Kind::Bool(node.kind() == "true"), node),
            "decimal_integer_literal" | "hex_integer_literal" | "decimal_floating_point_literal" => {
                let text = self.lower.str(node).replace('_', "").into();
                self.lower.add(Kind::Number(text), node)
            }
            "string_literal" => self.string(node),
            "list_literal" => {
                let items = self.elements(operands(node));
                self.lower.add(Kind::List(items), node)
            }
            "set_or_map_literal" => self.set_or_map(node),
            "record_literal" => {
                let items = self.record_fields(node);
                self.lower.add(Kind::List(items), node)
            }
            "parenthesized_expression" | "expression_statement" | "pattern_assignment" => {
                match operands(node).last() {
                    Some(inner) => self.expression(*inner),
                    None => self.lower.nothing(node),
                }
            }
            "unary_expression" | "await_expression" => self.unary(node),
            "postfix_expression" => self.postfix(node),
            "null_assertion_expression" | "cascade_null_assertion_expression" => {
                let of = self.operand(node, "value");
                self.lower.add(Kind::Unary { op: "!!".into(), of }, node)
            }
            "member_expression" | "null_aware_member_expression" => self.member(node),
            "index_expression" | "null_aware_index_expression" => {
                let of = self.operand(node, "object");
                let args = vec![self.operand(node, "index")];
                self.lower.add(Kind::Index { of, args }, node)
            }
            "assignable_expression" => self.assignable(node),
            "call_expression" => self.call(node),
            "instantiation_expression" => self.operand(node, "function"),
            "new_expression" | "const_object_expression" | "constructor_invocation" => self.made(node),
            "constructor_tearoff" => {
                let name = self.type_name(node).name;
                self.lower.add(Kind::Reference { of: None, name }, node)
            }
            "static_member_shorthand" => self.shorthand(node),
            "cascade" => self.cascade(node),
            "assignment_expression" => self.assignment(node),
            "conditional_expression" => self.conditional(node),
            "type_cast_expression" => self.cast(node),
            "type_test_expression" => self.type_test(node),
            "switch_expression" => self.switch(node),
            "function_expression" => self.lambda(node),
            "throw_expression" => {
                let inside = operands(node).into_iter().map(|n| self.expression(n)).collect();
                self.lower.add(Kind::Other(inside), node)
            }
            "type" => self.lower.nothing(node),
            kind if kind.ends_with("_expression") && operands(node).len() >= 2 => self.binary(node),
            _ => self.other(node),
        }
    }

    pub(super) fn operand(&mut self, node: Node<'_>, field: &str) -> Id {
        match node.child_by_field_name(field) {
            Some(inner) => self.expression(inner),
            None => self.lower.nothing(node),
        }
    }

    fn member(&mut self, node: Node<'_>) -> Id {
        let of = self.operand(node, "object");
        let Some(property) = node.child_by_field_name("property") else { return of };
        self.member_of(of, property, has(node, "?."), node)
    }

    fn member_of(&mut self, of: Id, property: Node<'_>, safe: bool, node: Node<'_>) -> Id {
        let member = Member { of, name: self.lower.name(property), name_span: span(property), safe };
        self.lower.add(Kind::Member(member), node)
    }

    /// What can be assigned to: a name, a member, an element.
    fn assignable(&mut self, node: Node<'_>) -> Id {
        match (node.child_by_field_name("property"), node.child_by_field_name("index")) {
            (Some(_), _) => self.member(node),
            (None, Some(index)) => {
                let of = self.operand(node, "object");
                let args = vec![self.expression(index)];
                self.lower.add(Kind::Index { of, args }, node)
            }
            (None, None) => match operands(node).first() {
                Some(inner) => self.expression(*inner),
                None => self.lower.nothing(node),
            },
        }
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let mut types = Vec::new();
        let callee = match node.child_by_field_name("function") {
            Some(function) if function.kind() == "instantiation_expression" => {
                types = function
                    .child_by_field_name("type_arguments")
                    .map(|n| self.type_args(n))
                    .unwrap_or_default();
                self.operand(function, "function")
            }
            Some(function) => self.expression(function),
            None => self.lower.nothing(node),
        };
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        self.lower.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
    }

    /// `const A(1)`, `new A.b(1)`, `A<T>.b(1)`.
    fn made(&mut self, node: Node<'_>) -> Id {
        let ty = match node.child_by_field_name("type").filter(|n| n.kind() == "type") {
            Some(ty) => self.type_name(ty),
            None => self.type_name(node),
        };
        let mut callee = self.dotted_name(&ty);
        if let Some(constructor) = node.child_by_field_name("constructor").filter(|n| n.kind() != "new") {
            callee = self.member_of(callee, constructor, false, node);
        }
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        self.lower.add(Kind::Call(Call { callee, types: ty.args, args, new: true, body: None }), node)
    }

    /// A type's name as an expression.
    fn dotted_name(&mut self, ty: &TypeName) -> Id {
        let mut parts = ty.name.split('.');
        let first = parts.next().unwrap_or_default();
        let mut id = self.lower.tree.add(Kind::Name(first.into()), ty.span);
        for part in parts {
            let member = Member { of: id, name: part.into(), name_span: ty.span, safe: false };
            id = self.lower.tree.add(Kind::Member(member), ty.span);
        }
        id
    }

    /// `.value`, whose type the context says: its last name is all that is written.
    fn shorthand(&mut self, node: Node<'_>) -> Id {
        match operands(node).first() {
            Some(name) => {
                let name = self.lower.name(*name);
                self.lower.add(Kind::Reference { of: None, name }, node)
            }
            None => self.lower.nothing(node),
        }
    }

    pub(super) fn arguments(&mut self, node: Node<'_>) -> Vec<Arg> {
        operands(node).into_iter().filter_map(|n| self.argument(n)).collect()
    }

    fn argument(&mut self, node: Node<'_>) -> Option<Arg> {
        if node.kind() == "named_argument" {
            let label = child(node, "label").and_then(|n| child(n, "identifier"))?;
            let value = operands(node).into_iter().next_back()?;
            let name = Some(self.lower.name(label));
            return Some(Arg { name, value: self.expression(value), spread: false });
        }
        (node.kind() != "annotation_open_paren").then(|| plain(self.expression(node)))
    }

    /// The fields of a record: `(7, title: 'Saw')`; the grammar leaves the label of a lone one outside.
    fn record_fields(&mut self, node: Node<'_>) -> Vec<Arg> {
        let (mut fields, mut label) = (Vec::new(), None);
        for part in operands(node) {
            if part.kind() == "label" {
                label = child(part, "identifier");
                continue;
            }
            let label = label.take().or_else(|| child(part, "label").and_then(|n| child(n, "identifier")));
            let value = if part.kind() == "record_field" {
                operands(part).into_iter().next_back()
            } else {
                Some(part)
            };
            let name = label.map(|n| self.lower.name(n));
            fields.extend(value.map(|value| Arg { name, ..plain(self.expression(value)) }));
        }
        fields
    }

    fn string(&mut self, node: Node<'_>) -> Id {
        let mut pieces = Vec::new();
        for part in named(node) {
            let raw = part.kind().starts_with("raw");
            for inner in children(part) {
                self.string_piece(inner, raw, &mut pieces);
            }
        }
        self.lower.add(Kind::Text(pieces), node)
    }

    fn string_piece(&mut self, node: Node<'_>, raw: bool, pieces: &mut Vec<Piece>) {
        match node.kind() {
            "template_substitution" => {
                if let Some(inner) = operands(node).into_iter().next() {
                    pieces.push(Piece::Hole(self.expression(inner)));
                }
            }
            "escape_sequence" if !raw => pieces.push(Piece::Text(unescape(self.lower.str(node)))),
            kind if kind.starts_with("template_chars") => {
                pieces.push(Piece::Text(self.lower.str(node).into()));
            }
            "$" if raw => pieces.push(Piece::Text("$".into())),
            _ => {}
        }
    }

    fn unary(&mut self, node: Node<'_>) -> Id {
        let inner = operands(node).into_iter().next_back();
        let Some(inner) = inner else { return self.lower.nothing(node) };
        if inner.kind() == "await_expression" {
            return self.expression(inner);
        }
        let op: SmolStr = if node.kind() == "await_expression" {
            "await".into()
        } else {
            node.child_by_field_name("operator").map(|n| self.lower.name(n)).unwrap_or_default()
        };
        let of = self.expression(inner);
        self.lower.add(Kind::Unary { op: op.as_str().into(), of }, node)
    }

    /// `x++`, told from `++x` by its sign standing last.
    fn postfix(&mut self, node: Node<'_>) -> Id {
        let op = node.child_by_field_name("operator").map(|n| format!("_{}", self.lower.str(n)));
        let of = self.operand(node, "argument");
        self.lower.add(Kind::Unary { op: op.unwrap_or_default().as_str().into(), of }, node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let operator = node.child_by_field_name("operator");
        let parts: Vec<_> = operands(node).into_iter().filter(|n| Some(*n) != operator).collect();
        let (Some(left), Some(right)) = (parts.first(), parts.last()) else { return self.other(node) };
        let op: SmolStr = match (node.kind(), operator) {
            ("if_null_expression", _) => "?:".into(),
            ("logical_or_expression", _) => "||".into(),
            ("logical_and_expression", _) => "&&".into(),
            (_, Some(operator)) => self.lower.name(operator),
            _ => SmolStr::default(),
        };
        let (left, right) = (self.expression(*left), self.expression(*right));
        self.lower.add(Kind::Binary { op: op.as_str().into(), left, right }, node)
    }

    fn conditional(&mut self, node: Node<'_>) -> Id {
        let Some(test) = operands(node).into_iter().next() else { return self.lower.nothing(node) };
        let tests = vec![self.expression(test)];
        let then = Arm { tests, body: self.operand(node, "consequence") };
        let other = Arm { tests: Vec::new(), body: self.operand(node, "alternative") };
        self.lower.add(Kind::Branch { subject: None, arms: vec![then, other] }, node)
    }

    fn cast(&mut self, node: Node<'_>) -> Id {
        let Some(of) = operands(node).into_iter().next() else { return self.lower.nothing(node) };
        let of = self.expression(of);
        let ty = child(node, "type_cast").and_then(|n| child(n, "type")).map(|n| self.type_name(n));
        self.lower.add(Kind::Cast { of, ty: ty.unwrap_or_default(), safe: false }, node)
    }

    fn type_test(&mut self, node: Node<'_>) -> Id {
        let Some(left) = operands(node).into_iter().next() else { return self.lower.nothing(node) };
        let left = self.expression(left);
        let test = child(node, "type_test");
        let ty = test.and_then(|n| child(n, "type")).map(|n| self.type_name(n)).unwrap_or_default();
        let not = test.and_then(|n| child(n, "is_operator")).is_some_and(|n| self.lower.str(n).contains('!'));
        let right = self.lower.tree.add(Kind::ClassOf(ty.clone()), ty.span);
        let op = if not { "is!" } else { "is" };
        self.lower.add(Kind::Binary { op: op.into(), left, right }, node)
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let target = self.operand(node, "left");
        let op = node.child_by_field_name("operator").map(|n| self.lower.name(n)).unwrap_or("=".into());
        let value = self.operand(node, "right");
        self.lower.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let list = child(node, "formal_parameter_list");
        let params = list.map(|n| self.params(n)).unwrap_or_default();
        let body = node.child_by_field_name("body").and_then(|n| operands(n).into_iter().next_back());
        let body = match body {
            Some(body) => self.item(body),
            None => self.lower.nothing(node),
        };
        self.lower.add(Kind::Lambda { params, body }, node)
    }

    /// `x..a()..b = c`: a function that is handed `x` and gives it back.
    fn cascade(&mut self, node: Node<'_>) -> Id {
        let parts = operands(node);
        let Some(first) = parts.first() else { return self.lower.nothing(node) };
        let of = self.expression(*first);
        let sections: Vec<_> = parts.into_iter().filter(|n| n.kind() == "cascade_section").collect();
        let start = sections.first().map_or(span(node), |n| span(*n)).start;
        let items = sections.into_iter().map(|n| self.section(n)).collect();
        let parameter = Parameter { name: SUBJECT.into(), ..Parameter::default() };
        let at = Span { start, end: start };
        let parameter = self.lower.tree.add(Kind::Parameter(parameter), at);
        let body = self.lower.add(Kind::Block(items), node);
        let lambda = self.lower.add(Kind::Lambda { params: vec![parameter], body }, node);
        self.call_on(of, CASCADE, vec![plain(lambda)], node)
    }

    fn section(&mut self, node: Node<'_>) -> Id {
        let parts = operands(node);
        let Some(first) = parts.first() else { return self.lower.nothing(node) };
        let target = self.selected(*first);
        let operator =
            children(node).into_iter().find(|n| !n.is_named() && self.lower.str(*n).ends_with('='));
        match (operator, parts.last()) {
            (Some(operator), Some(value)) if parts.len() > 1 => {
                let op = self.lower.name(operator);
                let value = self.expression(*value);
                self.lower.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
            }
            _ => target,
        }
    }

    /// What a section says of the subject.
    fn selected(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "cascade_selector" => {
                let subject = self.subject(node);
                let Some(inner) = operands(node).into_iter().next() else { return subject };
                if has(node, "[") {
                    let args = vec![self.expression(inner)];
                    return self.lower.add(Kind::Index { of: subject, args }, node);
                }
                self.member_of(subject, inner, false, node)
            }
            "cascade_call_expression" => {
                let callee =
                    match (node.child_by_field_name("property"), node.child_by_field_name("function")) {
                        (Some(property), _) => {
                            let subject = self.subject(property);
                            self.member_of(subject, property, false, property)
                        }
                        (None, Some(function)) => self.selected(function),
                        (None, None) => self.lower.nothing(node),
                    };
                let types = node.child_by_field_name("type_arguments").map(|n| self.type_args(n));
                let args = node.child_by_field_name("arguments").map(|n| self.arguments(n));
                let (types, args) = (types.unwrap_or_default(), args.unwrap_or_default());
                self.lower.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
            }
            "cascade_member_expression" | "cascade_null_aware_member_expression" => {
                let of = match node.child_by_field_name("object") {
                    Some(object) => self.selected(object),
                    None => self.lower.nothing(node),
                };
                match node.child_by_field_name("property") {
                    Some(property) => self.member_of(of, property, has(node, "?."), node),
                    None => of,
                }
            }
            _ => self.expression(node),
        }
    }

    fn subject(&mut self, node: Node<'_>) -> Id {
        let start = span(node).start;
        self.lower.tree.add(Kind::Name(SUBJECT.into()), Span { start, end: start })
    }

    /// A type as it is written in a `type` node, or in a node that begins with a type's name.
    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        let parts: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "type_identifier").collect();
        let (Some(first), Some(last)) = (parts.first(), parts.last()) else {
            let word = if has(node, "Function") { "Function" } else { "" };
            let void = child(node, "void_type").is_some();
            let name = if void { "void" } else { word };
            return TypeName { nullable: has(node, "?"), ..bare_type(name.into(), span(node)) };
        };
        let name = parts.iter().map(|n| self.lower.str(*n)).collect::<Vec<_>>().join(".");
        TypeName {
            name: name.into(),
            args: child(node, "type_arguments").map(|n| self.type_args(n)).unwrap_or_default(),
            nullable: has(node, "?"),
            span: Span { start: span(*first).start, end: span(*last).end },
            described: None,
        }
    }

    pub(super) fn type_args(&self, node: Node<'_>) -> Vec<TypeName> {
        named(node).into_iter().map(|n| self.type_name(n)).collect()
    }
}
