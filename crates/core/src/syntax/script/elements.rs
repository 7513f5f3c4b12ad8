//! Elements in angle brackets: a component called with one object of all its properties.

use super::Script;
use crate::syntax::code::{child, has, named, span};
use crate::syntax::{Arg, Call, Class, Entry, Id, Kind, PROPERTIES, Parameter, Piece};
use tree_sitter::Node;

impl Script<'_> {
    /// `<Stack.Screen name="Shelf" component={Shelf} />`; without a name a list of what is inside.
    pub(super) fn element(&mut self, node: Node<'_>) -> Id {
        let open = node.child_by_field_name("open_tag").unwrap_or(node);
        let inside = self.children(node);
        let Some(name) = open.child_by_field_name("name") else {
            return self.0.add(Kind::List(inside), node);
        };
        let callee = self.expression(name);
        let types = open.child_by_field_name("type_arguments").map(|n| self.type_args(n)).unwrap_or_default();
        let mut entries = Vec::new();
        let attributes: Vec<_> = open.children_by_field_name("attribute", &mut open.walk()).collect();
        for attribute in attributes {
            entries.extend(self.attribute(attribute));
        }
        if !inside.is_empty() {
            let key = self.0.add(Kind::Text(vec![Piece::Text("children".into())]), open);
            let value = match inside.as_slice() {
                [one] if !one.spread => one.value,
                _ => self.0.add(Kind::List(inside), node),
            };
            entries.push(Entry { key: Some(key), value });
        }
        let value = self.0.add(Kind::Map(entries), open);
        let args = vec![Arg { name: Some(PROPERTIES.into()), value, spread: false }];
        self.0.add(Kind::Call(Call { callee, types, args, new: false, body: None }), node)
    }

    /// A class that renders is made by an element, with the element's properties, and keeps them as
    /// `props` (react.dev, "Component").
    pub(super) fn take_properties(&mut self, class: &mut Class, at: Node<'_>) {
        let tree = &self.0.tree;
        let renders = |&id: &Id| tree.function(id).is_some_and(|function| function.name == "render");
        if class.supers.is_empty() || !class.members.iter().any(renders) {
            return;
        }
        if let Some(&first) = class.params.first() {
            self.0.tree.keep_as_property(first, "props");
            return;
        }
        let ty = class.supers.first().and_then(|base| base.ty.args.first()).cloned();
        let props = Parameter { name: "props".into(), ty, property: true, ..Parameter::default() };
        class.params.push(self.0.add(Kind::Parameter(props), at));
    }

    fn attribute(&mut self, node: Node<'_>) -> Option<Entry> {
        if node.kind() == "jsx_expression" {
            let spread = child(node, "spread_element").and_then(|n| named(n).into_iter().next())?;
            return Some(Entry { key: None, value: self.expression(spread) });
        }
        let parts = named(node);
        let name = parts.first()?;
        let key = self.0.str(*name).into();
        let key = self.0.add(Kind::Text(vec![Piece::Text(key)]), *name);
        let value = match parts.get(1) {
            Some(value) => self.expression(*value),
            None => self.0.add(Kind::Bool(true), *name),
        };
        Some(Entry { key: Some(key), value })
    }

    /// What stands between the tags, text left out.
    fn children(&mut self, node: Node<'_>) -> Vec<Arg> {
        if node.child_by_field_name("open_tag").is_none() {
            return Vec::new();
        }
        let inside: Vec<_> = named(node)
            .into_iter()
            .filter(|n| {
                matches!(
                    n.kind(),
                    "jsx_element" | "jsx_self_closing_element" | "jsx_expression" | "jsx_fragment"
                )
            })
            .collect();
        inside
            .into_iter()
            .filter_map(|part| {
                if part.kind() != "jsx_expression" {
                    return Some(Arg { name: None, value: self.expression(part), spread: false });
                }
                let inner = named(part).into_iter().next()?;
                let spread = has(part, "...") || is_list(inner);
                Some(Arg { name: None, value: self.expression(inner), spread })
            })
            .collect()
    }

    /// `{…}` in an attribute.
    pub(super) fn braced(&mut self, node: Node<'_>) -> Id {
        match named(node).into_iter().next() {
            Some(inner) => self.expression(inner),
            None => {
                let at = span(node);
                self.0.tree.add(Kind::Null, at)
            }
        }
    }
}

/// `xs.map(…)` between tags gives several.
fn is_list(node: Node<'_>) -> bool {
    let called = node.child_by_field_name("function").filter(|_| node.kind() == "call_expression");
    called.is_some_and(|callee| callee.kind() == "member_expression")
}
