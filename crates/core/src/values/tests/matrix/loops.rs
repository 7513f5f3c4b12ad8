//! Loops and comprehensions over what is known.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_list_by_statement() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f() { for (name in listOf("shelf", "loans")) { show(name) } }"#),
            (Java, r#"void f() { for (String name : List.of("shelf", "loans")) { show(name); } }"#),
            (Dart, r#"void f() { for (final name in ['shelf', 'loans']) { show(name); } }"#),
            (Script, r#"for (const name of ["shelf", "loans"]) { show(name); }"#),
            (Typed, r#"for (const name of ["shelf", "loans"] as const) { show(name); }"#),
            (Swift, r#"func f() { for name in ["shelf", "loans"] { show(name) } }"#),
            (Python, "def f():\n    for name in [\"shelf\", \"loans\"]:\n        show(name)\n"),
            (CSharp, r#"void F() { foreach (var name in new[] { "shelf", "loans" }) { show(name); } }"#),
        ],
    );
}

#[test]
fn a_list_that_a_constant_holds() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "val NAMES = listOf(\"shelf\", \"loans\")\nfun f() { for (name in NAMES) show(name) }"),
            (
                Java,
                "static final String[] NAMES = { \"shelf\", \"loans\" };\nvoid f() { for (String name : NAMES) show(name); }",
            ),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f() { for (var name in names) show(name); }"),
            (
                Script,
                "const NAMES = Object.freeze([\"shelf\", \"loans\"]);\nfor (const name of NAMES) show(name);",
            ),
            (
                Typed,
                "const NAMES: readonly string[] = [\"shelf\", \"loans\"];\nfor (const name of NAMES) show(name);",
            ),
            (Swift, "let names = [\"shelf\", \"loans\"]\nfunc f() { for name in names { show(name) } }"),
            (
                Python,
                "NAMES = (\"shelf\", \"loans\")\ndef f():\n    for name in NAMES:\n        show(name)\n",
            ),
            (
                CSharp,
                "static readonly List<string> Names = new List<string> { \"shelf\", \"loans\" };\nvoid F() { foreach (string name in Names) show(name); }",
            ),
        ],
    );
}

#[test]
fn a_list_by_function() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f() { listOf("shelf", "loans").forEach { name -> show(name) } }"#),
            (Java, r#"void f() { List.of("shelf", "loans").forEach(name -> show(name)); }"#),
            (Dart, r#"void f() { ['shelf', 'loans'].forEach((name) => show(name)); }"#),
            (Script, r#"["shelf", "loans"].map((name) => show(name));"#),
            (Typed, r#"["shelf", "loans"].forEach((name: string) => { show(name); });"#),
            (Swift, r#"func f() { ["shelf", "loans"].forEach { show($0) } }"#),
            (Python, "made = [show(name) for name in [\"shelf\", \"loans\"]]\n"),
            (CSharp, r#"void F() { new List<string> { "shelf", "loans" }.ForEach(name => show(name)); }"#),
        ],
    );
}

#[test]
fn a_list_with_places() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f() { listOf("shelf", "loans").forEachIndexed { i, name -> show(name) } }"#),
            (
                Java,
                r#"String[] names = { "shelf", "loans" };
void f() { for (int i = 0; i < names.length; i++) { show(names[i]); } }"#,
            ),
            (
                Dart,
                "const names = ['shelf', 'loans'];\nvoid f() { for (var i = 0; i < names.length; i++) { show(names[i]); } }",
            ),
            (Script, r#"["shelf", "loans"].forEach((name, i) => show(name));"#),
            (
                Typed,
                "const names = [\"shelf\", \"loans\"];\nfor (let i = 0; i < names.length; i++) { show(names[i]); }",
            ),
            (Swift, r#"func f() { for (i, name) in ["shelf", "loans"].enumerated() { show(name) } }"#),
            (Python, "for i, name in enumerate([\"shelf\", \"loans\"]):\n    show(name)\n"),
            (
                CSharp,
                "string[] names = { \"shelf\", \"loans\" };\nvoid F() { for (int i = 0; i < names.Length; i++) { show(names[i]); } }",
            ),
        ],
    );
}

#[test]
fn pairs_taken_apart() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                r#"fun f() { for ((label, name) in listOf("A" to "shelf", "B" to "loans")) show(name) }"#,
            ),
            (
                Dart,
                r#"void f() { for (final (label, name) in [('A', 'shelf'), ('B', 'loans')]) show(name); }"#,
            ),
            (Script, r#"for (const [label, name] of [["A", "shelf"], ["B", "loans"]]) show(name);"#),
            (Typed, r#"[["A", "shelf"], ["B", "loans"]].forEach(([label, name]) => show(name));"#),
            (Swift, r#"func f() { for (label, name) in [("A", "shelf"), ("B", "loans")] { show(name) } }"#),
            (Python, "for label, name in [(\"A\", \"shelf\"), (\"B\", \"loans\")]:\n    show(name)\n"),
            (
                CSharp,
                r#"void F() { foreach (var (label, name) in new[] { ("A", "shelf"), ("B", "loans") }) show(name); }"#,
            ),
        ],
    );
}

#[test]
fn the_entries_of_a_map() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f() { for ((key, name) in mapOf("A" to "shelf", "B" to "loans")) show(name) }"#),
            (
                Java,
                r#"static final Map<String, String> NAMES = Map.of("A", "shelf", "B", "loans");
void f() { for (Map.Entry<String, String> entry : NAMES.entrySet()) show(entry.getValue()); }"#,
            ),
            (Dart, r#"void f() { {'A': 'shelf', 'B': 'loans'}.forEach((key, name) => show(name)); }"#),
            (Script, r#"for (const [key, name] of Object.entries({ A: "shelf", B: "loans" })) show(name);"#),
            (Typed, r#"Object.entries({ A: "shelf", B: "loans" }).forEach(([key, name]) => show(name));"#),
            (Swift, r#"func f() { for (key, name) in ["A": "shelf", "B": "loans"] { show(name) } }"#),
            (Python, "for key, name in {\"A\": \"shelf\", \"B\": \"loans\"}.items():\n    show(name)\n"),
            (
                CSharp,
                r#"void F() { foreach (var entry in new Dictionary<string, string> { ["A"] = "shelf", ["B"] = "loans" }) show(entry.Value); }"#,
            ),
        ],
    );
}

#[test]
fn the_keys_and_the_values_of_a_map() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f() { mapOf("shelf" to 1, "loans" to 2).keys.forEach { show(it) } }"#),
            (
                Java,
                r#"static final Map<String, Integer> NAMES = Map.of("shelf", 1, "loans", 2);
void f() { for (String name : NAMES.keySet()) show(name); }"#,
            ),
            (Dart, r#"void f() { for (final name in {'shelf': 1, 'loans': 2}.keys) show(name); }"#),
            (Script, r#"Object.keys({ shelf: 1, loans: 2 }).map((name) => show(name));"#),
            (Typed, r#"for (const name of Object.values({ a: "shelf", b: "loans" })) show(name);"#),
            (Swift, r#"func f() { for name in ["shelf": 1, "loans": 2].keys { show(name) } }"#),
            (Python, "for name in {\"shelf\": 1, \"loans\": 2}:\n    show(name)\n"),
            (
                CSharp,
                r#"void F() { foreach (var name in new Dictionary<string, int> { { "shelf", 1 }, { "loans", 2 } }.Keys) show(name); }"#,
            ),
        ],
    );
}

#[test]
fn the_cases_of_an_enum() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "enum class Tab(val route: String) { SHELF(\"shelf\"), LOANS(\"loans\") }\nfun f() { for (tab in Tab.entries) show(tab.route) }",
            ),
            (
                Java,
                r#"enum Tab { SHELF("shelf"), LOANS("loans"); final String route; Tab(String route) { this.route = route; } }
void f() { for (Tab tab : Tab.values()) show(tab.route); }"#,
            ),
            (
                Dart,
                "enum Tab { shelf('shelf'), loans('loans'); const Tab(this.route); final String route; }\nvoid f() { for (final tab in Tab.values) show(tab.route); }",
            ),
            (
                Typed,
                "enum Tab { Shelf = \"shelf\", Loans = \"loans\" }\nfor (const tab of Object.values(Tab)) show(tab);",
            ),
            (
                Swift,
                "enum Tab: String, CaseIterable { case shelf, loans }\nfunc f() { for tab in Tab.allCases { show(tab.rawValue) } }",
            ),
        ],
    );
}

#[test]
fn objects_of_a_list() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "data class Tab(val label: String, val route: String)\nval tabs = listOf(Tab(\"A\", \"shelf\"), Tab(\"B\", route = \"loans\"))\nfun f() { tabs.forEach { show(it.route) } }",
            ),
            (
                Java,
                r#"record Tab(String label, String route) {}
static final List<Tab> TABS = List.of(new Tab("A", "shelf"), new Tab("B", "loans"));
void f() { for (Tab tab : TABS) show(tab.route()); }"#,
            ),
            (
                Dart,
                "class Tab { const Tab(this.label, {required this.route}); final String label; final String route; }\nconst tabs = [Tab('A', route: 'shelf'), Tab('B', route: 'loans')];\nvoid f() { for (final tab in tabs) show(tab.route); }",
            ),
            (
                Script,
                "const TABS = [{ label: \"A\", route: \"shelf\" }, { label: \"B\", route: \"loans\" }];\nTABS.map(({ route }) => show(route));",
            ),
            (
                Typed,
                "const TABS = [{ label: \"A\", route: \"shelf\" }, { label: \"B\", route: \"loans\" }] as const;\nfor (const tab of TABS) show(tab.route);",
            ),
            (
                Swift,
                "struct Tab { let label: String; let route: String }\nlet tabs = [Tab(label: \"A\", route: \"shelf\"), Tab(label: \"B\", route: \"loans\")]\nfunc f() { for tab in tabs { show(tab.route) } }",
            ),
            (
                Python,
                "class Tab:\n    def __init__(self, label, route):\n        self.label = label\n        self.route = route\n\nTABS = [Tab(\"A\", \"shelf\"), Tab(\"B\", route=\"loans\")]\nfor tab in TABS:\n    show(tab.route)\n",
            ),
            (
                CSharp,
                r#"record Tab(string Label, string Route);
static readonly Tab[] Tabs = { new Tab("A", "shelf"), new("B", "loans") };
void F() { foreach (var tab in Tabs) show(tab.Route); }"#,
            ),
        ],
    );
}

#[test]
fn a_list_that_comes_from_somewhere_stays_unknown() {
    row(
        "?",
        &[
            (Kotlin, "fun f(names: List<String>) { for (name in names) show(name) }"),
            (Java, "void f(List<String> names) { for (String name : names) show(name); }"),
            (Dart, "void f(List<String> names) { for (final name in names) show(name); }"),
            (Script, "export function f(names) { for (const name of names) show(name); }"),
            (Typed, "export function f(names: string[]) { names.forEach((name) => show(name)); }"),
            (Swift, "func f(names: [String]) { for name in names { show(name) } }"),
            (Python, "def f(names):\n    for name in names:\n        show(name)\n"),
            (CSharp, "void F(List<string> names) { foreach (var name in names) show(name); }"),
        ],
    );
}
