import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';

@RoutePage()
class PartOrderPage extends StatelessWidget {
  const PartOrderPage({super.key});

  @override
  Widget build(BuildContext context) => const Text('Blades come on Tuesdays.');
}
