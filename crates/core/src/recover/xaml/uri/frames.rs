//! Frames that a page holds, which are of no use unless something is shown in them.

use crate::facts::{At, ContainerFact, ContainerKey, Facts, Holds, ShownBy, Start};
use crate::recover::xaml::documents::{Document, directive};
use crate::values::Values;

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values).filter(|document| !document.has_shell()) else { return };
    let Some(class) = document.class(values) else { return };
    let frames = document.markup.elements().skip(1).filter(|(_, element)| element.name == "Frame");
    for (_, frame) in frames {
        let Some(name) = directive(frame, "Name").or_else(|| plain_name(frame)) else { continue };
        let set = ["Source", "Content"].iter().any(|said| frame.attribute("", said).is_some());
        let elsewhere = document.markup.elements().flat_map(|(_, element)| &element.attributes);
        let bound = elsewhere.filter(|attribute| attribute.value.contains(&format!("ElementName={name}")));
        let used =
            values.files_of(class).iter().any(|&file| !values.program().uses_in(file, name).is_empty());
        if set || used || bound.count() > 0 || !frame.children.is_empty() {
            continue;
        }
        let key = ContainerKey(At { file, span: frame.span });
        facts.containers.push(ContainerFact {
            name: Some(name.to_owned()),
            holds: Holds::MustHold,
            shown_by: ShownBy::Itself,
            start: Start::OPEN,
            ..ContainerFact::new(key)
        });
    }
}

fn plain_name(frame: &crate::syntax::Element) -> Option<&str> {
    frame.attribute("", "Name").map(|attribute| attribute.value.as_str())
}
