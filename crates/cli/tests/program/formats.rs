//! Findings in the forms that other tools take.

use crate::support::{App, LAUNCHER, run};
use serde_json::Value;

/// An app with a call that leads nowhere, a literal, and a lost screen that is meant.
fn app() -> App {
    App::new(&format!(
        r#"{LAUNCHER}//- app/über uns/Main.kt
package barn
import androidx.navigation.compose.*
class MainActivity : ComponentActivity() {{ override fun onCreate(b: Bundle?) {{ setContent {{ Host() }} }} }}
@Composable fun Host() {{
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {{
        composable("shelf") {{ Button(onClick = {{ nav.navigate("gone") }}) {{}} }}
        // lantern: orphan-screen is meant: the sign at the door opens it
        composable("hours") {{ Hours() }}
    }}
}}
@Composable fun Hours() {{}}
"#
    ))
}

fn written(format: &str) -> String {
    let app = app();
    let run = run(&["scan", app.arg(), "--format", format]);
    assert_eq!(run.status, 1, "{}", run.err);
    run.out
}

#[test]
fn sarif_has_rules_results_with_places_and_what_is_meant() {
    let log: Value = serde_json::from_str(&written("sarif")).expect("JSON");
    assert_eq!(log["version"], "2.1.0");
    let run = &log["runs"][0];
    let rules = run["tool"]["driver"]["rules"].as_array().expect("rules");
    let results = run["results"].as_array().expect("results");
    for result in results {
        let index = usize::try_from(result["ruleIndex"].as_u64().expect("an index")).expect("small");
        assert_eq!(rules[index]["id"], result["ruleId"]);
        assert!(result["partialFingerprints"]["fallowLantern/v1"].is_string());
        let place = &result["locations"][0]["physicalLocation"];
        assert_eq!(place["artifactLocation"]["uri"], "app/%C3%BCber%20uns/Main.kt");
        assert!(place["region"]["startLine"].as_u64() > Some(0));
    }
    let of = |rule: &str| results.iter().find(|result| result["ruleId"] == rule).expect("a result");
    assert_eq!(of("undeclared-route")["level"], "error");
    assert!(of("undeclared-route").get("suppressions").is_none());
    let meant = &of("orphan-screen")["suppressions"][0];
    assert_eq!(meant["kind"], "inSource");
    assert_eq!(meant["justification"], "the sign at the door opens it");
}

#[test]
fn junit_fails_what_is_wrong_and_skips_what_is_meant() {
    let text = written("junit");
    let report = quick_junit::Report::deserialize_from_str(&text).expect("a report");
    let suite =
        |name: &str| report.test_suites.iter().find(|suite| suite.name.as_str() == name).expect("a suite");
    assert_eq!(suite("undeclared-route").errors, 1);
    let is_skipped =
        |case: &quick_junit::TestCase| matches!(case.status, quick_junit::TestCaseStatus::Skipped { .. });
    assert!(suite("orphan-screen").test_cases.iter().any(is_skipped));
    assert_eq!(suite("orphan-screen").failures, 0);
    assert_eq!(suite("argument-type").tests, 1, "a rule that finds nothing has passed");
}

#[test]
fn comma_separated_values_and_lines_of_json_say_the_same() {
    let table = written("csv");
    let mut reader = csv::Reader::from_reader(table.as_bytes());
    let rows: Vec<csv::StringRecord> = reader.records().collect::<Result<_, _>>().expect("a table");
    let lines: Vec<Value> =
        written("json-lines").lines().map(|line| serde_json::from_str(line).expect("JSON")).collect();
    assert_eq!(rows.len(), lines.len());
    for (row, line) in rows.iter().zip(&lines) {
        assert_eq!(line["rule"], row[0]);
        assert_eq!(line["at"]["file"], row[2]);
        assert_eq!(line["at"]["line"].to_string(), row[3]);
        assert_eq!(line["message"], row[5]);
    }
}

#[test]
fn several_forms_at_once() {
    let app = app();
    let folder = tempfile::tempdir().expect("a folder");
    let file = |name: &str| folder.path().join(name);
    let also = |form: &str, name: &str| format!("{form}={}", file(name).display());
    let (sarif, table) = (also("sarif", "found.sarif"), also("csv", "found.csv"));
    let run = run(&["scan", app.arg(), "--also", &sarif, "--also", &table]);
    assert!(run.out.contains("undeclared-route"), "{}", run.out);
    assert!(std::fs::read_to_string(file("found.sarif")).expect("written").contains("\"2.1.0\""));
    assert!(std::fs::read_to_string(file("found.csv")).expect("written").starts_with("rule,severity,"));
}

#[test]
fn a_form_that_is_not_there_is_told() {
    for (given, told) in
        [("sarif", "a form and a file are wanted"), ("sarf=x", "sarf"), ("csv=", "missing behind")]
    {
        let run = run(&["scan", "--also", given]);
        assert_eq!(run.status, 2);
        assert!(run.err.contains(told), "{}", run.err);
    }
}

#[test]
fn listings_keep_to_a_part() {
    let app = app();
    let lines = |args: &[&str]| {
        let run = run(&[&[args[0], app.arg()], &args[1..], &["--format", "json-lines"]].concat());
        assert_eq!(run.status, 0, "{}", run.err);
        let read = |line: &str| serde_json::from_str::<Value>(line).expect("JSON");
        run.out.lines().map(read).collect::<Vec<_>>()
    };
    let names = |found: Vec<Value>| -> Vec<String> {
        found.iter().map(|route| route["name"].as_str().expect("a name").to_owned()).collect()
    };
    assert_eq!(names(lines(&["routes", "--style", "compose-string"])), ["shelf", "hours"]);
    assert_eq!(names(lines(&["routes", "--screen", "Hours"])), ["hours"]);
    assert_eq!(names(lines(&["routes", "--holding", "SHE"])), ["shelf"]);
    assert_eq!(lines(&["calls", "--status", "undeclared"]).len(), 1);
    assert_eq!(lines(&["calls", "--status", "dynamic"]).len(), 0);
    assert_eq!(lines(&["calls", "--screen", "Hours"]).len(), 0);
    let none = run(&["calls", app.arg(), "--status", "dynamic"]);
    assert_eq!(none.out, "Of 1 call none is kept.\n");
    let table = run(&["calls", app.arg(), "--format", "csv"]);
    assert!(table.out.starts_with("from,verb,to,written,status,"), "{}", table.out);
    for (given, near) in [
        ("--screen=Hour", "`Hours`"),
        ("--status=dynamc", "`dynamic`"),
        ("--style=compose-strin", "`compose-string`"),
    ] {
        let run = run(&["calls", app.arg(), given]);
        assert_eq!(run.status, 2);
        assert!(run.err.contains(near), "{}", run.err);
    }
}
