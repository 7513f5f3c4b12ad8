import 'package:flutter/material.dart';

import 'help_page.dart';
import 'loan_form_page.dart';
import 'member_page.dart';
import 'names.dart';
import 'shelf_page.dart';
import 'tool_page.dart';
import 'unknown_page.dart';

class BarnApp extends StatelessWidget {
  const BarnApp({super.key});

  @override
  Widget build(BuildContext context) {
    return MaterialApp(
      title: 'Borrowbarn',
      initialRoute: Names.shelf,
      routes: {
        Names.shelf: (_) => const ShelfPage(),
        Names.help: (_) => const HelpPage(),
      },
      onGenerateRoute: _generate,
    );
  }

  static Route<dynamic> _generate(RouteSettings settings) {
    switch (settings.name) {
      case Names.tool:
        return _page(settings, ToolPage(toolId: settings.arguments! as String));
      case Names.loanForm:
        final args = settings.arguments! as Map<String, Object?>;
        return MaterialPageRoute<bool>(
          settings: settings,
          fullscreenDialog: true,
          builder: (_) => LoanFormPage(
            toolId: args[Keys.toolId]! as String,
            copies: args[Keys.copies]! as int,
          ),
        );
      case Names.member:
        final args = settings.arguments as MemberArgs;
        return _page(settings, MemberPage(memberId: args.memberId, note: args.note!));
      default:
        return _page(settings, UnknownPage(name: settings.name ?? ''));
    }
  }

  static MaterialPageRoute<void> _page(RouteSettings settings, Widget page) {
    return MaterialPageRoute<void>(settings: settings, builder: (_) => page);
  }
}
