//! `compose-stack`: destinations are keys, the back stack is a list that the app owns, a display shows
//! its last key by what an entry provider has for it. Behaviour follows developer.android.com,
//! "Navigation 3".

mod calls;
mod entries;
mod keys;
mod reads;
mod stacks;

#[cfg(test)]
mod tests;

use super::{SPEAKS, WAYS};
use crate::facts::{Facts, Names, Passes, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::ComposeStack),
    speaks: SPEAKS,
    words: &["NavDisplay", "NavKey", "NavEntry", "NavBackStack", "entryProvider", "EntryProvider", PACKAGE],
    verbs: &["removeLastOrNull", "removeLast"],
    recover,
    ways: Ways { names: Names::Types, passes: Passes::Checked, ..WAYS },
    ..StyleRecoverer::SHARED
};

const PACKAGE: &str = "androidx.navigation3";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    stacks::displays(file, values, facts);
    entries::recover(file, values, facts);
    reads::recover(file, values, facts);
    calls::recover(file, values, facts);
}
