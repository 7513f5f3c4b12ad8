//! `activity-intent`: activities of the manifest, intents that open them, extras, results.

pub(in crate::recover) use manifest::addresses;

mod calls;
mod intent;
mod manifest;
mod reads;

use crate::facts::{Facts, Unknown, Unopened, Ways};
use crate::model::Style;
use crate::recover::android::{SPEAKS, WAYS};
use crate::recover::{StyleRecoverer, resource};
use crate::source::Resource;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::ActivityIntent),
    speaks: SPEAKS,
    words: &["Intent", "Activity", "intent", "finish()"],
    recover,
    ways: Ways { unopened: Unopened::ByItsScreen, unknown: Unknown::External, ..WAYS },
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match resource(file, values) {
        Some(Resource::Manifest) => manifest::recover(file, values, facts),
        Some(_) => {}
        None => {
            calls::recover(file, values, facts);
            reads::recover(file, values, facts);
        }
    }
}
