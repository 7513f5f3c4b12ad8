import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';

import '../data/models.dart';
import 'paths.dart';

class LoansPage extends StatelessWidget {
  const LoansPage({super.key, this.overdue = false});

  final bool overdue;

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(
        title: Text(overdue ? 'Overdue' : 'Loans'),
        actions: [
          IconButton(onPressed: () => context.go(Paths.overdue), icon: const Icon(Icons.alarm)),
          IconButton(onPressed: () => context.push('/settings'), icon: const Icon(Icons.tune)),
        ],
      ),
      body: ListView(
        children: [
          for (final loan in loans) ...[
            ListTile(title: Text(loan.id), onTap: () => context.go('${Paths.loan(loan.id)}?tab=1')),
            TextButton(
              onPressed: () => context.pushNamed(Desk.member, pathParameters: {'id': loan.memberId}),
              child: const Text('Member'),
            ),
          ],
        ],
      ),
    );
  }
}
