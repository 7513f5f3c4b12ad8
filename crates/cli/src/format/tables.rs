//! Listings as tables.

use super::plain;
use super::text::apps;
use crate::look::Look;
use comfy_table::{ContentArrangement, Table};
use fallow_lantern_core::model::{Argument, Call, CallStatus, Document, Parameter, Place, Route, RouteKind};
use std::collections::{BTreeSet, HashSet};
use std::io::{self, Write};

/// An empty table with a head.
pub(super) fn table(head: &[&str], look: Look) -> Table {
    let mut table = Table::new();
    table.load_style(comfy_table::presets::NOTHING);
    // A file or another program takes lines of any length.
    if let Some(columns) = look.columns {
        table.set_content_arrangement(ContentArrangement::Dynamic);
        table.set_width(u16::try_from(columns).unwrap_or(u16::MAX));
    }
    table.set_header(head.iter().map(|title| title.to_uppercase()));
    for column in table.column_iter_mut() {
        column.set_padding((0, 2));
    }
    table
}

/// Writes a table without the blanks at the ends of its lines.
pub(super) fn write_table(table: &Table, out: &mut dyn Write) -> io::Result<()> {
    for line in table.lines() {
        writeln!(out, "{}", line.trim_end())?;
    }
    Ok(())
}

/// The apps first, where there are several.
fn several(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if document.apps.len() < 2 {
        return Ok(());
    }
    apps(document, look, out)?;
    writeln!(out)
}

/// Every route.
pub(crate) fn routes(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if document.routes.is_empty() {
        return writeln!(out, "No routes found.");
    }
    several(document, look, out)?;
    let names = Names::new(document);
    let mut rows = table(&["route", "shows", "takes", "opened", "declared at"], look);
    for route in &document.routes {
        let opened = document.calls.iter().filter(|call| leads_to(call, route)).count();
        rows.add_row([
            route_name(route),
            screen_name(document, route.screen.as_ref()),
            route.parameters.iter().map(parameter).collect::<Vec<_>>().join("\n"),
            ways(route, opened),
            names.place(&route.at),
        ]);
    }
    write_table(&rows, out)?;
    writeln!(out, "\n{} routes. `*` starts its graph; `name?` need not be passed.", document.routes.len())
}

fn route_name(route: &Route) -> String {
    let start = if route.start { "*" } else { "" };
    let kind = if route.kind == RouteKind::Screen { String::new() } else { format!(" ({})", route.kind) };
    format!("{start}{}{kind}", plain(&route.name))
}

fn leads_to(call: &Call, route: &Route) -> bool {
    call.target.as_ref().is_some_and(|target| target.routes.contains(&route.id))
}

/// How often a route is opened, and by which addresses.
fn ways(route: &Route, opened: usize) -> String {
    let mut ways = vec![format!("{opened}×")];
    ways.extend(route.deep_links.iter().map(|link| plain(link).into_owned()));
    ways.join("\n")
}

pub(super) fn parameter(parameter: &Parameter) -> String {
    let mark = if parameter.required { "" } else { "?" };
    let ty = parameter.ty.as_deref().map(|ty| format!(": {ty}")).unwrap_or_default();
    plain(&format!("{}{mark}{ty}", parameter.name)).into_owned()
}

/// Every call.
pub(crate) fn calls(document: &Document, look: Look, out: &mut dyn Write) -> io::Result<()> {
    if document.calls.is_empty() {
        return writeln!(out, "No navigation calls found.");
    }
    several(document, look, out)?;
    let names = Names::new(document);
    let mut rows = table(&["from", "does", "to", "with", "by", "at"], look);
    for call in &document.calls {
        rows.add_row([
            from(document, call),
            call.verb.to_string(),
            to(document, call),
            call.arguments.iter().map(argument).collect::<Vec<_>>().join("\n"),
            call.target.as_ref().map(|target| target.form.to_string()).unwrap_or_default(),
            names.place(&call.at),
        ]);
    }
    write_table(&rows, out)?;
    writeln!(out, "\n{} calls.", document.calls.len())
}

/// The screens a call belongs to; many are counted.
fn from(document: &Document, call: &Call) -> String {
    let names: Vec<String> = call.screens.iter().map(|id| screen_name(document, Some(id))).collect();
    match names.len() {
        0 => "(no screen)".to_owned(),
        1..=3 => names.join("\n"),
        n => format!("{} and {} more", names[0], n - 1),
    }
}

fn to(document: &Document, call: &Call) -> String {
    let Some(target) = &call.target else { return "(back)".to_owned() };
    let names: Vec<String> = document
        .routes
        .iter()
        .filter(|route| target.routes.contains(&route.id))
        .map(|route| plain(&route.name).into_owned())
        .collect();
    match (names.is_empty(), call.status) {
        (false, _) => names.join(" or "),
        (true, CallStatus::Resolved) => "(back)".to_owned(),
        (true, status) => format!("{} ({status})", plain(target.value.as_ref().unwrap_or(&target.text))),
    }
}

pub(super) fn argument(argument: &Argument) -> String {
    let value = argument.value.as_deref().unwrap_or("?");
    let short: String = if value.chars().count() > 24 {
        value.chars().take(23).chain(['…']).collect()
    } else {
        value.to_owned()
    };
    plain(&format!("{} = {short}", argument.name)).into_owned()
}

/// A screen's name by its id.
pub(super) fn screen_name(document: &Document, id: Option<&String>) -> String {
    let found = id.and_then(|id| document.screens.iter().find(|screen| screen.id == *id));
    found.map_or_else(|| "-".to_owned(), |screen| plain(&screen.name).into_owned())
}

/// The file's name and line; the folders are in the JSON.
pub(super) fn place(at: &Place) -> String {
    plain(&format!("{}:{}", short_name(&at.file), at.line)).into_owned()
}

/// Short names of files that several have.
struct Names<'d> {
    twice: HashSet<&'d str>,
}

impl<'d> Names<'d> {
    /// Of the files that hold a route, a screen or a call.
    fn new(document: &'d Document) -> Self {
        let places = document.routes.iter().map(|route| &route.at);
        let places = places.chain(document.calls.iter().map(|call| &call.at));
        let files: BTreeSet<&str> = places.map(|at| at.file.as_str()).collect();
        let mut seen = HashSet::new();
        Self { twice: files.into_iter().map(short_name).filter(|name| !seen.insert(*name)).collect() }
    }

    /// A place with its folders where another file has the same name.
    fn place(&self, at: &Place) -> String {
        match self.twice.contains(short_name(&at.file)) {
            true => plain(&format!("{}:{}", at.file, at.line)).into_owned(),
            false => place(at),
        }
    }
}

fn short_name(file: &str) -> &str {
    file.rsplit('/').next().unwrap_or(file)
}
