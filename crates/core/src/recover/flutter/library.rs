//! What well-known members of Flutter's own classes, and of its routers', hand back.

use crate::source::Language;
use crate::values::Library;

pub(in crate::recover) const LIBRARY: Library = Library {
    speaks: |language| language == Language::Dart,
    members: &[("extra", "Object?"), ("pathParameters", "Map"), ("queryParameters", "Map")],
    factories: &[
        ("AutoRouter", "of", "StackRouter"),
        ("AutoTabsRouter", "of", "TabsRouter"),
        ("GoRouter", "maybeOf", "GoRouter"),
        ("GoRouter", "of", "GoRouter"),
        ("GoRouterState", "of", "GoRouterState"),
        ("ModalRoute", "of", "ModalRoute"),
        ("Navigator", "maybeOf", "NavigatorState"),
        ("Navigator", "of", "NavigatorState"),
        ("StatefulNavigationShell", "of", "StatefulNavigationShellState"),
        ("Uri", "parse", "Uri"),
        ("bool", "parse", "bool"),
        ("double", "parse", "double"),
        ("double", "tryParse", "double"),
        ("int", "parse", "int"),
        ("int", "tryParse", "int"),
    ],
    typed: &[("widget", |base| base.ends_with("State"))],
    derived: &[("WidgetRef", "Ref")],
    texts: &[],
    plain: &[],
    hands_on: &[],
    enlists: &[],
    keeps: &[],
    lists: &[],
    resources: &[],
    previews: |_| false,
    singletons: &[],
};
