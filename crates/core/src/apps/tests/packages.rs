//! Apps by packages, projects of Apple and of XAML, and programs without a build file.

use super::{holds_together, lists, scanned};
use expect_test::expect;

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
