import 'package:flutter/material.dart';

class LoanFormPage extends StatelessWidget {
  const LoanFormPage({super.key, required this.toolId, required this.copies});

  final String toolId;
  final int copies;

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(title: Text('Lend $copies × $toolId')),
      body: FilledButton(
        onPressed: () => Navigator.pop(context, 'l2'),
        child: const Text('Lend'),
      ),
    );
  }
}
