//! Android: resource graphs, intents, transactions.

mod bundle;
mod code;
mod markup;

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
