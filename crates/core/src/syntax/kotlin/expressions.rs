//! Kotlin's expressions and statements.

use super::Kotlin;
use super::declarations::is_type;
use crate::syntax::UnaryOp;
use crate::syntax::code::{child, children, has, named, plain, span, unescape};
use crate::syntax::{Arm, Call, Class, ClassKind, Id, Kind, Member, Parameter, Piece};
use smol_str::SmolStr;
use tree_sitter::Node;

/// Infix functions of the language's own library.
const INFIX: &[&str] = &["and", "downTo", "or", "shl", "shr", "step", "to", "until", "ushr", "xor"];

impl Kotlin<'_> {
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
            "identifier" => self.bare_name(node),
            "navigation_expression" => self.navigation(node),
            "call_expression" => self.call(node),
            "string_literal" | "multiline_string_literal" => self.string(node),
            "character_literal" => {
                let text = self.0.str(node).trim_matches('\'').into();
                self.0.add(Kind::Text(vec![Piece::Text(text)]), node)
            }
            "number_literal" | "float_literal" => {
                let text = self.0.str(node).into();
                self.0.add(Kind::Number(text), node)
            }
            "this_expression" => self.0.add(Kind::This, node),
            "super_expression" => self.0.add(Kind::Super, node),
            "block" => {
                let items = self.items(named(node));
                self.0.add(Kind::Block(items), node)
            }
            "parenthesized_expression" | "labeled_expression" | "annotated_expression" => {
                match named(node).last() {
                    Some(inner) => self.expression(*inner),
                    None => self.0.nothing(node),
                }
            }
            "binary_expression" | "infix_expression" | "range_expression" | "in_expression" => {
                self.binary(node)
            }
            "unary_expression" => self.unary(node),
            "as_expression" => self.cast(node),
            "is_expression" => self.is_expression(node),
            "type_test" => self.type_test(node),
            "if_expression" => self.if_expression(node),
            "when_expression" => self.when_expression(node),
            "lambda_literal" | "annotated_lambda" | "anonymous_function" => self.lambda(node),
            "object_literal" => self.object(node),
            "callable_reference" => self.reference(node),
            "assignment" => self.assignment(node),
            "index_expression" => self.index(node),
            "return_expression" => {
                let value =
                    named(node).into_iter().rfind(|n| n.kind() != "label").map(|n| self.expression(n));
                self.0.add(Kind::Return(value), node)
            }
            "class_declaration"
            | "object_declaration"
            | "function_declaration"
            | "property_declaration"
            | "ERROR" => self.item(node),
            "for_statement" => self.for_loop(node),
            "variable_declaration" => self.declared(node),
            "multi_variable_declaration" => {
                let inside = named(node).into_iter().map(|n| self.declared(n)).collect();
                self.0.add(Kind::Other(inside), node)
            }
            _ if is_type(node) => self.0.nothing(node),
            _ => {
                let inside = self.items(named(node));
                self.0.add(Kind::Other(inside), node)
            }
        }
    }

    fn bare_name(&mut self, node: Node<'_>) -> Id {
        let kind = match self.0.str(node) {
            "true" => Kind::Bool(true),
            "false" => Kind::Bool(false),
            "null" => Kind::Null,
            _ => Kind::Name(self.0.name(node)),
        };
        self.0.add(kind, node)
    }

    /// `a.b`, `a?.b`, and what the grammar reads as such: `X::class`, `this::go`.
    fn navigation(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(of), Some(name)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        if parts.len() < 2 {
            return self.expression(*of);
        }
        if has(node, "::") {
            if self.0.str(*name) == "class" {
                let ty = self.class_name(*of);
                return self.0.add(Kind::ClassOf(ty), node);
            }
            let of = self.expression(*of);
            let name = self.0.name(*name);
            return self.0.add(Kind::Reference { of: Some(of), name }, node);
        }
        let of = self.expression(*of);
        // `X::class.java` is the class still.
        if let (Kind::ClassOf(ty), "java" | "javaObjectType") = (self.0.tree.kind(of), self.0.str(*name)) {
            let ty = ty.clone();
            return self.0.add(Kind::ClassOf(ty), node);
        }
        let (of, prefix) = self.without_prefix(of);
        let member = Member { of, name: self.0.name(*name), name_span: span(*name), safe: has(node, "?.") };
        let id = self.0.add(Kind::Member(member), node);
        self.with_prefix(id, prefix, node)
    }

    /// `!a.b` is `!(a.b)`, though the grammar reads `(!a).b`: the operator is taken off here and put
    /// back around the whole.
    fn without_prefix(&self, id: Id) -> (Id, Option<UnaryOp>) {
        match self.0.tree.kind(id) {
            Kind::Unary { op: op @ (UnaryOp::Not | UnaryOp::Minus | UnaryOp::Plus), of } => (*of, Some(*op)),
            _ => (id, None),
        }
    }

    fn with_prefix(&mut self, id: Id, prefix: Option<UnaryOp>, node: Node<'_>) -> Id {
        match prefix {
            Some(op) => self.0.add(Kind::Unary { op, of: id }, node),
            None => id,
        }
    }

    fn class_name(&self, node: Node<'_>) -> crate::syntax::TypeName {
        let name = self.0.str(node).split_whitespace().collect::<String>();
        crate::syntax::code::bare_type(name.into(), span(node))
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let Some(first) = parts.first().copied() else { return self.0.nothing(node) };
        let lambda = child(node, "annotated_lambda");
        // `f(x) { … }` is a call of `f(x)` with a lambda to the grammar: one call to everybody else.
        let inner = (first.kind() == "call_expression"
            && lambda.is_some()
            && child(node, "value_arguments").is_none())
        .then_some(first)
        .filter(|inner| child(*inner, "annotated_lambda").is_none());
        let head = inner.unwrap_or(node);
        let callee = named(head).first().copied().unwrap_or(first);
        let callee = self.expression(callee);
        let (callee, prefix) = self.without_prefix(callee);
        let mut args = child(head, "value_arguments").map(|n| self.arguments(n)).unwrap_or_default();
        if let Some(lambda) = lambda {
            args.push(plain(self.lambda(lambda)));
        }
        let types = child(head, "type_arguments").map(|n| self.type_args(n)).unwrap_or_default();
        let id = self.0.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node);
        self.with_prefix(id, prefix, node)
    }

    /// A string's pieces. The grammar hands `$name` in a one-line string over as text.
    fn string(&mut self, node: Node<'_>) -> Id {
        let mut pieces: Vec<Piece> = Vec::new();
        let mut dollar = false;
        for part in named(node) {
            match part.kind() {
                "string_content" => {
                    let text = self.0.str(part);
                    // An escaped dollar is another kind of part.
                    if std::mem::replace(&mut dollar, text == "$")
                        && text.starts_with(|c: char| c.is_alphabetic() || c == '_')
                    {
                        pieces.pop();
                        self.short_hole(part, text, &mut pieces);
                    } else {
                        pieces.push(Piece::Text(text.into()));
                    }
                }
                "escape_sequence" => pieces.push(Piece::Text(unescape(self.0.str(part)))),
                "interpolation" => {
                    if let Some(inner) = named(part).into_iter().next() {
                        pieces.push(Piece::Hole(self.expression(inner)));
                    }
                }
                _ => {}
            }
        }
        self.0.add(Kind::Text(pieces), node)
    }

    fn short_hole(&mut self, part: Node<'_>, text: &str, pieces: &mut Vec<Piece>) {
        let end = text.find(|c: char| !c.is_alphanumeric() && c != '_').unwrap_or(text.len());
        let at = span(part).start as usize;
        let name = crate::model::Span::new(at, at + end);
        let kind = if &text[..end] == "this" { Kind::This } else { Kind::Name(text[..end].into()) };
        pieces.push(Piece::Hole(self.0.tree.add(kind, name)));
        if end < text.len() {
            pieces.push(Piece::Text(text[end..].into()));
        }
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(left), Some(right)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        if let Some(call) = self.generic_call(node, *left, *right) {
            return call;
        }
        let op = match (node.kind(), parts.get(1)) {
            ("infix_expression", Some(word)) if parts.len() > 2 => self.0.name(*word),
            _ => {
                children(node).into_iter().find(|n| !n.is_named()).map(|n| self.0.name(n)).unwrap_or_default()
            }
        };
        let (left, right) = (self.expression(*left), self.expression(*right));
        // Any other word between two values is a call.
        if node.kind() == "infix_expression" && !INFIX.contains(&op.as_str()) {
            let name_span = parts.get(1).map_or(span(node), |word| span(*word));
            let callee =
                self.0.add(Kind::Member(Member { of: left, name: op, name_span, safe: false }), node);
            return self.0.add(
                Kind::Call(Call {
                    callee,
                    types: Vec::new(),
                    args: vec![plain(right)],
                    new: false,
                    body: None,
                }),
                node,
            );
        }
        self.0.add(Kind::Binary { op: op.as_str().into(), left, right }, node)
    }

    /// `a!!.get<Int>(x)` and `composable<Item> { … }`, which the grammar reads as two comparisons.
    /// Kotlin knows no such chain.
    fn generic_call(&mut self, node: Node<'_>, left: Node<'_>, right: Node<'_>) -> Option<Id> {
        let inner = named(left);
        let compares = has(node, ">") && left.kind() == "binary_expression" && has(left, "<");
        let [callee, ty] = inner.as_slice() else { return None };
        (compares && matches!(ty.kind(), "identifier" | "navigation_expression")).then_some(())?;
        let args: Vec<Node<'_>> = match right.kind() {
            "parenthesized_expression" => named(right),
            "lambda_literal" => vec![right],
            _ => return None,
        };
        let callee = self.expression(*callee);
        let args = args.into_iter().map(|n| plain(self.expression(n))).collect();
        let types = vec![self.class_name(*ty)];
        Some(self.0.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node))
    }

    fn unary(&mut self, node: Node<'_>) -> Id {
        let Some(of) = named(node).into_iter().next() else { return self.0.nothing(node) };
        let op =
            children(node).into_iter().find(|n| !n.is_named()).map(|n| self.0.name(n)).unwrap_or_default();
        let of = self.expression(of);
        self.0.add(Kind::Unary { op: op.as_str().into(), of }, node)
    }

    fn cast(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(of), Some(ty)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        let (of, ty) = (self.expression(*of), self.type_name(*ty));
        self.0.add(Kind::Cast { of, ty, safe: has(node, "as?") }, node)
    }

    /// `a is B` compares with a class.
    fn is_expression(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(left), Some(ty)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        let left = self.expression(*left);
        let ty = self.type_name(*ty);
        let right = self.0.tree.add(Kind::ClassOf(ty.clone()), ty.span);
        self.0.add(Kind::Binary { op: "is".into(), left, right }, node)
    }

    /// `is B` in a `when`; what is not of a type says nothing.
    fn type_test(&mut self, node: Node<'_>) -> Id {
        let ty = named(node).into_iter().find(|n| is_type(*n)).filter(|_| !has(node, "!is"));
        match ty {
            Some(ty) => {
                let ty = self.type_name(ty);
                let span = ty.span;
                self.0.tree.add(Kind::ClassOf(ty), span)
            }
            None => self.0.nothing(node),
        }
    }

    fn if_expression(&mut self, node: Node<'_>) -> Id {
        let condition = node.child_by_field_name("condition");
        let bodies: Vec<_> = named(node).into_iter().filter(|n| Some(*n) != condition).collect();
        let test = condition.map(|n| self.expression(n));
        let mut arms = Vec::new();
        for (i, body) in bodies.into_iter().enumerate() {
            let tests = if i == 0 { test.into_iter().collect() } else { Vec::new() };
            arms.push(Arm { tests, body: self.expression(body) });
        }
        if arms.is_empty() {
            let inside = test.into_iter().collect();
            return self.0.add(Kind::Other(inside), node);
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn when_expression(&mut self, node: Node<'_>) -> Id {
        let subject = child(node, "when_subject").map(|n| {
            let inside: Vec<_> = named(n).into_iter().map(|part| self.expression(part)).collect();
            match inside.as_slice() {
                [one] => *one,
                _ => self.0.add(Kind::Other(inside), n),
            }
        });
        let entries: Vec<_> = named(node).into_iter().filter(|n| n.kind() == "when_entry").collect();
        let mut arms = Vec::new();
        for entry in entries {
            let tests: Vec<_> = entry.children_by_field_name("condition", &mut entry.walk()).collect();
            let body = named(entry).into_iter().rfind(|n| !tests.contains(n));
            let tests = tests.into_iter().map(|n| self.expression(n)).collect();
            if let Some(body) = body {
                arms.push(Arm { tests, body: self.expression(body) });
            }
        }
        self.0.add(Kind::Branch { subject, arms }, node)
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let literal = child(node, "lambda_literal").unwrap_or(node);
        if literal.kind() == "anonymous_function" {
            let params =
                child(literal, "function_value_parameters").map(|n| self.params(n)).unwrap_or_default();
            let body = child(literal, "function_body").map(|n| self.inside(n));
            let body = body.unwrap_or_else(|| self.0.nothing(literal));
            return self.0.add(Kind::Lambda { params, body }, literal);
        }
        let mut params = Vec::new();
        let mut items = Vec::new();
        if let Some(list) = child(literal, "lambda_parameters") {
            for part in named(list) {
                if part.kind() == "multi_variable_declaration" {
                    let name = self.0.held(part);
                    items.extend(self.parts(&name, part));
                    let parameter = Parameter { name, ..Parameter::default() };
                    params.push(self.0.add(Kind::Parameter(parameter), part));
                    continue;
                }
                let name = child(part, "identifier").map(|n| self.0.name(n)).unwrap_or_default();
                let ty = named(part).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n));
                let parameter = Parameter { name, ty, ..Parameter::default() };
                params.push(self.0.add(Kind::Parameter(parameter), part));
            }
        }
        let statements = named(literal).into_iter().filter(|n| n.kind() != "lambda_parameters").collect();
        items.extend(self.items(statements));
        let body = self.0.add(Kind::Block(items), literal);
        self.0.add(Kind::Lambda { params, body }, literal)
    }

    fn object(&mut self, node: Node<'_>) -> Id {
        let supers = child(node, "delegation_specifiers").map(|n| self.supers(n)).unwrap_or_default();
        let members = child(node, "class_body").map(|n| self.members(n)).unwrap_or_default();
        let class = Class {
            supers,
            members,
            kind: ClassKind::Anonymous,
            name: SmolStr::default(),
            ..self.empty_class(node, "")
        };
        self.0.add(Kind::Class(class), node)
    }

    fn reference(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let Some(name) = parts.last() else { return self.0.nothing(node) };
        let of = (parts.len() > 1).then(|| match is_type(parts[0]) {
            // What stands before `::` may be a value as well as a type.
            true => self.0.add(Kind::Name(self.type_name(parts[0]).name), parts[0]),
            false => self.expression(parts[0]),
        });
        let name = self.0.name(*name);
        self.0.add(Kind::Reference { of, name }, node)
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(target), Some(value)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        let op =
            children(node).into_iter().find(|n| !n.is_named()).map(|n| self.0.name(n)).unwrap_or_default();
        let (target, value) = (self.expression(*target), self.expression(*value));
        self.0.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    fn index(&mut self, node: Node<'_>) -> Id {
        let mut parts = named(node).into_iter();
        let Some(of) = parts.next() else { return self.0.nothing(node) };
        let of = self.expression(of);
        let args = parts.map(|n| self.expression(n)).collect();
        self.0.add(Kind::Index { of, args }, node)
    }
}
