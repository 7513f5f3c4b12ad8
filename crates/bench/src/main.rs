//! Measures a scan of a synthetic app, and beside it, in the same run, a plain read of the same files
//! and a parse of every one of them.

mod app;
mod measure;

use clap::Parser;
use fallow_lantern_core::model::Place;
use fallow_lantern_core::{Options, scan_sources, scan_with, source, syntax};
use measure::{Measured, measured};
use rayon::prelude::*;
use std::io::{self, Write as _};
use std::path::{Path, PathBuf};
use std::sync::{Mutex, PoisonError};

/// Writes a synthetic app of a number of files, or several of equal names, and measures a scan of it.
#[derive(Debug, Parser)]
struct Arguments {
    /// How many files, one or several sizes
    #[arg(default_values_t = [1_000, 5_000, 20_000])]
    files: Vec<usize>,
    /// The app whose modules are varied
    #[arg(long, default_value = "demo/android")]
    from: PathBuf,
    /// How many apps the files are spread over, each with the same names
    #[arg(long, default_value_t = 1)]
    apps: usize,
    /// Instead of measuring, list what looks like navigation in this folder and became no call
    #[arg(long, value_name = "FOLDER")]
    account: Option<PathBuf>,
    /// Write the app here, measure nothing, and leave it
    #[arg(long, value_name = "FOLDER")]
    keep: Option<PathBuf>,
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let arguments = Arguments::parse();
    if let Some(folder) = &arguments.keep {
        write(&arguments, folder, arguments.files.first().copied().unwrap_or_default())?;
        return Ok(());
    }
    if let Some(folder) = &arguments.account {
        return account(folder);
    }
    let out = &mut anstream::stdout().lock();
    writeln!(
        out,
        "{:>7} {:>9} {:<12} {:>8} {:>10} {:>9}",
        "files", "lines", "what", "seconds", "files/s", "peak MB"
    )?;
    for &files in &arguments.files {
        let folder = tempfile::tempdir()?;
        let lines = write(&arguments, folder.path(), files)?;
        let read = measured(|| source::discover(folder.path()).map(|tree| tree.files.len()));
        let scan = measured(|| {
            source::discover(folder.path()).map(|tree| scan_sources(tree, ".").document.routes.len())
        });
        let parse = measured(|| {
            source::discover(folder.path()).map(|tree| {
                tree.files
                    .par_iter()
                    .map(|file| syntax::parse(file, &tree))
                    .filter(|p| p.problem.is_none())
                    .count()
            })
        });
        for (what, Measured { seconds, peak_bytes, result }) in
            [("read", read), ("scan", scan), ("parse all", parse)]
        {
            result?;
            let rate = files as f64 / seconds;
            let peak = peak_bytes as f64 / 1e6;
            writeln!(out, "{files:>7} {lines:>9} {what:<12} {seconds:>8.2} {rate:>10.0} {peak:>9.0}")?;
        }
    }
    Ok(())
}

/// Lists the places of a folder that look like navigation and became no call.
fn account(folder: &Path) -> Result<(), Box<dyn std::error::Error>> {
    let found = Mutex::new(Vec::new());
    let told = |places: Vec<Place>| found.lock().unwrap_or_else(PoisonError::into_inner).extend(places);
    scan_with(folder, ".", &Options { account: Some(&told), ..Options::default() })?;
    let out = &mut anstream::stdout().lock();
    let mut places = found.into_inner().unwrap_or_else(PoisonError::into_inner);
    places.sort();
    places.dedup();
    places.iter().try_for_each(|place| writeln!(out, "{}:{}", place.file, place.line))?;
    Ok(())
}

/// Writes the apps, in folders of their own where there are several, and gives their lines.
fn write(arguments: &Arguments, to: &Path, files: usize) -> io::Result<usize> {
    if arguments.apps < 2 {
        return app::write(&arguments.from, to, files);
    }
    let each = files / arguments.apps;
    let apps = (0..arguments.apps).map(|n| app::write(&arguments.from, &to.join(format!("barn{n}")), each));
    apps.sum()
}
