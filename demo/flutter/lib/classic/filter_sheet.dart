import 'package:flutter/material.dart';

class FilterSheet extends StatelessWidget {
  const FilterSheet({super.key, this.current});

  final String? current;

  static Future<String?> show(BuildContext context, {String? current}) {
    return showModalBottomSheet<String>(
      context: context,
      builder: (_) => FilterSheet(current: current),
    );
  }

  @override
  Widget build(BuildContext context) {
    return ListView(
      children: [
        for (final order in const ['name', 'age'])
          ListTile(
            selected: order == current,
            title: Text(order),
            onTap: () => Navigator.pop(context, order),
          ),
      ],
    );
  }
}
