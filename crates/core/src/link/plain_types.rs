//! Types that every language has, under one name.

/// The plain type that a source writes in its own words; anything else is not compared.
pub(crate) fn known(ty: &str) -> Option<&'static str> {
    Some(match ty.trim_end_matches('?') {
        "string" | "String" | "CharSequence" => "text",
        // A resource's id is an int to the language.
        "integer" | "reference" | "Int" | "int" | "Integer" => "int",
        "long" | "Long" => "long",
        "float" | "Float" => "float",
        "boolean" | "Boolean" | "bool" => "boolean",
        "Double" | "double" => "double",
        "number" => "number",
        _ => return None,
    })
}

/// Whether two types, each in its own words, are surely not the same.
pub(crate) fn differ(passed: &str, declared: &str) -> bool {
    match (known(passed), known(declared)) {
        (Some(passed), Some(declared)) => passed != declared,
        _ => false,
    }
}
