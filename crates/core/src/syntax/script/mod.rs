//! The lens for JavaScript and TypeScript, with and without elements in angle brackets
//! (typescriptlang.org, "Handbook"; facebook.github.io/jsx).

mod declarations;
mod elements;
mod expressions;
mod fields;
mod idioms;
mod modules;
mod patterns;
mod statements;
mod types;

#[cfg(test)]
mod tests;

pub(super) use modules::SELF;

use super::code::{self, Lower, named};
use super::{Body, Id, Kind, Trouble};
use tree_sitter::Node;

/// Keywords before a name that other files may ask for.
pub(super) const DECLARING: &[&str] =
    &["class", "const", "enum", "function", "interface", "let", "type", "var"];

/// The name under which a file's default export is found.
pub(super) const DEFAULT: &str = "default";

/// The grammar for files with elements in them, or without.
pub(super) fn grammar(elements: bool) -> tree_sitter::Language {
    match elements {
        true => tree_sitter_typescript::LANGUAGE_TSX.into(),
        false => tree_sitter_typescript::LANGUAGE_TYPESCRIPT.into(),
    }
}

pub(super) fn parse(text: &str, elements: bool) -> (Body, Option<Trouble>) {
    let Some(tree) = code::grammar_tree(&grammar(elements), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let mut lens = Script(Lower::new(text, &idioms::IDIOMS));
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(code::errors(&tree).1);
    (Body::Code(lens.0.tree), trouble)
}

struct Script<'t>(Lower<'t>);

impl Script<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        for node in named(root) {
            match node.kind() {
                "import_statement" => self.import(node),
                "export_statement" => items.extend(self.export(node)),
                "hash_bang_line" => {}
                _ => items.push(self.item(node)),
            }
        }
        self.0.tree.items = items;
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }

    /// A declaration or statement.
    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = self.declaration(node).or_else(|| self.statement(node));
        let id = match id {
            Some(id) => id,
            None => self.expression(node),
        };
        self.0.leave();
        id
    }

    /// Whatever is inside a node that means nothing by itself.
    fn other(&mut self, node: Node<'_>) -> Id {
        let inside = self.items(named(node));
        self.0.add(Kind::Other(inside), node)
    }
}
