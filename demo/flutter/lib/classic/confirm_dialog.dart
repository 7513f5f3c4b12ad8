import 'package:flutter/material.dart';

class ConfirmDialog extends StatelessWidget {
  const ConfirmDialog({super.key, required this.question});

  final String question;

  @override
  Widget build(BuildContext context) {
    return AlertDialog(
      title: Text(question),
      actions: [
        TextButton(onPressed: () => Navigator.pop(context, false), child: const Text('No')),
        TextButton(onPressed: () => Navigator.pop(context, true), child: const Text('Yes')),
      ],
    );
  }
}
