//! Pages that are screens, and controls whose code runs as that of the pages that hold them.

use super::documents::{Document, class_at, element_class};
use super::is_kind;
use crate::model::ScreenKind;
use crate::recover::{At, Facts, PartFact, ScreenFact};
use crate::source::Language;
use crate::syntax::ClassKind;
use crate::values::{Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match values.program().source(file).language {
        Language::Xaml => of_document(file, values, facts),
        _ => of_code(file, values, facts),
    }
}

fn of_document(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values) else { return };
    let Some(class) = document.class(values) else { return };
    if document.is_page(values) {
        facts.screens.push(screen(class, document.at(), true, values));
    }
    for (_, element) in document.markup.elements().skip(1) {
        let held = element_class(element).and_then(|name| class_at(&name, values));
        if let Some(held) = held.filter(|held| *held != class) {
            facts.parts.push(PartFact { class: held, of: class });
        }
    }
}

/// Pages that are written in code alone.
fn of_code(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let has_document = values.program().source(file).path.ends_with(".xaml.cs");
    let tree = values.program().tree(file);
    for id in tree.ids().filter(|_| !has_document) {
        let Some(class) = tree.class(id).filter(|class| class.kind == ClassKind::Class) else { continue };
        let at = Ref { file, id };
        if class.supers.is_empty() || !is_kind(at, "Page", values) || values.extended(at).is_some() {
            continue;
        }
        values.expect_derived(at);
        let place = At { file, span: class.name_span };
        let surely = is_kind(at, "ContentPage", values);
        facts.screens.push(screen(at, place, surely, values));
    }
}

fn screen(class: Ref, at: At, surely: bool, values: &Values<'_>) -> ScreenFact {
    let declared = values.class(class);
    let name = declared.map(|class| class.name.to_string()).unwrap_or_default();
    ScreenFact {
        class,
        path: values.program().path(class).to_owned(),
        kind: ScreenKind::Page,
        dialog: false,
        sheet: false,
        surely,
        is_base: declared.is_some_and(|c| c.is("abstract")) || !values.program().derived(&name).is_empty(),
        name,
        layouts: Vec::new(),
        at,
    }
}
