//! What a map shows, and where.

use super::{Drawing, Frame, MOST_NODES, Map, Node, Part, Shape, layout, map};
use crate::fixture;
use crate::model::{Document, Style};
use crate::network::Network;
use std::fmt::Write;

const BARN: &str = r#"
//- app/build.gradle
plugins { id 'com.android.application' }
//- app/src/main/AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name=".MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- app/src/main/res/layout/main.xml
<androidx.fragment.app.FragmentContainerView xmlns:android="http://schemas.android.com/apk/res/android"
    xmlns:app="http://schemas.android.com/apk/res-auto" android:id="@+id/host" app:navGraph="@navigation/main"
    android:name="androidx.navigation.fragment.NavHostFragment"/>
//- app/src/main/res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <dialog android:id="@+id/ask" android:name="barn.AskDialog"/>
  <fragment android:id="@+id/attic" android:name="barn.AtticFragment"/>
  <include app:graph="@navigation/loans"/>
</navigation>
//- app/src/main/java/Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun ask() { findNavController().navigate(R.id.ask) }
    fun loan() { findNavController().navigate(R.id.loans, bundleOf("id" to 1)) }
    fun again() { findNavController().navigate(R.id.shelf) }
    fun cellar() { findNavController().navigate(R.id.cellar) }
}
class AskDialog : DialogFragment()
class AtticFragment : Fragment()
//- loans/build.gradle
plugins { id 'com.android.library' }
//- loans/src/main/res/navigation/loans.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/loans" app:startDestination="@id/loan">
  <fragment android:id="@+id/loan" android:name="barn.loans.LoanFragment"><argument android:name="id" app:argType="integer"/></fragment>
</navigation>
//- loans/src/main/java/Loan.kt
package barn.loans
class LoanFragment : Fragment() { val id get() = requireArguments().getInt("id") }
"#;

fn barn() -> Document {
    fixture::scan(fixture::files(BARN)).document
}

/// A line a node, with the boxes around it; a line an arrow.
fn listed(map: &Map) -> String {
    let mut out = String::new();
    for node in &map.nodes {
        let mut around = Vec::new();
        let mut within = node.within;
        while let Some(at) = within {
            around.insert(0, map.boxes[at].name.as_str());
            within = map.boxes[at].within;
        }
        let _ = writeln!(out, "{:?} {} [{}] {}", node.shape, node.name, node.detail, around.join("/"));
    }
    for arrow in &map.arrows {
        let (from, to) = (&map.nodes[arrow.from].name, &map.nodes[arrow.to].name);
        let _ = writeln!(out, "{from} > {to} {} {}", arrow.calls, arrow.arguments.join(","));
    }
    out
}

#[test]
fn nodes_boxes_and_arrows_of_an_app_of_two_modules() {
    let document = barn();
    let whole = map(&Network::new(&document), &Part::default()).expect("a map");
    assert_eq!(
        listed(&whole),
        "\
Activity MainActivity [activity] app
Screen ShelfFragment [fragment · shelf] app
Dialog AskDialog [dialog · ask] app
Screen AtticFragment [fragment · attic] app
Screen LoanFragment [fragment · loan] loans/loans
Undeclared R.id.cellar [nobody declares it] app
MainActivity > ShelfFragment 0 
ShelfFragment > AskDialog 1 
ShelfFragment > LoanFragment 1 id
ShelfFragment > R.id.cellar 1 
"
    );
    let of = |name: &str| whole.nodes.iter().find(|node| node.name == name).expect("a node");
    assert!(of("MainActivity").entry && of("AtticFragment").orphan && of("ShelfFragment").again);
    assert!(of("ShelfFragment").start && !of("AskDialog").start);
    assert_eq!(of("ShelfFragment").findings.values().sum::<usize>(), 2, "an id and a key");
}

#[test]
fn parts_of_an_app() {
    let document = barn();
    let network = Network::new(&document);
    let names = |part: &Part| -> Vec<String> {
        let mut names: Vec<String> =
            map(&network, part).expect("a map").nodes.into_iter().map(|n| n.name).collect();
        names.sort();
        names
    };
    let around = |name: &str, depth| Part { around: Some((name.to_owned(), depth)), ..Part::default() };
    assert_eq!(names(&around("loan", 0)), ["LoanFragment"]);
    assert_eq!(names(&around("LoanFragment", 1)), ["LoanFragment", "ShelfFragment"]);
    assert_eq!(names(&around("loan", 2)).len(), 5, "all but the attic");
    assert_eq!(names(&Part { module: Some("loans".to_owned()), ..Part::default() }), ["LoanFragment"]);
    assert_eq!(names(&Part { style: Some(Style::ActivityIntent), ..Part::default() }), ["MainActivity"]);
    let wrong = Part { module: Some("loan".to_owned()), ..Part::default() };
    assert_eq!(map(&network, &wrong), Err(vec!["loans".to_owned()]));
    assert_eq!(map(&network, &around("ShelfFragmen", 1)), Err(vec!["ShelfFragment".to_owned()]));
}

fn drawn(map: &Map) -> Drawing {
    layout(map, |node: &Node| (node.name.len() as f64 * 8.0 + 20.0, 44.0))
}

fn overlap(a: &Frame, b: &Frame) -> bool {
    a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
}

fn inside(inner: &Frame, outer: &Frame) -> bool {
    inner.x >= outer.x
        && inner.y >= outer.y
        && inner.x + inner.width <= outer.x + outer.width
        && inner.y + inner.height <= outer.y + outer.height
}

#[test]
fn no_node_lies_on_another_and_boxes_hold_what_is_theirs() {
    let document = barn();
    let whole = map(&Network::new(&document), &Part::default()).expect("a map");
    let drawing = drawn(&whole);
    for (i, a) in drawing.nodes.iter().enumerate() {
        for b in &drawing.nodes[i + 1..] {
            assert!(!overlap(a, b), "{a:?} {b:?}");
        }
        let all = Frame { x: 0.0, y: 0.0, width: drawing.width, height: drawing.height };
        assert!(inside(a, &all));
        if let Some(within) = whole.nodes[i].within {
            assert!(inside(a, &drawing.boxes[within]), "{} is not in its box", whole.nodes[i].name);
        }
    }
    for (group, frame) in whole.boxes.iter().zip(&drawing.boxes) {
        if let Some(within) = group.within {
            assert!(inside(frame, &drawing.boxes[within]));
        }
    }
    // Arrows lead on: what is opened stands to the right of what opens it.
    for (arrow, path) in whole.arrows.iter().zip(&drawing.arrows) {
        assert!(path.len() >= 2);
        assert!(drawing.nodes[arrow.from].x < drawing.nodes[arrow.to].x);
    }
}

#[test]
fn the_same_input_gives_the_same_picture() {
    let document = barn();
    let network = Network::new(&document);
    let once = || drawn(&map(&network, &Part::default()).expect("a map"));
    assert_eq!(once(), once());
}

/// Fragments that open one another, so many in each of some packages.
fn large(packages: usize, each: usize) -> Document {
    let mut files = Vec::new();
    for package in 0..packages {
        let mut text = format!("package barn.part{package}\nimport androidx.fragment.app.Fragment\n");
        for i in 0..each {
            let next = (i + 1) % each;
            let _ = writeln!(
                text,
                "class P{package}Screen{i}Fragment : Fragment() {{ fun go() {{ parentFragmentManager.beginTransaction().replace(R.id.box, P{package}Screen{next}Fragment()).commit() }} }}"
            );
        }
        files.push((format!("src/main/java/barn/part{package}/Screens.kt"), text));
    }
    fixture::scan(files).document
}

#[test]
fn too_many_places_become_clusters_by_what_they_belong_to() {
    let document = large(13, 15);
    assert!(document.screens.len() > MOST_NODES);
    let network = Network::new(&document);
    let whole = map(&network, &Part::default()).expect("a map");
    assert!(whole.clustered);
    let names: Vec<&str> = whole.nodes.iter().take(3).map(|node| node.name.as_str()).collect();
    assert_eq!(names, [". › part0", ". › part1", ". › part10"], "what all have in common is left out");
    assert!(whole.nodes.iter().all(|node| node.shape == Shape::Cluster && node.members.len() == 15));
    assert!(whole.title.contains("in 13 clusters"));
    let part = map(&network, &Part { around: Some(("P3Screen4Fragment".to_owned(), 3)), ..Part::default() });
    assert!(!part.expect("a map").clustered, "a part is small enough");
}

#[test]
fn a_tower_of_clusters_is_put_into_rows() {
    let document = large(60, 4);
    let network = Network::new(&document);
    let whole = map(&network, &Part::default()).expect("a map");
    assert!(whole.nodes.iter().any(|node| node.name == "the rest"), "too many even for clusters");
    let drawing = drawn(&whole);
    assert!(drawing.width > drawing.height, "{} by {}", drawing.width, drawing.height);
    for (i, a) in drawing.nodes.iter().enumerate() {
        assert!(drawing.nodes[i + 1..].iter().all(|b| !overlap(a, b)));
    }
}

#[test]
fn nothing_gives_an_empty_picture() {
    let document = fixture::scan(vec![("A.kt".to_owned(), "class A".to_owned())]).document;
    let whole = map(&Network::new(&document), &Part::default()).expect("a map");
    let drawing = drawn(&whole);
    assert!(whole.nodes.is_empty() && drawing.width > 0.0 && drawing.height > 0.0);
}
