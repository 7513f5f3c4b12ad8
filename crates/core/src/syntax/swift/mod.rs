//! Swift's lens.

mod declarations;
mod expressions;
mod idioms;
mod members;
mod patterns;
mod statements;
mod types;

#[cfg(test)]
mod tests;

use super::code::{self, Lower, child, named};
use super::{Body, Id, Import, Kind, Trouble, repair};
use tree_sitter::Node;

/// Keywords before a name that other files may ask for.
pub(super) const DECLARING: &[&str] =
    &["class", "struct", "enum", "protocol", "actor", "extension", "func", "var", "let", "case", "typealias"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let language = tree_sitter_swift::LANGUAGE.into();
    let Some(first) = code::grammar_tree(&language, text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let (bad, at) = code::errors(&first);
    if bad == 0 && !text.contains("#if") {
        return lower(text, &first, None);
    }
    let mended = repair::swift(text);
    match code::grammar_tree(&language, &mended) {
        Some(second) if mended != text && code::errors(&second).0 <= bad => {
            let at = code::errors(&second).1;
            lower(text, &second, at)
        }
        _ => lower(text, &first, at),
    }
}

fn lower(text: &str, tree: &tree_sitter::Tree, first_error: Option<u32>) -> (Body, Option<Trouble>) {
    let mut lens = Swift(Lower::new(text, &idioms::IDIOMS));
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(first_error);
    (Body::Code(lens.0.tree), trouble)
}

struct Swift<'t>(Lower<'t>);

impl Swift<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        for node in named(root) {
            match node.kind() {
                "import_declaration" => self.import(node),
                "shebang_line" | "directive" => {}
                _ => items.push(self.item(node)),
            }
        }
        self.0.tree.items = items;
    }

    /// `import Kit` brings in all of a module, `import struct Kit.Shelf` one name.
    fn import(&mut self, node: Node<'_>) {
        let Some(path) = child(node, "identifier") else { return };
        let parts: Vec<_> = named(path).into_iter().map(|n| self.0.name(n)).collect();
        let only = code::children(node).iter().any(|n| {
            matches!(
                n.kind(),
                "struct" | "class" | "enum" | "protocol" | "typealias" | "func" | "let" | "var"
            )
        });
        let name = parts.last().filter(|_| only).cloned();
        let path =
            if only { parts.join(".") } else { parts.first().map(ToString::to_string).unwrap_or_default() };
        self.0.tree.imports.push(Import { path: path.into(), name, ..Import::default() });
    }

    /// A statement or declaration.
    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "class_declaration" | "protocol_declaration" => self.class(node),
            "function_declaration" | "protocol_function_declaration" | "init_declaration" => {
                self.function(node)
            }
            "subscript_declaration" | "deinit_declaration" => self.inside(node),
            "property_declaration" => self.property(node),
            "protocol_property_declaration" => self.required_property(node),
            "typealias_declaration" => self.alias(node),
            "macro_invocation" => self.invocation(node),
            "directive" | "associatedtype_declaration" | "operator_declaration" => self.0.nothing(node),
            _ => self.expression(node),
        };
        self.0.leave();
        id
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().filter(|node| node.kind() != "directive").map(|node| self.item(node)).collect()
    }

    /// What stands in a pair of braces: the one expression that it comes to, or statements.
    fn body(&mut self, holder: Node<'_>) -> Id {
        let statements = child(holder, "statements").map(named).unwrap_or_default();
        let all: Vec<_> = statements.into_iter().filter(|node| node.kind() != "directive").collect();
        match all.as_slice() {
            [one] if is_value(*one) => self.expression(*one),
            _ => {
                let items = self.items(all);
                self.0.add(Kind::Block(items), holder)
            }
        }
    }

    /// Everything inside, as far as it says anything.
    fn inside(&mut self, node: Node<'_>) -> Id {
        let items = self.items(named(node).into_iter().filter(|n| !types::is_type(*n)).collect());
        self.0.add(Kind::Other(items), node)
    }

    /// A macro. What a preview shows is shown to its author only
    /// (developer.apple.com, "Previewing your app's interface in Xcode").
    fn invocation(&mut self, node: Node<'_>) -> Id {
        let name = named(node).first().map(|n| self.0.name(*n)).unwrap_or_default();
        match name.as_str() {
            "Preview" => self.0.nothing(node),
            _ => self.inside(node),
        }
    }
}

/// Whether a statement is a value that a body of one hands back.
fn is_value(node: Node<'_>) -> bool {
    !node.kind().ends_with("_declaration")
        && !matches!(
            node.kind(),
            "assignment"
                | "for_statement"
                | "while_statement"
                | "repeat_while_statement"
                | "do_statement"
                | "guard_statement"
        )
}
