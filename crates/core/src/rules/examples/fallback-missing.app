//- minimal: flutter
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(const BarnApp());
final pages = <String, Route<dynamic> Function(RouteSettings)>{
  '/': (settings) => MaterialPageRoute(builder: (_) => const ShelfPage()),
};
Route<dynamic> lost(RouteSettings settings) => MaterialPageRoute(builder: (_) => const LostPage());
class BarnApp extends StatelessWidget {
  const BarnApp({super.key});
  @override
  Widget build(BuildContext context) => MaterialApp(
WRONG|    onGenerateRoute: (settings) => pages[settings.name]?.call(settings),
RIGHT|    onGenerateRoute: (settings) => pages[settings.name]?.call(settings),
RIGHT|    onUnknownRoute: (settings) => lost(settings),
  );
}
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class LostPage extends StatelessWidget { const LostPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
