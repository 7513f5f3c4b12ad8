//! One file a command.

mod calls;
mod demo;
mod routes;
mod rules;
mod scan;

use crate::args::{Arguments, Command};
use crate::{Failure, Outcome};
use fallow_lantern_core::Scan;
use std::path::Path;

/// Runs what was asked for.
pub(crate) fn run(arguments: &Arguments) -> Result<Outcome, Failure> {
    match &arguments.command {
        Command::Scan(args) => scan::run(args),
        Command::Routes(args) => routes::run(args),
        Command::Calls(args) => calls::run(args),
        Command::Rules(args) => rules::run(args),
        Command::Demo(args) => demo::run(args),
    }
}

fn scan_folder(path: &Path) -> Result<Scan, Failure> {
    Ok(fallow_lantern_core::scan(path, &path.to_string_lossy())?)
}
