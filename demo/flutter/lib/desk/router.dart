import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';

import '../data/models.dart';
import 'desk_shell.dart';
import 'hand_back_page.dart';
import 'loan_page.dart';
import 'loans_page.dart';
import 'member_desk_page.dart';
import 'paths.dart';
import 'settings_page.dart';

final deskRouter = GoRouter(
  initialLocation: Paths.loans,
  redirect: (context, state) => state.matchedLocation == Paths.home ? Paths.loans : null,
  routes: [
    StatefulShellRoute.indexedStack(
      builder: (context, state, shell) => DeskShell(shell: shell),
      branches: [
        StatefulShellBranch(routes: [_loans]),
        StatefulShellBranch(
          routes: [
            GoRoute(
              path: '${Paths.members}/:memberId',
              name: Desk.member,
              builder: (context, state) => MemberDeskPage(memberId: state.pathParameters['memberId']!),
            ),
          ],
        ),
        StatefulShellBranch(
          routes: [
            GoRoute(path: Paths.settings, builder: (context, state) => const SettingsPage()),
          ],
        ),
      ],
    ),
  ],
);

final _loans = GoRoute(
  path: Paths.loans,
  builder: (context, state) => const LoansPage(),
  routes: [
    GoRoute(
      path: ':loanId',
      name: Desk.loan,
      builder: (context, state) => LoanPage(
        loanId: state.pathParameters['loanId']!,
        tab: int.parse(state.uri.queryParameters['tab']!),
      ),
      routes: [
        GoRoute(
          path: '/hand-back',
          name: Desk.handBack,
          builder: (context, state) => HandBackPage(loan: state.extra! as Loan),
        ),
      ],
    ),
    GoRoute(
      path: 'overdue',
      builder: (context, state) => const LoansPage(overdue: true),
    ),
  ],
);
