//! The one place that knows parsers. Every language is lowered to the common [`Tree`] (code) or
//! [`Markup`] (XML); a lens a language, one folder or file each.

mod code;
mod comments;
mod csharp;
mod dart;
mod idioms;
mod java;
mod kotlin;
mod kv;
mod markup;
mod modifiers;
mod nodes;
mod objc;
mod operators;
mod python;
mod repair;
mod script;
mod swift;
mod tree;

#[cfg(test)]
mod tests;

pub(crate) use comments::comments_with;
pub use idioms::{Ask, Handed, Idioms, Listing, Literals, Scope, Subject, TextStep};
pub use markup::{Attribute, Element, ElementId, Markup};
pub use modifiers::Modifier;
pub use nodes::{
    Annotation, Arg, Arm, Call, Class, ClassKind, Entry, Function, Kind, Member, Parameter, Piece, SuperType,
    TypeName, Variable,
};
pub use operators::{AssignOp, BinaryOp, UnaryOp};
pub use tree::{Id, Import, Node, Tree};

use crate::source::{Language, SourceFile, SourceTree, library_of, target_of};

/// The name of an argument that holds all properties of an element.
pub const PROPERTIES: &str = "<properties>";

/// A file's content after parsing.
#[derive(Debug)]
pub enum Body {
    /// Program code.
    Code(Tree),
    /// XML.
    Markup(Markup),
}

/// A parsed file and the first thing that was wrong with it.
#[derive(Debug)]
pub struct Parsed {
    /// What could be read.
    pub body: Body,
    /// The first place that could not be read, as a 1-based line and what it is.
    pub problem: Option<Problem>,
}

/// A place that is not valid in the file's language.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Problem {
    /// 1-based line.
    pub line: u32,
    /// What is wrong, in a few words.
    pub what: String,
}

/// Parses a file of a source tree. Never fails: what cannot be read is left out and named.
#[must_use]
pub fn parse(file: &SourceFile, sources: &SourceTree) -> Parsed {
    let (mut body, problem) = match file.language {
        Language::Kotlin => kotlin::parse(file.text.as_str()),
        Language::Dart => dart::parse(file.text.as_str()),
        Language::Java => java::parse(file.text.as_str()),
        Language::Script { elements } => script::parse(file.text.as_str(), elements),
        Language::Swift => swift::parse(file.text.as_str()),
        Language::ObjectiveC => objc::parse(file.text.as_str()),
        Language::Python => python::parse(file.text.as_str()),
        Language::Kv => kv::parse(file.text.as_str()),
        Language::CSharp => csharp::parse(file.text.as_str()),
        Language::Storyboard | Language::PropertyList | Language::Xaml | Language::Xml(_) => {
            markup::parse(file.text.as_str())
        }
    };
    if let (Some(library), Body::Code(tree)) = (library_of(file), &mut body) {
        name_libraries(tree, library, file, sources);
    }
    if let (Language::Swift | Language::ObjectiveC, Body::Code(tree)) = (file.language, &mut body) {
        tree.package = target_of(file, sources).into();
    }
    let problem = problem.map(|p| Problem { line: file.text.position(p.0).0, what: p.1 });
    Parsed { body, problem }
}

/// The entries of an object that a script writes out under a name, where both sides are plain text.
fn text_entries(text: &str, name: &str) -> Vec<(String, String)> {
    let (body, _) = script::parse(text, true);
    let Body::Code(tree) = body else { return Vec::new() };
    let plain = |id: Id| match tree.kind(id) {
        Kind::Text(pieces) => match pieces.as_slice() {
            [Piece::Text(text)] => Some(text.to_string()),
            _ => None,
        },
        _ => None,
    };
    let maps = tree.ids().filter_map(|id| match tree.kind(id) {
        Kind::Map(entries) => Some(entries),
        _ => None,
    });
    let named = maps.flatten().filter(|entry| entry.key.and_then(plain).as_deref() == Some(name));
    let inner = named.filter_map(|entry| match tree.kind(entry.value) {
        Kind::Map(entries) => Some(entries),
        _ => None,
    });
    inner.flatten().filter_map(|entry| Some((plain(entry.key?)?, plain(entry.value)?))).collect()
}

/// Puts libraries in the place of the modules that a Python or kv file names: what is imported by name
/// is a module, or something in one.
fn name_modules(tree: &mut Tree, library: &str, file: &SourceFile, sources: &SourceTree) {
    for import in &mut tree.imports {
        match (sources.module_named(file, &import.path), import.name.clone()) {
            (Some(module), Some(name)) => {
                *import = Import { path: module.into(), prefix: Some(name), ..Import::default() };
            }
            (Some(module), None) => import.path = module.into(),
            (None, Some(_)) => {
                if let Some((module, name)) = import.path.rsplit_once('.') {
                    let module = sources.module_named(file, module).unwrap_or_else(|| module.to_owned());
                    import.path = format!("{module}.{name}").into();
                }
            }
            (None, None) => {}
        }
    }
    tree.package = library.into();
}

/// Puts libraries in the place of the URIs by which a file writes them.
fn name_libraries(tree: &mut Tree, library: &str, file: &SourceFile, sources: &SourceTree) {
    if matches!(file.language, Language::Python | Language::Kv) {
        return name_modules(tree, library, file, sources);
    }
    for import in &mut tree.imports {
        import.path = match (&import.name, import.path.rsplit_once('.')) {
            // A name of another file, or of this one under another.
            (Some(_), Some((script::SELF, name))) => format!("{library}.{name}").into(),
            (Some(_), Some((uri, name))) => {
                format!("{}.{name}", sources.library(file, uri, text_entries)).into()
            }
            _ => sources.library(file, &import.path, text_entries).into(),
        };
    }
    tree.package = match (tree.is_part, tree.package.is_empty()) {
        (false, _) => library.into(),
        (true, false) => sources.library(file, &tree.package, text_entries).into(),
        // The older form names no file: generated parts are called like theirs.
        (true, true) => library.rsplit_once('.').map_or(library, |(before, _)| before).into(),
    };
}

/// Keywords before the names that a file declares, in its language: a hint for what to parse, never a
/// fact by itself.
pub(crate) fn declaring_words(language: Language) -> &'static [&'static str] {
    match language {
        Language::Kotlin => kotlin::DECLARING,
        Language::Dart => dart::DECLARING,
        Language::Java => java::DECLARING,
        Language::Script { .. } => script::DECLARING,
        Language::Swift => swift::DECLARING,
        Language::ObjectiveC => objc::DECLARING,
        Language::Python => python::DECLARING,
        Language::Kv => kv::DECLARING,
        Language::CSharp => csharp::DECLARING,
        Language::Storyboard | Language::PropertyList | Language::Xaml | Language::Xml(_) => &[],
    }
}

/// A byte offset and what is wrong there.
type Trouble = (u32, String);

impl Body {
    /// The tree, if this is code.
    #[must_use]
    pub fn code(&self) -> Option<&Tree> {
        match self {
            Self::Code(tree) => Some(tree),
            Self::Markup(_) => None,
        }
    }

    /// The elements, if this is XML.
    #[must_use]
    pub fn markup(&self) -> Option<&Markup> {
        match self {
            Self::Markup(markup) => Some(markup),
            Self::Code(_) => None,
        }
    }
}
