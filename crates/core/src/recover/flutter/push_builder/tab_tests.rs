//! Tabs are no navigators, and widgets pass on what their makers say.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use crate::rules::testing::{judged, quiet};
use expect_test::expect;

#[test]
fn what_is_called_by_name_from_a_tab_is_seen() {
    quiet(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: const BarnPage(), onUnknownRoute: (s) => null, routes: {Names.tool: (_) => const ToolPage()}));
class Names { static const tool = '/tool'; }
class BarnPage extends StatelessWidget {
  const BarnPage({super.key});
  @override
  Widget build(BuildContext context) => Scaffold(body: IndexedStack(index: 0, children: const [ToolsTab(), LoansTab()]));
}
class ToolsTab extends StatelessWidget {
  const ToolsTab({super.key});
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pushNamed(context, Names.tool), child: const Text(''));
}
class LoansTab extends StatelessWidget {
  const LoansTab({super.key});
  @override
  Widget build(BuildContext context) => const Text('');
}
class ToolPage extends StatelessWidget {
  const ToolPage({super.key});
  @override
  Widget build(BuildContext context) => const Text('');
}
"#,
    );
}

/// A table of named routes with one page that takes arguments, and the lines of another that opens it.
fn table(taking: &str, opening: &str) -> String {
    format!(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: const ShelfPage(), onUnknownRoute: (s) => null, routes: {{Names.lend: (_) => const LendPage()}}));
class Names {{ static const lend = '/lend'; }}
class LoanArgs {{ const LoanArgs({{required this.loanId, this.note}}); final String loanId; final String? note; }}
class LateLoanArgs extends LoanArgs {{ const LateLoanArgs({{required super.loanId}}); }}
class ToolArgs {{ const ToolArgs({{required this.toolId}}); final int toolId; }}
class LendPage extends StatelessWidget {{
  const LendPage({{super.key}});
  @override
  Widget build(BuildContext context) {{
    {taking}
  }}
}}
class ShelfPage extends StatelessWidget {{
  const ShelfPage({{super.key}});
  @override
  Widget build(BuildContext context) => TextButton(child: const Text(''), onPressed: () {{
    {opening}
  }});
}}
"#
    )
}

const TAKES: &str = "final args = ModalRoute.of(context)!.settings.arguments as LoanArgs;\n    return Text('${args.loanId} ${args.note}');";

#[test]
fn an_object_of_another_class_is_of_the_wrong_type_and_nothing_else() {
    let wrong = table(
        TAKES,
        "Navigator.pushNamed(context, Names.lend, arguments: const ToolArgs(toolId: 3));\n              ^^^^^^^^^ argument-type: `arguments` is taken as LoanArgs, and a ToolArgs is passed",
    );
    judged("argument-type", &wrong);
    let unmarked: String =
        wrong.lines().filter(|l| !l.trim_start().starts_with('^')).map(|l| format!("{l}\n")).collect();
    judged("argument-missing", &unmarked);
    judged("argument-unknown", &unmarked);
}

#[test]
fn a_class_below_and_the_class_itself_are_right() {
    quiet(&table(
        TAKES,
        "Navigator.pushNamed(context, Names.lend, arguments: const LateLoanArgs(loanId: '3'));\n    Navigator.pushNamed(context, Names.lend, arguments: const LoanArgs(loanId: '3', note: ''));",
    ));
}

#[test]
fn what_is_taken_as_nullable_may_be_left_out() {
    let nullable = "final args = ModalRoute.of(context)!.settings.arguments as LoanArgs?;\n    return Text('${args?.loanId} ${args?.note}');";
    quiet(&table(nullable, "Navigator.pushNamed(context, Names.lend);"));
    judged(
        "argument-missing",
        &table(
            TAKES,
            "Navigator.pushNamed(context, Names.lend);\n              ^^^^^^^^^ argument-missing: needs `loanId`",
        ),
    );
}

#[test]
fn a_bag_with_a_stand_in_is_followed() {
    let document = scanned(&table(
        "final args = ModalRoute.of(context)?.settings.arguments as Map? ?? {};\n    return Text(args['kind'] as String? ?? 'tool');",
        "Navigator.pushNamed(context, Names.lend, arguments: {'kind': 'saw'});",
    ));
    lists(&reads(&document), expect!["LendPage kind String? main.dart:12"]);
    lists(&calls(&document), expect!["ShelfPage open /lend constant (kind) main.dart:19"]);
}

#[test]
fn a_widget_that_is_made_with_the_name_hands_it_on() {
    let document = scanned(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(MaterialApp(home: const ShelfPage(), routes: {'/loans': (_) => const LoansPage(), '/fees': (_) => const FeesPage()}));
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  @override
  Widget build(BuildContext context) => Column(children: [const DoorCard('/loans'), DoorTile(to: '/fees'), DoorRow(onPick: (name) => Navigator.pushNamed(context, name))]);
}
class LoansPage extends StatelessWidget { const LoansPage({super.key}); @override Widget build(BuildContext context) => const Text(''); }
class FeesPage extends StatelessWidget { const FeesPage({super.key}); @override Widget build(BuildContext context) => const Text(''); }
class DoorCard extends StatelessWidget {
  const DoorCard(this.name, {super.key});
  final String name;
  @override
  Widget build(BuildContext context) => InkWell(onTap: () => Navigator.pushNamed(context, name));
}
class DoorTile extends StatefulWidget {
  const DoorTile({super.key, required this.to});
  final String to;
  @override
  State<DoorTile> createState() => _DoorTileState();
}
class _DoorTileState extends State<DoorTile> {
  @override
  Widget build(BuildContext context) => InkWell(onTap: () => Navigator.of(context).pushNamed(widget.to));
}
class DoorRow extends StatelessWidget {
  const DoorRow({super.key, required this.onPick});
  final void Function(String) onPick;
  @override
  Widget build(BuildContext context) => InkWell(onTap: () => onPick('/loans'));
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        /loans [screen] -> LoansPage () main.dart:2
        /fees [screen] -> FeesPage () main.dart:2
        *ShelfPage [screen] -> ShelfPage () main.dart:3"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open /loans literal () main.dart:6
        ShelfPage open /fees literal () main.dart:6
        ShelfPage open /loans computed () main.dart:6"#]],
    );
}
