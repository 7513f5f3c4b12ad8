use super::Apps;
use super::only::{Kept, status};
use crate::args::{Calls, ListFormat};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::names::count;
use std::io::Write;

pub(super) fn run(args: &Calls, apps: &Apps) -> Result<Outcome, Failure> {
    let listing = &args.listing;
    let status = args.status.as_deref().map(status).transpose()?;
    let mut document = apps.scan(&listing.path, listing.app.as_deref())?.document;
    let before = document.calls.len();
    Kept::new(&listing.only, &document)?.calls(&mut document, status);
    let out = &mut anstream::stdout().lock();
    match listing.format {
        ListFormat::Text if document.calls.is_empty() && before > 0 => {
            writeln!(out, "Of {} none is kept.", count(before, "call"))?;
        }
        ListFormat::Text => format::tables::calls(&document, Look::of_stdout(), out)?,
        ListFormat::Json => format::json::calls(&document, out)?,
        ListFormat::JsonLines => format::json::lines(&document.calls, out)?,
        ListFormat::Csv => format::csv::calls(&document, out)?,
    }
    Ok(Outcome::Clean)
}
