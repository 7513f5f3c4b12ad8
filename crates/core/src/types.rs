//! Types that every language has, whatever it calls them.

/// A plain type.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(crate) enum PlainType {
    /// Characters.
    Text,
    /// Yes or no.
    Truth,
    /// A number without a fraction.
    Int,
    /// A large one.
    Long,
    /// A number with a fraction.
    Float,
    /// A more exact one.
    Double,
    /// Any number.
    Number,
    /// Any number, or text with a unit.
    Measure,
}

/// The words of sources, and what they mean.
const WORDS: &[(&str, PlainType)] = &[
    ("Bool", PlainType::Truth),
    ("Boolean", PlainType::Truth),
    ("BooleanProperty", PlainType::Truth),
    ("CharSequence", PlainType::Text),
    ("Double", PlainType::Double),
    ("Float", PlainType::Float),
    ("Int", PlainType::Int),
    ("Integer", PlainType::Int),
    ("Long", PlainType::Long),
    ("NumericProperty", PlainType::Measure),
    ("String", PlainType::Text),
    ("StringProperty", PlainType::Text),
    ("bool", PlainType::Truth),
    ("boolean", PlainType::Truth),
    ("double", PlainType::Double),
    ("float", PlainType::Float),
    ("int", PlainType::Int),
    ("integer", PlainType::Int),
    ("long", PlainType::Long),
    ("number", PlainType::Number),
    // A resource's id is an int to the language.
    ("reference", PlainType::Int),
    ("str", PlainType::Text),
    ("string", PlainType::Text),
];

/// The plain type that a source writes in its own words, nullable or not; anything else is not compared.
#[must_use]
pub(crate) fn plain_type(written: &str) -> Option<PlainType> {
    let word = written.trim_end_matches('?');
    WORDS.binary_search_by(|(known, _)| (*known).cmp(word)).ok().map(|at| WORDS[at].1)
}

/// Whether two types, each in its own words, are surely not the same.
#[must_use]
pub(crate) fn differ(passed: &str, declared: &str) -> bool {
    match (plain_type(passed), plain_type(declared)) {
        (Some(_), Some(PlainType::Measure)) => false,
        (Some(passed), Some(declared)) => passed != declared,
        _ => false,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn words_are_sorted_and_mean_the_same_in_all_languages() {
        assert!(WORDS.is_sorted_by_key(|(word, _)| *word));
        assert!(!differ("String", "str") && !differ("Int?", "integer") && !differ("Item", "int"));
        assert!(differ("string", "int") && differ("Boolean", "Int"));
        assert!(!differ("int", "NumericProperty") && differ("NumericProperty", "int"));
    }
}
