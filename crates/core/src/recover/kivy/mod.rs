//! Kivy: screens of screen managers, in Python and in kv (kivy.org, "Screen Manager", "Kivy Language").

mod adds;
mod arguments;
mod documents;
mod managers;
mod properties;
mod screens;
mod switches;
mod uses;
mod wiring;

pub(super) mod library;

#[cfg(test)]
mod manager_tests;
#[cfg(test)]
mod people_tests;
#[cfg(test)]
mod tests;

use crate::facts::{Choice, Facts, Names, Space, Ways};
use crate::model::Style;
use crate::recover::{Saying, StyleRecoverer};
use crate::source::Language;
use crate::values::Values;

const STYLE: Style = Style::KivyScreen;

/// What Kivy apps are written in.
const SPEAKS: fn(Language) -> bool = |language| matches!(language, Language::Python | Language::Kv);

pub(super) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &[
        "ScreenManager",
        "screenmanager",
        "add_widget",
        ".current",
        "\"current\"",
        "'current'",
        "switch_to",
        "get_screen",
        "manager.",
        "Screen)",
        "Screen>",
        "Builder.load",
    ],
    verbs: &["switch_to"],
    recover,
    ways: Ways { names: Names::Text, choice: Choice::FirstOfAName(Space::Container), ..Ways::PLAIN },
    joins: &[arguments::JOIN],
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A screen manager knows its own screens only (kivy.org, \"Screen Manager\").",
    }],
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    screens::recover(file, values, facts);
    managers::recover(file, values, facts);
    adds::recover(file, values, facts);
    switches::recover(file, values, facts);
    arguments::recover(file, values, facts);
    wiring::recover(file, values, facts);
}
