//! What a team says is meant: findings that a comment or the settings name, each with its reason. They
//! are kept apart from the others; what says that of nothing is told.

mod comments;

#[cfg(test)]
mod tests;

use crate::document::totals;
use crate::model::{Document, Finding, Meant, Place, Severity};
use crate::names::nearest;
use crate::rules::{RULES, idle_comment};
use crate::settings::{MeantHere, SETTINGS_FILE, Settings};
use crate::source::SourceTree;
use comments::Comment;
use ignore::gitignore::GitignoreBuilder;
use std::path::Path;

/// Sets apart what is meant, and puts severities as they are settled.
pub(crate) fn apply(document: &mut Document, sources: &SourceTree, settings: &Settings) {
    let comments = comments::all(sources);
    let mut used = vec![false; comments.len()];
    let mut settled_used = vec![false; settings.meant.len()];
    let mut kept = Vec::new();
    for finding in std::mem::take(&mut document.findings) {
        let by = comments.iter().position(|comment| comment.covers(&finding));
        let reason = match by {
            Some(by) => {
                used[by] = true;
                Some((comments[by].reason.clone(), Some(comments[by].at.clone())))
            }
            None => settings.meant.iter().position(|meant| is_settled(meant, &finding)).map(|at| {
                settled_used[at] = true;
                (settings.meant[at].because.name.clone(), None)
            }),
        };
        match reason {
            Some((because, said_at)) => document.meant.push(Meant { finding, because, said_at }),
            None => kept.push(finding),
        }
    }
    kept.extend(comments.iter().zip(used).filter_map(|(comment, used)| idle(comment, used)));
    let idle_settled = settings.meant.iter().zip(settled_used).filter(|(_, used)| !used);
    kept.extend(idle_settled.map(|(meant, _)| idle_setting(meant)));
    kept.retain_mut(|finding| settle(finding, settings));
    kept.sort_by(|a, b| (&a.at, &a.rule, &a.message).cmp(&(&b.at, &b.rule, &b.message)));
    document.findings = kept;
    let (files, parsed) = (document.totals.files, document.totals.parsed);
    document.totals = totals(document, files, parsed);
}

/// Puts a finding's severity as it is settled for its rule; `false` where the rule is off.
fn settle(finding: &mut Finding, settings: &Settings) -> bool {
    match settings.severities.iter().find(|(rule, _)| rule.name == finding.rule) {
        Some((_, Some(severity))) => {
            // What is doubted stays below what is sure.
            finding.severity = if finding.unless.is_empty() { *severity } else { severity.lower() };
            true
        }
        Some((_, None)) => false,
        None => true,
    }
}

fn is_settled(meant: &MeantHere, finding: &Finding) -> bool {
    let rule = meant.rule.as_ref().is_none_or(|rule| rule.name == finding.rule);
    let route =
        meant.route.as_ref().is_none_or(|route| finding.message.contains(&format!("`{}`", route.name)));
    let path = meant.path.as_ref().is_none_or(|path| is_under(&path.name, &finding.at));
    rule && route && path
}

/// Whether a place is under a path as an ignore file writes it.
fn is_under(pattern: &str, at: &Place) -> bool {
    let mut builder = GitignoreBuilder::new("");
    let added = builder.add_line(None, pattern).is_ok();
    let matcher = builder.build().ok().filter(|_| added);
    matcher.is_some_and(|matcher| matcher.matched_path_or_any_parents(Path::new(&at.file), false).is_ignore())
}

/// What is wrong with a comment that says something is meant.
fn idle(comment: &Comment, used: bool) -> Option<Finding> {
    let unknown = comment.rules.iter().find(|rule| RULES.iter().all(|known| known.name != *rule));
    let (message, near) = match unknown {
        _ if comment.rules.is_empty() => ("this comment names no rule".to_owned(), Vec::new()),
        Some(rule) => {
            let near = nearest(rule, RULES.iter().map(|rule| rule.name));
            (format!("there is no rule `{rule}`"), near)
        }
        None if comment.reason.is_empty() => ("this comment gives no reason".to_owned(), Vec::new()),
        None if !used => {
            let names = comment.rules.join("`, `");
            (format!("nothing here is reported by `{names}` any more"), Vec::new())
        }
        None => return None,
    };
    Some(idle_comment::finding(comment.at.clone(), message, &near))
}

/// What the settings say of nothing that is found.
fn idle_setting(meant: &MeantHere) -> Finding {
    let (line, column) = meant.because.at;
    let at = Place { file: SETTINGS_FILE.to_owned(), line, column, end_line: line, end_column: column };
    let message = format!("nothing is found that line {line} of {SETTINGS_FILE} says is meant");
    idle_comment::finding(at, message, &[])
}

/// How bad a severity's name says that something is; `None` for `off`.
pub(crate) fn severity_named(name: &str) -> Option<Option<Severity>> {
    Some(match name {
        "error" => Some(Severity::Error),
        "warning" => Some(Severity::Warning),
        "note" => Some(Severity::Note),
        "off" => None,
        _ => return None,
    })
}
