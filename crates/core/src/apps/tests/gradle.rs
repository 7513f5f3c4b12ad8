//! Apps and libraries by Gradle, alone and inside of other apps.

use super::{holds_together, lists, scanned};
use crate::model::{Document, Severity};
use expect_test::expect;

/// The build file, the manifest and the host of an app in a module of Gradle.
fn android_app(module: &str, plugin: &str, shelf: &str, more: &str, screens: &str) -> String {
    format!(
        r#"
//- {module}/build.gradle.kts
plugins {{ {plugin} }}
android {{ namespace = "barn.{module}"; defaultConfig {{ applicationId = "barn.{module}" }} }}
dependencies {{ implementation({shelf}) }}
//- {module}/src/main/AndroidManifest.xml
{MANIFEST}
//- {module}/src/main/kotlin/Main.kt
package barn.app
import androidx.compose.runtime.Composable
import androidx.navigation.compose.*
import barn.shelf.ShelfScreen
class MainActivity : ComponentActivity() {{
    override fun onCreate(state: Bundle?) {{ setContent {{ App() }} }}
}}
@Composable
fun App() {{
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {{
        composable("shelf") {{ ShelfScreen(nav) }}
        composable("home") {{ HomeScreen() }}{more}
    }}
}}
@Composable
fun HomeScreen() {{ }}{screens}"#
    )
}

const MANIFEST: &str = r#"<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name="barn.app.MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>"#;

const SHELF: &str = r#"
//- settings.gradle.kts
include(":members", ":counter", ":shelf")
//- gradle/libs.versions.toml
[plugins]
android-application = { id = "com.android.application", version = "8.7" }
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
}"#;

fn two_android_apps() -> String {
    let till = "\n        composable(\"till\") { TillScreen() }";
    let till_screen = "\n@Composable\nfun TillScreen() { }";
    let members = android_app("members", "alias(libs.plugins.android.application)", "projects.shelf", "", "");
    let counter =
        android_app("counter", r#"id("com.android.application")"#, r#"project(":shelf")"#, till, till_screen);
    [SHELF, &members, &counter].concat()
}

#[test]
fn a_call_of_a_shared_module_leads_to_the_routes_of_each_app() {
    let document = scanned(&two_android_apps());
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
    let document = scanned(&two_android_apps().replace(opened, ""));
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
    let document = scanned(&(two_android_apps() + unused));
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
