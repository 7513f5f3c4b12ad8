//! Values that are taken apart.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_pair() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { val (name, id) = \"shelf\" to 3\n show(name) }"),
            (Script, "const [name, id] = [\"shelf\", 3];\nshow(name);"),
            (Typed, "const [name, id]: [string, number] = [\"shelf\", 3];\nshow(name);"),
            (Python, "name, id = \"shelf\", 3\nshow(name)\n"),
        ],
    );
}

#[test]
fn an_object() {
    row(
        "shelf",
        &[
            (Script, "const { name, id } = { name: \"shelf\", id: 3 };\nshow(name);"),
            (Typed, "const tab = { name: \"shelf\", id: 3 };\nconst { name }: Tab = tab;\nshow(name);"),
        ],
    );
}

#[test]
fn a_part_under_another_name() {
    row(
        "shelf",
        &[
            (Script, "const tab = { name: \"shelf\" };\nconst { name: to } = tab;\nshow(to);"),
            (Typed, "const { tabs: { name: to } } = { tabs: { name: \"shelf\" } };\nshow(to);"),
        ],
    );
}

#[test]
fn parts_of_what_a_function_is_given() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { (\"shelf\" to 3).let { (name, id) -> show(name) } }"),
            (Script, "const go = ({ to: { name } }) => show(name);\ngo({ to: { name: \"shelf\" } });"),
        ],
    );
}

#[test]
fn the_parts_of_a_pair_by_name() {
    row(
        "shelf",
        &[
            (Kotlin, "val PAIR = \"shelf\" to 3\nfun f() { show(PAIR.first) }"),
            (Dart, "const pair = ('shelf', 3);\nvoid f() { show(pair.$1); }"),
            (
                Java,
                "static final Map<String, String> NAMES = Map.of(\"a\", \"shelf\");\nvoid f() { for (var e : NAMES.entrySet()) show(e.getValue()); }",
            ),
            (
                CSharp,
                "void F() { foreach (var e in new Dictionary<string, string> { { \"a\", \"shelf\" } }) show(e.Value); }",
            ),
            (Swift, "func f() { for e in [\"a\": \"shelf\"] { show(e.value) } }"),
        ],
    );
}

#[test]
fn a_part_of_what_is_not_known_stays_unknown() {
    row(
        "?",
        &[
            (Kotlin, "fun f() { val (name, id) = asked()\n show(name) }"),
            (Script, "const { name } = asked();\nshow(name);"),
            (Typed, "const [name] = asked<string[]>();\nshow(name);"),
            (Python, "name, id = asked()\nshow(name)\n"),
            (Swift, "func f() { for (key, name) in asked() { show(name) } }"),
            (CSharp, "void F() { foreach (var (key, name) in Asked()) show(name); }"),
        ],
    );
}
