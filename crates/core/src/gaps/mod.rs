//! What one side of a migration has and the other lacks: two apps compared, or one app against the
//! style it is moving to.

mod assign;
mod compare;
mod groups;
mod likeness;
mod meaning;
mod pairs;
mod sides;
mod toward;

#[cfg(test)]
mod tests;

pub use toward::toward;

use crate::model::{Document, Gap, Gaps, Pair};
use crate::settings::{Named, SettingsError};
use sides::Side;

/// Pairs that score less than this are for a person to settle.
pub const DOUBT: f64 = 0.7;

/// Compares two apps. `given` names old routes or screens and what each became.
///
/// # Errors
/// When a given pair names what the app does not have.
pub fn compare(old: &Document, new: &Document, given: &[(Named, Named)]) -> Result<Gaps, SettingsError> {
    let (before, after) = (Side::new(old), Side::new(new));
    let pairs = pairs::pair(&before, &after, given)?;
    let groups = groups::pair(&before, &after, &pairs);
    let (mut gaps, progress) = compare::differences(&before, &after, &pairs, &groups);
    sort(&mut gaps);
    let mut listed: Vec<Pair> = pairs.list.clone();
    listed.extend(groups.list());
    listed.sort_by(|a, b| (&a.old, &a.new).cmp(&(&b.old, &b.new)));
    Ok(Gaps {
        format: "fallow-lantern/gaps".to_owned(),
        version: 1,
        old: old.root.clone(),
        new: new.root.clone(),
        pairs: listed,
        gaps,
        progress,
        order: Vec::new(),
        modules: Vec::new(),
    })
}

fn sort(gaps: &mut [Gap]) {
    gaps.sort_by(|a, b| (a.kind, &a.at, &a.old, &a.new).cmp(&(b.kind, &b.at, &b.old, &b.new)));
}
