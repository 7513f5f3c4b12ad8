//! Running the program.

use assert_cmd::Command;
use std::path::{Path, PathBuf};
use tempfile::TempDir;

/// A manifest with an activity that the system opens first.
pub(crate) const LAUNCHER: &str = r#"//- AndroidManifest.xml
<manifest xmlns:a="http://schemas.android.com/apk/res/android" package="barn"><application><activity a:name=".MainActivity"><intent-filter>
  <action a:name="android.intent.action.MAIN"/><category a:name="android.intent.category.LAUNCHER"/></intent-filter></activity></application></manifest>
"#;

/// What a run gave back.
pub(crate) struct Run {
    pub(crate) status: i32,
    pub(crate) out: String,
    pub(crate) err: String,
}

/// Runs the program and waits.
#[track_caller]
pub(crate) fn run(args: &[&str]) -> Run {
    let output = Command::cargo_bin("fallow-lantern").expect("the program is built").args(args).output();
    let output = output.expect("the program runs");
    Run {
        status: output.status.code().expect("the program ends by itself"),
        out: String::from_utf8(output.stdout).expect("text"),
        err: String::from_utf8(output.stderr).expect("text"),
    }
}

/// Runs the program for an answer that is no text.
#[track_caller]
pub(crate) fn run_bytes(args: &[&str]) -> Vec<u8> {
    let output = Command::cargo_bin("fallow-lantern").expect("the program is built").args(args).output();
    let output = output.expect("the program runs");
    assert!(output.status.success(), "{}", String::from_utf8_lossy(&output.stderr));
    output.stdout
}

/// A folder with files in it, gone when it is dropped.
pub(crate) struct App(TempDir);

impl App {
    /// Writes a fixture: a line `//- path` starts a file.
    #[track_caller]
    pub(crate) fn new(fixture: &str) -> Self {
        let app = Self(TempDir::new().expect("a temporary folder"));
        let mut files: Vec<(&str, String)> = Vec::new();
        for line in fixture.lines() {
            match (line.strip_prefix("//- "), files.last_mut()) {
                (Some(path), _) => files.push((path, String::new())),
                (None, Some((_, text))) => {
                    text.push_str(line);
                    text.push('\n');
                }
                (None, None) => {}
            }
        }
        for (path, text) in files {
            app.write(path, text.as_bytes());
        }
        app
    }

    /// Writes one more file.
    #[track_caller]
    pub(crate) fn write(&self, path: &str, bytes: &[u8]) {
        let path = self.0.path().join(path);
        let folder = path.parent().expect("a file is in a folder");
        std::fs::create_dir_all(folder).expect("the folder can be made");
        std::fs::write(path, bytes).expect("the file can be written");
    }

    /// Where it is.
    pub(crate) fn path(&self) -> &Path {
        self.0.path()
    }

    /// Where it is, as an argument.
    pub(crate) fn arg(&self) -> &str {
        self.0.path().to_str().expect("a temporary folder's name is text")
    }
}

/// The project's own folder.
pub(crate) fn project() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..").canonicalize().expect("the project is there")
}

/// The demo app of a platform.
pub(crate) fn demo(platform: &str) -> String {
    project().join("demo").join(platform).to_string_lossy().into_owned()
}

/// A scan of a folder as JSON.
#[track_caller]
pub(crate) fn scanned(path: &str) -> serde_json::Value {
    let run = run(&["scan", path, "--format", "json"]);
    assert!(run.status < 2, "{}", run.err);
    serde_json::from_str(&run.out).expect("a JSON object")
}

/// What is said under `skipped` about one file.
#[track_caller]
pub(crate) fn skipped(scan: &serde_json::Value, path: &str) -> String {
    let rows = scan["skipped"].as_array().expect("a list");
    let row = rows.iter().find(|row| row["path"] == path);
    row.unwrap_or_else(|| panic!("{path} is not among {rows:#?}"))["reason"]
        .as_str()
        .expect("a reason")
        .to_owned()
}

/// Findings of a rule as `file:line`.
pub(crate) fn places(document: &serde_json::Value, rule: &str) -> Vec<String> {
    let findings = document["findings"].as_array().expect("a list").iter();
    let of_rule = findings.filter(|finding| finding["rule"] == rule);
    of_rule
        .map(|finding| {
            let file = finding["at"]["file"].as_str().expect("a file");
            format!("{}:{}", file.rsplit('/').next().unwrap_or(file), finding["at"]["line"])
        })
        .collect()
}
