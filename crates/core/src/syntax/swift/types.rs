//! Swift's types as written.

use super::Swift;
use crate::syntax::TypeName;
use crate::syntax::code::{bare_type, child, children, named, span};
use tree_sitter::Node;

impl Swift<'_> {
    pub(super) fn type_name(&self, node: Node<'_>) -> TypeName {
        match node.kind() {
            "user_type" => {
                let parts = named(node).into_iter().filter(|n| n.kind() == "type_identifier");
                let name = parts.map(|n| self.0.name(n).to_string()).collect::<Vec<_>>().join(".");
                let args = child(node, "type_arguments").map(|n| self.types_in(n)).unwrap_or_default();
                let ty = TypeName { name: name.into(), args, span: span(node), ..TypeName::default() };
                unwrapped(ty)
            }
            "type_identifier" | "identifier" | "simple_identifier" => {
                bare_type(self.0.name(node), span(node))
            }
            "array_type" => self.generic("Array", node),
            "dictionary_type" => self.generic("Dictionary", node),
            "optional_type" => {
                let inner = named(node).into_iter().next().map(|n| self.type_name(n)).unwrap_or_default();
                TypeName { nullable: true, span: span(node), ..inner }
            }
            // `some View`, `any Route`: what it conforms to.
            "opaque_type" | "existential_type" | "metatype" | "implicitly_unwrapped_type" => {
                let inner = named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n));
                TypeName { span: span(node), ..inner.unwrap_or_default() }
            }
            "protocol_composition_type" => {
                named(node).into_iter().find(|n| is_type(*n)).map(|n| self.type_name(n)).unwrap_or_default()
            }
            // A function's arguments stand for the type's, so that closures know what they are given.
            "function_type" => {
                let params = child(node, "tuple_type").map(|n| self.types_in(n)).unwrap_or_default();
                TypeName { args: params, span: span(node), ..TypeName::default() }
            }
            "tuple_type" => match named(node).as_slice() {
                [one] => TypeName { span: span(node), ..self.type_name(*one) },
                _ => bare_type("".into(), span(node)),
            },
            "tuple_type_item" => {
                named(node).into_iter().rfind(|n| is_type(*n)).map(|n| self.type_name(n)).unwrap_or_default()
            }
            _ => bare_type("".into(), span(node)),
        }
    }

    fn generic(&self, name: &str, node: Node<'_>) -> TypeName {
        TypeName { name: name.into(), args: self.types_in(node), span: span(node), ..TypeName::default() }
    }

    pub(super) fn types_in(&self, node: Node<'_>) -> Vec<TypeName> {
        named(node)
            .into_iter()
            .filter(|n| is_type(*n) || n.kind() == "tuple_type_item")
            .map(|n| self.type_name(n))
            .collect()
    }

    /// The type after a colon; `!` behind it belongs to what is written.
    pub(super) fn annotated(&self, annotation: Node<'_>) -> Option<TypeName> {
        let node = named(annotation).into_iter().find(|n| is_type(*n))?;
        let ty = self.type_name(node);
        let forced = children(annotation).into_iter().find(|n| n.kind() == "!");
        Some(match forced {
            Some(mark) => TypeName { span: crate::model::Span { end: span(mark).end, ..ty.span }, ..ty },
            None => ty,
        })
    }
}

/// `Binding<T>` and `Optional<T>` as what they hold.
fn unwrapped(ty: TypeName) -> TypeName {
    match (ty.name.as_str(), ty.args.as_slice()) {
        ("Binding", [held]) => TypeName { span: ty.span, ..held.clone() },
        ("Optional", [held]) => TypeName { span: ty.span, nullable: true, ..held.clone() },
        _ => ty,
    }
}

pub(super) fn is_type(node: Node<'_>) -> bool {
    matches!(
        node.kind(),
        "user_type"
            | "array_type"
            | "dictionary_type"
            | "optional_type"
            | "opaque_type"
            | "existential_type"
            | "metatype"
            | "implicitly_unwrapped_type"
            | "protocol_composition_type"
            | "function_type"
            | "tuple_type"
    )
}
