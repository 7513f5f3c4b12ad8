//! C#'s types, as far as they matter here.

use super::CSharp;
use crate::syntax::TypeName;
use crate::syntax::code::{bare_type, child, named, span};
use tree_sitter::Node;

impl CSharp<'_> {
    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        match node.kind() {
            "generic_name" => {
                let base = named(node).into_iter().next().map(|n| self.type_name(n)).unwrap_or_default();
                TypeName { args: self.type_args(node), ..base }
            }
            "nullable_type" => {
                let base = named(node).into_iter().next().map(|n| self.type_name(n)).unwrap_or_default();
                TypeName { nullable: true, ..base }
            }
            "array_type" => {
                let of = node.child_by_field_name("type").map(|n| self.type_name(n));
                TypeName { args: of.into_iter().collect(), ..bare_type("Array".into(), span(node)) }
            }
            "qualified_name" => self.qualified(node),
            "alias_qualified_name" => {
                named(node).into_iter().next_back().map(|n| self.type_name(n)).unwrap_or_default()
            }
            _ => bare_type(self.low.str(node).split_whitespace().collect::<String>().into(), span(node)),
        }
    }

    fn qualified(&self, node: Node<'_>) -> TypeName {
        let field = |name: &str| node.child_by_field_name(name).map(|n| self.type_name(n));
        match (field("qualifier"), field("name")) {
            (Some(outer), Some(inner)) => {
                let name = format!("{}.{}", outer.name, inner.name).into();
                TypeName { name, span: span(node), ..inner }
            }
            _ => bare_type(self.low.name(node), span(node)),
        }
    }

    /// The arguments between angle brackets.
    pub(super) fn type_args(&self, node: Node<'_>) -> Vec<TypeName> {
        let list = child(node, "type_argument_list").map(named).unwrap_or_default();
        list.into_iter().map(|n| self.type_name(n)).collect()
    }

    /// The type that a declaration names; none where it is left to the value.
    pub(super) fn declared(&self, node: Node<'_>) -> Option<TypeName> {
        let ty = node.child_by_field_name("type").filter(|n| n.kind() != "implicit_type")?;
        Some(self.type_name(ty)).filter(|ty| ty.name != "var")
    }
}
