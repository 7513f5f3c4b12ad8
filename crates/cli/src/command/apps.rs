//! Scans of the folders that were named, under their settings.

use crate::Failure;
use crate::progress::Bar;
use fallow_lantern_core::{Error, Options, SETTINGS_FILE, Scan, Settings, scan_with};
use std::path::{Path, PathBuf};

/// Scans folders.
pub(super) struct Apps<'a> {
    given: Option<&'a Path>,
}

impl<'a> Apps<'a> {
    /// Settings come from the given file or, without one, from each app's own.
    pub(super) fn new(given: Option<&'a Path>) -> Self {
        Self { given }
    }

    /// Scans a tree, or one app of it.
    pub(super) fn scan(&self, path: &Path, app: Option<&str>) -> Result<Scan, Failure> {
        let (settings, settings_path) = self.settings(path)?;
        let bar = Bar::new();
        let watch = |progress| bar.show(progress);
        let app = app.map(str::to_owned);
        let options = Options {
            settings,
            settings_path: Some(settings_path),
            app,
            watch: Some(&watch),
            ..Options::default()
        };
        Ok(scan_with(path, &path.to_string_lossy(), &options)?)
    }

    /// What was settled for an app, and the file that says so.
    pub(super) fn settings(&self, app: &Path) -> Result<(Settings, PathBuf), Failure> {
        let path = self.given.map_or_else(|| app.join(SETTINGS_FILE), Path::to_owned);
        let bytes = match std::fs::read(&path) {
            Ok(bytes) => bytes,
            Err(error) if self.given.is_none() && error.kind() != std::io::ErrorKind::PermissionDenied => {
                return Ok((Settings::default(), path));
            }
            Err(error) => return Err(Failure::Read(path, error)),
        };
        let text = String::from_utf8_lossy(&bytes);
        match Settings::parse(text.trim_start_matches('\u{feff}')) {
            Ok(settings) => Ok((settings, path)),
            Err(slip) => Err(Error::Settings { path, slip }.into()),
        }
    }
}
