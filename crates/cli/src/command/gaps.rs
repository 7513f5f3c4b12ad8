use super::Apps;
use crate::args::{Gaps, PageFormat};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::model::{self, Style};
use fallow_lantern_core::{Error, gaps};
use std::path::Path;

pub(super) fn run(args: &Gaps, apps: &Apps) -> Result<Outcome, Failure> {
    let gaps = match &args.new {
        Some(new) => between(&args.old, new, apps)?,
        None => toward(&args.old, args.to.as_deref(), apps)?,
    };
    let out = &mut anstream::stdout().lock();
    match args.format {
        PageFormat::Text => format::gaps::text(&gaps, Look::of_stdout(), out)?,
        PageFormat::Json => format::json::whole(&gaps, out)?,
        PageFormat::Markdown => format::gaps::markdown(&gaps, out)?,
    }
    Ok(if gaps.gaps.is_empty() { Outcome::Clean } else { Outcome::Findings })
}

/// Pairs may be given in the settings of either app; the new one's are asked first.
pub(super) fn between(old: &Path, new: &Path, apps: &Apps) -> Result<model::Gaps, Failure> {
    let (before, after) = (apps.scan(old)?, apps.scan(new)?);
    let (mut settings, mut path) = apps.settings(new)?;
    if settings.pairs.is_empty() {
        (settings, path) = apps.settings(old)?;
    }
    gaps::compare(&before.document, &after.document, &settings.pairs)
        .map_err(|slip| Error::Settings { path, slip }.into())
}

pub(super) fn toward(app: &Path, style: Option<&str>, apps: &Apps) -> Result<model::Gaps, Failure> {
    let style: Option<Style> = style.map(super::style).transpose()?;
    let style = match style {
        Some(style) => style,
        None => apps.settings(app)?.0.target.ok_or(Failure::NothingToCompare)?,
    };
    Ok(gaps::toward(&apps.scan(app)?.document, style))
}
