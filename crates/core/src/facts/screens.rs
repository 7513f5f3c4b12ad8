//! Screens as they are recovered.

use super::At;
use crate::model::ScreenKind;
use crate::values::Ref;

/// A class, function or component that is a screen.
#[derive(Debug)]
pub struct ScreenFact {
    /// Its declaration.
    pub class: Ref,
    /// Its name.
    pub name: String,
    /// Its full dotted name.
    pub path: String,
    /// What it is.
    pub kind: ScreenKind,
    /// Its bases are those of a bottom sheet.
    pub sheet: bool,
    /// It can be nothing but a screen: a route is missed where none shows it.
    pub surely: bool,
    /// It is only there to be derived from.
    pub is_base: bool,
    /// Its name in its declaration.
    pub at: At,
}

impl ScreenFact {
    /// A screen that may be something else as well, and can be shown itself.
    #[must_use]
    pub fn new(class: Ref, name: String, path: String, kind: ScreenKind, at: At) -> Self {
        Self { class, name, path, kind, sheet: false, surely: false, is_base: false, at }
    }
}

/// A class whose code runs as another's: the state of a widget.
#[derive(Debug, Clone, Copy)]
pub struct PartFact {
    /// The class whose code it is.
    pub class: Ref,
    /// The class that it runs as.
    pub of: Ref,
}
