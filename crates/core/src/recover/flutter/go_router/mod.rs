//! `go-router`: a tree of paths with names, shells and branches, typed routes, and calls by path, name
//! or type (pub.dev, `go_router` and `go_router_builder`).

mod calls;
mod reads;
mod stale;
mod tree;
mod typed;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Choice, Facts, Names, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::GoRouter),
    speaks: SPEAKS,
    words: &["GoRouter", "GoRoute", "go_router", "GoRouteData", "goNamed", "goBranch"],
    verbs: &[
        "go",
        "goNamed",
        "push",
        "pushNamed",
        "pushReplacement",
        "pushReplacementNamed",
        "replaceNamed",
        "goBranch",
        "pop",
    ],
    recover,
    ways: Ways { names: Names::Text, choice: Choice::InOrder, ..Ways::PLAIN },
    ..StyleRecoverer::SHARED
};

/// What a value handed over whole is called.
const WHOLE: &str = "extra";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).is_generated() {
        return;
    }
    tree::recover(file, values, facts);
    typed::recover(file, values, facts);
    calls::recover(file, values, facts);
    reads::recover(file, values, facts);
}
