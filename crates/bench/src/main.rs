//! Measures a scan of a synthetic app, and beside it, in the same run, a plain read of the same files
//! and a parse of every one of them.

mod app;
mod measure;

use clap::Parser;
use fallow_lantern_core::{scan_sources, source, syntax};
use measure::{Measured, measured};
use rayon::prelude::*;
use std::io::Write as _;
use std::path::PathBuf;

/// Writes a synthetic app of a number of files and measures a scan of it.
#[derive(Debug, Parser)]
struct Arguments {
    /// How many files, one or several sizes
    #[arg(default_values_t = [1_000, 5_000, 20_000])]
    files: Vec<usize>,
    /// The app whose modules are varied
    #[arg(long, default_value = "demo/android")]
    from: PathBuf,
    /// Write the app here, measure nothing, and leave it
    #[arg(long, value_name = "FOLDER")]
    keep: Option<PathBuf>,
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let arguments = Arguments::parse();
    if let Some(folder) = &arguments.keep {
        app::write(&arguments.from, folder, arguments.files.first().copied().unwrap_or_default())?;
        return Ok(());
    }
    let out = &mut anstream::stdout().lock();
    writeln!(
        out,
        "{:>7} {:>9} {:<12} {:>8} {:>10} {:>9}",
        "files", "lines", "what", "seconds", "files/s", "peak MB"
    )?;
    for files in arguments.files {
        let folder = tempfile::tempdir()?;
        let lines = app::write(&arguments.from, folder.path(), files)?;
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
