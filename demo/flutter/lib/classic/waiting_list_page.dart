import 'package:flutter/material.dart';

/// Was opened from the shelf until tools could be reserved by post.
class WaitingListPage extends StatelessWidget {
  const WaitingListPage({super.key});

  @override
  Widget build(BuildContext context) => const Scaffold(body: Text('Nobody waits.'));
}
