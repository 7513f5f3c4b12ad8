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
use ignore::gitignore::{Gitignore, GitignoreBuilder};
use std::path::Path;

/// Sets apart what is meant, and puts severities as they are settled.
/// `judged` says of a file whether it was looked at; `whole` whether all of the tree was.
pub(crate) fn apply(
    document: &mut Document,
    sources: &SourceTree,
    settings: &Settings,
    judged: impl Fn(usize) -> bool,
    whole: bool,
) {
    let comments = comments::all(sources, judged);
    let paths: Vec<Option<Gitignore>> = settings.meant.iter().map(matcher).collect();
    let mut used = vec![false; comments.len()];
    let mut settled_used = vec![false; settings.meant.len()];
    let mut kept = Vec::new();
    for finding in std::mem::take(&mut document.findings) {
        let by_comment = mark(&mut used, |at| comments[at].covers(&finding));
        let by_settings =
            mark(&mut settled_used, |at| is_settled(&settings.meant[at], paths[at].as_ref(), &finding));
        let comment = by_comment.map(|at| (comments[at].reason.clone(), Some(comments[at].at.clone())));
        let reason =
            comment.or_else(|| by_settings.map(|at| (settings.meant[at].because.name.clone(), None)));
        match reason {
            Some((because, said_at)) => document.meant.push(Meant { finding, because, said_at }),
            None => kept.push(finding),
        }
    }
    kept.extend(comments.iter().zip(used).filter_map(|(comment, used)| idle(comment, used)));
    let idle_settled = settings.meant.iter().zip(settled_used).filter(|(_, used)| whole && !used);
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

fn is_settled(meant: &MeantHere, path: Option<&Gitignore>, finding: &Finding) -> bool {
    let rule = meant.rule.as_ref().is_none_or(|rule| rule.name == finding.rule);
    let route =
        meant.route.as_ref().is_none_or(|route| finding.message.contains(&format!("`{}`", route.name)));
    let file = Path::new(&finding.at.file);
    let path = path.is_none_or(|path| path.matched_path_or_any_parents(file, false).is_ignore());
    rule && route && path
}

/// What is under the path that an entry names, as an ignore file writes it; a path that is none has nothing
/// under it.
fn matcher(meant: &MeantHere) -> Option<Gitignore> {
    let path = meant.path.as_ref()?;
    let mut builder = GitignoreBuilder::new("");
    let added = builder.add_line(None, &path.name).is_ok();
    Some(builder.build().ok().filter(|_| added).unwrap_or_else(Gitignore::empty))
}

/// Marks every one that names a finding, not the first alone: none of them is idle. The first is returned.
fn mark(used: &mut [bool], names: impl Fn(usize) -> bool) -> Option<usize> {
    let naming: Vec<usize> = (0..used.len()).filter(|&at| names(at)).collect();
    naming.iter().for_each(|&at| used[at] = true);
    naming.first().copied()
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
