//! Comments in every language, settings, and what says of nothing that it is meant.

use crate::fixture;
use crate::model::{Document, Severity};
use crate::{Options, Settings, scan_sources_with};

fn scanned(app: &str, settings: &str) -> Document {
    let settings = Settings::parse(settings).expect("valid settings");
    let sources = fixture::scan(fixture::files(app)).sources;
    scan_sources_with(sources, ".", &Options { settings, ..Options::default() }).document
}

/// Findings above a note, and what is meant.
fn told(document: &Document) -> (Vec<String>, Vec<String>) {
    let loud = document.findings.iter().filter(|finding| finding.severity > Severity::Note);
    let loud = loud.filter(|finding| finding.rule != "hard-coded-route");
    let found = loud.map(|f| format!("{} {}:{} {}", f.rule, f.at.file, f.at.line, f.message));
    let meant = document.meant.iter();
    let meant = meant
        .map(|m| format!("{} {}:{}: {}", m.finding.rule, m.finding.at.file, m.finding.at.line, m.because));
    (found.collect(), meant.collect())
}

/// An app with one slip on a line of its own, and a comment before it.
fn in_each_language(comment: &str) -> Vec<(&'static str, String)> {
    let code = |text: &str| text.replace("COMMENT", &format!("// {comment}"));
    let block = |text: &str| text.replace("COMMENT", &format!("/* {comment} */"));
    let hash = |text: &str| text.replace("COMMENT", &format!("# {comment}"));
    let markup = |text: &str| text.replace("COMMENT", &format!("<!-- {comment} -->"));
    vec![
        ("kotlin", code(KOTLIN)),
        ("kotlin, in a block", block(KOTLIN)),
        ("dart", code(DART)),
        ("script", code(SCRIPT)),
        (
            "script, in an element",
            SCRIPT.replace("COMMENT\n", "\n").replace("<ELEMENT", &format!("{{/* {comment} */}}\n<ELEMENT")),
        ),
        ("python", hash(PYTHON)),
        ("graph", markup(GRAPH)),
    ]
    .into_iter()
    .map(|(name, app)| (name, app.replace("<ELEMENT", "<Button")))
    .collect()
}

const KOTLIN: &str = r#"
//- minimal: launcher
//- Main.kt
package barn
import androidx.navigation.compose.*
class MainActivity : ComponentActivity() { override fun onCreate(b: Bundle?) { setContent { Host() } } }
@Composable fun Host() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") { composable("shelf") { Shelf(nav) } }
}
@Composable fun Shelf(nav: NavController) {
    COMMENT
    Button(onClick = { nav.navigate("gone") }) {}
}
"#;

const DART: &str = r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(routes: {'/': (_) => Shelf()}, onUnknownRoute: (_) => null));
class Shelf extends StatelessWidget {
  Widget build(BuildContext context) {
    COMMENT
    return TextButton(onPressed: () => Navigator.pushNamed(context, '/gone'));
  }
}
"#;

const SCRIPT: &str = r#"
//- minimal: react-native
//- App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
const Stack = createNativeStackNavigator();
export default () => <NavigationContainer><Stack.Navigator><Stack.Screen name="Shelf" component={Shelf} /></Stack.Navigator></NavigationContainer>;
function Shelf({ navigation }) {
  return (
    <View>
COMMENT
      <ELEMENT onPress={() => navigation.navigate('Gone')} />
    </View>
  );
}
"#;

const PYTHON: &str = r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import ScreenManager, Screen
class Shelf(Screen):
    def open(self):
        COMMENT
        self.manager.current = 'gone'
class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(Shelf(name='shelf'))
        return manager
BarnApp().run()
"#;

const GRAPH: &str = r#"
//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  COMMENT
  <fragment android:id="@+id/gone" android:name="barn.GoneFragment"/>
</navigation>
//- Screens.kt
package barn
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment()
class GoneFragment : Fragment()
"#;

#[test]
fn a_comment_before_the_line_in_every_language() {
    let comment = "lantern: undeclared-route, orphan-screen are meant: the shop's own build declares it";
    for (language, app) in in_each_language(comment) {
        // In the middle of elements a comment of the other kind is text.
        if language == "script" {
            continue;
        }
        let (found, meant) = told(&scanned(&app, ""));
        assert_eq!(found, Vec::<String>::new(), "{language}");
        assert_eq!(meant.len(), 1, "{language}: {meant:?}");
        assert!(meant[0].ends_with(": the shop's own build declares it"), "{language}: {meant:?}");
    }
}

#[test]
fn a_comment_behind_the_line_and_one_of_several_lines() {
    let behind = KOTLIN.replace("COMMENT\n", "\n").replace(
        "nav.navigate(\"gone\") }) {}",
        "nav.navigate(\"gone\") }) {} // lantern: undeclared-route is meant because the shop declares it",
    );
    assert_eq!(told(&scanned(&behind, "")).1.len(), 1);
    let several = KOTLIN.replace(
        "COMMENT",
        "/*\n     * lantern: undeclared-route is meant:\n     * the shop declares it\n     */",
    );
    assert_eq!(told(&scanned(&several, "")).1, ["undeclared-route Main.kt:13: the shop declares it"]);
}

#[test]
fn a_comment_that_says_it_of_nothing_or_says_no_reason() {
    let said = |comment: &str| told(&scanned(&KOTLIN.replace("COMMENT", comment), "")).0;
    let undeclared = "undeclared-route Main.kt:10 no route or action is called `gone`";
    assert_eq!(
        said("// lantern: undeclared-route is meant"),
        ["idle-comment Main.kt:9 this comment gives no reason", undeclared]
    );
    assert_eq!(
        said("// lantern: undeclared-rout is meant: x"),
        ["idle-comment Main.kt:9 there is no rule `undeclared-rout`", undeclared]
    );
    assert_eq!(
        said("// lantern: orphan-screen is meant: x"),
        ["idle-comment Main.kt:9 nothing here is reported by `orphan-screen` any more", undeclared]
    );
    assert_eq!(
        said("// lantern: is meant: x"),
        ["idle-comment Main.kt:9 this comment names no rule", undeclared]
    );
}

#[test]
fn what_is_no_such_comment_says_nothing() {
    let text = KOTLIN.replace("COMMENT", "val hint = \"// lantern: undeclared-route is meant: x\"");
    assert_eq!(
        told(&scanned(&text, "")),
        (vec!["undeclared-route Main.kt:10 no route or action is called `gone`".to_owned()], vec![])
    );
    let word = KOTLIN.replace("COMMENT", "// the lantern: a lamp");
    assert_eq!(told(&scanned(&word, "")).0.len(), 1);
}

#[test]
fn settings_by_rule_path_and_route() {
    let app = KOTLIN.replace("COMMENT", "");
    let meant = |by: &str| {
        told(&scanned(&app, &format!("[[meant]]\n{by}\nbecause = \"the shop declares it\""))).1.len()
    };
    assert_eq!(meant("rule = \"undeclared-route\""), 1);
    assert_eq!(meant("route = \"gone\""), 1);
    assert_eq!(meant("rule = \"undeclared-route\"\npath = \"Main.kt\"\nroute = \"gone\""), 1);
    assert_eq!(meant("rule = \"undeclared-route\"\npath = \"legacy/\""), 0);
    assert_eq!(meant("rule = \"orphan-screen\"\nroute = \"gone\""), 0);
    let idle = "[[meant]]\npath = \"legacy/\"\nbecause = \"it goes\"";
    let (found, _) = told(&scanned(&app, idle));
    assert!(
        found.iter().any(|line| line.starts_with("idle-comment fallow-lantern.toml:3 nothing is found")),
        "{found:?}"
    );
}

#[test]
fn severities_as_they_are_settled() {
    let app = KOTLIN.replace("COMMENT", "");
    let of = |severity: &str| {
        let document = scanned(&app, &format!("[severity]\nundeclared-route = \"{severity}\""));
        let found = document.findings.iter().find(|finding| finding.rule == "undeclared-route");
        (found.map(|finding| finding.severity), document.totals.findings.get(&Severity::Error).copied())
    };
    assert_eq!(of("error"), (Some(Severity::Error), Some(1)));
    assert_eq!(of("note"), (Some(Severity::Note), None));
    assert_eq!(of("off"), (None, None));
}

#[test]
fn slips_in_what_is_settled() {
    let slip = |text: &str| {
        let error = Settings::parse(text).expect_err("a slip");
        format!("{}:{}: {} {:?}", error.at.0, error.at.1, error.message, error.near)
    };
    assert_eq!(
        slip("[[meant]]\nrule = \"orphan-screen\""),
        "1:1: what is meant needs a reason: `because` []"
    );
    assert_eq!(slip("[[meant]]\nbecause = \"x\""), "1:1: say which: `rule`, `path` or `route` []");
    assert!(slip("[[meant]]\nrule = \"orphan-scren\"\nbecause = \"x\"").ends_with("[\"orphan-screen\"]"));
    assert!(slip("[severity]\norphan-scren = \"off\"").ends_with("[\"orphan-screen\"]"));
    assert!(slip("[severity]\norphan-screen = \"of\"").ends_with("[\"off\"]"));
}
