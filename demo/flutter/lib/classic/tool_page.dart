import 'package:flutter/material.dart';
import 'package:repairs/repairs.dart';

import 'confirm_dialog.dart';
import 'member_page.dart';
import 'names.dart';
import 'photo_page.dart';

/// One tool: its photo, who has it, and a way to borrow it.
class ToolPage extends StatelessWidget {
  const ToolPage({super.key, required this.toolId});

  final String toolId;

  Future<void> _borrow(BuildContext context) async {
    final messenger = ScaffoldMessenger.of(context);
    final lent = await Navigator.of(context).pushNamed<bool>(
      Names.loanForm,
      arguments: {Keys.toolId: toolId, Keys.copies: 1},
    );
    if (lent ?? false) messenger.showSnackBar(const SnackBar(content: Text('Lent')));
  }

  Future<void> _scrap(BuildContext context) async {
    final sure = await showDialog<bool>(
      context: context,
      builder: (_) => ConfirmDialog(question: 'Scrap $toolId?'),
    );
    if (sure == true && context.mounted) {
      Navigator.of(context).popUntil(ModalRoute.withName(Names.shelf));
    }
  }

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(title: Text(toolId)),
      body: Column(
        children: [
          TextButton(
            onPressed: () => Navigator.push(
              context,
              MaterialPageRoute<void>(builder: (_) => PhotoPage(url: 'photos/$toolId.jpg')),
            ),
            child: const Text('Photo'),
          ),
          FilledButton(onPressed: () => _borrow(context), child: const Text('Borrow')),
          TextButton(
            onPressed: () => Navigator.pushNamed(
              context,
              Names.loanForm,
              arguments: {Keys.toolId: toolId},
            ),
            child: const Text('Borrow all'),
          ),
          TextButton(
            onPressed: () => Navigator.pushNamed(
              context,
              Names.member,
              arguments: const MemberArgs(memberId: 'm1'),
            ),
            child: const Text('Who has it'),
          ),
          TextButton(
            onPressed: () => Navigator.push(
              context,
              MaterialPageRoute<void>(builder: (_) => RepairsHost(toolId: toolId)),
            ),
            child: const Text('Repairs'),
          ),
          TextButton(onPressed: () => _scrap(context), child: const Text('Scrap')),
        ],
      ),
    );
  }
}
