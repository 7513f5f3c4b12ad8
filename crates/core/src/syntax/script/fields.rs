//! Fields that no one declares: a constructor sets them on its object (tc39.es, "Class Definitions").

use super::Script;
use crate::syntax::code::{named, span};
use crate::syntax::{Id, Kind, Variable};
use smol_str::SmolStr;
use tree_sitter::Node;

impl Script<'_> {
    /// The fields that a constructor's own statements set, each where it is set first, besides those
    /// that are members already.
    pub(super) fn set_on_object(&mut self, constructor: Node<'_>, members: &[Id]) -> Vec<Id> {
        let body = constructor.child_by_field_name("body").map(named).unwrap_or_default();
        let mut known: Vec<SmolStr> = members.iter().filter_map(|&id| self.name_of(id)).collect();
        let mut found = Vec::new();
        for statement in body.into_iter().filter(|n| n.kind() == "expression_statement") {
            let Some(field) = named(statement).first().and_then(|inner| field_set(*inner)) else { continue };
            let name = self.0.name(field);
            if known.contains(&name) {
                continue;
            }
            known.push(name.clone());
            let variable = Variable { name, name_span: span(field), mutable: true, ..Variable::default() };
            found.push(self.0.add(Kind::Variable(variable), field));
        }
        found
    }

    fn name_of(&self, id: Id) -> Option<SmolStr> {
        match self.0.tree.kind(id) {
            Kind::Variable(variable) => Some(variable.name.clone()),
            Kind::Function(function) => Some(function.name.clone()),
            _ => None,
        }
    }
}

/// The name in `this.name = …`.
fn field_set(node: Node<'_>) -> Option<Node<'_>> {
    let target = Some(node).filter(|n| n.kind() == "assignment_expression")?.child_by_field_name("left")?;
    let own = target.child_by_field_name("object").is_some_and(|of| of.kind() == "this");
    target.child_by_field_name("property").filter(|_| own && target.kind() == "member_expression")
}
