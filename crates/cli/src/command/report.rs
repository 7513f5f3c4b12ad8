use super::gaps::Side;
use super::{Apps, gaps};
use crate::args::Report;
use crate::format::report;
use crate::output::deliver;
use crate::{Failure, Outcome};

pub(super) fn run(args: &Report, apps: &Apps) -> Result<Outcome, Failure> {
    let own = Side { path: &args.path, app: args.app.as_deref() };
    let gaps = match &args.against {
        Some(old) => Some(gaps::between(Side { path: old, app: None }, own, apps)?),
        None => match gaps::toward(own, args.to.as_deref(), apps) {
            Ok(gaps) => Some(gaps),
            Err(Failure::NothingToCompare) => None,
            Err(other) => return Err(other),
        },
    };
    let scan = apps.scan(&args.path, args.app.as_deref())?;
    let page = report::page(&scan, gaps.as_ref())?;
    deliver(page.as_bytes(), Some(&args.output), false)?;
    Ok(Outcome::Clean)
}
