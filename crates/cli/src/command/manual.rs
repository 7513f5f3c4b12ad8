//! What shells and manuals are told of the arguments, from their own definitions.

use crate::args::Arguments;
use crate::{Failure, Outcome};
use clap::CommandFactory;
use clap_complete::Shell;
use std::io::Write;
use std::path::Path;

const NAME: &str = "fallow-lantern";

pub(super) fn completions(shell: Shell) -> Result<Outcome, Failure> {
    let mut script = Vec::new();
    clap_complete::generate(shell, &mut Arguments::command(), NAME, &mut script);
    std::io::stdout().lock().write_all(&script)?;
    Ok(Outcome::Clean)
}

pub(super) fn pages(folder: &Path) -> Result<Outcome, Failure> {
    let failed = |error| Failure::Write(folder.to_owned(), error);
    std::fs::create_dir_all(folder).map_err(failed)?;
    clap_mangen::generate_to(Arguments::command(), folder).map_err(failed)?;
    writeln!(anstream::stderr(), "the manual pages are in {}", folder.display())?;
    Ok(Outcome::Clean)
}
