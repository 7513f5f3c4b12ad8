//! Kotlin's own: the standard library's scope functions, loops and texts
//! (kotlinlang.org, "Scope functions").

use crate::syntax::code::number_type;
use crate::syntax::idioms::{Handed, Idioms, Listing, Literals, Scope, Subject, TextStep};

const fn on_receiver(as_: Handed, gives_subject: bool, builds: bool) -> Scope {
    Scope { on: Subject::Receiver, as_, gives_subject, builds }
}

pub(super) const IDIOMS: Idioms = Idioms {
    scopes: &[
        ("also", on_receiver(Handed::Parameter, true, true)),
        ("apply", on_receiver(Handed::This, true, true)),
        ("let", on_receiver(Handed::Parameter, false, true)),
        ("run", on_receiver(Handed::This, false, true)),
        ("takeIf", on_receiver(Handed::Parameter, true, false)),
        ("takeUnless", on_receiver(Handed::Parameter, true, false)),
        ("with", Scope { on: Subject::Argument, as_: Handed::This, gives_subject: false, builds: true }),
    ],
    loops: &["forEach", "map", "mapNotNull", "onEach"],
    makes_list: &[
        "arrayListOf",
        "arrayOf",
        "hashSetOf",
        "immutableListOf",
        "linkedSetOf",
        "listOf",
        "listOfNotNull",
        "mutableListOf",
        "mutableSetOf",
        "persistentListOf",
        "sequenceOf",
        "setOf",
    ],
    passes: &["asReversed", "distinct", "filter", "reversed", "sortedBy", "toList"],
    lazy: &["lazy"],
    texts: &[
        ("format", TextStep::Format),
        ("orEmpty", TextStep::Receiver),
        ("plus", TextStep::Join),
        ("replace", TextStep::Replace),
        ("toString", TextStep::Receiver),
        ("trim", TextStep::Receiver),
        ("valueOf", TextStep::Argument),
    ],
    asserts: &["checkNotNull", "requireNotNull"],
    members: &[
        ("contains", "Boolean"),
        ("endsWith", "Boolean"),
        ("format", "String"),
        ("isEmpty", "Boolean"),
        ("isNotEmpty", "Boolean"),
        ("joinToString", "String"),
        ("lowercase", "String"),
        ("orEmpty", "String"),
        ("replace", "String"),
        ("startsWith", "Boolean"),
        ("substring", "String"),
        ("toBoolean", "Boolean"),
        ("toDouble", "Double"),
        ("toFloat", "Float"),
        ("toInt", "Int"),
        ("toIntOrNull", "Int?"),
        ("toLong", "Long"),
        ("toLongOrNull", "Long?"),
        ("toString", "String"),
        ("trim", "String"),
        ("uppercase", "String"),
        ("valueOf", "String"),
    ],
    promises: &[],
    literals: Literals { text: "String", truth: "Boolean", number: number_type },
    trailing_lambdas: true,
    tear_offs: false,
    all_cases: &["entries", "values"],
    puts_element: &["add"],
    puts_entries: &["addAll", "putAll"],
    typed_getters: &["get"],
    counted_loops: &["forEachIndexed", "mapIndexed"],
    own_listings: &[("entries", Listing::Entries), ("keys", Listing::Keys), ("values", Listing::Values)],
    map_rounds: Some(Listing::Entries),
    makes_map: &["hashMapOf", "linkedMapOf", "mapOf", "mutableMapOf", "persistentMapOf"],
    entry_parts: [&["first", "key"], &["second", "value"]],
    pairs: "Pair",
    counts: &["withIndex"],
    runs: &["invoke"],
    ..Idioms::NONE
};
