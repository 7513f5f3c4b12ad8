//! The settings file.

use crate::support::{App, LAUNCHER, run, scanned};

/// An app with a lost screen, and settings.
fn app(settings: &str) -> App {
    App::new(&format!(
        "//- fallow-lantern.toml\n{settings}\n{LAUNCHER}//- app/Main.kt\npackage barn\nclass MainActivity : AppCompatActivity()\n//- legacy/Attic.kt\npackage barn.legacy\nimport androidx.fragment.app.Fragment\nclass AtticFragment : Fragment()\n"
    ))
}

#[test]
fn paths_that_are_left_out_are_not_read() {
    let rules = |settings: &str| -> Vec<String> {
        let document = scanned(app(settings).arg());
        let findings = document["findings"].as_array().expect("a list");
        findings.iter().map(|finding| finding["rule"].as_str().expect("a name").to_owned()).collect()
    };
    assert_eq!(rules(""), ["orphan-screen"]);
    assert_eq!(rules("leave-out = [\"legacy/\"]"), Vec::<String>::new());
    assert_eq!(rules("leave-out = [\"**/Attic.kt\"]"), Vec::<String>::new());
    assert_eq!(rules("leave-out = [\"attic/\"]"), ["orphan-screen"]);
}

#[test]
fn a_slip_in_the_settings_is_told_with_its_place() {
    for (settings, said) in [
        (
            "leave_out = []",
            "fallow-lantern.toml:1:1: there is no key `leave_out`; known ones are entries, leave-out, meant, pair, severity, target; did you mean `leave-out`?",
        ),
        ("target = \"compose\"", "fallow-lantern.toml:1:10: there is no style `compose`"),
        (
            "entries = [\"MainActivty\"]",
            "fallow-lantern.toml:1:12: there is no route `MainActivty`; did you mean `MainActivity`?",
        ),
        ("[[pair]]\nold = \"a\"", "a pair needs both `old` and `new`"),
        ("target = ", "fallow-lantern.toml:1:"),
    ] {
        let app = app(settings);
        let run = run(&["scan", app.arg()]);
        assert_eq!((run.status, run.out.as_str()), (2, ""), "{settings}");
        assert!(run.err.contains(said), "{said} is not in {}", run.err);
        assert_eq!(run.err.lines().count(), 1);
    }
}

#[test]
fn another_file_can_be_named() {
    let app = app("");
    app.write("ci/strict.toml", b"leave-out = [\"legacy/\"]\n");
    let file = app.path().join("ci/strict.toml");
    let with = run(&["scan", app.arg(), "--settings", &file.to_string_lossy()]);
    assert_eq!(with.status, 0, "{}", with.out);
    let missing = run(&["scan", app.arg(), "--settings", "no/such.toml"]);
    assert_eq!(missing.status, 2);
    assert!(missing.err.contains("no/such.toml cannot be read"), "{}", missing.err);
}

#[test]
fn a_target_is_what_gaps_and_notes_go_by() {
    let app = App::new(
        "//- fallow-lantern.toml\ntarget = \"compose-typed\"\n//- Barn.kt\npackage barn\nimport androidx.navigation.compose.*\n@Composable fun Barn() { NavHost(rememberNavController(), startDestination = \"shelf\") { composable(\"shelf\") { ShelfScreen() } } }\n@Composable fun ShelfScreen() {}\n",
    );
    let gaps = run(&["gaps", app.arg(), "--color", "never"]);
    assert_eq!(gaps.status, 1);
    assert!(gaps.out.contains("→ compose-typed"), "{}", gaps.out);
    let findings = &scanned(app.arg())["findings"];
    let older = findings.as_array().expect("a list").iter().find(|finding| finding["rule"] == "older-style");
    assert_eq!(older.expect("a note")["severity"], "note");
}

#[test]
fn pairs_are_given_in_the_new_app_s_settings() {
    let app = |name: &str, settings: &str| {
        App::new(&format!(
            "//- fallow-lantern.toml\n{settings}\n//- Barn.kt\npackage barn\nimport androidx.navigation.compose.*\n@Composable fun Barn() {{ NavHost(rememberNavController(), startDestination = \"{name}\") {{ composable(\"{name}\") {{ {name}Screen() }} }} }}\n@Composable fun {name}Screen() {{}}\n"
        ))
    };
    let old = app("Shelf", "");
    let pair = "[[pair]]\nold = \"Shelf\"\nnew = \"Stock\"";
    assert_eq!(run(&["gaps", old.arg(), app("Stock", "").arg()]).status, 1);
    assert_eq!(run(&["gaps", old.arg(), app("Stock", pair).arg()]).status, 0);
    let wrong = run(&["gaps", old.arg(), app("Stock", "[[pair]]\nold = \"Shelff\"\nnew = \"Stock\"").arg()]);
    assert_eq!(wrong.status, 2);
    assert!(
        wrong.err.contains("fallow-lantern.toml:2:7: there is no route or screen `Shelff`"),
        "{}",
        wrong.err
    );
}

#[test]
fn what_is_meant_is_counted_and_no_longer_fails() {
    let app = tempfile::tempdir().expect("a folder");
    let at = |path: &str| app.path().join(path);
    std::fs::write(at("pubspec.yaml"), "name: barn\ndependencies:\n  flutter: { sdk: flutter }\n")
        .expect("written");
    std::fs::create_dir(at("lib")).expect("made");
    let page = |comment: &str| {
        format!(
            "import 'package:flutter/material.dart';\nvoid main() => runApp(MaterialApp(routes: {{'/': (_) => Shelf()}}, onUnknownRoute: (_) => null));\nclass Shelf extends StatelessWidget {{\n  Widget build(BuildContext context) {{\n    {comment}\n    return TextButton(onPressed: () => Navigator.pushNamed(context, '/gone'));\n  }}\n}}\n"
        )
    };
    let scan = |comment: &str| {
        std::fs::write(at("lib/main.dart"), page(comment)).expect("written");
        let run = assert_cmd::Command::cargo_bin("fallow-lantern")
            .expect("built")
            .arg("scan")
            .arg(app.path())
            .output();
        let run = run.expect("it runs");
        (run.status.code(), String::from_utf8_lossy(&run.stdout).into_owned())
    };
    let (code, text) = scan("");
    assert_eq!(code, Some(1), "{text}");
    let (code, text) = scan("// lantern: undeclared-route is meant: the shop declares it");
    assert_eq!(code, Some(0), "{text}");
    assert!(text.contains("1 finding said to be meant: 1 by a comment"), "{text}");
}
