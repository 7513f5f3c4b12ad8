//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
final router = GoRouter(
  errorBuilder: (context, state) => const ShelfPage(),
  routes: [
    GoRoute(path: '/', builder: (context, state) => const ShelfPage()),
WRONG|    GoRoute(path: '/items/:itemId', builder: showItem),
WRONG|    GoRoute(path: '/items/new', builder: addItem),
RIGHT|    GoRoute(path: '/items/new', builder: addItem),
RIGHT|    GoRoute(path: '/items/:itemId', builder: showItem),
  ],
);
Widget showItem(BuildContext context, GoRouterState state) => ItemPage(itemId: state.pathParameters['itemId']!);
Widget addItem(BuildContext context, GoRouterState state) => const AddPage();
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class AddPage extends StatelessWidget { const AddPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class ItemPage extends StatelessWidget { const ItemPage({super.key, required this.itemId}); final String itemId; @override Widget build(BuildContext context) => Text(itemId); }
