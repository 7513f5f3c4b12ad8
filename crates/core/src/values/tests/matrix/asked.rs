//! What lists and maps hand back when they are asked by a function of their own.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn the_first_or_last_of_a_list() {
    row(
        "shelf",
        &[
            (Kotlin, "val names = listOf(\"shelf\", \"loans\")\nfun f() { show(names.first()) }"),
            (Kotlin, "val names = listOf(\"loans\", \"shelf\")\nfun f() { show(names.last()) }"),
            (Kotlin, "val names = listOf(\"shelf\", \"loans\")\nfun f() { show(names.get(0)) }"),
            (
                Java,
                "static final List<String> NAMES = List.of(\"shelf\", \"loans\");\nvoid f() { show(NAMES.get(0)); }",
            ),
            (
                Java,
                "static final List<String> NAMES = List.of(\"shelf\", \"loans\");\nvoid f() { show(NAMES.getFirst()); }",
            ),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f() { show(names.first); }"),
            (Dart, "const names = ['loans', 'shelf'];\nvoid f() { show(names.last); }"),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f() { show(names.elementAt(0)); }"),
            (Script, "const names = ['shelf', 'loans'];\nshow(names.at(0));"),
            (Swift, "let names = [\"shelf\", \"loans\"]\nfunc f() { show(names.first!) }"),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid F() { show(Names.First()); }",
            ),
        ],
    );
}

#[test]
fn one_that_is_looked_for_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "val names = listOf(\"shelf\", \"loans\")\nfun f(n: Int) { show(names.first { it.length == n }) }",
            ),
            (Kotlin, "val names = listOf(\"shelf\", \"loans\")\nfun f(n: Int) { show(names.getOrNull(n)) }"),
            (
                Kotlin,
                "val names = listOf(\"shelf\", \"loans\")\nfun f(n: Int) { show(names.find { it.length == n }!!) }",
            ),
            (Kotlin, "val names = listOf(\"shelf\", \"loans\")\nfun f(n: Int) { show(names.random()) }"),
            (
                Java,
                "static final List<String> NAMES = List.of(\"shelf\", \"loans\");\nvoid f(int n) { show(NAMES.get(n)); }",
            ),
            (
                Dart,
                "const names = ['shelf', 'loans'];\nvoid f(int n) { show(names.firstWhere((it) => it.length == n)); }",
            ),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f(int n) { show(names.elementAt(n)); }"),
            (
                Script,
                "const names = ['shelf', 'loans'];\nfunction f(n) { show(names.find(it => it.length === n)); }",
            ),
            (
                Typed,
                "const names = ['shelf', 'loans'] as const;\nfunction f(n: number) { show(names.find(it => it.length === n)!); }",
            ),
            (
                Swift,
                "let names = [\"shelf\", \"loans\"]\nfunc f(_ n: Int) { show(names.first(where: { $0.count == n })!) }",
            ),
            (Swift, "let names = [\"shelf\", \"loans\"]\nfunc f() { show(names.randomElement()!) }"),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid F(int n) { show(Names.First(it => it.Length == n)); }",
            ),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid F(int n) { show(Names.ElementAt(n)); }",
            ),
        ],
    );
}

#[test]
fn under_a_key_by_function() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "val names = mapOf(\"a\" to \"shelf\", \"b\" to \"loans\")\nfun f() { show(names.getValue(\"a\")) }",
            ),
            (
                Kotlin,
                "val names = mapOf(\"a\" to \"shelf\", \"b\" to \"loans\")\nfun f() { show(names.get(\"a\")) }",
            ),
            (
                Java,
                "static final Map<String, String> NAMES = Map.of(\"a\", \"shelf\", \"b\", \"loans\");\nvoid f() { show(NAMES.get(\"a\")); }",
            ),
            (Python, "names = {'a': 'shelf', 'b': 'loans'}\nshow(names.get('a'))\n"),
        ],
    );
}

#[test]
fn under_a_key_that_is_not_known_by_function_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "val names = mapOf(1 to \"shelf\", 2 to \"loans\")\nfun f(n: Int) { show(names.getValue(n)) }",
            ),
            (
                Kotlin,
                "val names = mapOf(1 to \"shelf\", 2 to \"loans\")\nfun f(n: Int) { show(names[n] ?: return) }",
            ),
            (
                Kotlin,
                "val names = mapOf(1 to \"shelf\")\nfun f(n: Int) { show(names.getOrDefault(n, \"loans\")) }",
            ),
            (
                Java,
                "static final Map<Integer, String> NAMES = Map.of(1, \"shelf\", 2, \"loans\");\nvoid f(int n) { show(NAMES.get(n)); }",
            ),
            (
                Java,
                "static final Map<Integer, String> NAMES = Map.of(1, \"shelf\");\nvoid f(int n) { show(NAMES.getOrDefault(n, \"loans\")); }",
            ),
            (Python, "names = {1: 'shelf', 2: 'loans'}\ndef f(n):\n    show(names.get(n))\n"),
            (Python, "names = {1: 'shelf'}\ndef f(n):\n    show(names.get(n, 'loans'))\n"),
        ],
    );
}

#[test]
fn a_case_that_a_caller_chooses_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "enum class Tab(val to: String) { A(\"shelf\"), B(\"loans\") }\nfun f(tab: Tab) { show(tab.to) }",
            ),
            (
                Java,
                "enum Tab { A(\"shelf\"), B(\"loans\"); final String to; Tab(String to) { this.to = to; } }\nvoid f(Tab tab) { show(tab.to); }",
            ),
            (
                Dart,
                "enum Tab { a('shelf'), b('loans'); const Tab(this.to); final String to; }\nvoid f(Tab tab) { show(tab.to); }",
            ),
            (
                Swift,
                "enum Tab: String { case a = \"shelf\", b = \"loans\" }\nfunc f(_ tab: Tab) { show(tab.rawValue) }",
            ),
        ],
    );
}

#[test]
fn one_of_a_list_that_comes_from_somewhere_stays_unknown() {
    row(
        "?",
        &[
            (Kotlin, "fun f(names: List<String>) { show(names.first()) }"),
            (Java, "void f(List<String> names) { show(names.get(0)); }"),
            (Dart, "void f(List<String> names) { show(names.first); }"),
            (Script, "function f() { show(load().find(it => it.a)); }"),
            (
                Typed,
                "const names: string[] = ['shelf'];\nfunction f(n: number) { show(names.find(it => it.length === n)); }",
            ),
            (Swift, "func f() { show(load().first!) }"),
            (CSharp, "void F() { show(Load().First()); }"),
            (Python, "show(load().get('a'))\n"),
        ],
    );
}

#[test]
fn a_function_that_a_row_holds() {
    row(
        "loans | shelf",
        &[
            (
                Swift,
                "let rows: [(String, () -> String)] = [(\"a\", { \"shelf\" }), (\"b\", { \"loans\" })]\nfunc f(_ n: Int) { let (_, make) = rows[n]\n show(make()) }",
            ),
            (
                Swift,
                "struct Row { let title: String\n let make: () -> String }\nlet rows = [Row(title: \"a\", make: { \"shelf\" }), Row(title: \"b\", make: { \"loans\" })]\nfunc f(_ n: Int) { show(rows[n].make()) }",
            ),
            (
                Kotlin,
                "class Row(val title: String, val make: () -> String)\nval rows = listOf(Row(\"a\", { \"shelf\" }), Row(\"b\") { \"loans\" })\nfun f(n: Int) { show(rows[n].make()) }",
            ),
            (
                Kotlin,
                "val makers = mapOf(1 to { \"shelf\" }, 2 to { \"loans\" })\nfun f(n: Int) { show(makers.getValue(n)()) }",
            ),
            (
                Kotlin,
                "val makers = mapOf(1 to { \"shelf\" }, 2 to { \"loans\" })\nfun f(n: Int) { show(makers[n]?.invoke()) }",
            ),
            (
                Dart,
                "final makers = {1: () => 'shelf', 2: () => 'loans'};\nvoid f(int n) { show(makers[n]!()); }",
            ),
            (
                Dart,
                "class Row { const Row(this.title, {required this.make}); final String title; final String Function() make; }\nfinal rows = [Row('a', make: () => 'shelf'), Row('b', make: () => 'loans')];\nvoid f(int n) { show(rows[n].make()); }",
            ),
            (
                Script,
                "const makers = { a: () => 'shelf', b: () => 'loans' };\nfunction f(n) { show(makers[n]()); }",
            ),
            (
                Script,
                "const rows = [{ make: () => 'shelf' }, { make() { return 'loans'; } }];\nrows.forEach(row => show(row.make()));",
            ),
            (Python, "makers = {1: lambda: 'shelf', 2: lambda: 'loans'}\ndef f(n):\n    show(makers[n]())\n"),
            (
                CSharp,
                "static readonly Func<string>[] Makers = { () => \"shelf\", () => \"loans\" };\nvoid F(int n) { show(Makers[n]()); }",
            ),
            (
                Java,
                "static final List<Supplier<String>> MAKERS = List.of(() -> \"shelf\", () -> \"loans\");\nvoid f(int n) { show(MAKERS.get(n).get()); }",
            ),
        ],
    );
}
