//! What a file takes from others and gives to them: ES modules and CommonJS.

use super::{DEFAULT, Script};
use crate::syntax::code::{child, has, named, span};
use crate::syntax::{Id, Import, Kind};
use smol_str::SmolStr;
use tree_sitter::Node;

/// Where a path names the file itself.
pub(in crate::syntax) const SELF: &str = "<self>";

impl Script<'_> {
    /// `import A, { B as C } from './x'`, `import * as X from './x'`.
    pub(super) fn import(&mut self, node: Node<'_>) {
        let Some(uri) = node.child_by_field_name("source").map(|n| self.text_of(n)) else { return };
        let Some(clause) = child(node, "import_clause") else { return };
        for part in named(clause) {
            match part.kind() {
                "identifier" => {
                    let name = self.0.name(part);
                    self.bring(&uri, DEFAULT, name.clone());
                    self.prefix(&uri, name);
                }
                "namespace_import" => {
                    if let Some(name) = child(part, "identifier").map(|n| self.0.name(n)) {
                        self.prefix(&uri, name);
                    }
                }
                "named_imports" => {
                    for one in named(part).into_iter().filter(|n| n.kind() == "import_specifier") {
                        let Some(name) = one.child_by_field_name("name").map(|n| self.0.name(n)) else {
                            continue;
                        };
                        let alias = one.child_by_field_name("alias").map(|n| self.0.name(n));
                        self.bring(&uri, &name, alias.unwrap_or_else(|| name.clone()));
                    }
                }
                _ => {}
            }
        }
    }

    /// A name of another file, as it is called here.
    fn bring(&mut self, uri: &str, name: &str, here: SmolStr) {
        let path = format!("{uri}.{name}").into();
        self.0.tree.imports.push(Import { path, name: Some(here), ..Import::default() });
    }

    /// All names of another file behind one of this.
    fn prefix(&mut self, uri: &str, prefix: SmolStr) {
        self.0.tree.imports.push(Import { path: uri.into(), prefix: Some(prefix), ..Import::default() });
    }

    /// A name that others may take, and the one it has here or in a third file.
    fn give(&mut self, path: String, name: &str, at: Node<'_>) {
        let import = Import {
            path: path.into(),
            name: Some(name.into()),
            exported: true,
            span: Some(span(at)),
            ..Import::default()
        };
        self.0.tree.imports.push(import);
    }

    pub(super) fn export(&mut self, node: Node<'_>) -> Option<Id> {
        let uri = node.child_by_field_name("source").map(|n| self.text_of(n));
        if let Some(clause) = child(node, "export_clause") {
            let from = uri.unwrap_or_else(|| SELF.to_owned());
            for one in named(clause) {
                let Some(name) = one.child_by_field_name("name").map(|n| self.0.name(n)) else { continue };
                let alias = one.child_by_field_name("alias").map(|n| self.0.name(n));
                self.give(format!("{from}.{name}"), &alias.unwrap_or_else(|| name.clone()), one);
            }
            return None;
        }
        if let Some(uri) = uri {
            let exported = Import { path: uri.into(), exported: true, ..Import::default() };
            self.0.tree.imports.push(exported);
            return None;
        }
        let declaration = node.child_by_field_name("declaration");
        if !has(node, "default") {
            return declaration.map(|n| self.item(n));
        }
        match (declaration, node.child_by_field_name("value")) {
            (Some(declared), _) => {
                let name = declared.child_by_field_name("name").map(|n| self.0.name(n));
                let id = self.item(declared);
                self.give(format!("{SELF}.{}", name.as_deref().unwrap_or_default()), DEFAULT, node);
                Some(id)
            }
            (None, Some(value)) => self.default_value(value, node),
            (None, None) => None,
        }
    }

    /// `export default X`, where X is a name or anything else.
    fn default_value(&mut self, value: Node<'_>, node: Node<'_>) -> Option<Id> {
        if value.kind() == "identifier" {
            self.give(format!("{SELF}.{}", self.0.str(value)), DEFAULT, node);
            return None;
        }
        Some(self.exported_value(DEFAULT, value, node))
    }

    /// A value that others get under a name; it may have one of its own.
    fn exported_value(&mut self, name: &str, value: Node<'_>, node: Node<'_>) -> Id {
        let own = value.child_by_field_name("name").filter(|_| super::declarations::is_function(value));
        let Some(own) = own else { return self.named_value(name.into(), span(node), value, None, node) };
        let (written, at) = (self.0.name(own), span(own));
        self.give(format!("{SELF}.{written}"), name, node);
        self.named_value(written, at, value, None, node)
    }

    /// `const X = require('./x')`, `const { A, B: C } = require('./x')`, `… = require('./x').A`: taken
    /// in like an import. Whether it is one.
    pub(super) fn required(&mut self, declarator: Node<'_>) -> bool {
        let (Some(name), Some(value)) =
            (declarator.child_by_field_name("name"), declarator.child_by_field_name("value"))
        else {
            return false;
        };
        let (call, member) = match value.kind() {
            "member_expression" => {
                (value.child_by_field_name("object"), value.child_by_field_name("property"))
            }
            _ => (Some(value), None),
        };
        let Some(uri) = call.and_then(|call| self.required_uri(call)) else { return false };
        match (name.kind(), member) {
            ("identifier", Some(member)) => {
                let (member, name) = (self.0.name(member), self.0.name(name));
                self.bring(&uri, &member, name);
            }
            ("identifier", None) => {
                let name = self.0.name(name);
                self.bring(&uri, DEFAULT, name.clone());
                self.prefix(&uri, name);
            }
            ("object_pattern", None) => {
                for part in named(name) {
                    let (key, here) = match part.kind() {
                        "pair_pattern" => {
                            (part.child_by_field_name("key"), part.child_by_field_name("value"))
                        }
                        _ => (Some(part), Some(part)),
                    };
                    if let (Some(key), Some(here)) = (key, here) {
                        let (key, here) = (self.0.name(key), self.0.name(here));
                        self.bring(&uri, &key, here);
                    }
                }
            }
            _ => return false,
        }
        true
    }

    /// The file that `require('./x')` or `import('./x')` names.
    pub(super) fn required_uri(&self, node: Node<'_>) -> Option<String> {
        (node.kind() == "call_expression").then_some(())?;
        let function = node.child_by_field_name("function")?;
        matches!(self.0.str(function), "require" | "import").then_some(())?;
        let argument = named(node.child_by_field_name("arguments")?).into_iter().next()?;
        (argument.kind() == "string").then(|| self.text_of(argument))
    }

    /// A file taken in where it is used: a name of which the file's own are members.
    pub(super) fn taken_in(&mut self, uri: &str, node: Node<'_>) -> Id {
        let name: SmolStr = format!("<{uri}>").into();
        self.prefix(uri, name.clone());
        self.0.add(Kind::Name(name), node)
    }

    /// `module.exports = …`, `exports.a = …`.
    pub(super) fn common_export(&mut self, node: Node<'_>) -> Option<Id> {
        let (left, right) = (node.child_by_field_name("left")?, node.child_by_field_name("right")?);
        let target: String = self.0.str(left).split_whitespace().collect();
        let name = match target.as_str() {
            "module.exports" => DEFAULT,
            other => other.strip_prefix("module.exports.").or_else(|| other.strip_prefix("exports."))?,
        };
        let name: SmolStr = name.into();
        match right.kind() {
            "identifier" => {
                self.give(format!("{SELF}.{}", self.0.str(right)), &name, node);
                Some(self.expression(right))
            }
            "object" if name == DEFAULT => {
                for part in named(right) {
                    match part.kind() {
                        "shorthand_property_identifier" => {
                            let own = self.0.name(part);
                            self.give(format!("{SELF}.{own}"), &own, part);
                        }
                        "pair" => {
                            let key = part.child_by_field_name("key").map(|n| self.0.name(n));
                            let value =
                                part.child_by_field_name("value").filter(|n| n.kind() == "identifier");
                            if let (Some(key), Some(value)) = (key, value) {
                                self.give(format!("{SELF}.{}", self.0.str(value)), &key, part);
                            }
                        }
                        _ => {}
                    }
                }
                Some(self.named_value(name, span(node), right, None, node))
            }
            _ => Some(self.exported_value(&name, right, node)),
        }
    }

    /// The text of a string that is written out.
    pub(super) fn text_of(&self, node: Node<'_>) -> String {
        let parts = named(node).into_iter().map(|n| self.0.str(n));
        parts.collect()
    }
}
