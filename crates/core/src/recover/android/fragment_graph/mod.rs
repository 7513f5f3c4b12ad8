//! `fragment-graph`: resource graphs, hosts in layouts, menus, and the calls, reads and results in
//! code. Behaviour follows developer.android.com, "Navigation component".

mod calls;
pub(in crate::recover::android) mod facts;
mod graphs;
mod hosts;
mod layouts;
mod menus;
mod reads;
mod results;
mod shown_layouts;
mod target;
mod wiring;

#[cfg(test)]
mod tests;

use crate::facts::{Facts, Names, Ways};
use crate::model::Style;
use crate::recover::android::{SPEAKS, WAYS};
use crate::recover::{Saying, StyleRecoverer, resource};
use crate::source::Resource;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::FragmentGraph),
    speaks: SPEAKS,
    words: &[
        "androidx.navigation",
        "NavController",
        "NavHostFragment",
        "NavDirections",
        "FragmentDirections",
        "FragmentArgs",
        "FragmentResult",
        "SavedStateHandle",
        "R.navigation",
    ],
    verbs: &["navigate", "popBackStack", "navigateUp"],
    recover,
    ways: Ways { names: Names::Ids, ..WAYS },
    joins: &[hosts::JOIN, menus::JOIN],
    says: &[Saying {
        rule: "out-of-scope-route",
        why: "A controller looks for an id among the actions of the current destination and in the graphs around it (developer.android.com, \"Navigate to a destination\"). What it does not find there stops the app.",
    }],
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match resource(file, values) {
        Some(Resource::Manifest) => {}
        Some(Resource::Navigation) => graphs::recover(file, values, facts),
        Some(Resource::Layout) => layouts::recover(file, values, facts),
        Some(Resource::Menu) => layouts::recover_menu(file, values, facts),
        Some(Resource::Other) => layouts::recover_preferences(file, values, facts),
        None => {
            calls::recover(file, values, facts);
            reads::recover(file, values, facts);
            results::recover(file, values, facts);
            wiring::recover(file, values, facts);
        }
    }
}
