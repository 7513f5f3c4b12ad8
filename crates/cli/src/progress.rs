//! How far a long scan is, on a terminal only.

use fallow_lantern_core::{Progress, Stage};
use indicatif::{ProgressBar, ProgressDrawTarget, ProgressStyle};
use std::time::Duration;

/// A bar on standard error. Where that is no terminal it shows nothing.
pub(crate) struct Bar(ProgressBar);

/// Shorter scans than this show nothing.
const PATIENCE: Duration = Duration::from_millis(400);

impl Bar {
    pub(crate) fn new() -> Self {
        let bar = ProgressBar::with_draw_target(Some(0), ProgressDrawTarget::stderr_with_hz(10));
        if let Ok(style) = ProgressStyle::with_template("{msg} {wide_bar} {pos}/{len}") {
            bar.set_style(style);
        }
        Self(bar)
    }

    /// Shows a step.
    pub(crate) fn show(&self, progress: Progress) {
        if self.0.elapsed() < PATIENCE {
            return;
        }
        self.0.set_message(match progress.stage {
            Stage::Find => "finding files",
            Stage::Parse => "parsing",
            Stage::Link => "linking",
        });
        self.0.set_length(progress.of as u64);
        self.0.set_position(progress.done as u64);
    }
}

impl Drop for Bar {
    fn drop(&mut self) {
        self.0.finish_and_clear();
    }
}
