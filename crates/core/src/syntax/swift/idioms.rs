//! Swift's own: the standard library's sequences, optionals and texts
//! (developer.apple.com, "Swift Standard Library").

use crate::syntax::idioms::{Ask, Idioms, Listing, Literals, Sequences, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    scopes: &[],
    loops: &["compactMap", "flatMap", "forEach", "map"],
    passes: &["dropFirst", "dropLast", "filter", "prefix", "reversed", "shuffled", "sorted", "suffix"],
    lazy: &[],
    texts: &[("description", TextStep::Receiver), ("appending", TextStep::Join)],
    asserts: &[],
    members: &[
        ("capitalized", "String"),
        ("contains", "Bool"),
        ("count", "Int"),
        ("hasPrefix", "Bool"),
        ("hasSuffix", "Bool"),
        ("isEmpty", "Bool"),
        ("lowercased", "String"),
        ("trimmingCharacters", "String"),
        ("uppercased", "String"),
        ("uuidString", "String"),
    ],
    promises: &[],
    literals: Literals { text: "String", truth: "Bool", number },
    trailing_lambdas: true,
    unnamed: "$0",
    tear_offs: true,
    elements: &[
        "first",
        "last",
        "max",
        "min",
        "popFirst",
        "popLast",
        "randomElement",
        "removeFirst",
        "removeLast",
    ],
    looks: &[
        "allSatisfy",
        "contains",
        "drop",
        "filter",
        "first",
        "firstIndex",
        "last",
        "lastIndex",
        "max",
        "min",
        "removeAll",
        "sorted",
    ],
    case_text: "rawValue",
    cases_carry: true,
    all_cases: &["allCases"],
    some: "some",
    sequences: Sequences {
        list: "Array",
        lists: &["Array", "ArraySlice", "ContiguousArray", "Set"],
        maps: &["Dictionary"],
        copies: &["Array", "Set"],
        same: &["indices", "lazy"],
        flatten: &["flatMap"],
    },
    puts_element: &["append", "insert"],
    seeks_element: &["contains", "firstIndex"],
    self_type: "Self",
    whole_modules: true,
    extends_types: true,
    closures_build: true,
    own_listings: &[("keys", Listing::Keys), ("values", Listing::Values)],
    map_rounds: Some(Listing::Entries),
    entry_parts: [&["key"], &["value"]],
    named_tuples: true,
    same: &["Array", "Set"],
    counts: &["enumerated"],
    memberwise: true,
    asks: &[("first", Ask::First), ("last", Ask::Last), ("randomElement", Ask::Any)],
    ..Idioms::NONE
};

fn number(text: &str) -> &'static str {
    let plain = !text.starts_with("0x") && text.contains(['.', 'e', 'E']);
    if plain { "Double" } else { "Int" }
}
