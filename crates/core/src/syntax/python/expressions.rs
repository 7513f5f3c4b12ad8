//! Python's expressions.

use super::Python;
use crate::syntax::BinaryOp;
use crate::syntax::code::{child, children, named, plain, span, unescape};
use crate::syntax::{Arm, Call, Entry, Id, Kind, Member, Piece, Variable};
use tree_sitter::Node;

impl Python<'_> {
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
            "identifier" if self.is_this(self.0.str(node)) => self.0.add(Kind::This, node),
            "identifier" => {
                let name = self.0.name(node);
                self.0.add(Kind::Name(name), node)
            }
            "true" | "false" => {
                let yes = node.kind() == "true";
                self.0.add(Kind::Bool(yes), node)
            }
            "none" => self.0.add(Kind::Null, node),
            "integer" | "float" => {
                let text = self.0.str(node).into();
                self.0.add(Kind::Number(text), node)
            }
            "string" => {
                let mut pieces = Vec::new();
                self.pieces(node, &mut pieces);
                self.0.add(Kind::Text(pieces), node)
            }
            "concatenated_string" => {
                let mut pieces = Vec::new();
                named(node).into_iter().for_each(|part| self.pieces(part, &mut pieces));
                self.0.add(Kind::Text(pieces), node)
            }
            "attribute" => self.attribute(node),
            "call" => self.call(node),
            "subscript" => self.subscript(node),
            "list" | "tuple" | "set" | "expression_list" => {
                let items = named(node).into_iter().map(|n| plain(self.expression(n))).collect();
                self.0.add(Kind::List(items), node)
            }
            "list_comprehension" | "set_comprehension" | "generator_expression" => self.comprehension(node),
            "dictionary" => self.dictionary(node),
            "parenthesized_expression" | "await" => match named(node).into_iter().next_back() {
                Some(inner) => self.expression(inner),
                None => self.0.nothing(node),
            },
            "conditional_expression" => self.conditional(node),
            "lambda" => self.lambda(node),
            "assignment" => self.assignment(node),
            "augmented_assignment" => self.augmented(node),
            "named_expression" => self.named_expression(node),
            "not_operator" | "unary_operator" => {
                let Some(of) = node.child_by_field_name("argument") else { return self.0.nothing(node) };
                let op = children(node).first().map(|n| self.0.name(*n)).unwrap_or_default();
                let of = self.expression(of);
                self.0.add(Kind::Unary { op: op.as_str().into(), of }, node)
            }
            "binary_operator" | "boolean_operator" | "comparison_operator" => self.binary(node),
            "class_definition" | "function_definition" | "decorated_definition" => self.item(node),
            "comment" | "type" => self.0.nothing(node),
            _ => {
                let inside = self.items(named(node));
                self.0.add(Kind::Other(inside), node)
            }
        }
    }

    fn pieces(&mut self, node: Node<'_>, pieces: &mut Vec<Piece>) {
        for part in named(node) {
            match part.kind() {
                "string_content" => self.content(part, pieces),
                "interpolation" => {
                    if let Some(inner) = part.child_by_field_name("expression") {
                        pieces.push(Piece::Hole(self.expression(inner)));
                    }
                }
                _ => {}
            }
        }
    }

    /// Text with its escapes, which stand inside of it.
    fn content(&self, node: Node<'_>, pieces: &mut Vec<Piece>) {
        let (text, mut at) = (self.0.text, node.start_byte());
        for escape in named(node).into_iter().filter(|n| n.kind() == "escape_sequence") {
            pieces.push(Piece::Text(text.get(at..escape.start_byte()).unwrap_or_default().into()));
            pieces.push(Piece::Text(unescape(self.0.str(escape))));
            at = escape.end_byte();
        }
        pieces.push(Piece::Text(text.get(at..node.end_byte()).unwrap_or_default().into()));
        pieces.retain(|piece| !matches!(piece, Piece::Text(text) if text.is_empty()));
    }

    fn attribute(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(of), Some(name)) = (field("object"), field("attribute")) else {
            return self.0.nothing(node);
        };
        let of = self.expression(of);
        let member = Member { of, name: self.0.name(name), name_span: span(name), safe: false };
        self.0.add(Kind::Member(member), node)
    }

    /// Calls of the language's own that are something else: `partial(open, 'shelf')` is a function, and
    /// `dict(name='shelf')` is written out.
    fn known_call(&mut self, name: &str, list: Node<'_>, node: Node<'_>) -> Option<Id> {
        let args = named(list);
        match name {
            "partial" | "functools.partial" if self.takes_in("functools") => {
                let (function, rest) = args.split_first()?;
                let callee = self.expression(*function);
                let args = rest.iter().filter_map(|n| self.argument(*n)).collect();
                let call = Call { callee, types: Vec::new(), args, new: false, body: None };
                let body = self.0.add(Kind::Call(call), node);
                Some(self.0.add(Kind::Lambda { params: Vec::new(), body }, node))
            }
            "dict" if !args.is_empty() && args.iter().all(|n| n.kind() == "keyword_argument") => {
                let entries = args
                    .into_iter()
                    .filter_map(|n| Some((n.child_by_field_name("name")?, n.child_by_field_name("value")?)));
                let entries: Vec<_> = entries.collect();
                let entries = entries.into_iter().map(|(key, value)| {
                    let text = Kind::Text(vec![Piece::Text(self.0.str(key).into())]);
                    let key = Some(self.0.add(text, key));
                    Entry { key, value: self.expression(value) }
                });
                let entries = entries.collect();
                Some(self.0.add(Kind::Map(entries), node))
            }
            _ => None,
        }
    }

    /// Whether the file takes in a library, whole or in part.
    fn takes_in(&self, library: &str) -> bool {
        self.0.tree.imports.iter().any(|import| import.path.split('.').next() == Some(library))
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(function), Some(list)) = (field("function"), field("arguments")) else {
            return self.0.nothing(node);
        };
        match self.0.str(function) {
            "super" => return self.0.add(Kind::Super, node),
            "setattr" => {
                if let Some(id) = self.set_by_name(node, list) {
                    return id;
                }
            }
            name if name.rsplit('.').next() == Some("load_string") => self.note_loaded(list),
            _ => {}
        }
        if let Some(id) = self.known_call(self.0.str(function), list, node) {
            return id;
        }
        let callee = self.expression(function);
        let args = match list.kind() {
            "argument_list" => self.arguments(list),
            _ => vec![plain(self.expression(list))],
        };
        self.0.add(Kind::Call(Call { callee, types: Vec::new(), args, new: false, body: None }), node)
    }

    /// `setattr(manager, "current", name)` sets what it names.
    fn set_by_name(&mut self, node: Node<'_>, list: Node<'_>) -> Option<Id> {
        let &[of, name, value] = named(list).as_slice() else { return None };
        let content = Some(name).filter(|n| n.kind() == "string").and_then(|n| child(n, "string_content"))?;
        let of = self.expression(of);
        let member = Member { of, name: self.0.name(content), name_span: span(content), safe: false };
        let target = self.0.add(Kind::Member(member), name);
        let value = self.expression(value);
        Some(self.0.add(Kind::Assign { target, op: "=".into(), value }, node))
    }

    fn subscript(&mut self, node: Node<'_>) -> Id {
        let Some(of) = node.child_by_field_name("value") else { return self.0.nothing(node) };
        let of = self.expression(of);
        let mut cursor = node.walk();
        let index: Vec<_> = node.children_by_field_name("subscript", &mut cursor).collect();
        let args = index.into_iter().map(|n| self.expression(n)).collect();
        self.0.add(Kind::Index { of, args }, node)
    }

    fn dictionary(&mut self, node: Node<'_>) -> Id {
        let mut entries = Vec::new();
        for part in named(node) {
            let field = |name: &str| part.child_by_field_name(name);
            match (part.kind(), field("key"), field("value")) {
                ("pair", Some(key), Some(value)) => {
                    let key = Some(self.expression(key));
                    let value = self.expression(value);
                    entries.push(Entry { key, value });
                }
                ("dictionary_splat", ..) => {
                    if let Some(inner) = named(part).into_iter().next() {
                        let value = self.expression(inner);
                        entries.push(Entry { key: None, value });
                    }
                }
                _ => {}
            }
        }
        self.0.add(Kind::Map(entries), node)
    }

    /// `a if test else b`.
    fn conditional(&mut self, node: Node<'_>) -> Id {
        let &[yes, test, no] = named(node).as_slice() else { return self.0.nothing(node) };
        let tests = vec![self.expression(test)];
        let (yes, no) = (self.expression(yes), self.expression(no));
        let arms = vec![Arm { tests, body: yes }, Arm { tests: Vec::new(), body: no }];
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        self.open();
        let params = node.child_by_field_name("parameters").map(|n| self.params(n)).unwrap_or_default();
        let body = node.child_by_field_name("body").map(|n| self.expression(n));
        let body = body.unwrap_or_else(|| self.0.nothing(node));
        self.close();
        self.0.add(Kind::Lambda { params, body }, node)
    }

    fn augmented(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(left), Some(right)) = (field("left"), field("right")) else { return self.0.nothing(node) };
        let op = field("operator").map(|n| self.0.name(n)).unwrap_or_default();
        let (target, value) = (self.expression(left), self.expression(right));
        self.0.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    fn named_expression(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(name), Some(value)) = (field("name"), field("value")) else { return self.0.nothing(node) };
        let init = Some(self.expression(value));
        let variable =
            Variable { name: self.0.name(name), name_span: span(name), init, ..Variable::default() };
        self.0.add(Kind::Variable(variable), node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let (Some(left), Some(right)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        let between = left.end_byte()..right.start_byte();
        let op = self
            .0
            .text
            .get(between)
            .unwrap_or_default()
            .split_whitespace()
            .filter(|word| *word != "\\")
            .collect::<Vec<_>>()
            .join(" ");
        let (left, right) = (self.expression(*left), self.expression(*right));
        let op = match op.as_str() {
            // What stands in for what is not there.
            "or" => BinaryOp::OrElse,
            "is" => BinaryOp::Equal,
            "is not" => BinaryOp::NotEqual,
            op => op.into(),
        };
        self.0.add(Kind::Binary { op, left, right }, node)
    }
}
