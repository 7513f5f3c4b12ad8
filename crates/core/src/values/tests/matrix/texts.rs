//! Text that is put together.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_constant_in_a_template() {
    row(
        "shelf/new",
        &[
            (Kotlin, "const val SHELF = \"shelf\"\nfun f() { show(\"$SHELF/new\") }"),
            (
                Java,
                "static final String SHELF = \"shelf\";\nvoid f() { show(String.format(\"%s/new\", SHELF)); }",
            ),
            (Dart, "const shelf = 'shelf';\nvoid f() { show('$shelf/new'); }"),
            (Script, "const SHELF = \"shelf\";\nconst f = () => show(`${SHELF}/new`);"),
            (Typed, "const SHELF = \"shelf\" as const;\nconst f = () => show(`${SHELF}/new`);"),
            (Swift, "let shelf = \"shelf\"\nfunc f() { show(\"\\(shelf)/new\") }"),
            (Python, "SHELF = \"shelf\"\ndef f():\n    show(f\"{SHELF}/new\")\n"),
            (CSharp, "const string Shelf = \"shelf\";\nvoid F() { show($\"{Shelf}/new\"); }"),
        ],
    );
}

#[test]
fn constants_added() {
    row(
        "shelf/new",
        &[
            (Kotlin, "const val SHELF = \"shelf\"\nconst val NEW = SHELF + \"/new\"\nfun f() { show(NEW) }"),
            (
                Java,
                "static final String SHELF = \"shelf\";\nstatic final String NEW = SHELF + \"/new\";\nvoid f() { show(NEW); }",
            ),
            (Dart, "const shelf = 'shelf';\nconst add = shelf + '/new';\nvoid f() { show(add); }"),
            (Script, "const SHELF = \"shelf\";\nconst NEW = SHELF + \"/new\";\nconst f = () => show(NEW);"),
            (
                Typed,
                "const SHELF: string = \"shelf\";\nconst NEW: string = SHELF + \"/\" + \"new\";\nconst f = () => show(NEW);",
            ),
            (Swift, "let shelf = \"shelf\"\nlet new = shelf + \"/new\"\nfunc f() { show(new) }"),
            (Python, "SHELF = \"shelf\"\nNEW = SHELF + \"/new\"\ndef f():\n    show(NEW)\n"),
            (
                CSharp,
                "const string Shelf = \"shelf\";\nconst string New = Shelf + \"/new\";\nvoid F() { show(New); }",
            ),
        ],
    );
}

#[test]
fn literals_side_by_side() {
    row(
        "shelf/new",
        &[
            (Kotlin, "fun f() { show(\"shelf\" + \"/new\") }"),
            (Java, "void f() { show(\"shelf\".concat(\"/new\")); }"),
            (Dart, "void f() { show('shelf' '/new'); }"),
            (Script, "const f = () => show(\"shelf\".concat(\"/new\"));"),
            (Swift, "func f() { show(\"shelf\" + \"/\" + \"new\") }"),
            (Python, "def f():\n    show(\"shelf\" \"/new\")\n"),
            (CSharp, "void F() { show(\"shelf\" + \"/new\"); }"),
        ],
    );
}

#[test]
fn a_pattern_that_is_filled() {
    row(
        "shelf/new",
        &[
            (Kotlin, "const val PATTERN = \"shelf/%s\"\nfun f() { show(PATTERN.format(\"new\")) }"),
            (
                Java,
                "static final String PATTERN = \"shelf/%s\";\nvoid f() { show(String.format(PATTERN, \"new\")); }",
            ),
            (Dart, "const pattern = 'shelf/:id';\nvoid f() { show(pattern.replaceAll(':id', 'new')); }"),
            (
                Script,
                "const PATTERN = \"shelf/:id\";\nconst f = () => show(PATTERN.replace(\":id\", \"new\"));",
            ),
            (Typed, "const PATTERN = \"shelf/:id\";\nconst f = () => show(PATTERN.replace(\":id\", `new`));"),
            (Python, "PATTERN = \"shelf/{}\"\ndef f():\n    show(PATTERN.format(\"new\"))\n"),
            (
                CSharp,
                "const string Pattern = \"shelf/{0}\";\nvoid F() { show(string.Format(Pattern, \"new\")); }",
            ),
        ],
    );
}

#[test]
fn other_ways_to_write_a_literal() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { show(\"\"\"shelf\"\"\") }"),
            (Java, "void f() { show(\"\\u0073helf\"); }"),
            (Dart, "void f() { show(r'shelf'); }"),
            (Script, "const f = () => show('shelf');"),
            (Typed, "const f = () => show(`shelf`);"),
            (Swift, "func f() { show(#\"shelf\"#) }"),
            (Python, "def f():\n    show(r'shelf')\n"),
            (CSharp, "void F() { show(@\"shelf\"); }"),
        ],
    );
}

#[test]
fn text_that_is_kept() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { show(\"shelf\".toString().trim()) }"),
            (Java, "void f() { show(String.valueOf(\"shelf\")); }"),
            (Dart, "void f() { show('shelf'.toString()); }"),
            (Script, "const f = () => show(String(\"shelf\"));"),
            (Typed, "const f = () => show(\"shelf\" as Name);"),
            (Python, "def f():\n    show(str(\"shelf\"))\n"),
            (CSharp, "void F() { show(\"shelf\".ToString()); }"),
        ],
    );
}

#[test]
fn a_number_in_text() {
    row(
        "shelf/3",
        &[
            (Kotlin, "fun f() { show(\"shelf/${3}\") }"),
            (Java, "void f() { show(\"shelf/\" + 3); }"),
            (Dart, "const row = 3;\nvoid f() { show('shelf/$row'); }"),
            (Script, "const ROW = 3;\nconst f = () => show(`shelf/${ROW}`);"),
            (Swift, "let row = 3\nfunc f() { show(\"shelf/\\(row)\") }"),
            (Python, "ROW = 3\ndef f():\n    show(f\"shelf/{ROW}\")\n"),
            (CSharp, "const int Row = 3;\nvoid F() { show($\"shelf/{Row}\"); }"),
        ],
    );
}
