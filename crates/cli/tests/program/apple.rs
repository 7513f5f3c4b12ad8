//! Apple: the demo as it is shipped, and what stands beside an app.

use crate::support::{App, demo, places, run, scanned};

#[test]
fn the_demos_slips_and_nothing_graver() {
    let document = scanned(&demo("apple"));
    assert_eq!(places(&document, "undeclared-route"), ["LoansView.swift:21", "TicketControllers.swift:22"]);
    assert_eq!(places(&document, "out-of-scope-route"), ["CardView.swift:12", "TicketControllers.swift:41"]);
    assert_eq!(places(&document, "host-unwired"), ["ShelfDestinations.swift:20"]);
    assert_eq!(places(&document, "argument-missing"), ["ReturnsViewController.swift:26"]);
    assert_eq!(places(&document, "screen-missing"), ["Tickets.storyboard:59"]);
    assert_eq!(places(&document, "back-too-far"), ["ShelfView.swift:63"]);
    assert_eq!(places(&document, "optional-forced"), ["ShelfView.swift:74", "TicketControllers.swift:33"]);
    assert_eq!(
        places(&document, "wiring-slip"),
        [
            "MainView.swift:15",
            "ReturnsViewController.swift:9",
            "ReturnsViewController.swift:12",
            "ReturnsViewController.swift:14",
            "ReturnsViewController.swift:74"
        ]
    );
    assert_eq!(
        places(&document, "orphan-screen"),
        ["ShelfDestinations.swift:13", "ReturnsViewController.swift:81"],
        "a test is no way in"
    );
    assert_eq!(
        places(&document, "unused-name"),
        ["Links.swift:7", "TicketControllers.swift:6", "TicketControllers.swift:7", "Tickets.storyboard:27"]
    );
}

#[test]
fn ways_pictures_and_gaps_of_the_new_styles() {
    let app = demo("apple");
    let way = run(&["reach", "ShelfView", "HistoryView", "--in", &app]);
    assert_eq!(way.status, 0, "{}", way.err);
    assert!(way.out.contains("ItemView"), "by way of the item: {}", way.out);
    let map = run(&["map", &app, "--format", "dot"]);
    assert!(map.out.contains("TicketListViewController") && map.out.contains("QuickLendView"), "{}", map.out);
    let move_on = run(&["gaps", &app, "--to", "swiftui-value"]);
    assert!(move_on.out.contains("Packages/Repairs  0 of 2"), "{}", move_on.out);
}

/// A Flutter app with its native hosts, and what package managers and builds leave beside an app.
const HOSTED: &str = r#"
//- pubspec.yaml
name: barn
dependencies:
  flutter:
    sdk: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(const MaterialApp(home: ShelfPage()));
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  @override
  Widget build(BuildContext context) => const Text('Shelf');
}
//- ios/Runner/AppDelegate.swift
import UIKit
@main
class AppDelegate: UIResponder, UIApplicationDelegate {
  var window: UIWindow?
  func application(_ a: UIApplication, didFinishLaunchingWithOptions o: [String: Any]?) -> Bool {
    window?.rootViewController = HostController()
    return true
  }
}
class HostController: UIViewController {}
class LostController: UIViewController {}
//- ios/Pods/Kit/Kit.swift
import UIKit
class KitController: UIViewController { func go() { navigationController?.pushViewController(KitController(), animated: true) } }
"#;

#[test]
fn a_native_host_is_no_app_of_its_own() {
    let app = App::new(HOSTED);
    let document = scanned(app.arg());
    let names: Vec<&str> = document["routes"]
        .as_array()
        .expect("a list")
        .iter()
        .filter_map(|route| route["name"].as_str())
        .collect();
    assert_eq!(names, ["ShelfPage"]);
    assert!(places(&document, "orphan-screen").is_empty());
}
