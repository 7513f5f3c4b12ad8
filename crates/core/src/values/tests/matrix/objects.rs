//! Values that objects carry: enums, records, classes of a closed set.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_property_of_an_enums_case() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "enum class Tab(val route: String) { SHELF(\"shelf\"), LOANS(\"loans\") }\nfun f() { show(Tab.SHELF.route) }",
            ),
            (
                Java,
                "enum Tab { SHELF(\"shelf\"), LOANS(\"loans\"); private final String route; Tab(String route) { this.route = route; } String getRoute() { return route; } }\nvoid f() { show(Tab.SHELF.getRoute()); }",
            ),
            (
                Dart,
                "enum Tab { shelf('shelf'), loans('loans'); const Tab(this.route); final String route; }\nvoid f() => show(Tab.shelf.route);",
            ),
            (Typed, "enum Tab { Shelf = \"shelf\", Loans = \"loans\" }\nconst f = () => show(Tab.Shelf);"),
            (Swift, "enum Tab: String { case shelf, loans }\nfunc f() { show(Tab.shelf.rawValue) }"),
        ],
    );
}

#[test]
fn a_case_by_its_name() {
    row(
        "SHELF",
        &[
            (Kotlin, "enum class Tab { SHELF, LOANS }\nfun f() { show(Tab.SHELF.name) }"),
            (Dart, "enum Tab { SHELF, LOANS }\nvoid f() => show(Tab.SHELF.name);"),
            (Script, "const Tab = { SHELF: \"SHELF\" };\nconst f = () => show(Tab.SHELF);"),
            (Swift, "enum Tab: String { case SHELF = \"SHELF\" }\nfunc f() { show(Tab.SHELF.rawValue) }"),
            (CSharp, "enum Tab { SHELF, LOANS }\nvoid F() => show(nameof(Tab.SHELF));"),
        ],
    );
}

#[test]
fn what_a_case_is_told_by_a_choice() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "enum class Tab { A, B; val route get() = when (this) { A -> \"shelf\"\n B -> \"loans\" } }\nfun f(tab: Tab) { show(Tab.A.route) }",
            ),
            (
                Dart,
                "enum Tab { a, b; String get route => switch (this) { Tab.a => 'shelf', Tab.b => 'loans' }; }\nvoid f() => show(Tab.a.route);",
            ),
            (
                Swift,
                "enum Tab { case a, b\n var route: String { switch self { case .a: return \"shelf\"\n case .b: return \"loans\" } } }\nfunc f() { show(Tab.a.route) }",
            ),
        ],
    );
}

#[test]
fn an_object_that_hands_its_name_to_its_base() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "sealed class Screen(val route: String) { object Shelf : Screen(\"shelf\")\n object Loans : Screen(\"loans\") }\nfun f() { show(Screen.Shelf.route) }",
            ),
            (
                Java,
                "static class Screen { final String route; Screen(String route) { this.route = route; } }\nstatic class Shelf extends Screen { Shelf() { super(\"shelf\"); } }\nvoid f() { show(new Screen(\"shelf\").route); }",
            ),
            (
                Dart,
                "class Screen { const Screen(this.route); final String route; }\nclass Shelf extends Screen { const Shelf() : super('shelf'); }\nvoid f() => show(const Shelf().route);",
            ),
        ],
    );
}

#[test]
fn a_member_that_a_class_stands_in_for() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "interface Screen { val route: String }\nobject Shelf : Screen { override val route = \"shelf\" }\nfun f() { show(Shelf.route) }",
            ),
            (
                Java,
                "interface Screen { String route(); }\nstatic class Shelf implements Screen { public String route() { return \"shelf\"; } }\nvoid f() { show(new Shelf().route()); }",
            ),
            (
                Dart,
                "abstract class Screen { String get route; }\nclass Shelf extends Screen { @override String get route => 'shelf'; }\nvoid f() => show(Shelf().route);",
            ),
            (
                Script,
                "class Shelf extends Screen { get route() { return \"shelf\"; } }\nshow(new Shelf().route);",
            ),
            (
                Typed,
                "class Shelf implements Screen { readonly route = \"shelf\"; }\nshow(new Shelf().route);",
            ),
            (
                Swift,
                "protocol Screen { var route: String { get } }\nstruct Shelf: Screen { let route = \"shelf\" }\nfunc f() { show(Shelf().route) }",
            ),
            (Python, "class Shelf(Screen):\n    route = \"shelf\"\n\nshow(Shelf().route)\n"),
            (
                CSharp,
                "interface IScreen { string Route { get; } }\nclass Shelf : IScreen { public string Route => \"shelf\"; }\nvoid F() => show(new Shelf().Route);",
            ),
        ],
    );
}

#[test]
fn what_a_constructor_is_given() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "data class Tab(val label: String, val route: String)\nfun f() { show(Tab(\"A\", \"shelf\").route) }",
            ),
            (
                Java,
                "static class Tab { private final String route; Tab(String label, String route) { this.route = route; } String getRoute() { return route; } }\nvoid f() { show(new Tab(\"A\", \"shelf\").getRoute()); }",
            ),
            (
                Dart,
                "class Tab { Tab(this.label, {required this.route}); final String label; final String route; }\nvoid f() => show(Tab('A', route: 'shelf').route);",
            ),
            (
                Script,
                "class Tab { constructor(label, route) { this.label = label; this.route = route; } }\nshow(new Tab(\"A\", \"shelf\").route);",
            ),
            (
                Typed,
                "class Tab { constructor(readonly label: string, readonly route: string) {} }\nshow(new Tab(\"A\", \"shelf\").route);",
            ),
            (
                Swift,
                "struct Tab { let label: String; let route: String }\nfunc f() { show(Tab(label: \"A\", route: \"shelf\").route) }",
            ),
            (
                Python,
                "class Tab:\n    def __init__(self, label, route):\n        self.route = route\n\nshow(Tab(\"A\", \"shelf\").route)\n",
            ),
            (
                CSharp,
                "record Tab(string Label, string Route);\nvoid F() => show(new Tab(\"A\", \"shelf\").Route);",
            ),
        ],
    );
}

#[test]
fn a_constructor_that_names_what_it_sets() {
    row(
        "shelf",
        &[
            (
                Swift,
                "struct Tab { let route: String\n init(to name: String) { self.route = name } }\nfunc f() { show(Tab(to: \"shelf\").route) }",
            ),
            (
                CSharp,
                "class Tab { public string Route { get; } public Tab(string name) { Route = name; } }\nvoid F() => show(new Tab(\"shelf\").Route);",
            ),
            (
                Java,
                "static class Tab { String route; Tab() { this(\"loans\"); } Tab(String name) { route = name; } }\nvoid f() { show(new Tab(\"shelf\").route); }",
            ),
        ],
    );
}

#[test]
fn what_an_initialiser_sets() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "class Tab(var route: String = \"loans\")\nfun f() { show(Tab(route = \"shelf\").route) }",
            ),
            (Script, "const tab = { route: \"shelf\", label: \"A\" };\nshow(tab.route);"),
            (Typed, "const tab: Tab = { route: \"shelf\" };\nshow(tab.route);"),
            (
                CSharp,
                "class Tab { public string Route { get; set; } }\nvoid F() => show(new Tab { Route = \"shelf\" }.Route);",
            ),
            (Python, "tab = {\"route\": \"shelf\"}\nshow(tab[\"route\"])\n"),
        ],
    );
}
