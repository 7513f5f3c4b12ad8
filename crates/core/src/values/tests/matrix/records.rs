//! Records, tuples and data classes: fields by name and by place, alone and in lists.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_field_of_a_record_by_its_name() {
    row(
        "shelf",
        &[
            (Dart, "const tab = (title: 'Shelf', name: 'shelf');\nvoid f() { show(tab.name); }"),
            (Swift, "let tab = (title: \"Shelf\", name: \"shelf\")\nfunc f() { show(tab.name) }"),
            (CSharp, "void F() { var tab = (title: \"Shelf\", name: \"shelf\"); show(tab.name); }"),
            (
                Java,
                "record Tab(String title, String name) {}\nvoid f() { Tab tab = new Tab(\"Shelf\", \"shelf\"); show(tab.name()); }",
            ),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nfun f() { val tab = Tab(\"Shelf\", \"shelf\")\n show(tab.name) }",
            ),
            (
                Python,
                "from dataclasses import dataclass\n@dataclass\nclass Tab:\n    title: str\n    name: str\ntab = Tab('Shelf', 'shelf')\nshow(tab.name)\n",
            ),
        ],
    );
}

#[test]
fn the_fields_of_records_in_a_list() {
    row(
        "loans | shelf",
        &[
            (
                Dart,
                "final tabs = [(title: 'S', name: 'shelf'), (title: 'L', name: 'loans')];\nvoid f() { for (final tab in tabs) show(tab.name); }",
            ),
            (
                Dart,
                "final tabs = [(title: 'S', name: 'shelf'), (title: 'L', name: 'loans')];\nvoid f() { tabs.forEach((tab) => show(tab.name)); }",
            ),
            (
                Swift,
                "let tabs = [(title: \"S\", name: \"shelf\"), (title: \"L\", name: \"loans\")]\nfunc f() { for tab in tabs { show(tab.name) } }",
            ),
            (
                Swift,
                "let tabs = [(title: \"S\", name: \"shelf\"), (title: \"L\", name: \"loans\")]\nfunc f() { tabs.forEach { show($0.name) } }",
            ),
            (
                CSharp,
                "void F() { foreach (var tab in new[] { (title: \"S\", name: \"shelf\"), (title: \"L\", name: \"loans\") }) show(tab.name); }",
            ),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nval tabs = listOf(Tab(\"S\", \"shelf\"), Tab(\"L\", \"loans\"))\nfun f() { for (tab in tabs) show(tab.name) }",
            ),
            (
                Java,
                "record Tab(String title, String name) {}\nvoid f() { for (Tab tab : List.of(new Tab(\"S\", \"shelf\"), new Tab(\"L\", \"loans\"))) show(tab.name()); }",
            ),
            (
                Script,
                "const tabs = [{ title: 'S', name: 'shelf' }, { title: 'L', name: 'loans' }];\nfor (const tab of tabs) show(tab.name);",
            ),
            (
                Typed,
                "const tabs = [{ title: 'S', name: 'shelf' }, { title: 'L', name: 'loans' }] as const;\ntabs.forEach(({ name }) => show(name));",
            ),
            (
                Python,
                "tabs = [dict(title='S', name='shelf'), {'title': 'L', 'name': 'loans'}]\nfor tab in tabs:\n    show(tab['name'])\n",
            ),
        ],
    );
}

#[test]
fn tuples_of_a_list_taken_apart() {
    row(
        "loans | shelf",
        &[
            (
                Dart,
                "final tabs = [('S', 'shelf'), ('L', 'loans')];\nvoid f() { for (final (title, name) in tabs) show(name); }",
            ),
            (
                Dart,
                "final tabs = [(title: 'S', name: 'shelf'), (title: 'L', name: 'loans')];\nvoid f() { for (final (:title, :name) in tabs) show(name); }",
            ),
            (
                Dart,
                "final tabs = [(title: 'S', name: 'shelf'), (title: 'L', name: 'loans')];\nvoid f() { final all = [for (final (title: t, name: n) in tabs) show(n)]; }",
            ),
            (
                Dart,
                "class Tab { const Tab(this.title, this.name); final String title; final String name; }\nfinal tabs = [Tab('S', 'shelf'), Tab('L', 'loans')];\nvoid f() { for (final Tab(:name) in tabs) show(name); }",
            ),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nfun f() { for ((title, name) in listOf(Tab(\"S\", \"shelf\"), Tab(\"L\", \"loans\"))) show(name) }",
            ),
            (
                Kotlin,
                "fun f() { listOf(Triple(1, \"S\", \"shelf\"), Triple(2, \"L\", \"loans\")).forEach { (_, title, name) -> show(name) } }",
            ),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nfun f() { listOf(Tab(\"S\", \"shelf\"), Tab(\"L\", \"loans\")).forEach { (title, name) -> show(name) } }",
            ),
            (
                Swift,
                "func f() { for (title, name) in [(\"S\", \"shelf\"), (\"L\", \"loans\")] { show(name) } }",
            ),
            (
                CSharp,
                "void F() { foreach (var (title, name) in new[] { (\"S\", \"shelf\"), (\"L\", \"loans\") }) show(name); }",
            ),
            (Python, "for title, name in [('S', 'shelf'), ('L', 'loans')]:\n    show(name)\n"),
            (Script, "[['S', 'shelf'], ['L', 'loans']].forEach(([title, name]) => show(name));"),
            (Typed, "for (const [title, name] of [['S', 'shelf'], ['L', 'loans']] as const) { show(name); }"),
        ],
    );
}

#[test]
fn a_record_taken_apart() {
    row(
        "shelf",
        &[
            (Dart, "void f() { final (title, name) = ('Shelf', 'shelf'); show(name); }"),
            (Swift, "func f() { let (title, name) = (\"Shelf\", \"shelf\")\n show(name) }"),
            (Dart, "void f() { final (:name, title: t) = (title: 'Shelf', name: 'shelf'); show(name); }"),
            (Dart, "void f() { final [first, second] = ['x', 'shelf']; show(second); }"),
            (Dart, "void f() { final {'to': name} = {'to': 'shelf'}; show(name); }"),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nfun f() { val (title, name) = Tab(\"Shelf\", \"shelf\")\n show(name) }",
            ),
            (Script, "const [, name] = ['Shelf', 'shelf'];\nshow(name);"),
        ],
    );
}

#[test]
fn a_copy_with_a_change() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nval base = Tab(\"Shelf\", \"x\")\nfun f() { show(base.copy(name = \"shelf\").name) }",
            ),
            (
                Kotlin,
                "data class Tab(val title: String, val name: String)\nval base = Tab(\"x\", \"shelf\")\nfun f() { val other = base.copy(title = \"y\")\n show(other.name) }",
            ),
            (
                Script,
                "const base = { title: 'Shelf', name: 'x' };\nconst tab = { ...base, name: 'shelf' };\nshow(tab.name);",
            ),
        ],
    );
}

#[test]
fn a_field_that_a_record_has_from_elsewhere_stays_unknown() {
    row(
        "?",
        &[
            (
                Dart,
                "void f(({String title, String name}) tab) { final (:name, title: _) = load(tab); show(name); }",
            ),
            (Swift, "func f() { let (title, name) = load()\n show(name) }"),
            (Kotlin, "fun f() { val (title, name) = load()\n show(name) }"),
            (Script, "const { name } = load();\nshow(name);"),
            (Python, "title, name = load()\nshow(name)\n"),
        ],
    );
}
