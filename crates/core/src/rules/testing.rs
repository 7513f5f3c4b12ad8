//! Fixtures: small apps in one text, with what must be reported marked under the code.
//!
//! A line `//- path` starts a file. A line of carets under a line of code, followed by a rule and words
//! of its message, is a mark. Marks are taken out before parsing, so they work in any language. The
//! marks of a rule must be all that it reports: one too many fails as one too few does.

use crate::model::Severity;
use crate::{Scan, fixture};

/// A place, and what is said there.
#[derive(Debug, PartialEq, Eq, PartialOrd, Ord)]
struct Mark {
    file: String,
    line: u32,
    column: u32,
    rule: String,
    words: String,
}

/// Splits a fixture into files, marks taken out.
#[track_caller]
fn split(app: &str) -> (fixture::Files, Vec<Mark>) {
    let mut marks = Vec::new();
    let files = fixture::files(app).into_iter().map(|(path, text)| {
        let text = without_marks(&path, &text, &mut marks);
        (path, text)
    });
    (files.collect(), marks)
}

/// A file's text without the lines that mark the one before them.
fn without_marks(path: &str, marked: &str, marks: &mut Vec<Mark>) -> String {
    let mut text = String::new();
    for line in marked.lines() {
        let start = line.trim_start();
        if !start.starts_with('^') {
            text.push_str(line);
            text.push('\n');
            continue;
        }
        let said = start.trim_start_matches('^').trim();
        let (rule, words) = said.split_once(':').expect("a mark names a rule and words of its message");
        marks.push(Mark {
            file: path.to_owned(),
            line: text.lines().count() as u32,
            column: (line.chars().count() - start.chars().count()) as u32 + 1,
            rule: rule.to_owned(),
            words: words.trim().to_owned(),
        });
    }
    text
}

/// Runs all rules over a fixture and compares what one of them reports with the marks.
#[track_caller]
pub(crate) fn judged(rule: &str, app: &str) {
    let (files, marks) = split(app);
    let scan = fixture::scan(files);
    let found = scan.document.findings.iter().filter(|finding| finding.rule == rule);
    let mut left: Vec<_> = marks.iter().collect();
    for finding in found {
        let here = |mark: &&Mark| {
            mark.file == finding.at.file
                && mark.line == finding.at.line
                && mark.column == finding.at.column
                && mark.rule == rule
                && finding.message.contains(&mark.words)
        };
        match left.iter().position(here) {
            Some(at) => drop(left.remove(at)),
            None => panic!("not expected: {finding:#?}\nexpected: {marks:#?}"),
        }
    }
    assert!(left.is_empty(), "not reported: {left:#?}\nreported: {:#?}", scan.document.findings);
}

/// Scans a fixture of which nothing may be said.
#[track_caller]
pub(crate) fn quiet(app: &str) -> Scan {
    let (files, marks) = split(app);
    assert!(marks.is_empty(), "nothing is expected of a quiet app");
    let scan = fixture::scan(files);
    let loud: Vec<_> = scan
        .document
        .findings
        .iter()
        .filter(|f| f.severity > Severity::Note || f.rule == "argument-unread")
        .collect();
    assert!(loud.is_empty(), "{loud:#?}");
    scan
}

/// A fixture with what every app has around its graph `main`: an activity that is launched and hosts it.
pub(crate) fn app(fixture: &str) -> String {
    let mut whole = fixture.to_owned();
    if !fixture.contains("//- AndroidManifest.xml") {
        whole.push_str(
            r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name="barn.HostActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
"#,
        );
    }
    whole.push_str(
        r#"
//- res/layout/activity_host.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/host" app:navGraph="@navigation/main"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
//- HostActivity.java
package barn;
public class HostActivity extends AppCompatActivity {
    protected void onCreate(Bundle state) { setContentView(R.layout.activity_host); }
}
"#,
    );
    whole
}

/// What each rule shows as an example is what it reports, and what it does not: `examples/<rule>.app` is
/// the app around it, with lines that stand in one of the two only.
#[test]
fn examples_are_reported_and_mended_as_they_say() {
    for rule in crate::rules::RULES {
        let path = format!("{}/src/rules/examples/{}.app", env!("CARGO_MANIFEST_DIR"), rule.name);
        let around = std::fs::read_to_string(&path).unwrap_or_else(|error| panic!("{path}: {error}"));
        for (shown, own, other) in
            [(rule.example.wrong, "WRONG|", "RIGHT|"), (rule.example.right, "RIGHT|", "WRONG|")]
        {
            let kept = around.lines().filter(|line| !line.starts_with(other));
            let app: String =
                kept.map(|line| format!("{}\n", line.strip_prefix(own).unwrap_or(line))).collect();
            let is_code = |line: &&str| !["//", "<!--", "#"].iter().any(|mark| line.starts_with(mark));
            for line in shown.lines().map(str::trim).filter(is_code) {
                assert!(app.contains(line), "{}: the app does not hold `{line}`", rule.name);
            }
            let found = fixture::scan(fixture::files(&app)).document.findings;
            let reported = found.iter().any(|finding| finding.rule == rule.name);
            assert_eq!(reported, own == "WRONG|", "{} of {own} {found:#?}", rule.name);
        }
    }
}
