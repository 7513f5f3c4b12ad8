//! What screens take out of their path.

use super::PACKAGE;
use crate::facts::Facts;
use crate::model::Via;
use crate::recover::code;
use crate::recover::react_native::taken::taken;
use crate::values::{Expr, Values};

/// Hooks that give what the path holds.
pub(super) const HOOKS: &[&str] = &["useGlobalSearchParams", "useLocalSearchParams", "useSearchParams"];

pub(super) fn recover(file: u32, values: &Values<'_>, facts: &mut Facts) {
    for (at, call) in code::calls(file, values, HOOKS) {
        let from = values.external(&Expr::new(at).with(call.callee));
        if from.is_some_and(|path| path.starts_with(PACKAGE)) {
            taken(at, Via::Query, values, facts);
        }
    }
}
