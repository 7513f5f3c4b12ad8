use super::{Apps, ledger};
use crate::args::{Scan, ScanFormat, Threshold};
use crate::look::Look;
use crate::output::deliver;
use crate::{Failure, Outcome, format};
use fallow_lantern_core::Scan as Scanned;
use std::io::{self, Write};

pub(super) fn run(args: &Scan, apps: &Apps) -> Result<Outcome, Failure> {
    let mut scan = apps.scan(&args.path, args.app.as_deref())?;
    ledger::keep(args, &mut scan)?;
    let notes = args.notes || args.threshold == Threshold::Note;
    let out = &mut anstream::stdout().lock();
    write(args.format, &scan, notes, Look::of_stdout(), out)?;
    for (form, file) in &args.also {
        let mut bytes = Vec::new();
        write(*form, &scan, notes, Look::PLAIN, &mut bytes)?;
        deliver(&bytes, Some(file), false)?;
    }
    let counts = scan.document.findings.iter().any(|finding| args.threshold.counts(finding.severity));
    Ok(if counts { Outcome::Findings } else { Outcome::Clean })
}

fn write(form: ScanFormat, scan: &Scanned, notes: bool, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let document = &scan.document;
    match form {
        ScanFormat::Text => format::text::scan(scan, notes, look, out),
        ScanFormat::Json => format::json::whole(document, out),
        ScanFormat::JsonLines => format::json::lines(&document.findings, out),
        ScanFormat::Csv => format::csv::findings(document, out),
        ScanFormat::Sarif => format::sarif::write(document, out),
        ScanFormat::Junit => format::junit::write(document, out),
    }
}
