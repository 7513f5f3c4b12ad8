//! `swiftui-value`: destinations by the type of a value, by a flag, an item or a tag, in stacks whose
//! paths are values (developer.apple.com, "Migrating to new navigation types").

mod addresses;
mod destinations;
mod dismissals;
mod links;
mod paths;
mod presentations;
mod roots;
mod stacks;
mod tabs;
mod targets;
mod text_table;

#[cfg(test)]
mod helper_tests;
#[cfg(test)]
mod people_tests;
#[cfg(test)]
mod tests;

use super::{SPEAKS, is_ours};
use crate::facts::{Choice, Facts, Names, Passes, Ways};
use crate::model::Style;
use crate::recover::apple::WAYS;
use crate::recover::{Saying, StyleRecoverer};
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::SwiftuiValue),
    speaks: SPEAKS,
    words: &[
        "NavigationStack",
        "NavigationSplitView",
        "NavigationView",
        "NavigationLink",
        "NavigationPath",
        "navigationDestination",
        "TabView",
        "WindowGroup",
        ".sheet(",
        "fullScreenCover",
        ".popover(",
        ".inspector(",
        "openURL",
        "onOpenURL",
        "\\.dismiss",
        "presentationMode",
    ],
    verbs: &["NavigationLink"],
    recover,
    ways: Ways { names: Names::Types, passes: Passes::Checked, choice: Choice::InOrder, ..WAYS },
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A stack looks for a value's type among what is registered on the view of the link and on those below it, down to the stack's root (developer.apple.com, \"navigationDestination(for:destination:)\").",
    }],
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if !is_ours(file, values) {
        return;
    }
    roots::recover(file, values, facts);
    stacks::recover(file, values, facts);
    destinations::recover(file, values, facts);
    presentations::recover(file, values, facts);
    tabs::recover(file, values, facts);
    links::recover(file, values, facts);
    dismissals::recover(file, values, facts);
    addresses::recover(file, values, facts);
}

pub(in crate::recover::apple) use presentations::{Flag, flag_calls};
