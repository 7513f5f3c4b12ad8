//! Rules for people.

use super::tables::{table, write_table};
use crate::look::Look;
use fallow_lantern_core::explain::sayings;
use fallow_lantern_core::model::Style;
use fallow_lantern_core::rules::Rule;
use std::io::{self, Write};

/// All rules, a line each.
pub(crate) fn list(rules: &[&Rule], look: Look, out: &mut dyn Write) -> io::Result<()> {
    let mut rows = table(&["rule", "severity", "reported when"], look);
    for rule in rules {
        rows.add_row([rule.name, rule.severity.as_str(), rule.summary]);
    }
    write_table(&rows, out)?;
    writeln!(out, "\n`fallow-lantern rules NAME` explains one.")
}

/// One rule, with an example.
pub(crate) fn explain(rule: &Rule, look: Look, out: &mut dyn Write) -> io::Result<()> {
    let (strong, severity) = (look.strong(), look.severity(rule.severity));
    writeln!(out, "{strong}{}{strong:#}  {severity}{}{severity:#}", rule.name, rule.severity)?;
    for text in [rule.summary, rule.why] {
        writeln!(out, "\n{}", fill(text, look.width, ""))?;
    }
    for (style, says) in sayings(rule.name, Style::ALL) {
        writeln!(out, "\n{}", fill(&format!("{style}: {says}"), look.width, "  "))?;
    }
    writeln!(out, "\n{}", fill(rule.mend, look.width, ""))?;
    for (title, code) in [("Reported:", rule.example.wrong), ("Mended:", rule.example.right)] {
        writeln!(out, "\n{strong}{title}{strong:#}\n")?;
        for line in code.lines() {
            writeln!(out, "    {line}")?;
        }
    }
    Ok(())
}

/// Text broken into lines of a width, each after the first with an indent.
pub(super) fn fill(text: &str, width: usize, indent: &str) -> String {
    textwrap::fill(text, textwrap::Options::new(width).subsequent_indent(indent))
}
