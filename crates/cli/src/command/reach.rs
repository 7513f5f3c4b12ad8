use super::Apps;
use crate::args::{Format, Reach};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::Scan;
use fallow_lantern_core::model::Document;
use fallow_lantern_core::network::Network;
use std::io::Write;

pub(super) fn run(args: &Reach, apps: &Apps) -> Result<Outcome, Failure> {
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let out = &mut anstream::stdout().lock();
    // A way leads through one app, whatever others share with it.
    let within = match scan.document.apps.len() {
        0 | 1 => Vec::new(),
        _ => apps_with(&scan.document, &args.screen),
    };
    match within.as_slice() {
        [] => one(args, &scan, out)?,
        [_, _, ..] if args.format == Format::Json => {
            return Err(Failure::InSeveralApps { given: args.screen.clone(), apps: within });
        }
        all => {
            for (i, app) in all.iter().enumerate() {
                if all.len() > 1 {
                    let strong = Look::of_stdout().strong();
                    let gap = if i == 0 { "" } else { "\n" };
                    writeln!(out, "{gap}{strong}In {}{strong:#}", format::plain(app))?;
                }
                one(args, &apps.scan(&args.path, Some(app))?, out)?;
            }
        }
    }
    Ok(Outcome::Clean)
}

/// The apps that have a screen or route of a name.
fn apps_with(document: &Document, name: &str) -> Vec<String> {
    let screens = document.screens.iter().filter(|screen| screen.name == name).map(|screen| &screen.at);
    let routes = document.routes.iter().filter(|route| route.name == name).map(|route| &route.at);
    let files: Vec<&str> = screens.chain(routes).map(|at| at.file.as_str()).collect();
    let has =
        |app: &&String| files.iter().any(|file| document.apps_of(file).iter().any(|of| of.name == ***app));
    document.apps.iter().map(|app| &app.name).filter(has).cloned().collect()
}

/// What is known of a screen in one app.
fn one(args: &Reach, scan: &Scan, out: &mut dyn Write) -> Result<(), Failure> {
    let network = Network::new(&scan.document);
    let find = |name: &String| {
        let unknown = |near| Failure::Unknown { what: "screen or route", given: name.clone(), near };
        network.find(name).map_err(unknown)
    };
    let first = find(&args.screen)?;
    let (place, from) = match &args.to {
        Some(to) => (find(to)?, Some(first)),
        None => (first, None),
    };
    let reach = fallow_lantern_core::reach(&network, place, from);
    match args.format {
        Format::Text => format::reach::reach(&reach, scan, Look::of_stdout(), out)?,
        Format::Json => format::json::whole(&reach, out)?,
    }
    Ok(())
}
