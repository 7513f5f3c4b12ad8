//! The one place that knows parsers. Every language is lowered to the common [`Tree`] (code) or
//! [`Markup`] (XML); a lens a language, one folder or file each.

mod code;
mod idioms;
mod java;
mod kotlin;
mod markup;
mod repair;
mod tree;

#[cfg(test)]
mod tests;

pub use idioms::{Handed, Idioms, Scope, Subject, TextStep};
pub use markup::{Attribute, Element, ElementId, Markup};
pub use tree::{
    Annotation, Arg, Arm, Call, Class, ClassKind, Function, Id, Import, Kind, Member, Node, Parameter, Piece,
    SuperType, Tree, TypeName, Variable,
};

use crate::source::{Language, SourceFile};

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

/// Parses a file. Never fails: what cannot be read is left out and named.
#[must_use]
pub fn parse(file: &SourceFile) -> Parsed {
    let (body, problem) = match file.language {
        Language::Kotlin => kotlin::parse(file.text.as_str()),
        Language::Java => java::parse(file.text.as_str()),
        Language::Xml(_) => markup::parse(file.text.as_str()),
    };
    let problem = problem.map(|p| Problem { line: file.text.position(p.0).0, what: p.1 });
    Parsed { body, problem }
}

/// Keywords before the names that a file declares, in its language: a hint for what to parse, never a
/// fact by itself.
pub(crate) fn declaring_words(language: Language) -> &'static [&'static str] {
    match language {
        Language::Kotlin => kotlin::DECLARING,
        Language::Java => java::DECLARING,
        Language::Xml(_) => &[],
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
