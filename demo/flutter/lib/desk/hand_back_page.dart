import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';

import '../data/models.dart';

class HandBackPage extends StatelessWidget {
  const HandBackPage({super.key, required this.loan});

  final Loan loan;

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(title: Text('Hand back ${loan.toolId}')),
      body: FilledButton(onPressed: () => context.pop(), child: const Text('Done')),
    );
  }
}
