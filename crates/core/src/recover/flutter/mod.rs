//! Flutter: pages built in place, tables of names, declared routers.

mod bag;
mod builder;
mod location;
mod navigator;
#[cfg(test)]
mod people_tests;
mod results;

pub(super) mod auto_route;
pub(super) mod go_router;
pub(super) mod library;
pub(super) mod links;
pub(super) mod named_table;
pub(super) mod push_builder;
pub(super) mod widgets;

use crate::source::Language;
use crate::values::{Def, Ref, Values};

/// What Flutter apps are written in.
const SPEAKS: fn(Language) -> bool = |language| language == Language::Dart;

/// Whether nothing names a variable: it is given to nobody. Its name in any other file counts as a use.
fn is_left_over(at: Ref, values: &Values<'_>) -> bool {
    let Some(variable) = values.tree(at).variable(at.id) else { return false };
    let program = values.program();
    let uses = program.uses_in(at.file, &variable.name).iter();
    let mut own = uses.filter(|&&used| values.resolve(used, &variable.name) == Some(Def::Variable(at)));
    own.next().is_none() && !program.is_word_of_others(&[at.file], &variable.name)
}
