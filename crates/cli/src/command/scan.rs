use super::Apps;
use crate::args::{Format, Scan, Threshold};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};

pub(super) fn run(args: &Scan, apps: &Apps) -> Result<Outcome, Failure> {
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let out = &mut anstream::stdout().lock();
    match args.format {
        Format::Text => format::text::scan(
            &scan,
            args.notes || args.threshold == Threshold::Note,
            Look::of_stdout(),
            out,
        )?,
        Format::Json => format::json::whole(&scan.document, out)?,
    }
    let counts = scan.document.findings.iter().any(|finding| args.threshold.counts(finding.severity));
    Ok(if counts { Outcome::Findings } else { Outcome::Clean })
}
