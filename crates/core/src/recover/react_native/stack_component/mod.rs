//! `stack-component`: navigators of elements or objects, calls by name on what they hand over
//! (reactnavigation.org, versions 5 to 7).

mod actions;
pub(super) mod calls;
pub(super) mod links;
mod objects;
mod reads;
pub(super) mod routes;
pub(super) mod tree;

#[cfg(test)]
mod finding_tests;
#[cfg(test)]
mod tests;

use super::SPEAKS;
use super::stack_config::is_older;
use crate::facts::{Facts, Passes, Ways};
use crate::model::Style;
use crate::recover::react_native::WAYS;
use crate::recover::{Saying, StyleRecoverer};
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::StackComponent),
    speaks: SPEAKS,
    words: &["@react-navigation/", "navigation.", "navigation }", "navigation,"],
    verbs: &["navigate", "push", "replace", "goBack", "pop", "popToTop", "popTo", "jumpTo"],
    recover,
    ways: Ways { passes: Passes::Loosely, ..WAYS },
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A navigator looks for a name in itself and in those around it: since version 7 not in those inside of others, though they may be on screen (reactnavigation.org, \"Upgrading from 6.x\"). It still finds such a screen from inside its own navigator, by the nested form that names each navigator on the way, by a parent or a reference to the container, by `navigateDeprecated`, and where the container is told to look inside; up to version 6 it looks inside of what is on screen. None of these is reported, nor are calls whose screen is not known.",
    }],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    tree::recover(file, values, facts);
    objects::recover(file, values, facts);
    links::recover(file, values, facts);
    if !is_older(file, values) {
        calls::recover(file, Style::StackComponent, values, facts);
        reads::recover(file, values, facts);
    }
}
