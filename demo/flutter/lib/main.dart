import 'package:flutter/material.dart';

import 'classic/barn_app.dart';
import 'desk/desk_app.dart';

/// The volunteers' desk is moving to the router; everybody else still has the classic app.
const bool atTheDesk = bool.fromEnvironment('DESK');

void main() {
  runApp(atTheDesk ? const DeskApp() : const BarnApp());
}
