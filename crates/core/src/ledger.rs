//! The ledger: findings that a team accepts for now. Only new ones count; it grows on request alone.
//!
//! A line a finding, sorted, so that two branches that accept different things merge: the rule, the
//! file, the message and the fingerprint, with tabs between. A finding is known again by its
//! fingerprint; where its file was renamed, by its rule and message.

use crate::document::totals;
use crate::model::{Document, Finding};
use std::collections::BTreeSet;

/// The file's name in the root of the scanned folder.
pub const LEDGER_FILE: &str = "fallow-lantern.ledger";

/// What stands at the head of the file.
const HEAD: &str =
    "# Findings that are accepted for now: rule, file, message, fingerprint. Sorted, a line each.\n";

/// An accepted finding.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub struct Entry {
    /// The rule's name.
    pub rule: String,
    /// Where it was: the path from the scanned root, with `/`.
    pub file: String,
    /// What was wrong.
    pub message: String,
    /// The finding's fingerprint.
    pub fingerprint: String,
}

/// The findings that are accepted.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Ledger {
    entries: BTreeSet<Entry>,
}

/// A line of a ledger that is none.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("line {line} is no entry: a rule, a file, a message and a fingerprint are wanted, with tabs between")]
pub struct LedgerError {
    /// 1-based.
    pub line: usize,
}

impl Ledger {
    /// Reads a ledger.
    ///
    /// # Errors
    /// Where a line is no entry: a merge that was not finished, for one.
    pub fn parse(text: &str) -> Result<Self, LedgerError> {
        let lines = text.lines().enumerate().filter(|(_, line)| !line.is_empty() && !line.starts_with('#'));
        let entries = lines.map(|(at, line)| match line.split('\t').collect::<Vec<_>>().as_slice() {
            [rule, file, message, fingerprint] => Ok(Entry {
                rule: (*rule).to_owned(),
                file: (*file).to_owned(),
                message: (*message).to_owned(),
                fingerprint: (*fingerprint).to_owned(),
            }),
            _ => Err(LedgerError { line: at + 1 }),
        });
        Ok(Self { entries: entries.collect::<Result<_, _>>()? })
    }

    /// A ledger of some findings.
    #[must_use]
    pub fn of<'f>(findings: impl Iterator<Item = &'f Finding>) -> Self {
        Self { entries: findings.map(Entry::of).collect() }
    }

    /// The file's text.
    #[must_use]
    pub fn text(&self) -> String {
        let lines = self
            .entries
            .iter()
            .map(|e| format!("{}\t{}\t{}\t{}\n", e.rule, e.file, e.message, e.fingerprint));
        std::iter::once(HEAD.to_owned()).chain(lines).collect()
    }

    /// How many are accepted.
    #[must_use]
    pub fn len(&self) -> usize {
        self.entries.len()
    }

    /// Whether nothing is accepted.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.entries.is_empty()
    }

    /// Sets the accepted findings of a document apart, and gives the entries whose findings are gone.
    pub fn set_apart(&self, document: &mut Document) -> Vec<Entry> {
        let mut left: Vec<&Entry> = self.entries.iter().collect();
        let mut take = |is_it: &dyn Fn(&Entry) -> bool| {
            left.iter().position(|entry| is_it(entry)).map(|at| left.remove(at)).is_some()
        };
        let exact = |finding: &Finding| {
            let wanted = (finding.rule.clone(), finding.fingerprint.clone());
            move |entry: &Entry| entry.rule == wanted.0 && entry.fingerprint == wanted.1
        };
        let alike = |finding: &Finding| {
            let wanted = (finding.rule.clone(), in_line(&finding.message));
            move |entry: &Entry| entry.rule == wanted.0 && entry.message == wanted.1
        };
        // Whoever stayed where it was is known first.
        let findings = std::mem::take(&mut document.findings);
        let (mut accepted, others): (Vec<Finding>, Vec<Finding>) =
            findings.into_iter().partition(|finding| take(&exact(finding)));
        let (moved, kept): (Vec<Finding>, Vec<Finding>) =
            others.into_iter().partition(|finding| take(&alike(finding)));
        accepted.extend(moved);
        accepted.sort_by(|a, b| (&a.at, &a.rule, &a.message).cmp(&(&b.at, &b.rule, &b.message)));
        document.findings = kept;
        document.accepted = accepted;
        let (files, parsed) = (document.totals.files, document.totals.parsed);
        document.totals = totals(document, files, parsed);
        left.into_iter().cloned().collect()
    }
}

impl Entry {
    fn of(finding: &Finding) -> Self {
        Self {
            rule: finding.rule.clone(),
            file: in_line(&finding.at.file),
            message: in_line(&finding.message),
            fingerprint: finding.fingerprint.clone(),
        }
    }
}

/// Text that stands in one field of a line.
fn in_line(text: &str) -> String {
    text.replace(['\t', '\n', '\r'], " ")
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::fixture;

    fn scanned(path: &str, before: &str, calls: &[&str]) -> Document {
        let calls: String = calls
            .iter()
            .map(|to| format!("    Button(onClick = {{ nav.navigate(\"{to}\") }}) {{}}\n"))
            .collect();
        let app = format!(
            "//- minimal: launcher\n//- {path}\npackage barn\nimport androidx.navigation.compose.*\nclass MainActivity : ComponentActivity() {{ override fun onCreate(b: Bundle?) {{ setContent {{ Host() }} }} }}\n@Composable fun Host() {{\n    val nav = rememberNavController()\n    NavHost(nav, startDestination = \"shelf\") {{ composable(\"shelf\") {{ Shelf(nav) }} }}\n}}\n{before}@Composable fun Shelf(nav: NavController) {{\n{calls}}}\n"
        );
        fixture::scan(fixture::files(&app)).document
    }

    fn undeclared(document: &Document) -> Vec<&str> {
        let of_rule = document.findings.iter().filter(|finding| finding.rule == "undeclared-route");
        of_rule.map(|finding| finding.message.as_str()).collect()
    }

    #[test]
    fn what_is_accepted_stays_so_when_lines_move_files_are_renamed_and_others_come() {
        let ledger = Ledger::of(scanned("Main.kt", "", &["gone", "lost"]).findings.iter());
        for (path, before) in [("Main.kt", ""), ("Main.kt", "\n\n// moved\n"), ("ui/Host.kt", "")] {
            let mut document = scanned(path, before, &["gone", "lost"]);
            assert_eq!(ledger.set_apart(&mut document), [], "{path}");
            assert_eq!(document.findings, [], "{path}");
            assert_eq!(document.accepted.len(), ledger.len());
            assert!(document.totals.findings.is_empty());
        }
        let mut document = scanned("Main.kt", "", &["gone", "new", "lost"]);
        ledger.set_apart(&mut document);
        assert_eq!(undeclared(&document), ["no route or action is called `new`"]);
    }

    #[test]
    fn a_second_one_of_the_same_is_new_and_what_is_mended_is_gone() {
        let ledger = Ledger::of(scanned("Main.kt", "", &["gone", "lost"]).findings.iter());
        let mut document = scanned("Main.kt", "", &["gone", "gone"]);
        let gone = ledger.set_apart(&mut document);
        let messages: Vec<&str> = gone.iter().map(|entry| entry.message.as_str()).collect();
        assert_eq!(messages, ["no route or action is called `lost`"]);
        assert_eq!(undeclared(&document), ["no route or action is called `gone`"]);
    }

    #[test]
    fn the_file_reads_as_it_was_written_and_merges_line_by_line() {
        let first = Ledger::of(scanned("Main.kt", "", &["gone"]).findings.iter());
        let both = Ledger::of(scanned("Main.kt", "", &["gone", "lost"]).findings.iter());
        assert_eq!(Ledger::parse(&both.text()), Ok(both.clone()));
        let text = both.text();
        assert!(first.text().lines().all(|line| text.lines().any(|other| other == line)), "only lines come");
        assert_eq!(Ledger::parse(""), Ok(Ledger::default()));
        assert_eq!(Ledger::parse("# x\n<<<<<<< HEAD\n"), Err(LedgerError { line: 2 }));
    }
}
