//! What was recovered and linked, as a short listing to compare inline.

use crate::fixture;
use crate::model::{Document, Place, Severity};
use expect_test::Expect;

/// Scans a fixture.
pub(crate) fn scanned(app: &str) -> Document {
    fixture::scan(fixture::files(app)).document
}

fn at(place: &Place) -> String {
    format!("{}:{}", place.file.rsplit('/').next().unwrap_or_default(), place.line)
}

fn screen(document: &Document, id: &str) -> String {
    document
        .screens
        .iter()
        .find(|screen| screen.id == id)
        .map_or_else(|| "?".to_owned(), |screen| screen.name.clone())
}

/// A line a route: `item -> ItemFragment (itemId: string, tag?: string) main.xml:3`.
pub(crate) fn routes(document: &Document) -> String {
    let lines = document.routes.iter().map(|route| {
        let parameters = route.parameters.iter().map(|p| {
            let mark = if p.required { "" } else { "?" };
            format!("{}{mark}: {}", p.name, p.ty.as_deref().unwrap_or("-"))
        });
        let shown = route.screen.as_ref().map_or_else(|| "-".to_owned(), |id| screen(document, id));
        let start = if route.start { "*" } else { "" };
        let links: String = route.deep_links.iter().map(|link| format!(" <{link}>")).collect();
        format!(
            "{start}{} [{}] -> {shown} ({}){links} {}",
            route.name,
            route.kind,
            parameters.collect::<Vec<_>>().join(", "),
            at(&route.at)
        )
    });
    lines.collect::<Vec<_>>().join("\n")
}

/// A line a call: `ShelfFragment open item (itemId) resource Shelf.kt:4`.
pub(crate) fn calls(document: &Document) -> String {
    let lines = document.calls.iter().map(|call| {
        let from: Vec<String> = call.screens.iter().map(|id| screen(document, id)).collect();
        let to = call.target.as_ref().map_or_else(
            || "-".to_owned(),
            |target| {
                let names: Vec<&str> = document
                    .routes
                    .iter()
                    .filter(|r| target.routes.contains(&r.id))
                    .map(|r| r.name.as_str())
                    .collect();
                let names = if names.is_empty() { call.status.to_string() } else { names.join("|") };
                format!("{names} {}", target.form)
            },
        );
        let arguments: Vec<&str> = call.arguments.iter().map(|argument| argument.name.as_str()).collect();
        let from = if from.is_empty() { "-".to_owned() } else { from.join("+") };
        format!("{from} {} {to} ({}) {}", call.verb, arguments.join(", "), at(&call.at))
    });
    lines.collect::<Vec<_>>().join("\n")
}

/// A line a read: `ItemFragment itemId String forced Item.kt:5`.
pub(crate) fn reads(document: &Document) -> String {
    let lines = document.reads.iter().map(|read| {
        let from = read.screen.as_ref().map_or_else(|| "?".to_owned(), |id| screen(document, id));
        let forced = if read.forced { " forced" } else { "" };
        format!("{from} {} {}{forced} {}", read.name, read.ty.as_deref().unwrap_or("-"), at(&read.at))
    });
    lines.collect::<Vec<_>>().join("\n")
}

/// A line a side of a result: `send picked Tag.kt:3`.
pub(crate) fn results(document: &Document) -> String {
    let lines = document
        .results
        .iter()
        .map(|result| format!("{} {} {}", result.side, result.key.as_deref().unwrap_or("?"), at(&result.at)));
    lines.collect::<Vec<_>>().join("\n")
}

/// A line a finding above a note: `error argument-type Shelf.kt:4 …`.
pub(crate) fn said(document: &Document) -> String {
    let loud = document.findings.iter().filter(|finding| finding.severity > Severity::Note);
    let lines = loud.map(|f| format!("{} {} {} {}", f.severity, f.rule, at(&f.at), f.message));
    lines.collect::<Vec<_>>().join("\n")
}

/// Compares a listing with what is expected. `UPDATE_EXPECT=1` writes what is found in its place.
#[track_caller]
pub(crate) fn lists(found: &str, expected: Expect) {
    expected.assert_eq(found);
}
