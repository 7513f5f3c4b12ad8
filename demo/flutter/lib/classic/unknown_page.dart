import 'package:flutter/material.dart';

class UnknownPage extends StatelessWidget {
  const UnknownPage({super.key, required this.name});

  final String name;

  @override
  Widget build(BuildContext context) => Scaffold(body: Text('Nothing at $name'));
}
