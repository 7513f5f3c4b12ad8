//! Dart's parameters: positional, optional and named ones, those of fields and of a base's constructor.

use super::Dart;
use crate::syntax::code::{child, children, has, named};
use crate::syntax::{Annotation, Id, Kind, Modifier, Parameter};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Dart<'_> {
    pub(super) fn params(&mut self, list: Node<'_>) -> Vec<Id> {
        let mut params = Vec::new();
        for part in named(list) {
            match part.kind() {
                "formal_parameter" => {
                    let parameter = self.parameter(part, Vec::new(), Vec::new(), None);
                    params.push(self.lower.add(Kind::Parameter(parameter), part));
                }
                "optional_formal_parameters" => self.optional_params(part, &mut params),
                _ => {}
            }
        }
        params
    }

    fn optional_params(&mut self, list: Node<'_>, params: &mut Vec<Id>) {
        let named_ones = has(list, "{");
        let (mut words, mut notes) = (Vec::new(), Vec::new());
        let parts = children(list);
        for (i, part) in parts.iter().enumerate() {
            match part.kind() {
                "annotation" => {
                    let note = self.annotation(*part);
                    notes.push(note);
                }
                "required" => words.push("required".into()),
                "formal_parameter" => {
                    let followed = parts.get(i + 1).is_some_and(|n| matches!(n.kind(), "=" | ":"));
                    let default = parts.get(i + 2).filter(|_| followed).copied();
                    words.push(if named_ones { "named".into() } else { SmolStr::from("optional") });
                    let (words, notes) = (std::mem::take(&mut words), std::mem::take(&mut notes));
                    let parameter = self.parameter(*part, words, notes, default);
                    params.push(self.lower.add(Kind::Parameter(parameter), *part));
                }
                _ => {}
            }
        }
    }

    fn parameter(
        &mut self,
        node: Node<'_>,
        mut modifiers: Vec<SmolStr>,
        mut annotations: Vec<Annotation>,
        default: Option<Node<'_>>,
    ) -> Parameter {
        annotations.extend(self.metadata(node));
        let field = child(node, "field_formal_parameter");
        let base = child(node, "super_formal_parameter");
        let holder = field.or(base).unwrap_or(node);
        let name = holder
            .child_by_field_name("name")
            .or_else(|| named(holder).into_iter().rfind(|n| n.kind() == "identifier"));
        let name = name.map(|n| self.lower.name(n)).unwrap_or_default();
        let function = child(holder, "formal_parameter_list").is_some();
        let written = child(holder, "type").filter(|_| !function).map(|n| self.type_name(n));
        let of_field = || {
            let fields =
                field.and(self.class.as_ref()).map(|class| class.fields.as_slice()).unwrap_or_default();
            fields.iter().find(|(known, _)| *known == name).map(|(_, ty)| ty.clone())
        };
        let declares = children(node).iter().any(|n| matches!(n.kind(), "final" | "var"));
        if base.is_some() {
            modifiers.push("super".into());
        }
        Parameter {
            label: None,
            ty: written.or_else(of_field),
            property: field.is_some() || (declares && self.class.is_some()),
            default: default.map(|n| self.expression(n)),
            name,
            modifiers: Modifier::among(modifiers),
            annotations,
        }
    }
}
