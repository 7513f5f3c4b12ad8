//! Findings as SARIF 2.1.0 (docs.oasis-open.org, "Static Analysis Results Interchange Format"): the
//! rules with their reasons, results with other places, what is meant as suppressions.

use fallow_lantern_core::model::{Document, Finding, Place, Related, Severity};
use fallow_lantern_core::rules::{RULES, Rule};
use percent_encoding::{AsciiSet, NON_ALPHANUMERIC, utf8_percent_encode};
use serde_json::{Value, json};
use std::io::{self, Write};

const SCHEMA: &str =
    "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json";
/// What a path may hold as it is (RFC 3986, "Path").
const PATH: &AsciiSet = &NON_ALPHANUMERIC.remove(b'/').remove(b'-').remove(b'.').remove(b'_').remove(b'~');

/// Writes the log of one run.
pub(crate) fn write(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    let found = document.findings.iter().map(result);
    let meant = document.meant.iter().map(|meant| {
        let kind = if meant.said_at.is_some() { "inSource" } else { "external" };
        let mut suppression = json!({ "kind": kind, "justification": meant.because });
        if let Some(at) = &meant.said_at {
            suppression["location"] = location(at);
        }
        let mut result = result(&meant.finding);
        result["suppressions"] = json!([suppression]);
        result
    });
    let accepted = document.accepted.iter().map(|finding| {
        let mut result = result(finding);
        result["suppressions"] = json!([{ "kind": "external", "justification": "accepted in the ledger" }]);
        result
    });
    let log = json!({
        "$schema": SCHEMA,
        "version": "2.1.0",
        "runs": [{
            "tool": { "driver": {
                "name": "Fallow Lantern",
                "version": env!("CARGO_PKG_VERSION"),
                "rules": RULES.iter().map(|rule| descriptor(rule)).collect::<Vec<_>>(),
            } },
            "columnKind": "unicodeCodePoints",
            "results": found.chain(meant).chain(accepted).collect::<Vec<_>>(),
        }],
    });
    serde_json::to_writer_pretty(&mut *out, &log)?;
    writeln!(out)
}

fn descriptor(rule: &Rule) -> Value {
    json!({
        "id": rule.name,
        "shortDescription": { "text": rule.summary },
        "fullDescription": { "text": rule.why },
        "help": { "text": format!("{} {}", rule.why, rule.mend) },
        "defaultConfiguration": { "level": level(rule.severity) },
    })
}

fn result(finding: &Finding) -> Value {
    let index = RULES.iter().position(|rule| rule.name == finding.rule);
    let related = finding.related.iter().chain(&finding.unless);
    let related: Vec<Value> = related.enumerate().map(|(id, related)| other(id, related)).collect();
    json!({
        "ruleId": finding.rule,
        "ruleIndex": index,
        "level": level(finding.severity),
        "message": { "text": format!("{}. {}", finding.message, finding.help) },
        "locations": [location(&finding.at)],
        "relatedLocations": related,
        "partialFingerprints": { "fallowLantern/v1": finding.fingerprint },
    })
}

fn other(id: usize, related: &Related) -> Value {
    let mut location = location(&related.at);
    location["id"] = json!(id);
    location["message"] = json!({ "text": related.message });
    location
}

fn location(at: &Place) -> Value {
    json!({ "physicalLocation": {
        "artifactLocation": { "uri": utf8_percent_encode(&at.file, PATH).to_string() },
        "region": {
            "startLine": at.line,
            "startColumn": at.column,
            "endLine": at.end_line,
            "endColumn": at.end_column,
        },
    } })
}

fn level(severity: Severity) -> &'static str {
    match severity {
        Severity::Error => "error",
        Severity::Warning => "warning",
        Severity::Note => "note",
    }
}
