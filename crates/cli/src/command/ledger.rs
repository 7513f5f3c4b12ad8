//! The ledger beside a scan: read before, grown and shrunk on request.

use crate::Failure;
use crate::args::Scan as Arguments;
use fallow_lantern_core::Scan;
use fallow_lantern_core::ledger::{Entry, LEDGER_FILE, Ledger};
use fallow_lantern_core::names::count;
use std::io::{self, Write};
use std::path::{Path, PathBuf};

/// Of what is gone so many are named.
const NAMED: usize = 5;

/// Sets apart what is accepted; on request accepts what is there, or forgets what is gone.
pub(super) fn keep(args: &Arguments, scan: &mut Scan) -> Result<(), Failure> {
    let path = args.ledger.clone().unwrap_or_else(|| args.path.join(LEDGER_FILE));
    if args.accept {
        let ledger = Ledger::of(scan.document.findings.iter());
        write(&path, &ledger)?;
        ledger.set_apart(&mut scan.document);
        return said(&format!("{} accepted in {}", count(ledger.len(), "finding"), path.display()));
    }
    let Some(ledger) = read(&path, args.ledger.is_some())? else { return Ok(()) };
    let gone = ledger.set_apart(&mut scan.document);
    // Of one app of a tree the others' findings are not there, and not gone.
    if gone.is_empty() || args.app.is_some() {
        return Ok(());
    }
    if args.shrink {
        write(&path, &Ledger::of(scan.document.accepted.iter()))?;
        return said(&format!("{} gone, and taken out of {}", count(gone.len(), "finding"), path.display()));
    }
    said(&format!(
        "{} of {} gone; --shrink takes out: {}",
        count(gone.len(), "finding"),
        path.display(),
        named(&gone)
    ))
}

fn read(path: &Path, asked: bool) -> Result<Option<Ledger>, Failure> {
    match std::fs::read_to_string(path) {
        Ok(text) => Ledger::parse(&text).map(Some).map_err(|error| Failure::Ledger(path.to_owned(), error)),
        Err(error) if error.kind() == io::ErrorKind::NotFound && !asked => Ok(None),
        Err(error) => Err(Failure::Read(path.to_owned(), error)),
    }
}

/// Writes beside the old file first: a run that is cut off leaves one of the two whole.
fn write(path: &Path, ledger: &Ledger) -> Result<(), Failure> {
    let mut beside = path.as_os_str().to_owned();
    beside.push(".new");
    let beside = PathBuf::from(beside);
    let failed = |error| Failure::Write(path.to_owned(), error);
    std::fs::write(&beside, ledger.text()).map_err(failed)?;
    std::fs::rename(&beside, path).map_err(failed)
}

fn named(gone: &[Entry]) -> String {
    let shown = gone.iter().take(NAMED).map(|entry| format!("{}: {}", entry.file, entry.message));
    let rest = if gone.len() > NAMED { format!("; and {} more", gone.len() - NAMED) } else { String::new() };
    format!("{}{rest}", shown.collect::<Vec<_>>().join("; "))
}

fn said(text: &str) -> Result<(), Failure> {
    Ok(writeln!(anstream::stderr(), "{}", crate::format::plain(text))?)
}
