//! What may be absent: what stands in for it, and what is left once it is known to be there.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn what_stands_in() {
    row(
        "? | shelf",
        &[
            (Kotlin, r#"fun f() { show(asked() ?: "shelf") }"#),
            (Dart, r#"void f() { show(asked() ?? 'shelf'); }"#),
            (Script, r#"export const f = () => show(asked() ?? "shelf");"#),
            (Typed, r#"export const f = () => show(asked() || "shelf");"#),
            (Swift, r#"func f() { show(asked() ?? "shelf") }"#),
            (Python, "def f():\n    show(asked() or \"shelf\")\n"),
            (CSharp, r#"void F() { show(Asked() ?? "shelf"); }"#),
        ],
    );
}

#[test]
fn what_is_known_needs_no_stand_in_but_may_have_one() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "val NAME: String? = \"shelf\"\nfun f() { show(NAME ?: \"loans\") }"),
            (Dart, "const String? name = 'shelf';\nvoid f() { show(name ?? 'loans'); }"),
            (Script, "const NAME = \"shelf\";\nconst f = () => show(NAME ?? \"loans\");"),
            (Typed, "const NAME: string | undefined = \"shelf\";\nconst f = () => show(NAME ?? \"loans\");"),
            (Swift, "let name: String? = \"shelf\"\nfunc f() { show(name ?? \"loans\") }"),
            (Python, "NAME = \"shelf\"\ndef f():\n    show(NAME or \"loans\")\n"),
            (CSharp, "const string Name = \"shelf\";\nvoid F() { show(Name ?? \"loans\"); }"),
        ],
    );
}

#[test]
fn said_to_be_there() {
    row(
        "shelf",
        &[
            (Kotlin, "val NAME: String? = \"shelf\"\nfun f() { show(NAME!!) }"),
            (Java, "static final String NAME = \"shelf\";\nvoid f() { show(Objects.requireNonNull(NAME)); }"),
            (Dart, "const String? name = 'shelf';\nvoid f() { show(name!); }"),
            (Typed, "const NAME: string | null = \"shelf\";\nconst f = () => show(NAME!);"),
            (Swift, "let name: String? = \"shelf\"\nfunc f() { show(name!) }"),
            (CSharp, "static readonly string? Name = \"shelf\";\nvoid F() { show(Name!); }"),
        ],
    );
}

#[test]
fn asked_first() {
    row(
        "shelf",
        &[
            (Kotlin, "val NAME: String? = \"shelf\"\nfun f() { NAME?.let { show(it) } }"),
            (Java, "static final String NAME = \"shelf\";\nvoid f() { if (NAME != null) { show(NAME); } }"),
            (Dart, "const String? name = 'shelf';\nvoid f() { if (name != null) { show(name); } }"),
            (Script, "const NAME = \"shelf\";\nfunction f() { if (NAME) { show(NAME); } }"),
            (Typed, "const NAME: string | null = \"shelf\";\nfunction f() { NAME && show(NAME); }"),
            (Swift, "let name: String? = \"shelf\"\nfunc f() { if let name = name { show(name) } }"),
            (Python, "NAME = \"shelf\"\ndef f():\n    if NAME is not None:\n        show(NAME)\n"),
            (CSharp, "const string Name = \"shelf\";\nvoid F() { if (Name is not null) { show(Name); } }"),
        ],
    );
}

#[test]
fn bound_under_a_name_of_its_own() {
    row(
        "shelf",
        &[
            (Kotlin, "val NAME: String? = \"shelf\"\nfun f() { NAME?.let { name -> show(name) } }"),
            (
                Dart,
                "const String? held = 'shelf';\nvoid f() { final name = held; if (name != null) show(name); }",
            ),
            (
                Typed,
                "const HELD: string | null = \"shelf\";\nfunction f() { const name = HELD; if (name) show(name); }",
            ),
            (
                Swift,
                "let held: String? = \"shelf\"\nfunc f() { guard let name = held else { return }\n show(name) }",
            ),
            (Python, "HELD = \"shelf\"\ndef f():\n    if (name := HELD):\n        show(name)\n"),
        ],
    );
}

#[test]
fn a_default_that_a_caller_leaves() {
    row(
        "shelf",
        &[
            (Kotlin, "fun name(given: String = \"shelf\") = given\nfun f() { show(name()) }"),
            (Dart, "String name({String given = 'shelf'}) => given;\nvoid f() { show(name()); }"),
            (Script, "const name = (given = \"shelf\") => given;\nconst f = () => show(name());"),
            (
                Typed,
                "function name(given: string = \"shelf\"): string { return given; }\nconst f = () => show(name());",
            ),
            (Swift, "func name(given: String = \"shelf\") -> String { given }\nfunc f() { show(name()) }"),
            (Python, "def name(given=\"shelf\"):\n    return given\n\ndef f():\n    show(name())\n"),
            (CSharp, "string Name(string given = \"shelf\") => given;\nvoid F() { show(Name()); }"),
        ],
    );
}

#[test]
fn a_default_that_a_caller_replaces() {
    row(
        "loans",
        &[
            (Kotlin, "fun name(given: String = \"shelf\") = given\nfun f() { show(name(\"loans\")) }"),
            (
                Dart,
                "String name({String given = 'shelf'}) => given;\nvoid f() { show(name(given: 'loans')); }",
            ),
            (Script, "const name = (given = \"shelf\") => given;\nconst f = () => show(name(\"loans\"));"),
            (
                Swift,
                "func name(given: String = \"shelf\") -> String { given }\nfunc f() { show(name(given: \"loans\")) }",
            ),
            (
                Python,
                "def name(given=\"shelf\"):\n    return given\n\ndef f():\n    show(name(given=\"loans\"))\n",
            ),
            (
                CSharp,
                "string Name(string given = \"shelf\") => given;\nvoid F() { show(Name(given: \"loans\")); }",
            ),
        ],
    );
}
