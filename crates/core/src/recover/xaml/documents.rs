//! XAML documents: their classes, and the classes that their elements are
//! (learn.microsoft.com, "XAML namespaces", "x:Class directive").

use crate::facts::{At, RouteKey};
use crate::source::Language;
use crate::syntax::{Element, Markup};
use crate::values::{Def, Ref, Values};

/// Namespaces of XAML's own directives.
const DIRECTIVES: &[&str] =
    &["http://schemas.microsoft.com/winfx/2006/xaml", "http://schemas.microsoft.com/winfx/2009/xaml"];
/// Namespaces of the frameworks whose apps have shells.
const SHELLS: &[&str] =
    &["http://schemas.microsoft.com/dotnet/2021/maui", "http://xamarin.com/schemas/2014/forms"];

/// A document, with its outermost element.
#[derive(Debug, Clone, Copy)]
pub(super) struct Document<'p> {
    /// Index of its file.
    pub(super) file: u32,
    /// All of it.
    pub(super) markup: &'p Markup,
    /// Its outermost element.
    pub(super) root: &'p Element,
}

impl<'p> Document<'p> {
    /// The document that a file is.
    pub(super) fn of(file: u32, values: &Values<'p>) -> Option<Self> {
        let program = values.program();
        (program.source(file).language == Language::Xaml).then_some(())?;
        let markup = program.markup(file)?;
        Some(Self { file, markup, root: markup.root()?.1 })
    }

    /// The dotted name of its class.
    pub(super) fn class_name(&self) -> Option<&'p str> {
        directive(self.root, "Class")
    }

    /// Its class, where the source has it.
    pub(super) fn class(&self, values: &Values<'p>) -> Option<Ref> {
        class_at(self.class_name()?, values)
    }

    /// The class of a name with one of the prefixes that it binds: `pages:ShelfPage`.
    pub(super) fn class_by_prefix(&self, name: &str) -> Option<String> {
        let (prefix, name) = name.split_once(':')?;
        in_namespace(self.markup.namespace(prefix)?, name)
    }

    /// Its outermost element's place.
    pub(super) fn at(&self) -> At {
        At { file: self.file, span: self.root.span }
    }

    /// The identity of the route that it is as a page.
    pub(super) fn key(&self) -> RouteKey {
        RouteKey(self.at())
    }

    /// Whether its framework's apps have shells.
    pub(super) fn has_shell(&self) -> bool {
        let elements = self.markup.elements().take(2).map(|(_, element)| element);
        elements.into_iter().any(|element| SHELLS.contains(&element.namespace.as_str()))
    }

    /// Whether it is a page: its element says so, or the base of its class.
    pub(super) fn is_page(&self, values: &Values<'p>) -> bool {
        let named = self.root.name.ends_with("Page") && element_class(self.root).is_none();
        named
            || self.class(values).is_some_and(|class| super::is_kind(class, "Page", values))
            || element_class(self.root)
                .and_then(|name| class_at(&name, values))
                .is_some_and(|base| super::is_kind(base, "Page", values))
            || (self.root.name.ends_with("ApplicationPage"))
    }
}

/// A directive of XAML's own on an element: `x:Name`, `x:Class`.
pub(super) fn directive<'p>(element: &'p Element, name: &str) -> Option<&'p str> {
    let found = DIRECTIVES.iter().find_map(|space| element.attribute(space, name));
    found.map(|attribute| attribute.value.as_str())
}

/// A class of the source by its dotted name; asked for where nothing parsed declares it.
pub(super) fn class_at(name: &str, values: &Values<'_>) -> Option<Ref> {
    values.expect_class(name);
    values.program().classes_at(name).first().copied()
}

/// The dotted name of the class that an element is, where its namespace says one.
pub(super) fn element_class(element: &Element) -> Option<String> {
    in_namespace(&element.namespace, &element.name)
}

/// A name in a namespace of code: `clr-namespace:Barn.Controls;assembly=Barn`, `using:Barn.Controls`.
pub(super) fn in_namespace(namespace: &str, name: &str) -> Option<String> {
    let rest = ["clr-namespace:", "using:"].iter().find_map(|start| namespace.strip_prefix(start))?;
    let dotted = rest.split(';').next().unwrap_or(rest).trim();
    Some(if dotted.is_empty() { name.to_owned() } else { format!("{dotted}.{name}") })
}

/// The document of a page's class: it lies beside its code, under its name.
pub(super) fn document_of<'p>(class: Ref, values: &Values<'p>) -> Option<Document<'p>> {
    let path = values.program().source(class.file).path.as_str();
    let beside = path.strip_suffix(".cs")?;
    let beside = if beside.ends_with(".xaml") { beside.to_owned() } else { format!("{beside}.xaml") };
    Document::of(values.program().sources().file_at(&beside)?, values)
}

/// `{x:Static nav:Links.Shelf}`: the constant that an attribute names
/// (learn.microsoft.com, "x:Static markup extension").
pub(super) fn held(value: &str, values: &Values<'_>) -> Option<Ref> {
    let inside = value.strip_prefix("{x:Static")?.trim_end_matches('}').trim();
    let name = inside.trim_start_matches("Member=");
    let (class, member) = name.rsplit(':').next()?.split_once('.')?;
    values.expect_class(class);
    let class = *values.program().classes_named(class).first()?;
    match values.member_of_class(class, member)? {
        Def::Variable(at) => Some(at),
        _ => None,
    }
}
