//! Objective-C's expressions: messages as calls.

use super::ObjC;
use super::selectors::{cut, factory_label, initialiser_label};
use crate::syntax::code::{bare_type, child, named, plain, span};
use crate::syntax::{Arg, Arm, AssignOp, BinaryOp, Call, Id, Kind, Member, Parameter, Piece};
use smol_str::SmolStr;
use tree_sitter::Node;

impl ObjC<'_> {
    pub(super) fn expression(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "identifier" => match self.0.str(node) {
                "self" => self.0.add(Kind::This, node),
                "super" => self.0.add(Kind::Super, node),
                "nil" => self.0.add(Kind::Null, node),
                "YES" => self.0.add(Kind::Bool(true), node),
                "NO" => self.0.add(Kind::Bool(false), node),
                name => self.0.add(Kind::Name(name.into()), node),
            },
            "nil" | "null" => self.0.add(Kind::Null, node),
            "true" => self.0.add(Kind::Bool(true), node),
            "false" => self.0.add(Kind::Bool(false), node),
            "number_literal" => self.0.add(Kind::Number(self.0.str(node).into()), node),
            "string_literal" | "concatenated_string" => self.text(node),
            "message_expression" => self.message(node),
            "field_expression" => self.field(node),
            "assignment_expression" => self.assignment(node),
            "block_literal" => self.block(node),
            "return_statement" => {
                let value = named(node).first().map(|n| self.expression(*n));
                self.0.add(Kind::Return(value), node)
            }
            "parenthesized_expression" => match named(node).first() {
                Some(inner) => self.expression(*inner),
                None => self.0.nothing(node),
            },
            "cast_expression" => match node.child_by_field_name("value") {
                Some(value) => self.expression(value),
                None => self.0.nothing(node),
            },
            "conditional_expression" => self.conditional(node),
            "call_expression" => self.call(node),
            _ => {
                let inside = self.items(named(node));
                self.0.add(Kind::Other(inside), node)
            }
        };
        self.0.leave();
        id
    }

    fn text(&mut self, node: Node<'_>) -> Id {
        let inside = named(node).into_iter().map(|n| self.0.str(n)).collect::<String>();
        self.0.add(Kind::Text(vec![Piece::Text(inside.into())]), node)
    }

    fn field(&mut self, node: Node<'_>) -> Id {
        let (Some(of), Some(name)) =
            (node.child_by_field_name("argument"), node.child_by_field_name("field"))
        else {
            return self.0.nothing(node);
        };
        let of = self.expression(of);
        let member = Member { of, name: self.0.name(name), name_span: span(name), safe: false };
        self.0.add(Kind::Member(member), node)
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let (Some(left), Some(right)) = (node.child_by_field_name("left"), node.child_by_field_name("right"))
        else {
            return self.0.nothing(node);
        };
        let (target, value) = (self.expression(left), self.expression(right));
        self.0.add(Kind::Assign { target, op: AssignOp::Set, value }, node)
    }

    /// `^{ … }`, `^(BOOL finished) { … }`.
    fn block(&mut self, node: Node<'_>) -> Id {
        let mut params = Vec::new();
        for list in named(node).into_iter().filter(|n| n.kind() == "parameter_list") {
            for part in named(list) {
                let mut name = part.child_by_field_name("declarator");
                while let Some(inner) = name.filter(|n| n.kind() != "identifier") {
                    name = inner.child_by_field_name("declarator");
                }
                let parameter = Parameter {
                    name: name.map(|n| self.0.name(n)).unwrap_or_default(),
                    ..Parameter::default()
                };
                params.push(self.0.add(Kind::Parameter(parameter), part));
            }
        }
        let body = match child(node, "compound_statement") {
            Some(body) => self.item(body),
            None => self.0.nothing(node),
        };
        self.0.add(Kind::Lambda { params, body }, node)
    }

    fn conditional(&mut self, node: Node<'_>) -> Id {
        let ways = ["consequence", "alternative"].into_iter().filter_map(|f| node.child_by_field_name(f));
        let ways: Vec<Node<'_>> = ways.collect();
        if let [only] = ways.as_slice() {
            // `a ?: b`.
            let left = node.child_by_field_name("condition").map(|n| self.expression(n));
            let right = self.expression(*only);
            return match left {
                Some(left) => self.0.add(Kind::Binary { op: BinaryOp::OrElse, left, right }, node),
                None => right,
            };
        }
        let arms = ways.into_iter().map(|way| self.arm(Vec::new(), way)).collect();
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn arm(&mut self, tests: Vec<Id>, body: Node<'_>) -> Arm {
        Arm { tests, body: self.item(body) }
    }

    pub(super) fn choice(&mut self, node: Node<'_>) -> Id {
        let test = node.child_by_field_name("condition").map(|n| self.expression(n));
        let mut arms = Vec::new();
        if let Some(then) = node.child_by_field_name("consequence") {
            arms.push(self.arm(test.into_iter().collect(), then));
        }
        if let Some(other) = node.child_by_field_name("alternative") {
            let body = named(other).into_iter().next().unwrap_or(other);
            arms.push(self.arm(Vec::new(), body));
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    pub(super) fn switch(&mut self, node: Node<'_>) -> Id {
        let subject = node.child_by_field_name("condition").map(|n| self.expression(n));
        let body = node.child_by_field_name("body").map(named).unwrap_or_default();
        let mut arms = Vec::new();
        for case in body.into_iter().filter(|n| n.kind() == "case_statement") {
            let test = case.child_by_field_name("value").map(|n| self.expression(n));
            let value = case.child_by_field_name("value");
            let inside = named(case).into_iter().filter(|n| Some(*n) != value).collect();
            let items = self.items(inside);
            let body = self.0.add(Kind::Block(items), case);
            arms.push(Arm { tests: test.into_iter().collect(), body });
        }
        self.0.add(Kind::Branch { subject, arms }, node)
    }

    /// A function of C.
    fn call(&mut self, node: Node<'_>) -> Id {
        let Some(function) = node.child_by_field_name("function") else { return self.0.nothing(node) };
        let callee = self.expression(function);
        let list = node.child_by_field_name("arguments").map(named).unwrap_or_default();
        let args = list.into_iter().map(|n| plain(self.expression(n))).collect();
        self.0.add(Kind::Call(Call { callee, types: Vec::new(), args, new: false, body: None }), node)
    }

    /// `[receiver part:a part:b]`.
    fn message(&mut self, node: Node<'_>) -> Id {
        let Some(receiver) = node.child_by_field_name("receiver") else { return self.0.nothing(node) };
        let mut cursor = node.walk();
        let words: Vec<Node<'_>> = node.children_by_field_name("method", &mut cursor).collect();
        let Some(first) = words.first().copied() else { return self.0.nothing(node) };
        let given = |n: &Node<'_>| *n != receiver && !words.contains(n) && !n.is_extra();
        let values: Vec<Id> =
            named(node).into_iter().filter(given).map(|value| self.expression(value)).collect();
        let name = self.0.str(first);
        if let Some(made) = self.made(receiver, name) {
            let label = match self.0.str(made) {
                class if receiver == made => factory_label(class, name).map(str::to_owned),
                _ => initialiser_label(name),
            };
            let callee = self.0.add(Kind::Name(self.0.name(made)), made);
            return self.sent(callee, label, &words, values, true, node);
        }
        if name == "class" && values.is_empty() {
            let ty = bare_type(self.0.name(receiver), span(receiver));
            return self.0.add(Kind::ClassOf(ty), node);
        }
        let (function, label) = cut(name);
        let (function, label) = (SmolStr::from(function), label.map(str::to_owned));
        let of = self.expression(receiver);
        if values.is_empty() && words.len() == 1 && !is_verb(&function) {
            let member = Member { of, name: function, name_span: span(first), safe: false };
            return self.0.add(Kind::Member(member), node);
        }
        let member = Member { of, name: function, name_span: span(first), safe: false };
        let callee = self.0.add(Kind::Member(member), node);
        self.sent(callee, label, &words, values, false, node)
    }

    /// The name of the class that a message makes an object of: `[[X alloc] init…]`, `[X new]`, a factory.
    fn made<'n>(&self, receiver: Node<'n>, name: &str) -> Option<Node<'n>> {
        if receiver.kind() == "message_expression" && name.starts_with("init") {
            let inner = receiver.child_by_field_name("receiver")?;
            let method = receiver.child_by_field_name("method")?;
            return (self.0.str(method) == "alloc" && inner.kind() == "identifier").then_some(inner);
        }
        let class = receiver.kind() == "identifier" && self.0.str(receiver).starts_with(char::is_uppercase);
        let makes = name == "new" || factory_label(self.0.str(receiver), name).is_some();
        (class && makes).then_some(receiver)
    }

    fn sent(
        &mut self,
        callee: Id,
        first: Option<String>,
        words: &[Node<'_>],
        values: Vec<Id>,
        new: bool,
        node: Node<'_>,
    ) -> Id {
        let label = |i: usize| match i {
            0 => first.as_deref().map(SmolStr::from),
            _ => words.get(i).map(|n| self.0.name(*n)),
        };
        let args = values.into_iter().enumerate();
        let args: Vec<Arg> = args.map(|(i, value)| Arg { name: label(i), value, spread: false }).collect();
        self.0.add(Kind::Call(Call { callee, types: Vec::new(), args, new, body: None }), node)
    }
}

/// Whether a message without arguments does something rather than ask for a property.
fn is_verb(name: &str) -> bool {
    const VERBS: &[&str] = &["dismiss", "instantiate", "open", "perform", "pop", "present", "push", "show"];
    VERBS.iter().any(|verb| name.starts_with(verb)) || name.starts_with("make") || name.contains("go")
}
