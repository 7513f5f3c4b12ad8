//! Rules: each looks at the linked graph and says what is wrong, in one file of its own. To add one,
//! add its file and its line in [`RULES`].

mod argument_missing;
mod argument_type;
mod argument_unknown;
mod argument_unread;
mod argument_unsupplied;
mod back_too_far;
mod duplicate_route;
mod fallback_missing;
mod generated_stale;
mod hard_coded_key;
mod hard_coded_route;
mod host_unwired;
pub(crate) mod idle_comment;
mod older_style;
mod optional_forced;
mod orphan_screen;
mod out_of_scope_route;
mod result_unmatched;
mod screen_missing;
mod shadowed_route;
mod start_missing;
mod undeclared_route;
mod unreachable_route;
mod unused_name;
mod wiring_slip;

#[cfg(test)]
mod back_tests;
#[cfg(test)]
mod doubt_tests;
#[cfg(test)]
mod silence_tests;
#[cfg(test)]
pub(crate) mod testing;
#[cfg(test)]
mod unwired_tests;

use crate::facts::{At, RouteId};
use crate::link::{Doubt, Graph, doubted};
use crate::model::{Finding, Related, Severity, Style, Unsaid};
use rustc_hash::FxHashMap;
use std::collections::BTreeSet;
use xxhash_rust::xxh3::xxh3_64;

/// A rule: what it is called, why it matters, how to mend what it reports, and how it looks.
#[derive(Debug)]
pub struct Rule {
    /// Its name, which is its file's with dashes.
    pub name: &'static str,
    /// How bad what it reports is, where a finding does not say otherwise.
    pub severity: Severity,
    /// What kind of thing it says.
    pub says: Says,
    /// When it reports, in one sentence.
    pub summary: &'static str,
    /// Why that matters.
    pub why: &'static str,
    /// What to do about it.
    pub mend: &'static str,
    /// Source that it reports, and the same source mended.
    pub example: Example,
    /// Looks at the graph.
    pub check: fn(&Graph<'_>, &mut Sink),
}

/// What kind of thing a rule says, for a place that several apps have.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Says {
    /// Something is there that is wrong: in one app is enough.
    Presence,
    /// Something is nowhere: no app may have it.
    Absence,
}

/// What kind of thing the rule of a name says.
pub(crate) fn says(rule: &str) -> Says {
    RULES.iter().find(|known| known.name == rule).map_or(Says::Presence, |rule| rule.says)
}

/// A slip and its mending.
#[derive(Debug)]
pub struct Example {
    /// What is reported.
    pub wrong: &'static str,
    /// What is not.
    pub right: &'static str,
}

/// Every rule, by name.
pub const RULES: &[&Rule] = &[
    &argument_missing::RULE,
    &argument_type::RULE,
    &argument_unknown::RULE,
    &argument_unread::RULE,
    &argument_unsupplied::RULE,
    &back_too_far::RULE,
    &duplicate_route::RULE,
    &fallback_missing::RULE,
    &generated_stale::RULE,
    &hard_coded_key::RULE,
    &hard_coded_route::RULE,
    &host_unwired::RULE,
    &idle_comment::RULE,
    &older_style::RULE,
    &optional_forced::RULE,
    &orphan_screen::RULE,
    &out_of_scope_route::RULE,
    &result_unmatched::RULE,
    &screen_missing::RULE,
    &shadowed_route::RULE,
    &start_missing::RULE,
    &undeclared_route::RULE,
    &unreachable_route::RULE,
    &unused_name::RULE,
    &wiring_slip::RULE,
];

/// The rules whose names are spelled most like a word.
#[must_use]
pub fn nearest_rules(word: &str) -> Vec<String> {
    crate::names::nearest(word, RULES.iter().map(|rule| rule.name))
}

/// What a rule says about one place.
#[derive(Debug)]
pub struct Report {
    /// Where.
    pub at: At,
    /// What it is about: the name that stays when lines move.
    pub subject: String,
    /// What is wrong.
    pub message: String,
    /// What to do, where more can be said than the rule says in general.
    pub help: Option<String>,
    /// Other places that belong to it.
    pub related: Vec<(String, At)>,
    /// Where it is worse or better than the rule is in general.
    pub severity: Option<Severity>,
    /// What could not be understood and would make it wrong.
    pub unless: Vec<Doubt>,
}

impl Report {
    /// A report without anything beside it.
    #[must_use]
    pub fn new(at: At, subject: &str, message: String) -> Self {
        Self {
            at,
            subject: subject.to_owned(),
            message,
            help: None,
            related: Vec::new(),
            severity: None,
            unless: Vec::new(),
        }
    }

    /// Says what to do.
    #[must_use]
    pub fn help(self, help: impl Into<String>) -> Self {
        Self { help: Some(help.into()), ..self }
    }

    /// Says what would make it wrong.
    #[must_use]
    pub fn unless(mut self, doubts: Vec<Doubt>) -> Self {
        self.unless.extend(doubts);
        self
    }

    /// The message with what would make it wrong.
    fn said(&self) -> String {
        match doubted(&self.unless) {
            Some(doubt) => format!("{}, unless {doubt}", self.message),
            None => self.message.clone(),
        }
    }

    /// Names another place.
    #[must_use]
    pub fn related(mut self, message: impl Into<String>, at: At) -> Self {
        self.related.push((message.into(), at));
        self
    }
}

/// Collects what rules report.
#[derive(Debug, Default)]
pub struct Sink {
    reports: Vec<Report>,
    unsaid: BTreeSet<(Style, String)>,
}

impl Sink {
    /// Takes a report.
    pub fn push(&mut self, report: Report) {
        self.reports.push(report);
    }

    /// Whether nothing may be said of a route, since most calls of its style are decided at run time.
    /// That is remembered.
    pub fn is_beyond(&mut self, route: RouteId, graph: &Graph<'_>) -> bool {
        let beyond = graph.is_beyond_saying(route);
        if beyond {
            let reason = "most of its calls are decided at run time".to_owned();
            self.unsaid.insert((graph.routes[route].fact.style, reason));
        }
        beyond
    }
}

/// Runs every rule. Findings come sorted by place, then by rule; beside them, what could not be said.
#[must_use]
pub fn judge(graph: &Graph<'_>) -> (Vec<Finding>, Vec<Unsaid>) {
    // What is nowhere in a library may be in what uses it.
    let known = RULES.iter().filter(|rule| !(graph.exported && rule.says == Says::Absence));
    let mut findings: Vec<Finding> = Vec::new();
    let mut unsaid: Vec<Unsaid> = Vec::new();
    for rule in known {
        let mut sink = Sink::default();
        (rule.check)(graph, &mut sink);
        unsaid.extend(std::mem::take(&mut sink.unsaid).into_iter().map(|(style, reason)| Unsaid {
            rule: rule.name.to_owned(),
            style,
            reason,
            apps: Vec::new(),
        }));
        findings.extend(told(rule, sink, graph));
    }
    findings.sort_by(|a, b| (&a.at, &a.rule, &a.message).cmp(&(&b.at, &b.rule, &b.message)));
    (findings, unsaid)
}

/// What a rule reported, as findings.
fn told(rule: &Rule, mut sink: Sink, graph: &Graph<'_>) -> Vec<Finding> {
    sink.reports.sort_by(|a, b| (a.at, &a.subject).cmp(&(b.at, &b.subject)));
    // Of several of one subject in one file, the first, second… keep their number.
    let mut seen: FxHashMap<(String, String), usize> = FxHashMap::default();
    let findings = sink.reports.into_iter().map(|report| {
        let at = graph.place(report.at);
        let count = seen.entry((at.file.clone(), report.subject.clone())).or_default();
        *count += 1;
        let identity = format!("{}\0{}\0{}\0{count}", rule.name, at.file, report.subject);
        Finding {
            rule: rule.name.to_owned(),
            severity: match report.severity.unwrap_or(rule.severity) {
                severity if report.unless.is_empty() => severity,
                severity => severity.lower(),
            },
            message: report.said(),
            unless: placed(graph, report.unless.into_iter().map(|doubt| (doubt.to_string(), doubt.at))),
            help: report.help.unwrap_or_else(|| rule.mend.to_owned()),
            at,
            related: placed(graph, report.related.into_iter()),
            apps: Vec::new(),
            fingerprint: format!("{:016x}", xxh3_64(identity.as_bytes())),
        }
    });
    findings.collect()
}

fn placed(graph: &Graph<'_>, places: impl Iterator<Item = (String, At)>) -> Vec<Related> {
    places.map(|(message, at)| Related { message, at: graph.place(at) }).collect()
}

/// `a`, `b` or `c`.
fn listed(names: &[String]) -> String {
    let quoted: Vec<String> = names.iter().map(|name| format!("`{name}`")).collect();
    match quoted.as_slice() {
        [] => String::new(),
        [one] => one.clone(),
        [first @ .., last] => format!("{} or {last}", first.join(", ")),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn rules_are_sorted_and_named_for_their_files() {
        let names: Vec<_> = RULES.iter().map(|rule| rule.name).collect();
        assert!(names.is_sorted(), "{names:?}");
        let folder = concat!(env!("CARGO_MANIFEST_DIR"), "/src/rules");
        let mut files: Vec<String> = std::fs::read_dir(folder)
            .expect("the folder of rules")
            .map(|entry| {
                entry.expect("an entry").file_name().to_string_lossy().replace(".rs", "").replace('_', "-")
            })
            .filter(|name| {
                !["examples", "mod", "testing"].contains(&name.as_str()) && !name.ends_with("-tests")
            })
            .collect();
        files.sort();
        assert_eq!(files, names);
    }
}
