//! Fallow Lantern's library: an app's source in, its routes, calls and slips out.
//!
//! The stages, and the one type that passes from each to the next:
//!
//! [`source`] → [`source::SourceTree`] → [`syntax`] → [`syntax::Body`] → [`values`] →
//! [`values::Program`] → [`recover`] → [`facts::Facts`] → [`link`] → [`link::Graph`] → [`rules`] →
//! [`model::Document`].
//!
//! Nothing here prints, exits or keeps state between scans.

mod account;
mod apps;
mod document;
mod error;
pub mod explain;
pub mod facts;
#[cfg(test)]
mod fixture;
pub mod gaps;
pub mod ledger;
pub mod link;
pub mod map;
mod meant;
pub mod model;
pub mod names;
pub mod network;
mod owners;
mod parsing;
mod reach;
#[cfg(test)]
mod reach_tests;
pub mod recover;
pub mod rules;
mod scan;
mod search;
mod settings;
pub mod source;
pub mod syntax;
mod types;
pub mod values;

pub use error::Error;
pub use reach::reach;
pub use scan::{Options, Progress, Scan, Stage, scan, scan_sources, scan_sources_with, scan_with};
pub use settings::{Named, SETTINGS_FILE, Settings, SettingsError};
