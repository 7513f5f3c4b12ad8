//! View controllers: which classes are screens, which only hold others, and what each is given before
//! it is shown (developer.apple.com, "UIViewController").

use super::initialiser::{self, Taken, is_value_type, written_type};
use super::variables::uses;
use super::views::read_of;
use super::{SPEAKS, is_beside_another, is_ours};
use crate::facts::{At, Facts, ParameterFact, ReadFact, ScreenFact};
use crate::model::{ScreenKind, Via};
use crate::recover::{StyleRecoverer, code};
use crate::syntax::{ClassKind, Kind, Modifier, Variable};
use crate::values::{Expr, Ref, Values};

/// The platform's controllers that only hold others.
pub(super) const CONTAINERS: &[&str] =
    &["UINavigationController", "UIPageViewController", "UISplitViewController", "UITabBarController"];

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    words: &["ViewController {", "ViewController,", "@interface"],
    recover,
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(class) = tree.class(id).filter(|class| class.kind == ClassKind::Class) else { continue };
        let at = Ref { file, id };
        if !is_controller(at, values) {
            continue;
        }
        values.expect_derived(at);
        if is_container(at, values) {
            continue;
        }
        facts.screens.push(ScreenFact {
            surely: true,
            is_base: class.members.is_empty() && class.is(Modifier::Open),
            ..code::screen(at, class, ScreenKind::ViewController, values)
        });
        // What the other app shows of it is said in the other language.
        if is_beside_another(file, values) {
            facts.shown_by_markup.push(values.program().path(at).to_owned());
        }
        let site = site_in(at, values);
        for taken in taken(at, values) {
            facts.reads.extend(read_of(&taken, at, values).map(|read| ReadFact { site, ..read }));
        }
    }
}

/// Whether a class is a view controller, through the app's own bases.
pub(super) fn is_controller(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| is_controller_name(base))
}

/// Whether a class of the platform is a view controller.
pub(super) fn is_controller_name(name: &str) -> bool {
    name.ends_with("ViewController") || CONTAINERS.contains(&name) || name == "UIHostingController"
}

/// Whether a class only holds others.
pub(super) fn is_container(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| CONTAINERS.contains(&base.as_str()))
}

/// Whether a class holds tabs.
pub(super) fn is_tabs(class: Ref, values: &Values<'_>) -> bool {
    values.external_bases(class).iter().any(|base| base == "UITabBarController")
}

/// A node that is a class's own.
pub(super) fn site_in(class: Ref, values: &Values<'_>) -> Ref {
    let member = values.class(class).and_then(|declared| declared.members.first().copied());
    member.map_or(class, |id| Ref { file: class.file, id })
}

/// What a controller is given: by its initialiser, and by properties that others set before it is
/// shown.
pub(super) fn taken(class: Ref, values: &Values<'_>) -> Vec<Taken> {
    let mut found = initialiser::taken(class, values);
    for at in values.lineage(class) {
        for property in properties(at, values) {
            if found.iter().all(|known| known.fact.name != property.fact.name) {
                found.push(property);
            }
        }
    }
    found
}

/// The parameters alone.
pub(super) fn parameters(class: Ref, values: &Values<'_>) -> Vec<ParameterFact> {
    taken(class, values).into_iter().map(|taken| taken.fact).collect()
}

fn properties(class: Ref, values: &Values<'_>) -> Vec<Taken> {
    let tree = values.tree(class);
    let Some(declared) = values.class(class) else { return Vec::new() };
    let stored = initialiser::stored(class, declared, values).into_iter();
    let own = stored.filter_map(|id| Some((id, tree.variable(id)?)));
    own.filter(|(id, variable)| {
        is_open(class.file, variable, values)
            && is_set_from_outside(Ref { file: class.file, id: *id }, values)
    })
    .map(|(id, variable)| Taken {
        fact: fact(class.file, variable, values),
        held: Ref { file: class.file, id },
    })
    .collect()
}

/// A value that others may set: no outlet, no delegate, no callback.
fn is_open(file: u32, variable: &Variable, values: &Values<'_>) -> bool {
    let outlet = variable.annotations.iter().any(|note| note.name.starts_with("IB"));
    variable.mutable
        && !outlet
        && !variable.is(Modifier::Weak)
        && variable.ty.as_ref().is_none_or(|ty| is_value_type(file, ty, values))
}

fn is_set_from_outside(property: Ref, values: &Values<'_>) -> bool {
    uses(property, values).into_iter().any(|used| {
        let tree = values.tree(used);
        let Kind::Member(member) = tree.kind(used.id) else { return false };
        let assigned = tree
            .node(used.id)
            .parent
            .is_some_and(|up| matches!(tree.kind(up), Kind::Assign { target, .. } if *target == used.id));
        let own = matches!(tree.kind(member.of), Kind::This | Kind::Super);
        assigned && !own
    })
}

fn fact(file: u32, variable: &Variable, values: &Values<'_>) -> ParameterFact {
    let inferred = || {
        let init = variable.init.map(|id| Expr::new(Ref { file, id }))?;
        values.type_of(&init).map(|ty| ty.name.to_string())
    };
    let written = variable.ty.as_ref().map(|ty| written_type(file, ty, values)).or_else(inferred);
    ParameterFact {
        name: variable.name.to_string(),
        // What is unwrapped where it is used must have been set.
        required: variable.init.is_none() && written.as_deref().is_some_and(|ty| ty.ends_with('!')),
        nullable: variable.ty.as_ref().is_some_and(|ty| ty.nullable),
        ty: written,
        default: variable.init.map(|id| values.written(Ref { file, id })),
        via: Via::Property,
        at: At { file, span: variable.name_span },
    }
}
