//! Machine output: against its schema, the same bytes every time; and the generated pages.

use crate::support::{LAUNCHER, demo, project, run, scanned};
use fallow_lantern_core::explain::page;
use fallow_lantern_core::model::{Document, Gaps, Reach};
use fallow_lantern_core::rules::RULES;
use std::path::Path;

#[test]
fn documents_are_what_their_schemas_say() {
    let app = demo("android");
    fits::<Document>("scan", &["scan", &app, "--format", "json"]);
    fits::<Reach>("reach", &["reach", "loanDetail", "--in", &app, "--format", "json"]);
    fits::<Reach>("reach", &["reach", "shelf", "settings", "--in", &app, "--format", "json"]);
    fits::<Gaps>("gaps", &["gaps", &app, "--to", "compose-typed", "--format", "json"]);
    fits::<Gaps>("gaps", &["gaps", &app, &format!("{app}/loans"), "--format", "json"]);
}

/// Compares a schema with the committed one, and what a command writes with the schema.
#[track_caller]
fn fits<T: schemars::JsonSchema>(name: &str, command: &[&str]) {
    let path = project().join(format!("docs/schema/{name}.schema.json"));
    let schema = serde_json::to_value(schemars::schema_for!(T)).expect("a schema");
    committed(&path, &(serde_json::to_string_pretty(&schema).expect("JSON") + "\n"));
    let validator = jsonschema::validator_for(&schema).expect("a valid schema");
    let run = run(command);
    assert!(run.status < 2, "{}", run.err);
    let document = serde_json::from_str(&run.out).expect("a JSON object");
    let errors: Vec<String> = validator.iter_errors(&document).map(|error| error.to_string()).collect();
    assert!(errors.is_empty(), "{errors:#?}");
    let bare = serde_json::json!({ "format": format!("fallow-lantern/{name}") });
    assert!(!validator.is_valid(&bare), "the schema asks for more than that");
}

#[test]
fn ids_in_the_document_lead_somewhere() {
    let document = scanned(&demo("android"));
    let ids = |list: &str| -> Vec<String> {
        let rows = document[list].as_array().expect("a list");
        rows.iter().map(|row| row["id"].as_str().expect("an id").to_owned()).collect()
    };
    let (screens, routes, calls) = (ids("screens"), ids("routes"), ids("calls"));
    for list in [&screens, &routes, &calls] {
        let mut unique = list.clone();
        unique.sort();
        unique.dedup();
        assert_eq!(unique.len(), list.len(), "ids are unique");
    }
    for call in document["calls"].as_array().expect("a list") {
        for screen in call["screens"].as_array().expect("a list") {
            assert!(screens.contains(&screen.as_str().expect("an id").to_owned()), "{call:#}");
        }
        for route in call["target"]["routes"].as_array().into_iter().flatten() {
            assert!(routes.contains(&route.as_str().expect("an id").to_owned()), "{call:#}");
        }
    }
}

#[test]
fn the_same_bytes_come_out_whatever_the_number_of_threads() {
    let once = |threads: &str| {
        let mut command = assert_cmd::Command::cargo_bin("fallow-lantern").expect("the program is built");
        let output = command
            .env("RAYON_NUM_THREADS", threads)
            .args(["scan", &demo("android"), "--format", "json"])
            .output();
        output.expect("the program runs").stdout
    };
    assert_eq!(once("1"), once("4"));
}

#[test]
fn fingerprints_stay_when_lines_move() {
    let app = |above: &str| {
        crate::support::App::new(&format!(
            "{LAUNCHER}//- Main.kt\n{above}package barn\nimport androidx.fragment.app.Fragment\nclass LostFragment : Fragment()\nclass MainActivity : Activity()\n"
        ))
    };
    let fingerprint = |app: &crate::support::App| {
        scanned(app.arg())["findings"][0]["fingerprint"].as_str().map(str::to_owned)
    };
    let (here, below) = (app(""), app("// a line\n// another\n"));
    assert!(fingerprint(&here).is_some());
    assert_eq!(fingerprint(&here), fingerprint(&below));
}

#[test]
fn every_rule_has_its_page() {
    for rule in RULES {
        committed(&project().join(format!("docs/rules/{}.md", rule.name)), &page(rule));
        assert_eq!(run(&["rules", rule.name, "--format", "markdown"]).out, page(rule));
    }
    let pages = std::fs::read_dir(project().join("docs/rules")).expect("the pages");
    assert_eq!(pages.count(), RULES.len(), "no page is left of a rule that is gone");
}

/// Compares a generated file with the committed one, or writes it where `UPDATE_DOCS` is set.
#[track_caller]
fn committed(path: &Path, text: &str) {
    if std::env::var_os("UPDATE_DOCS").is_some() {
        std::fs::write(path, text).expect("the file can be written");
    }
    let found = std::fs::read_to_string(path).unwrap_or_default();
    assert!(found == text, "{} is out of date: run the tests with UPDATE_DOCS=1", path.display());
}
