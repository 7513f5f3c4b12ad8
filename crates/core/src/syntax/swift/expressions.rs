//! Swift's expressions.

use super::Swift;
use super::types::is_type;
use crate::syntax::code::{child, children, named, plain, span};
use crate::syntax::{Arg, Arm, Call, Entry, Id, Kind, Member, Parameter, Piece, TypeName};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Swift<'_> {
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
            "simple_identifier" => self.bare_name(node),
            "self_expression" => self.0.add(Kind::This, node),
            "super_expression" => self.0.add(Kind::Super, node),
            "nil_literal" | "nil" => self.0.add(Kind::Null, node),
            "boolean_literal" => {
                let yes = self.0.str(node) == "true";
                self.0.add(Kind::Bool(yes), node)
            }
            "integer_literal" | "real_literal" | "hex_literal" | "oct_literal" | "bin_literal" => {
                let text = self.0.str(node).replace('_', "").into();
                self.0.add(Kind::Number(text), node)
            }
            "line_string_literal" | "multi_line_string_literal" => self.string(node),
            "raw_string_literal" => {
                let text = self.0.str(node).trim_matches('#').trim_matches('"').into();
                self.0.add(Kind::Text(vec![Piece::Text(text)]), node)
            }
            "navigation_expression" => self.navigation(node),
            "call_expression" | "constructor_expression" => self.call(node),
            "key_path_expression" => {
                let names = self.key_path(node).unwrap_or_default();
                self.0.add(Kind::KeyPath(names), node)
            }
            "selector_expression" => self.selector(node),
            "prefix_expression" => self.prefix(node),
            "postfix_expression" => {
                let Some(of) = named(node).into_iter().next() else { return self.0.nothing(node) };
                let of = self.expression(of);
                self.0.add(Kind::Unary { op: "!!".into(), of }, node)
            }
            "try_expression" | "await_expression" | "directly_assignable_expression" | "statements" => {
                match named(node).into_iter().rfind(|n| n.kind() != "try_operator") {
                    Some(inner) if node.kind() != "statements" => self.expression(inner),
                    _ => self.block(node),
                }
            }
            "tuple_expression" => self.tuple(node),
            "array_literal" => {
                let items = named(node).into_iter().map(|n| plain(self.expression(n))).collect();
                self.0.add(Kind::List(items), node)
            }
            "dictionary_literal" => self.dictionary(node),
            "ternary_expression" => self.ternary(node),
            "as_expression" => self.cast(node),
            "check_expression" => self.check(node),
            "assignment" => self.assignment(node),
            "lambda_literal" => self.lambda(node),
            "if_statement" => self.choice(node),
            "guard_statement" => self.guard(node),
            "switch_statement" => self.switch(node),
            "for_statement" => self.for_loop(node),
            "while_statement" => self.while_loop(node),
            "control_transfer_statement" => self.leaving(node),
            kind if kind.ends_with("_declaration") || kind == "macro_invocation" => self.item(node),
            kind if is_binary(kind) => self.binary(node),
            _ if is_type(node) => self.0.nothing(node),
            _ => self.block_of(node),
        }
    }

    fn block(&mut self, node: Node<'_>) -> Id {
        let items = self.items(named(node));
        self.0.add(Kind::Block(items), node)
    }

    fn block_of(&mut self, node: Node<'_>) -> Id {
        let items = self.items(named(node).into_iter().filter(|n| !is_type(*n)).collect());
        self.0.add(Kind::Other(items), node)
    }

    /// A name; `$featured` is the binding of what `featured` holds.
    fn bare_name(&mut self, node: Node<'_>) -> Id {
        let name = self.0.name(node);
        match name.strip_prefix('$').filter(|rest| !rest.starts_with(|c: char| c.is_ascii_digit())) {
            Some(inner) => {
                let of = self.0.add(Kind::Name(inner.into()), node);
                self.0.add(Kind::Unary { op: "$".into(), of }, node)
            }
            None => self.0.add(Kind::Name(name), node),
        }
    }

    /// `a.b`, `a?.b`, `Shelf.self`, `\.shelf.name`.
    fn navigation(&mut self, node: Node<'_>) -> Id {
        if let Some(names) = self.key_path(node) {
            return self.0.add(Kind::KeyPath(names), node);
        }
        let (Some(target), Some(suffix)) =
            (node.child_by_field_name("target"), child(node, "navigation_suffix"))
        else {
            return self.block_of(node);
        };
        let Some(name) = named(suffix).into_iter().next() else { return self.expression(target) };
        if self.0.str(name) == "self" {
            let written = self.0.str(target).split_whitespace().collect::<String>();
            if written.rsplit('.').next().is_some_and(|last| last.starts_with(char::is_uppercase)) {
                let ty = match is_type(target) {
                    true => self.type_name(target),
                    false => TypeName { name: written.into(), span: span(target), ..TypeName::default() },
                };
                return self.0.add(Kind::ClassOf(ty), node);
            }
            return self.expression(target);
        }
        let of = match is_type(target) {
            true => {
                let name = self.type_name(target).name;
                self.0.add(Kind::Name(name), target)
            }
            false => self.expression(target),
        };
        let safe = children(node).iter().any(|n| n.kind() == "?");
        let member = Member { of, name: self.0.name(name), name_span: span(name), safe };
        self.0.add(Kind::Member(member), node)
    }

    /// The names of a key path; `None` for anything else.
    fn key_path(&self, node: Node<'_>) -> Option<Vec<SmolStr>> {
        match node.kind() {
            "key_path_expression" => Some(named(node).into_iter().map(|n| self.0.name(n)).collect()),
            "navigation_expression" => {
                let mut names = self.key_path(node.child_by_field_name("target")?)?;
                let suffix = child(node, "navigation_suffix")?;
                names.extend(named(suffix).into_iter().next().map(|n| self.0.name(n)));
                Some(names)
            }
            _ => None,
        }
    }

    /// `#selector(Actions.open(_:))`: the method's name and whose it is.
    fn selector(&mut self, node: Node<'_>) -> Id {
        let Some(inner) = named(node).into_iter().next() else { return self.0.nothing(node) };
        let named_by = match inner.kind() {
            "call_expression" => named(inner).into_iter().next().unwrap_or(inner),
            _ => inner,
        };
        let written: String = self.0.str(named_by).split_whitespace().collect();
        let (owner, name) = written.rsplit_once('.').map_or((None, written.as_str()), |(o, n)| (Some(o), n));
        let of = owner.map(|owner| match owner {
            "self" => self.0.add(Kind::This, named_by),
            _ => self.0.add(Kind::Name(owner.into()), named_by),
        });
        self.0.add(Kind::Reference { of, name: name.into() }, node)
    }

    /// `.shelf` of the type that is wanted, `!a`, `-a`, `&a`.
    fn prefix(&mut self, node: Node<'_>) -> Id {
        let parts = children(node);
        let (Some(op), Some(target)) = (parts.first(), parts.last()) else { return self.0.nothing(node) };
        match self.0.str(*op) {
            "." => {
                let at = crate::model::Span { end: span(*op).start, start: span(*op).start };
                let of = self.0.tree.add(Kind::Implied, at);
                let member = Member { of, name: self.0.name(*target), name_span: span(*target), safe: false };
                self.0.add(Kind::Member(member), node)
            }
            "&" => self.expression(*target),
            op => {
                let op = op.into();
                let of = self.expression(*target);
                self.0.add(Kind::Unary { op, of }, node)
            }
        }
    }

    fn call(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let Some(head) = parts.first().copied() else { return self.0.nothing(node) };
        let suffix = parts.iter().find(|n| matches!(n.kind(), "call_suffix" | "constructor_suffix")).copied();
        let Some(suffix) = suffix else { return self.expression(head) };
        let list = child(suffix, "value_arguments");
        if list.is_some_and(|n| children(n).first().is_some_and(|n| n.kind() == "[")) {
            let of = self.expression(head);
            let args = list.map(|n| self.arguments(n)).unwrap_or_default();
            let index = args.into_iter().map(|arg| arg.value).collect();
            return self.0.add(Kind::Index { of, args: index }, node);
        }
        let mut args = Vec::new();
        // `try open() { … }`: to the grammar, what is tried is called with the closure.
        let head = match tried(head).filter(|_| list.is_none()) {
            Some(inner) => {
                let own = child(inner, "call_suffix").and_then(|n| child(n, "value_arguments"));
                args.extend(own.map(|n| self.arguments(n)).unwrap_or_default());
                named(inner).first().copied().unwrap_or(inner)
            }
            None => head,
        };
        let (callee, types) = match is_type(head) {
            true => {
                let ty = self.type_name(head);
                (self.type_as_value(&ty, head), ty.args)
            }
            false => (self.expression(head), Vec::new()),
        };
        args.extend(list.map(|n| self.arguments(n)).unwrap_or_default());
        args.extend(self.closures(suffix));
        self.0.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
    }

    /// A type's name where a value stands: `Rack.Shelf` as a member of `Rack`.
    fn type_as_value(&mut self, ty: &TypeName, node: Node<'_>) -> Id {
        let mut parts = ty.name.split('.');
        let mut id = self.0.add(Kind::Name(parts.next().unwrap_or_default().into()), node);
        for part in parts {
            let member = Member { of: id, name: part.into(), name_span: ty.span, safe: false };
            id = self.0.add(Kind::Member(member), node);
        }
        id
    }

    fn arguments(&mut self, list: Node<'_>) -> Vec<Arg> {
        let args: Vec<_> = named(list).into_iter().filter(|n| n.kind() == "value_argument").collect();
        let one = |lens: &mut Self, arg: Node<'_>| {
            let label = child(arg, "value_argument_label").map(|n| lens.0.name(n));
            let value = arg.child_by_field_name("value")?;
            Some(Arg { name: label, ..plain(lens.expression(value)) })
        };
        args.into_iter().filter_map(|arg| one(self, arg)).collect()
    }

    /// Closures behind a call: the first has no label.
    fn closures(&mut self, suffix: Node<'_>) -> Vec<Arg> {
        let mut args = Vec::new();
        let mut label = None;
        for part in named(suffix) {
            match part.kind() {
                "simple_identifier" => label = Some(self.0.name(part)),
                "lambda_literal" => {
                    let value = self.lambda(part);
                    args.push(Arg { name: label.take(), ..plain(value) });
                }
                _ => {}
            }
        }
        args
    }

    fn lambda(&mut self, node: Node<'_>) -> Id {
        let list =
            child(node, "lambda_function_type").and_then(|n| child(n, "lambda_function_type_parameters"));
        let declared: Vec<_> = list.map(named).unwrap_or_default();
        let mut params = Vec::new();
        for part in declared.into_iter().filter(|n| n.kind() == "lambda_parameter") {
            let name = named(part).into_iter().find(|n| n.kind() == "simple_identifier");
            let parameter = Parameter {
                name: name.map(|n| self.0.name(n)).unwrap_or_default(),
                ty: named(part).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n)),
                ..Parameter::default()
            };
            params.push(self.0.add(Kind::Parameter(parameter), part));
        }
        let body = self.body(node);
        self.0.add(Kind::Lambda { params, body }, node)
    }

    fn string(&mut self, node: Node<'_>) -> Id {
        let mut pieces = Vec::new();
        for part in named(node) {
            match part.kind() {
                "line_str_text" | "multi_line_str_text" => pieces.push(Piece::Text(self.0.str(part).into())),
                "str_escaped_char" => {
                    pieces.push(Piece::Text(crate::syntax::code::unescape(self.0.str(part))));
                }
                "interpolated_expression" => {
                    if let Some(inner) = part.child_by_field_name("value") {
                        pieces.push(Piece::Hole(self.expression(inner)));
                    }
                }
                _ => {}
            }
        }
        self.0.add(Kind::Text(pieces), node)
    }

    fn tuple(&mut self, node: Node<'_>) -> Id {
        match named(node).as_slice() {
            [one] => self.expression(*one),
            _ => {
                let (mut items, mut label) = (Vec::new(), None);
                for (place, part) in children(node).into_iter().enumerate() {
                    match u32::try_from(place).ok().and_then(|place| node.field_name_for_child(place)) {
                        Some("name") => label = Some(self.0.name(part)),
                        Some("value") => {
                            let name = label.take();
                            items.push(Arg { name, ..plain(self.expression(part)) });
                        }
                        _ => {}
                    }
                }
                self.0.add(Kind::List(items), node)
            }
        }
    }

    fn dictionary(&mut self, node: Node<'_>) -> Id {
        let mut entries = Vec::new();
        let mut cursor = node.walk();
        let keys: Vec<_> = node.children_by_field_name("key", &mut cursor).collect();
        let mut cursor = node.walk();
        let held: Vec<_> = node.children_by_field_name("value", &mut cursor).collect();
        for (key, value) in keys.into_iter().zip(held) {
            let key = Some(self.expression(key));
            let value = self.expression(value);
            entries.push(Entry { key, value });
        }
        self.0.add(Kind::Map(entries), node)
    }

    fn ternary(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(test), Some(yes), Some(no)) = (field("condition"), field("if_true"), field("if_false"))
        else {
            return self.block_of(node);
        };
        let tests = vec![self.expression(test)];
        let (yes, no) = (self.expression(yes), self.expression(no));
        let arms = vec![Arm { tests, body: yes }, Arm { tests: Vec::new(), body: no }];
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    fn cast(&mut self, node: Node<'_>) -> Id {
        let (Some(of), Some(ty)) = (node.child_by_field_name("expr"), node.child_by_field_name("name"))
        else {
            return self.block_of(node);
        };
        let safe = child(node, "as_operator").is_some_and(|n| self.0.str(n) == "as?");
        let of = self.expression(of);
        let ty = TypeName { nullable: safe, ..self.type_name(ty) };
        self.0.add(Kind::Cast { of, ty, safe }, node)
    }

    /// `a is Shelf`.
    fn check(&mut self, node: Node<'_>) -> Id {
        let Some(ty) = named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n)) else {
            return self.block_of(node);
        };
        let left = named(node).into_iter().next().map(|n| self.expression(n));
        let right = self.0.add(Kind::ClassOf(ty), node);
        match left {
            Some(left) => self.0.add(Kind::Binary { op: "is".into(), left, right }, node),
            None => right,
        }
    }

    fn assignment(&mut self, node: Node<'_>) -> Id {
        let field = |name: &str| node.child_by_field_name(name);
        let (Some(target), Some(value)) = (field("target"), field("result")) else {
            return self.block_of(node);
        };
        let op = field("operator").map(|n| self.0.name(n)).unwrap_or_default();
        let (target, value) = (self.expression(target), self.expression(value));
        self.0.add(Kind::Assign { target, op: op.as_str().into(), value }, node)
    }

    fn binary(&mut self, node: Node<'_>) -> Id {
        let parts: Vec<_> = children(node).into_iter().filter(|n| !n.is_extra()).collect();
        let [left, op, right] = parts.as_slice() else { return self.block_of(node) };
        let op = self.0.str(*op).into();
        let (left, right) = (self.expression(*left), self.expression(*right));
        self.0.add(Kind::Binary { op, left, right }, node)
    }
}

/// The call in `try open()` or `await open()`.
fn tried(node: Node<'_>) -> Option<Node<'_>> {
    match node.kind() {
        "try_expression" | "await_expression" => {
            let inner = named(node).into_iter().next_back()?;
            if inner.kind() == "call_expression" { Some(inner) } else { tried(inner) }
        }
        _ => None,
    }
}

fn is_binary(kind: &str) -> bool {
    matches!(
        kind,
        "additive_expression"
            | "multiplicative_expression"
            | "comparison_expression"
            | "equality_expression"
            | "conjunction_expression"
            | "disjunction_expression"
            | "nil_coalescing_expression"
            | "range_expression"
            | "bitwise_operation"
            | "infix_expression"
    )
}
