use super::Apps;
use crate::args::{Gaps, PageFormat};
use crate::format;
use crate::look::Look;
use crate::{Failure, Outcome};
use fallow_lantern_core::model::{self, Style};
use fallow_lantern_core::{Error, gaps};
use std::path::Path;

pub(super) fn run(args: &Gaps, apps: &Apps) -> Result<Outcome, Failure> {
    let old = Side { path: &args.old, app: args.old_app.as_deref() };
    let gaps = match (&args.new, &args.new_app) {
        (None, None) => toward(old, args.to.as_deref(), apps)?,
        (new, app) => {
            let path = new.as_ref().unwrap_or(&args.old);
            between(old, Side { path, app: app.as_deref() }, apps)?
        }
    };
    let out = &mut anstream::stdout().lock();
    match args.format {
        PageFormat::Text => format::gaps::text(&gaps, Look::of_stdout(), out)?,
        PageFormat::Json => format::json::whole(&gaps, out)?,
        PageFormat::Markdown => format::gaps::markdown(&gaps, out)?,
    }
    Ok(if gaps.gaps.is_empty() { Outcome::Clean } else { Outcome::Findings })
}

/// An app to compare, by its tree and, where that holds several, its name.
#[derive(Clone, Copy)]
pub(super) struct Side<'a> {
    pub(super) path: &'a Path,
    pub(super) app: Option<&'a str>,
}

impl Side<'_> {
    /// What it is called: its tree, and its app where that was named.
    fn named(self, tree: String) -> String {
        match self.app {
            Some(app) => format!("{tree} ({app})"),
            None => tree,
        }
    }
}

/// Pairs may be given in the settings of either app; the new one's are asked first.
pub(super) fn between(old: Side<'_>, new: Side<'_>, apps: &Apps) -> Result<model::Gaps, Failure> {
    let (before, after) = (apps.scan(old.path, old.app)?, apps.scan(new.path, new.app)?);
    let (mut settings, mut path) = apps.settings(new.path)?;
    if settings.pairs.is_empty() {
        (settings, path) = apps.settings(old.path)?;
    }
    let gaps = gaps::compare(&before.document, &after.document, &settings.pairs);
    let gaps = gaps.map_err(|slip| Error::Settings { path, slip })?;
    Ok(model::Gaps { old: old.named(gaps.old), new: new.named(gaps.new), ..gaps })
}

pub(super) fn toward(side: Side<'_>, style: Option<&str>, apps: &Apps) -> Result<model::Gaps, Failure> {
    let style: Option<Style> = style.map(super::style).transpose()?;
    let style = match style {
        Some(style) => style,
        None => apps.settings(side.path)?.0.target.ok_or(Failure::NothingToCompare)?,
    };
    Ok(gaps::toward(&apps.scan(side.path, side.app)?.document, style))
}
