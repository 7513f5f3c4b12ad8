//! Gaps for people: as text, and as a page in Markdown.

use super::plain;
use super::rules::fill;
use super::tables::{place, table, write_table};
use crate::look::Look;
use fallow_lantern_core::model::{Done, Gap, GapKind, Gaps, Pair};
use fallow_lantern_core::names::count;
use std::io::{self, Write};

/// What is counted, under its name.
fn counted(gaps: &Gaps) -> Vec<(&'static str, Done)> {
    let progress = &gaps.progress;
    let all = [
        ("screens", progress.screens),
        ("routes", progress.routes),
        ("parameters", progress.arguments),
        (if gaps.modules.is_empty() { "hops" } else { "calls" }, progress.hops),
        ("deep links", progress.deep_links),
        ("results", progress.results),
    ];
    all.into_iter().filter(|(_, done)| done.of > 0).collect()
}

fn share(done: Done) -> String {
    let percent = (done.done * 100).checked_div(done.of).unwrap_or(100);
    format!("{} of {} ({percent} %)", done.done, done.of)
}

/// The kinds of gaps in order, with what a reader calls them.
const KINDS: &[(GapKind, &str)] = &[
    (GapKind::Start, "Begins elsewhere"),
    (GapKind::Route, "Routes that are missing"),
    (GapKind::Screen, "Screens that are missing"),
    (GapKind::Argument, "Parameters that are missing or renamed"),
    (GapKind::ArgumentType, "Parameters of another type"),
    (GapKind::ArgumentRequired, "Parameters that must be passed now"),
    (GapKind::Hop, "Hops that are missing"),
    (GapKind::DeepLink, "Deep links that are missing"),
    (GapKind::Result, "Results that are missing"),
    (GapKind::Extra, "Only in the new app"),
    (GapKind::OlderRoute, "Routes still in another style"),
    (GapKind::OlderCall, "Calls still in another style"),
    (GapKind::Blocked, "In the way"),
];

fn of_kind(gaps: &Gaps, kind: GapKind) -> Vec<&Gap> {
    gaps.gaps.iter().filter(|gap| gap.kind == kind).collect()
}

/// How far the move is, and what to move next.
pub(crate) fn summary(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    progress(gaps, look, out)?;
    order(gaps, look, out)
}

fn progress(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    writeln!(out, "{strong}{} → {}{strong:#}", plain(&gaps.old), plain(&gaps.new))?;
    for (what, done) in counted(gaps) {
        writeln!(out, "  {what:<11} {}", share(done))?;
    }
    modules(gaps, look, out)
}

/// For people.
pub(crate) fn text(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    progress(gaps, look, out)?;
    pairs(gaps, look, out)?;
    for (kind, title) in KINDS {
        let list = of_kind(gaps, *kind);
        if list.is_empty() {
            continue;
        }
        writeln!(out, "\n{strong}{title}{strong:#}  {}", list.len())?;
        for gap in list {
            let faint = look.faint();
            let at = gap.at.as_ref().map(place).unwrap_or_default();
            let line = fill(&plain(&gap.message), look.width.saturating_sub(4), "    ");
            writeln!(out, "  {line}  {faint}{at}{faint:#}")?;
        }
    }
    order(gaps, look, out)?;
    if gaps.gaps.is_empty() {
        return writeln!(out, "\nNothing is missing.");
    }
    writeln!(out, "\n{}", count(gaps.gaps.len(), "gap"))
}

fn modules(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if gaps.modules.len() < 2 {
        return Ok(());
    }
    writeln!(out)?;
    let mut rows = table(&["module", "routes moved", "calls moved"], look);
    for module in &gaps.modules {
        rows.add_row([plain(&module.path).into_owned(), share(module.routes), share(module.calls)]);
    }
    write_table(&rows, out)
}

fn pairs(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if gaps.pairs.is_empty() {
        return Ok(());
    }
    let strong = look.strong();
    writeln!(out, "\n{strong}Pairs{strong:#}  {}", gaps.pairs.len())?;
    let mut rows = table(&["old", "new", "by", "score", ""], look);
    for pair in &gaps.pairs {
        rows.add_row([
            plain(&pair.old).into_owned(),
            plain(&pair.new).into_owned(),
            by(pair).to_owned(),
            format!("{:.2}", pair.score),
            doubt(pair).map(|doubt| plain(&doubt).into_owned()).unwrap_or_default(),
        ]);
    }
    write_table(&rows, out)?;
    if gaps.pairs.iter().any(|pair| pair.doubtful) {
        writeln!(out, "Settle the doubtful ones under [[pair]] in fallow-lantern.toml.")?;
    }
    Ok(())
}

fn by(pair: &Pair) -> &'static str {
    use fallow_lantern_core::model::By;
    match pair.by {
        By::Given => "given",
        By::Name => "name",
        By::Shape => "shape",
    }
}

/// What makes a pair doubtful.
fn doubt(pair: &Pair) -> Option<String> {
    match (&pair.or, pair.doubtful) {
        (Some(or), _) => Some(format!("doubtful: may be {or}")),
        (None, true) => Some("doubtful".to_owned()),
        (None, false) => None,
    }
}

/// Longer lists of moves are cut here.
const MOVES_SHOWN: usize = 12;

fn order(gaps: &Gaps, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if gaps.order.is_empty() {
        return Ok(());
    }
    let strong = look.strong();
    writeln!(out, "\n{strong}What to move next{strong:#}")?;
    let mut rows = table(&["route", "style", "frees", "first settle", "at"], look);
    for step in gaps.order.iter().take(MOVES_SHOWN) {
        rows.add_row([
            plain(&step.route).into_owned(),
            step.style.to_string(),
            count(step.unblocks, "call"),
            if step.blocked_by.is_empty() { String::new() } else { count(step.blocked_by.len(), "obstacle") },
            place(&step.at),
        ]);
    }
    write_table(&rows, out)?;
    let more = gaps.order.len().saturating_sub(MOVES_SHOWN);
    if more > 0 {
        writeln!(out, "and {more} more; --format json lists them all")?;
    }
    Ok(())
}

/// A page.
pub(crate) fn markdown(gaps: &Gaps, out: &mut dyn Write) -> io::Result<()> {
    writeln!(out, "# From {} to {}\n", cell(&gaps.old), cell(&gaps.new))?;
    writeln!(out, "| | moved |\n|---|---|")?;
    for (what, done) in counted(gaps) {
        writeln!(out, "| {what} | {} |", share(done))?;
    }
    if gaps.modules.len() > 1 {
        writeln!(out, "\n| module | routes moved | calls moved |\n|---|---|---|")?;
        for module in &gaps.modules {
            writeln!(out, "| {} | {} | {} |", cell(&module.path), share(module.routes), share(module.calls))?;
        }
    }
    if !gaps.pairs.is_empty() {
        writeln!(out, "\n## Pairs\n\n| old | new | by | score | |\n|---|---|---|---|---|")?;
        for pair in &gaps.pairs {
            let doubt = doubt(pair).unwrap_or_default();
            let (old, new) = (cell(&pair.old), cell(&pair.new));
            writeln!(out, "| {old} | {new} | {} | {:.2} | {} |", by(pair), pair.score, cell(&doubt))?;
        }
    }
    for (kind, title) in KINDS {
        let list = of_kind(gaps, *kind);
        if !list.is_empty() {
            writeln!(out, "\n## {title}\n")?;
        }
        for gap in list {
            let at = gap.at.as_ref().map(|at| format!(" ({}:{})", at.file, at.line)).unwrap_or_default();
            writeln!(out, "- [ ] {}{}", cell(&gap.message), cell(&at))?;
        }
    }
    if !gaps.order.is_empty() {
        writeln!(
            out,
            "\n## What to move next\n\n| route | style | frees | first settle |\n|---|---|---|---|"
        )?;
    }
    for step in &gaps.order {
        let first = step.blocked_by.iter().map(|why| cell(why)).collect::<Vec<_>>().join("; ");
        writeln!(
            out,
            "| {} | {} | {} | {first} |",
            cell(&step.route),
            step.style,
            count(step.unblocks, "call")
        )?;
    }
    Ok(())
}

/// Text that Markdown reads as nothing but text, also in a table; quoted names stay code.
fn cell(text: &str) -> String {
    let mut escaped = String::new();
    let mut code = false;
    let fenced = text.matches('`').count().is_multiple_of(2);
    for c in plain(text).chars() {
        match c {
            '`' if fenced => {
                code = !code;
                escaped.push(c);
            }
            '|' => escaped += "\\|",
            '\n' | '\r' => escaped.push(' '),
            '\\' | '`' | '*' | '_' | '[' | ']' | '<' | '>' | '#' | '&' | '!' if !code => {
                escaped.push('\\');
                escaped.push(c);
            }
            c => escaped.push(c),
        }
    }
    escaped
}
