//! Dart's lens (dart.dev, "Dart language specification").

mod collections;
mod declarations;
mod expressions;
mod idioms;
mod parameters;
mod patterns;
mod statements;

#[cfg(test)]
mod tests;

use super::code::{self, Lower, child, named};
use super::{Body, Id, Import, Kind, Piece, Trouble};
use tree_sitter::Node;

/// Keywords before a name that other files may ask for. Functions and variables are found through the
/// library that is imported.
pub(super) const DECLARING: &[&str] = &["class", "enum", "extension", "mixin", "type", "typedef"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let Some(tree) = code::grammar_tree(&tree_sitter_dart::LANGUAGE.into(), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let mut lens = Dart { lower: Lower::new(text, &idioms::IDIOMS), class: None };
    lens.file(tree.root_node());
    let trouble = lens.lower.trouble(code::errors(&tree).1);
    (Body::Code(lens.lower.tree), trouble)
}

struct Dart<'t> {
    lower: Lower<'t>,
    /// The class whose members are being lowered.
    class: Option<declarations::Around>,
}

impl Dart<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        for node in named(root) {
            match node.kind() {
                "import_or_export" => self.import(node),
                "part_of_directive" => self.part_of(node),
                "library_name" | "part_directive" | "script_tag" => {}
                _ => items.push(self.item(node)),
            }
        }
        self.lower.tree.items = items;
    }

    /// `import 'a.dart' as a show B`, `export 'a.dart' hide B`. The path stays as it is written until
    /// the library it means is known.
    fn import(&mut self, node: Node<'_>) {
        let Some(inner) = named(node).into_iter().next() else { return };
        let exported = inner.kind() == "library_export";
        let spec = child(inner, "import_specification").unwrap_or(inner);
        let Some(path) = spec.child_by_field_name("uri").and_then(|uri| self.uri(uri)) else { return };
        let mut import = Import { path: path.into(), exported, ..Import::default() };
        import.prefix = spec.child_by_field_name("alias").map(|n| self.lower.name(n));
        for combinator in named(spec).into_iter().filter(|n| n.kind() == "combinator") {
            let names = named(combinator).into_iter().map(|n| self.lower.name(n));
            match code::has(combinator, "show") {
                true => import.only.extend(names),
                false => import.except.extend(names),
            }
        }
        self.lower.tree.imports.push(import);
    }

    /// `part of 'a.dart'`: the file belongs to that library. The older form names it, and the name
    /// says nothing of the place.
    fn part_of(&mut self, node: Node<'_>) {
        self.lower.tree.is_part = true;
        if let Some(uri) = child(node, "uri").and_then(|n| self.uri(n)) {
            self.lower.tree.package = uri.into();
        }
    }

    /// The text of a URI, which is always written out.
    fn uri(&mut self, node: Node<'_>) -> Option<String> {
        let literal = match node.kind() {
            "configurable_uri" => child(child(node, "uri")?, "string_literal")?,
            _ => child(node, "string_literal")?,
        };
        let id = self.expression(literal);
        let Kind::Text(pieces) = self.lower.tree.kind(id) else { return None };
        let text = pieces.iter().map(|piece| match piece {
            Piece::Text(text) => text.as_str(),
            Piece::Hole(_) => "",
        });
        Some(text.collect())
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }

    /// A declaration or statement.
    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.lower.enter(node) {
            return self.lower.nothing(node);
        }
        let id = self.declaration(node).or_else(|| self.statement(node));
        let id = match id {
            Some(id) => id,
            None => self.expression(node),
        };
        self.lower.leave();
        id
    }

    /// Whatever is inside a node that means nothing by itself.
    fn other(&mut self, node: Node<'_>) -> Id {
        let inside = self.items(named(node));
        self.lower.add(Kind::Other(inside), node)
    }
}
