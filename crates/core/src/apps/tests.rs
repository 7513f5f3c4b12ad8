//! Trees of several apps: which there are, what resolves where, and what is said of which.

use crate::fixture;
use crate::model::{Document, Place, Severity};
use expect_test::{Expect, expect};

fn scanned(tree: &str) -> Document {
    fixture::scan(fixture::files(tree)).document
}

/// Apps with their modules, calls with what they lead to, findings with the apps in which they hold.
#[track_caller]
fn lists(document: &Document, expected: Expect) {
    let at = |at: &Place| format!("{}:{}", at.file, at.line);
    let apps = document
        .apps
        .iter()
        .map(|app| format!("{} ({}) {}: {}", app.name, app.platform, app.root, app.modules.join(" ")));
    let calls = document.calls.iter().map(|call| {
        let target = call.target.as_ref();
        let leads = |id: &String| target.is_some_and(|target| target.routes.contains(id));
        let routes: Vec<String> =
            document.routes.iter().filter(|route| leads(&route.id)).map(|route| at(&route.at)).collect();
        let written = target.map_or("back", |target| target.text.as_str());
        let status = if routes.is_empty() { call.status.to_string() } else { routes.join(" ") };
        format!("{} {written} -> {status}", at(&call.at))
    });
    let findings =
        document.findings.iter().filter(|finding| finding.rule != "hard-coded-route").map(|finding| {
            let only = if finding.apps.is_empty() {
                String::new()
            } else {
                format!(" in {}", finding.apps.join(", "))
            };
            format!("! {} {}{only}", finding.rule, at(&finding.at))
        });
    let lines: Vec<String> = apps.chain(calls).chain(findings).collect();
    expected.assert_eq(&lines.join("\n"));
}

/// No id is given twice, and none leads nowhere.
#[track_caller]
fn holds_together(document: &Document) {
    let ids = |ids: Vec<&String>| {
        let mut sorted = ids.clone();
        sorted.sort();
        sorted.dedup();
        assert_eq!(sorted.len(), ids.len(), "an id twice: {ids:?}");
        sorted.into_iter().cloned().collect::<Vec<_>>()
    };
    let screens = ids(document.screens.iter().map(|screen| &screen.id).collect());
    let routes = ids(document.routes.iter().map(|route| &route.id).collect());
    ids(document.calls.iter().map(|call| &call.id).collect());
    for route in &document.routes {
        assert!(route.screen.iter().all(|id| screens.contains(id)), "{route:?}");
        assert!(route.parent.iter().all(|id| routes.contains(id)), "{route:?}");
    }
    for call in &document.calls {
        assert!(call.screens.iter().all(|id| screens.contains(id)), "{call:?}");
        assert!(
            call.target.iter().flat_map(|target| &target.routes).all(|id| routes.contains(id)),
            "{call:?}"
        );
    }
}

const TWO_ANDROID_APPS: &str = r#"
//- settings.gradle.kts
include(":members", ":counter", ":shelf")
//- gradle/libs.versions.toml
[plugins]
android-application = { id = "com.android.application", version = "8.7" }
//- members/build.gradle.kts
plugins { alias(libs.plugins.android.application) }
android { namespace = "barn.members"; defaultConfig { applicationId = "barn.members" } }
dependencies { implementation(projects.shelf) }
//- counter/build.gradle.kts
plugins { id("com.android.application") }
android { namespace = "barn.counter"; defaultConfig { applicationId = "barn.counter" } }
dependencies { implementation(project(":shelf")) }
//- shelf/build.gradle.kts
plugins { id("com.android.library") }
android { namespace = "barn.shelf" }
//- shelf/src/main/kotlin/Shelf.kt
package barn.shelf
import androidx.compose.runtime.Composable
import androidx.navigation.NavController
@Composable
fun ShelfScreen(nav: NavController) {
    Button(onClick = { nav.navigate("home") }) { }
    Button(onClick = { nav.navigate("till") }) { }
}
//- members/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name="barn.app.MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- members/src/main/kotlin/Main.kt
package barn.app
import androidx.compose.runtime.Composable
import androidx.navigation.compose.*
import barn.shelf.ShelfScreen
class MainActivity : ComponentActivity() {
    override fun onCreate(state: Bundle?) { setContent { App() } }
}
@Composable
fun App() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { ShelfScreen(nav) }
        composable("home") { HomeScreen() }
    }
}
@Composable
fun HomeScreen() { }
//- counter/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name="barn.app.MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- counter/src/main/kotlin/Main.kt
package barn.app
import androidx.compose.runtime.Composable
import androidx.navigation.compose.*
import barn.shelf.ShelfScreen
class MainActivity : ComponentActivity() {
    override fun onCreate(state: Bundle?) { setContent { App() } }
}
@Composable
fun App() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { ShelfScreen(nav) }
        composable("home") { HomeScreen() }
        composable("till") { TillScreen() }
    }
}
@Composable
fun HomeScreen() { }
@Composable
fun TillScreen() { }
"#;

#[test]
fn a_call_of_a_shared_module_leads_to_the_routes_of_each_app() {
    let document = scanned(TWO_ANDROID_APPS);
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        barn.counter (android) counter: counter shelf
        barn.members (android) members: members shelf
        shelf/src/main/kotlin/Shelf.kt:6 "home" -> counter/src/main/kotlin/Main.kt:13 members/src/main/kotlin/Main.kt:13
        shelf/src/main/kotlin/Shelf.kt:7 "till" -> counter/src/main/kotlin/Main.kt:14
        ! undeclared-route shelf/src/main/kotlin/Shelf.kt:7 in barn.members"#]],
    );
}

#[test]
fn a_screen_that_one_of_two_apps_opens_is_no_orphan() {
    let opened = "\n    Button(onClick = { nav.navigate(\"home\") }) { }";
    let document = scanned(&TWO_ANDROID_APPS.replace(opened, ""));
    lists(
        &document,
        expect![[r#"
        barn.counter (android) counter: counter shelf
        barn.members (android) members: members shelf
        shelf/src/main/kotlin/Shelf.kt:6 "till" -> counter/src/main/kotlin/Main.kt:14
        ! orphan-screen counter/src/main/kotlin/Main.kt:13
        ! orphan-screen members/src/main/kotlin/Main.kt:13
        ! undeclared-route shelf/src/main/kotlin/Shelf.kt:6 in barn.members"#]],
    );
}

#[test]
fn two_packages_of_equal_names_and_classes_are_two_apps() {
    let package = |folder: &str, page: &str, call: &str| {
        format!(
            r#"
//- {folder}/pubspec.yaml
name: barn
dependencies:
  flutter:
    sdk: flutter
//- {folder}/lib/main.dart
import 'package:flutter/material.dart';
import 'package:barn/{page}.dart';
void main() => runApp(MaterialApp(initialRoute: '/', routes: {{
  '/': (context) => const HomePage(),
  '/{page}': (context) => const TallyPage(),
}}));
class HomePage extends StatelessWidget {{
  const HomePage();
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pushNamed(context, '{call}'));
}}
//- {folder}/lib/{page}.dart
import 'package:flutter/material.dart';
class TallyPage extends StatelessWidget {{
  const TallyPage();
  @override
  Widget build(BuildContext context) => const Text('');
}}"#
        )
    };
    let document =
        scanned(&[package("members", "loans", "/till"), package("counter", "till", "/till")].concat());
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        counter (flutter) counter: counter
        members (flutter) members: members
        counter/lib/main.dart:10 '/till' -> counter/lib/main.dart:5
        members/lib/main.dart:10 '/till' -> undeclared
        ! fallback-missing counter/lib/main.dart:3
        ! fallback-missing members/lib/main.dart:3
        ! orphan-screen members/lib/main.dart:5
        ! undeclared-route members/lib/main.dart:10"#]],
    );
}

#[test]
fn a_workspace_of_two_apps_and_a_package_that_both_use() {
    let app = |folder: &str, screens: &str| {
        format!(
            r#"
//- apps/{folder}/package.json
{{ "name": "@barn/{folder}", "dependencies": {{ "react-native": "0.76", "@react-navigation/native": "^6",
   "@react-navigation/native-stack": "^6", "@barn/ui": "workspace:*" }} }}
//- apps/{folder}/index.js
import {{ AppRegistry }} from 'react-native';
import App from './App';
AppRegistry.registerComponent('{folder}', () => App);
//- apps/{folder}/App.js
import {{ NavigationContainer }} from '@react-navigation/native';
import {{ createNativeStackNavigator }} from '@react-navigation/native-stack';
import {{ ShelfScreen }} from '@barn/ui';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={{ShelfScreen}} />{screens}
  </Stack.Navigator></NavigationContainer>
);
function LoansScreen() {{ return <Text />; }}"#
        )
    };
    let loans = "\n    <Stack.Screen name=\"Loans\" component={LoansScreen} />";
    let shared = r#"
//- package.json
{ "private": true, "workspaces": ["apps/*", "packages/*"] }
//- packages/ui/package.json
{ "name": "@barn/ui", "main": "index.js" }
//- packages/ui/index.js
export function ShelfScreen({ navigation }) {
  return <Button onPress={() => navigation.navigate('Loans')} />;
}"#;
    let document = scanned(&[shared, &app("members", loans), &app("counter", "")].concat());
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        @barn/counter (react-native) apps/counter: apps/counter packages/ui
        @barn/members (react-native) apps/members: apps/members packages/ui
        packages/ui/index.js:2 'Loans' -> apps/members/App.js:8
        ! orphan-screen apps/counter/App.js:10
        ! undeclared-route packages/ui/index.js:2 in @barn/counter"#]],
    );
}

#[test]
fn the_example_of_a_package_is_an_app_that_uses_it() {
    let document = scanned(
        r#"
//- package.json
{ "name": "barn-shelf", "main": "src/index.js", "peerDependencies": { "react-native": "*" } }
//- src/index.js
export function ShelfScreen({ navigation }) { return <Button onPress={() => navigation.navigate('Loans')} />; }
export function AtticScreen({ navigation }) { return <Button onPress={() => navigation.goBack()} />; }
//- example/package.json
{ "name": "example", "dependencies": { "react-native": "0.76", "@react-navigation/native": "^6",
  "@react-navigation/native-stack": "^6" } }
//- example/app.json
{ "name": "example", "displayName": "Example" }
//- example/App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { ShelfScreen } from '../src';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={ShelfScreen} />
    <Stack.Screen name="Loans" component={() => <Text />} />
  </Stack.Navigator></NavigationContainer>
);"#,
    );
    lists(
        &document,
        expect![[r#"
        example (react-native) example: example .
        src/index.js:1 'Loans' -> example/App.js:8
        src/index.js:2 back -> resolved
        ! orphan-screen src/index.js:2"#]],
    );
}

#[test]
fn targets_of_one_project_share_what_both_compile() {
    let document = scanned(
        r#"
//- project.yml
name: Barn
targets:
  Members:
    type: application
    sources: [Members, Shared]
  Counter:
    type: application
    sources: [Counter, Shared]
  MembersWidget:
    type: app-extension
    sources: [Widget]
//- Shared/ShelfView.swift
import SwiftUI
struct ShelfView: View {
    var body: some View { NavigationLink("Loans", destination: LoansView()) }
}
//- Members/MembersApp.swift
import SwiftUI
@main
struct BarnApp: App {
    var body: some Scene { WindowGroup { NavigationStack { ShelfView() } } }
}
struct LoansView: View { var body: some View { Text("mine") } }
//- Counter/CounterApp.swift
import SwiftUI
@main
struct BarnApp: App {
    var body: some Scene { WindowGroup { NavigationStack { ShelfView() } } }
}
struct LoansView: View { var body: some View { Text("all") } }
"#,
    );
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        Counter (apple) Counter: Counter Shared
        Members (apple) Members: Members Shared
        Shared/ShelfView.swift:3 LoansView -> Counter/CounterApp.swift:6 Members/MembersApp.swift:6"#]],
    );
}

#[test]
fn two_programs_in_python_without_a_build_file() {
    let app = |folder: &str, screen: &str| {
        format!(
            r#"
//- {folder}/main.py
from kivy.app import App
from kivy.uix.screenmanager import ScreenManager, Screen
class ShelfScreen(Screen):
    def open(self):
        self.manager.current = 'loans'
class {screen}Screen(Screen):
    pass
class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(ShelfScreen(name='shelf'))
        manager.add_widget({screen}Screen(name='{name}'))
        return manager
BarnApp().run()"#,
            name = screen.to_lowercase()
        )
    };
    let document = scanned(&[app("members", "Loans"), app("counter", "Till")].concat());
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        counter (kivy) counter: counter
        members (kivy) members: members
        counter/main.py:5 'loans' -> undeclared
        members/main.py:5 'loans' -> members/main.py:12
        ! undeclared-route counter/main.py:5
        ! orphan-screen counter/main.py:12"#]],
    );
}

#[test]
fn projects_in_xaml_and_the_hosts_of_one() {
    let page = |folder: &str, name: &str, uri: &str| {
        format!(
            r#"
//- {folder}/{name}.xaml
<phone:PhoneApplicationPage x:Class="Barn.{name}" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation"
  xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" xmlns:phone="clr-namespace:Microsoft.Phone.Controls;assembly=Microsoft.Phone" />
//- {folder}/{name}.xaml.cs
using System;
namespace Barn {{
    public partial class {name} : PhoneApplicationPage {{
        void Open() {{ NavigationService.Navigate(new Uri("{uri}", UriKind.Relative)); }}
    }}
}}"#
        )
    };
    let app = |folder: &str| {
        format!(
            r#"
//- {folder}/{folder}.csproj
<Project><PropertyGroup><OutputType>WinExe</OutputType></PropertyGroup></Project>
//- {folder}/App.xaml
<Application x:Class="Barn.App" xmlns="http://schemas.microsoft.com/winfx/2006/xaml/presentation"
  xmlns:x="http://schemas.microsoft.com/winfx/2006/xaml" />
//- {folder}/Properties/WMAppManifest.xml
<Deployment xmlns=""><App Title="Barn"><Tasks><DefaultTask Name="_default" NavigationPage="MainPage.xaml" /></Tasks></App></Deployment>"#
        )
    };
    let tree = [
        app("Members"),
        page("Members", "MainPage", "/LoansPage.xaml"),
        page("Members", "LoansPage", "/TillPage.xaml"),
        app("Counter"),
        page("Counter", "MainPage", "/TillPage.xaml"),
        page("Counter", "TillPage", "/MainPage.xaml"),
    ];
    let document = scanned(&tree.concat());
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        Counter (xaml) Counter: Counter
        Members (xaml) Members: Members
        Counter/MainPage.xaml.cs:4 new Uri("/TillPage.xaml", UriKind.Relative) -> Counter/TillPage.xaml:1
        Counter/TillPage.xaml.cs:4 new Uri("/MainPage.xaml", UriKind.Relative) -> Counter/MainPage.xaml:1
        Members/LoansPage.xaml.cs:4 new Uri("/TillPage.xaml", UriKind.Relative) -> undeclared
        Members/MainPage.xaml.cs:4 new Uri("/LoansPage.xaml", UriKind.Relative) -> Members/LoansPage.xaml:1
        ! undeclared-route Members/LoansPage.xaml.cs:4"#]],
    );
}

#[test]
fn what_no_app_uses_is_a_library_that_others_may_use() {
    let unused = r#"
//- attic/build.gradle.kts
plugins { id("com.android.library") }
android { namespace = "barn.attic" }
//- attic/src/main/kotlin/Attic.kt
package barn.attic
import androidx.compose.runtime.Composable
import androidx.navigation.NavController
import androidx.navigation.NavGraphBuilder
import androidx.navigation.compose.composable
fun NavGraphBuilder.attic(nav: NavController) {
    composable("attic") { AtticScreen(nav) }
    composable("chest") { ChestScreen() }
}
@Composable
fun AtticScreen(nav: NavController) { Button(onClick = { nav.navigate("till") }) { } }
@Composable
fun ChestScreen() { }
"#;
    let document = scanned(&format!("{TWO_ANDROID_APPS}{unused}"));
    holds_together(&document);
    lists(
        &document,
        expect![[r#"
        barn.counter (android) counter: counter shelf
        barn.members (android) members: members shelf
        attic/src/main/kotlin/Attic.kt:11 "till" -> undeclared
        shelf/src/main/kotlin/Shelf.kt:6 "home" -> counter/src/main/kotlin/Main.kt:13 members/src/main/kotlin/Main.kt:13
        shelf/src/main/kotlin/Shelf.kt:7 "till" -> counter/src/main/kotlin/Main.kt:14
        ! undeclared-route attic/src/main/kotlin/Attic.kt:11
        ! undeclared-route shelf/src/main/kotlin/Shelf.kt:7 in barn.members"#]],
    );
}

#[test]
fn a_tree_without_an_app_is_one_library() {
    let document = scanned(
        r#"
//- shelf/build.gradle.kts
plugins { id("com.android.library") }
//- shelf/src/main/kotlin/Shelf.kt
package barn.shelf
import androidx.compose.runtime.Composable
import androidx.navigation.NavController
import androidx.navigation.NavGraphBuilder
import androidx.navigation.compose.composable
fun NavGraphBuilder.shelf(nav: NavController) {
    composable("shelf") { ShelfScreen(nav) }
    composable("item") { ItemScreen() }
}
@Composable
fun ShelfScreen(nav: NavController) { Button(onClick = { nav.navigate("item") }) { } }
@Composable
fun ItemScreen() { }
"#,
    );
    lists(
        &document,
        expect![[r#"shelf/src/main/kotlin/Shelf.kt:11 "item" -> shelf/src/main/kotlin/Shelf.kt:8"#]],
    );
}

#[test]
fn native_folders_are_of_the_app_around_them() {
    let document = scanned(
        r#"
//- pubspec.yaml
name: barn
dependencies:
  flutter:
    sdk: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: HomePage()));
class HomePage extends StatelessWidget { Widget build(BuildContext context) => const Text(''); }
//- android/settings.gradle
include ':app'
//- android/app/build.gradle
apply plugin: 'com.android.application'
android { namespace 'barn' }
//- android/app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name=".MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
  <activity android:name=".ScanActivity"/>
</application></manifest>
//- android/app/src/main/kotlin/MainActivity.kt
package barn
import android.content.Intent
class MainActivity : FlutterActivity() {
    fun scan() { startActivity(Intent(this, ScanActivity::class.java)) }
}
class ScanActivity : AppCompatActivity()
"#,
    );
    lists(
        &document,
        expect![[r#"
        barn (flutter) .: . android/app
        android/app/src/main/kotlin/MainActivity.kt:4 ScanActivity -> android/app/src/main/AndroidManifest.xml:5"#]],
    );
}

#[test]
fn what_a_library_opens_may_be_declared_by_who_uses_it() {
    let library = |rest: &str| {
        scanned(&format!(
            r#"
//- loans/build.gradle.kts
plugins {{ id("com.android.library") }}
android {{ namespace = "barn.loans" }}
//- loans/src/main/java/Loans.kt
package barn.loans
import androidx.navigation.*
import androidx.navigation.compose.*
fun NavGraphBuilder.loans(nav: NavController) {{
    composable("loan/list") {{ LoanList(onMember = {{ nav.navigate("member") }}) }}
}}
@Composable fun LoanList(onMember: () -> Unit) {{ Button(onClick = onMember) {{}} }}
{rest}"#
        ))
    };
    let undeclared = |document: &Document| {
        let found = document.findings.iter().find(|finding| finding.rule == "undeclared-route");
        found.map(|finding| (finding.severity, finding.message.clone()))
    };
    let (severity, message) = undeclared(&library("")).expect("a finding");
    assert_eq!(severity, Severity::Warning);
    assert!(message.ends_with("unless the app that uses it declares it"), "{message}");

    let app = |declares: &str| {
        format!(
            r#"
//- app/build.gradle.kts
plugins {{ id("com.android.application") }}
dependencies {{ implementation(project(":loans")) }}
//- app/src/main/java/Main.kt
package barn
import androidx.navigation.compose.*
import barn.loans.loans
@Composable fun Host() {{
    val nav = rememberNavController()
    NavHost(nav, startDestination = "loan/list") {{
        loans(nav)
        composable("{declares}") {{ Member() }}
    }}
}}
@Composable fun Member() {{}}
"#
        )
    };
    assert_eq!(undeclared(&library(&app("member"))), None);
    let (severity, message) = undeclared(&library(&app("about"))).expect("a finding");
    assert_eq!((severity, message.contains("unless")), (Severity::Error, false), "{message}");
}

#[test]
fn of_two_modules_of_one_name_the_nearest_is_meant() {
    let workspace = |name: &str| {
        format!(
            r#"
//- {name}/build.gradle.kts
plugins {{ id("com.android.application") }}
android {{ namespace = "barn.{name}" }}
dependencies {{ implementation(project(":elsewhere")) }}
//- {name}/src/main/java/Main.kt
package barn.{name}
import androidx.navigation.compose.*
import barn.loans.loans
@Composable fun Host() {{
    val nav = rememberNavController()
    NavHost(nav, startDestination = "loan") {{ loans() }}
}}
//- {name}/loans/build.gradle.kts
plugins {{ id("com.android.library") }}
android {{ namespace = "barn.loans" }}
//- {name}/loans/src/main/java/Loans.kt
package barn.loans
import androidx.navigation.*
import androidx.navigation.compose.*
fun NavGraphBuilder.loans() {{ composable("loan") {{ Loan() }} }}
@Composable fun Loan() {{}}
"#
        )
    };
    let document = scanned(&(workspace("counter") + &workspace("members")));
    let apps: Vec<String> = document.apps.iter().map(|app| app.modules.join(" ")).collect();
    assert_eq!(apps, ["counter counter/loans", "members members/loans"]);
}
