//! Objective-C's own.

use crate::syntax::code::number_type;
use crate::syntax::idioms::{Idioms, Literals};

pub(super) const IDIOMS: Idioms = Idioms {
    literals: Literals { text: "String", truth: "Bool", number: number_type },
    extends_types: true,
    whole_modules: true,
    bare_classes: true,
    ..Idioms::NONE
};
