//! Lists and maps that are asked for what they hold.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_place_that_is_known() {
    row(
        "loans",
        &[
            (Kotlin, "val NAMES = listOf(\"shelf\", \"loans\")\nfun f() { show(NAMES[1]) }"),
            (Java, "static final String[] NAMES = { \"shelf\", \"loans\" };\nvoid f() { show(NAMES[1]); }"),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f() => show(names[1]);"),
            (Script, "const NAMES = [\"shelf\", \"loans\"];\nshow(NAMES[1]);"),
            (Typed, "const NAMES = [\"shelf\", \"loans\"] as const;\nshow(NAMES[1]);"),
            (Swift, "let names = [\"shelf\", \"loans\"]\nfunc f() { show(names[1]) }"),
            (Python, "NAMES = (\"shelf\", \"loans\")\nshow(NAMES[1])\n"),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid F() => show(Names[1]);",
            ),
        ],
    );
}

#[test]
fn a_place_that_is_not_known_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "val NAMES = listOf(\"shelf\", \"loans\")\nfun f() { show(NAMES[picked()]) }"),
            (
                Java,
                "static final String[] NAMES = { \"shelf\", \"loans\" };\nvoid f() { show(NAMES[picked()]); }",
            ),
            (Dart, "const names = ['shelf', 'loans'];\nvoid f() => show(names[picked()]);"),
            (Script, "const NAMES = [\"shelf\", \"loans\"];\nshow(NAMES[picked()]);"),
            (Typed, "const NAMES = [\"shelf\", \"loans\"] as const;\nshow(NAMES[picked()]);"),
            (Swift, "let names = [\"shelf\", \"loans\"]\nfunc f() { show(names[picked()]) }"),
            (Python, "NAMES = [\"shelf\", \"loans\"]\nshow(NAMES[picked()])\n"),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid F() => show(Names[Picked()]);",
            ),
        ],
    );
}

#[test]
fn a_place_in_what_was_chosen_sorted_or_filled_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "fun f() { show(listOf(\"shelf\", \"loans\").reversed()[0]) }"),
            (
                Java,
                "void f() { var names = asList(\"shelf\"); names.add(\"loans\"); for (String name : names) show(name); }",
            ),
            (Script, "const names = [\"shelf\"];\nnames.push(\"loans\");\nshow(names[0]);"),
            (Typed, "show((on ? [\"shelf\"] : [\"loans\"])[0]);"),
            (Python, "show(sorted([\"shelf\", \"loans\"])[0])\n"),
            (
                CSharp,
                "void F() { var names = new List<string> { \"shelf\" }; names.Add(\"loans\"); show(names[0]); }",
            ),
        ],
    );
}

#[test]
fn under_a_key_that_is_known() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "val NAMES = mapOf(\"a\" to \"shelf\", \"b\" to \"loans\")\nfun f() { show(NAMES[\"a\"]) }",
            ),
            (Dart, "const names = {'a': 'shelf', 'b': 'loans'};\nvoid f() => show(names['a']!);"),
            (Script, "const NAMES = { a: \"shelf\", b: \"loans\" };\nshow(NAMES[\"a\"]);"),
            (Typed, "const NAMES: Record<string, string> = { a: \"shelf\", b: \"loans\" };\nshow(NAMES.a);"),
            (Swift, "let names = [\"a\": \"shelf\", \"b\": \"loans\"]\nfunc f() { show(names[\"a\"]!) }"),
            (Python, "NAMES = {\"a\": \"shelf\", \"b\": \"loans\"}\nshow(NAMES[\"a\"])\n"),
            (
                CSharp,
                "static readonly Dictionary<string, string> Names = new() { [\"a\"] = \"shelf\", [\"b\"] = \"loans\" };\nvoid F() => show(Names[\"a\"]);",
            ),
        ],
    );
}

#[test]
fn under_a_key_that_is_not_known_is_any_of_them() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "val NAMES = mapOf(\"a\" to \"shelf\", \"b\" to \"loans\")\nfun f() { show(NAMES[picked()]!!) }",
            ),
            (Dart, "const names = {'a': 'shelf', 'b': 'loans'};\nvoid f() => show(names[picked()]!);"),
            (Script, "const NAMES = { a: \"shelf\", b: \"loans\" };\nshow(NAMES[picked()]);"),
            (
                Typed,
                "const NAMES: Record<string, string> = { a: \"shelf\", b: \"loans\" };\nshow(NAMES[picked()]);",
            ),
            (Swift, "let names = [\"a\": \"shelf\", \"b\": \"loans\"]\nfunc f() { show(names[picked()]!) }"),
            (Python, "NAMES = {\"a\": \"shelf\", \"b\": \"loans\"}\nshow(NAMES[picked()])\n"),
        ],
    );
}

#[test]
fn a_list_that_takes_another_in() {
    row(
        "home | loans | shelf",
        &[
            (
                Kotlin,
                "val BASE = listOf(\"shelf\", \"loans\")\nval ALL = BASE + listOf(\"home\")\nfun f() { ALL.forEach { show(it) } }",
            ),
            (
                Dart,
                "const base = ['shelf', 'loans'];\nconst all = [...base, 'home'];\nvoid f() { for (final name in all) show(name); }",
            ),
            (
                Script,
                "const BASE = [\"shelf\", \"loans\"];\n[...BASE, \"home\"].forEach((name) => show(name));",
            ),
            (
                Typed,
                "const BASE = [\"shelf\", \"loans\"];\nfor (const name of BASE.concat([\"home\"])) show(name);\nshow(\"home\");",
            ),
            (
                Swift,
                "let base = [\"shelf\", \"loans\"]\nfunc f() { for name in base + [\"home\"] { show(name) } }",
            ),
            (Python, "BASE = [\"shelf\", \"loans\"]\nfor name in BASE + [\"home\"]:\n    show(name)\n"),
        ],
    );
}

#[test]
fn a_list_that_is_filled() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f() { val names = mutableListOf(\"shelf\")\n names.add(\"loans\")\n for (name in names) show(name) }",
            ),
            (
                Java,
                "void f() { var names = new ArrayList<>(List.of(\"shelf\", \"loans\")); for (String name : List.of(\"shelf\", \"loans\")) show(name); }",
            ),
            (
                Script,
                "function f() { const names = [\"shelf\"]; names.push(\"loans\"); for (const name of names) show(name); }",
            ),
            (
                Swift,
                "func f() { var names = [\"shelf\"]\n names.append(\"loans\")\n for name in names { show(name) } }",
            ),
            (
                CSharp,
                "void F() { var names = new List<string> { \"shelf\" }; names.Add(\"loans\"); foreach (var name in names) show(name); }",
            ),
        ],
    );
}

#[test]
fn a_list_in_part() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f() { listOf(\"shelf\", \"loans\").filter { it.isNotEmpty() }.forEach { show(it) } }",
            ),
            (Script, "[\"shelf\", \"loans\"].filter((name) => name !== \"x\").map((name) => show(name));"),
            (Typed, "for (const name of [\"shelf\", \"loans\"].slice(0, 2)) show(name);"),
            (Python, "for name in sorted([\"shelf\", \"loans\"]):\n    show(name)\n"),
            (
                CSharp,
                "void F() { foreach (var name in new[] { \"shelf\", \"loans\" }.Where(n => n != \"x\")) show(name); }",
            ),
        ],
    );
}

#[test]
fn what_a_call_is_given_is_not_what_it_hands_back() {
    row(
        "?",
        &[
            (Kotlin, "fun f() { for (name in namesOf(\"shelf\")) show(name) }"),
            (Java, "void f() { for (String name : namesOf(\"shelf\")) show(name); }"),
            (Dart, "void f() { for (final name in namesOf('shelf')) show(name); }"),
            (Script, "for (const name of namesOf(\"shelf\")) show(name);"),
            (Typed, "show(\"shelf/new\".split(\"/\")[0]);"),
            (Swift, "func f() { for name in namesOf(\"shelf\") { show(name) } }"),
            (Python, "show(\"shelf/new\".split(\"/\")[0])\n"),
            (CSharp, "void F() { foreach (var name in NamesOf(\"shelf\")) show(name); }"),
        ],
    );
}
