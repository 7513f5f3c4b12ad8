//! Android: resource graphs, intents, transactions.

mod bundle;
mod code;
mod markup;

use crate::source::Language;

/// What Android apps are written in.
const SPEAKS: fn(Language) -> bool =
    |language| matches!(language, Language::Kotlin | Language::Java | Language::Xml(_));

pub(super) mod activity_intent;
pub(super) mod compose;
pub(super) mod fragment_graph;
pub(super) mod fragment_swap;
pub(super) mod library;
pub(super) mod screens;
pub(super) mod voyager;

#[cfg(test)]
mod intent_tests;
#[cfg(test)]
mod voyager_tests;
