//! Fallow Lantern's library: an app's source in, its routes, calls and slips out.
//!
//! The stages, and the one type that passes from each to the next:
//!
//! [`source`] → [`source::SourceTree`] → [`syntax`] → [`syntax::Body`] → [`values`] →
//! [`values::Program`] → [`recover`] → [`recover::Facts`] → [`link`] → [`link::Graph`] → [`rules`] →
//! [`model::Document`].
//!
//! Nothing here prints, exits or keeps state between scans.

mod document;
mod error;
pub mod link;
pub mod model;
pub mod recover;
pub mod rules;
mod scan;
mod search;
pub mod source;
pub mod syntax;
pub mod values;

pub use error::Error;
pub use scan::{Scan, scan, scan_sources};
