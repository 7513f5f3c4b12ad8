//! `auto-route` as apps write it: old and new annotations, with and without generated code.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn pages_routers_and_calls_without_generated_code() {
    let document = scanned(
        r"
//- pubspec.yaml
name: barn
//- lib/router.dart
import 'package:auto_route/auto_route.dart';
import 'router.gr.dart';
@AutoRouterConfig()
class AppRouter extends RootStackRouter {
  @override
  List<AutoRoute> get routes => [
    AutoRoute(page: HomeRoute.page, initial: true, children: [
      RedirectRoute(path: '', redirectTo: 'shelf'),
      AutoRoute(page: ShelfRoute.page, path: 'shelf'),
      CustomRoute(page: LoansTab.page, path: 'loans', transitionsBuilder: fade),
    ]),
    AutoRoute(page: ItemRoute.page, path: '/item/:id', guards: [AuthGuard()]),
    ...extra,
  ];
  static final extra = [MaterialRoute(page: HelpRoute.page)];
}
//- lib/pages.dart
import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';
import 'router.gr.dart';
@RoutePage()
class HomeScreen extends StatelessWidget {
  const HomeScreen({super.key});
  @override
  Widget build(BuildContext context) => AutoTabsScaffold(
    routes: const [ShelfRoute(), LoansTab()],
    bottomNavigationBuilder: (_, tabs) => BottomNavigationBar(onTap: tabs.setActiveIndex),
  );
}
@RoutePage()
class ShelfPage extends StatelessWidget {
  const ShelfPage({super.key});
  @override
  Widget build(BuildContext context) => Column(children: [
    TextButton(onPressed: () => context.router.push(ItemRoute(id: '1', note: 'x'))),
    TextButton(onPressed: () => AutoRouter.of(context).replace(const HelpRoute())),
    TextButton(onPressed: () => context.pushRoute(const HomeRoute(children: [LoansTab()]))),
    TextButton(onPressed: () => AutoTabsRouter.of(context).setActiveIndex(1)),
    TextButton(onPressed: () => context.router.pushNamed('/item/2')),
    TextButton(onPressed: () => context.router.popUntilRouteWithName(HomeRoute.name)),
  ]);
}
@RoutePage(name: 'LoansTab')
class LoansPage extends StatelessWidget {
  const LoansPage({super.key});
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () async {
    final done = await context.router.push<bool>(const HelpRoute());
    if (done ?? false) context.router.replaceAll([const HomeRoute(), ItemRoute(id: '3')]);
  });
}
@RoutePage<bool>()
class ItemScreen extends StatelessWidget {
  const ItemScreen({super.key, @PathParam() required this.id, @QueryParam('n') this.note});
  final String id;
  final String? note;
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () => context.maybePop(), child: Text('$id $note'));
}
@RoutePage()
class HelpPage extends StatelessWidget {
  const HelpPage({super.key});
  @override
  Widget build(BuildContext context) => BackButton(onPressed: () => context.router.maybePop(true));
}
//- lib/main.dart
import 'package:flutter/material.dart';
import 'router.dart';
final _router = AppRouter();
void main() => runApp(MaterialApp.router(routerConfig: _router.config()));
",
    );
    lists(
        &routes(&document),
        expect![[r#"
        *HomeRoute [group] -> HomeScreen () router.dart:7
        / [redirect] -> - () router.dart:8
        ShelfRoute [tab] -> ShelfPage () router.dart:9
        LoansTab [tab] -> LoansPage () router.dart:10
        ItemRoute [screen] -> ItemScreen (id: String, note?: String) router.dart:12
        HelpRoute [screen] -> HelpPage () router.dart:15"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfPage open ItemRoute generated (id, note) pages.dart:18
        ShelfPage replace HelpRoute generated () pages.dart:19
        ShelfPage open LoansTab generated () pages.dart:20
        ShelfPage tab LoansTab computed () pages.dart:21
        ShelfPage open ItemRoute literal (id) pages.dart:22
        ShelfPage back-to HomeRoute constant () pages.dart:23
        LoansPage open HelpRoute generated () pages.dart:31
        LoansPage reset ItemRoute generated (id) pages.dart:32
        ItemScreen back - () pages.dart:41
        HelpPage back - () pages.dart:47"#]],
    );
}

#[test]
fn the_older_annotation_lists_pages_by_their_class() {
    let document = scanned(
        r"
//- pubspec.yaml
name: barn
//- lib/router.dart
import 'package:auto_route/auto_route.dart';
import 'pages.dart';
@MaterialAutoRouter(
  replaceInRouteName: 'Page,Route',
  routes: <AutoRoute>[
    AutoRoute(page: ShelfPage, initial: true),
    AutoRoute<bool>(path: '/item/:id', page: ItemPage, name: 'TheItem'),
  ],
)
class $AppRouter {}
//- lib/pages.dart
import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget {
  @override
  Widget build(BuildContext context) => Text('');
}
class ItemPage extends StatelessWidget {
  const ItemPage({Key? key, @pathParam required this.id}) : super(key: key);
  final String id;
  @override
  Widget build(BuildContext context) => Text(id);
}
",
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfRoute [screen] -> ShelfPage () router.dart:6
        TheItem [screen] -> ItemPage (id: String) router.dart:7"#]],
    );
}
