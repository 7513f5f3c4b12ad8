//! Pages that are screens, and controls whose code runs as that of the pages that hold them.

use super::documents::{Document, class_at, element_class};
use super::is_kind;
use crate::facts::{At, Facts, PartFact, ScreenFact, UsedFact};
use crate::model::ScreenKind;
use crate::source::Language;
use crate::syntax::{Attribute, ClassKind, Kind, Modifier};
use crate::values::{Expr, Ref, Values};

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    match values.program().source(file).language {
        Language::Xaml => of_document(file, values, facts),
        _ => of_code(file, values, facts),
    }
}

fn of_document(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let Some(document) = Document::of(file, values) else { return };
    facts.used.extend(named_in(&document));
    let Some(class) = document.class(values) else { return };
    if document.is_page(values) {
        facts.screens.push(screen(class, document.at(), true, values));
    }
    let bound = contexts(class, values);
    facts.parts.extend(bound.into_iter().map(|bound| PartFact { class: bound, of: class }));
    for (_, element) in document.markup.elements().skip(1) {
        let held = element_class(element).and_then(|name| class_at(&name, values));
        let Some(held) = held.filter(|held| *held != class) else { continue };
        // A page inside of another is one of its own.
        if is_kind(held, "Page", values) {
            facts.shown_by_markup.push(values.program().path(held).to_owned());
        } else {
            facts.parts.push(PartFact { class: held, of: class });
        }
    }
}

/// Constants that a document names: `{x:Static nav:Links.Shelf}`.
fn named_in(document: &Document<'_>) -> Vec<UsedFact> {
    let attributes = document.markup.elements().flat_map(|(_, element)| &element.attributes);
    let named = attributes.filter(|attribute| attribute.value.contains("x:Static"));
    let last =
        |attribute: &Attribute| attribute.value.trim_end_matches('}').rsplit('.').next().map(str::to_owned);
    let fact = |name: String| UsedFact { name };
    named.filter_map(last).map(fact).collect()
}

/// Pages that are written in code alone.
fn of_code(file: u32, values: &Values<'_>, facts: &mut Facts) {
    let has_document = values.program().source(file).path.ends_with(".xaml.cs");
    let pairs = bound_in(file, values);
    facts.parts.extend(pairs.into_iter().map(|(of, class)| PartFact { class, of }));
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

/// What an expression of a document binds to: `{Binding Name}`.
pub(super) fn is_bound(name: &str, values: &Values<'_>) -> bool {
    let files =
        values.program().sources().files.iter().zip(0..).filter(|(f, _)| f.language == Language::Xaml);
    files.filter_map(|(_, file)| values.program().markup(file)).any(|markup| {
        markup.elements().flat_map(|(_, element)| &element.attributes).any(|attribute| {
            attribute.value.starts_with('{')
                && attribute.value.split(|c: char| !c.is_alphanumeric() && c != '_').any(|word| word == name)
        })
    })
}

/// The classes whose objects a page, or a part of one, is bound to.
pub(super) fn contexts(class: Ref, values: &Values<'_>) -> Vec<Ref> {
    let files = values.files_of(class);
    let mut found: Vec<Ref> = files
        .iter()
        .flat_map(|&file| bound_in(file, values))
        .filter_map(|(of, bound)| (of == class).then_some(bound))
        .collect();
    if let Some(document) = super::documents::document_of(class, values) {
        let elements = document.markup.elements().filter(|(_, element)| {
            element.parent.is_some_and(|id| document.markup.element(id).name.ends_with("Context"))
        });
        found.extend(elements.filter_map(|(_, element)| class_at(&element_class(element)?, values)));
        if found.is_empty() {
            // Compiled bindings name the class that they are for.
            let said = super::documents::directive(document.root, "DataType");
            found.extend(said.and_then(|name| class_at(&document.class_by_prefix(name)?, values)));
        }
    }
    found
}

/// `BindingContext = model;`: the class around, and that of what it is bound to.
fn bound_in(file: u32, values: &Values<'_>) -> Vec<(Ref, Ref)> {
    let tree = values.program().tree(file);
    let used = ["BindingContext", "DataContext"].iter().flat_map(|name| values.program().uses_in(file, name));
    let pairs = used.filter_map(|used| {
        let up = tree.node(used.id).parent?;
        let Kind::Assign { target, value, .. } = tree.kind(up) else { return None };
        (*target == used.id).then_some(())?;
        // `BindingContext = model = new Model()`.
        let value = match tree.kind(*value) {
            Kind::Assign { value, .. } => Expr::new(*used).with(*value),
            _ => Expr::new(*used).with(*value),
        };
        let given = values.type_of(&value).and_then(|ty| ty.class);
        // A container of services hands out what it is asked for by type.
        let asked = || {
            let call = tree.call(value.at.id)?;
            values.class_named(value.at, &call.types.first()?.name)
        };
        Some((values.enclosing_named_class(*used)?, given.or_else(asked)?))
    });
    pairs.collect()
}

fn screen(class: Ref, at: At, surely: bool, values: &Values<'_>) -> ScreenFact {
    let declared = values.class(class);
    let path = values.program().path(class).to_owned();
    let name = declared.map(|class| class.name.to_string()).unwrap_or_default();
    ScreenFact {
        surely,
        is_base: declared.is_some_and(|c| c.is(Modifier::Abstract))
            || !values.program().derived(&name).is_empty(),
        ..ScreenFact::new(class, name, path, ScreenKind::Page, at)
    }
}
