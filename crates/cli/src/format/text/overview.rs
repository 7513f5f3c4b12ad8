//! What is in a tree: its apps, its modules by style, where it starts, what was not understood.

use super::super::plain;
use super::super::rules::fill;
use super::super::tables::{screen_name, table, write_table};
use crate::look::Look;
use fallow_lantern_core::model::{Call, CallStatus, Document, Place, Route};
use fallow_lantern_core::names::count;
use std::io::{self, Write};

/// Of a list of places as many are shown.
const SHOWN: usize = 5;

/// Writes all of it.
pub(super) fn write(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let (strong, totals) = (look.strong(), &document.totals);
    writeln!(out, "{strong}{}{strong:#}", plain(&document.root))?;
    let several = if document.apps.len() > 1 {
        format!("{}, ", count(document.apps.len(), "app"))
    } else {
        String::new()
    };
    writeln!(
        out,
        "{several}{}, {}, {}, {} in {} ({} parsed)",
        count(document.modules.len(), "module"),
        count(totals.screens, "screen"),
        count(totals.routes, "route"),
        count(totals.calls, "call"),
        count(totals.files, "file"),
        totals.parsed,
    )?;
    if totals.routes + totals.calls == 0 {
        writeln!(out, "\nNo navigation of a known style was found in it.")?;
        return not_understood(document, look, out);
    }
    libraries(document, look, out)?;
    writeln!(out)?;
    if document.apps.len() > 1 {
        apps(document, look, out)?;
        writeln!(out)?;
    }
    modules(document, look, out)?;
    starts(document, look, out)?;
    not_understood(document, look, out)
}

/// The apps of a tree with what each has.
pub(crate) fn apps(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let mut rows = table(&["app", "platform", "folder", "modules", "routes", "calls", "findings"], look);
    for app in &document.apps {
        let has = |at: &Place| document.apps_of(&at.file).contains(&app);
        let holds =
            |apps: &[String], at: &Place| if apps.is_empty() { has(at) } else { apps.contains(&app.name) };
        rows.add_row([
            plain(&app.name).into_owned(),
            app.platform.to_string(),
            plain(&app.root).into_owned(),
            app.modules.len().to_string(),
            document.routes.iter().filter(|route| has(&route.at)).count().to_string(),
            document.calls.iter().filter(|call| has(&call.at)).count().to_string(),
            document.findings.iter().filter(|f| holds(&f.apps, &f.at)).count().to_string(),
        ]);
    }
    write_table(&rows, out)
}

/// What others may use is not called unused.
fn libraries(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if document.apps.is_empty() {
        let text = "No app is started in it: it is read as a library, of which others may open what nothing \
                    here opens.";
        return writeln!(out, "{}", fill(text, look.width, ""));
    }
    let libraries = document.libraries();
    if libraries.is_empty() {
        return Ok(());
    }
    let paths: Vec<&str> = libraries.iter().take(SHOWN).map(|module| module.path.as_str()).collect();
    let more = match libraries.len() - paths.len() {
        0 => String::new(),
        more => format!(" and {more} more"),
    };
    let verb = if libraries.len() == 1 { "is a library" } else { "are libraries" };
    let text = format!("{}{more} {verb} that no app here uses", paths.join(", "));
    writeln!(out, "{}", fill(&plain(&text), look.width, "  "))
}

fn modules(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
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
    let starts: Vec<&Route> = document.routes.iter().filter(|route| route.start).collect();
    if !starts.is_empty() {
        writeln!(out, "\n{strong}Starts{strong:#}")?;
    }
    if document.apps.len() > 1 {
        for app in &document.apps {
            let own = starts.iter().filter(|route| document.apps_of(&route.at.file).contains(&app));
            for route in own {
                let line =
                    format!("{}: {}  {}:{}", app.name, start(document, route), route.at.file, route.at.line);
                writeln!(out, "  {}", plain(&line))?;
            }
        }
    } else {
        for route in starts {
            writeln!(out, "  {}", plain(&start(document, route)))?;
        }
    }
    let links =
        document.routes.iter().flat_map(|route| route.deep_links.iter().map(move |link| (link, route)));
    let links: Vec<String> = links.map(|(link, route)| format!("{link}  →  {}", route.name)).collect();
    if !links.is_empty() {
        writeln!(out, "\n{strong}Deep links{strong:#}")?;
    }
    links.iter().try_for_each(|line| writeln!(out, "  {}", plain(line)))
}

/// A start by its name and its screen, and the group that it is first in.
fn start(document: &Document, route: &Route) -> String {
    let screen = screen_name(document, route.screen.as_ref());
    let group = route.parent.as_ref().map(|parent| {
        let found = document.routes.iter().find(|other| other.id == *parent);
        found.map_or("", |other| other.name.as_str())
    });
    match group {
        Some(group) => format!("{} ({screen}), first in {group}", route.name),
        None if route.name == screen => route.name.clone(),
        None => format!("{} ({screen})", route.name),
    }
}

/// Calls that are decided at run time, and files that were not read, or not whole.
fn not_understood(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let strong = look.strong();
    let of = |status: CallStatus| document.calls.iter().filter(move |call| call.status == status);
    let dynamic: Vec<&Call> = of(CallStatus::Dynamic).collect();
    if !dynamic.is_empty() || !document.skipped.is_empty() || !document.unsaid.is_empty() {
        writeln!(out, "\n{strong}Not understood, left out, or read only in part{strong:#}")?;
    }
    if !dynamic.is_empty() {
        let text = format!("{} decided at run time: {}", count(dynamic.len(), "call"), places(&dynamic));
        writeln!(out, "  {}", fill(&plain(&text), look.width.saturating_sub(2), "    "))?;
    }
    for unsaid in &document.unsaid {
        let apps = match unsaid.apps.len() {
            0 => String::new(),
            _ if document.apps.len() < 2 => String::new(),
            _ => format!(" in {}", unsaid.apps.join(", ")),
        };
        let text = format!("{} is not said of {}{apps}: {}", unsaid.rule, unsaid.style, unsaid.reason);
        writeln!(out, "  {}", fill(&plain(&text), look.width.saturating_sub(2), "    "))?;
    }
    for skipped in &document.skipped {
        let line = format!("{}: {}", plain(&skipped.path), plain(&skipped.reason));
        writeln!(out, "  {}", fill(&line, look.width.saturating_sub(2), "    "))?;
    }
    match of(CallStatus::External).count() {
        0 => {}
        outside => writeln!(out, "\n{} out of the app", count(outside, "call"))?,
    }
    meant(document, out)
}

/// Findings that a comment or the settings say are meant, and those that the ledger has.
fn meant(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    if !document.accepted.is_empty() {
        writeln!(out, "\n{} accepted by the ledger", count(document.accepted.len(), "finding"))?;
    }
    let by_comment = document.meant.iter().filter(|meant| meant.said_at.is_some()).count();
    let by_settings = document.meant.len() - by_comment;
    let parts = [(by_comment, "by a comment"), (by_settings, "by the settings")];
    let parts = parts.iter().filter(|(n, _)| *n > 0).map(|(n, by)| format!("{n} {by}"));
    match document.meant.len() {
        0 => Ok(()),
        n => writeln!(
            out,
            "\n{} said to be meant: {}",
            count(n, "finding"),
            parts.collect::<Vec<_>>().join(", ")
        ),
    }
}

fn places(calls: &[&Call]) -> String {
    let shown = calls.iter().take(SHOWN).map(|call| format!("{}:{}", call.at.file, call.at.line));
    let mut shown = shown.collect::<Vec<_>>().join(", ");
    if calls.len() > SHOWN {
        shown.push_str(&format!(" and {} more", calls.len() - SHOWN));
    }
    shown
}
