//! `auto-route`: annotated pages, the router class that lists them, and calls by generated route
//! object, path or tab (pub.dev, `auto_route`).

mod calls;
mod names;
mod router;
mod stale;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use crate::facts::{Choice, Facts, Names, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::AutoRoute),
    speaks: SPEAKS,
    words: &[
        "auto_route",
        "RoutePage",
        "AutoRoute",
        "AutoRouter",
        "AutoTabsRouter",
        "PageRouteInfo",
        "StackRouter",
    ],
    verbs: &[
        "push",
        "pushPath",
        "pushNamed",
        "navigate",
        "navigateTo",
        "navigateNamed",
        "replace",
        "replaceAll",
        "pop",
        "maybePop",
        "popUntilRoot",
        "setActiveIndex",
    ],
    recover,
    ways: Ways { names: Names::Types, choice: Choice::InOrder, ..Ways::PLAIN },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    if values.program().source(file).is_generated() {
        return;
    }
    router::recover(file, values, facts);
    calls::recover(file, values, facts);
    stale::recover(file, values, facts);
}
