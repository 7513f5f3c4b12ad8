import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';

import '../data/models.dart';
import 'paths.dart';

class LoanPage extends StatelessWidget {
  const LoanPage({super.key, required this.loanId, required this.tab});

  final String loanId;
  final int tab;

  @override
  Widget build(BuildContext context) {
    final loan = loans.firstWhere((loan) => loan.id == loanId);
    return Scaffold(
      appBar: AppBar(title: Text('$loanId, page $tab')),
      body: Column(
        children: [
          FilledButton(
            onPressed: () => context.pushNamed(
              Desk.handBack,
              pathParameters: {'loanId': loanId},
              extra: loan,
            ),
            child: const Text('Hand back'),
          ),
          TextButton(
            onPressed: () => context.goNamed('members', pathParameters: {'memberId': loan.memberId}),
            child: const Text('Member'),
          ),
        ],
      ),
    );
  }
}
