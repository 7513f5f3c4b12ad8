//! What several builds of one app have in each other's place.

use super::scanned;
use crate::model::Document;

/// Findings, but for the literals.
fn said(document: &Document) -> Vec<String> {
    let told = document.findings.iter().filter(|finding| !finding.rule.starts_with("hard-coded"));
    told.map(|finding| format!("{} {}:{}", finding.rule, finding.at.file, finding.at.line)).collect()
}

/// Files of the routes that a call of a file may mean.
fn meant<'d>(document: &'d Document, file: &str) -> Vec<&'d str> {
    let targets =
        document.calls.iter().filter(|call| call.at.file == file).filter_map(|call| call.target.as_ref());
    let ids: Vec<&String> = targets.flat_map(|target| &target.routes).collect();
    let routes = document.routes.iter().filter(|route| ids.contains(&&route.id));
    routes.map(|route| route.at.file.as_str()).collect()
}

#[test]
fn a_graph_builder_of_each_flavour_declares_the_route_once() {
    let document = scanned(
        r#"
//- app/build.gradle.kts
plugins { id("com.android.application") }
android { namespace = "barn"; flavorDimensions += "kind"; productFlavors { create("free"); create("paid") } }
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name="barn.HostActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- app/src/main/java/HostActivity.kt
package barn
import androidx.navigation.compose.*
class HostActivity : ComponentActivity() {
    override fun onCreate(state: Bundle?) { setContent { Host() } }
}
@Composable fun Host() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { Shelf(onExtra = { nav.navigate("extra") }) }
        extra()
    }
}
@Composable fun Shelf(onExtra: () -> Unit) { Button(onClick = onExtra) {} }
//- app/src/free/java/Extra.kt
package barn
import androidx.navigation.*
import androidx.navigation.compose.*
fun NavGraphBuilder.extra() { composable("extra") { Advert() } }
@Composable fun Advert() {}
//- app/src/paid/java/Extra.kt
package barn
import androidx.navigation.*
import androidx.navigation.compose.*
fun NavGraphBuilder.extra() { composable("extra") { Workshop() } }
@Composable fun Workshop() {}
"#,
    );
    assert!(said(&document).is_empty(), "{:?}", said(&document));
    let builders = ["app/src/free/java/Extra.kt", "app/src/paid/java/Extra.kt"];
    assert_eq!(meant(&document, "app/src/main/java/HostActivity.kt"), builders);
}

#[test]
fn a_fragment_of_each_flavour_is_the_one_that_the_graph_names() {
    let document = scanned(
        r#"
//- app/build.gradle
plugins { id 'com.android.application' }
android { namespace 'barn' }
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android"><application>
  <activity android:name="barn.HostActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- app/src/main/res/layout/activity_host.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/host" app:navGraph="@navigation/main"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
//- app/src/main/res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/extra" android:name="barn.ExtraFragment"/>
</navigation>
//- app/src/main/java/HostActivity.kt
package barn
class HostActivity : AppCompatActivity() {
    override fun onCreate(state: Bundle?) { setContentView(R.layout.activity_host) }
}
class ShelfFragment : Fragment() { fun open() { findNavController().navigate(R.id.extra) } }
//- app/src/free/java/ExtraFragment.kt
package barn
class ExtraFragment : Fragment()
//- app/src/paid/java/ExtraFragment.kt
package barn
class ExtraFragment : Fragment()
"#,
    );
    assert!(said(&document).is_empty(), "{:?}", said(&document));
}

#[test]
fn twice_in_one_source_set_is_twice() {
    let document = scanned(
        r#"
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name="barn.HostActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- app/src/main/java/HostActivity.kt
package barn
import androidx.navigation.compose.*
class HostActivity : ComponentActivity() {
    override fun onCreate(state: Bundle?) { setContent { Host() } }
}
@Composable fun Host() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "shelf") {
        composable("shelf") { Shelf() }
        extra()
    }
}
@Composable fun Shelf() {}
//- app/src/main/java/Extra.kt
package barn
import androidx.navigation.*
import androidx.navigation.compose.*
fun NavGraphBuilder.extra() { composable("shelf") { Shelf() } }
"#,
    );
    assert_eq!(said(&document), ["duplicate-route app/src/main/java/HostActivity.kt:9"]);
}

#[test]
fn a_page_that_was_put_aside_is_no_rival() {
    let document = scanned(
        r#"
//- pubspec.yaml
name: barn
dependencies:
  flutter: { sdk: flutter }
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages/shelf.dart';
void main() => runApp(MaterialApp(home: ShelfPage()));
//- lib/pages/shelf.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget {
  Widget build(BuildContext context) => Text('shelf');
}
//- lib/pages.old/shelf.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget {
  Widget build(BuildContext context) => Text('shelf, once');
}
"#,
    );
    assert!(said(&document).is_empty(), "{:?}", said(&document));
}
