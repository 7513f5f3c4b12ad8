//! Variables on the ways that lead to a use: the latest that each way sets, and nothing else.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn what_is_overwritten_is_gone() {
    row(
        "loans",
        &[
            (Kotlin, "fun f() { var name = \"shelf\"\n name = \"loans\"\n show(name) }"),
            (Java, "void f() { String name = \"shelf\"; name = \"loans\"; show(name); }"),
            (Dart, "void f() { var name = 'shelf'; name = 'loans'; show(name); }"),
            (Script, "function f() { let name = \"shelf\"; name = \"loans\"; show(name); }"),
            (Typed, "function f() { let name: string = \"shelf\"; name = \"loans\"; show(name); }"),
            (Swift, "func f() { var name = \"shelf\"\n name = \"loans\"\n show(name) }"),
            (Python, "def f():\n    name = \"shelf\"\n    name = \"loans\"\n    show(name)\n"),
            (CSharp, "void F() { var name = \"shelf\"; name = \"loans\"; show(name); }"),
        ],
    );
}

#[test]
fn what_is_set_later_is_not_there_yet() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { var name = \"shelf\"\n show(name)\n name = \"loans\"\n keep(name) }"),
            (Java, "void f() { String name = \"shelf\"; show(name); name = \"loans\"; keep(name); }"),
            (Dart, "void f() { var name = 'shelf'; show(name); name = 'loans'; keep(name); }"),
            (Script, "function f() { let name = \"shelf\"; show(name); name = \"loans\"; keep(name); }"),
            (
                Typed,
                "function f() { let name: string = \"shelf\"; show(name); name = \"loans\"; keep(name); }",
            ),
            (Swift, "func f() { var name = \"shelf\"\n show(name)\n name = \"loans\"\n keep(name) }"),
            (
                Python,
                "def f():\n    name = \"shelf\"\n    show(name)\n    name = \"loans\"\n    keep(name)\n",
            ),
            (CSharp, "void F() { var name = \"shelf\"; show(name); name = \"loans\"; keep(name); }"),
        ],
    );
}

#[test]
fn every_way_of_a_choice_overwrites() {
    row(
        "home | loans",
        &[
            (
                Kotlin,
                "fun f(i: Int) { var name = \"shelf\"\n when (i) { 0 -> { name = \"loans\" }\n else -> { name = \"home\" } }\n show(name) }",
            ),
            (
                Java,
                "void f(int i) { String name = \"shelf\"; if (i == 0) name = \"loans\"; else name = \"home\"; show(name); }",
            ),
            (
                Dart,
                "void f(int i) { var name = 'shelf'; if (i == 0) { name = 'loans'; } else { name = 'home'; } show(name); }",
            ),
            (
                Script,
                "function f(i) { let name = \"shelf\"; if (i) { name = \"loans\"; } else { name = \"home\"; } show(name); }",
            ),
            (
                Typed,
                "function f(i: number) { let name = \"shelf\"; if (i) name = \"loans\"; else name = \"home\"; show(name); }",
            ),
            (
                Swift,
                "func f(i: Int) { var name = \"shelf\"\n if i == 0 { name = \"loans\" } else { name = \"home\" }\n show(name) }",
            ),
            (
                Python,
                "def f(i):\n    name = \"shelf\"\n    if i:\n        name = \"loans\"\n    else:\n        name = \"home\"\n    show(name)\n",
            ),
            (
                CSharp,
                "void F(int i) { var name = \"shelf\"; if (i == 0) { name = \"loans\"; } else { name = \"home\"; } show(name); }",
            ),
        ],
    );
}

#[test]
fn a_way_that_leaves_does_not_come_to_the_use() {
    row(
        "loans",
        &[
            (
                Kotlin,
                "fun f(on: Boolean) { var name = \"shelf\"\n if (on) { name = \"loans\" } else { return }\n show(name) }",
            ),
            (
                Java,
                "void f(boolean on) { String name = \"shelf\"; if (on) { name = \"loans\"; } else { return; } show(name); }",
            ),
            (
                Dart,
                "void f(bool on) { var name = 'shelf'; if (on) { name = 'loans'; } else { return; } show(name); }",
            ),
            (
                Script,
                "function f(on) { let name = \"shelf\"; if (on) { name = \"loans\"; } else { return; } show(name); }",
            ),
            (
                Typed,
                "function f(on: boolean) { let name = \"shelf\"; if (on) { name = \"loans\"; } else { return; } show(name); }",
            ),
            (
                Swift,
                "func f(on: Bool) { var name = \"shelf\"\n if on { name = \"loans\" } else { return }\n show(name) }",
            ),
            (
                Python,
                "def f(on):\n    name = \"shelf\"\n    if on:\n        name = \"loans\"\n    else:\n        return\n    show(name)\n",
            ),
            (
                CSharp,
                "void F(bool on) { var name = \"shelf\"; if (on) { name = \"loans\"; } else { return; } show(name); }",
            ),
        ],
    );
}

#[test]
fn a_loop_may_have_set_it_or_not() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f(all: List<Int>) { var name = \"shelf\"\n for (one in all) { name = \"loans\" }\n show(name) }",
            ),
            (
                Java,
                "void f(List<Integer> all) { String name = \"shelf\"; for (int one : all) { name = \"loans\"; } show(name); }",
            ),
            (
                Dart,
                "void f(List<int> all) { var name = 'shelf'; for (final one in all) { name = 'loans'; } show(name); }",
            ),
            (
                Script,
                "function f(all) { let name = \"shelf\"; for (const one of all) { name = \"loans\"; } show(name); }",
            ),
            (
                Typed,
                "function f(all: number[]) { let name = \"shelf\"; while (all.pop()) { name = \"loans\"; } show(name); }",
            ),
            (
                Swift,
                "func f(all: [Int]) { var name = \"shelf\"\n for one in all { name = \"loans\" }\n show(name) }",
            ),
            (
                Python,
                "def f(all):\n    name = \"shelf\"\n    for one in all:\n        name = \"loans\"\n    show(name)\n",
            ),
            (
                CSharp,
                "void F(List<int> all) { var name = \"shelf\"; foreach (var one in all) { name = \"loans\"; } show(name); }",
            ),
        ],
    );
}

#[test]
fn a_loop_comes_round_with_what_it_set() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f(all: List<Int>) { var name = \"shelf\"\n for (one in all) { show(name)\n name = \"loans\" } }",
            ),
            (
                Java,
                "void f(List<Integer> all) { String name = \"shelf\"; for (int one : all) { show(name); name = \"loans\"; } }",
            ),
            (
                Dart,
                "void f(List<int> all) { var name = 'shelf'; for (final one in all) { show(name); name = 'loans'; } }",
            ),
            (
                Script,
                "function f(all) { let name = \"shelf\"; for (const one of all) { show(name); name = \"loans\"; } }",
            ),
            (
                Typed,
                "function f(all: number[]) { let name = \"shelf\"; while (all.pop()) { show(name); name = \"loans\"; } }",
            ),
            (
                Swift,
                "func f(all: [Int]) { var name = \"shelf\"\n for one in all { show(name)\n name = \"loans\" } }",
            ),
            (
                Python,
                "def f(all):\n    name = \"shelf\"\n    for one in all:\n        show(name)\n        name = \"loans\"\n",
            ),
            (
                CSharp,
                "void F(List<int> all) { var name = \"shelf\"; foreach (var one in all) { show(name); name = \"loans\"; } }",
            ),
        ],
    );
}

#[test]
fn what_runs_later_may_see_all_of_them() {
    row(
        "loans | shelf",
        &[
            (Kotlin, "fun f() { var name = \"shelf\"\n later { show(name) }\n name = \"loans\" }"),
            (Dart, "void f() { var name = 'shelf'; later(() => show(name)); name = 'loans'; }"),
            (Script, "function f() { let name = \"shelf\"; later(() => show(name)); name = \"loans\"; }"),
            (Typed, "function f() { let name = \"shelf\"; later(() => { show(name); }); name = \"loans\"; }"),
            (Swift, "func f() { var name = \"shelf\"\n later { show(name) }\n name = \"loans\" }"),
            (CSharp, "void F() { var name = \"shelf\"; Later(() => show(name)); name = \"loans\"; }"),
        ],
    );
}

#[test]
fn what_is_added_to_stays_unknown() {
    row(
        "?",
        &[
            (
                Kotlin,
                "fun f(on: Boolean) { var name = \"shelf\"\n if (on) { name += \"/new\" }\n show(name) }",
            ),
            (
                Java,
                "void f(boolean on) { String name = \"shelf\"; if (on) { name += \"/new\"; } show(name); }",
            ),
            (Dart, "void f(bool on) { var name = 'shelf'; if (on) { name += '/new'; } show(name); }"),
            (Script, "function f(on) { let name = \"shelf\"; if (on) { name += \"/new\"; } show(name); }"),
            (
                Typed,
                "function f(on: boolean) { let name = \"shelf\"; if (on) name += \"/new\"; show(name); }",
            ),
            (Swift, "func f(on: Bool) { var name = \"shelf\"\n if on { name += \"/new\" }\n show(name) }"),
            (
                Python,
                "def f(on):\n    name = \"shelf\"\n    if on:\n        name += \"/new\"\n    show(name)\n",
            ),
            (CSharp, "void F(bool on) { var name = \"shelf\"; if (on) { name += \"/new\"; } show(name); }"),
        ],
    );
}

#[test]
fn a_way_that_sets_what_is_not_known_stays_so() {
    row(
        "? | shelf",
        &[
            (Kotlin, "fun f(on: Boolean) { var name = \"shelf\"\n if (on) { name = asked() }\n show(name) }"),
            (Java, "void f(boolean on) { String name = \"shelf\"; if (on) { name = asked(); } show(name); }"),
            (Dart, "void f(bool on) { var name = 'shelf'; if (on) { name = asked(); } show(name); }"),
            (Script, "function f(on) { let name = \"shelf\"; if (on) { name = asked(); } show(name); }"),
            (Typed, "function f(on: boolean) { let name = \"shelf\"; if (on) name = asked(); show(name); }"),
            (Swift, "func f(on: Bool) { var name = \"shelf\"\n if on { name = asked() }\n show(name) }"),
            (
                Python,
                "def f(on):\n    name = \"shelf\"\n    if on:\n        name = asked()\n    show(name)\n",
            ),
            (CSharp, "void F(bool on) { var name = \"shelf\"; if (on) { name = Asked(); } show(name); }"),
        ],
    );
}
