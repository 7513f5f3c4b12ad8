//! Python's lens.

mod declarations;
mod expressions;
mod idioms;
mod statements;

#[cfg(test)]
mod tests;

use super::code::{self, Lower, child, named};
use super::{Body, Id, Import, Kind, Trouble, kv};
use rustc_hash::FxHashSet;
use smol_str::SmolStr;
use tree_sitter::Node;

/// Keywords before a name that other files may ask for.
pub(super) const DECLARING: &[&str] = &["class", "def"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let Some(tree) = code::grammar_tree(&tree_sitter_python::LANGUAGE.into(), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let (_, at) = code::errors(&tree);
    let mut lens = Python::new(text);
    lens.file(tree.root_node());
    let trouble = lens.0.trouble(at);
    (Body::Code(lens.0.tree), trouble)
}

/// The lens, the names that the function around has set so far, the documents in strings, and who
/// `self` and `root` are.
pub(super) struct Python<'t>(pub(super) Lower<'t>, Vec<FxHashSet<SmolStr>>, Documents, Names);

/// Who `self` and `root` are.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Names {
    /// In Python, `self` is the object.
    Python,
    /// In a rule of kv, `root` is the object, and `self` a widget in it.
    Rule,
    /// In a tree of kv, `root` is the app's.
    Tree,
}

/// Names of strings, where their text stands, and which of them are loaded as kv.
#[derive(Default)]
struct Documents {
    texts: Vec<(SmolStr, (usize, usize))>,
    loaded: Vec<SmolStr>,
    found: Vec<(usize, usize)>,
}

impl<'t> Python<'t> {
    pub(super) fn new(text: &'t str) -> Self {
        Self(
            Lower::new(text, &idioms::IDIOMS),
            vec![FxHashSet::default()],
            Documents::default(),
            Names::Python,
        )
    }

    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        for node in named(root) {
            match node.kind() {
                "import_statement" | "import_from_statement" | "future_import_statement" => self.import(node),
                _ => items.push(self.item(node)),
            }
        }
        items.extend(self.documents());
        self.0.tree.items = items;
    }

    /// kv in strings: handed to the loader in place, or by the name of a string of this file.
    fn documents(&mut self) -> Vec<Id> {
        let named =
            self.2.texts.iter().filter(|(name, _)| self.2.loaded.contains(name)).map(|(_, range)| *range);
        let ranges: Vec<(usize, usize)> = self.2.found.iter().copied().chain(named).collect();
        ranges.into_iter().flat_map(|range| kv::lower_into(self, range)).collect()
    }

    /// Says who `self` and `root` are, and gives who they were.
    pub(super) fn names_of(&mut self, names: Names) -> Names {
        std::mem::replace(&mut self.3, names)
    }

    /// Whether a name is the object that code belongs to.
    fn is_this(&self, name: &str) -> bool {
        match self.3 {
            Names::Python => name == "self",
            Names::Rule => name == "root",
            Names::Tree => false,
        }
    }

    /// Opens a function: names set in it are its own.
    pub(super) fn open(&mut self) {
        self.1.push(FxHashSet::default());
    }

    /// Closes the function that was opened last.
    pub(super) fn close(&mut self) {
        self.1.pop();
    }

    /// Whether a name is set for the first time in the function around.
    fn is_new(&mut self, name: &SmolStr) -> bool {
        self.1.last_mut().is_none_or(|names| names.insert(name.clone()))
    }

    /// `import a.b as c`, `from a import b as c`, `from a import *`.
    fn import(&mut self, node: Node<'_>) {
        let module = node.child_by_field_name("module_name").map(|n| self.0.str(n).replace(' ', ""));
        if child(node, "wildcard_import").is_some() {
            let path = module.unwrap_or_default().into();
            self.0.tree.imports.push(Import { path, ..Import::default() });
            return;
        }
        let mut cursor = node.walk();
        let names: Vec<_> = node.children_by_field_name("name", &mut cursor).collect();
        for name in names {
            let (path, alias) = match name.kind() {
                "aliased_import" => (
                    name.child_by_field_name("name").map(|n| self.0.str(n)).unwrap_or_default(),
                    name.child_by_field_name("alias").map(|n| self.0.name(n)),
                ),
                _ => (self.0.str(name), None),
            };
            let import = match &module {
                Some(module) => {
                    let dot = if module.ends_with('.') { "" } else { "." };
                    let called = alias.unwrap_or_else(|| path.into());
                    Import {
                        path: format!("{module}{dot}{path}").into(),
                        name: Some(called),
                        ..Import::default()
                    }
                }
                None => {
                    let called = alias.unwrap_or_else(|| path.split('.').next().unwrap_or(path).into());
                    Import { path: path.into(), prefix: Some(called), ..Import::default() }
                }
            };
            self.0.tree.imports.push(import);
        }
    }

    /// A statement or declaration.
    pub(super) fn item(&mut self, node: Node<'_>) -> Id {
        if !self.0.enter(node) {
            return self.0.nothing(node);
        }
        let id = match node.kind() {
            "class_definition" => self.class(node, Vec::new()),
            "function_definition" => self.function(node, Vec::new()),
            "decorated_definition" => self.decorated(node),
            "import_statement" | "import_from_statement" => {
                self.import(node);
                self.0.nothing(node)
            }
            _ => self.statement(node),
        };
        self.0.leave();
        id
    }

    pub(super) fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        nodes.into_iter().map(|node| self.item(node)).collect()
    }

    fn block(&mut self, node: Node<'_>) -> Id {
        let items = self.items(named(node));
        self.0.add(Kind::Block(items), node)
    }
}
