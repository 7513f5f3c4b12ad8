//! What a class takes from its own object, declared or not: in Python whoever sets an attribute
//! declares it.

use crate::recover::code;
use crate::syntax::{AssignOp, Id, Kind};
use crate::values::{Expr, Ref, Values};

/// What asks an object for an attribute by its name (docs.python.org, "Built-in Functions").
const BY_NAME: &[&str] = &["getattr", "hasattr"];

/// An attribute that is taken, and where.
pub(super) struct Use {
    /// Its name.
    pub(super) name: String,
    /// The place.
    pub(super) at: Ref,
}

/// Every attribute that a class, its bases in the source and their rules take from `self` or `root`.
pub(super) fn own_uses(class: Ref, values: &Values<'_>) -> Vec<Use> {
    let lineage = values.lineage(class).into_iter();
    let parts = lineage.flat_map(|at| std::iter::once(at).chain(values.extensions(at)));
    parts.flat_map(|part| in_part(part, values)).collect()
}

fn in_part(part: Ref, values: &Values<'_>) -> Vec<Use> {
    let tree = values.tree(part);
    let found = tree.ids().filter_map(|id| {
        let at = Ref { file: part.file, id };
        let name = match tree.kind(id) {
            Kind::Member(member) if is_own(member.of, part, values) && !is_set(id, part, values) => {
                member.name.to_string()
            }
            Kind::Call(call) if BY_NAME.contains(&code::callee_name(at, values)) => {
                let [of, name, ..] = call.args.as_slice() else { return None };
                is_own(of.value, part, values).then_some(())?;
                values.plain_text(&Expr::new(at).with(name.value))?
            }
            _ => return None,
        };
        tree.ancestors(id).any(|up| up == part.id).then_some(Use { name, at })
    });
    found.collect()
}

/// Whether a node is the object itself.
fn is_own(of: Id, part: Ref, values: &Values<'_>) -> bool {
    match values.tree(part).kind(of) {
        Kind::This => true,
        Kind::Name(name) => name == "root",
        _ => false,
    }
}

/// Whether a member is only given a value.
fn is_set(member: Id, part: Ref, values: &Values<'_>) -> bool {
    let tree = values.tree(part);
    tree.node(member).parent.is_some_and(
        |up| matches!(tree.kind(up), Kind::Assign { target, op, .. } if *target == member && *op == AssignOp::Set),
    )
}
