import 'package:flutter/material.dart';

import '../data/models.dart';
import 'filter_sheet.dart';
import 'names.dart';

/// Every tool of the barn.
class ShelfPage extends StatefulWidget {
  const ShelfPage({super.key});

  @override
  State<ShelfPage> createState() => _ShelfPageState();
}

class _ShelfPageState extends State<ShelfPage> {
  String? _order;

  Future<void> _filter() async {
    final order = await FilterSheet.show(context, current: _order);
    if (order != null) setState(() => _order = order);
  }

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(
        title: const Text('Shelf'),
        actions: [
          IconButton(onPressed: _filter, icon: const Icon(Icons.sort)),
          IconButton(
            onPressed: () => Navigator.pushNamed(context, '/help'),
            icon: const Icon(Icons.help),
          ),
        ],
      ),
      body: ListView(
        children: [
          for (final tool in tools)
            ListTile(
              title: Text(tool.name),
              onTap: () => Navigator.pushNamed(context, Names.tool, arguments: tool.id),
            ),
          ListTile(
            title: const Text('Opening hours'),
            onTap: () => Navigator.of(context).pushNamed(Names.calendar),
          ),
        ],
      ),
    );
  }
}
