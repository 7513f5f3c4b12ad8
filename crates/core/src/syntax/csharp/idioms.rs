//! C#'s own: what the base class library does with text, numbers and sequences
//! (learn.microsoft.com, ".NET API browser").

use crate::syntax::idioms::{Ask, Idioms, Listing, Literals, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    loops: &["ForEach", "Select", "SelectMany"],
    makes_list: &["ImmutableArray.Create", "ImmutableList.Create"],
    passes: &["OrderBy", "Reverse", "Skip", "Take", "ToArray", "ToList", "Where"],
    texts: &[
        ("Concat", TextStep::Argument),
        ("EscapeDataString", TextStep::Argument),
        ("EscapeUriString", TextStep::Argument),
        ("Format", TextStep::Format),
        ("Replace", TextStep::Replace),
        ("ToString", TextStep::Receiver),
        ("Trim", TextStep::Receiver),
        ("UrlEncode", TextStep::Argument),
    ],
    members: &[
        ("Contains", "bool"),
        ("ContainsKey", "bool"),
        ("Count", "int"),
        ("EndsWith", "bool"),
        ("EscapeDataString", "string"),
        ("Format", "string"),
        ("Join", "string"),
        ("Length", "int"),
        ("Replace", "string"),
        ("StartsWith", "bool"),
        ("Substring", "string"),
        ("ToLower", "string"),
        ("ToLowerInvariant", "string"),
        ("ToString", "string"),
        ("ToUpper", "string"),
        ("Trim", "string"),
        ("UrlEncode", "string"),
    ],
    promises: &["Task", "ValueTask"],
    literals: Literals { text: "string", truth: "bool", number },
    unnamed: "",
    tear_offs: true,
    elements: &["ElementAt", "First", "FirstOrDefault", "Last", "LastOrDefault", "Single", "SingleOrDefault"],
    looks: &[
        "All",
        "Any",
        "First",
        "FirstOrDefault",
        "Last",
        "OrderBy",
        "Single",
        "SingleOrDefault",
        "Where",
    ],
    unboxes: true,
    puts_element: &["Add"],
    puts_entries: &["AddRange"],
    puts_entry: &["Add", "TryAdd", "[]"],
    escapes: &["EscapeDataString", "EscapeUriString", "UrlEncode", "encode"],
    nests_namespaces: true,
    own_listings: &[("Keys", Listing::Keys), ("Values", Listing::Values)],
    map_rounds: Some(Listing::Entries),
    entry_parts: [&["Item1", "Key"], &["Item2", "Value"]],
    named_tuples: true,
    parts_by_place: true,
    runs: &["Invoke"],
    asks: &[
        ("ElementAt", Ask::At),
        ("ElementAtOrDefault", Ask::At),
        ("Find", Ask::Any),
        ("First", Ask::First),
        ("FirstOrDefault", Ask::First),
        ("GetValueOrDefault", Ask::At),
        ("Last", Ask::Last),
        ("LastOrDefault", Ask::Last),
        ("Single", Ask::First),
        ("SingleOrDefault", Ask::First),
    ],
    ..Idioms::NONE
};

/// The type of a number by its suffix (C# specification, "Literals").
fn number(text: &str) -> &'static str {
    let lower = text.to_ascii_lowercase();
    let hexadecimal = lower.starts_with("0x");
    match lower.chars().last() {
        Some('l') => "long",
        Some('m') => "decimal",
        Some('f') if !hexadecimal => "float",
        Some('d') if !hexadecimal => "double",
        _ if lower.contains('.') || (lower.contains('e') && !hexadecimal) => "double",
        _ => "int",
    }
}
