//! Java's own: what `java.lang` does with text and numbers.

use crate::syntax::code::number_type;
use crate::syntax::idioms::{Ask, Idioms, Listing, Literals, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    loops: &["forEach", "map"],
    makes_list: &["Arrays.asList", "List.of", "Set.of", "Stream.of", "asList", "listOf"],
    texts: &[
        ("concat", TextStep::Join),
        ("format", TextStep::Format),
        ("formatted", TextStep::Format),
        ("replace", TextStep::Replace),
        ("toString", TextStep::Receiver),
        ("trim", TextStep::Receiver),
        ("valueOf", TextStep::Argument),
    ],
    asserts: &["requireNonNull"],
    members: &[
        ("concat", "String"),
        ("contains", "Boolean"),
        ("endsWith", "Boolean"),
        ("format", "String"),
        ("isEmpty", "Boolean"),
        ("replace", "String"),
        ("startsWith", "Boolean"),
        ("substring", "String"),
        ("toLowerCase", "String"),
        ("toString", "String"),
        ("toUpperCase", "String"),
        ("trim", "String"),
        ("valueOf", "String"),
    ],
    all_cases: &["values"],
    puts_element: &["add"],
    puts_entries: &["addAll", "putAll"],
    literals: Literals { text: "String", truth: "Boolean", number: number_type },
    own_listings: &[("entrySet", Listing::Entries), ("keySet", Listing::Keys), ("values", Listing::Values)],
    map_rounds: Some(Listing::Entries),
    makes_map: &["Map.of"],
    entry_parts: [&["getKey"], &["getValue"]],
    same: &["Collections.unmodifiableList", "List.copyOf", "Set.copyOf"],
    runs: &["accept", "apply", "get", "run", "test"],
    asks: &[("get", Ask::At), ("getFirst", Ask::First), ("getLast", Ask::Last), ("getOrDefault", Ask::At)],
    ..Idioms::NONE
};
