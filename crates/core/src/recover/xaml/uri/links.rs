//! Elements that open an address when they are touched.

use super::{STYLE, targets};
use crate::facts::{At, CallFact, Facts};
use crate::model::Verb;
use crate::recover::xaml::documents::{Document, held};
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values) else { return };
    let Some(class) = document.class(values) else { return };
    let first = values.class(class).and_then(|declared| declared.members.first().copied());
    let site = first.map_or(class, |id| Ref { file: class.file, id });
    for (_, element) in document.markup.elements() {
        let Some(uri) = element.attribute("", "NavigateUri") else { continue };
        let at = At { file, span: element.span };
        let text = uri.value.strip_prefix("{}").unwrap_or(&uri.value);
        if let Some(held) = held(&uri.value, values) {
            targets::held(site, at, &held, values, facts);
        } else if uri.value.starts_with('{') && !uri.value.starts_with("{}") {
            let call = CallFact { written: uri.value.clone(), ..CallFact::new(STYLE, Verb::Link, site, at) };
            facts.calls.push(CallFact { target: crate::facts::TargetFact::Unknown, ..call });
        } else {
            targets::written(site, at, text, values, facts);
        }
    }
}
