//! The `fallow-lantern` program: arguments in, the library's answers out.

mod args;
mod command;
mod failure;
mod format;
mod look;
mod output;
mod progress;

use args::Arguments;
use clap::Parser;
use failure::Failure;
use std::process::ExitCode;

fn main() -> ExitCode {
    let arguments = Arguments::parse();
    arguments.color.write_global();
    match command::run(&arguments) {
        Ok(outcome) => outcome.into(),
        Err(failure) => failure.report(),
    }
}

/// What a command that did its job has to say by its exit status.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(crate) enum Outcome {
    /// Nothing at or over the threshold.
    Clean,
    /// Findings at or over it.
    Findings,
}

impl From<Outcome> for ExitCode {
    fn from(outcome: Outcome) -> Self {
        match outcome {
            Outcome::Clean => Self::SUCCESS,
            Outcome::Findings => Self::from(1),
        }
    }
}
