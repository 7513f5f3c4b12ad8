//! `named-table` as apps write it.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

const PAGES: &str = r"
//- pubspec.yaml
name: barn
//- lib/pages.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class ItemPage extends StatelessWidget { const ItemPage({super.key, required this.id}); final String id; @override Widget build(BuildContext context) => Text(id); }
class LostPage extends StatelessWidget { const LostPage({super.key, this.name}); final String? name; @override Widget build(BuildContext context) => Text('$name'); }
";

/// What a table declares besides the pages above.
fn declared(rest: &str) -> String {
    routes(&scanned(&format!("{PAGES}{rest}")))
}

#[test]
fn maps_of_builders_wherever_they_are() {
    let found = declared(
        r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'routes.dart';
void main() => runApp(MaterialApp(initialRoute: Routes.shelf, routes: {...Routes.all, for (final extra in extras) extra.name: extra.build}, onUnknownRoute: (s) => MaterialPageRoute(builder: (_) => LostPage(name: s.name))));
//- lib/routes.dart
import 'package:flutter/widgets.dart';
import 'pages.dart';
export 'pages.dart';
abstract class Routes {
  static const shelf = '/';
  static const item = '/item';
  static Map<String, WidgetBuilder> get all => {
    shelf: (context) => const ShelfPage(),
    item: _item,
    '/guard': (context) => AuthGuard(child: const ItemPage(id: '0')),
  };
  static Widget _item(BuildContext context) {
    final id = ModalRoute.of(context)!.settings.arguments as String;
    return ItemPage(id: id);
  }
}
class AuthGuard extends StatelessWidget { const AuthGuard({super.key, required this.child}); final Widget child; @override Widget build(BuildContext c) => child; }
",
    );
    lists(
        &found,
        expect![[r#"
        default [fallback] -> LostPage () main.dart:3
        */ [screen] -> ShelfPage () routes.dart:8
        /item [screen] -> ItemPage (arguments: String) routes.dart:9
        /guard [screen] -> ItemPage () routes.dart:10"#]],
    );
}

#[test]
fn generators_by_switch_if_and_expression() {
    let found = declared(
        r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'routes.dart' as nav;
void main() => runApp(CupertinoApp(onGenerateRoute: nav.Router().onGenerate));
//- lib/routes.dart
import 'package:flutter/material.dart';
import 'pages.dart';
const kShelf = '/';
class Router {
  Route? onGenerate(RouteSettings settings) {
    final Widget page;
    final uri = Uri.parse(settings.name!);
    if (uri.pathSegments.length == 2 && uri.pathSegments.first == 'item') {
      return MaterialPageRoute(builder: (_) => ItemPage(id: uri.pathSegments[1]));
    }
    if (settings.name == '/a' || settings.name == '/b') {
      return _to(const ShelfPage(), settings);
    }
    return _rest(settings);
  }
  Route<dynamic> _to(Widget page, RouteSettings settings) => MaterialPageRoute(builder: (_) => page, settings: settings);
  Route<dynamic>? _rest(RouteSettings settings) => switch (settings.name) {
    kShelf => _to(const ShelfPage(), settings),
    '/c' || '/d' => _to(ItemPage(id: settings.arguments as String), settings),
    _ => MaterialPageRoute(builder: (context) => const LostPage()),
  };
}
",
    );
    lists(
        &found,
        expect![[r#"
        /item/{} [screen] -> ItemPage () routes.dart:8
        /a [screen] -> ShelfPage () routes.dart:11
        /b [screen] -> ShelfPage () routes.dart:11
        */ [screen] -> ShelfPage () routes.dart:18
        /c [screen] -> ItemPage (arguments: String) routes.dart:19
        /d [screen] -> ItemPage (arguments: String) routes.dart:19
        default [fallback] -> LostPage () routes.dart:20"#]],
    );
}

#[test]
fn generators_that_ask_others() {
    let asked = |generate: &str| {
        declared(&format!(
            r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(initialRoute: '/', onGenerateRoute: generate));
Route<dynamic>? items(RouteSettings settings) {{
  final name = settings.name ?? '';
  if (name == '/items/new') {{
    return MaterialPageRoute(builder: (_) => const ItemPage(id: ''));
  }} else if (name.startsWith('/items/')) {{
    return MaterialPageRoute(builder: (_) => ItemPage(id: name.substring(7)));
  }}
  return null;
}}
Route<dynamic>? shelf(RouteSettings settings) => switch (settings.name) {{
  '/' => MaterialPageRoute(builder: (_) => const ShelfPage()),
  _ => null,
}};
{generate}
"
        ))
    };
    for generate in [
        "Route<dynamic>? generate(RouteSettings settings) => items(settings) ?? shelf(settings);",
        "Route<dynamic>? generate(RouteSettings settings) { final found = items(settings); if (found != null) return found; return shelf(settings); }",
        "Route<dynamic>? generate(RouteSettings settings) { final found = items(settings) ?? shelf(settings); return found; }",
    ] {
        lists(
            &asked(generate),
            expect![[r#"
            /items/new [screen] -> ItemPage () main.dart:6
            /items/{} [screen] -> ItemPage () main.dart:8
            */ [screen] -> ShelfPage () main.dart:14"#]],
        );
    }
    // What is only made, and asks for no name, adds nothing.
    let other = asked(
        "Object note(RouteSettings settings) => Object();\nRoute<dynamic>? generate(RouteSettings settings) { final noted = note(settings); return shelf(settings); }",
    );
    lists(&other, expect!["*/ [screen] -> ShelfPage () main.dart:14"]);
}

#[test]
fn builders_that_ask_for_the_name_themselves() {
    let asked = |builder: &str| {
        declared(&format!(
            r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(initialRoute: '/', onGenerateRoute: (settings) => MaterialPageRoute(settings: settings, builder: {builder})));
"
        ))
    };
    for builder in [
        "(context) => switch (settings.name) { '/' => const ShelfPage(), '/item' => ItemPage(id: ''), _ => const LostPage() }",
        "(context) { switch (settings.name) { case '/': return const ShelfPage(); case '/item': return ItemPage(id: ''); default: return const LostPage(); } }",
        "(context) { if (settings.name == '/') { return const ShelfPage(); } if (settings.name == '/item') { return ItemPage(id: ''); } return const LostPage(); }",
    ] {
        lists(
            &asked(builder),
            expect![[r#"
            */ [screen] -> ShelfPage () main.dart:3
            /item [screen] -> ItemPage () main.dart:3
            default [fallback] -> LostPage () main.dart:3"#]],
        );
    }
    // One that builds the same whatever is asked has no names.
    lists(
        &asked("(context) => ItemPage(id: settings.name ?? '')"),
        expect!["ItemPage [screen] -> ItemPage () pages.dart:3"],
    );
}

#[test]
fn arguments_by_map_class_and_value_meet_what_is_read() {
    let document = scanned(
        r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(routes: {
  '/': (_) => const ShelfPage(),
  ItemPage.route: (_) => const ItemPage(),
  LoanPage.route: (_) => const LoanPage(),
  NotePage.route: (_) => const NotePage(),
}));
//- lib/pages.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  void _open(BuildContext context, String name, {Object? args}) => Navigator.of(context).pushNamed(name, arguments: args);
  @override
  Widget build(BuildContext context) {
    final bag = {'id': 1};
    bag['tag'] = 2;
    return Column(children: [
      TextButton(onPressed: () => Navigator.pushNamed(context, ItemPage.route, arguments: bag)),
      TextButton(onPressed: () => _open(context, LoanPage.route, args: LoanArgs('l', copies: 2))),
      TextButton(onPressed: () => Navigator.of(context).pushReplacementNamed(NotePage.route, arguments: 'hello')),
      TextButton(onPressed: () => Navigator.of(context).pushNamed(routeFor(1))),
    ]);
  }
}
class ItemPage extends StatelessWidget {
  static const String route = '/item';
  const ItemPage({super.key});
  @override
  Widget build(BuildContext context) {
    final args = ModalRoute.of(context)?.settings.arguments as Map<String, dynamic>?;
    if (args == null) return const Text('');
    final id = args['id'] as int;
    return Text('$id ${args['tag'] ?? 0}');
  }
}
class LoanArgs {
  LoanArgs(this.loanId, {this.copies = 1, this.note});
  final String loanId;
  final int copies;
  final String? note;
}
class LoanPage extends StatefulWidget {
  static const route = '/loan';
  const LoanPage({super.key});
  @override
  State<LoanPage> createState() => _LoanPageState();
}
class _LoanPageState extends State<LoanPage> {
  late LoanArgs _args;
  @override
  void didChangeDependencies() {
    super.didChangeDependencies();
    _args = ModalRoute.of(context)!.settings.arguments! as LoanArgs;
  }
  @override
  Widget build(BuildContext context) => Text(_args.loanId);
}
class NotePage extends StatelessWidget {
  static const route = '/note';
  const NotePage({super.key});
  @override
  Widget build(BuildContext context) {
    final String note = ModalRoute.of(context)!.settings.arguments as String;
    return Text(note);
  }
}
",
    );
    lists(
        &routes(&document),
        expect![[r#"
        */ [screen] -> ShelfPage () main.dart:4
        /item [screen] -> ItemPage (id: int, tag?: -) main.dart:5
        /loan [screen] -> LoanPage (loanId: String, copies?: int, note?: String) main.dart:6
        /note [screen] -> NotePage (arguments: String) main.dart:7"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open /item constant (id, tag) pages.dart:10
        ShelfPage open /loan constant (copies, loanId) pages.dart:11
        ShelfPage replace /note constant (arguments) pages.dart:12
        ShelfPage open dynamic dynamic () pages.dart:13"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemPage id int forced pages.dart:24
        ItemPage tag - pages.dart:25
        LoanPage loanId - pages.dart:48
        NotePage arguments String forced pages.dart:55"#]],
    );
}

#[test]
fn nested_navigators_have_names_of_their_own() {
    let document = scanned(
        r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(routes: {'/': (_) => HomePage(), '/help': (_) => HelpPage()}));
class HomePage extends StatelessWidget {
  @override
  Widget build(BuildContext context) => Navigator(initialRoute: 'shelf', onGenerateRoute: (settings) {
    late Widget page;
    switch (settings.name) {
      case 'shelf':
        page = ShelfPage();
        break;
      case 'item':
        page = ItemPage();
        break;
    }
    return MaterialPageRoute(builder: (_) => page);
  });
}
class ShelfPage extends StatelessWidget {
  @override
  Widget build(BuildContext context) => Column(children: [
    TextButton(onPressed: () => Navigator.pushNamed(context, 'item')),
    TextButton(onPressed: () => Navigator.of(context, rootNavigator: true).pushNamed('/help')),
    TextButton(onPressed: () => Navigator.pushNamed(context, '/help')),
  ]);
}
class ItemPage extends StatelessWidget { @override Widget build(BuildContext context) => Text(''); }
class HelpPage extends StatelessWidget { @override Widget build(BuildContext context) => Text(''); }
",
    );
    lists(
        &routes(&document),
        expect![[r#"
        */ [screen] -> HomePage () main.dart:2
        /help [screen] -> HelpPage () main.dart:2
        *shelf [screen] -> ShelfPage () main.dart:8
        item [screen] -> ItemPage () main.dart:11"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open item literal () main.dart:21
        ShelfPage open /help literal () main.dart:22
        ShelfPage open /help literal () main.dart:23"#]],
    );
    let scoped: Vec<u32> =
        document.findings.iter().filter(|f| f.rule == "out-of-scope-route").map(|f| f.at.line).collect();
    assert_eq!(scoped, [23], "only the last goes to a navigator that does not know the name");
}
