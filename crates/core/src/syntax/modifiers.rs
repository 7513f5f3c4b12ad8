//! What declarations say of themselves, whatever a language writes for it.

/// A modifier that something depends on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Modifier {
    /// It is only there to be derived from.
    Abstract,
    /// A parameter that is a property of its class; a function that makes objects.
    Constructor,
    /// It calls another of its class: an initialiser.
    Convenience,
    /// Its objects are what they hold, and can be copied with changes.
    Data,
    /// It declares cases.
    Enum,
    /// Nobody derives from it.
    Final,
    /// Only its file sees it.
    FilePrivate,
    /// It is made once it is asked for.
    Lazy,
    /// Callers write its name.
    Named,
    /// Others may derive from it.
    Open,
    /// Callers may leave it out.
    Optional,
    /// It stands in for a base's.
    Override,
    /// One part of a class that has several.
    Partial,
    /// Only its class sees it.
    Private,
    /// Callers may not leave it out.
    Required,
    /// It is a rule of a document.
    Rule,
    /// Only its file or module derives from it.
    Sealed,
    /// It belongs to its class and to no object.
    Static,
    /// Its objects are values.
    Struct,
    /// A parameter that is handed to the base.
    Super,
    /// A parameter that is put into a field of its name.
    This,
    /// Another name for a type.
    TypeAlias,
    /// It takes any number of arguments.
    Vararg,
    /// It keeps nothing alive.
    Weak,
}

impl Modifier {
    /// The modifier that a word is.
    #[must_use]
    pub fn of(word: &str) -> Option<Self> {
        Some(match word {
            "abstract" => Self::Abstract,
            "constructor" => Self::Constructor,
            "data" => Self::Data,
            "convenience" => Self::Convenience,
            "enum" => Self::Enum,
            "final" => Self::Final,
            "fileprivate" => Self::FilePrivate,
            "lazy" => Self::Lazy,
            "named" => Self::Named,
            "open" => Self::Open,
            "optional" => Self::Optional,
            // Java writes it as an annotation.
            "override" | "Override" => Self::Override,
            "partial" => Self::Partial,
            "private" => Self::Private,
            "required" => Self::Required,
            "rule" => Self::Rule,
            "sealed" => Self::Sealed,
            "static" => Self::Static,
            "struct" => Self::Struct,
            "super" => Self::Super,
            "this" => Self::This,
            "vararg" => Self::Vararg,
            "weak" => Self::Weak,
            _ => return None,
        })
    }

    /// The modifiers among the words before a declaration.
    pub(super) fn among<W: AsRef<str>>(words: impl IntoIterator<Item = W>) -> Vec<Self> {
        words.into_iter().filter_map(|word| Self::of(word.as_ref())).collect()
    }
}
