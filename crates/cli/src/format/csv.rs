//! Findings, routes and calls as comma-separated values (RFC 4180), a line each under a heading. Several
//! of a thing stand in one value with spaces between.

use fallow_lantern_core::model::Document;
use std::io::{self, Write};

/// What stands in each line of findings.
const HEADING: [&str; 8] = ["rule", "severity", "file", "line", "column", "message", "help", "fingerprint"];

/// Writes the findings.
pub(crate) fn findings(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    let mut table = csv::Writer::from_writer(out);
    table.write_record(HEADING)?;
    for finding in &document.findings {
        let (line, column) = (finding.at.line.to_string(), finding.at.column.to_string());
        table.write_record([
            finding.rule.as_str(),
            finding.severity.as_str(),
            &finding.at.file,
            &line,
            &column,
            &finding.message,
            &finding.help,
            &finding.fingerprint,
        ])?;
    }
    table.flush()
}

/// Writes the routes.
pub(crate) fn routes(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    let mut table = csv::Writer::from_writer(out);
    table.write_record([
        "name",
        "kind",
        "style",
        "pattern",
        "screen",
        "start",
        "parameters",
        "file",
        "line",
    ])?;
    for route in &document.routes {
        let parameters: Vec<&str> =
            route.parameters.iter().map(|parameter| parameter.name.as_str()).collect();
        let screens: Vec<String> = route.screen.iter().cloned().collect();
        table.write_record([
            route.name.as_str(),
            &route.kind.to_string(),
            route.style.as_str(),
            route.pattern.as_deref().unwrap_or_default(),
            &screens_named(document, &screens),
            &route.start.to_string(),
            &parameters.join(" "),
            &route.at.file,
            &route.at.line.to_string(),
        ])?;
    }
    table.flush()
}

/// Writes the calls.
pub(crate) fn calls(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    let mut table = csv::Writer::from_writer(out);
    table.write_record(["from", "verb", "to", "written", "status", "style", "arguments", "file", "line"])?;
    for call in &document.calls {
        let target = call.target.as_ref();
        let leads = |id: &String| target.is_some_and(|target| target.routes.contains(id));
        let routes = document.routes.iter().filter(|route| leads(&route.id)).map(|route| route.name.as_str());
        let arguments: Vec<&str> = call.arguments.iter().map(|argument| argument.name.as_str()).collect();
        table.write_record([
            screens_named(document, &call.screens).as_str(),
            &call.verb.to_string(),
            &routes.collect::<Vec<_>>().join(" "),
            target.map(|target| target.text.as_str()).unwrap_or_default(),
            &call.status.to_string(),
            call.style.as_str(),
            &arguments.join(" "),
            &call.at.file,
            &call.at.line.to_string(),
        ])?;
    }
    table.flush()
}

fn screens_named(document: &Document, ids: &[String]) -> String {
    let named = document.screens.iter().filter(|screen| ids.contains(&screen.id));
    named.map(|screen| screen.name.as_str()).collect::<Vec<_>>().join(" ")
}
