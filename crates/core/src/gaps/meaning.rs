//! Types compared across languages, by what they mean.

use crate::types::{PlainType, plain_type};

/// What a type means, as far as that can be told from its name.
#[derive(Debug, Clone, PartialEq, Eq)]
pub(super) enum Meaning {
    /// Characters.
    Text,
    /// A number without a fraction.
    Whole,
    /// Any number.
    Number,
    /// Yes or no.
    Truth,
    /// Several of something.
    Many(Box<Meaning>),
    /// A type of the app's own, by its simple name in small letters.
    Own(String),
    /// Not known.
    Unknown,
}

/// The meaning of a type as a source writes it.
pub(super) fn meaning(written: &str) -> Meaning {
    let plain = written.trim().trim_end_matches(['?', '!']).trim();
    let plain = plain.strip_prefix("const ").or_else(|| plain.strip_prefix("final ")).unwrap_or(plain);
    if let Some(inner) =
        plain.strip_suffix("[]").or_else(|| plain.strip_prefix('[').and_then(|p| p.strip_suffix(']')))
    {
        return Meaning::Many(Box::new(meaning(inner)));
    }
    let (outer, inner) = match plain.split_once('<') {
        Some((outer, inner)) => (outer, inner.strip_suffix('>').unwrap_or(inner)),
        None => (plain, ""),
    };
    let name = outer.rsplit('.').next().unwrap_or(outer).to_lowercase();
    if let Some(plain) = plain_type(outer.rsplit('.').next().unwrap_or(outer)) {
        return match plain {
            PlainType::Text => Meaning::Text,
            PlainType::Truth => Meaning::Truth,
            PlainType::Int | PlainType::Long => Meaning::Whole,
            PlainType::Float | PlainType::Double | PlainType::Number | PlainType::Measure => Meaning::Number,
        };
    }
    match name.as_str() {
        "uri" | "url" | "nsstring" => Meaning::Text,
        "short" | "byte" | "int32" | "int64" | "uint" | "bigint" => Meaning::Whole,
        "num" | "cgfloat" | "decimal" => Meaning::Number,
        "list" | "array" | "set" | "iterable" | "collection" | "arraylist" | "mutablelist"
        | "readonlyarray" => Meaning::Many(Box::new(meaning(inner))),
        "intarray" | "longarray" => Meaning::Many(Box::new(Meaning::Whole)),
        "stringarray" => Meaning::Many(Box::new(Meaning::Text)),
        "" | "any" | "object" | "dynamic" | "unknown" | "bundle" | "map" | "parcelable" | "serializable" => {
            Meaning::Unknown
        }
        _ => Meaning::Own(name),
    }
}

/// Whether two meanings cannot be the same.
pub(super) fn differ(a: &Meaning, b: &Meaning) -> bool {
    match (a, b) {
        (Meaning::Unknown, _) | (_, Meaning::Unknown) => false,
        // Some languages have one type for all numbers.
        (Meaning::Whole, Meaning::Number) | (Meaning::Number, Meaning::Whole) => false,
        (Meaning::Many(a), Meaning::Many(b)) => differ(a, b),
        _ => a != b,
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn languages_agree_on_what_they_mean() {
        let same = |a, b| !differ(&meaning(a), &meaning(b));
        assert!(same("kotlin.Int", "integer") && same("Long?", "int") && same("String!", "string"));
        assert!(same("[Item]", "List<Item>") && same("Item[]", "java.util.List<org.barn.Item>"));
        assert!(same("number", "Int") && same("Bundle", "Item"), "one of them is not known well enough");
        assert!(!same("List<Part>", "List<int>") && !same("String", "int") && !same("Item", "Loan"));
        assert!(!same("boolean", "String") && !same("Item", "List<Item>"));
    }
}
