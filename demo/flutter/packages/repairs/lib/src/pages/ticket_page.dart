import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';

import '../repairs_router.dart';

@RoutePage()
class TicketPage extends StatelessWidget {
  const TicketPage({super.key, @PathParam() required this.ticketId, this.urgent = false});

  final String ticketId;
  final bool urgent;

  @override
  Widget build(BuildContext context) {
    return Column(
      children: [
        Text('$ticketId ${urgent ? 'today' : ''}'),
        TextButton(
          onPressed: () => context.pushRoute(const PartOrderRoute()),
          child: const Text('Order a part'),
        ),
        TextButton(onPressed: () => context.maybePop(), child: const Text('Back')),
      ],
    );
  }
}
