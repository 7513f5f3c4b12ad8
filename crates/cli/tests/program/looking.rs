//! `reach`, `map` and `gaps` as a developer types them.

use crate::support::{App, LAUNCHER, Run, demo, run, run_bytes};
use quick_xml::Reader;
use quick_xml::events::Event;
use std::collections::BTreeMap;

#[test]
fn reach_says_how_one_gets_to_a_screen() {
    let run = run(&["reach", "loanDetail", "--in", &demo("android"), "--color", "never"]);
    assert_eq!((run.status, run.err.as_str()), (0, ""));
    for line in [
        "LoanDetailFragment  fragment",
        "takes loanId: string, copies?: integer; opened by borrowbarn://loan/{loanId}",
        "LoanDetailFragment  borrowbarn://loan/{loanId}",
        "MainActivity  the app's start  2 steps",
        "→ LoanDetailFragment  link Uri.parse(\"borrowbarn://loan/l-1\")  ShelfFragment.kt:27",
        "copies  Int     may be absent",
    ] {
        assert!(run.out.contains(line), "{line} is not in\n{}", run.out);
    }
    let order = ["Ways in", "Opened by", "Reads", "Goes on to"].map(|title| run.out.find(title));
    assert!(order.is_sorted() && order[0].is_some(), "{order:?}");
}

#[test]
fn reach_of_two_screens_is_the_way_between_them_or_why_there_is_none() {
    let between =
        |from: &str, to: &str| run(&["reach", from, to, "--in", &demo("android"), "--color", "never"]);
    let way = between("ShelfFragment", "entry/{loanId}?late={late}");
    assert!(way.out.contains("→ ReturnsActivity  open ReturnsActivity  MainActivity.kt:47"), "{}", way.out);
    assert!(!way.out.contains("Opened by"), "only the way was asked for");
    let none = between("EntryScreen", "ShelfFragment");
    assert_eq!(none.status, 0, "a question answered");
    assert!(none.out.contains("none: `ShelfFragment` is only opened from `MainActivity`"), "{}", none.out);
}

#[test]
fn names_that_are_none_are_answered_with_the_nearest() {
    let wrong = |args: &[&str]| {
        let Run { status, out, err } = run(args);
        assert_eq!((status, out.as_str()), (2, ""), "{err}");
        err
    };
    let app = demo("android");
    let misspelt = wrong(&["reach", "LoanDetialFragment", "--in", &app]);
    let said = "there is no screen or route `LoanDetialFragment`; did you mean `LoanDetailFragment`";
    assert!(misspelt.contains(said), "the nearest comes first: {misspelt}");
    assert!(wrong(&["map", &app, "--around", "shelv"]).contains("did you mean `shelf`?"));
    assert!(
        wrong(&["map", &app, "--module", "loan"])
            .contains("there is no module `loan`; did you mean `loans`?")
    );
    assert!(wrong(&["map", &app, "--style", "compose-typedd"]).contains("did you mean `compose-typed`?"));
    assert!(wrong(&["map", &app, "--style", "compose"]).contains("`compose-string`, `compose-typed`"));
    assert!(wrong(&["gaps", &app, "--to", "voyagers"]).contains("did you mean `voyager`?"));
    assert!(wrong(&["gaps", &app]).contains("--to"), "there is nothing to compare to");
    assert!(wrong(&["map", &app, "--output", "map.bmp"]).contains("add --format"));
    assert!(wrong(&["map", &app, "--depth", "1"]).contains("--around"));
}

/// Elements of an XML text by name; reading it to the end says that it is well-formed.
#[track_caller]
fn elements(xml: &str) -> BTreeMap<String, usize> {
    let mut reader = Reader::from_str(xml);
    let mut counts = BTreeMap::new();
    loop {
        match reader.read_event().expect("well-formed") {
            Event::Eof => return counts,
            Event::Start(e) | Event::Empty(e) => {
                *counts.entry(e.name().as_ref().to_owned()).or_default() += 1;
            }
            _ => {}
        }
    }
}

fn map(app: &str, format: &str) -> String {
    let run = run(&["map", app, "--format", format]);
    assert_eq!((run.status, run.err.as_str()), (0, ""));
    run.out
}

#[test]
fn a_map_in_every_format() {
    let app = demo("android");
    let svg = map(&app, "svg");
    let counts = elements(&svg);
    assert_eq!(svg.matches("data-place=").count(), 27);
    assert!(counts["text"] > 60 && counts["style"] == 1 && counts["title"] == 28, "{counts:?}");
    assert!(
        svg.contains("nobody opens it") && svg.contains("way into the app"),
        "the legend says it in words"
    );
    assert!(!svg.contains("http://") || svg.matches("http").count() == 1, "nothing but its namespace");

    let graphml = map(&app, "graphml");
    let counts = elements(&graphml);
    let arrows = map(&app, "dot").matches(" -> ").count();
    assert_eq!((counts["node"], counts["edge"]), (27, arrows));

    let mermaid = map(&app, "mermaid");
    assert!(mermaid.starts_with("flowchart LR\n"));
    assert_eq!(
        mermaid.matches("subgraph ").count(),
        mermaid.matches("\n  end\n").count() + mermaid.matches("\n    end\n").count()
    );
    assert!(mermaid.contains("[[\"MainActivity<br/>activity<br/>way in\"]]"));

    let png = run_bytes(&["map", &app, "--around", "shelf", "--depth", "1", "--format", "png"]);
    assert_eq!(&png[..8], b"\x89PNG\r\n\x1a\n");
    let side = |at: usize| u32::from_be_bytes([png[at], png[at + 1], png[at + 2], png[at + 3]]);
    assert!(side(16) > 600 && side(20) > 200, "{} by {}", side(16), side(20));
}

#[test]
fn the_same_map_comes_out_every_time() {
    assert_eq!(map(&demo("android"), "svg"), map(&demo("android"), "svg"));
}

#[test]
fn the_output_s_name_tells_the_format() {
    let folder = tempfile::TempDir::new().expect("a temporary folder");
    for (name, start) in [
        ("m.svg", "<svg"),
        ("m.dot", "digraph"),
        ("m.mmd", "flowchart"),
        ("m.graphml", "<?xml"),
        ("m.png", "\u{fffd}PNG"),
    ] {
        let path = folder.path().join(name);
        let run = run(&[
            "map",
            &demo("android"),
            "--around",
            "settings",
            "--depth",
            "0",
            "-o",
            &path.to_string_lossy(),
        ]);
        assert_eq!((run.status, run.out.as_str()), (0, ""));
        assert!(run.err.contains(name), "it says what it wrote");
        let bytes = std::fs::read(&path).expect("the file is there");
        assert!(String::from_utf8_lossy(&bytes).starts_with(start), "{name}");
    }
}

#[test]
fn arguments_are_written_at_arrows_on_request() {
    let app = demo("android");
    let dot = |more: &[&str]| run(&[&["map", &app, "--format", "dot"], more].concat()).out;
    assert!(!dot(&[]).contains("copies"));
    assert!(dot(&["--arguments"]).contains("label=\"copies, loanId\""));
}

/// Names that mean something to what they are written into.
fn hostile() -> App {
    App::new(
        r#"//- Barn.kt
package barn
import androidx.navigation.compose.*
@Composable fun Barn() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "a\"];b[label=\"x") {
        composable("a\"];b[label=\"x") { ShelfScreen(onGo = { nav.navigate("<script>alert(1)</script>") }) }
        composable("=cmd|' /C calc'!A0 | x [y](javascript:z) \u001b[31m") { ItemScreen() }
    }
}
@Composable fun ShelfScreen(onGo: () -> Unit) { Button(onClick = onGo) {} }
@Composable fun ItemScreen() {}
"#,
    )
}

#[test]
fn hostile_names_are_escaped_for_where_they_go() {
    let app = hostile();
    let svg = map(app.arg(), "svg");
    elements(&svg);
    elements(&map(app.arg(), "graphml"));
    assert!(!svg.contains("<script") && svg.contains("&lt;script&gt;"));
    let dot = map(app.arg(), "dot");
    assert!(dot.contains(r#"a\"];b[label=\"x"#), "{dot}");
    for line in dot.lines().filter(|line| line.contains("[label=") && line.contains('n')) {
        let quotes = line.matches('"').count() - line.matches("\\\"").count();
        assert!(quotes.is_multiple_of(2), "{line}");
    }
    let mermaid = map(app.arg(), "mermaid");
    assert!(mermaid.contains("#60;script#62;") && !mermaid.contains("<script"));
    assert!(!mermaid.contains('\u{1b}') && !svg.contains('\u{1b}') && !dot.contains('\u{1b}'));
    let gaps = run(&["gaps", app.arg(), "--to", "compose-typed", "--format", "markdown"]);
    assert!(!gaps.out.contains('\u{1b}'));
    let row = gaps.out.lines().find(|line| line.starts_with("| =cmd")).expect("a row of the order");
    assert!(row.contains(r"\[y\](javascript") && row.contains(r"cmd\|"), "{row}");
    let text = run(&["gaps", app.arg(), "--to", "compose-typed", "--color", "never"]);
    assert!(!text.out.contains('\u{1b}'));
}

#[test]
fn gaps_between_two_apps_in_every_format() {
    let routes = |routes: &str| {
        App::new(&format!(
            "{LAUNCHER}//- Barn.kt\npackage barn\nimport androidx.navigation.compose.*\nclass MainActivity : ComponentActivity()\n@Composable fun Barn() {{ NavHost(rememberNavController(), startDestination = \"shelf\") {{ {routes} }} }}\n@Composable fun ShelfScreen() {{}}\n@Composable fun ItemScreen() {{}}\n"
        ))
    };
    let shelf = "composable(\"shelf\") { ShelfScreen() }\n";
    let old = routes(&format!("{shelf} composable(\"item/{{id}}\") {{ ItemScreen() }}"));
    let new = routes(shelf);
    let text = run(&["gaps", old.arg(), new.arg(), "--color", "never"]);
    assert_eq!(text.status, 1, "there are gaps");
    assert!(text.out.contains("`item/{id}`, which shows ItemScreen, is not in the new app"), "{}", text.out);
    let markdown = run(&["gaps", old.arg(), new.arg(), "--format", "markdown"]);
    assert!(markdown.out.contains("## Routes that are missing\n\n- [ ] `item/{id}`"), "{}", markdown.out);
    let json = run(&["gaps", old.arg(), new.arg(), "--format", "json"]);
    let json: serde_json::Value = serde_json::from_str(&json.out).expect("a JSON object");
    assert_eq!(json["gaps"][0]["kind"], "route");
    assert_eq!(json["gaps"][0]["new"], serde_json::Value::Null);
    assert_eq!(json["progress"]["routes"], serde_json::json!({ "done": 2, "of": 3 }));
    let same = run(&["gaps", new.arg(), new.arg(), "--color", "never"]);
    assert_eq!(same.status, 0);
    assert!(same.out.contains("Nothing is missing."), "{}", same.out);
}

#[test]
fn gaps_towards_a_style_say_what_to_move_next() {
    let run = run(&["gaps", &demo("android"), "--to", "compose-typed", "--color", "never"]);
    assert_eq!(run.status, 1);
    for line in [
        "routes      2 of 24 (8 %)",
        "`queue` is still declared as compose-string  ReturnsDesk.kt:15",
        "`tagPicker` hands a result back to `ItemEditFragment`: move both together",
        "loanDetail                  fragment-graph  5 calls",
    ] {
        assert!(run.out.contains(line), "{line} is not in\n{}", run.out);
    }
    assert!(!run.out.contains("`MainActivity` is still"), "the window that the system opens stays");
}
