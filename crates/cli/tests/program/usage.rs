//! Commands as a developer types them.

use crate::support::{App, demo, run};
use tempfile::TempDir;

#[test]
fn scan_says_what_is_there_and_then_what_is_wrong_worst_first() {
    let run = run(&["scan", &demo("android"), "--color", "never"]);
    assert_eq!(run.status, 1, "{}", run.err);
    for line in [
        "2 modules, 23 screens, 25 routes, 42 calls",
        "shelf (ShelfFragment)",
        "compose-typed",
        "borrowbarn://item/{itemId}  →  itemDetail",
    ] {
        assert!(run.out.contains(line), "{line} is not in\n{}", run.out);
    }
    let at = |text: &str| run.out.find(text).unwrap_or_else(|| panic!("{text} is not in\n{}", run.out));
    assert!(at("error[undeclared-route]") < at("warning[optional-forced]"));
    assert!(run.out.contains("unused-name"), "notes are counted by rule\n{}", run.out);
    assert!(!run.out.contains("note[unused-name]"), "and shown on request only");
    assert!(run.out.contains("findNavController().navigate(R.id.edit_item)"), "the line of code is shown");
    assert!(run.out.contains("Did you mean `itemEdit`?"));
    assert!(run.err.is_empty(), "{}", run.err);

    for shown in [["--notes", "--color=never"], ["--threshold=note", "--color=never"]] {
        let run = crate::support::run(&["scan", &demo("android"), shown[0], shown[1]]);
        assert!(run.out.contains("note[unused-name]"), "{shown:?}\n{}", run.out);
    }
}

#[test]
fn the_threshold_decides_the_exit_status() {
    let notes_only = App::new(
        r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <action android:id="@+id/nobody" app:destination="@id/shelf"/>
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
</navigation>
//- AndroidManifest.xml
<manifest package="barn" xmlns:android="http://schemas.android.com/apk/res/android">
  <application>
    <activity android:name=".MainActivity">
      <intent-filter>
        <action android:name="android.intent.action.MAIN"/>
        <category android:name="android.intent.category.LAUNCHER"/>
      </intent-filter>
    </activity>
  </application>
</manifest>
//- Main.kt
package barn
class ShelfFragment : Fragment()
class MainActivity : AppCompatActivity() {
    fun start() { NavHostFragment.create(R.navigation.main) }
}
"#,
    );
    let status = |threshold| run(&["scan", notes_only.arg(), "--threshold", threshold]).status;
    assert_eq!(["error", "warning", "note", "none"].map(status), [0, 0, 1, 0]);
}

#[test]
fn routes_and_calls_are_listed() {
    let routes = run(&["routes", &demo("android"), "--color", "never"]);
    assert_eq!(routes.status, 0);
    let row = routes.out.lines().find(|line| line.starts_with("itemDetail")).expect("a row a route");
    assert!(row.contains("ItemDetailFragment") && row.contains("itemId: string"), "{row}");
    assert!(routes.out.contains("*shelf"), "starts are marked");

    let calls = run(&["calls", &demo("android"), "--color", "never"]);
    assert_eq!(calls.status, 0);
    let row = calls.out.lines().find(|line| line.contains("MemberListFragment.kt")).expect("a row a call");
    assert!(
        row.contains("memberDetail") && row.contains("memberId = \"m-7\"") && row.contains("generated"),
        "{row}"
    );
}

#[test]
fn listings_are_json_on_request() {
    for (command, key) in [("routes", "routes"), ("calls", "calls")] {
        let run = run(&[command, &demo("android"), "--format", "json"]);
        let value: serde_json::Value = serde_json::from_str(&run.out).expect("JSON");
        assert_eq!(value["format"], format!("fallow-lantern/{command}"));
        assert!(!value[key].as_array().expect("a list").is_empty());
    }
}

#[test]
fn rules_are_listed_and_explained() {
    let list = run(&["rules"]);
    assert_eq!(list.status, 0);
    assert!(list.out.contains("out-of-scope-route"));
    let one = run(&["rules", "orphan-screen"]);
    assert!(one.out.contains("Reported:") && one.out.contains("Mended:"), "{}", one.out);
    let wrong = run(&["rules", "orphan-scren"]);
    assert_eq!(wrong.status, 2);
    assert_eq!(wrong.err, "fallow-lantern: there is no rule `orphan-scren`; did you mean `orphan-screen`?\n");
}

#[test]
fn the_demo_is_written_scanned_and_never_overwritten() {
    let folder = TempDir::new().expect("a folder");
    let target = folder.path().join("barn");
    let target = target.to_str().expect("text");
    let first = run(&["demo", target]);
    assert_eq!(first.status, 0, "{}", first.err);
    assert!(first.out.contains("fallow-lantern routes"), "it says what to try next");
    for title in ["== How one gets to a screen", "== How far a move is", "== Files to open"] {
        assert!(first.out.contains(title), "{title} is not in\n{}", first.out);
    }
    for (file, start) in [
        ("map.svg", "<svg"),
        ("report.html", "<!DOCTYPE html>"),
        ("gaps.md", "# From"),
        ("map.png", "\u{fffd}PNG"),
    ] {
        let bytes = std::fs::read(folder.path().join("barn").join(file)).expect("it is written");
        assert!(String::from_utf8_lossy(&bytes).starts_with(start), "{file}");
    }
    let again = run(&["demo", target]);
    assert_eq!(again.status, 2);
    assert!(again.err.contains("not empty"), "{}", again.err);
    let written = run(&["scan", &format!("{target}/android"), "--format", "json"]);
    let shipped = run(&["scan", &demo("android"), "--format", "json"]);
    let without_root =
        |text: &str| text.lines().filter(|line| !line.contains("\"root\"")).collect::<Vec<_>>().join("\n");
    assert_eq!(without_root(&written.out), without_root(&shipped.out));
}

#[test]
fn usage_errors_are_clear_and_status_2() {
    for args in [&["scan", "--format", "yaml"][..], &["scam"], &["scan", "--treshold", "error"], &[]] {
        let run = run(args);
        assert_eq!(run.status, 2, "{args:?}");
        assert!(
            run.err.contains("Usage") || run.err.contains("possible values") || run.err.contains("similar"),
            "{}",
            run.err
        );
        assert!(run.out.is_empty());
    }
    let help = run(&["scan", "--help"]);
    assert_eq!(help.status, 0);
    assert!(help.out.contains("Examples:"));
}

#[test]
fn colour_is_only_used_where_it_is_wanted() {
    let escape = '\u{1b}';
    assert!(!run(&["scan", &demo("android")]).out.contains(escape), "a pipe is not coloured");
    assert!(run(&["scan", &demo("android"), "--color", "always"]).out.contains(escape));
}

#[cfg(unix)]
#[test]
fn a_closed_pipe_ends_quietly() {
    let program = assert_cmd::cargo::cargo_bin("fallow-lantern");
    let script = format!("'{}' scan '{}' | head -n 1", program.display(), demo("android"));
    let output = std::process::Command::new("bash").args(["-c", &script]).output().expect("bash runs");
    assert!(output.stderr.is_empty(), "{}", String::from_utf8_lossy(&output.stderr));
}

#[test]
fn what_is_not_said_is_said_with_the_reason() {
    let app = App::new(
        r#"
//- package.json
{ "name": "barn", "main": "index.js", "dependencies": { "@react-navigation/native": "7.1.0", "@react-navigation/native-stack": "7.1.0", "react-native": "0.79.2" } }
//- App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={Shelf} />
    <Stack.Screen name="Attic" component={Attic} />
  </Stack.Navigator></NavigationContainer>
);
function Shelf({ navigation }) {
  const open = (item) => {
    navigation.navigate(item.first);
    navigation.navigate(item.second);
    navigation.navigate(item.third);
  };
  return <List onPress={open} />;
}
function Attic() { return <Text />; }
"#,
    );
    let scan = run(&["scan", app.arg()]);
    assert!(scan.out.contains("3 calls decided at run time"), "{}", scan.out);
    assert!(
        scan.out.contains(
            "orphan-screen is not said of stack-component: most of its calls are decided at run time"
        ),
        "{}",
        scan.out
    );
    assert!(scan.out.contains("Nothing to report of what was understood."), "{}", scan.out);
}

#[test]
fn completions_and_manual_pages_know_every_command() {
    for shell in ["bash", "fish", "zsh"] {
        let script = run(&["completions", shell]);
        assert_eq!(script.status, 0, "{}", script.err);
        for command in ["scan", "gaps", "routes", "--accept"] {
            let bare = command.trim_start_matches('-');
            assert!(script.out.contains(bare), "{shell}: {command}");
        }
    }
    let folder = tempfile::tempdir().expect("a folder");
    let pages = folder.path().join("man1");
    let written = run(&["manual", &pages.to_string_lossy()]);
    assert_eq!(written.status, 0, "{}", written.err);
    for page in ["fallow-lantern.1", "fallow-lantern-scan.1", "fallow-lantern-gaps.1"] {
        let text = std::fs::read_to_string(pages.join(page)).expect(page);
        assert!(text.contains(".SH NAME"), "{page}");
    }
}
