//! Composable functions. Which of them are screens is known once routes are: linking keeps those.

use crate::facts::{At, Facts, ScreenFact};
use crate::model::ScreenKind;
use crate::recover::StyleRecoverer;
use crate::recover::android::SPEAKS;
use crate::syntax::Function;
use crate::values::{Ref, Values};

pub(in crate::recover) const RECOVERER: StyleRecoverer = StyleRecoverer {
    style: None,
    speaks: SPEAKS,
    words: &["@Composable"],
    recover,
    ..StyleRecoverer::SHARED
};

fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let tree = values.program().tree(file);
    for id in tree.ids() {
        let Some(function) = tree.function(id).filter(|function| is_composable(function)) else { continue };
        let at = Ref { file, id };
        let place = At { file, span: function.name_span };
        let (name, path) = (function.name.to_string(), path(at, values));
        facts.screens.push(ScreenFact::new(at, name, path, ScreenKind::Composable, place));
    }
}

/// Whether a function makes UI; previews make it for the editor only.
pub(super) fn is_composable(function: &Function) -> bool {
    function.is_annotated("Composable") && !is_preview(function) && function.receiver.is_none()
}

/// Whether a function only shows others in the editor.
pub(super) fn is_preview(function: &Function) -> bool {
    function.annotations.iter().any(|annotation| annotation.name.contains("Preview"))
}

/// A function's full dotted name.
pub(in crate::recover::android) fn path(function: Ref, values: &Values<'_>) -> String {
    let package = &values.tree(function).package;
    let name = values.tree(function).function(function.id).map(|f| f.name.as_str()).unwrap_or_default();
    format!("{package}.{name}()")
}
