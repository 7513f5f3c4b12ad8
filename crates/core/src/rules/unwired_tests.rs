//! What is declared and given to nobody, and what is missing though something names it, by framework.

use super::testing::judged;

#[test]
fn tables_and_routers_of_flutter_that_no_app_is_given() {
    let app = |given: &str, marks: [&str; 2]| {
        let [table, router] = marks;
        format!(
            r#"
//- pubspec.yaml
name: barn
dependencies: {{ go_router: ^14.0.0 }}
//- lib/main.dart
import 'package:flutter/material.dart';
import 'tables.dart';
void main() => runApp(MaterialApp(routes: {{...shelfRoutes{given}}}, initialRoute: '/'));
//- lib/tables.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
final Map<String, WidgetBuilder> shelfRoutes = {{'/': (_) => const ShelfPage()}};
final Map<String, WidgetBuilder> deskRoutes = {{'/desk': (_) => const ShelfPage()}};
{table}
final later = GoRouter(routes: [GoRoute(path: '/', builder: (_, __) => const ShelfPage())]);
{router}
class ShelfPage extends StatelessWidget {{
  const ShelfPage({{super.key}});
  Widget build(BuildContext context) => const Text('shelf');
}}
"#
        )
    };
    let table =
        "                                 ^^^^^^^^^^ host-unwired: nothing shows the graph `deskRoutes`";
    let router = "              ^^^^^^^^ host-unwired: nothing shows the graph `later`";
    judged("host-unwired", &app("", [table, router]));
    judged("host-unwired", &app(", ...deskRoutes", ["", router]));
}

#[test]
fn navigators_of_scripts_that_nobody_takes_in() {
    let app = |import: &str, used: &str, mark: &str| {
        format!(
            r#"
//- package.json
{{ "name": "barn", "dependencies": {{ "react-navigation": "4.4.4", "react-navigation-stack": "2.10.4", "react-native": "0.61" }} }}
//- index.js
import {{ AppRegistry }} from 'react-native';
import App from './App';
AppRegistry.registerComponent('barn', () => App);
//- App.js
import {{ createAppContainer }} from 'react-navigation';
import {{ createStackNavigator }} from 'react-navigation-stack';
{import}
const Shelf = () => null;
export default createAppContainer(createStackNavigator({{ Shelf{used} }}));
//- Trial.js
import {{ createStackNavigator }} from 'react-navigation-stack';
const Plot = () => null;
export default createStackNavigator({{ Plot }});
{mark}
"#
        )
    };
    let mark = "               ^^^^^^^^^^^^^^^^^^^^ host-unwired: nothing shows the graph";
    judged("host-unwired", &app("", "", mark));
    judged("host-unwired", &app("import Trial from './Trial';", ", Trial", ""));
    judged("host-unwired", &app("const Trial = require('./Trial').default;", ", Trial", ""));
}

#[test]
fn managers_of_kivy_that_nothing_builds() {
    let app = |built: &str, mark: &str| {
        format!(
            r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import Screen, ScreenManager
from years import *

class Shelf(Screen):
    pass

class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(Shelf(name="shelf"))
        {built}
        return manager

BarnApp().run()
//- years.py
from kivy.uix.screenmanager import Screen, ScreenManager

class Years(ScreenManager):
{mark}
    def __init__(self, **kwargs):
        super().__init__(**kwargs)
        self.add_widget(Screen(name="years"))
"#
        )
    };
    let mark = "      ^^^^^ host-unwired: nothing shows the graph `Years`";
    judged("host-unwired", &app("", mark));
    judged("host-unwired", &app("manager.get_screen('shelf').add_widget(Years())", ""));
    // A factory may make it by its name.
    judged("host-unwired", &app("Factory.get('Years')", ""));
}

#[test]
fn shells_that_no_window_shows() {
    let app = |shown: &str, mark: &str| {
        format!(
            r#"
//- Barn.csproj
<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- App.xaml
<Application xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Barn.App"/>
//- App.xaml.cs
namespace Barn;
public partial class App : Application {{ public App() {{ MainPage = {shown}; }} }}
//- AppShell.xaml
<Shell xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:v="clr-namespace:Barn" x:Class="Barn.AppShell">
 <ShellContent Route="shelf" ContentTemplate="{{DataTemplate v:ShelfPage}}"/>
</Shell>
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell {{ public AppShell() {{ InitializeComponent(); }} }}
//- DeskShell.xaml
<Shell xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:v="clr-namespace:Barn" x:Class="Barn.DeskShell">
{mark}
 <ShellContent Route="desk" ContentTemplate="{{DataTemplate v:ShelfPage}}"/>
</Shell>
//- DeskShell.xaml.cs
namespace Barn;
public partial class DeskShell : Shell {{ public DeskShell() {{ InitializeComponent(); }} }}
//- ShelfPage.cs
namespace Barn;
public class ShelfPage : ContentPage {{ }}
"#
        )
    };
    judged(
        "host-unwired",
        &app("new AppShell()", "^^^^^^ host-unwired: nothing shows the graph `DeskShell`"),
    );
    judged("host-unwired", &app("desk ? new DeskShell() : new AppShell()", ""));
}

#[test]
fn pages_whose_files_are_gone() {
    judged(
        "screen-missing",
        r#"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:charts/chart_page.dart';
import 'pages/shelf_page.dart';
import 'pages/tide_page.dart';
import 'made/label_page.g.dart';
void main() => runApp(MaterialApp(initialRoute: '/', routes: {
  '/': (_) => const ShelfPage(),
  '/tide': (_) => const TidePage(),
  ^^^^^^^ screen-missing: `/tide` shows `TidePage`
  '/chart': (_) => const ChartPage(),
  '/label': (_) => const LabelPage(),
}));
//- lib/pages/shelf_page.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  Widget build(BuildContext context) => const Text('shelf');
}
"#,
    );
    let kivy = |import: &str, mark: &str| {
        format!(
            r#"
//- main.py
from kivy.app import App
{import}
class BarnApp(App):
    pass

BarnApp().run()
//- barn.kv
ScreenManager:
    Screen:
        name: "shelf"
    TideScreen:
        name: "tide"
{mark}
"#
        )
    };
    let mark = "              ^^^^^^ screen-missing: `tide` shows `TideScreen`";
    judged("screen-missing", &kivy("", mark));
    judged("screen-missing", &kivy("from kivy_tides import TideScreen", ""));
}

#[test]
fn values_that_a_page_never_hands_back() {
    let app = |close: &str, more: &str, marks: [&str; 2]| {
        let [awaited, sent] = marks;
        format!(
            r#"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(const MaterialApp(home: ShelfPage()));
class ShelfPage extends StatelessWidget {{
  const ShelfPage({{super.key}});
  Future<void> open(BuildContext context) async {{
    final done = await Navigator.push<bool>(context, MaterialPageRoute(builder: (_) => const NotesPage()));
{awaited}
    if (done == true) print('done');
    Navigator.push(context, MaterialPageRoute(builder: (_) => const FormPage()));
{more}
  }}
  Widget build(BuildContext context) => TextButton(onPressed: () => open(context), child: const Text('open'));
}}
class NotesPage extends StatelessWidget {{
  const NotesPage({{super.key}});
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pop(context{close}), child: const Text('ok'));
}}
class FormPage extends StatelessWidget {{
  const FormPage({{super.key}});
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pop(context, 'text'), child: const Text('ok'));
{sent}
}}
"#
        )
    };
    let awaited = "                                 ^^^^ result-unmatched: never hands one back";
    let sent = "                                                                              ^^^ result-unmatched: nobody who opens `FormPage` awaits";
    judged("result-unmatched", &app("", "", [awaited, sent]));
    judged("result-unmatched", &app(", true", "", ["", sent]));
    // Whoever is not known may wait for it.
    let perhaps = format!("{sent} what it hands back, unless the call decided at run time does");
    judged("result-unmatched", &app(", true", "    Navigator.push(context, routes.next());", ["", &perhaps]));
    // A navigator of its own inside may be closed as a whole, from any of its steps.
    let inside = r#"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(const MaterialApp(home: ShelfPage()));
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  Future<void> open(BuildContext context) async {
    final done = await Navigator.push<bool>(context, MaterialPageRoute(builder: (_) => const WizardPage()));
    if (done == true) print('done');
  }
  Widget build(BuildContext context) => TextButton(onPressed: () => open(context), child: const Text('open'));
}
class WizardPage extends StatelessWidget {
  const WizardPage({super.key});
  void leave(BuildContext context) => Navigator.pop(context);
  Widget build(BuildContext context) => Navigator(onGenerateRoute: (settings) => MaterialPageRoute(builder: (_) => const StepPage()));
}
class StepPage extends StatelessWidget {
  const StepPage({super.key});
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.of(context, rootNavigator: true).pop(true), child: const Text('ok'));
}
"#;
    let silent = crate::recover::testing::scanned(inside);
    assert!(silent.findings.iter().all(|f| !f.message.contains("never hands")), "{:#?}", silent.findings);
}

#[test]
fn what_a_page_of_a_table_takes_out_and_nobody_passes() {
    judged(
        "argument-unsupplied",
        r#"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: const ShelfPage(), routes: {'/tool': (_) => const ToolPage()}));
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  Widget build(BuildContext context) => TextButton(
    onPressed: () => Navigator.pushNamed(context, '/tool', arguments: {'id': 'saw', 'shelf': 3}), child: const Text('saw'));
}
class ToolPage extends StatelessWidget {
  const ToolPage({super.key});
  Widget build(BuildContext context) {
    final args = ModalRoute.of(context)!.settings.arguments as Map;
    final id = args['id'] as String;
    final place = args['place'] as String? ?? '';
                  ^^^^^^^^^^^^^ argument-unsupplied: nothing passes `place`
    return Text('$id $place');
  }
}
"#,
    );
}
