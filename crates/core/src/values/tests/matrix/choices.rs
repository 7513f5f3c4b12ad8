//! One of several: all of them come out, and none of them is made up.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_choice_in_place() {
    row(
        "loans | shelf",
        &[
            (Kotlin, r#"fun f(on: Boolean) { show(if (on) "shelf" else "loans") }"#),
            (Java, r#"void f(boolean on) { show(on ? "shelf" : "loans"); }"#),
            (Dart, r#"void f(bool on) { show(on ? 'shelf' : 'loans'); }"#),
            (Script, r#"function f(on) { show(on ? "shelf" : "loans"); }"#),
            (Typed, r#"const f = (on: boolean) => show(on ? "shelf" : "loans");"#),
            (Swift, r#"func f(on: Bool) { show(on ? "shelf" : "loans") }"#),
            (Python, "def f(on):\n    show(\"shelf\" if on else \"loans\")\n"),
            (CSharp, r#"void F(bool on) { show(on ? "shelf" : "loans"); }"#),
        ],
    );
}

#[test]
fn a_choice_by_a_value() {
    row(
        "home | loans | shelf",
        &[
            (Kotlin, r#"fun f(i: Int) { show(when (i) { 0 -> "shelf"; 1 -> "loans"; else -> "home" }) }"#),
            (
                Java,
                r#"void f(int i) { show(switch (i) { case 0 -> "shelf"; case 1 -> "loans"; default -> "home"; }); }"#,
            ),
            (Dart, r#"void f(int i) { show(switch (i) { 0 => 'shelf', 1 => 'loans', _ => 'home' }); }"#),
            (Script, r#"const f = (i) => show(i === 0 ? "shelf" : i === 1 ? "loans" : "home");"#),
            (Typed, r#"const f = (i: number) => show(i === 0 ? "shelf" : (i === 1 ? "loans" : "home"));"#),
            (
                Swift,
                r#"func f(i: Int) { let name = switch i { case 0: "shelf" case 1: "loans" default: "home" }; show(name) }"#,
            ),
            (Python, "def f(i):\n    show(\"shelf\" if i == 0 else \"loans\" if i == 1 else \"home\")\n"),
            (CSharp, r#"void F(int i) { show(i switch { 0 => "shelf", 1 => "loans", _ => "home" }); }"#),
        ],
    );
}

#[test]
fn a_function_that_returns_early() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun name(on: Boolean): String { if (on) { return \"shelf\" }\n return \"loans\" }\nfun f(on: Boolean) { show(name(on)) }",
            ),
            (
                Java,
                "String name(boolean on) { if (on) { return \"shelf\"; } return \"loans\"; }\nvoid f(boolean on) { show(name(on)); }",
            ),
            (
                Dart,
                "String name(bool on) { if (on) return 'shelf'; return 'loans'; }\nvoid f(bool on) { show(name(on)); }",
            ),
            (
                Script,
                "function name(on) { if (on) { return \"shelf\"; } return \"loans\"; }\nconst f = (on) => show(name(on));",
            ),
            (
                Typed,
                "const name = (on: boolean): string => { if (on) return \"shelf\"; return \"loans\"; };\nconst f = (on: boolean) => show(name(on));",
            ),
            (
                Swift,
                "func name(on: Bool) -> String { guard on else { return \"loans\" }\n return \"shelf\" }\nfunc f(on: Bool) { show(name(on: on)) }",
            ),
            (
                Python,
                "def name(on):\n    if on:\n        return \"shelf\"\n    return \"loans\"\n\ndef f(on):\n    show(name(on))\n",
            ),
            (
                CSharp,
                "string Name(bool on) { if (on) return \"shelf\"; return \"loans\"; }\nvoid F(bool on) { show(Name(on)); }",
            ),
        ],
    );
}

#[test]
fn a_function_that_returns_by_case() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun name(i: Int): String = when (i) { 0 -> \"shelf\"\n else -> \"loans\" }\nfun f(i: Int) { show(name(i)) }",
            ),
            (
                Java,
                "String name(int i) { switch (i) { case 0: return \"shelf\"; default: return \"loans\"; } }\nvoid f(int i) { show(name(i)); }",
            ),
            (
                Dart,
                "String name(int i) { switch (i) { case 0: return 'shelf'; default: return 'loans'; } }\nvoid f(int i) { show(name(i)); }",
            ),
            (
                Script,
                "function name(i) { switch (i) { case 0: return \"shelf\"; default: return \"loans\"; } }\nconst f = (i) => show(name(i));",
            ),
            (
                Typed,
                "function name(i: number): string { switch (i) { case 0: { return \"shelf\"; } default: return \"loans\"; } }\nconst f = (i: number) => show(name(i));",
            ),
            (
                Swift,
                "func name(_ i: Int) -> String { switch i { case 0: return \"shelf\"\n default: return \"loans\" } }\nfunc f(i: Int) { show(name(i)) }",
            ),
            (
                Python,
                "def name(i):\n    if i == 0:\n        return \"shelf\"\n    elif i == 1:\n        return \"loans\"\n    else:\n        return \"shelf\"\n\ndef f(i):\n    show(name(i))\n",
            ),
            (
                CSharp,
                "string Name(int i) { switch (i) { case 0: return \"shelf\"; default: return \"loans\"; } }\nvoid F(int i) { show(Name(i)); }",
            ),
        ],
    );
}

#[test]
fn a_variable_that_each_way_sets() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f(on: Boolean) { val name: String\n if (on) { name = \"shelf\" } else { name = \"loans\" }\n show(name) }",
            ),
            (
                Java,
                r#"void f(boolean on) { String name; if (on) { name = "shelf"; } else { name = "loans"; } show(name); }"#,
            ),
            (
                Dart,
                r#"void f(bool on) { String name; if (on) { name = 'shelf'; } else { name = 'loans'; } show(name); }"#,
            ),
            (
                Script,
                r#"function f(on) { let name; if (on) { name = "shelf"; } else { name = "loans"; } show(name); }"#,
            ),
            (
                Typed,
                r#"function f(on: boolean) { let name: string; if (on) name = "shelf"; else name = "loans"; show(name); }"#,
            ),
            (
                Swift,
                "func f(on: Bool) { let name: String\n if on { name = \"shelf\" } else { name = \"loans\" }\n show(name) }",
            ),
            (
                Python,
                "def f(on):\n    if on:\n        name = \"shelf\"\n    else:\n        name = \"loans\"\n    show(name)\n",
            ),
            (
                CSharp,
                r#"void F(bool on) { string name; if (on) { name = "shelf"; } else { name = "loans"; } show(name); }"#,
            ),
        ],
    );
}

#[test]
fn a_variable_that_is_set_again() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f(on: Boolean) { var name = \"shelf\"\n if (on) { name = \"loans\" }\n show(name) }",
            ),
            (
                Java,
                r#"void f(boolean on) { String name = "shelf"; if (on) { name = "loans"; } show(name); }"#,
            ),
            (Dart, r#"void f(bool on) { var name = 'shelf'; if (on) { name = 'loans'; } show(name); }"#),
            (Script, r#"function f(on) { let name = "shelf"; if (on) { name = "loans"; } show(name); }"#),
            (
                Typed,
                r#"function f(on: boolean) { let name: string = "shelf"; if (on) name = "loans"; show(name); }"#,
            ),
            (Swift, "func f(on: Bool) { var name = \"shelf\"\n if on { name = \"loans\" }\n show(name) }"),
            (
                Python,
                "def f(on):\n    name = \"shelf\"\n    if on:\n        name = \"loans\"\n    show(name)\n",
            ),
            (CSharp, r#"void F(bool on) { var name = "shelf"; if (on) { name = "loans"; } show(name); }"#),
        ],
    );
}

#[test]
fn a_way_that_is_not_known_stays_so_beside_the_others() {
    row(
        "? | shelf",
        &[
            (Kotlin, r#"fun f(on: Boolean) { show(if (on) "shelf" else asked()) }"#),
            (Java, r#"void f(boolean on) { show(on ? "shelf" : asked()); }"#),
            (Dart, r#"void f(bool on) { show(on ? 'shelf' : asked()); }"#),
            (Script, r#"function f(on) { show(on ? "shelf" : asked()); }"#),
            (Typed, r#"const f = (on: boolean) => show(on ? "shelf" : asked());"#),
            (Swift, r#"func f(on: Bool) { show(on ? "shelf" : asked()) }"#),
            (Python, "def f(on):\n    show(\"shelf\" if on else asked())\n"),
            (CSharp, r#"void F(bool on) { show(on ? "shelf" : Asked()); }"#),
        ],
    );
}
