use super::Apps;
use crate::args::{Format, Listing};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};

pub(super) fn run(args: &Listing, apps: &Apps) -> Result<Outcome, Failure> {
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let out = &mut anstream::stdout().lock();
    match args.format {
        Format::Text => format::tables::routes(&scan.document, Look::of_stdout(), out)?,
        Format::Json => format::json::routes(&scan.document, out)?,
    }
    Ok(Outcome::Clean)
}
