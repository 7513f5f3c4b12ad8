//! Objective-C's lens: classes, what they derive from, and what their methods send, under the names
//! that Swift has for it (developer.apple.com, "Importing Objective-C into Swift").

mod declarations;
mod expressions;
mod idioms;
mod selectors;

use super::code::{self, Lower, named};
use super::{Body, Id, Import, Kind, Trouble};
use tree_sitter::Node;

/// Keywords before a name that other files may ask for.
pub(super) const DECLARING: &[&str] = &["@interface", "@implementation"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    // A header of C declares no class.
    if !DECLARING.iter().any(|keyword| text.contains(keyword)) {
        return (Body::Code(super::Tree::default()), None);
    }
    let Some(tree) = code::grammar_tree(&tree_sitter_objc::LANGUAGE.into(), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let mut lens = ObjC(Lower::new(text, &idioms::IDIOMS));
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(code::errors(&tree).1);
    (Body::Code(lens.0.tree), trouble)
}

struct ObjC<'t>(Lower<'t>);

impl ObjC<'_> {
    fn file(&mut self, root: Node<'_>) {
        // The frameworks are there for every file, as in Swift.
        self.0.tree.imports.push(Import { path: "UIKit".into(), ..Import::default() });
        self.0.tree.items = self.items(named(root));
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }

    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "class_interface" | "class_implementation" => self.class(node),
            "method_definition" | "method_declaration" => self.method(node),
            "property_declaration" => self.property(node),
            "declaration" => self.variable(node),
            "compound_statement" => {
                let items = self.items(named(node));
                self.0.add(Kind::Block(items), node)
            }
            "expression_statement" | "parenthesized_expression" => match named(node).first() {
                Some(inner) => self.item(*inner),
                None => self.0.nothing(node),
            },
            "if_statement" => self.choice(node),
            "switch_statement" => self.switch(node),
            _ => self.expression(node),
        };
        self.0.leave();
        id
    }
}
