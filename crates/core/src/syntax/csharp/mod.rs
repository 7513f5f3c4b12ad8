//! C#'s lens.

mod declarations;
mod expressions;
mod idioms;
mod members;
mod objects;
mod statements;
mod strings;
mod types;

#[cfg(test)]
mod tests;

use super::code::{self, Lower, child, named, operands, span};
use super::{Body, Id, Import, Kind, Trouble, TypeName, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

/// Keywords before a name that other files may ask for. Members are found through their class.
pub(super) const DECLARING: &[&str] = &["class", "interface", "enum", "record", "struct"];

pub(super) fn parse(text: &str) -> (Body, Option<Trouble>) {
    let Some(tree) = code::grammar_tree(&tree_sitter_c_sharp::LANGUAGE.into(), text) else {
        return (Body::Code(super::Tree::default()), Some((0, "could not be parsed".to_owned())));
    };
    let mut lens = CSharp { low: Lower::new(text, &idioms::IDIOMS), hoisted: Vec::new() };
    lens.file(tree.root_node());
    let trouble = lens.low.trouble(code::errors(&tree).1);
    (Body::Code(lens.low.tree), trouble)
}

struct CSharp<'t> {
    low: Lower<'t>,
    /// Variables that an expression declares for the statements after it: `out var x`, `is Shelf shelf`.
    hoisted: Vec<Id>,
}

impl CSharp<'_> {
    fn file(&mut self, root: Node<'_>) {
        let mut items = Vec::new();
        self.namespace_members(root, &mut items);
        self.low.tree.items = items;
        self.outer_namespaces();
    }

    fn namespace_members(&mut self, node: Node<'_>, items: &mut Vec<Id>) {
        for part in unconditional(named(node)) {
            match part.kind() {
                "using_directive" => self.import(part),
                "namespace_declaration" | "file_scoped_namespace_declaration" => {
                    self.namespace(part);
                    if let Some(body) = part.child_by_field_name("body") {
                        self.namespace_members(body, items);
                    }
                }
                "global_statement" => {
                    let inside = self.statements(named(part));
                    items.extend(inside);
                }
                _ => items.push(self.item(part)),
            }
        }
    }

    /// A file is taken to be of one namespace, the innermost of those that are opened first.
    fn namespace(&mut self, node: Node<'_>) {
        let Some(name) = node.child_by_field_name("name").map(|n| self.low.name(n)) else { return };
        let package = &mut self.low.tree.package;
        let nested = is_nested(node);
        *package = match (package.is_empty(), nested) {
            (true, _) => name,
            (false, true) => format!("{package}.{name}").into(),
            (false, false) => return,
        };
    }

    /// What stands in a namespace is seen in those inside of it (C# specification, "Namespace and type
    /// names").
    fn outer_namespaces(&mut self) {
        let mut path: &str = &self.low.tree.package.clone();
        while let Some((outer, _)) = path.rsplit_once('.') {
            self.low.tree.imports.push(Import { path: outer.into(), ..Import::default() });
            path = outer;
        }
    }

    /// `using A.B;`, `using static A.B;`, `using X = A.B;`.
    fn import(&mut self, node: Node<'_>) {
        let alias = node.child_by_field_name("name");
        let path = named(node).into_iter().rfind(|n| Some(n.id()) != alias.map(|a| a.id()));
        let Some(path) = path.map(|n| self.type_name(n).name) else { return };
        let name = alias.map(|n| self.low.name(n));
        self.low.tree.imports.push(Import { path, name, ..Import::default() });
    }

    fn item(&mut self, node: Node<'_>) -> Id {
        if !self.low.enter(node) {
            return self.low.nothing(node);
        }
        let id = match node.kind() {
            "class_declaration"
            | "interface_declaration"
            | "enum_declaration"
            | "record_declaration"
            | "struct_declaration" => self.class(node),
            "method_declaration" | "constructor_declaration" | "local_function_statement" => {
                self.method(node)
            }
            "field_declaration" | "event_field_declaration" | "local_declaration_statement" => {
                self.variables(node)
            }
            "property_declaration" => self.property(node),
            "enum_member_declaration" => self.entry(node),
            _ => self.statement(node),
        };
        self.low.leave();
        id
    }

    fn items(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        unconditional(nodes).into_iter().map(|node| self.item(node)).collect()
    }

    /// Statements in order, each after what its expressions declare.
    fn statements(&mut self, nodes: Vec<Node<'_>>) -> Vec<Id> {
        let outer = std::mem::take(&mut self.hoisted);
        let mut all = Vec::new();
        for node in unconditional(nodes) {
            let id = self.item(node);
            all.append(&mut self.hoisted);
            all.push(id);
        }
        self.hoisted = outer;
        all
    }

    fn block(&mut self, node: Node<'_>) -> Id {
        let items = self.statements(named(node));
        self.low.add(Kind::Block(items), node)
    }

    /// Declares a variable for the statements after the one that the expression stands in.
    fn hoist(&mut self, name: Node<'_>, ty: Option<TypeName>, init: Option<Id>) {
        let variable = Variable {
            name: self.low.name(name),
            name_span: span(name),
            ty: ty.filter(|ty| ty.name != "var"),
            init,
            mutable: init.is_none(),
            ..Variable::default()
        };
        let id = self.low.add(Kind::Variable(variable), name);
        self.hoisted.push(id);
    }

    fn field_name(&self, node: Node<'_>, field: &str) -> SmolStr {
        node.child_by_field_name(field).map(|n| self.low.name(n)).unwrap_or_default()
    }
}

/// Nodes with what stands between `#if` and `#endif` in their place: on some platform it counts
/// (C# specification, "Conditional compilation directives").
fn unconditional(nodes: Vec<Node<'_>>) -> Vec<Node<'_>> {
    let mut all = Vec::new();
    for node in nodes {
        match node.kind() {
            "preproc_if" | "preproc_elif" | "preproc_else" => {
                let condition = node.child_by_field_name("condition").map(|n| n.id());
                let inside = named(node).into_iter().filter(|n| Some(n.id()) != condition);
                all.extend(unconditional(inside.collect()));
            }
            kind if kind.starts_with("preproc_") => {}
            _ => all.push(node),
        }
    }
    all
}

/// Whether a namespace stands in another.
fn is_nested(node: Node<'_>) -> bool {
    std::iter::successors(node.parent(), Node::parent).any(|n| n.kind() == "namespace_declaration")
}

/// The body of a member: a block, or the expression behind `=>`.
fn body_of<'n>(node: Node<'n>) -> Option<Node<'n>> {
    let body = node.child_by_field_name("body").or_else(|| child(node, "arrow_expression_clause"))?;
    match body.kind() {
        "arrow_expression_clause" => operands(body).into_iter().next(),
        _ => Some(body),
    }
}
