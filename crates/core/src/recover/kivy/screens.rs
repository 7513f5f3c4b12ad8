//! Classes that are screens, in Python or by a rule of kv, and what each uses of what others set on it.

use super::properties::{Property, properties};
use crate::facts::{Facts, ReadFact, ScreenFact};
use crate::model::ScreenKind;
use crate::recover::code;
use crate::syntax::{AssignOp, ClassKind, Kind};
use crate::values::{Def, Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(class) = tree.class(id).filter(|class| class.kind == ClassKind::Class) else { continue };
        let at = Ref { file, id };
        let surely = is_screen(at, values);
        if class.supers.is_empty() || (!surely && is_manager(at, values)) {
            continue;
        }
        if surely {
            values.expect_derived(at);
        }
        facts.screens.push(ScreenFact {
            surely,
            // What others build on, and nobody makes, is never shown itself.
            is_base: !values.program().derived(&class.name).is_empty() && values.makes(at).is_empty(),
            ..code::screen(at, class, ScreenKind::Widget, values)
        });
        let site = class.members.first().map_or(at, |&id| Ref { file, id });
        for property in properties(at, values).into_iter().filter(|_| surely) {
            facts.reads.extend(read_of(&property, site, values));
        }
    }
}

/// Whether a class is a screen: of the library, or of one that builds on it.
pub(super) fn is_screen(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| is_screen_name(base))
}

/// Whether a class of a library is a screen.
pub(super) fn is_screen_name(name: &str) -> bool {
    name.ends_with("Screen")
}

/// Whether a class is a screen manager.
pub(super) fn is_manager(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| is_manager_name(base))
}

/// Whether a class of a library is a screen manager.
pub(super) fn is_manager_name(name: &str) -> bool {
    name.ends_with("ScreenManager")
}

/// A use of a property that takes its value: anywhere but where it is set.
fn read_of(property: &Property, site: Ref, values: &Values<'_>) -> Option<ReadFact> {
    let name = &property.name;
    if let (None, Some(used)) = (property.held, property.used) {
        return Some(ReadFact { site, ..ReadFact::of_parameter(name, used, code::node_at(used, values)) });
    }
    let held = property.held?;
    let taken = |at: &Ref| {
        let tree = values.tree(*at);
        !tree.node(at.id).parent.is_some_and(|up| match tree.kind(up) {
            Kind::Assign { target, op, .. } => *target == at.id && *op == AssignOp::Set,
            _ => false,
        })
    };
    // A method that runs when a property changes is told of it.
    let told = values.program().functions_named(&format!("on_{name}"));
    let used = match values.kind(held) {
        Kind::Parameter(_) => values.uses_of_parameter(held).into_iter().find(taken),
        _ => {
            values.expect_users(held, name);
            // Most often a property is used where its class is declared: the rest is asked only then.
            let own = values.enclosing_named_class(held).map(|class| values.files_of(class));
            let own = own.unwrap_or_default();
            let near = own.iter().flat_map(|&file| values.program().uses_in(file, name));
            let far = values.program().uses_of_name(name).iter().filter(|at| !own.contains(&at.file));
            let meant = |at: &Ref| values.meaning(&Expr::new(*at)) == Some(Def::Variable(held));
            near.chain(far).copied().find(|at| taken(at) && meant(at))
        }
    };
    let first = used.or_else(|| told.first().copied())?;
    Some(ReadFact { site, ..ReadFact::of_parameter(name, first, code::node_at(first, values)) })
}
