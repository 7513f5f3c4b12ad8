//! `push-builder` as apps write it.

use crate::recover::testing::{calls, lists, results, routes, scanned};
use expect_test::expect;

/// An app that shows the shelf, over what a test declares.
fn app(rest: &str) -> String {
    format!(
        "//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'shelf_page.dart';
void main() => runApp(const BarnApp());
class BarnApp extends StatelessWidget {{
  const BarnApp({{super.key}});
  @override
  Widget build(BuildContext context) => MaterialApp(home: const ShelfPage());
}}
{rest}"
    )
}

#[test]
fn every_way_of_pushing_shows_the_widget_that_is_built() {
    let document = scanned(&app(r"
//- lib/shelf_page.dart
import 'package:flutter/cupertino.dart';
import 'package:flutter/material.dart';
import 'package:barn/item_page.dart';
import 'loans/loan_page.dart' as loans;
class ShelfPage extends StatefulWidget {
  const ShelfPage({super.key});
  @override
  State<ShelfPage> createState() => _ShelfPageState();
}
class _ShelfPageState extends State<ShelfPage> with RouteAware {
  late final NavigatorState _navigator = Navigator.of(context);
  void _item(String id) {
    Navigator.push(context, MaterialPageRoute(builder: (context) => ItemPage(id: id)));
  }
  Future<void> _loan() async {
    final route = CupertinoPageRoute<void>(builder: (_) {
      final page = loans.LoanPage('l1', copies: 2);
      return page;
    });
    await _navigator.pushReplacement(route);
  }
  void _fresh() => Navigator.of(context)
    ..popUntil((route) => route.isFirst)
    ..push(PageRouteBuilder(pageBuilder: (_, __, ___) => Provider(create: (_) => Store(), child: const ItemPage(id: 'new'))));
  @override
  Widget build(BuildContext context) => ListView(children: [
    ListTile(onTap: () => _item('i1')),
    ListTile(onTap: _loan),
    ListTile(onTap: _fresh),
    TextButton(onPressed: () => Navigator.of(context, rootNavigator: true).pushAndRemoveUntil(
      MaterialPageRoute<void>(builder: ItemPage.first, settings: const RouteSettings(name: '/item')), (_) => false)),
  ]);
}
class Store {}
//- lib/item_page.dart
import 'package:flutter/material.dart';
class ItemPage extends StatelessWidget {
  const ItemPage({super.key, required this.id, this.note});
  static Widget first(BuildContext context) => const ItemPage(id: 'i0', note: 'first');
  final String id;
  final String? note;
  @override
  Widget build(BuildContext context) => BackButton(onPressed: () => Navigator.maybePop(context));
}
//- lib/loans/loan_page.dart
import 'package:flutter/material.dart';
class LoanPage extends StatelessWidget {
  const LoanPage(this.loanId, {Key? key, this.copies = 1}) : super(key: key);
  final String loanId;
  final int copies;
  @override
  Widget build(BuildContext context) => Text('$loanId $copies');
}
"));
    lists(
        &routes(&document),
        expect![[r#"
        ItemPage [screen] -> ItemPage (id: String, note?: String) item_page.dart:2
        LoanPage [screen] -> LoanPage (loanId: String, copies?: int) loan_page.dart:2
        *ShelfPage [screen] -> ShelfPage () shelf_page.dart:5"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemPage back - () item_page.dart:8
        ShelfPage open ItemPage typed (id) shelf_page.dart:13
        ShelfPage replace LoanPage typed (copies, loanId) shelf_page.dart:20
        ShelfPage back-to - () shelf_page.dart:23
        ShelfPage open ItemPage typed (id) shelf_page.dart:24
        ShelfPage reset ItemPage typed (id, note) shelf_page.dart:30"#]],
    );
}

#[test]
fn helpers_wrappers_and_route_functions() {
    let document = scanned(&app(r"
//- lib/shelf_page.dart
import 'package:flutter/material.dart';
import 'nav.dart';
import 'item_page.dart';
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  @override
  Widget build(BuildContext context) => Column(children: [
    TextButton(onPressed: () => context.show(const ItemPage(id: 'a'))),
    TextButton(onPressed: () => Go.to(context, ItemPage(id: pick()), root: true)),
    TextButton(onPressed: () => Navigator.push(context, ItemPage.route('b'))),
    ItemRow(onTap: () => navigatorKey.currentState?.push(ItemRoute(id: 'c'))),
    const Shortcut(),
  ]);
}
//- lib/nav.dart
import 'package:flutter/material.dart';
final navigatorKey = GlobalKey<NavigatorState>();
extension Navigation on BuildContext {
  NavigatorState get navigator => Navigator.of(this);
  Future<T?> show<T extends Object?>(Widget page) => navigator.push<T>(MaterialPageRoute<T>(builder: (_) => page));
}
class Go {
  static void to(BuildContext context, Widget page, {bool root = false}) =>
      Navigator.of(context, rootNavigator: root).push(_fade(page));
  static Route<void> _fade(Widget page) => PageRouteBuilder(pageBuilder: (c, a, b) => FadeTransition(opacity: a, child: page));
}
//- lib/item_page.dart
import 'package:flutter/material.dart';
import 'nav.dart';
class ItemPage extends StatelessWidget {
  const ItemPage({super.key, required this.id});
  static Route<bool> route(String id) => MaterialPageRoute<bool>(builder: (_) => ItemPage(id: id));
  final String id;
  @override
  Widget build(BuildContext context) => Text(id);
}
class ItemRoute extends MaterialPageRoute<void> {
  ItemRoute({required String id}) : super(builder: (context) => ItemPage(id: id));
}
class ItemRow extends StatelessWidget {
  const ItemRow({super.key, required this.onTap});
  final VoidCallback onTap;
  @override
  Widget build(BuildContext context) => InkWell(onTap: onTap);
}
class Shortcut extends StatelessWidget {
  const Shortcut({super.key});
  @override
  Widget build(BuildContext context) => InkWell(onTap: () => context.show(const ItemPage(id: 'd')));
}
"));
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open ItemPage typed (id) item_page.dart:22
        ShelfPage open ItemPage typed (id) shelf_page.dart:8
        ShelfPage open ItemPage typed (id) shelf_page.dart:9
        ShelfPage open ItemPage typed (id) shelf_page.dart:10
        ShelfPage open ItemPage typed (id) shelf_page.dart:11"#]],
    );
}

#[test]
fn dialogs_sheets_and_what_they_hand_back() {
    let document = scanned(&app(r"
//- lib/shelf_page.dart
import 'package:flutter/material.dart';
import 'package:flutter/cupertino.dart';
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  Future<void> _remove(BuildContext context) async {
    final sure = await showDialog<bool>(context: context, builder: (_) => const SureDialog('tool'));
    if (sure ?? false) return;
    final again = await showDialog<bool>(context: context, builder: (c) => AlertDialog(actions: [
      TextButton(onPressed: () => Navigator.pop(c, true), child: const Text('Yes')),
    ]));
    if (again == true) showAboutDialog(context: context);
  }
  void _sort(BuildContext context) => showModalBottomSheet<String>(
    context: context, builder: (_) => SafeArea(child: SortSheet(current: 'name'))).then((order) => print(order));
  @override
  Widget build(BuildContext context) => Row(children: [
    IconButton(onPressed: () => _remove(context)),
    IconButton(onPressed: () => _sort(context)),
    IconButton(onPressed: () => showCupertinoModalPopup<void>(context: context, builder: (_) => Text('no page'))),
  ]);
}
class SureDialog extends StatelessWidget {
  const SureDialog(this.what, {super.key});
  final String what;
  @override
  Widget build(BuildContext context) => AlertDialog(title: Text(what), actions: [
    TextButton(onPressed: () => Navigator.of(context).pop(false)),
    TextButton(onPressed: () => Navigator.of(context).pop(true)),
  ]);
}
class SortSheet extends StatelessWidget {
  const SortSheet({super.key, required this.current});
  final String current;
  @override
  Widget build(BuildContext context) => ListTile(onTap: () => Navigator.pop(context, 'age $current'));
}
"));
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfPage [screen] -> ShelfPage () shelf_page.dart:3
        SureDialog [dialog] -> SureDialog (what: String) shelf_page.dart:22
        SortSheet [sheet] -> SortSheet (current: String) shelf_page.dart:31"#]],
    );
    lists(
        &results(&document),
        expect![[r#"
        receive SureDialog shelf_page.dart:6
        receive SortSheet shelf_page.dart:13
        send SureDialog shelf_page.dart:27
        send SureDialog shelf_page.dart:28
        send SortSheet shelf_page.dart:35"#]],
    );
}

#[test]
fn starts_behind_choices_and_look_alikes_that_are_no_calls() {
    let document = scanned(
        r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(home: signedIn ? ShelfPage() : StreamBuilder(stream: s, builder: (c, x) {
  if (x.hasData) return ShelfPage();
  return const SignInPage();
})));
//- lib/pages.dart
import 'package:flutter/material.dart';
class Stack2 { void push(Object o) {} void pop() {} }
class Navigator2 { static void push(Object a, Object b) {} }
class ShelfPage extends StatelessWidget {
  final _undo = Stack2();
  final List<int> _list = [];
  @override
  Widget build(BuildContext context) {
    _undo.push(SignInPage());
    _undo.pop();
    Navigator2.push(context, MaterialPageRoute(builder: (_) => SignInPage()));
    _list.removeLast();
    return Text('');
  }
}
class SignInPage extends StatelessWidget {
  const SignInPage({super.key});
  @override
  Widget build(BuildContext context) {
    var steps = 0;
    return TextButton(onPressed: () => Navigator.popUntil(context, (_) => steps++ >= 2));
  }
}
",
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfPage [screen] -> ShelfPage () pages.dart:4
        *SignInPage [screen] -> SignInPage () pages.dart:16"#]],
    );
    lists(&calls(&document), expect!["SignInPage back - () pages.dart:21"]);
}

#[test]
fn tabs_and_pages_side_by_side_are_routes_and_no_calls() {
    let document = scanned(&app(r"
//- lib/shelf_page.dart
import 'package:flutter/material.dart';
import 'tabs.dart';
class ShelfPage extends StatefulWidget {
  const ShelfPage({super.key});
  @override
  State<ShelfPage> createState() => _ShelfPageState();
}
class _ShelfPageState extends State<ShelfPage> {
  int _index = 0;
  static const List<Widget> _pages = [ToolsPage(), LoansPage(member: 'm')];
  @override
  Widget build(BuildContext context) => Scaffold(
    body: _pages[_index],
    bottomNavigationBar: BottomNavigationBar(onTap: (i) => setState(() => _index = i)),
  );
}
//- lib/tabs.dart
import 'package:flutter/material.dart';
class ToolsPage extends StatelessWidget {
  const ToolsPage({super.key});
  @override
  Widget build(BuildContext context) => DefaultTabController(length: 2, child: TabBarView(children: [const NewTab(), OldTab(), const Divider2()]));
}
class LoansPage extends StatelessWidget {
  const LoansPage({super.key, required this.member});
  final String member;
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.push(context, MaterialPageRoute(builder: (_) => const HelpPage())));
}
class NewTab extends StatelessWidget { const NewTab({super.key}); @override Widget build(BuildContext c) => Text(''); }
class OldTab extends StatelessWidget { @override Widget build(BuildContext c) => Text(''); }
class Divider2 extends StatelessWidget { const Divider2({super.key}); @override Widget build(BuildContext c) => Text(''); }
class HelpPage extends StatelessWidget { const HelpPage({super.key}); @override Widget build(BuildContext c) => Text(''); }
"));
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfPage [screen] -> ShelfPage () shelf_page.dart:3
        *ToolsPage [tab] -> ToolsPage () tabs.dart:2
        LoansPage [tab] -> LoansPage (member: String) tabs.dart:7
        *NewTab [tab] -> NewTab () tabs.dart:13
        OldTab [tab] -> OldTab () tabs.dart:14
        HelpPage [screen] -> HelpPage () tabs.dart:16"#]],
    );
    lists(&calls(&document), expect!["LoansPage open HelpPage typed () tabs.dart:11"]);
    assert!(document.findings.iter().all(|f| f.rule != "unreachable-route" && f.rule != "orphan-screen"));
}
