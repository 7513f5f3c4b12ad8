//! `stack-config`: navigators made of objects of names, by the older packages (reactnavigation.org,
//! versions 1 to 4).

mod objects;
mod reads;

#[cfg(test)]
mod tests;

use super::SPEAKS;
use super::stack_component::calls;
use crate::facts::{Facts, Passes, Ways};
use crate::model::Style;
use crate::recover::StyleRecoverer;
use crate::recover::react_native::WAYS;
use crate::values::Values;

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: Some(Style::StackConfig),
    speaks: SPEAKS,
    words: &["react-navigation", "uriPrefix"],
    verbs: &["navigate", "push", "replace", "goBack", "pop", "popToTop"],
    recover,
    ways: Ways { passes: Passes::Loosely, ..WAYS },
    ..StyleRecoverer::SHARED
};

/// The package whose navigators are objects.
const PACKAGE: &str = "react-navigation";

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    objects::recover(file, values, facts);
    if is_older(file, values) {
        calls::recover(file, Style::StackConfig, values, facts);
        reads::recover(file, values, facts);
    }
}

/// Whether a file's module uses the older package, and not the newer ones.
pub(super) fn is_older(file: u32, values: &Values<'_>) -> bool {
    let sources = values.program().sources();
    let module = sources.modules.get(values.program().source(file).module);
    module.is_some_and(|module| {
        let depends = |name: &str| module.build.depends_on.iter().any(|known| known == name);
        depends(PACKAGE) && !depends(super::NATIVE)
    })
}
