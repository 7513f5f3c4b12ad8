//! Answers that are files.

use crate::Failure;
use std::io::{self, IsTerminal, Write};
use std::path::Path;

/// Writes an answer to a file or, without one, to standard output. A terminal gets no binary.
pub(crate) fn deliver(bytes: &[u8], file: Option<&Path>, binary: bool) -> Result<(), Failure> {
    let Some(file) = file else {
        if binary && io::stdout().is_terminal() {
            return Err(Failure::BinaryToTerminal);
        }
        let mut out = io::stdout().lock();
        out.write_all(bytes)?;
        return Ok(out.flush()?);
    };
    std::fs::write(file, bytes).map_err(|error| Failure::Write(file.to_owned(), error))?;
    let _ = writeln!(anstream::stderr(), "{} written", file.display());
    Ok(())
}
