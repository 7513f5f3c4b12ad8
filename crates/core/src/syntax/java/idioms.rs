//! Java's own: what `java.lang` does with text and numbers.

use crate::syntax::code::number_type;
use crate::syntax::idioms::{Idioms, Literals, TextStep};

pub(super) const IDIOMS: Idioms = Idioms {
    loops: &["forEach", "map"],
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
    puts_entries: &["putAll"],
    literals: Literals { text: "String", truth: "Boolean", number: number_type },
    ..Idioms::NONE
};
