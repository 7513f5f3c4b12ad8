//! `stack-component`: navigators of elements or objects, calls by name on what they hand over
//! (reactnavigation.org, versions 5 to 7).

mod actions;
mod calls;
mod links;
mod objects;
mod reads;
mod routes;
mod tree;

use super::SPEAKS;
use crate::model::Style;
use crate::recover::{Facts, StyleRecoverer};
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::StackComponent),
    speaks: SPEAKS,
    words: &["@react-navigation/", "navigation.", "navigation }", "navigation,"],
    recover,
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    tree::recover(file, values, facts);
    objects::recover(file, values, facts);
    links::recover(file, values, facts);
    calls::recover(file, values, facts);
    reads::recover(file, values, facts);
}
