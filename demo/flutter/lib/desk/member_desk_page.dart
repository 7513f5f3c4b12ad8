import 'package:flutter/material.dart';

class MemberDeskPage extends StatelessWidget {
  const MemberDeskPage({super.key, required this.memberId});

  final String memberId;

  @override
  Widget build(BuildContext context) {
    return Scaffold(body: Text(memberId));
  }
}
