//! Addresses that the native host of an app takes, for the routes of the app inside.

use crate::facts::{AddressFact, Facts};
use crate::recover::android::activity_intent::addresses;
use crate::recover::{StyleRecoverer, resource};
use crate::source::{Language, Resource};
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: |language| matches!(language, Language::Xml(Resource::Manifest)),
    words: &[],
    recover,
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let sources = values.program().sources();
    let host = values.program().source(file).module;
    if resource(file, values) != Some(Resource::Manifest) {
        return;
    }
    let Some(module) = sources.module_hosted_by(host) else { return };
    for address in addresses(file, values) {
        facts.addresses.push(AddressFact { module, ..address });
    }
}
