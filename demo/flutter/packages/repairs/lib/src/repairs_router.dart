import 'package:auto_route/auto_route.dart';
import 'package:flutter/material.dart';

import 'pages/part_order_page.dart';
import 'pages/ticket_page.dart';
import 'pages/tickets_page.dart';

part 'repairs_router.gr.dart';

@AutoRouterConfig()
class RepairsRouter extends RootStackRouter {
  @override
  List<AutoRoute> get routes => [
        AutoRoute(page: TicketsRoute.page, initial: true),
        AutoRoute(page: TicketRoute.page, path: '/tickets/:ticketId'),
        AutoRoute(page: PartOrderRoute.page, path: '/order'),
      ];
}
