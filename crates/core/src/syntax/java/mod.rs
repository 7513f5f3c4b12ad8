//! Java's lens.

mod declarations;
mod expressions;
mod idioms;

use super::code::{self, Lower, child, has, named};
use super::{Body, Id, Import, Kind, Trouble};
use tree_sitter::Node;

/// Keywords and modifiers before a name that other files may ask for. Methods and fields are found
/// through their class.
pub(super) const DECLARING: &[&str] = &["class", "interface", "enum", "record"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let Some(tree) = code::grammar_tree(&tree_sitter_java::LANGUAGE.into(), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let mut lens = Java(Lower::new(text, &idioms::IDIOMS));
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(code::errors(&tree).1);
    (Body::Code(lens.0.tree), trouble)
}

struct Java<'t>(Lower<'t>);

impl Java<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        for node in named(root) {
            match node.kind() {
                "package_declaration" => {
                    let name = named(node).into_iter().next_back();
                    self.0.tree.package = name.map(|n| self.0.name(n)).unwrap_or_default();
                }
                "import_declaration" => self.import(node),
                _ => items.push(self.item(node)),
            }
        }
        self.0.tree.items = items;
    }

    fn import(&mut self, node: Node<'_>) {
        let path = child(node, "scoped_identifier").or_else(|| child(node, "identifier"));
        let path = path.map(|n| self.0.name(n)).unwrap_or_default();
        let last = path.rsplit('.').next().map(Into::into);
        let name = if has(node, "asterisk") { None } else { last };
        self.0.tree.imports.push(Import { path, name, ..Import::default() });
    }

    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "class_declaration"
            | "interface_declaration"
            | "enum_declaration"
            | "record_declaration"
            | "annotation_type_declaration" => self.class(node),
            "method_declaration" | "constructor_declaration" | "compact_constructor_declaration" => {
                self.method(node)
            }
            "field_declaration" | "local_variable_declaration" | "constant_declaration" => {
                self.variables(node)
            }
            "enum_constant" => self.entry(node),
            "expression_statement" | "static_initializer" | "parenthesized_expression" => {
                match named(node).first() {
                    Some(inner) => self.item(*inner),
                    None => self.0.nothing(node),
                }
            }
            "block" | "constructor_body" => {
                let items = self.items(named(node));
                self.0.add(Kind::Block(items), node)
            }
            _ => self.expression(node),
        };
        self.0.leave();
        id
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }
}
