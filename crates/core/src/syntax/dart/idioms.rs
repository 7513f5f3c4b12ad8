//! Dart's own: cascades, what `dart:core` does with text, lists and numbers (api.dart.dev).

use crate::syntax::idioms::{Ask, Handed, Idioms, Listing, Literals, Scope, Subject, TextStep};

/// What a cascade is lowered to: a function that runs its sections on the value before it.
pub(super) const CASCADE: &str = "..";
/// What `for (final x in xs) y` in a list is lowered to: a function that runs `y` on each of `xs`.
pub(super) const EACH: &str = "...for";

/// What is awaited is handed to a function.
const THEN: Scope =
    Scope { on: Subject::Receiver, as_: Handed::Parameter, gives_subject: false, builds: false };

pub(super) const IDIOMS: Idioms = Idioms {
    scopes: &[
        ("then", THEN),
        (CASCADE, Scope { on: Subject::Receiver, as_: Handed::Parameter, gives_subject: true, builds: true }),
    ],
    loops: &[EACH, "expand", "forEach", "map"],
    passes: &["cast", "followedBy", "reversed", "toList", "toSet", "where"],
    lazy: &[],
    texts: &[
        ("replaceAll", TextStep::Replace),
        ("replaceFirst", TextStep::Replace),
        ("toString", TextStep::Receiver),
        ("trim", TextStep::Receiver),
    ],
    asserts: &[],
    members: &[
        ("contains", "bool"),
        ("endsWith", "bool"),
        ("isEmpty", "bool"),
        ("isNotEmpty", "bool"),
        ("join", "String"),
        ("length", "int"),
        ("replaceAll", "String"),
        ("replaceFirst", "String"),
        ("split", "List"),
        ("startsWith", "bool"),
        ("substring", "String"),
        ("toDouble", "double"),
        ("toInt", "int"),
        ("toLowerCase", "String"),
        ("toString", "String"),
        ("toUpperCase", "String"),
        ("trim", "String"),
    ],
    promises: &["Future", "FutureOr"],
    literals: Literals { text: "String", truth: "bool", number },
    trailing_lambdas: false,
    tear_offs: true,
    all_cases: &["values"],
    puts_entries: &["addAll", "addEntries"],
    typed_getters: &["get"],
    own_listings: &[("entries", Listing::Entries), ("keys", Listing::Keys), ("values", Listing::Values)],
    map_rounds: Some(Listing::Entries),
    entry_parts: [&["$1", "key"], &["$2", "value"]],
    named_tuples: true,
    same: &["Future.value", "List.from", "List.of", "List.unmodifiable"],
    runs: &["call"],
    asks: &[
        ("elementAt", Ask::At),
        ("elementAtOrNull", Ask::At),
        ("first", Ask::First),
        ("firstOrNull", Ask::First),
        ("firstWhere", Ask::Any),
        ("firstWhereOrNull", Ask::Any),
        ("last", Ask::Last),
        ("lastOrNull", Ask::Last),
        ("lastWhere", Ask::Any),
        ("single", Ask::First),
        ("singleWhere", Ask::Any),
    ],
    ..Idioms::NONE
};

fn number(text: &str) -> &'static str {
    let whole = text.starts_with("0x") || text.starts_with("0X") || !text.contains(['.', 'e', 'E']);
    if whole { "int" } else { "double" }
}
