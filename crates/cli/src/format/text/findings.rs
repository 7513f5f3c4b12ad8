//! Findings for people: one block for one cause, worst first.

use super::super::plain;
use super::super::rules::fill;
use crate::look::Look;
use annotate_snippets::{AnnotationKind, Group, Level, Renderer, Snippet, renderer::DecorStyle};
use fallow_lantern_core::Scan;
use fallow_lantern_core::explain::sayings;
use fallow_lantern_core::model::{CallStatus, Document, Finding, Place, Related, Severity, Style};
use fallow_lantern_core::names::count;
use fallow_lantern_core::rules::{RULES, Rule};
use fallow_lantern_core::source::SourceTree;
use std::cmp::Reverse;
use std::collections::{BTreeMap, BTreeSet};
use std::io::{self, Write};

/// Of the places beside a finding as many are shown.
const SHOWN: usize = 3;

/// Writes errors and warnings, and notes where they are asked for.
pub(super) fn write(scan: &Scan, notes: bool, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let document = &scan.document;
    let strong = look.strong();
    if document.findings.is_empty() {
        let all =
            document.skipped.is_empty() && !document.calls.iter().any(|c| c.status == CallStatus::Dynamic);
        let of = if all { "" } else { " of what was understood" };
        return writeln!(out, "\nNothing to report{of}.");
    }
    writeln!(out, "\n{strong}Findings{strong:#}  {}\n", counted(document))?;
    let shown = |finding: &&Finding| notes || finding.severity > Severity::Note;
    blocks(&document.findings.iter().filter(shown).collect::<Vec<_>>(), scan, look, out)?;
    if !notes {
        hidden(document, look, out)?;
    }
    writeln!(out, "{}", counted(document))
}

/// How many of each severity there are.
pub(super) fn counted(document: &Document) -> String {
    let of = |severity: &Severity| document.totals.findings.get(severity).copied().unwrap_or_default();
    let parts = [Severity::Error, Severity::Warning, Severity::Note];
    let parts = parts.iter().filter(|severity| of(severity) > 0);
    let parts: Vec<String> = parts.map(|severity| count(of(severity), severity.as_str())).collect();
    if parts.is_empty() { "none".to_owned() } else { parts.join(", ") }
}

/// Notes by rule.
fn hidden(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let mut rules: BTreeMap<&str, usize> = BTreeMap::new();
    for finding in document.findings.iter().filter(|finding| finding.severity == Severity::Note) {
        *rules.entry(&finding.rule).or_default() += 1;
    }
    if rules.is_empty() {
        return Ok(());
    }
    let counted: Vec<String> = rules.iter().map(|(rule, number)| format!("{number} {rule}")).collect();
    let text = format!("Notes, shown with --notes: {}", counted.join(", "));
    writeln!(out, "{}\n", fill(&text, look.width, "  "))
}

/// What one rule says in the same words of several places.
struct Block<'f> {
    findings: Vec<&'f Finding>,
}

/// Writes findings by cause, the worst first; why a rule matters is said once for all of its blocks.
pub(crate) fn blocks(findings: &[&Finding], scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let mut by_cause: BTreeMap<(Reverse<Severity>, &str, &str), Block<'_>> = BTreeMap::new();
    for &finding in findings {
        let cause = (Reverse(finding.severity), finding.rule.as_str(), finding.message.as_str());
        by_cause.entry(cause).or_insert_with(|| Block { findings: Vec::new() }).findings.push(finding);
    }
    let mut blocks: Vec<Block<'_>> = by_cause.into_values().collect();
    blocks.sort_by(|a, b| a.place().cmp(&b.place()));
    let mut explained = BTreeSet::new();
    for block in &blocks {
        block.write(explained.insert(block.first().rule.as_str()), scan, look, out)?;
    }
    Ok(())
}

impl<'f> Block<'f> {
    fn first(&self) -> &'f Finding {
        self.findings[0]
    }

    /// Where a block comes: by severity, by rule, then by its first place.
    fn place(&self) -> (Reverse<Severity>, &'f str, &'f Place) {
        let first = self.first();
        (Reverse(first.severity), &first.rule, &first.at)
    }

    fn write(&self, with_why: bool, scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
        let first = self.first();
        writeln!(out, "{}", self.rendered(&scan.sources, look).trim_end())?;
        let rule = RULES.iter().find(|rule| rule.name == first.rule).filter(|_| with_why);
        if let Some(rule) = rule {
            line("why", &why(rule, &styles_at(&first.at, &scan.document)), look, out)?;
        }
        let unless: Vec<&Related> = self.findings.iter().flat_map(|finding| &finding.unless).collect();
        if !unless.is_empty() {
            line("unless", &places(&unless), look, out)?;
        }
        let apps: BTreeSet<&str> = self.findings.iter().flat_map(|f| &f.apps).map(String::as_str).collect();
        if !apps.is_empty() {
            line("only in", &apps.into_iter().collect::<Vec<_>>().join(", "), look, out)?;
        }
        let mut helps: Vec<&str> = Vec::new();
        for finding in &self.findings {
            if !helps.contains(&finding.help.as_str()) {
                helps.push(&finding.help);
            }
        }
        helps.iter().try_for_each(|help| line("do", help, look, out))?;
        writeln!(out)
    }

    fn rendered(&self, sources: &SourceTree, look: Look) -> String {
        let first = self.first();
        let level = match first.severity {
            Severity::Error => Level::ERROR,
            Severity::Warning => Level::WARNING,
            Severity::Note => Level::NOTE,
        };
        let message = plain(&first.message).into_owned();
        let primary = self.findings.iter();
        let primary = primary.filter_map(|f| snippet(sources, &f.at, None, AnnotationKind::Primary));
        let mut group: Group<'_> = level.primary_title(message).id(first.rule.as_str()).elements(primary);
        for related in self.related() {
            let text = plain(&related.message).into_owned();
            group = group.elements(snippet(sources, &related.at, Some(text), AnnotationKind::Context));
        }
        let renderer = if look.color { Renderer::styled() } else { Renderer::plain() };
        renderer.decor_style(DecorStyle::Unicode).term_width(look.width).render(&[group])
    }

    /// Places beside, each once, without those that are findings themselves.
    fn related(&self) -> Vec<&'f Related> {
        let mut related: Vec<&Related> = Vec::new();
        for one in self.findings.iter().flat_map(|finding| &finding.related) {
            let known = related.iter().any(|other| other.at == one.at)
                || self.findings.iter().any(|finding| finding.at == one.at);
            if !known {
                related.push(one);
            }
        }
        related.truncate(SHOWN);
        related
    }
}

fn line(title: &str, text: &str, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let faint = look.faint();
    let indent = " ".repeat(title.len().max(3) + 4);
    let width = look.width.saturating_sub(indent.len());
    writeln!(out, "  {faint}{title:<3}{faint:#}  {}", fill(&plain(text), width, &indent))
}

fn places(doubts: &[&Related]) -> String {
    let mut places: Vec<String> = Vec::new();
    for doubt in doubts {
        let place = format!("{}:{}", doubt.at.file, doubt.at.line);
        if !places.contains(&place) {
            places.push(place);
        }
    }
    let more = places.len().saturating_sub(SHOWN);
    let shown = places[..places.len() - more].join(", ");
    if more > 0 { format!("{shown} and {more} more") } else { shown }
}

/// A rule's reason, with what the styles at hand add to it.
fn why(rule: &Rule, styles: &[Style]) -> String {
    let said = sayings(rule.name, styles).into_iter().map(|(_, why)| why);
    std::iter::once(rule.why).chain(said).collect::<Vec<_>>().join(" ")
}

/// The styles of the innermost module around a place.
fn styles_at(at: &Place, document: &Document) -> Vec<Style> {
    let path = document.module_of(&at.file);
    let module = document.modules.iter().find(|module| Some(module.path.as_str()) == path);
    module.map(|module| module.styles.clone()).unwrap_or_default()
}

/// The first line of a place, marked.
fn snippet<'s>(
    sources: &'s SourceTree,
    at: &'s Place,
    label: Option<String>,
    kind: AnnotationKind,
) -> Option<Snippet<'s, annotate_snippets::Annotation<'s>>> {
    let file = &sources.files[sources.file_at(&at.file)? as usize];
    let line = file.text.line(at.line);
    let byte = |column: u32| line.char_indices().nth(column as usize - 1).map_or(line.len(), |(i, _)| i);
    let start = byte(at.column);
    let end = if at.end_line == at.line { byte(at.end_column) } else { line.len() };
    let annotation = kind.span(start..end.max(start)).label(label);
    Some(Snippet::source(line).line_start(at.line as usize).path(at.file.as_str()).annotation(annotation))
}
