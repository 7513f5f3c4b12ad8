import 'package:flutter/material.dart';

import 'router.dart';

class DeskApp extends StatelessWidget {
  const DeskApp({super.key});

  @override
  Widget build(BuildContext context) {
    return MaterialApp.router(title: 'Borrowbarn desk', routerConfig: deskRouter);
  }
}
