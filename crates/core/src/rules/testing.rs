//! Fixtures: small apps in one text, with what must be reported marked under the code.
//!
//! A line `//- path` starts a file. A line of carets under a line of code, followed by a rule and words
//! of its message, is a mark. Marks are taken out before parsing, so they work in any language. The
//! marks of a rule must be all that it reports: one too many fails as one too few does.

use crate::model::Severity;
use crate::source::Language;
use crate::{SETTINGS_FILE, Scan, fixture};

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
fn split(app: &str) -> (Vec<(String, String)>, Vec<Mark>) {
    let mut files: Vec<(String, String)> = Vec::new();
    let mut marks = Vec::new();
    for line in app.lines() {
        if let Some(path) = line.strip_prefix("//- ") {
            assert!(
                Language::of(path).is_some() || crate::source::Build::is_file(path) || path == SETTINGS_FILE,
                "{path} is no file that is read: a silent test would pass on nothing"
            );
            files.push((path.to_owned(), String::new()));
            continue;
        }
        let Some((path, text)) = files.last_mut() else { continue };
        let start = line.trim_start();
        if start.starts_with("^") {
            let said = start.trim_start_matches('^').trim();
            let (rule, words) = said.split_once(':').expect("a mark names a rule and words of its message");
            let column = (line.chars().count() - start.chars().count()) as u32 + 1;
            let line = text.lines().count() as u32;
            marks.push(Mark {
                file: path.clone(),
                line,
                column,
                rule: rule.to_owned(),
                words: words.trim().to_owned(),
            });
        } else {
            text.push_str(line);
            text.push('\n');
        }
    }
    (files, marks)
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
