//! What all Android XML has in common.

use crate::facts::At;
use crate::source::{Language, Resource};
use crate::syntax::{Attribute, Element};
use crate::values::Values;

/// The platform's own attributes.
pub(super) const ANDROID: &str = "http://schemas.android.com/apk/res/android";
/// Attributes of libraries.
pub(super) const APP: &str = "http://schemas.android.com/apk/res-auto";

/// `@+id/shelf`, `@id/shelf`, `@navigation/main` and their like, without what is before the name.
pub(super) fn resource_name(value: &str) -> Option<String> {
    let rest = value.strip_prefix('@')?;
    let (_, name) = rest.rsplit_once('/')?;
    (!name.is_empty()).then(|| name.to_owned())
}

/// The element's `android:id`, if it has one.
pub(super) fn id(element: &Element) -> Option<(String, &Attribute)> {
    let attribute = element.attribute(ANDROID, "id")?;
    Some((resource_name(&attribute.value)?, attribute))
}

/// A class named in XML, against the module's namespace where it starts with a dot or has none.
pub(super) fn class_path(file: u32, written: &str, values: &Values<'_>) -> String {
    let namespace = || namespace(file, values).unwrap_or_default();
    values.expect_class(written);
    // An inner class is written `Outer$Inner`.
    let name = written.replace('$', ".");
    match name.strip_prefix('.') {
        Some(rest) => format!("{}.{rest}", namespace()),
        None if !written.contains('.') => format!("{}.{name}", namespace()),
        None => name,
    }
}

/// A module's namespace: its build file's, else the package of a manifest of its own.
fn namespace<'p>(file: u32, values: &Values<'p>) -> Option<&'p str> {
    let program = values.program();
    let module = program.source(file).module;
    let manifests = program.files_in(Language::Xml(Resource::Manifest)).iter().copied();
    let own = manifests.filter(|&other| program.source(other).module == module);
    let mut packages = own.filter_map(|manifest| {
        let (_, root) = program.markup(manifest)?.root()?;
        Some(root.attribute("", "package")?.value.as_str())
    });
    program.sources().modules[module].build.namespace.as_deref().or_else(|| packages.next())
}

/// The place of an element.
pub(super) fn element_at(file: u32, element: &Element) -> At {
    At { file, span: element.span }
}

/// The place of an attribute's value.
pub(super) fn value_at(file: u32, attribute: &Attribute) -> At {
    At { file, span: attribute.span }
}
