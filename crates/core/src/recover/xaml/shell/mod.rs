//! Shells: items and content in XAML, pages registered in code, and the addresses between them
//! (learn.microsoft.com, "Shell navigation").

mod addresses;
mod calls;
mod items;
mod receives;
mod registered;
mod shells;

#[cfg(test)]
mod table_tests;
#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Choice, Facts, Space, Ways};
use crate::model::Style;
use crate::recover::xaml::WAYS;
use crate::recover::{Saying, StyleRecoverer};
use crate::source::Language;
use crate::values::Values;

const STYLE: Style = Style::ShellRoute;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(STYLE),
    speaks: SPEAKS,
    words: &[
        "GoToAsync",
        "RegisterRoute",
        "QueryProperty",
        "ApplyQueryAttributes",
        "ShellContent",
        "WithShellRoute",
    ],
    verbs: &["GoToAsync"],
    recover,
    ways: Ways { choice: Choice::FirstOfAName(Space::Container), ..WAYS },
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A shell takes its content by absolute addresses alone, and a registered page by relative ones, or behind content (learn.microsoft.com, \"Shell navigation\").",
    }],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).language == Language::Xaml {
        items::recover(file, values, facts);
        return;
    }
    registered::recover(file, values, facts);
    calls::recover(file, values, facts);
    receives::recover(file, values, facts);
}
