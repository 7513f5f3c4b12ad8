//! A scan for people: what is in here, where it starts, what was not understood, then the findings,
//! worst first.

mod findings;
mod overview;

pub(super) use findings::blocks;
pub(super) use overview::apps;

use crate::look::Look;
use fallow_lantern_core::Scan;
use std::io::{self, Write};

/// The whole of it; notes are counted, or shown.
pub(crate) fn scan(scan: &Scan, notes: bool, look: Look, out: &mut dyn Write) -> io::Result<()> {
    overview::write(&scan.document, look, out)?;
    findings::write(scan, notes, look, out)
}

/// What is in here and how much is wrong with it, without the findings themselves.
pub(crate) fn summary(scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    overview::write(&scan.document, look, out)?;
    writeln!(out, "\nFindings  {}", findings::counted(&scan.document))
}
