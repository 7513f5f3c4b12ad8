//! One file an output format. Each is pure: data and a look in, bytes out.

pub(crate) mod csv;
pub(crate) mod gaps;
pub(crate) mod json;
pub(crate) mod junit;
pub(crate) mod map;
mod plain;
pub(crate) mod reach;
pub(crate) mod report;
pub(crate) mod rules;
pub(crate) mod sarif;
pub(crate) mod tables;
pub(crate) mod text;

pub(crate) use plain::plain;
