//! Types that every language has, under one name.

const NUMERIC: &str = "numeric";

/// The plain type that a source writes in its own words; anything else is not compared.
pub(crate) fn known(ty: &str) -> Option<&'static str> {
    Some(match ty.trim_end_matches('?') {
        "string" | "String" | "CharSequence" | "str" | "StringProperty" => "text",
        // A resource's id is an int to the language.
        "integer" | "reference" | "Int" | "int" | "Integer" => "int",
        "long" | "Long" => "long",
        "float" | "Float" => "float",
        "boolean" | "Boolean" | "bool" | "Bool" | "BooleanProperty" => "boolean",
        "Double" | "double" => "double",
        "number" => "number",
        // It takes text with a unit as well.
        "NumericProperty" => NUMERIC,
        _ => return None,
    })
}

/// Whether two types, each in its own words, are surely not the same.
pub(crate) fn differ(passed: &str, declared: &str) -> bool {
    match (known(passed), known(declared)) {
        (Some(_), Some(NUMERIC)) => false,
        (Some(passed), Some(declared)) => passed != declared,
        _ => false,
    }
}
