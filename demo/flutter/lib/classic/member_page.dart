import 'package:flutter/material.dart';

class MemberArgs {
  const MemberArgs({required this.memberId, this.note});

  final String memberId;
  final String? note;
}

class MemberPage extends StatelessWidget {
  const MemberPage({super.key, required this.memberId, required this.note});

  final String memberId;
  final String note;

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      appBar: AppBar(title: Text(memberId)),
      body: Text(note),
    );
  }
}
