//! Findings as a report of tests, for servers that show those: a suite a rule, a case a finding. What is
//! only a note passes, with the note as its output; what is meant is left out as skipped.

use fallow_lantern_core::model::{Document, Finding, Meant, Severity};
use fallow_lantern_core::rules::RULES;
use quick_junit::{NonSuccessKind, Report, TestCase, TestCaseStatus, TestSuite};
use std::io::{self, Write};

/// Writes the report.
pub(crate) fn write(document: &Document, out: &mut dyn Write) -> io::Result<()> {
    let mut report = Report::new("Fallow Lantern");
    for rule in RULES {
        let mut suite = TestSuite::new(rule.name);
        let of_rule = |finding: &&Finding| finding.rule == rule.name;
        suite.add_test_cases(document.findings.iter().filter(of_rule).map(case));
        let meant = document.meant.iter().filter(|meant| meant.finding.rule == rule.name);
        suite.add_test_cases(meant.map(skipped));
        // A rule that finds nothing has passed.
        if suite.test_cases.is_empty() {
            suite.add_test_case(TestCase::new(rule.summary, TestCaseStatus::success()));
        }
        report.add_test_suite(suite);
    }
    report.serialize(out).map_err(io::Error::other)
}

fn case(finding: &Finding) -> TestCase {
    let text = format!("{}\n{}\n{}", place(finding), finding.message, finding.help);
    let mut case = TestCase::new(name(finding), TestCaseStatus::success());
    match finding.severity {
        Severity::Note => {
            case.set_system_out(text);
        }
        severity => {
            let kind =
                if severity == Severity::Error { NonSuccessKind::Error } else { NonSuccessKind::Failure };
            let mut status = TestCaseStatus::non_success(kind);
            status
                .set_message(finding.message.as_str())
                .set_type(finding.rule.as_str())
                .set_description(text);
            case.status = status;
        }
    }
    case.set_classname(finding.at.file.as_str());
    case
}

fn skipped(meant: &Meant) -> TestCase {
    let mut status = TestCaseStatus::skipped();
    status.set_message(meant.because.as_str());
    let mut case = TestCase::new(name(&meant.finding), status);
    case.set_classname(meant.finding.at.file.as_str());
    case
}

fn name(finding: &Finding) -> String {
    format!("{} ({})", finding.message, place(finding))
}

fn place(finding: &Finding) -> String {
    format!("{}:{}:{}", finding.at.file, finding.at.line, finding.at.column)
}
