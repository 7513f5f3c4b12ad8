//! Android: resource graphs, intents, transactions.

mod bundle;
mod code;
mod markup;
#[cfg(test)]
mod people_tests;

use crate::facts::{Sentence, Ways};
use crate::source::Language;

/// How names work in all of the platform's styles.
const WAYS: Ways = Ways {
    shows_nothing: Sentence {
        says: "`{}` names no class to show",
        mend: "Name the class with `android:name`.",
    },
    ..Ways::PLAIN
};

/// What Android apps are written in.
const SPEAKS: fn(Language) -> bool =
    |language| matches!(language, Language::Kotlin | Language::Java | Language::Xml(_));

pub(super) mod activity_intent;
pub(super) mod compose;
pub(super) mod compose_stack;
pub(super) mod fragment_graph;
pub(super) mod fragment_swap;
pub(super) mod library;
pub(super) mod screens;
pub(super) mod voyager;
