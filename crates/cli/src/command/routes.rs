use super::Apps;
use super::only::Kept;
use crate::args::{ListFormat, Listing};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::names::count;
use std::io::Write;

pub(super) fn run(args: &Listing, apps: &Apps) -> Result<Outcome, Failure> {
    let mut document = apps.scan(&args.path, args.app.as_deref())?.document;
    let before = document.routes.len();
    Kept::new(&args.only, &document)?.routes(&mut document);
    let out = &mut anstream::stdout().lock();
    match args.format {
        ListFormat::Text if document.routes.is_empty() && before > 0 => {
            writeln!(out, "Of {} none is kept.", count(before, "route"))?;
        }
        ListFormat::Text => format::tables::routes(&document, Look::of_stdout(), out)?,
        ListFormat::Json => format::json::routes(&document, out)?,
        ListFormat::JsonLines => format::json::lines(&document.routes, out)?,
        ListFormat::Csv => format::csv::routes(&document, out)?,
    }
    Ok(Outcome::Clean)
}
