//! Generated route code that does not know what its source declares.

use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "generated-stale",
    severity: Severity::Error,
    says: Says::Presence,
    summary: "Generated route code is missing, or does not know a route or parameter that its source declares.",
    why: "Callers can only pass what the generated code knows: the new value never arrives, or the app does not compile for the next one who generates.",
    mend: "Run the generator again and check in what it writes.",
    example: Example {
        wrong: "const ItemPage({required this.itemId, this.tag});\n// app_router.gr.dart: ItemRoute({required String itemId})",
        right: "// app_router.gr.dart, generated again: ItemRoute({required String itemId, String? tag})",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for stale in &graph.stale {
        let report = Report::new(stale.at, &stale.what, stale.what.clone())
            .help(format!("Generate `{}` again.", stale.file));
        sink.push(match stale.generated {
            Some(at) => report.related("the generated code is here", at),
            None => report,
        });
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::judged;

    #[test]
    fn pages_that_the_generated_routes_do_not_know() {
        judged(
            "generated-stale",
            r"
//- pubspec.yaml
name: barn
//- lib/router.dart
import 'package:auto_route/auto_route.dart';
part 'router.gr.dart';
@AutoRouterConfig()
class AppRouter extends RootStackRouter { @override List<AutoRoute> get routes => [AutoRoute(page: ShelfRoute.page), AutoRoute(page: ItemRoute.page)]; }
//- lib/router.gr.dart
part of 'router.dart';
class ShelfRoute extends PageRouteInfo<void> { const ShelfRoute({List<PageRouteInfo>? children}) : super(ShelfRoute.name); static const name = 'ShelfRoute'; }
class ItemRoute extends PageRouteInfo<ItemRouteArgs> { ItemRoute({Key? key, required int id, List<PageRouteInfo>? children}) : super(ItemRoute.name); static const name = 'ItemRoute'; }
//- lib/pages.dart
import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';
@RoutePage()
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
@RoutePage()
class ItemPage extends StatelessWidget {
  const ItemPage({super.key, required this.id, this.note});
                                      ^^^^^^^ generated-stale: takes `id` as int, and the page as String
                                               ^^^^^^^^^ generated-stale: does not know `note`
  final String id;
  final String? note;
  @override
  Widget build(BuildContext context) => Text('$id $note');
}
@RoutePage()
class LoanPage extends StatelessWidget { const LoanPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
      ^^^^^^^^ generated-stale: `LoanRoute` is missing
//- other/pubspec.yaml
name: other
//- other/lib/page.dart
import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';
@RoutePage()
class AlonePage extends StatelessWidget { const AlonePage({super.key}); @override Widget build(BuildContext context) => Text(''); }
",
        );
    }

    #[test]
    fn typed_routes_against_their_part() {
        judged(
            "generated-stale",
            r"
//- pubspec.yaml
name: barn
//- lib/routes.dart
import 'package:go_router/go_router.dart';
part 'routes.g.dart';
@TypedGoRoute<ItemRoute>(path: '/item/:id')
                               ^^^^^^^^^^^ generated-stale: does not have the path `/item/:id`
class ItemRoute extends GoRouteData {
  const ItemRoute({required this.id, this.note});
                                     ^^^^^^^^^ generated-stale: does not know `note` of `ItemRoute`
  final String id;
  final String? note;
  @override
  Widget build(BuildContext context, GoRouterState state) => Text('$id $note');
}
@TypedGoRoute<LoanRoute>(path: '/loan')
class LoanRoute extends GoRouteData { const LoanRoute(); @override Widget build(BuildContext c, GoRouterState s) => Text(''); }
      ^^^^^^^^^ generated-stale: `LoanRoute` is not known
//- lib/routes.g.dart
part of 'routes.dart';
RouteBase get $itemRoute => GoRouteData.$route(path: '/items/:id', factory: $ItemRouteExtension._fromState);
RouteBase get $other => GoRouteData.$route(path: '/loan', factory: x);
extension $ItemRouteExtension on ItemRoute {
  static ItemRoute _fromState(GoRouterState state) => ItemRoute(id: state.pathParameters['id']!);
}
",
        );
    }
}
