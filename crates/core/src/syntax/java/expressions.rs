//! Java's expressions and statements.

use super::Java;
use crate::syntax::code::{Modifiers, child, children, named, plain, span, unescape};
use crate::syntax::{Arm, Call, Id, Kind, Member, Parameter, Piece, Variable};
use tree_sitter::Node;

impl Java<'_> {
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
            "identifier" | "type_identifier" | "scoped_type_identifier" => {
                let name = self.0.name(node);
                self.0.add(Kind::Name(name), node)
            }
            "field_access" => self.field(node),
            "method_invocation" => self.call(node),
            "object_creation_expression" => self.creation(node),
            "explicit_constructor_invocation" => self.explicit_constructor(node),
            "string_literal" => self.string(node),
            "character_literal" => {
                let text = self.0.str(node).trim_matches('\'').into();
                self.0.add(Kind::Text(vec![Piece::Text(text)]), node)
            }
            kind if kind.ends_with("integer_literal") || kind.ends_with("floating_point_literal") => {
                let text = self.0.str(node).into();
                self.0.add(Kind::Number(text), node)
            }
            "true" | "false" => self.0.add(Kind::Bool(node.kind() == "true"), node),
            "null_literal" => self.0.add(Kind::Null, node),
            "this" => self.0.add(Kind::This, node),
            "super" => self.0.add(Kind::Super, node),
            "class_literal" => {
                let ty = named(node).into_iter().next().map(|n| self.type_name(n)).unwrap_or_default();
                self.0.add(Kind::ClassOf(ty), node)
            }
            "binary_expression" => self.binary(node),
            "unary_expression" | "update_expression" => {
                let Some(of) = named(node).into_iter().next() else { return self.0.nothing(node) };
                let op = children(node)
                    .into_iter()
                    .find(|n| !n.is_named())
                    .map(|n| self.0.name(n))
                    .unwrap_or_default();
                let of = self.expression(of);
                self.0.add(Kind::Unary { op: op.as_str().into(), of }, node)
            }
            "cast_expression" => self.cast(node),
            "ternary_expression" | "if_statement" => self.choice(node),
            "switch_expression" | "switch_statement" => self.switch(node),
            "lambda_expression" => self.lambda(node),
            "method_reference" => self.reference(node),
            "assignment_expression" => self.assignment(node),
            "array_access" => {
                let parts: Vec<_> = named(node).into_iter().map(|n| self.expression(n)).collect();
                match parts.split_first() {
                    Some((of, args)) => self.0.add(Kind::Index { of: *of, args: args.to_vec() }, node),
                    None => self.0.nothing(node),
                }
            }
            "return_statement" | "yield_statement" => {
                let value = named(node).into_iter().next().map(|n| self.expression(n));
                self.0.add(Kind::Return(value), node)
            }
            "array_initializer" => {
                let items = named(node).into_iter().map(|n| plain(self.expression(n))).collect();
                self.0.add(Kind::List(items), node)
            }
            "array_creation_expression" => match child(node, "array_initializer") {
                Some(items) => self.expression(items),
                None => self.inside_of(node),
            },
            "enhanced_for_statement" => self.for_each(node),
            "resource" => self.resource(node),
            _ => self.statement(node),
        }
    }

    fn statement(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "parenthesized_expression" => match named(node).first() {
                Some(inner) => self.expression(*inner),
                None => self.0.nothing(node),
            },
            "class_declaration"
            | "interface_declaration"
            | "enum_declaration"
            | "record_declaration"
            | "block"
            | "expression_statement"
            | "local_variable_declaration"
            | "method_declaration" => self.item(node),
            _ => self.inside_of(node),
        }
    }

    fn inside_of(&mut self, node: Node<'_>) -> Id {
        let inside = self.items(named(node));
        self.0.add(Kind::Other(inside), node)
    }

    fn field(&mut self, node: Node<'_>) -> Id {
        let (Some(of), Some(name)) = (node.child_by_field_name("object"), node.child_by_field_name("field"))
        else {
            return self.0.nothing(node);
        };
        if name.kind() == "this" {
            return self.0.add(Kind::This, node);
        }
        let of = self.expression(of);
        let member = Member { of, name: self.0.name(name), name_span: span(name), safe: false };
        self.0.add(Kind::Member(member), node)
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let Some(name) = node.child_by_field_name("name") else { return self.0.nothing(node) };
        let of = node.child_by_field_name("object").map(|n| self.expression(n));
        let callee = match of {
            Some(of) => {
                let member = Member { of, name: self.0.name(name), name_span: span(name), safe: false };
                let whole = crate::model::Span { start: span(node).start, end: span(name).end };
                self.0.tree.add(Kind::Member(member), whole)
            }
            None => self.expression(name),
        };
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        let types = node.child_by_field_name("type_arguments").map(named).unwrap_or_default();
        let types = types.into_iter().map(|n| self.type_name(n)).collect();
        self.0.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
    }

    fn creation(&mut self, node: Node<'_>) -> Id {
        let Some(ty) = node.child_by_field_name("type") else { return self.0.nothing(node) };
        let name = self.type_name(ty);
        let body = child(node, "class_body").map(|n| self.anonymous(name.clone(), n));
        let callee = self.type_path(&name.name, ty);
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        self.0.add(Kind::Call(Call { callee, types: name.args, args, new: true, body }), node)
    }

    /// `Outer.Inner` as a chain of names, like any other callee.
    fn type_path(&mut self, dotted: &str, node: Node<'_>) -> Id {
        let mut parts = dotted.split('.');
        let first = parts.next().unwrap_or_default();
        let mut id = self.0.add(Kind::Name(first.into()), node);
        for part in parts {
            let member = Member { of: id, name: part.into(), name_span: span(node), safe: false };
            id = self.0.add(Kind::Member(member), node);
        }
        id
    }

    /// `super(…)` and `this(…)`.
    fn explicit_constructor(&mut self, node: Node<'_>) -> Id {
        let callee = node.child_by_field_name("constructor").map(|n| self.expression(n));
        let callee = callee.unwrap_or_else(|| self.0.nothing(node));
        let args = node.child_by_field_name("arguments").map(|n| self.arguments(n)).unwrap_or_default();
        self.0.add(Kind::Call(Call { callee, types: Vec::new(), args, new: false, body: None }), node)
    }

    fn string(&mut self, node: Node<'_>) -> Id {
        let mut pieces = Vec::new();
        for part in named(node) {
            match part.kind() {
                "escape_sequence" => pieces.push(Piece::Text(unescape(self.0.str(part)))),
                _ => pieces.push(Piece::Text(self.0.str(part).into())),
            }
        }
        self.0.add(Kind::Text(pieces), node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let (Some(left), Some(right)) = (node.child_by_field_name("left"), node.child_by_field_name("right"))
        else {
            return self.0.nothing(node);
        };
        let op = node.child_by_field_name("operator").map(|n| self.0.name(n)).unwrap_or_default();
        let (left, right) = (self.expression(left), self.expression(right));
        self.0.add(Kind::Binary { op: op.as_str().into(), left, right }, node)
    }

    fn cast(&mut self, node: Node<'_>) -> Id {
        let (Some(ty), Some(of)) = (node.child_by_field_name("type"), node.child_by_field_name("value"))
        else {
            return self.0.nothing(node);
        };
        let (ty, of) = (self.type_name(ty), self.expression(of));
        self.0.add(Kind::Cast { of, ty, safe: false }, node)
    }

    /// A ternary or an if.
    fn choice(&mut self, node: Node<'_>) -> Id {
        let tests = node.child_by_field_name("condition").map(|n| self.expression(n));
        let mut arms = Vec::new();
        if let Some(body) = node.child_by_field_name("consequence") {
            arms.push(Arm { tests: tests.into_iter().collect(), body: self.item(body) });
        }
        if let Some(body) = node.child_by_field_name("alternative") {
            arms.push(Arm { tests: Vec::new(), body: self.item(body) });
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("condition").map(|n| self.expression(n));
        let groups = node.child_by_field_name("body").map(named).unwrap_or_default();
        let mut arms = Vec::new();
        for group in groups {
            let (labels, body): (Vec<_>, Vec<_>) =
                named(group).into_iter().partition(|n| n.kind() == "switch_label");
            let tests = labels.into_iter().flat_map(named).map(|n| self.expression(n)).collect();
            let items = self.items(body);
            let body = match items.as_slice() {
                [one] => *one,
                _ => self.0.add(Kind::Block(items), group),
            };
            arms.push(Arm { tests, body });
        }
        self.0.add(Kind::Branch { subject, arms }, node)
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let list = node.child_by_field_name("parameters");
        let mut params = Vec::new();
        for part in list.into_iter().flat_map(|n| if n.kind() == "identifier" { vec![n] } else { named(n) }) {
            let name = part.child_by_field_name("name").unwrap_or(part);
            let parameter = Parameter {
                name: self.0.name(name),
                ty: part.child_by_field_name("type").map(|n| self.type_name(n)),
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), part));
        }
        let body = node.child_by_field_name("body").map(|n| self.item(n));
        let body = body.unwrap_or_else(|| self.0.nothing(node));
        self.0.add(Kind::Lambda { params, body }, node)
    }

    fn reference(&mut self, node: Node<'_>) -> Id {
        let parts = children(node);
        let (Some(of), Some(name)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        let of = self.expression(*of);
        let name = self.0.name(*name);
        self.0.add(Kind::Reference { of: Some(of), name }, node)
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let (Some(target), Some(value)) =
            (node.child_by_field_name("left"), node.child_by_field_name("right"))
        else {
            return self.0.nothing(node);
        };
        let op = node.child_by_field_name("operator").map(|n| self.0.name(n)).unwrap_or_default();
        let (target, value) = (self.expression(target), self.expression(value));
        self.0.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    /// A resource that is open for a body.
    fn resource(&mut self, node: Node<'_>) -> Id {
        let ty = node.child_by_field_name("type").map(|n| self.type_name(n));
        let value = node.child_by_field_name("value");
        self.variable(node, Modifiers::default(), ty, value)
    }

    /// `for (X x : xs)`: the variable stands around the body.
    fn for_each(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let name = field("name").unwrap_or(node);
        let variable = Variable {
            name: self.0.name(name),
            name_span: span(name),
            ty: field("type").map(|n| self.type_name(n)).filter(|ty| ty.name != "var"),
            each: field("value").map(|n| self.expression(n)),
            ..Variable::default()
        };
        let mut inside = vec![self.0.add(Kind::Variable(variable), node)];
        inside.extend(field("body").map(|n| self.item(n)));
        self.0.add(Kind::Other(inside), node)
    }
}
