//! A tree of several apps: the demo as it is shipped, and what is asked of one of them.

use crate::support::{App, demo, places, run, scanned};

#[test]
fn the_demos_apps_and_what_holds_in_one_of_them() {
    let document = scanned(&demo("two-apps"));
    let apps = document["apps"].as_array().expect("apps");
    let names: Vec<&str> = apps.iter().filter_map(|app| app["name"].as_str()).collect();
    assert_eq!(names, ["example.borrowbarn.counter", "example.borrowbarn.members"]);
    assert_eq!(apps[1]["modules"], serde_json::json!(["members", "shelf"]));
    assert_eq!(
        places(&document, "undeclared-route"),
        ["MainActivity.kt:40", "RepairDesk.kt:39", "ShelfScreen.kt:18"]
    );
    assert_eq!(places(&document, "orphan-screen"), ["RepairDesk.kt:40", "MainActivity.kt:29"]);
    let findings = document["findings"].as_array().expect("findings");
    let shared = findings.iter().find(|f| f["at"]["line"] == 18 && f["rule"] == "undeclared-route");
    assert_eq!(shared.expect("the shared call")["apps"], serde_json::json!(["example.borrowbarn.members"]));
    let loans =
        document["calls"].as_array().into_iter().flatten().find(|call| call["target"]["value"] == "loans");
    let routes = loans.and_then(|call| call["target"]["routes"].as_array()).map_or(0, Vec::len);
    assert_eq!(routes, 2, "the shelf leads to the loans of both");
}

#[test]
fn one_app_by_its_name_or_its_folder() {
    let tree = demo("two-apps");
    let members = run(&["scan", &tree, "--app", "example.borrowbarn.members", "--format", "json"]);
    let by_folder = run(&["scan", &tree, "--app", "members", "--format", "json"]);
    assert_eq!((members.status, &members.out), (1, &by_folder.out));
    let document: serde_json::Value = serde_json::from_str(&members.out).expect("JSON");
    assert_eq!(places(&document, "undeclared-route"), ["ShelfScreen.kt:18"]);
    assert_eq!(document["totals"]["files"], 4, "its own files and the shelf's");
    let unknown = run(&["scan", &tree, "--app", "attic"]);
    assert_eq!(unknown.status, 2);
    assert!(unknown.err.contains("there is no app `attic`"), "{}", unknown.err);
    assert!(
        unknown.err.contains("`example.borrowbarn.counter`, `example.borrowbarn.members`"),
        "{}",
        unknown.err
    );
}

#[test]
fn apps_come_first_where_there_are_several() {
    let tree = demo("two-apps");
    for command in ["scan", "routes", "calls"] {
        let said = run(&[command, &tree]).out;
        let app = said.find("example.borrowbarn.counter").expect("the apps");
        assert!(app < said.find("ShelfScreen").expect("what they have"), "{said}");
    }
    let scan = run(&["scan", &tree]).out;
    assert!(scan.contains("2 apps, 3 modules"), "{scan}");
    assert!(scan.contains("only in  example.borrowbarn.members"), "{scan}");
    let routes = run(&["routes", &tree]).out;
    assert!(routes.contains("members/src/main/kotlin/MainActivity.kt:26"), "two files of one name: {routes}");
    let one = run(&["scan", &tree, "--app", "members"]).out;
    assert!(!one.contains("2 apps"), "{one}");
}

#[test]
fn two_apps_of_one_tree_are_compared() {
    let gaps = run(&["gaps", &demo("two-apps"), "--old-app", "counter", "--new-app", "members"]);
    assert_eq!(gaps.status, 1);
    assert!(gaps.out.contains("(counter) → ") && gaps.out.contains("(members)"), "{}", gaps.out);
    assert!(
        gaps.out.contains("`return/{itemId}`, which shows ReturnScreen, is not in the new app"),
        "{}",
        gaps.out
    );
    assert!(gaps.out.contains("`card` is only in the new app"), "{}", gaps.out);
}

const NATIVE: &str = r#"
//- pubspec.yaml
name: barn
dependencies:
  flutter:
    sdk: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: ShelfPage()));
class ShelfPage extends StatelessWidget {
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.push(
    context, MaterialPageRoute(builder: (context) => LoanPage())), child: Text('loans'));
}
class LoanPage extends StatelessWidget { Widget build(BuildContext context) => Text(''); }
//- packages/labels/pubspec.yaml
name: labels
dependencies:
  flutter:
    sdk: flutter
//- packages/labels/lib/labels.dart
import 'package:flutter/material.dart';
class LabelPage extends StatelessWidget {
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.push(
    context, MaterialPageRoute(builder: (context) => SheetPage())), child: Text('sheet'));
}
class SheetPage extends StatelessWidget { Widget build(BuildContext context) => Text(''); }
"#;

#[test]
fn the_overview_says_what_is_a_library() {
    let app = App::new(NATIVE);
    let scan = run(&["scan", app.arg()]);
    assert!(scan.out.contains("packages/labels is a library that no app here uses"), "{}", scan.out);
    assert!(!scan.out.contains("orphan-screen"), "{}", scan.out);
    let library = format!("{}/packages/labels", app.arg());
    let alone = run(&["scan", &library]);
    assert!(alone.out.contains("No app is started in it: it is read as a library"), "{}", alone.out);
}

#[test]
fn a_way_to_a_screen_leads_through_one_app() {
    let tree = demo("two-apps");
    let reach = run(&["reach", "LoansScreen", "--in", &tree]).out;
    let (counter, members) = reach.split_once("In example.borrowbarn.members").expect("both apps");
    assert!(counter.starts_with("In example.borrowbarn.counter"), "{reach}");
    for one in [counter, members] {
        assert_eq!(one.matches("the app's start").count(), 1, "{one}");
    }
    assert!(counter.contains("counter/src/main") && members.contains("members/src/main"), "{reach}");

    let json = run(&["reach", "LoansScreen", "--in", &tree, "--format", "json"]);
    assert_eq!(json.status, 2);
    assert!(json.err.contains("name one with --app"), "{}", json.err);
    let one = run(&["reach", "LoansScreen", "--in", &tree, "--app", "counter", "--format", "json"]);
    let document: serde_json::Value = serde_json::from_str(&one.out).expect("JSON");
    assert_eq!(document["ways"].as_array().map(Vec::len), Some(1));
    let only = run(&["reach", "CardScreen", "--in", &tree]);
    assert!(only.out.starts_with("CardScreen"), "one app has it: {}", only.out);
}

#[test]
fn what_is_meant_in_another_app_is_not_idle_for_this_one() {
    let package = |folder: &str, comment: &str, call: &str| {
        format!(
            "//- {folder}/pubspec.yaml\nname: {folder}\ndependencies:\n  flutter: {{ sdk: flutter }}\n//- {folder}/lib/main.dart\nimport 'package:flutter/material.dart';\nvoid main() => runApp(MaterialApp(routes: {{'/': (_) => Shelf()}}, onUnknownRoute: (_) => null));\nclass Shelf extends StatelessWidget {{\n  Widget build(BuildContext context) {{\n    {comment}\n    return TextButton(onPressed: () => Navigator.pushNamed(context, '{call}'));\n  }}\n}}\n"
        )
    };
    let comment = "// lantern: undeclared-route is meant: the till declares it";
    let settings = "//- fallow-lantern.toml\n[[meant]]\npath = \"members/\"\nbecause = \"it goes soon\"\n";
    let tree =
        App::new(&[settings, &package("members", comment, "/till"), &package("counter", "", "/")].concat());
    let rules = |args: &[&str]| {
        let run = run(&[&["scan", tree.arg(), "--format", "csv"], args].concat());
        run.out
            .lines()
            .skip(1)
            .filter_map(|line| line.split(',').next().map(str::to_owned))
            .collect::<Vec<_>>()
    };
    let idle = |found: Vec<String>| found.iter().filter(|rule| *rule == "idle-comment").count();
    assert_eq!(idle(rules(&["--app", "counter"])), 0, "neither the comment nor the settings were looked at");
    assert_eq!(idle(rules(&[])), 0, "both name the one finding");
}
