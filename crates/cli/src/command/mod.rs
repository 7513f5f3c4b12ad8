//! One file a command.

mod apps;
mod calls;
mod demo;
mod gaps;
mod ledger;
mod manual;
mod map;
mod only;
mod reach;
mod report;
mod routes;
mod rules;
mod scan;

use crate::args::{Arguments, Command};
use crate::{Failure, Outcome};
use apps::Apps;
use fallow_lantern_core::model::Style;
use fallow_lantern_core::names::nearest;

/// Runs what was asked for.
pub(crate) fn run(arguments: &Arguments) -> Result<Outcome, Failure> {
    let apps = Apps::new(arguments.settings.as_deref());
    match &arguments.command {
        Command::Scan(args) => scan::run(args, &apps),
        Command::Routes(args) => routes::run(args, &apps),
        Command::Calls(args) => calls::run(args, &apps),
        Command::Reach(args) => reach::run(args, &apps),
        Command::Gaps(args) => gaps::run(args, &apps),
        Command::Map(args) => map::run(args, &apps),
        Command::Report(args) => report::run(args, &apps),
        Command::Rules(args) => rules::run(args),
        Command::Completions { shell } => manual::completions(*shell),
        Command::Manual { folder } => manual::pages(folder),
        Command::Demo(args) => demo::run(args, &apps),
    }
}

/// The style of a name.
fn style(name: &str) -> Result<Style, Failure> {
    let unknown = || {
        let names = || Style::ALL.iter().map(|style| style.as_str());
        let near = nearest(name, names());
        let holding = || names().filter(|known| known.contains(name)).map(str::to_owned).collect();
        let near = if near.is_empty() { holding() } else { near };
        Failure::Unknown { what: "style", given: name.to_owned(), near }
    };
    Style::ALL.iter().copied().find(|style| style.as_str() == name).ok_or_else(unknown)
}
