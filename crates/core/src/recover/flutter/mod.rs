//! Flutter: pages built in place, tables of names, declared routers.

mod bag;
mod builder;
mod location;
mod navigator;
mod results;

pub(super) mod auto_route;
pub(super) mod go_router;
pub(super) mod library;
pub(super) mod links;
pub(super) mod named_table;
pub(super) mod push_builder;
pub(super) mod widgets;

use crate::source::Language;

/// What Flutter apps are written in.
const SPEAKS: fn(Language) -> bool = |language| language == Language::Dart;
