//! JavaScript's own: what arrays and strings do (tc39.es, "ECMAScript language specification").

use crate::syntax::idioms::{Ask, Handed, Idioms, Listing, Literals, Scope, Subject, TextStep};

/// What is awaited is handed to a function.
const THEN: Scope =
    Scope { on: Subject::Receiver, as_: Handed::Parameter, gives_subject: false, builds: false };

pub(super) const IDIOMS: Idioms = Idioms {
    scopes: &[("then", THEN)],
    loops: &["flatMap", "forEach", "map"],
    makes_list: &["Array.of"],
    passes: &["concat", "filter", "flat", "reverse", "slice", "sort"],
    texts: &[
        ("String", TextStep::Argument),
        ("concat", TextStep::Join),
        ("replace", TextStep::Replace),
        ("toString", TextStep::Receiver),
        ("trim", TextStep::Receiver),
    ],
    members: &[
        ("includes", "boolean"),
        ("length", "number"),
        ("replace", "string"),
        ("startsWith", "boolean"),
        ("toFixed", "string"),
        ("toLowerCase", "string"),
        ("toString", "string"),
        ("toUpperCase", "string"),
        ("trim", "string"),
    ],
    promises: &["Promise"],
    literals: Literals { text: "string", truth: "boolean", number: |_| "number" },
    tear_offs: true,
    listings: &[
        ("Object", "entries", Listing::Entries),
        ("Object", "keys", Listing::Keys),
        ("Object", "values", Listing::Values),
    ],
    puts_element: &["push", "unshift"],
    imports_by_name: true,
    keyed_objects: true,
    types_say_data: true,
    hands_classes: true,
    marks_overrides: false,
    same: &["Promise.resolve", "Array.from", "Object.freeze", "Object.seal"],
    asks: &[
        ("at", Ask::At),
        ("find", Ask::Any),
        ("findLast", Ask::Any),
        ("get", Ask::At),
        ("pop", Ask::Last),
        ("shift", Ask::First),
    ],
    ..Idioms::NONE
};
