//! `go-router` as apps write it.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

const PAGES: &str = r"
//- pubspec.yaml
name: barn
//- lib/pages.dart
import 'package:flutter/material.dart';
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class ItemPage extends StatelessWidget { const ItemPage({super.key, required this.id, this.tab}); final String id; final String? tab; @override Widget build(BuildContext context) => Text('$id $tab'); }
class LostPage extends StatelessWidget { const LostPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
";

#[test]
fn trees_in_providers_lists_and_classes() {
    let document = scanned(&format!(
        "{PAGES}{}",
        r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'router/router.dart';
void main() => runApp(MaterialApp.router(routerConfig: router));
//- lib/router/router.dart
import 'package:go_router/go_router.dart';
import 'package:barn/router/items.dart';
import '../pages.dart';
part 'paths.dart';
final _rootKey = GlobalKey<NavigatorState>();
final router = GoRouter(
  navigatorKey: _rootKey,
  initialLocation: Paths.shelf,
  errorPageBuilder: (context, state) => MaterialPage(child: LostPage()),
  redirect: (context, state) => state.matchedLocation == '/' ? Paths.shelf : null,
  routes: <RouteBase>[
    ShelfRoute(),
    ...itemRoutes,
    for (final help in ['faq', 'terms']) GoRoute(path: '/help/$help', builder: (c, s) => const LostPage()),
    if (debug) GoRoute(path: '/debug', name: 'debug', builder: (c, s) => const LostPage()),
    GoRoute(path: '/old', redirect: (_, __) => Paths.shelf),
  ],
);
class ShelfRoute extends GoRoute {
  ShelfRoute() : super(path: Paths.shelf, name: 'shelf', builder: (context, state) => const ShelfPage());
}
//- lib/router/paths.dart
part of 'router.dart';
class Paths {
  static const shelf = '/shelf';
}
//- lib/router/items.dart
import 'package:go_router/go_router.dart';
import '../pages.dart';
List<RouteBase> get itemRoutes => [
  GoRoute(
    path: '/items',
    builder: (context, state) => const ShelfPage(),
    routes: [_item('edit'), GoRoute(path: ':id(\\d+)', builder: _build)],
  ),
];
GoRoute _item(String what) => GoRoute(
  path: ':id/$what',
  pageBuilder: (context, state) => CustomTransitionPage(key: state.pageKey, child: ItemPage(id: state.pathParameters['id']!), transitionsBuilder: fade),
);
Widget _build(BuildContext context, GoRouterState state) {
  final query = state.uri.queryParameters;
  return ItemPage(id: state.pathParameters['id']!, tab: query['tab']);
}
"
    ));
    lists(
        &routes(&document),
        expect![[r#"
        /items [screen] -> ShelfPage () items.dart:4
        /items/{id} [screen] -> ItemPage (id: String, tab?: String) items.dart:7
        /items/{id}/edit [screen] -> ItemPage (id: String) items.dart:10
        default [fallback] -> LostPage () router.dart:9
        *shelf [screen] -> ShelfPage () router.dart:12
        /help/faq [screen] -> LostPage () router.dart:14
        /help/terms [screen] -> LostPage () router.dart:14
        debug [screen] -> LostPage () router.dart:15
        /old [redirect] -> - () router.dart:16"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        ItemPage id String forced items.dart:12
        ItemPage id String forced items.dart:16
        ItemPage tab String items.dart:16"#]],
    );
}

#[test]
fn calls_by_path_name_and_object() {
    let document = scanned(&format!(
        "{PAGES}{}",
        r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'home.dart';
import 'pages.dart';
final appRouter = GoRouter(routes: [
  GoRoute(path: '/', name: HomePage.name, builder: (c, s) => const HomePage(), routes: [
    GoRoute(path: 'item/:id', name: 'item', builder: (c, s) => ItemPage(id: s.params['id']!, tab: s.queryParams['tab'])),
    GoRoute(path: 'loan', name: 'loan', builder: (c, s) { final loan = s.extra as Loan?; return ItemPage(id: loan?.id ?? ''); }),
    GoRoute(path: 'note', builder: (c, s) => ItemPage(id: s.extra! as String)),
  ]),
]);
void main() => runApp(MaterialApp.router(routerConfig: appRouter));
class Loan { const Loan({required this.id, this.copies}); final String id; final int? copies; }
//- lib/home.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'main.dart';
class HomePage extends StatefulWidget {
  const HomePage({super.key});
  static const name = 'home';
  @override
  State<HomePage> createState() => _HomeState();
}
class _HomeState extends State<HomePage> {
  void _go(String id) => context.go('/item/$id?tab=all');
  Future<void> _edit() async {
    final saved = await GoRouter.of(context).pushNamed<bool>('item', pathParameters: {'id': '1'}, queryParameters: {'tab': 'x', if (more) 'sort': 'up'});
    if (saved == true) appRouter.pop();
  }
  @override
  Widget build(BuildContext context) => Column(children: [
    TextButton(onPressed: () => _go('7')),
    TextButton(onPressed: _edit),
    TextButton(onPressed: () => context.pushNamed('loan', extra: const Loan(id: 'l'))),
    TextButton(onPressed: () => context.push(Uri(path: '/note').toString(), extra: 'hello')),
    TextButton(onPressed: () => context.pushReplacementNamed('itme', params: {'id': '1'})),
    TextButton(onPressed: () => context.goTo('3')),
    TextButton(onPressed: () => Navigator.of(context).pushNamed('/item/1')),
  ]);
}
extension Go on BuildContext {
  void goTo(String id) => goNamed('item', pathParameters: {'id': id});
}
class Log { void go(String to) {} void push(String to) {} }
final log = Log()..go('/nowhere')..push('/nowhere');
"
    ));
    lists(
        &calls(&document),
        expect![[r#"
        HomePage open item literal (id, tab) home.dart:11
        HomePage open item literal (id, sort, tab) home.dart:13
        HomePage back - () home.dart:14
        HomePage open loan literal (id) home.dart:20
        HomePage open /note computed (extra) home.dart:21
        HomePage replace undeclared literal (id) home.dart:22
        HomePage open undeclared literal () home.dart:24
        HomePage open item literal (id) home.dart:28"#]],
    );
    lists(
        &routes(&document),
        expect![[r#"
            *home [screen] -> HomePage () main.dart:6
            item [screen] -> ItemPage (id: String, tab?: String) main.dart:7
            loan [screen] -> ItemPage (id?: String, copies?: int) main.dart:8
            /note [screen] -> ItemPage (extra: String) main.dart:9"#]],
    );
}

#[test]
fn shells_branches_and_typed_routes() {
    let document = scanned(&format!(
        "{PAGES}{}",
        r"
//- lib/router.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'pages.dart';
part 'router.g.dart';
@TypedStatefulShellRoute<ShellData>(branches: [
  TypedStatefulShellBranch<ShelfBranch>(routes: [
    TypedGoRoute<ShelfRoute>(path: '/shelf', routes: [TypedGoRoute<ItemRoute>(path: 'item/:id')]),
  ]),
])
class ShellData extends StatefulShellRouteData { const ShellData(); }
class ShelfBranch extends StatefulShellBranchData { const ShelfBranch(); }
class ShelfRoute extends GoRouteData {
  const ShelfRoute();
  @override
  Widget build(BuildContext context, GoRouterState state) => const ShelfPage();
}
class ItemRoute extends GoRouteData {
  const ItemRoute(this.id, {this.tab, this.$extra});
  final String id;
  final String? tab;
  final Object? $extra;
  @override
  Page<void> buildPage(BuildContext context, GoRouterState state) => MaterialPage(child: ItemPage(id: id, tab: tab));
}
@TypedGoRoute<OldRoute>(path: '/old')
class OldRoute extends GoRouteData {
  const OldRoute();
  @override
  String? redirect(BuildContext context, GoRouterState state) => const ShelfRoute().location;
}
final router = GoRouter(initialLocation: '/shelf', routes: $appRoutes);
class Bar extends StatelessWidget {
  const Bar(this.shell, {super.key});
  final StatefulNavigationShell shell;
  @override
  Widget build(BuildContext context) => Row(children: [
    IconButton(onPressed: () => shell.goBranch(1)),
    IconButton(onPressed: () => const ItemRoute('1', tab: 'all').push(context)),
    IconButton(onPressed: () => context.go(ItemRoute('2').location)),
  ]);
}
final plain = StatefulShellRoute.indexedStack(
  builder: (c, s, shell) => Bar(shell),
  branches: [
    StatefulShellBranch(routes: [GoRoute(path: '/a', builder: (c, s) => const ShelfPage())]),
    StatefulShellBranch(routes: [ShellRoute(builder: (c, s, child) => child, routes: [GoRoute(path: '/b', builder: (c, s) => const LostPage())])]),
  ],
);
final other = GoRouter(routes: [plain]);
"
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfRoute [screen] -> ShelfPage () router.dart:12
        ItemRoute [screen] -> ItemPage (id: String, tab?: String, $extra?: Object) router.dart:17
        OldRoute [redirect] -> - () router.dart:26
        */a [screen] -> ShelfPage () router.dart:45
        */b [screen] -> LostPage () router.dart:46"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - tab /b computed () router.dart:37
        - open ItemRoute typed (id, tab) router.dart:38
        - open ItemRoute typed (id) router.dart:39"#]],
    );
}

#[test]
fn enums_that_hold_paths_and_routers_out_of_providers() {
    let document = scanned(&format!(
        "{PAGES}{}",
        r"
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
import 'package:flutter_riverpod/flutter_riverpod.dart';
import 'pages.dart';
enum AppRoute {
  shelf('/'),
  item('/item/:id');
  const AppRoute(this.path);
  final String path;
}
final routerProvider = Provider<GoRouter>((ref) {
  return GoRouter(
    initialLocation: AppRoute.shelf.path,
    redirect: (context, state) {
      if (!ref.read(signedIn)) return '/sign-in';
      return null;
    },
    routes: [
      ...AppRoute.values.map((route) => GoRoute(path: route.path, name: route.name, builder: (c, s) => const ShelfPage())).toList(),
      GoRoute(path: '/sign-in', builder: (c, s) => const SignInPage()),
    ],
  );
});
class SignInPage extends ConsumerWidget {
  const SignInPage({super.key});
  @override
  Widget build(BuildContext context, WidgetRef ref) => Column(children: [
    TextButton(onPressed: () => context.goNamed(AppRoute.item.name, pathParameters: {'id': '1'})),
    TextButton(onPressed: () => ref.read(routerProvider).go(AppRoute.shelf.path)),
    TextButton(onPressed: () => GoRouter.of(context).push(AppRoute.item.path.replaceAll(':id', '7'))),
  ]);
}
"
    ));
    lists(
        &routes(&document),
        expect![[r#"
        item [screen] -> ShelfPage (id: String) main.dart:19
        *shelf [screen] -> ShelfPage () main.dart:19
        /sign-in [screen] -> SignInPage () main.dart:20"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        SignInPage open item computed (id) main.dart:28
        SignInPage open shelf constant () main.dart:29
        SignInPage open item computed (id) main.dart:30"#]],
    );
    let orphans: Vec<_> = document
        .findings
        .iter()
        .filter(|f| f.rule == "orphan-screen" && f.at.file != "lib/pages.dart")
        .collect();
    assert!(orphans.is_empty(), "the redirect leads to the sign-in page: {orphans:#?}");
}
