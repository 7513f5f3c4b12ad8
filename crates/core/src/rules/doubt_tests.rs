//! What could not be understood takes a step off what is said of absence, and is named.

use crate::fixture;
use crate::model::{Document, Severity};

fn scanned(app: &str) -> Document {
    fixture::scan(fixture::files(app)).document
}

/// The one finding of a rule: its severity, its message, the lines of its doubts.
#[track_caller]
fn found(document: &Document, rule: &str) -> (Severity, String, Vec<u32>) {
    let all: Vec<_> = document.findings.iter().filter(|finding| finding.rule == rule).collect();
    let [one] = all.as_slice() else { panic!("{rule} is reported {} times: {all:#?}", all.len()) };
    (one.severity, one.message.clone(), one.unless.iter().map(|doubt| doubt.at.line).collect())
}

#[track_caller]
fn silent(document: &Document, rule: &str) {
    let all: Vec<_> = document.findings.iter().filter(|finding| finding.rule == rule).collect();
    assert!(all.is_empty(), "{all:#?}");
}

/// An app of typed and plain routes in a navigator, with the lines that a screen calls.
fn native(calls: &str) -> Document {
    scanned(&format!(
        r#"
//- minimal: react-native
//- App.js
import {{ NavigationContainer }} from '@react-navigation/native';
import {{ createNativeStackNavigator }} from '@react-navigation/native-stack';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={{ShelfScreen}} />
    <Stack.Screen name="Loans" component={{LoansScreen}} />
    <Stack.Screen name="Fees" component={{FeesScreen}} />
    <Stack.Screen name="Attic" component={{AtticScreen}} />
  </Stack.Navigator></NavigationContainer>
);
function ShelfScreen({{ navigation }}) {{
  const go = (item) => {{
{calls}
  }};
  return <List onPress={{go}} />;
}}
function LoansScreen() {{ return <Text />; }}
function FeesScreen() {{ return <Text />; }}
function AtticScreen() {{ return <Text />; }}
"#
    ))
}

#[test]
fn an_orphan_is_one_for_sure_where_every_call_is_understood() {
    let document = native("    navigation.navigate('Loans'); navigation.navigate('Fees');");
    let (severity, message, doubts) = found(&document, "orphan-screen");
    assert_eq!((severity, doubts.len()), (Severity::Warning, 0));
    assert_eq!(message, "no call, menu or deep link names `Attic`");
}

#[test]
fn a_call_decided_at_run_time_may_be_the_one() {
    let calls = "    navigation.navigate('Loans'); navigation.navigate('Fees');\n    navigation.navigate(item.screen);";
    let (severity, message, doubts) = found(&native(calls), "orphan-screen");
    assert_eq!((severity, doubts), (Severity::Note, vec![15]));
    assert!(message.ends_with("names `Attic`, unless the call decided at run time does"), "{message}");
}

#[test]
fn several_are_counted() {
    let calls = "    navigation.navigate('Loans'); navigation.navigate('Fees');\n    navigation.navigate(item.a);\n    navigation.navigate(item.b);";
    let (_, message, doubts) = found(&native(calls), "orphan-screen");
    assert_eq!(doubts, [15, 16]);
    assert!(message.ends_with("unless one of 2 calls decided at run time does"), "{message}");
}

#[test]
fn a_way_back_that_is_not_known_is_no_way_in() {
    let calls =
        "    navigation.navigate('Loans'); navigation.navigate('Fees');\n    navigation.popTo(item.screen);";
    let (severity, ..) = found(&native(calls), "orphan-screen");
    assert_eq!(severity, Severity::Warning);
}

#[test]
fn of_an_app_that_mostly_decides_at_run_time_nothing_is_said() {
    let calls = (0..4).map(|i| format!("    navigation.navigate(item.way{i});\n")).collect::<String>();
    let document = native(&calls);
    silent(&document, "orphan-screen");
    let unsaid: Vec<&str> = document.unsaid.iter().map(|unsaid| unsaid.rule.as_str()).collect();
    assert_eq!(unsaid, ["orphan-screen"], "and that is said");
    assert_eq!(document.unsaid[0].style.as_str(), "stack-component");
}

#[test]
fn what_is_known_of_a_target_is_used() {
    let head = r#"
//- minimal: launcher
//- Main.kt
package barn
import androidx.navigation.compose.*
class MainActivity : ComponentActivity() { fun onCreate() { setContent { BarnApp() } } }
@Composable fun BarnApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { ShelfScreen(onOpen = { which -> nav.navigate("tool/$which") }) }
        composable("tool/{id}") { Text("") }
        composable("attic") { Text("") }
    }
}
@Composable fun ShelfScreen(onOpen: (String) -> Unit) { }
"#;
    // The text that is put together never reads `attic`.
    let (severity, message, doubts) = found(&scanned(head), "orphan-screen");
    assert_eq!((severity, doubts.len()), (Severity::Warning, 0), "{message}");
}

#[test]
fn a_registration_that_could_not_be_read_may_be_the_name() {
    let app = |registered: &str| {
        scanned(&format!(
            r#"
//- Barn.csproj
<Project><PropertyGroup><UseMaui>true</UseMaui></PropertyGroup></Project>
//- App.xaml
<Application xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" x:Class="Barn.App"/>
//- AppShell.xaml
<Shell xmlns="http://schemas.microsoft.com/dotnet/2021/maui" xmlns:x="http://schemas.microsoft.com/winfx/2009/xaml" xmlns:v="clr-namespace:Barn" x:Class="Barn.AppShell">
 <ShellContent Route="shelf" ContentTemplate="{{DataTemplate v:ShelfPage}}"/>
</Shell>
//- AppShell.xaml.cs
namespace Barn;
public partial class AppShell : Shell {{ public AppShell(IPages pages) {{
    {registered}
}} }}
public class ToolPage : ContentPage {{ }}
public class ShelfPage : ContentPage {{ void Go() {{ Shell.Current.GoToAsync("tol"); }} }}
"#
        ))
    };
    let known = app("Routing.RegisterRoute(\"tool\", typeof(ToolPage));");
    assert_eq!(found(&known, "undeclared-route").0, Severity::Error);
    let unread = app("foreach (var page in pages.All()) { Routing.RegisterRoute(page.Name, page.Type); }");
    let (severity, message, doubts) = found(&unread, "undeclared-route");
    assert_eq!((severity, doubts), (Severity::Warning, vec![3]));
    assert!(message.ends_with("unless it is the one whose name could not be read"), "{message}");
}

#[test]
fn steps_back_under_a_condition_are_not_counted() {
    silent(
        &native("    if (item.twice) { navigation.pop(2); }\n    navigation.navigate('Loans');"),
        "back-too-far",
    );
    silent(&native("    item.twice && navigation.pop(2);"), "back-too-far");
    let (_, message, _) = found(&native("    navigation.pop(2);"), "back-too-far");
    assert!(message.starts_with("2 steps back"), "{message}");
}

#[test]
fn a_start_that_is_an_expression_is_no_slip() {
    let app = |start: &str| {
        scanned(&format!(
            r#"
//- minimal: react-native
//- App.js
import {{ NavigationContainer }} from '@react-navigation/native';
import {{ createNativeStackNavigator }} from '@react-navigation/native-stack';
const Stack = createNativeStackNavigator();
export default ({{ member, first }}) => (
  <NavigationContainer><Stack.Navigator initialRouteName={{{start}}}>
    <Stack.Screen name="Join" component={{JoinScreen}} />
    <Stack.Screen name="Shelf" component={{ShelfScreen}} />
  </Stack.Navigator></NavigationContainer>
);
function JoinScreen() {{ return <Text />; }}
function ShelfScreen() {{ return <Text />; }}
"#
        ))
    };
    let both = app("member ? 'Shelf' : 'Join'");
    silent(&both, "start-missing");
    silent(&both, "orphan-screen");
    silent(&app("first"), "start-missing");
    silent(&app("undefined"), "start-missing");
    let (severity, ..) = found(&app("'Shlf'"), "start-missing");
    assert_eq!(severity, Severity::Error);
}
