//! One file a command.

mod apps;
mod calls;
mod demo;
mod reach;
mod routes;
mod rules;
mod scan;

use crate::args::{Arguments, Command};
use crate::{Failure, Outcome};
use apps::Apps;

/// Runs what was asked for.
pub(crate) fn run(arguments: &Arguments) -> Result<Outcome, Failure> {
    let apps = Apps::new(arguments.settings.as_deref());
    match &arguments.command {
        Command::Scan(args) => scan::run(args, &apps),
        Command::Routes(args) => routes::run(args, &apps),
        Command::Calls(args) => calls::run(args, &apps),
        Command::Reach(args) => reach::run(args, &apps),
        Command::Rules(args) => rules::run(args),
        Command::Demo(args) => demo::run(args, &apps),
    }
}
