//! Small apps in one text, for tests: a line `//- path` starts a file.

use crate::source::from_texts;
use crate::{Options, SETTINGS_FILE, Scan, Settings, scan_sources_with};

/// Files with their paths.
pub(crate) type Files = Vec<(String, String)>;

/// Splits a fixture into its files.
pub(crate) fn files(fixture: &str) -> Files {
    let mut files: Files = Vec::new();
    for line in fixture.lines() {
        match (line.strip_prefix("//- "), files.last_mut()) {
            (Some(path), _) => files.push((path.to_owned(), String::new())),
            (None, Some((_, text))) => {
                text.push_str(line);
                text.push('\n');
            }
            (None, None) => {}
        }
    }
    files
}

/// Scans files. One that is called like the settings is.
#[track_caller]
pub(crate) fn scan(mut files: Files) -> Scan {
    let own = files.iter().position(|(path, _)| path == SETTINGS_FILE).map(|at| files.remove(at).1);
    let settings = own.map_or_else(Settings::default, |text| Settings::parse(&text).expect("valid settings"));
    scan_sources_with(from_texts(files), ".", &Options { settings, ..Options::default() })
}
