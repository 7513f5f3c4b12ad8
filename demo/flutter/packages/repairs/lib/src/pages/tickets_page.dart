import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';

import '../repairs_router.dart';

@RoutePage()
class TicketsPage extends StatelessWidget {
  const TicketsPage({super.key});

  @override
  Widget build(BuildContext context) {
    return ListView(
      children: [
        ListTile(
          title: const Text('Blunt blade'),
          onTap: () => context.router.push(TicketRoute(ticketId: 'r1')),
        ),
        ListTile(
          title: const Text('Loose handle'),
          onTap: () => context.router.pushNamed('/ticket/r2'),
        ),
      ],
    );
  }
}
