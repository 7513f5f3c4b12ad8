//! C#'s expressions.

use super::CSharp;
use crate::model::Span;
use crate::syntax::code::{child, children, named, operands, span};
use crate::syntax::{Arg, Call, Id, Kind, Member, Parameter};
use tree_sitter::Node;

impl CSharp<'_> {
    pub(super) fn expression(&mut self, node: Node<'_>) -> Id {
        if !self.low.enter(node) {
            return self.low.nothing(node);
        }
        let id = self.expression_inner(node);
        self.low.leave();
        id
    }

    fn expression_inner(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "identifier" | "predefined_type" => {
                let name = self.low.str(node).trim_start_matches('@').into();
                self.low.add(Kind::Name(name), node)
            }
            "generic_name" => match named(node).into_iter().next() {
                Some(name) => self.expression(name),
                None => self.low.nothing(node),
            },
            "qualified_name" => {
                let name = self.type_name(node).name;
                self.type_path(&name, node)
            }
            "this" | "this_expression" => self.low.add(Kind::This, node),
            "base" | "base_expression" => self.low.add(Kind::Super, node),
            "member_access_expression" => self.member(node),
            "conditional_access_expression" => self.conditional_access(node),
            "invocation_expression" => self.call(node),
            "object_creation_expression" | "implicit_object_creation_expression" => self.creation(node),
            "anonymous_object_creation_expression" => self.anonymous(node),
            "array_creation_expression"
            | "implicit_array_creation_expression"
            | "collection_expression"
            | "initializer_expression" => self.list(node, None),
            "string_literal"
            | "verbatim_string_literal"
            | "raw_string_literal"
            | "character_literal"
            | "interpolated_string_expression" => self.text(node),
            "integer_literal" | "real_literal" => {
                let text = self.low.str(node).into();
                self.low.add(Kind::Number(text), node)
            }
            "boolean_literal" => {
                let yes = self.low.str(node) == "true";
                self.low.add(Kind::Bool(yes), node)
            }
            "null_literal" => self.low.add(Kind::Null, node),
            "typeof_expression" => {
                let ty = node.child_by_field_name("type").map(|n| self.type_name(n)).unwrap_or_default();
                self.low.add(Kind::ClassOf(ty), node)
            }
            "element_access_expression" => self.index(node),
            "assignment_expression" => self.assignment(node),
            "binary_expression" => self.binary(node),
            "cast_expression" => self.cast(node, "type", "value", false),
            "as_expression" => self.cast(node, "right", "left", true),
            "is_pattern_expression" => self.is_pattern(node),
            "conditional_expression" => self.choice(node),
            "switch_expression" => self.switch_expression(node),
            "lambda_expression" | "anonymous_method_expression" => self.lambda(node),
            "declaration_expression" => self.out_variable(node),
            "tuple_expression" => {
                let items = self.arguments(node);
                self.low.add(Kind::List(items), node)
            }
            "await_expression" | "parenthesized_expression" | "checked_expression" => {
                match operands(node).into_iter().next() {
                    Some(inner) => self.expression(inner),
                    None => self.low.nothing(node),
                }
            }
            "prefix_unary_expression" | "postfix_unary_expression" => self.unary(node),
            "class_declaration"
            | "local_declaration_statement"
            | "block"
            | "expression_statement"
            | "local_function_statement"
            | "if_statement"
            | "switch_statement"
            | "return_statement"
            | "foreach_statement"
            | "using_statement"
            | "for_statement"
            | "catch_clause" => self.item(node),
            _ => {
                let inside = self.statements(named(node));
                self.low.add(Kind::Other(inside), node)
            }
        }
    }

    fn member(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(of), Some(name)) = (field("expression"), field("name")) else {
            return self.low.nothing(node);
        };
        let of = self.expression(of);
        self.member_of(of, name, false, node)
    }

    fn member_of(&mut self, of: Id, name: Node<'_>, safe: bool, node: Node<'_>) -> Id {
        // Of a generic name only the name.
        let name = named(name).into_iter().next().filter(|_| name.kind() == "generic_name").unwrap_or(name);
        let member = Member { of, name: self.low.name(name), name_span: span(name), safe };
        let whole = Span { start: span(node).start, end: span(name).end };
        self.low.tree.add(Kind::Member(member), whole)
    }

    /// `of?.name`, `of?["key"]`.
    fn conditional_access(&mut self, node: Node<'_>) -> Id {
        let Some(of) = node.child_by_field_name("condition") else { return self.low.nothing(node) };
        let of = self.expression(of);
        let Some(step) = named(node).into_iter().next_back() else { return of };
        self.step(of, step, node)
    }

    /// What follows a `?` is written without what it is taken from.
    fn step(&mut self, of: Id, step: Node<'_>, node: Node<'_>) -> Id {
        let field = |name: &str| step.child_by_field_name(name);
        match step.kind() {
            "member_binding_expression" => match field("name") {
                Some(name) => self.member_of(of, name, true, node),
                None => of,
            },
            "element_binding_expression" => {
                let args = self.arguments(step).into_iter().map(|arg| arg.value).collect();
                self.low.add(Kind::Index { of, args }, node)
            }
            "member_access_expression" => match (field("expression"), field("name")) {
                (Some(inner), Some(name)) => {
                    let of = self.step(of, inner, node);
                    self.member_of(of, name, false, node)
                }
                _ => of,
            },
            "invocation_expression" => match (field("function"), field("arguments")) {
                (Some(function), Some(list)) => {
                    let callee = self.step(of, function, node);
                    let types = self.types_of(function);
                    let args = self.arguments(list);
                    self.low.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
                }
                _ => of,
            },
            "conditional_access_expression" => {
                let inner = field("condition");
                let of = inner.map_or(of, |inner| self.step(of, inner, node));
                match named(step).into_iter().next_back() {
                    Some(last) => self.step(of, last, node),
                    None => of,
                }
            }
            _ => {
                let other = self.expression(step);
                self.low.add(Kind::Other(vec![of, other]), node)
            }
        }
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(function), Some(list)) = (field("function"), field("arguments")) else {
            return self.low.nothing(node);
        };
        if self.low.str(function) == "nameof"
            && let Some(of) = named(list).first().and_then(|arg| named(*arg).into_iter().next())
        {
            let of = self.expression(of);
            return self.low.add(Kind::Unary { op: NAMEOF.into(), of }, node);
        }
        let callee = self.expression(function);
        let types = self.types_of(function);
        let args = self.arguments(list);
        self.low.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
    }

    /// The type arguments that a callee carries.
    fn types_of(&self, function: Node<'_>) -> Vec<crate::syntax::TypeName> {
        match function.kind() {
            "generic_name" => self.type_args(function),
            "member_access_expression" | "member_binding_expression" => {
                function.child_by_field_name("name").map(|n| self.types_of(n)).unwrap_or_default()
            }
            "conditional_access_expression" => {
                let last = named(function).into_iter().next_back();
                last.map(|n| self.types_of(n)).unwrap_or_default()
            }
            _ => Vec::new(),
        }
    }

    pub(super) fn arguments(&mut self, list: Node<'_>) -> Vec<Arg> {
        let parts = named(list).into_iter().filter(|n| n.kind() == "argument");
        parts
            .filter_map(|part| {
                let label = part.child_by_field_name("name");
                let value = operands(part).into_iter().rfind(|n| Some(n.id()) != label.map(|l| l.id()))?;
                let name = label.map(|n| self.low.name(n));
                Some(Arg { name, value: self.expression(value), spread: false })
            })
            .collect()
    }

    fn index(&mut self, node: Node<'_>) -> Id {
        let Some(of) = node.child_by_field_name("expression") else { return self.low.nothing(node) };
        let of = self.expression(of);
        let list = node.child_by_field_name("subscript").map(|n| self.arguments(n)).unwrap_or_default();
        let args = list.into_iter().map(|arg| arg.value).collect();
        self.low.add(Kind::Index { of, args }, node)
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(target), Some(value)) = (field("left"), field("right")) else {
            return self.low.nothing(node);
        };
        let op = field("operator").map(|n| self.low.name(n)).unwrap_or_default();
        let op = if op == "??=" { "=".into() } else { op };
        let (target, value) = (self.expression(target), self.expression(value));
        self.low.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(left), Some(right)) = (field("left"), field("right")) else {
            return self.low.nothing(node);
        };
        let op = field("operator").map(|n| self.low.name(n)).unwrap_or_default();
        let op = if op == "??" { "?:".into() } else { op };
        let (left, right) = (self.expression(left), self.expression(right));
        self.low.add(Kind::Binary { op: op.as_str().into(), left, right }, node)
    }

    fn cast(&mut self, node: Node<'_>, ty: &str, of: &str, safe: bool) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(ty), Some(of)) = (field(ty), field(of)) else { return self.low.nothing(node) };
        let (ty, of) = (self.type_name(ty), self.expression(of));
        self.low.add(Kind::Cast { of, ty, safe }, node)
    }

    /// `x is Shelf shelf`, `x is null`.
    fn is_pattern(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(of), Some(pattern)) = (field("expression"), field("pattern")) else {
            return self.low.nothing(node);
        };
        let left = self.expression(of);
        let mut tests = self.pattern(pattern, Some(left));
        match (tests.pop(), tests.is_empty()) {
            (Some(right), true) => self.low.add(Kind::Binary { op: "is".into(), left, right }, node),
            (last, _) => {
                tests.extend(last);
                tests.insert(0, left);
                self.low.add(Kind::Other(tests), node)
            }
        }
    }

    /// `out var x`, `out string x`: a name that the call fills.
    fn out_variable(&mut self, node: Node<'_>) -> Id {
        let Some(name) = node.child_by_field_name("name") else { return self.low.nothing(node) };
        let ty = self.declared(node);
        self.hoist(name, ty, None);
        let text = self.low.name(name);
        self.low.add(Kind::Name(text), name)
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let list = node.child_by_field_name("parameters").or_else(|| child(node, "parameter_list"));
        let params = match list {
            Some(one) if one.kind() != "parameter_list" => {
                let parameter = Parameter { name: self.low.name(one), ..Parameter::default() };
                vec![self.low.add(Kind::Parameter(parameter), one)]
            }
            Some(list) => self.params(list, false),
            None => Vec::new(),
        };
        let body = node.child_by_field_name("body").or_else(|| child(node, "block"));
        let body = body.map(|n| self.statements(vec![n]));
        let body = match body.as_deref() {
            Some([one]) => *one,
            Some(items) => {
                let items = items.to_vec();
                self.low.add(Kind::Block(items), node)
            }
            None => self.low.nothing(node),
        };
        self.low.add(Kind::Lambda { params, body }, node)
    }

    /// `!x`; a `!` behind a value says that it is not null.
    fn unary(&mut self, node: Node<'_>) -> Id {
        let Some(of) = named(node).into_iter().next() else { return self.low.nothing(node) };
        let of = self.expression(of);
        let sign = children(node).into_iter().find(|n| !n.is_named()).map(|n| self.low.name(n));
        let op = sign.unwrap_or_default();
        let op = if op == "!" && node.kind() == "postfix_unary_expression" { "!!".into() } else { op };
        self.low.add(Kind::Unary { op: op.as_str().into(), of }, node)
    }
}

/// The operator that takes the last name of a name.
const NAMEOF: &str = "nameof";
