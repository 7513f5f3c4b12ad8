// GENERATED CODE - DO NOT MODIFY BY HAND

part of 'repairs_router.dart';

class TicketsRoute extends PageRouteInfo<void> {
  const TicketsRoute({List<PageRouteInfo>? children}) : super(TicketsRoute.name, initialChildren: children);

  static const String name = 'TicketsRoute';

  static PageInfo page = PageInfo(name, builder: (data) => const TicketsPage());
}

class TicketRoute extends PageRouteInfo<TicketRouteArgs> {
  TicketRoute({Key? key, required String ticketId, List<PageRouteInfo>? children})
      : super(TicketRoute.name, args: TicketRouteArgs(key: key, ticketId: ticketId), initialChildren: children);

  static const String name = 'TicketRoute';

  static PageInfo page = PageInfo(name, builder: (data) => TicketPage(ticketId: data.args.ticketId));
}

class PartOrderRoute extends PageRouteInfo<void> {
  const PartOrderRoute({List<PageRouteInfo>? children}) : super(PartOrderRoute.name, initialChildren: children);

  static const String name = 'PartOrderRoute';

  static PageInfo page = PageInfo(name, builder: (data) => const PartOrderPage());
}
