//! Findings as comma-separated values (RFC 4180), a line each under a heading.

use fallow_lantern_core::model::Document;
use std::io::{self, Write};

/// What stands in each line.
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
