//! Python's statements.

use super::Python;
use crate::syntax::code::{child, named, plain, span};
use crate::syntax::{Arm, Call, Id, Kind, Member, Parameter, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Python<'_> {
    pub(super) fn statement(&mut self, node: Node<'_>) -> Id {
        match node.kind() {
            "expression_statement" => match named(node).as_slice() {
                [one] => self.expression(*one),
                all => {
                    let items = self.items(all.to_vec());
                    self.0.add(Kind::Other(items), node)
                }
            },
            "if_statement" => self.choice(node),
            "for_statement" => self.for_loop(node),
            "with_statement" => self.with(node),
            "return_statement" => {
                let value = named(node).into_iter().next().map(|n| self.expression(n));
                self.0.add(Kind::Return(value), node)
            }
            "block" => self.block(node),
            "import_statement" | "import_from_statement" => self.item(node),
            "global_statement" | "pass_statement" | "break_statement" | "continue_statement" => {
                self.0.nothing(node)
            }
            _ => self.expression(node),
        }
    }

    /// `a = b`, `self.a = b`, `a: T = b`, `a = self.b = c`, `a, b = c, d`.
    pub(super) fn assignment(&mut self, node: Node<'_>) -> Id {
        let Some(left) = node.child_by_field_name("left") else { return self.0.nothing(node) };
        let right = node.child_by_field_name("right");
        if let Some(inner) = right.filter(|n| n.kind() == "assignment") {
            return self.chained(node, left, inner);
        }
        if let (Some(name), Some(value)) = (Some(left).filter(|n| n.kind() == "identifier"), right) {
            self.note_document(name, value);
        }
        if matches!(left.kind(), "pattern_list" | "tuple_pattern") {
            return self.taken_apart(node, left, right);
        }
        let value = right.map(|n| self.expression(n));
        self.set(node, left, value)
    }

    fn set(&mut self, node: Node<'_>, left: Node<'_>, value: Option<Id>) -> Id {
        if left.kind() == "identifier" {
            let name = self.0.name(left);
            if self.is_new(&name) {
                let ty = node.child_by_field_name("type").map(|n| self.type_name(n));
                let variable = Variable {
                    name,
                    name_span: span(left),
                    ty,
                    init: value,
                    mutable: true,
                    ..Variable::default()
                };
                return self.0.add(Kind::Variable(variable), node);
            }
        }
        let target = self.expression(left);
        match value {
            Some(value) => self.0.add(Kind::Assign { target, op: "=".into(), value }, node),
            None => target,
        }
    }

    /// The innermost is set first, and what is set outside of it is the same.
    fn chained(&mut self, node: Node<'_>, left: Node<'_>, inner: Node<'_>) -> Id {
        let first = self.assignment(inner);
        let again = inner.child_by_field_name("left").map(|n| self.expression(n));
        let second = self.set(node, left, again);
        self.0.add(Kind::Other(vec![first, second]), node)
    }

    fn taken_apart(&mut self, node: Node<'_>, left: Node<'_>, right: Option<Node<'_>>) -> Id {
        let names = named(left);
        let values: Vec<_> = right
            .filter(|n| matches!(n.kind(), "expression_list" | "tuple" | "list"))
            .map(named)
            .unwrap_or_default();
        let mut inside = Vec::new();
        if values.len() == names.len() {
            for (name, value) in names.into_iter().zip(values) {
                let value = self.expression(value);
                inside.push(self.set(name, name, Some(value)));
            }
        } else {
            inside.extend(right.map(|n| self.expression(n)));
            for name in names {
                inside.push(self.set(name, name, None));
            }
        }
        self.0.add(Kind::Other(inside), node)
    }

    fn choice(&mut self, node: Node<'_>) -> Id {
        let mut arms = Vec::new();
        let mut cursor = node.walk();
        let others: Vec<_> = node.children_by_field_name("alternative", &mut cursor).collect();
        for part in std::iter::once(node).chain(others) {
            let tests = part.child_by_field_name("condition").map(|n| self.expression(n));
            let body = part.child_by_field_name("consequence").or_else(|| part.child_by_field_name("body"));
            let body = body.map(|n| self.block(n));
            let body = body.unwrap_or_else(|| self.0.nothing(part));
            arms.push(Arm { tests: tests.into_iter().collect(), body });
        }
        self.0.add(Kind::Branch { subject: None, arms }, node)
    }

    /// A loop runs its body on each of what it is over.
    fn for_loop(&mut self, node: Node<'_>) -> Id {
        let body = node.child_by_field_name("body");
        self.each(node, node, &|lens, mut items| {
            items.extend(body.map(|body| lens.items(named(body))).unwrap_or_default());
            lens.0.add(Kind::Block(items), body.unwrap_or(node))
        })
    }

    /// `[f(x) for x in xs]`: what comes out for each; the innermost loop is the last that is written.
    pub(super) fn comprehension(&mut self, node: Node<'_>) -> Id {
        let parts = named(node);
        let loops: Vec<_> = parts.iter().copied().filter(|n| n.kind() == "for_in_clause").collect();
        let tests: Vec<_> = parts.iter().copied().filter(|n| n.kind() == "if_clause").collect();
        let Some(body) = node.child_by_field_name("body") else { return self.0.nothing(node) };
        self.nested(node, &loops, &tests, body)
    }

    fn nested(&mut self, whole: Node<'_>, loops: &[Node<'_>], tests: &[Node<'_>], body: Node<'_>) -> Id {
        let Some((outer, rest)) = loops.split_first() else { return self.expression(body) };
        self.each(*outer, whole, &|lens, mut items| {
            let last = rest.is_empty();
            for test in tests.iter().filter(|_| last) {
                items.push(lens.expression(*test));
            }
            items.push(lens.nested(whole, rest, tests, body));
            lens.0.add(Kind::Block(items), body)
        })
    }

    /// What is run on each element. Names that one is taken apart to are what stands at its places.
    fn each(&mut self, head: Node<'_>, whole: Node<'_>, body: &dyn Fn(&mut Self, Vec<Id>) -> Id) -> Id {
        let field = |name: &str| head.child_by_field_name(name);
        let (Some(left), Some(right)) = (field("left"), field("right")) else { return self.0.nothing(whole) };
        let of = self.expression(right);
        let single = left.kind() == "identifier";
        let item: SmolStr = if single { self.0.name(left) } else { "<item>".into() };
        self.is_new(&item);
        let parameter = Parameter { name: item.clone(), ..Parameter::default() };
        let params = vec![self.0.add(Kind::Parameter(parameter), left)];
        let names = if single { Vec::new() } else { named(left) };
        let mut items = Vec::new();
        for (place, name) in names.into_iter().enumerate() {
            let text = self.0.name(name);
            self.is_new(&text);
            items.push(self.0.part(&item, place, name, None));
        }
        let body = body(self, items);
        let lambda = self.0.add(Kind::Lambda { params, body }, whole);
        let member = Member { of, name: "forEach".into(), name_span: span(right), safe: false };
        let callee = self.0.add(Kind::Member(member), right);
        let call = Call { callee, types: Vec::new(), args: vec![plain(lambda)], new: false, body: None };
        self.0.add(Kind::Call(call), whole)
    }

    fn with(&mut self, node: Node<'_>) -> Id {
        let items = child(node, "with_clause").map(named).unwrap_or_default();
        let mut inside = Vec::new();
        for item in items {
            let Some(value) = item.child_by_field_name("value") else { continue };
            match (value.kind(), named(value).as_slice()) {
                ("as_pattern", [of, target]) => {
                    let of = self.expression(*of);
                    let name = named(*target).into_iter().next().unwrap_or(*target);
                    inside.push(self.set(value, name, Some(of)));
                }
                _ => inside.push(self.expression(value)),
            }
        }
        inside.extend(node.child_by_field_name("body").map(|n| self.block(n)));
        self.0.add(Kind::Other(inside), node)
    }

    /// Notes a string that may be a document.
    fn note_document(&mut self, name: Node<'_>, value: Node<'_>) {
        if let Some(range) = self.text_range(value) {
            let name = self.0.name(name);
            self.2.texts.push((name, range));
        }
    }

    /// Where the text of one string stands.
    fn text_range(&self, value: Node<'_>) -> Option<(usize, usize)> {
        let content =
            Some(value).filter(|n| n.kind() == "string").and_then(|n| child(n, "string_content"))?;
        Some((content.start_byte(), content.end_byte()))
    }

    /// `Builder.load_string(…)`: what is handed over is a document (kivy.org, "Kivy Language").
    pub(super) fn note_loaded(&mut self, list: Node<'_>) {
        let Some(first) = named(list).into_iter().next() else { return };
        match (self.text_range(first), first.kind()) {
            (Some(range), _) => self.2.found.push(range),
            (None, "identifier") => {
                let name = self.0.name(first);
                self.2.loaded.push(name);
            }
            _ => {}
        }
    }
}
