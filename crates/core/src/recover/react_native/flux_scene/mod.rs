//! `flux-scene`: a tree of scenes with keys, and an object with a method for each key (the package's
//! own API documentation, version 4).

mod calls;
mod props;
mod scenes;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Choice, Facts, Space, Ways};
use crate::model::Style;
use crate::recover::react_native::WAYS;
use crate::recover::{StyleRecoverer, code};
use crate::values::{Expr, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::FluxScene),
    speaks: SPEAKS,
    words: &[PACKAGE],
    recover,
    ways: Ways { choice: Choice::FirstOfAName(Space::App), ..WAYS },
    ..StyleRecoverer::SHARED
};

/// The package.
const PACKAGE: &str = "react-native-router-flux";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if code::imports(file, PACKAGE, values) {
        scenes::recover(file, values, facts);
        calls::recover(file, values, facts);
    }
}

/// What the package calls what a name stands for.
fn of_package(expr: &Expr, values: &Values<'_>) -> Option<String> {
    let path = values.external(expr)?;
    path.strip_prefix(PACKAGE)?.strip_prefix('.').map(str::to_owned)
}
