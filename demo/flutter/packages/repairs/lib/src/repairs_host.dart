import 'package:flutter/material.dart';

import 'repairs_router.dart';

/// Gives the repair tickets of a tool a router of their own.
class RepairsHost extends StatefulWidget {
  const RepairsHost({super.key, required this.toolId});

  final String toolId;

  @override
  State<RepairsHost> createState() => _RepairsHostState();
}

class _RepairsHostState extends State<RepairsHost> {
  late final _router = RepairsRouter();

  @override
  Widget build(BuildContext context) {
    return Title(
      title: 'Repairs of ${widget.toolId}',
      color: Colors.green,
      child: Router<Object>.withConfig(config: _router.config()),
    );
  }
}
