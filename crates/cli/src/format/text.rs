//! A scan for people: what is in here, where it starts, then the findings, worst first.

use super::plain;
use super::rules::fill;
use super::tables::{screen_name, table, write_table};
use crate::look::Look;
use annotate_snippets::{AnnotationKind, Group, Level, Renderer, Snippet, renderer::DecorStyle};
use fallow_lantern_core::Scan;
use fallow_lantern_core::explain::sayings;
use fallow_lantern_core::model::{CallStatus, Document, Finding, Place, Severity, Style};
use fallow_lantern_core::names::count;
use fallow_lantern_core::rules::{RULES, Rule};
use fallow_lantern_core::source::SourceTree;
use std::io::{self, Write};

/// The whole of it.
pub(crate) fn scan(scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let document = &scan.document;
    overview(document, look, out)?;
    starts(document, look, out)?;
    skipped(document, look, out)?;
    findings(scan, look, out)
}

/// What is in here and how much is wrong with it, without the findings themselves.
pub(crate) fn summary(scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    overview(&scan.document, look, out)?;
    starts(&scan.document, look, out)?;
    writeln!(out, "\nFindings  {}", counted(&scan.document))
}

fn overview(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    let totals = &document.totals;
    writeln!(out, "{strong}{}{strong:#}", plain(&document.root))?;
    writeln!(
        out,
        "{}, {}, {}, {} in {} ({} parsed)",
        count(document.modules.len(), "module"),
        count(totals.screens, "screen"),
        count(totals.routes, "route"),
        count(totals.calls, "call"),
        count(totals.files, "file"),
        totals.parsed,
    )?;
    for (status, what) in
        [(CallStatus::Dynamic, "decided at run time"), (CallStatus::External, "out of the app")]
    {
        let number = totals.calls_by_status.get(&status).copied().unwrap_or_default();
        if number > 0 {
            writeln!(out, "{} {what}", count(number, "call"))?;
        }
    }
    if totals.routes + totals.calls == 0 {
        return writeln!(out, "\nNo navigation of a known style was found in it.");
    }
    writeln!(out)?;
    let mut rows = table(&["module", "platform", "style", "routes", "calls"], look);
    for module in &document.modules {
        for (i, style) in module.styles.iter().enumerate() {
            let within = |at: &Place| document.module_of(&at.file) == Some(&module.path);
            let routes =
                document.routes.iter().filter(|route| route.style == *style && within(&route.at)).count();
            let calls = document.calls.iter().filter(|call| call.style == *style && within(&call.at)).count();
            let (path, platform) = if i == 0 {
                (plain(&module.path).into_owned(), module.platform.as_str())
            } else {
                (String::new(), "")
            };
            rows.add_row([
                path,
                platform.to_owned(),
                style.to_string(),
                routes.to_string(),
                calls.to_string(),
            ]);
        }
    }
    write_table(&rows, out)
}

fn starts(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    let first = document.routes.iter().filter(|route| route.start);
    let starts: Vec<String> = first
        .map(|route| match &route.parent {
            Some(parent) => {
                let group = document
                    .routes
                    .iter()
                    .find(|other| other.id == *parent)
                    .map_or("", |other| other.name.as_str());
                format!(
                    "{} ({}), first in {}",
                    route.name,
                    screen_name(document, route.screen.as_ref()),
                    group
                )
            }
            None if route.name == screen_name(document, route.screen.as_ref()) => route.name.clone(),
            None => format!("{} ({})", route.name, screen_name(document, route.screen.as_ref())),
        })
        .collect();
    let links: Vec<String> = document
        .routes
        .iter()
        .flat_map(|route| route.deep_links.iter().map(move |link| format!("{link}  →  {}", route.name)))
        .collect();
    for (title, lines) in [("Starts", starts), ("Deep links", links)] {
        if !lines.is_empty() {
            writeln!(out, "\n{strong}{title}{strong:#}")?;
            for line in lines {
                writeln!(out, "  {}", plain(&line))?;
            }
        }
    }
    Ok(())
}

fn skipped(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if document.skipped.is_empty() {
        return Ok(());
    }
    let strong = look.strong();
    writeln!(out, "\n{strong}Left out, or read only in part{strong:#}")?;
    for skipped in &document.skipped {
        let line = format!("{}: {}", plain(&skipped.path), plain(&skipped.reason));
        writeln!(out, "  {}", fill(&line, look.width.saturating_sub(2), "    "))?;
    }
    Ok(())
}

fn findings(scan: &Scan, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let document = &scan.document;
    let strong = look.strong();
    if document.findings.is_empty() {
        return writeln!(out, "\nNothing to report.");
    }
    writeln!(out, "\n{strong}Findings{strong:#}  {}\n", counted(document))?;
    let mut worst_first: Vec<&Finding> = document.findings.iter().collect();
    worst_first.sort_by_key(|finding| std::cmp::Reverse(finding.severity));
    for finding in worst_first {
        write_finding(finding, scan, look, out)?;
    }
    writeln!(out, "{}", counted(document))
}

fn counted(document: &Document) -> String {
    let of = |severity: &Severity| document.totals.findings.get(severity).copied().unwrap_or_default();
    let parts = [Severity::Error, Severity::Warning, Severity::Note];
    let parts = parts
        .iter()
        .filter(|severity| of(severity) > 0)
        .map(|severity| count(of(severity), severity.as_str()));
    parts.collect::<Vec<_>>().join(", ")
}

pub(super) fn write_finding(
    finding: &Finding,
    scan: &Scan,
    look: Look,
    out: &mut dyn Write,
) -> io::Result<()> {
    let sources = &scan.sources;
    let level = match finding.severity {
        Severity::Error => Level::ERROR,
        Severity::Warning => Level::WARNING,
        Severity::Note => Level::NOTE,
    };
    let message = plain(&finding.message).into_owned();
    let mut group: Group<'_> = level
        .primary_title(message)
        .id(finding.rule.as_str())
        .elements([snippet(sources, &finding.at, None, AnnotationKind::Primary)].into_iter().flatten());
    for related in finding.related.iter().take(3) {
        let text = plain(&related.message).into_owned();
        group = group.elements(snippet(sources, &related.at, Some(text), AnnotationKind::Context));
    }
    let renderer = if look.color { Renderer::styled() } else { Renderer::plain() };
    let rendered = renderer.decor_style(DecorStyle::Unicode).term_width(look.width).render(&[group]);
    writeln!(out, "{}", rendered.trim_end())?;
    let rule = RULES.iter().find(|rule| rule.name == finding.rule);
    let faint = look.faint();
    if let Some(rule) = rule {
        let why = why(rule, &styles_at(&finding.at, &scan.document));
        writeln!(out, "  {faint}why{faint:#}  {}", fill(&why, look.width.saturating_sub(7), "       "))?;
    }
    if !finding.unless.is_empty() {
        let places =
            finding.unless.iter().take(3).map(|doubt| format!("{}:{}", doubt.at.file, doubt.at.line));
        let mut places = places.collect::<Vec<_>>().join(", ");
        if finding.unless.len() > 3 {
            places.push_str(&format!(" and {} more", finding.unless.len() - 3));
        }
        writeln!(out, "  {faint}unless{faint:#}  {places}")?;
    }
    writeln!(
        out,
        "  {faint}do{faint:#}   {}\n",
        fill(&plain(&finding.help), look.width.saturating_sub(7), "       ")
    )
}

/// A rule's reason, with what the styles at hand add to it.
fn why(rule: &Rule, styles: &[Style]) -> String {
    let said = sayings(rule.name, styles).into_iter().map(|(_, why)| why);
    std::iter::once(rule.why).chain(said).collect::<Vec<_>>().join(" ")
}

/// The styles of the innermost module around a place.
fn styles_at(at: &Place, document: &Document) -> Vec<Style> {
    let around = document.modules.iter().filter(|module| {
        module.path == "." || at.file.strip_prefix(&module.path).is_some_and(|rest| rest.starts_with('/'))
    });
    around.max_by_key(|module| module.path.len()).map(|module| module.styles.clone()).unwrap_or_default()
}

/// The first line of a place, marked.
fn snippet<'s>(
    sources: &'s SourceTree,
    at: &'s Place,
    label: Option<String>,
    kind: AnnotationKind,
) -> Option<Snippet<'s, annotate_snippets::Annotation<'s>>> {
    let file = sources.files.iter().find(|file| file.path == at.file)?;
    let line = file.text.line(at.line);
    let byte = |column: u32| line.char_indices().nth(column as usize - 1).map_or(line.len(), |(i, _)| i);
    let start = byte(at.column);
    let end = if at.end_line == at.line { byte(at.end_column) } else { line.len() };
    let annotation = kind.span(start..end.max(start)).label(label);
    Some(Snippet::source(line).line_start(at.line as usize).path(at.file.as_str()).annotation(annotation))
}
