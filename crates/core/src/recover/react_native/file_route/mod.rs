//! `file-route`: routes that are files of one folder, calls by path (docs.expo.dev, "Expo Router").

mod calls;
mod files;
mod layouts;
mod paths;
mod reads;
mod redirects;

#[cfg(test)]
mod people_tests;
#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Facts, Names, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::FileRoute),
    speaks: SPEAKS,
    words: &[PACKAGE],
    verbs: &["push", "navigate", "replace", "back", "dismiss", "dismissTo", "dismissAll", "Link", "Redirect"],
    recover,
    ways: Ways { names: Names::Text, ..Ways::PLAIN },
    ..StyleRecoverer::SHARED
};

/// The package that makes files routes.
const PACKAGE: &str = "expo-router";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    files::recover(file, values, facts);
    layouts::recover(file, values, facts);
    if crate::recover::code::imports(file, PACKAGE, values) {
        calls::recover(file, values, facts);
        redirects::recover(file, values, facts);
        reads::recover(file, values, facts);
    }
}
