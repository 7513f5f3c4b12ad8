//! JavaScript's own: what arrays and strings do (tc39.es, "ECMAScript language specification").

use crate::syntax::idioms::{Idioms, Literals, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    loops: &["flatMap", "forEach", "map"],
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
    plain: &["boolean", "number", "string"],
    promises: &["Promise"],
    literals: Literals { text: "string", truth: "boolean", number: |_| "number" },
    tear_offs: true,
    ..Idioms::NONE
};
