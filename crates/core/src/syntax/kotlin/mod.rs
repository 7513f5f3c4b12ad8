//! Kotlin's lens.

mod declarations;
mod expressions;
mod idioms;
mod misread;

use super::code::{self, Lower, children, named, span};
use super::{Body, Id, Import, Kind, Trouble, repair};
use std::borrow::Cow;
use tree_sitter::Node;

/// Keywords before a name that other files may ask for.
pub(super) const DECLARING: &[&str] = &["class", "interface", "object", "fun", "val", "var", "typealias"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    // The grammar's scanner looks for white space behind an annotation, and never ends without any.
    parse_ended(&if text.ends_with('\n') { Cow::Borrowed(text) } else { Cow::Owned(format!("{text}\n")) })
}

fn parse_ended(text: &str) -> (Body, Option<Trouble>) {
    let language = tree_sitter_kotlin_ng::LANGUAGE.into();
    let Some(first) = code::grammar_tree(&language, text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let (bad, at) = code::errors(&first);
    if bad == 0 {
        return lower(text, &first, None);
    }
    let mended = repair::kotlin(text);
    match code::grammar_tree(&language, &mended) {
        Some(second) if code::errors(&second).0 < bad => {
            let at = code::errors(&second).1;
            // Offsets are the same, and names are read as they were written.
            lower(text, &second, at)
        }
        _ => lower(text, &first, at),
    }
}

fn lower(text: &str, tree: &tree_sitter::Tree, first_error: Option<u32>) -> (Body, Option<Trouble>) {
    let mut lens = Kotlin(Lower::new(text, &idioms::IDIOMS));
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(first_error);
    (Body::Code(lens.0.tree), trouble)
}

struct Kotlin<'t>(Lower<'t>);

impl Kotlin<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        if root.is_error() {
            items = self.broken(root);
        }
        for node in named(root) {
            match node.kind() {
                "package_header" => {
                    self.0.tree.package = self.dotted(node).into();
                }
                "import" => self.import(node),
                "file_annotation" => {}
                _ if root.is_error() => {}
                _ => items.push(self.item(node)),
            }
        }
        self.0.tree.items = items;
    }

    /// The dotted name inside a header or import.
    fn dotted(&self, node: Node<'_>) -> String {
        let name = code::child(node, "qualified_identifier").unwrap_or(node);
        let parts: Vec<_> =
            named(name).iter().filter(|n| n.kind() == "identifier").map(|n| self.0.name(*n)).collect();
        parts.join(".")
    }

    fn import(&mut self, node: Node<'_>) {
        let path = self.dotted(node);
        let alias =
            named(node).into_iter().skip(1).find(|n| n.kind() == "identifier").map(|n| self.0.name(n));
        let wildcard = code::has(node, "*");
        let last = path.rsplit('.').next().map(Into::into);
        let name = if wildcard { None } else { alias.or(last) };
        self.0.tree.imports.push(Import { path: path.into(), name, ..Import::default() });
    }

    /// A statement or declaration.
    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "class_declaration" | "object_declaration" | "companion_object" => self.class(node),
            "function_declaration" | "secondary_constructor" => self.function(node),
            "property_declaration" => self.property(node),
            "anonymous_initializer" => self.inside(node),
            "annotated_expression" | "infix_expression" => match self.misread_declaration(node) {
                Some(id) => id,
                None => self.expression(node),
            },
            "ERROR" => {
                let items = self.broken(node);
                self.0.add(Kind::Other(items), node)
            }
            _ => self.expression(node),
        };
        self.0.leave();
        id
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }

    /// The one block or expression inside a wrapper node.
    fn inside(&mut self, node: Node<'_>) -> Id {
        match named(node).last() {
            Some(inner) => self.expression(*inner),
            None => self.0.add(Kind::Block(Vec::new()), node),
        }
    }

    /// What an error node still shows: the head of a class or function whose body did not parse is
    /// taken as its head, and all that follows as its content.
    fn broken(&mut self, node: Node<'_>) -> Vec<Id> {
        let parts = children(node);
        let mut items = Vec::new();
        for (i, part) in parts.iter().enumerate() {
            let name = parts.get(i + 1).filter(|n| n.kind() == "identifier");
            if let (true, Some(name)) = (matches!(part.kind(), "class" | "object" | "interface"), name) {
                let class = self.broken_class(part.kind(), *name, &parts[i + 2..], node);
                items.push(class);
                return items;
            }
            if part.is_named()
                && !part.is_extra()
                && !matches!(part.kind(), "package_header" | "import" | "modifiers")
            {
                items.push(self.item(*part));
            }
        }
        items
    }

    fn broken_class(&mut self, keyword: &str, name: Node<'_>, rest: &[Node<'_>], whole: Node<'_>) -> Id {
        let mut class = self.empty_class(name, keyword);
        for part in rest.iter().filter(|n| n.is_named() && !n.is_extra()) {
            match part.kind() {
                "primary_constructor" => class.params = self.class_params(*part),
                "delegation_specifiers" => class.supers = self.supers(*part),
                "modifiers" => {}
                _ => {
                    let member = self.item(*part);
                    class.members.push(member);
                }
            }
        }
        let end = rest.last().map_or(span(whole), |n| span(*n)).end;
        let at = crate::model::Span { start: span(name).start, end };
        self.0.tree.add(Kind::Class(class), at)
    }
}
