//! What every code lens shares: running a grammar, walking its nodes, building the common tree.

use super::{Annotation, Arg, Id, Idioms, Kind, Tree, Trouble, TypeName, Variable};
use crate::model::Span;
use smol_str::SmolStr;
use tree_sitter::{Language, Node, Parser};

/// Deeper nesting is not followed: no one wrote it by hand, and it would exhaust the stack.
const MAX_DEPTH: usize = 256;

/// Runs a grammar over a text.
pub(super) fn grammar_tree(language: &Language, text: &str) -> Option<tree_sitter::Tree> {
    let mut parser = Parser::new();
    parser.set_language(language).ok()?;
    parser.parse(text, None)
}

/// Bytes of the text that the grammar could make nothing of, and the first of them.
pub(super) fn errors(tree: &tree_sitter::Tree) -> (usize, Option<u32>) {
    if !tree.root_node().has_error() {
        return (0, None);
    }
    let (mut bytes, mut first) = (0, None);
    let mut cursor = tree.walk();
    loop {
        let node = cursor.node();
        if node.is_error() || node.is_missing() {
            bytes += node.byte_range().len().max(1);
            // An error around another says less about the place than the inner one.
            let inner = node.children(&mut node.walk()).any(|child| child.has_error() || child.is_missing());
            let at = Span::new(node.start_byte(), 0).start;
            first = if inner { first } else { Some(first.map_or(at, |f: u32| f.min(at))) };
        }
        if (node.has_error() && cursor.goto_first_child()) || cursor.goto_next_sibling() {
            continue;
        }
        while cursor.goto_parent() {
            if cursor.goto_next_sibling() {
                break;
            }
        }
        if cursor.node().parent().is_none() {
            return (bytes, first.or(Some(0)));
        }
    }
}

/// A tree under construction, with the text it is made from.
pub(super) struct Lower<'t> {
    pub(super) text: &'t str,
    pub(super) tree: Tree,
    depth: usize,
    pub(super) too_deep: Option<u32>,
}

impl<'t> Lower<'t> {
    pub(super) fn new(text: &'t str, idioms: &'static Idioms) -> Self {
        Self { text, tree: Tree::of(idioms), depth: 0, too_deep: None }
    }

    pub(super) fn str(&self, node: Node<'_>) -> &'t str {
        self.text.get(node.byte_range()).unwrap_or_default()
    }

    /// Names of the type parameters that a declaration lists.
    pub(super) fn type_params(&self, node: Node<'_>) -> Vec<SmolStr> {
        let lists = ["type_parameters", "type_parameter_list"];
        let list = lists.into_iter().find_map(|kind| child(node, kind));
        let is_name = |n: &Node<'_>| n.kind().ends_with("identifier");
        let names = list.map(named).unwrap_or_default().into_iter().filter_map(|parameter| {
            let name = named(parameter).into_iter().find(is_name).or(Some(parameter).filter(is_name))?;
            Some(self.name(name))
        });
        names.collect()
    }

    pub(super) fn name(&self, node: Node<'_>) -> SmolStr {
        self.str(node).trim_matches('`').into()
    }

    pub(super) fn add(&mut self, kind: Kind, node: Node<'_>) -> Id {
        self.tree.add(kind, span(node))
    }

    /// A name that no source can write, for what is taken apart.
    pub(super) fn held(&self, node: Node<'_>) -> SmolStr {
        format!("<held {}>", span(node).start).into()
    }

    /// The variable that stands for a part of what a held name stands for, by its place from 0.
    pub(super) fn part(&mut self, held: &SmolStr, place: usize, name: Node<'_>, ty: Option<TypeName>) -> Id {
        let of = self.add(Kind::Name(held.clone()), name);
        let place = self.add(Kind::Number(place.to_string().into()), name);
        let init = Some(self.add(Kind::Index { of, args: vec![place] }, name));
        let variable =
            Variable { name: self.name(name), name_span: span(name), ty, init, ..Variable::default() };
        self.add(Kind::Variable(variable), name)
    }

    /// A held variable, with what gives it its value at once or in each round of a loop.
    pub(super) fn holding(&mut self, held: &SmolStr, init: Option<Id>, each: Option<Id>, at: Node<'_>) -> Id {
        let start = span(at).start;
        let (name, name_span) = (held.clone(), Span { start, end: start });
        self.add(Kind::Variable(Variable { name, name_span, init, each, ..Variable::default() }), at)
    }

    /// Goes one level deeper; `false` where nesting has no end and the node is to be left out.
    pub(super) fn enter(&mut self, node: Node<'_>) -> bool {
        if self.depth >= MAX_DEPTH {
            self.too_deep.get_or_insert(span(node).start);
            return false;
        }
        self.depth += 1;
        true
    }

    /// Comes back up from [`Self::enter`].
    pub(super) fn leave(&mut self) {
        self.depth -= 1;
    }

    /// What stands for a node that is not followed.
    pub(super) fn nothing(&mut self, node: Node<'_>) -> Id {
        self.add(Kind::Other(Vec::new()), node)
    }

    /// What went wrong, the grammar's errors before the bound on nesting.
    pub(super) fn trouble(&self, first_error: Option<u32>) -> Option<Trouble> {
        let broken =
            first_error.map(|at| (at, "not valid here; read as far as it could be understood".to_owned()));
        let deep = self
            .too_deep
            .map(|at| (at, format!("nested deeper than {MAX_DEPTH} levels; what is below was left out")));
        broken.or(deep)
    }
}

/// The node's span.
pub(super) fn span(node: Node<'_>) -> Span {
    Span::new(node.start_byte(), node.end_byte())
}

/// All children, tokens included.
pub(super) fn children<'n>(node: Node<'n>) -> Vec<Node<'n>> {
    node.children(&mut node.walk()).collect()
}

/// Children that are no tokens and no comments.
pub(super) fn named<'n>(node: Node<'n>) -> Vec<Node<'n>> {
    // Errors are extras to the library, like comments.
    node.named_children(&mut node.walk()).filter(|n| !n.is_extra() || n.is_error()).collect()
}

/// The parts of an expression: where a grammar has `this` and its like as bare words, those as well.
pub(super) fn operands<'n>(node: Node<'n>) -> Vec<Node<'n>> {
    let means = |n: &Node<'n>| n.is_named() || matches!(n.kind(), "this" | "super" | "base");
    node.children(&mut node.walk()).filter(|n| means(n) && (!n.is_extra() || n.is_error())).collect()
}

/// The first child of a kind.
pub(super) fn child<'n>(node: Node<'n>, kind: &str) -> Option<Node<'n>> {
    node.children(&mut node.walk()).find(|n| n.kind() == kind)
}

/// Whether a token is among the children.
pub(super) fn has(node: Node<'_>, token: &str) -> bool {
    child(node, token).is_some()
}

/// Words and annotations before a declaration.
#[derive(Default)]
pub(super) struct Modifiers {
    pub(super) words: Vec<SmolStr>,
    pub(super) annotations: Vec<Annotation>,
}

/// An argument without a name.
pub(super) fn plain(value: Id) -> Arg {
    Arg { name: None, value, spread: false }
}

/// A type that is only a name.
pub(super) fn bare_type(name: SmolStr, span: Span) -> TypeName {
    TypeName { name, span, ..TypeName::default() }
}

/// Undoes the escapes that both Kotlin and Java know.
pub(super) fn unescape(escape: &str) -> SmolStr {
    let mut chars = escape.chars().skip(1);
    let text: String = match chars.next() {
        Some('n') => "\n".into(),
        Some('t') => "\t".into(),
        Some('r') => "\r".into(),
        Some('b') => "\u{8}".into(),
        Some('u') => {
            let digits: String = chars.collect();
            u32::from_str_radix(digits.trim_start_matches('u'), 16)
                .ok()
                .and_then(char::from_u32)
                .map(String::from)
                .unwrap_or_default()
        }
        Some(other) => other.into(),
        None => String::new(),
    };
    text.into()
}

/// The type that Kotlin and Java give a number.
pub(super) fn number_type(text: &str) -> &'static str {
    let lower = text.to_ascii_lowercase();
    if lower.starts_with("0x") {
        return if lower.ends_with('l') { "Long" } else { "Int" };
    }
    match lower.chars().last() {
        Some('l') => "Long",
        Some('f') => "Float",
        _ if lower.contains('.') || lower.ends_with('d') => "Double",
        _ => "Int",
    }
}
