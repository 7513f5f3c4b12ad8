//! Tables of names that have nothing for an unknown one.

use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::{RouteKind, Severity};

pub(super) static RULE: Rule = Rule {
    name: "fallback-missing",
    severity: Severity::Note,
    says: Says::Presence,
    summary: "A table of route names has nothing for an unknown name.",
    why: "A misspelt name or an old link then fails where it is opened, and whoever tapped it sees nothing at all.",
    mend: "Answer unknown names with a page that says so and leads back.",
    example: Example {
        wrong: "onGenerateRoute: (settings) => pages[settings.name]?.call(settings),",
        right: "onGenerateRoute: (settings) => pages[settings.name]?.call(settings),\nonUnknownRoute: (settings) => lost(settings),",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for (i, container) in graph.containers.iter_enumerated() {
        let Some(at) = container.fact.no_fallback else { continue };
        let mut routes = graph.routes_in(i).map(|route| &graph.routes[route]).peekable();
        let any = routes.peek().is_some();
        if any && !routes.any(|route| route.fact.kind == RouteKind::Fallback) {
            let name = container.fact.name.as_deref().unwrap_or("this table");
            sink.push(Report::new(at, name, format!("{name} has nothing for a name that it does not know")));
        }
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::judged;

    #[test]
    fn tables_without_an_answer_for_the_rest() {
        judged(
            "fallback-missing",
            r"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
import 'package:go_router/go_router.dart';
final bare = MaterialApp(routes: {'/': (_) => const ShelfPage()});
                                 ^ fallback-missing: has nothing for a name that it does not know
final answered = MaterialApp(
  routes: {'/': (_) => const ShelfPage()},
  onGenerateRoute: (settings) {
    switch (settings.name) {
      case '/a': return MaterialPageRoute(builder: (_) => const ShelfPage());
    }
    return MaterialPageRoute(builder: (_) => const LostPage());
  },
);
final unknown = MaterialApp(routes: {'/': (_) => const ShelfPage()}, onUnknownRoute: (_) => MaterialPageRoute(builder: (_) => const LostPage()));
final silent = GoRouter(routes: [GoRoute(path: '/', builder: (c, s) => const ShelfPage())]);
               ^^^^^^^^ fallback-missing: has nothing for a name
final loud = GoRouter(errorBuilder: (c, s) => const LostPage(), routes: [GoRoute(path: '/', builder: (c, s) => const ShelfPage())]);
class ShelfPage extends StatelessWidget { const ShelfPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
class LostPage extends StatelessWidget { const LostPage({super.key}); @override Widget build(BuildContext context) => Text(''); }
",
        );
    }
}
