//! Functions between a value and the call: each of their callers says what is shown.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_function_that_hands_on() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "fun go(name: String) { show(name) }\nfun f() { go(\"shelf\"); go(\"loans\") }"),
            (Java, "void go(String name) { show(name); }\nvoid f() { go(\"shelf\"); go(\"loans\"); }"),
            (Dart, "void go(String name) => show(name);\nvoid f() { go('shelf'); go('loans'); }"),
            (Script, "const go = (name) => show(name);\nfunction f() { go(\"shelf\"); go(\"loans\"); }"),
            (
                Typed,
                "function go(name: string) { show(name); }\nconst f = () => { go(\"shelf\"); go(\"loans\"); };",
            ),
            (Swift, "func go(_ name: String) { show(name) }\nfunc f() { go(\"shelf\"); go(\"loans\") }"),
            (Python, "def go(name):\n    show(name)\n\ndef f():\n    go(\"shelf\")\n    go(\"loans\")\n"),
            (CSharp, "void Go(string name) => show(name);\nvoid F() { Go(\"shelf\"); Go(\"loans\"); }"),
        ],
    );
}

#[test]
fn a_function_that_runs_over_the_list_it_is_given() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun all(names: List<String>) { names.forEach { name -> show(name) } }\nfun f() { all(listOf(\"shelf\", \"loans\")) }",
            ),
            (
                Java,
                "void all(List<String> names) { for (String name : names) { show(name); } }\nvoid f() { all(List.of(\"shelf\", \"loans\")); }",
            ),
            (
                Dart,
                "void all(List<String> names) { for (final name in names) { show(name); } }\nvoid f() { all(['shelf', 'loans']); }",
            ),
            (Script, "const all = (names) => names.map((name) => show(name));\nall([\"shelf\", \"loans\"]);"),
            (
                Typed,
                "function Bar({ names }: { names: string[] }) { return names.map((name) => show(name)); }\nBar({ names: [\"shelf\", \"loans\"] });",
            ),
            (
                Swift,
                "func all(_ names: [String]) { for name in names { show(name) } }\nfunc f() { all([\"shelf\", \"loans\"]) }",
            ),
            (
                Python,
                "def all_of(names):\n    for name in names:\n        show(name)\n\nall_of([\"shelf\", \"loans\"])\n",
            ),
            (
                CSharp,
                "void All(string[] names) { foreach (var name in names) { show(name); } }\nvoid F() { All(new[] { \"shelf\", \"loans\" }); }",
            ),
        ],
    );
}

#[test]
fn two_functions_one_behind_the_other() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "fun go(name: String) { show(name) }\nfun open(name: String) = go(name)\nfun f() { open(\"shelf\") }",
            ),
            (
                Java,
                "void go(String name) { show(name); }\nvoid open(String name) { go(name); }\nvoid f() { open(\"shelf\"); }",
            ),
            (
                Dart,
                "void go(String name) => show(name);\nvoid open(String to) => go(to);\nvoid f() => open('shelf');",
            ),
            (Script, "const go = (name) => show(name);\nconst open = (to) => go(to);\nopen(\"shelf\");"),
            (
                Typed,
                "function go(name: string) { show(name); }\nconst open = (to: string) => { go(to); };\nopen(\"shelf\");",
            ),
            (
                Swift,
                "func go(_ name: String) { show(name) }\nfunc open(to: String) { go(to) }\nfunc f() { open(to: \"shelf\") }",
            ),
            (Python, "def go(name):\n    show(name)\n\ndef open_(to):\n    go(to)\n\nopen_(\"shelf\")\n"),
            (
                CSharp,
                "void Go(string name) => show(name);\nvoid Open(string to) { Go(to); }\nvoid F() => Open(\"shelf\");",
            ),
        ],
    );
}

#[test]
fn arguments_by_name_in_another_order() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "fun go(name: String, id: Int) { show(name) }\nfun f() { go(id = 3, name = \"shelf\") }",
            ),
            (
                Dart,
                "void go({required String name, int? id}) => show(name);\nvoid f() => go(id: 3, name: 'shelf');",
            ),
            (Script, "const go = ({ name, id }) => show(name);\ngo({ id: 3, name: \"shelf\" });"),
            (Typed, "function go({ name, id }: Target) { show(name); }\ngo({ id: 3, name: \"shelf\" });"),
            (Swift, "func go(name: String, id: Int) { show(name) }\nfunc f() { go(name: \"shelf\", id: 3) }"),
            (Python, "def go(name, id):\n    show(name)\n\ngo(id=3, name=\"shelf\")\n"),
            (CSharp, "void Go(string name, int id) => show(name);\nvoid F() => Go(id: 3, name: \"shelf\");"),
        ],
    );
}

#[test]
fn a_default_of_the_function_between() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "fun go(name: String = \"shelf\") { show(name) }\nfun f() { go(); go(\"loans\") }"),
            (Dart, "void go([String name = 'shelf']) => show(name);\nvoid f() { go(); go('loans'); }"),
            (Script, "function go(name = \"shelf\") { show(name); }\ngo(); go(\"loans\");"),
            (Typed, "const go = (name: string = \"shelf\") => show(name);\ngo(); go(\"loans\");"),
            (Swift, "func go(_ name: String = \"shelf\") { show(name) }\nfunc f() { go(); go(\"loans\") }"),
            (Python, "def go(name=\"shelf\"):\n    show(name)\n\ngo()\ngo(\"loans\")\n"),
            (CSharp, "void Go(string name = \"shelf\") => show(name);\nvoid F() { Go(); Go(\"loans\"); }"),
        ],
    );
}

#[test]
fn a_method_of_an_object() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "class Guide { fun go(name: String) { show(name) } }\nfun f(guide: Guide) { guide.go(\"shelf\") }",
            ),
            (
                Java,
                "static class Guide { void go(String name) { show(name); } }\nvoid f(Guide guide) { guide.go(\"shelf\"); }",
            ),
            (
                Dart,
                "class Guide { void go(String name) => show(name); }\nvoid f(Guide guide) => guide.go('shelf');",
            ),
            (Script, "class Guide { go(name) { show(name); } }\nnew Guide().go(\"shelf\");"),
            (
                Typed,
                "class Guide { go(name: string) { show(name); } }\nfunction f(guide: Guide) { guide.go(\"shelf\"); }",
            ),
            (
                Swift,
                "class Guide { func go(to name: String) { show(name) } }\nfunc f(guide: Guide) { guide.go(to: \"shelf\") }",
            ),
            (
                Python,
                "class Guide:\n    def go(self, name):\n        show(name)\n\ndef f():\n    guide = Guide()\n    guide.go(\"shelf\")\n",
            ),
            (
                CSharp,
                "class Guide { public void Go(string name) => show(name); }\nvoid F(Guide guide) => guide.Go(\"shelf\");",
            ),
        ],
    );
}

/// Each caller says another text; where the call stands one text is said, with a part left open.
#[test]
fn a_function_that_adds_to_what_it_is_given() {
    row(
        "{}/new",
        &[
            (Kotlin, "fun go(name: String) { show(\"$name/new\") }\nfun f() { go(\"shelf\") }"),
            (Java, "void go(String name) { show(name + \"/new\"); }\nvoid f() { go(\"shelf\"); }"),
            (Dart, "void go(String name) => show('$name/new');\nvoid f() => go('shelf');"),
            (Script, "const go = (name) => show(`${name}/new`);\ngo(\"shelf\");"),
            (Typed, "function go(name: string) { show(name + \"/new\"); }\ngo(\"shelf\");"),
            (Swift, "func go(_ name: String) { show(\"\\(name)/new\") }\nfunc f() { go(\"shelf\") }"),
            (Python, "def go(name):\n    show(f\"{name}/new\")\n\ngo(\"shelf\")\n"),
            (CSharp, "void Go(string name) => show($\"{name}/new\");\nvoid F() => Go(\"shelf\");"),
        ],
    );
}

#[test]
fn a_function_whose_body_asks_first() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "fun go(name: String) { if (name.isNotEmpty()) { show(name) } }\nfun f() { go(\"shelf\") }",
            ),
            (
                Java,
                "void go(String name) { if (!name.isEmpty()) { show(name); } }\nvoid f() { go(\"shelf\"); }",
            ),
            (Dart, "void go(String name) { if (name.isNotEmpty) { show(name); } }\nvoid f() => go('shelf');"),
            (Script, "function go(name) { if (!name) return; show(name); }\ngo(\"shelf\");"),
            (Typed, "const go = (name?: string) => { if (name) { show(name); } };\ngo(\"shelf\");"),
            (
                Swift,
                "func go(_ name: String?) { guard let name else { return }\n show(name) }\nfunc f() { go(\"shelf\") }",
            ),
            (Python, "def go(name):\n    if not name:\n        return\n    show(name)\n\ngo(\"shelf\")\n"),
            (
                CSharp,
                "void Go(string name) { if (name == null) return; show(name); }\nvoid F() => Go(\"shelf\");",
            ),
        ],
    );
}

#[test]
fn a_way_that_a_caller_does_not_take() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "fun go(name: String) { when (name) { \"help\" -> call(); else -> show(name) } }\nfun f() { go(\"help\"); go(\"shelf\") }",
            ),
            (
                Java,
                "void go(String name) { if (name.equals(\"help\")) { call(); return; } show(name); }\nvoid f() { go(\"help\"); go(\"shelf\"); }",
            ),
            (
                Dart,
                "void go(String name) { if (name == 'help') { call(); } else { show(name); } }\nvoid f() { go('help'); go('shelf'); }",
            ),
            (
                Script,
                "const go = (name) => name == \"help\" ? call() : show(name);\ngo(\"help\"); go(\"shelf\");",
            ),
            (
                Typed,
                "function go(name?: string) { if (name !== null && name !== \"help\") { show(name); } }\ngo(null); go(\"help\"); go(\"shelf\");",
            ),
            (
                Swift,
                "func go(_ name: String) { switch name { case \"help\": call()\n default: show(name) } }\nfunc f() { go(\"help\"); go(\"shelf\") }",
            ),
            (
                Python,
                "def go(name):\n    if name == \"help\":\n        call()\n        return\n    show(name)\n\ngo(\"help\")\ngo(\"shelf\")\n",
            ),
            (
                CSharp,
                "void Go(string name, bool really) { if (!really) { return; } show(name); }\nvoid F() { Go(\"help\", false); Go(\"shelf\", true); }",
            ),
        ],
    );
}

#[test]
fn a_way_that_a_caller_may_take() {
    row(
        "help | shelf",
        &[
            (
                Kotlin,
                "fun go(name: String) { if (isOpen()) return else show(name) }\nfun f() { go(\"help\"); go(\"shelf\") }",
            ),
            (
                Java,
                "void go(String name, boolean now) { if (now || name.equals(\"shelf\")) { show(name); } }\nvoid f(boolean now) { go(\"help\", now); go(\"shelf\", false); }",
            ),
            (
                Dart,
                "void go(String name) { if (name == state) { return; } show(name); }\nvoid f() { go('help'); go('shelf'); }",
            ),
            (
                Script,
                "let mode = \"help\";\nconst go = (name) => mode == \"help\" ? call() : show(name);\ngo(\"help\"); go(\"shelf\");",
            ),
            (
                Typed,
                "function go(name: string) { if (name == \"help\") { call(); } show(name); }\ngo(\"help\"); go(\"shelf\");",
            ),
            (
                Swift,
                "func go(_ name: String) { switch name { case \"help\": show(name)\n default: show(name) } }\nfunc f() { go(\"help\"); go(\"shelf\") }",
            ),
            (
                Python,
                "def go(name):\n    if name == \"loans\":\n        return\n    show(name)\n\ngo(\"help\")\ngo(\"shelf\")\n",
            ),
            (
                CSharp,
                "void Go(string name, bool really) { if (!really && Ask()) { return; } show(name); }\nvoid F() { Go(\"help\", false); Go(\"shelf\", true); }",
            ),
        ],
    );
}

#[test]
fn what_a_caller_says_may_be_changed_before_it_is_asked() {
    row(
        "shelf",
        &[
            (
                Java,
                "void go(String name, boolean ready) { if (!ready) { ready = ask(); } if (!ready) { return; } show(name); }\nvoid f() { go(\"shelf\", false); }",
            ),
            (
                Dart,
                "void go(String name, bool ready) { ready = ready || ask(); if (!ready) return; show(name); }\nvoid f() => go('shelf', false);",
            ),
            (
                Script,
                "function go(name, ready) { let now = ready; now = ask(); if (!now) { return; } show(name); }\ngo(\"shelf\", false);",
            ),
            (
                Typed,
                "function go(name: string, left: number) { left--; if (left === 1) { return; } show(name); }\ngo(\"shelf\", 1);",
            ),
            (
                Python,
                "def go(name, ready):\n    ready = ready or ask()\n    if not ready:\n        return\n    show(name)\n\ngo(\"shelf\", False)\n",
            ),
            (
                CSharp,
                "void Go(string name, bool ready) { ready = Ask(); if (!ready) { return; } show(name); }\nvoid F() => Go(\"shelf\", false);",
            ),
        ],
    );
}

#[test]
fn a_function_that_makes_the_name() {
    row(
        "shelf/3",
        &[
            (Kotlin, "object Names { fun item(id: Int) = \"shelf/$id\" }\nfun f() { show(Names.item(3)) }"),
            (Java, "static String item(int id) { return \"shelf/\" + id; }\nvoid f() { show(item(3)); }"),
            (
                Dart,
                "class Names { static String item(int id) => 'shelf/$id'; }\nvoid f() => show(Names.item(3));",
            ),
            (Script, "const names = { item: (id) => `shelf/${id}` };\nconst f = () => show(names.item(3));"),
            (Typed, "const item = (id: number) => `shelf/${id}`;\nconst f = () => show(item(3));"),
            (
                Swift,
                "enum Names { static func item(_ id: Int) -> String { \"shelf/\\(id)\" } }\nfunc f() { show(Names.item(3)) }",
            ),
            (Python, "def item(id):\n    return f\"shelf/{id}\"\n\nshow(item(3))\n"),
            (CSharp, "static string Item(int id) => $\"shelf/{id}\";\nvoid F() => show(Item(3));"),
        ],
    );
}

#[test]
fn what_no_one_calls_shows_something_that_is_not_known() {
    row(
        "?",
        &[
            (Kotlin, "private fun go(name: String) { show(name) }"),
            (Java, "private void go(String name) { show(name); }"),
            (Dart, "void _go(String name) => show(name);"),
            (Swift, "private func go(_ name: String) { show(name) }"),
            (CSharp, "private void Go(string name) => show(name);"),
        ],
    );
}

#[test]
fn what_only_stands_behind_slashes_is_said_by_the_caller() {
    row(
        "//main/items",
        &[
            (
                CSharp,
                "void Reset(string route) => show($\"//{route}\");\nvoid F() { Reset(\"main/items\"); }",
            ),
            (
                CSharp,
                "interface INav { Task Reset(string route); }\nclass Nav : INav { public Task Reset(string route) => show($\"//{route}\"); }\nclass Model { INav nav; void F() { nav.Reset(\"main/items\"); } }",
            ),
            (Kotlin, "fun reset(route: String) { show(\"//$route\") }\nfun f() { reset(\"main/items\") }"),
            (Script, "const reset = route => show(`//${route}`);\nreset('main/items');"),
            (Dart, "void reset(String route) => show('//$route');\nvoid f() { reset('main/items'); }"),
        ],
    );
}
