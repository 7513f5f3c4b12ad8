//! Linking by itself: which phase finds what, on apps no larger than it needs.

use crate::facts::{ContainerId, Facts, RouteId};
use crate::fixture;
use crate::link::{Around, Graph, complete, link};
use crate::recover::{LIBRARIES, ROOMS, recover};
use crate::settings::Settings;
use crate::source::from_texts;
use crate::syntax::parse;
use crate::values::{Program, Values};
use expect_test::{Expect, expect};

/// Links an app, every file of it parsed, and asks something of the graph.
fn linked<T>(app: &str, ask: impl FnOnce(&Graph<'_>) -> T) -> T {
    let sources = from_texts(fixture::files(app));
    let bodies = sources.files.iter().map(|file| Some(parse(file, &sources).body.into())).collect();
    let program = Program::new(&sources, bodies, LIBRARIES);
    let values = Values::new(&program);
    let mut facts = Facts::default();
    program.parsed().for_each(|file| facts.extend(recover(file, &values)));
    let graph = complete(link(facts, values, ROOMS), values, &Settings::default(), Around::default());
    ask(&graph)
}

fn route(graph: &Graph<'_>, name: &str) -> RouteId {
    graph.routes.position(|route| route.fact.name == name).unwrap_or_else(|| panic!("no route {name}"))
}

fn container(graph: &Graph<'_>, name: &str) -> ContainerId {
    let named = graph.containers.position(|container| container.fact.name.as_deref() == Some(name));
    named.unwrap_or_else(|| panic!("no container {name}"))
}

/// A line a route: what it is, where it leads on, whether one gets there.
fn routes(graph: &Graph<'_>) -> String {
    let name = |id: RouteId| graph.routes[id].fact.name.as_str();
    let lines = graph.routes.iter_enumerated().map(|(id, route)| {
        let marks = [
            (route.start, "start"),
            (route.entry, "entry"),
            (route.reached, "reached"),
            (graph.is_redirected_to(id), "led to"),
        ];
        let marks: Vec<&str> = marks.into_iter().filter(|(is, _)| *is).map(|(_, mark)| mark).collect();
        let loses = route.loses_to.map(|winner| format!(" loses to {}", name(winner))).unwrap_or_default();
        let shadowed = route.shadowed_by.map(|by| format!(" behind {}", name(by))).unwrap_or_default();
        format!("{}: {}{loses}{shadowed}", route.fact.name, marks.join(", "))
    });
    lines.collect::<Vec<_>>().join("\n")
}

/// A line a call: from, to, how it stands.
fn calls(graph: &Graph<'_>) -> String {
    let lines = graph.calls.iter().map(|call| {
        let from: Vec<&str> = call.screens.iter().map(|&screen| graph.screen_name(screen)).collect();
        let to: Vec<&str> = call.targets.iter().map(|&to| graph.routes[to].fact.name.as_str()).collect();
        let scope = if call.out_of_scope.is_some() { " out of scope" } else { "" };
        let passed: Vec<&str> = call.arguments.iter().map(|argument| argument.name.as_str()).collect();
        format!("{} -> {} {}{scope} ({})", from.join("+"), to.join("|"), call.status, passed.join(", "))
    });
    lines.collect::<Vec<_>>().join("\n")
}

#[track_caller]
fn shows(app: &str, ask: impl FnOnce(&Graph<'_>) -> String, expected: Expect) {
    expected.assert_eq(&linked(app, ask));
}

const GRAPHS: &str = r#"
//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <action android:id="@+id/to_help" app:destination="@id/help"/>
  <include app:graph="@navigation/loans"/>
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/to_item" app:destination="@id/item"/>
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/item" android:name="barn.OtherFragment"/>
  <fragment android:id="@+id/help" android:name="barn.HelpFragment"/>
  <fragment android:id="@+id/attic" android:name="barn.AtticFragment"/>
  <fragment android:id="@+id/trunk" android:name="barn.TrunkFragment"/>
</navigation>
//- res/navigation/loans.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/loans" app:startDestination="@id/loan_list">
  <fragment android:id="@+id/loan_list" android:name="barn.LoanListFragment"/>
  <navigation android:id="@+id/returns" app:startDestination="@id/scan">
    <fragment android:id="@+id/scan" android:name="barn.ScanFragment"/>
  </navigation>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun item() = findNavController().navigate(R.id.to_item)
    fun loans() = findNavController().navigate(R.id.loans)
    fun inner() = findNavController().navigate(R.id.scan)
}
class ItemFragment : Fragment()
class OtherFragment : Fragment() { fun help() = findNavController().navigate(R.id.to_help) }
class HelpFragment : Fragment() { fun item() = findNavController().navigate(R.id.to_item) }
class AtticFragment : Fragment() { fun trunk() = findNavController().navigate(R.id.trunk) }
class TrunkFragment : Fragment() { fun back() = findNavController().navigate(R.id.cellar) }
class LoanListFragment : Fragment() { fun shelf() = findNavController().navigate(R.id.shelf) }
class ScanFragment : Fragment()
"#;

#[test]
fn graphs_stand_in_those_that_include_them() {
    linked(GRAPHS, |graph| {
        let (main, loans, returns) =
            (container(graph, "main"), container(graph, "loans"), container(graph, "returns"));
        assert_eq!(graph.around(returns), [returns, loans, main]);
        assert_eq!(graph.roots(returns), [main]);
        assert!(graph.is_within(returns, main) && !graph.is_within(main, returns));
        assert!(graph.containers[main].hosted && !graph.containers[loans].hosted);
        let shown = graph.shown_by(route(graph, "loans"));
        assert_eq!(graph.routes[shown].fact.name, "loan_list");
        assert_eq!(graph.opened_as(shown), [shown, route(graph, "loans")]);
    });
}

#[test]
fn starts_entries_losers_and_what_can_be_reached() {
    shows(
        GRAPHS,
        routes,
        expect![[r#"
        MainActivity: start, entry, reached
        loans: reached
        loan_list: start, reached
        returns: 
        scan: start, reached
        shelf: start, reached
        item:  loses to item
        item: reached
        help: reached
        attic: 
        trunk: "#]],
    );
}

#[test]
fn actions_belong_to_screens_and_ids_are_seen_from_inside() {
    shows(
        GRAPHS,
        calls,
        expect![[r#"
        ShelfFragment -> item resolved ()
        ShelfFragment -> loans resolved ()
        ShelfFragment -> scan resolved out of scope ()
        OtherFragment -> help resolved ()
        HelpFragment -> item resolved out of scope ()
        AtticFragment -> trunk resolved ()
        TrunkFragment ->  undeclared ()
        LoanListFragment -> shelf resolved ()"#]],
    );
}

const PATHS: &str = r"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'pages.dart';
void main() => runApp(MaterialApp.router(routerConfig: router));
final router = GoRouter(initialLocation: '/shelf', routes: [
  GoRoute(path: '/', redirect: (context, state) => '/shelf'),
  GoRoute(path: '/shelf', builder: (context, state) => const ShelfPage(), routes: [
    GoRoute(path: ':tag', builder: (context, state) => TagPage(tag: state.pathParameters['tag']!)),
    GoRoute(path: 'new', builder: (context, state) => const AddPage()),
  ]),
  GoRoute(path: '/loan/:loanId', builder: (context, state) => LoanPage(loanId: state.pathParameters['loanId']!, note: state.uri.queryParameters['note'])),
]);
//- lib/pages.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  @override
  Widget build(BuildContext context) => Column(children: [
    TextButton(onPressed: () => context.go('/loan/7?note=torn'), child: const Text('a')),
    TextButton(onPressed: () => context.go('/shelf/new'), child: const Text('b')),
    TextButton(onPressed: () => context.go('/shelf/' + tag()), child: const Text('c')),
    TextButton(onPressed: () => context.go('/lone/7'), child: const Text('d')),
  ]);
}
class TagPage extends StatelessWidget { const TagPage({super.key, required this.tag}); final String tag; @override Widget build(BuildContext context) => Text(tag); }
class AddPage extends StatelessWidget { const AddPage({super.key}); @override Widget build(BuildContext context) => const Text(''); }
class LoanPage extends StatelessWidget { const LoanPage({super.key, required this.loanId, this.note}); final String loanId; final String? note; @override Widget build(BuildContext context) => Text('$loanId $note'); }
";

#[test]
fn paths_that_are_asked_in_order_and_what_leads_on() {
    shows(
        PATHS,
        routes,
        expect![[r#"
        /: 
        /shelf: start, entry, reached, led to
        /shelf/{tag}: reached
        /shelf/new:  behind /shelf/{tag}
        /loan/{loanId}: reached"#]],
    );
}

#[test]
fn text_meets_patterns_piece_by_piece() {
    shows(
        PATHS,
        calls,
        expect![[r#"
        ShelfPage -> /loan/{loanId} resolved (loanId, note)
        ShelfPage -> /shelf/{tag} resolved (tag)
        ShelfPage -> /shelf/{tag} resolved (tag)
        ShelfPage ->  undeclared ()"#]],
    );
}

#[test]
fn what_hands_a_name_on_is_a_constant_of_it() {
    let app = PATHS.replace("'/lone/7'", "Paths.loan(7)")
        + "//- lib/paths.dart\nclass Paths {\n  static const shelf = '/shelf';\n  static const other = 'barn';\n  static String loan(int id) => '/loan/$id';\n}\n";
    shows(
        &app,
        |graph| {
            let line = |constant: &crate::link::Constant| {
                let used = if constant.used { "used" } else { "unused" };
                format!("{} = {} {used}", constant.name, constant.value)
            };
            graph.constants.iter().map(line).collect::<Vec<_>>().join("\n")
        },
        expect![[r#"
            Paths.shelf = /shelf unused
            Paths.loan = /loan/{} used"#]],
    );
}

/// What the shared stages say of styles, platforms and languages: nothing. How a style's names work is
/// in its ways, what a language does in its lens's idioms, what a framework's classes do in its library.
#[test]
fn shared_stages_name_no_style_no_platform_and_no_language() {
    let source = concat!(env!("CARGO_MANIFEST_DIR"), "/src/");
    let mut named = Vec::new();
    let mut todo: Vec<std::path::PathBuf> =
        ["link", "rules", "values", "gaps", "network", "map", "document.rs", "owners.rs"]
            .iter()
            .map(|part| source.to_owned() + part)
            .map(Into::into)
            .collect();
    while let Some(path) = todo.pop() {
        if path.is_dir() {
            let inside = std::fs::read_dir(&path).expect("a folder of the source");
            todo.extend(inside.map(|entry| entry.expect("an entry").path()));
            continue;
        }
        let text = std::fs::read_to_string(&path).unwrap_or_default();
        let name = path.to_string_lossy();
        if !name.ends_with(".rs") || name.contains("test") {
            continue;
        }
        // What stands in a file's own tests is an example.
        let shipped = text.split("#[cfg(test)]\nmod tests {").next().unwrap_or_default();
        for (number, line) in shipped.lines().enumerate() {
            let upper = |word: &str| {
                line.split(word)
                    .skip(1)
                    .any(|rest| rest.starts_with(char::is_uppercase) && !rest.starts_with("ALL"))
            };
            if ["Style::", "Platform::", "Language::", "Resource::"].into_iter().any(upper) {
                named.push(format!("{name}:{}: {}", number + 1, line.trim()));
            }
        }
    }
    assert!(named.is_empty(), "{named:#?}");
}
