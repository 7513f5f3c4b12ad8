//! Linking: which addresses open which screens (reactnavigation.org, "Configuring links").

use crate::recover::Facts;
use crate::values::Values;

pub(super) fn recover(_file: u32, _values: &Values<'_>, _facts: &mut Facts) {}
