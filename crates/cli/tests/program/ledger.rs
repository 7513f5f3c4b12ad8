//! The ledger: what is accepted no longer fails, what is new does.

use crate::support::{App, LAUNCHER, run};
use std::path::Path;

fn app(calls: &str) -> App {
    App::new(&format!(
        "{LAUNCHER}//- Main.kt\npackage barn\nimport androidx.navigation.compose.*\nclass MainActivity : ComponentActivity() {{ override fun onCreate(b: Bundle?) {{ setContent {{ Host() }} }} }}\n@Composable fun Host() {{\n    val nav = rememberNavController()\n    NavHost(nav, startDestination = \"shelf\") {{ composable(\"shelf\") {{ Button(onClick = {{ {calls} }}) {{}} }} }}\n}}\n"
    ))
}

fn rewrite(app: &App, from: &str, to: &str) {
    let file = Path::new(app.arg()).join("Main.kt");
    let text = std::fs::read_to_string(&file).expect("the source");
    std::fs::write(&file, text.replace(from, to)).expect("written");
}

#[test]
fn accepted_new_and_gone() {
    let app = app("nav.navigate(\"gone\")");
    let scan = |more: &[&str]| run(&[&["scan", app.arg()], more].concat());
    assert_eq!(scan(&[]).status, 1);
    let accepted = scan(&["--accept"]);
    assert_eq!(accepted.status, 0, "{}", accepted.out);
    assert!(accepted.err.contains("accepted in"), "{}", accepted.err);
    let again = scan(&[]);
    assert_eq!(again.status, 0, "{}", again.out);
    assert!(again.out.contains("accepted by the ledger"), "{}", again.out);

    rewrite(&app, "nav.navigate(\"gone\")", "nav.navigate(\"gone\"); nav.navigate(\"new\")");
    let more = scan(&[]);
    assert_eq!(more.status, 1);
    assert!(more.out.contains("`new`") && !more.out.contains("`gone`"), "{}", more.out);

    rewrite(&app, "nav.navigate(\"gone\"); nav.navigate(\"new\")", "nav.navigate(\"shelf\")");
    let mended = scan(&[]);
    assert!(mended.err.contains("--shrink takes out") && mended.err.contains("`gone`"), "{}", mended.err);
    let ledger =
        || std::fs::read_to_string(Path::new(app.arg()).join("fallow-lantern.ledger")).expect("a ledger");
    assert!(ledger().contains("`gone`"), "it does not change by itself");
    scan(&["--shrink"]);
    assert!(!ledger().contains("`gone`"), "{}", ledger());
}

#[test]
fn a_ledger_that_is_none_is_told() {
    let app = app("");
    std::fs::write(Path::new(app.arg()).join("fallow-lantern.ledger"), "<<<<<<< HEAD\n").expect("written");
    let run = run(&["scan", app.arg()]);
    assert_eq!(run.status, 2);
    assert!(run.err.contains("line 1 is no entry"), "{}", run.err);
}

#[test]
fn a_ledger_that_is_named_must_be_there() {
    let app = app("");
    let run = run(&["scan", app.arg(), "--ledger", "no-such-file"]);
    assert_eq!(run.status, 2);
    assert!(run.err.contains("no-such-file cannot be read"), "{}", run.err);
}
