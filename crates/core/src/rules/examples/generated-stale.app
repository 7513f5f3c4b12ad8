//- minimal: flutter
//- lib/router.dart
import 'package:auto_route/auto_route.dart';
part 'app_router.gr.dart';
@AutoRouterConfig()
class AppRouter extends RootStackRouter { @override List<AutoRoute> get routes => [AutoRoute(page: ItemRoute.page, initial: true)]; }
//- lib/app_router.gr.dart
part of 'router.dart';
WRONG|class ItemRoute extends PageRouteInfo<ItemRouteArgs> { ItemRoute({Key? key, required String itemId}) : super(ItemRoute.name); static const name = 'ItemRoute'; }
RIGHT|class ItemRoute extends PageRouteInfo<ItemRouteArgs> { ItemRoute({Key? key, required String itemId, String? tag}) : super(ItemRoute.name); static const name = 'ItemRoute'; }
//- lib/pages.dart
import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';
@RoutePage()
class ItemPage extends StatelessWidget {
  const ItemPage({required this.itemId, this.tag});
  final String itemId;
  final String? tag;
  @override
  Widget build(BuildContext context) => Text('$itemId $tag');
}
