//! An earlier or wider pattern that takes the calls meant for this route.

use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "shadowed-route",
    severity: Severity::Warning,
    says: Says::Presence,
    summary: "An earlier or wider pattern always takes the calls meant for this route.",
    why: "Patterns are asked one after the other. The wide one fits as well, comes first, and shows another screen.",
    mend: "Move the narrow pattern before the wide one, or make the wide one narrower.",
    example: Example {
        wrong: "GoRoute(path: '/items/:itemId', builder: showItem),\nGoRoute(path: '/items/new', builder: addItem),",
        right: "GoRoute(path: '/items/new', builder: addItem),\nGoRoute(path: '/items/:itemId', builder: showItem),",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for route in &graph.routes {
        let Some(winner) = route.shadowed_by.map(|winner| &graph.routes[winner]) else { continue };
        let wide = winner.fact.pattern.as_deref().unwrap_or(&winner.fact.name);
        let narrow = route.fact.pattern.as_deref().unwrap_or(&route.fact.name);
        let message = format!("`{narrow}` is never shown: `{wide}` is asked first, and takes it");
        sink.push(
            Report::new(route.fact.at, &route.fact.name, message)
                .related("this one takes the calls", winner.fact.at),
        );
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::judged;

    #[test]
    fn the_wide_path_comes_first_by_tree_or_prefix() {
        judged(
            "shadowed-route",
            r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
final router = GoRouter(routes: [
  GoRoute(path: '/', builder: (c, s) => const ShelfPage(), routes: [
    GoRoute(path: 'items/new', builder: (c, s) => const ShelfPage()),
    GoRoute(path: 'items/:id', builder: (c, s) => const ShelfPage()),
    GoRoute(path: 'items/latest', builder: (c, s) => const ShelfPage()),
    ^^^^^^^ shadowed-route: `/items/latest` is never shown: `/items/{id}` is asked first
    GoRoute(path: 'items/:id/edit', builder: (c, s) => const ShelfPage()),
  ]),
]);
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
//- lib/table.dart
import 'package:flutter/material.dart';
import 'main.dart';
void main() => runApp(MaterialApp(onGenerateRoute: (settings) {
  if (settings.name!.startsWith('/loan')) return MaterialPageRoute(builder: (_) => const ShelfPage());
  if (settings.name == '/loans') return MaterialPageRoute(builder: (_) => const ShelfPage());
                       ^^^^^^^^ shadowed-route: `/loans` is never shown: `/loan{}` is asked first
  if (settings.name == '/tools') return MaterialPageRoute(builder: (_) => const ShelfPage());
  return null;
}));
",
        );
    }
}
