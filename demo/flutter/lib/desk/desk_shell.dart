import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';

class DeskShell extends StatelessWidget {
  const DeskShell({super.key, required this.shell});

  final StatefulNavigationShell shell;

  @override
  Widget build(BuildContext context) {
    return Scaffold(
      body: shell,
      bottomNavigationBar: NavigationBar(
        selectedIndex: shell.currentIndex,
        onDestinationSelected: shell.goBranch,
        destinations: const [
          NavigationDestination(icon: Icon(Icons.list), label: 'Loans'),
          NavigationDestination(icon: Icon(Icons.person), label: 'Members'),
          NavigationDestination(icon: Icon(Icons.tune), label: 'Settings'),
        ],
      ),
    );
  }
}
