//! Comments that say a finding is meant: `lantern: orphan-screen is meant: the tablet opens it`.

use crate::model::{Finding, Place};
use crate::source::{SourceFile, SourceTree};
use crate::syntax::comments_with;
use rayon::prelude::*;

/// What such a comment starts with.
const MARK: &str = "lantern:";
/// What stands between the rules and the reason.
const MEANT: &[&str] = &[" is meant", " are meant"];

/// A comment.
#[derive(Debug)]
pub(super) struct Comment {
    /// Where it stands.
    pub(super) at: Place,
    /// The rules that it names.
    pub(super) rules: Vec<String>,
    /// Why; empty where it does not say.
    pub(super) reason: String,
    /// The 1-based line that it is about, besides its own.
    line: u32,
}

impl Comment {
    /// Whether it says of a finding that it is meant.
    pub(super) fn covers(&self, finding: &Finding) -> bool {
        !self.reason.is_empty()
            && finding.at.file == self.at.file
            && (finding.at.line == self.line || finding.at.line == self.at.line)
            && self.rules.contains(&finding.rule)
    }
}

/// All of them in the files that were judged, by file.
pub(super) fn all(sources: &SourceTree, judged: impl Fn(usize) -> bool) -> Vec<Comment> {
    let files: Vec<usize> = (0..sources.files.len()).filter(|&i| judged(i)).collect();
    let each: Vec<Vec<Comment>> = files.par_iter().map(|&i| of_file(&sources.files[i])).collect();
    each.into_iter().flatten().collect()
}

fn of_file(file: &SourceFile) -> Vec<Comment> {
    let comments = comments_with(file, MARK).into_iter();
    comments
        .filter_map(|span| {
            let (rules, reason) = read(file.text.slice(span))?;
            let at = file.text.place(&file.path, span);
            let end = file.text.position(span.end.saturating_sub(1).max(span.start)).0;
            let line = if stands_alone(file, at.line, at.column) { line_after(file, end) } else { at.line };
            Some(Comment { at, rules, reason, line })
        })
        .collect()
}

/// The rules that a comment names, and the reason. A comment that says nothing of what is meant is none.
fn read(comment: &str) -> Option<(Vec<String>, String)> {
    let (_, said) = comment.split_once(MARK)?;
    let (names, reason) = MEANT.iter().find_map(|meant| said.split_once(meant))?;
    let names = names.split([',', ' ', '\n']).map(|name| name.trim_matches(['`', '*', '#', '/']));
    let rules = names.filter(|name| !name.is_empty() && *name != "and").map(str::to_owned).collect();
    let reason = reason.trim_end_matches("-->").trim_end_matches("*/").trim();
    let reason = reason.trim_start_matches([':', ',', '.', '-']).trim_start_matches("because").trim();
    let words = reason.split_whitespace().filter(|word| !["*", "#", "//"].contains(word));
    Some((rules, words.collect::<Vec<_>>().join(" ")))
}

/// Whether nothing but the comment's own signs stands before it in its line.
fn stands_alone(file: &SourceFile, line: u32, column: u32) -> bool {
    let before = file.text.line(line).chars().take(column.saturating_sub(1) as usize);
    before.into_iter().all(|c| c.is_whitespace() || c == '{')
}

/// The first line after a comment that is neither empty nor a comment itself.
fn line_after(file: &SourceFile, last: u32) -> u32 {
    let is_said = |line: &u32| {
        let text = file.text.line(*line).trim_start();
        !text.is_empty() && !["//", "#", "*", "/*", "<!--", "{/*"].iter().any(|mark| text.starts_with(mark))
    };
    let lines = u32::try_from(file.text.line_count()).unwrap_or(u32::MAX);
    (last + 1..=lines).find(is_said).unwrap_or(last)
}
