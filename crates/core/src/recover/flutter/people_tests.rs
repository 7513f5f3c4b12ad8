//! Flutter as people write it: pages that lists, maps, records and tiles hold, services behind locators,
//! extensions on the context, generators with helpers.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn a_generator_a_service_behind_a_locator_and_extensions_on_the_context() {
    let document = scanned(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:barn/core/router.dart' as app_router;
import 'package:barn/core/locator.dart';
import 'package:barn/core/navigation_service.dart';
import 'package:barn/core/routes.dart';
import 'pages/pages.dart';
Future<void> main() async {
  WidgetsFlutterBinding.ensureInitialized();
  setupLocator();
  runApp(const BarnApp());
}
class BarnApp extends StatefulWidget {
  const BarnApp({Key? key}) : super(key: key);
  @override
  State<BarnApp> createState() => _BarnAppState();
}
class _BarnAppState extends State<BarnApp> {
  @override
  Widget build(BuildContext context) {
    return MultiBlocProvider(
      providers: [BlocProvider(create: (_) => AuthCubit())],
      child: Builder(builder: (context) {
        return MaterialApp(
          title: 'Borrowbarn',
          navigatorKey: locator<NavigationService>().navigatorKey,
          onGenerateRoute: app_router.AppRouter.generateRoute,
          onUnknownRoute: (settings) => MaterialPageRoute(builder: (_) => NotFoundPage(name: settings.name)),
          initialRoute: context.read<AuthCubit>().signedIn ? Routes.home : Routes.signIn,
        );
      }),
    );
  }
}
//- lib/bloc/auth_cubit.dart
import 'package:flutter_bloc/flutter_bloc.dart';
import '../core/locator.dart';
import '../core/navigation_service.dart';
import '../core/routes.dart';
class AuthCubit extends Cubit<AuthState> {
  AuthCubit() : super(SignedOut());
  final _navigation = locator<NavigationService>();
  bool get signedIn => state is SignedIn;
  Future<void> signIn() async { emit(SignedIn()); await _navigation.offAll(Routes.home); }
  void signOut() { emit(SignedOut()); locator.get<NavigationService>().offAll('/signin'); }
}
sealed class AuthState {}
class SignedIn extends AuthState {}
class SignedOut extends AuthState {}
//- lib/core/extensions.dart
import 'package:flutter/material.dart';
extension NavX on BuildContext {
  Future<T?> goTo<T>(Widget page) => Navigator.of(this).push<T>(MaterialPageRoute(builder: (_) => page));
  Future<T?> goNamed<T extends Object?>(String name, {Object? arguments}) => Navigator.pushNamed<T>(this, name, arguments: arguments);
  void close([Object? value]) => Navigator.of(this).maybePop(value);
}
//- lib/core/locator.dart
import 'package:get_it/get_it.dart';
import 'navigation_service.dart';
final locator = GetIt.instance;
void setupLocator() { locator.registerLazySingleton(() => NavigationService()); }
//- lib/core/navigation_service.dart
import 'package:flutter/material.dart';
class NavigationService {
  final GlobalKey<NavigatorState> navigatorKey = GlobalKey<NavigatorState>();
  NavigatorState get _nav => navigatorKey.currentState!;
  Future<T?> to<T>(String route, {Object? args}) => _nav.pushNamed<T>(route, arguments: args);
  Future<dynamic> offAll(String route) { return _nav.pushNamedAndRemoveUntil(route, (r) => false); }
  void back<T>([T? result]) => _nav.pop(result);
  Future<T?> page<T>(Widget page) => _nav.push<T>(MaterialPageRoute(builder: (_) => page));
}
//- lib/core/router.dart
import 'package:flutter/cupertino.dart';
import 'package:flutter/material.dart';
import '../pages/pages.dart';
import 'routes.dart';
class AppRouter {
  static Route<dynamic>? generateRoute(RouteSettings settings) {
    final args = settings.arguments;
    switch (settings.name) {
      case Routes.signIn:
        return _fade(const SignInPage(), settings);
      case Routes.home:
        return MaterialPageRoute(settings: settings, builder: (_) => const HomePage());
      case Routes.item:
        final itemArgs = args as ItemArgs;
        return _page((_) => ItemPage(id: itemArgs.id, fromSearch: itemArgs.fromSearch), settings);
      case Routes.loan:
        if (args is Map<String, dynamic>) {
          return CupertinoPageRoute<bool>(builder: (context) => LoanPage(itemId: args['itemId'] as int, days: args['days'] ?? 3), settings: settings);
        }
        return _error();
      case Routes.report:
        return MaterialPageRoute<void>(fullscreenDialog: true, settings: settings, builder: (_) => const ReportPage());
    }
    return null;
  }
  static PageRoute _page(WidgetBuilder builder, RouteSettings settings) => MaterialPageRoute(builder: builder, settings: settings);
  static Route _fade(Widget page, RouteSettings settings) => PageRouteBuilder(settings: settings, pageBuilder: (_, __, ___) => page, transitionsBuilder: (_, a, __, child) => FadeTransition(opacity: a, child: child));
  static Route _error() => MaterialPageRoute(builder: (_) => const Scaffold(body: Text('?')));
}
//- lib/core/routes.dart
abstract class Routes {
  Routes._();
  static const signIn = '/sign-in';
  static const home = '/';
  static const item = '$_items/detail';
  static const _items = '/items';
  static const loan = '/loan';
  static const report = '/report';
  static const gallery = '/gallery';
}
class ItemArgs {
  const ItemArgs({required this.id, this.fromSearch = false});
  final int id;
  final bool fromSearch;
}
//- lib/pages/home_page.dart
import 'package:flutter/material.dart';
import 'package:flutter_bloc/flutter_bloc.dart';
import '../core/extensions.dart';
import '../core/routes.dart';
import 'pages.dart';
class HomePage extends StatefulWidget {
  const HomePage({super.key});
  static Route route() => MaterialPageRoute(builder: (_) => const HomePage());
  @override
  State<HomePage> createState() => _HomePageState();
}
class _HomePageState extends State<HomePage> {
  int _index = 0;
  late final List<Widget> _tabs = [const ItemsTab(), const LoansTab(), MemberTab(onReport: _report)];
  final _entries = <String, WidgetBuilder>{
    'Gallery': (_) => const GalleryPage(),
    'About': (_) => const AboutPage(),
  };
  void _report() => Navigator.of(context).pushNamed(Routes.report);
  @override
  Widget build(BuildContext context) {
    return BlocListener<AuthCubit, AuthState>(
      listener: (context, state) {
        if (state is SignedOut) {
          Navigator.of(context).pushNamedAndRemoveUntil(Routes.signIn, ModalRoute.withName('/'));
        }
      },
      child: Scaffold(
        drawer: Drawer(
          child: ListView(children: [
            for (final e in _entries.entries)
              ListTile(title: Text(e.key), onTap: () { Navigator.pop(context); Navigator.push(context, MaterialPageRoute(builder: e.value)); }),
          ]),
        ),
        body: IndexedStack(index: _index, children: _tabs),
        bottomNavigationBar: BottomNavigationBar(currentIndex: _index, onTap: (i) => setState(() => _index = i), items: const []),
      ),
    );
  }
}
class ItemsTab extends StatelessWidget {
  const ItemsTab({super.key});
  @override
  Widget build(BuildContext context) => ListView.builder(
    itemBuilder: (context, i) => InkWell(
      onTap: () => context.goNamed(Routes.item, arguments: ItemArgs(id: i)),
      onLongPress: () async {
        final borrowed = await Navigator.pushNamed<bool>(context, Routes.loan, arguments: {'itemId': i});
        if (borrowed ?? false) ScaffoldMessenger.of(context).showSnackBar(const SnackBar(content: Text('ok')));
      },
    ),
  );
}
class LoansTab extends StatelessWidget {
  const LoansTab({super.key});
  @override
  Widget build(BuildContext context) => TextButton(onPressed: () => context.goTo(const ReceiptPage(number: 1)), child: const Text('receipt'));
}
class MemberTab extends StatelessWidget {
  final VoidCallback onReport;
  const MemberTab({super.key, required this.onReport});
  @override
  Widget build(BuildContext context) => Column(children: [TextButton(onPressed: onReport, child: const Text('r')), TextButton(onPressed: context.read<AuthCubit>().signOut, child: const Text('o'))]);
}
//- lib/pages/item_page.dart
import 'package:flutter/material.dart';
import '../core/locator.dart';
import '../core/navigation_service.dart';
import '../core/routes.dart';
import '../core/extensions.dart';
import 'pages.dart';
class ItemPage extends StatelessWidget {
  const ItemPage({super.key, required this.id, required this.fromSearch});
  final int id;
  final bool fromSearch;
  NavigationService get nav => locator();
  @override
  Widget build(BuildContext context) => WillPopScope(
    onWillPop: () async => true,
    child: Column(children: [
      ElevatedButton(onPressed: () => nav.to(Routes.loan, args: {'itemId': id, 'days': 5}), child: const Text('borrow')),
      ElevatedButton(onPressed: () => nav.to('/items/detial', args: ItemArgs(id: id)), child: const Text('again')),
      ElevatedButton(onPressed: _open(context), child: const Text('gallery')),
      ElevatedButton(onPressed: () => showModalBottomSheet<int>(context: context, builder: (_) => const DaysSheet()), child: const Text('days')),
      BackButton(onPressed: () => context.close()),
    ]),
  );
  VoidCallback _open(BuildContext context) => () => nav.page(GalleryPage());
}
//- lib/pages/other_pages.dart
import 'package:flutter/material.dart';
import '../core/locator.dart';
import '../core/navigation_service.dart';
import 'pages.dart';
class SignInPage extends StatelessWidget { const SignInPage({super.key}); @override Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pushReplacement(context, HomePage.route()), child: const Text('in')); }
class LoanPage extends StatelessWidget { const LoanPage({super.key, required this.itemId, this.days = 3}); final int itemId; final int days;
  @override Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.of(context).pop(true), child: Text('$itemId $days')); }
class ReportPage extends StatelessWidget { const ReportPage({super.key}); @override Widget build(BuildContext context) => TextButton(onPressed: () => locator<NavigationService>().back(), child: const Text('x')); }
class GalleryPage extends StatelessWidget { const GalleryPage({super.key}); @override Widget build(BuildContext context) => const Text('g'); }
class AboutPage extends StatelessWidget { const AboutPage({super.key}); @override Widget build(BuildContext context) => const Text('a'); }
class ReceiptPage extends StatelessWidget { const ReceiptPage({super.key, required this.number}); final int number; @override Widget build(BuildContext context) => Text('$number'); }
class DaysSheet extends StatelessWidget { const DaysSheet({super.key}); @override Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pop(context, 3), child: const Text('3')); }
class NotFoundPage extends StatelessWidget { const NotFoundPage({super.key, this.name}); final String? name; @override Widget build(BuildContext context) => Text('$name'); }
class OldPage extends StatelessWidget { const OldPage({super.key}); @override Widget build(BuildContext context) => const Text('old'); }
//- lib/pages/pages.dart
export 'home_page.dart';
export 'item_page.dart';
export 'other_pages.dart';
export '../bloc/auth_cubit.dart';
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        */sign-in [screen] -> SignInPage () router.dart:9
        */ [screen] -> HomePage () router.dart:11
        /items/detail [screen] -> ItemPage (id: int, fromSearch?: bool) router.dart:13
        /loan [screen] -> LoanPage (itemId: int, days?: -) router.dart:16
        /report [screen] -> ReportPage () router.dart:21
        default [fallback] -> NotFoundPage () main.dart:27
        HomePage [screen] -> HomePage () home_page.dart:6
        *ItemsTab [tab] -> ItemsTab () home_page.dart:41
        LoansTab [tab] -> LoansTab () home_page.dart:54
        MemberTab [tab] -> MemberTab (onReport: VoidCallback) home_page.dart:59
        GalleryPage [screen] -> GalleryPage () other_pages.dart:9
        AboutPage [screen] -> AboutPage () other_pages.dart:10
        ReceiptPage [screen] -> ReceiptPage (number: int) other_pages.dart:11
        DaysSheet [sheet] -> DaysSheet () other_pages.dart:12"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - reset / constant () auth_cubit.dart:9
        - reset undeclared literal () auth_cubit.dart:10
        ItemPage back - () extensions.dart:5
        ReportPage back - () navigation_service.dart:7
        HomePage open /report constant () home_page.dart:19
        HomePage reset /sign-in constant () home_page.dart:25
        HomePage back - () home_page.dart:32
        HomePage open GalleryPage|AboutPage computed () home_page.dart:32
        ItemsTab open /items/detail constant (id) home_page.dart:46
        ItemsTab open /loan constant (itemId) home_page.dart:48
        LoansTab open ReceiptPage typed (number) home_page.dart:57
        ItemPage open /loan constant (days, itemId) item_page.dart:16
        ItemPage open undeclared literal (id) item_page.dart:17
        ItemPage present DaysSheet typed () item_page.dart:19
        ItemPage open GalleryPage typed () item_page.dart:23
        SignInPage replace HomePage typed () other_pages.dart:5
        LoanPage back - () other_pages.dart:7
        DaysSheet back - () other_pages.dart:12"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        error undeclared-route auth_cubit.dart:10 no route or action is called `/signin`
        error undeclared-route item_page.dart:17 no route or action is called `/items/detial`
        warning orphan-screen other_pages.dart:14 no route shows `OldPage`, and nothing makes one"#]],
    );
}

#[test]
fn pages_that_lists_maps_records_and_functions_hold() {
    let document = scanned(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(home: MenuPage()));
class MenuEntry { final String title; final Widget page; final WidgetBuilder? builder; final VoidCallback? onTap; const MenuEntry(this.title, {this.page = const APage(), this.builder, this.onTap}); }
enum Section { items, loans; Widget get page => switch (this) { Section.items => const BPage(), Section.loans => const CPage() }; }
class MenuPage extends StatelessWidget {
  static final builders = <String, WidgetBuilder>{ 'd': (_) => const DPage(), 'e': (context) => EPage() };
  final entries = [ MenuEntry('f', page: FPage()), MenuEntry('g', page: const GPage()) ];
  final List<Widget> screens = [HPage(), IPage()];
  final tuples = [ ('j', const JPage()), ('k', KPage()) ];
  Widget _pageFor(String key) { if (key == 'l') return LPage(); else if (key == 'm') { return MPage(); } return NPage(); }
  void _go(BuildContext context, Widget page) => Navigator.of(context).push(MaterialPageRoute(builder: (context) => page));
  void _goB(BuildContext context, WidgetBuilder builder) { Navigator.of(context).push(MaterialPageRoute(builder: builder)); }
  Route _route(Widget Function() make) => PageRouteBuilder(pageBuilder: (c, a, b) => make());
  @override
  Widget build(BuildContext context) => ListView(children: [
    for (final e in builders.entries) ListTile(onTap: () { Navigator.push(context, MaterialPageRoute(builder: e.value)); }),
    ...entries.map((entry) => ListTile(onTap: () => Navigator.push(context, MaterialPageRoute(builder: (_) => entry.page)))),
    for (var s in Section.values) ListTile(onTap: () => Navigator.of(context).push(MaterialPageRoute(builder: (_) => s.page))),
    ListView.builder(itemCount: screens.length, itemBuilder: (context, index) => GestureDetector(onTap: () => Navigator.push(context, MaterialPageRoute<void>(builder: (context) => screens[index])))),
    for (final (title, page) in tuples) TextButton(child: Text(title), onPressed: () => _go(context, page)),
    TextButton(onPressed: () => _go(context, _pageFor('l')), child: Text('')),
    TextButton(onPressed: () => _goB(context, (_) => OPage()), child: Text('')),
    TextButton(onPressed: () => Navigator.push(context, _route(() => PPage())), child: Text('')),
    TextButton(onPressed: () => Navigator.push(context, _route(QPage.new)), child: Text('')),
    TextButton(onPressed: () async { final r = await Navigator.of(context).push<int>(RPage.route(3)); print(r); }, child: Text('')),
    TextButton(onPressed: () => Navigator.of(context)..pop()..push(MaterialPageRoute(builder: (_) => SPage())), child: Text('')),
    TextButton(onPressed: () { final nav = Navigator.of(context, rootNavigator: true); nav.push(CupertinoPageRoute(builder: (ctx) { final vm = VM(); return ChangeNotifierProvider(create: (_) => vm, child: TPage()); })); }, child: Text('')),
    TextButton(onPressed: () => showDialog(context: context, builder: (_) => Dialog(child: WPage())), child: Text('')),
    TextButton(onPressed: () => Navigator.push(context, MaterialPageRoute(builder: (_) => Theme(data: ThemeData(), child: SafeArea(child: XPage())))), child: Text('')),
    TextButton(onPressed: () => Navigator.push(context, FadeRoute(page: YPage())), child: Text('')),
    TextButton(onPressed: () => Navigator.push(context, FadeRoute2(builder: (_) => ZPage())), child: Text('')),
  ]);
}
class FadeRoute extends PageRouteBuilder { final Widget page; FadeRoute({required this.page}) : super(pageBuilder: (c, a, b) => page); }
class FadeRoute2<T> extends MaterialPageRoute<T> { FadeRoute2({required WidgetBuilder builder}) : super(builder: builder); }
//- lib/pages.dart
import 'package:flutter/material.dart';
class APage extends StatelessWidget { const APage(); Widget build(BuildContext context) => Text(''); }
class BPage extends StatelessWidget { const BPage(); Widget build(BuildContext context) => Text(''); }
class CPage extends StatelessWidget { const CPage(); Widget build(BuildContext context) => Text(''); }
class DPage extends StatelessWidget { const DPage(); Widget build(BuildContext context) => Text(''); }
class EPage extends StatelessWidget { const EPage(); Widget build(BuildContext context) => Text(''); }
class FPage extends StatelessWidget { const FPage(); Widget build(BuildContext context) => Text(''); }
class GPage extends StatelessWidget { const GPage(); Widget build(BuildContext context) => Text(''); }
class HPage extends StatelessWidget { const HPage(); Widget build(BuildContext context) => Text(''); }
class IPage extends StatelessWidget { const IPage(); Widget build(BuildContext context) => Text(''); }
class JPage extends StatelessWidget { const JPage(); Widget build(BuildContext context) => Text(''); }
class KPage extends StatelessWidget { const KPage(); Widget build(BuildContext context) => Text(''); }
class LPage extends StatelessWidget { const LPage(); Widget build(BuildContext context) => Text(''); }
class MPage extends StatelessWidget { const MPage(); Widget build(BuildContext context) => Text(''); }
class NPage extends StatelessWidget { const NPage(); Widget build(BuildContext context) => Text(''); }
class OPage extends StatelessWidget { const OPage(); Widget build(BuildContext context) => Text(''); }
class PPage extends StatelessWidget { const PPage(); Widget build(BuildContext context) => Text(''); }
class QPage extends StatelessWidget { const QPage(); Widget build(BuildContext context) => Text(''); }
class RPage extends StatelessWidget {
  static Route<int> route(int n) => MaterialPageRoute<int>(builder: (_) => RPage());
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.pop(context, 4));
}
class SPage extends StatelessWidget { const SPage(); Widget build(BuildContext context) => Text(''); }
class TPage extends StatelessWidget { const TPage(); Widget build(BuildContext context) => Text(''); }
class WPage extends StatelessWidget { const WPage(); Widget build(BuildContext context) => Text(''); }
class XPage extends StatelessWidget { const XPage(); Widget build(BuildContext context) => Text(''); }
class YPage extends StatelessWidget { const YPage(); Widget build(BuildContext context) => Text(''); }
class ZPage extends StatelessWidget { const ZPage(); Widget build(BuildContext context) => Text(''); }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *MenuPage [screen] -> MenuPage () main.dart:6
        BPage [screen] -> BPage () pages.dart:3
        CPage [screen] -> CPage () pages.dart:4
        DPage [screen] -> DPage () pages.dart:5
        EPage [screen] -> EPage () pages.dart:6
        FPage [screen] -> FPage () pages.dart:7
        GPage [screen] -> GPage () pages.dart:8
        HPage [screen] -> HPage () pages.dart:9
        IPage [screen] -> IPage () pages.dart:10
        JPage [screen] -> JPage () pages.dart:11
        KPage [screen] -> KPage () pages.dart:12
        LPage [screen] -> LPage () pages.dart:13
        MPage [screen] -> MPage () pages.dart:14
        NPage [screen] -> NPage () pages.dart:15
        OPage [screen] -> OPage () pages.dart:16
        PPage [screen] -> PPage () pages.dart:17
        QPage [screen] -> QPage () pages.dart:18
        RPage [screen] -> RPage () pages.dart:19
        SPage [screen] -> SPage () pages.dart:23
        TPage [screen] -> TPage () pages.dart:24
        WPage [dialog] -> WPage () pages.dart:25
        XPage [screen] -> XPage () pages.dart:26
        YPage [screen] -> YPage () pages.dart:27
        ZPage [screen] -> ZPage () pages.dart:28"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MenuPage open DPage|EPage computed () main.dart:17
        MenuPage open FPage|GPage computed () main.dart:18
        MenuPage open BPage|CPage computed () main.dart:19
        MenuPage open HPage|IPage computed () main.dart:20
        MenuPage open JPage|KPage computed () main.dart:21
        MenuPage open LPage|MPage|NPage computed () main.dart:22
        MenuPage open OPage typed () main.dart:23
        MenuPage open PPage typed () main.dart:24
        MenuPage open QPage typed () main.dart:25
        MenuPage open RPage typed () main.dart:26
        MenuPage back - () main.dart:27
        MenuPage open SPage typed () main.dart:27
        MenuPage open TPage typed () main.dart:28
        MenuPage present WPage typed () main.dart:29
        MenuPage open XPage typed () main.dart:30
        MenuPage open YPage typed () main.dart:31
        MenuPage open ZPage typed () main.dart:32
        RPage back - () pages.dart:21"#]],
    );
    lists(&said(&document), expect![[r#""#]]);
}

#[test]
fn tiles_that_open_the_page_they_are_made_with() {
    let document = scanned(
        r#"
//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
import 'pages.dart';
void main() => runApp(MaterialApp(home: MenuPage()));
class MenuPage extends StatelessWidget {
  @override
  Widget build(BuildContext context) => ListView(children: [
    OpenTile1(page: APage()), OpenTile2(page: BPage()), OpenTile3(builder: (_) => CPage()), OpenTile5(page: EPage()),
    OpenTile4(page: GPage()),
  ]);
}
class OpenTile1 extends StatelessWidget {
  const OpenTile1({super.key, required this.page});
  final Widget page;
  @override
  Widget build(BuildContext context) => ListTile(onTap: () => Navigator.push(context, MaterialPageRoute(builder: (_) => page)));
}
class OpenTile2 extends StatelessWidget {
  const OpenTile2({super.key, this.page});
  final Widget? page;
  @override
  Widget build(BuildContext context) => ListTile(onTap: page == null ? null : () => Navigator.push(context, MaterialPageRoute(builder: (_) => page!)));
}
class OpenTile3 extends StatelessWidget {
  const OpenTile3({super.key, this.builder});
  final WidgetBuilder? builder;
  @override
  Widget build(BuildContext context) => ListTile(onTap: () => Navigator.push(context, MaterialPageRoute(builder: builder!)));
}
class OpenTile4 extends StatelessWidget {
  const OpenTile4({super.key, this.page}) : builder = null;
  const OpenTile4.builder({super.key, required this.builder}) : page = null;
  final Widget? page; final WidgetBuilder? builder;
  @override
  Widget build(BuildContext context) => ListTile(onTap: () => Navigator.push(context, MaterialPageRoute(builder: builder ?? (_) => page!)));
}
class OpenTile5 extends StatefulWidget {
  OpenTile5({Key? key, required Widget page}) : _page = page, super(key: key);
  final Widget _page;
  @override
  State<OpenTile5> createState() => _OpenTile5State();
}
class _OpenTile5State extends State<OpenTile5> {
  void _open() { Navigator.of(context).push(MaterialPageRoute<void>(builder: (BuildContext context) => widget._page)); }
  @override
  Widget build(BuildContext context) => ListTile(onTap: _open);
}
//- lib/pages.dart
import 'package:flutter/material.dart';
class APage extends StatelessWidget { Widget build(BuildContext context) => const Text('a'); }
class BPage extends StatelessWidget { Widget build(BuildContext context) => const Text('b'); }
class CPage extends StatelessWidget { Widget build(BuildContext context) => const Text('c'); }
class EPage extends StatelessWidget { Widget build(BuildContext context) => const Text('e'); }
class GPage extends StatelessWidget { Widget build(BuildContext context) => const Text('g'); }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *MenuPage [screen] -> MenuPage () main.dart:4
        APage [screen] -> APage () pages.dart:2
        BPage [screen] -> BPage () pages.dart:3
        CPage [screen] -> CPage () pages.dart:4
        EPage [screen] -> EPage () pages.dart:5
        GPage [screen] -> GPage () pages.dart:6"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MenuPage open APage typed () main.dart:7
        MenuPage open BPage typed () main.dart:7
        MenuPage open CPage typed () main.dart:7
        MenuPage open EPage typed () main.dart:7
        MenuPage open GPage typed () main.dart:8"#]],
    );
    lists(&said(&document), expect![[r#""#]]);
}
