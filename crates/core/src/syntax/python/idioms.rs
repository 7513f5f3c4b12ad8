//! Python's own (docs.python.org, "Built-in Functions").

use crate::syntax::idioms::{Ask, Idioms, Listing, Literals, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    loops: &["forEach"],
    texts: &[
        ("format", TextStep::Format),
        ("lower", TextStep::Receiver),
        ("str", TextStep::Argument),
        ("strip", TextStep::Receiver),
    ],
    members: &[
        ("bool", "bool"),
        ("float", "float"),
        ("int", "int"),
        ("len", "int"),
        ("lower", "str"),
        ("round", "int"),
        ("str", "str"),
        ("strip", "str"),
        ("upper", "str"),
    ],
    literals: Literals { text: "str", truth: "bool", number },
    tear_offs: true,
    self_type: "Self",
    scopes_by_function: true,
    imports_by_name: true,
    keyed_objects: true,
    hands_classes: true,
    bare_classes: true,
    marks_overrides: false,
    own_listings: &[("items", Listing::Entries), ("keys", Listing::Keys), ("values", Listing::Values)],
    map_rounds: Some(Listing::Keys),
    same: &["list", "reversed", "set", "sorted", "tuple"],
    counts: &["enumerate"],
    asks: &[("get", Ask::At)],
    ..Idioms::NONE
};

fn number(text: &str) -> &'static str {
    if text.contains(['.', 'e', 'E']) && !text.starts_with("0x") { "float" } else { "int" }
}
