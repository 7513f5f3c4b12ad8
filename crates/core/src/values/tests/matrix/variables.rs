//! Names that stand for one value: locals, constants, fields, properties.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_local() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { val name = \"shelf\"\n show(name) }"),
            (Java, "void f() { final var name = \"shelf\"; show(name); }"),
            (Dart, "void f() { final name = 'shelf'; show(name); }"),
            (Script, "function f() { const name = \"shelf\"; show(name); }"),
            (Typed, "const f = () => { const name: string = \"shelf\"; show(name); };"),
            (Swift, "func f() { let name = \"shelf\"\n show(name) }"),
            (Python, "def f():\n    name = \"shelf\"\n    show(name)\n"),
            (CSharp, "void F() { var name = \"shelf\"; show(name); }"),
        ],
    );
}

#[test]
fn a_name_for_a_name_for_a_constant() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "const val SHELF = \"shelf\"\nval first = SHELF\nfun f() { val name = first\n show(name) }",
            ),
            (
                Java,
                "static final String SHELF = \"shelf\";\nfinal String first = SHELF;\nvoid f() { String name = first; show(name); }",
            ),
            (
                Dart,
                "const shelf = 'shelf';\nfinal first = shelf;\nvoid f() { var name = first; show(name); }",
            ),
            (
                Script,
                "const SHELF = \"shelf\";\nconst first = SHELF;\nconst f = () => { let name = first; show(name); };",
            ),
            (
                Typed,
                "const SHELF = \"shelf\";\nconst first: string = SHELF;\nfunction f() { const name = first; show(name); }",
            ),
            (Swift, "let shelf = \"shelf\"\nlet first = shelf\nfunc f() { let name = first\n show(name) }"),
            (Python, "SHELF = \"shelf\"\nFIRST = SHELF\ndef f():\n    name = FIRST\n    show(name)\n"),
            (
                CSharp,
                "const string Shelf = \"shelf\";\nreadonly string first = Shelf;\nvoid F() { string name = first; show(name); }",
            ),
        ],
    );
}

#[test]
fn a_field_of_the_object_itself() {
    row(
        "shelf",
        &[
            (Kotlin, "class Screen { private val name = \"shelf\"\n fun f() { show(this.name) } }"),
            (Java, "class Screen { private final String name = \"shelf\"; void f() { show(this.name); } }"),
            (Dart, "class Screen { final name = 'shelf'; void f() { show(this.name); } }"),
            (Script, "class Screen { name = \"shelf\"; f() { show(this.name); } }"),
            (Typed, "class Screen { private readonly name = \"shelf\"; f = () => show(this.name); }"),
            (Swift, "class Screen { private let name = \"shelf\"\n func f() { show(self.name) } }"),
            (Python, "class Screen:\n    name = \"shelf\"\n\n    def f(self):\n        show(self.name)\n"),
            (CSharp, "class Screen { readonly string name = \"shelf\"; void F() { show(this.name); } }"),
        ],
    );
}

#[test]
fn a_field_that_the_constructor_sets() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "class Screen { val name: String\n init { name = \"shelf\" }\n fun f() { show(name) } }",
            ),
            (
                Java,
                "class Screen { final String name; Screen() { this.name = \"shelf\"; } void f() { show(name); } }",
            ),
            (Dart, "class Screen { final String name; Screen() : name = 'shelf'; void f() { show(name); } }"),
            (
                Typed,
                "class Screen { name: string; constructor() { this.name = \"shelf\"; } f() { show(this.name); } }",
            ),
            (
                Swift,
                "class Screen { let name: String\n init() { name = \"shelf\" }\n func f() { show(name) } }",
            ),
            (
                Python,
                "class Screen:\n    def __init__(self):\n        self.name = \"shelf\"\n\n    def f(self):\n        show(self.name)\n",
            ),
            (
                CSharp,
                "class Screen { readonly string name; Screen() { name = \"shelf\"; } void F() { show(name); } }",
            ),
        ],
    );
}

#[test]
fn a_property_that_is_worked_out() {
    row(
        "shelf/new",
        &[
            (
                Kotlin,
                "class Names { val base = \"shelf\"\n val add get() = \"$base/new\"\n fun f() { show(add) } }",
            ),
            (
                Java,
                "class Names { String base = \"shelf\"; String getAdd() { return base + \"/new\"; } void f() { show(getAdd()); } }",
            ),
            (
                Dart,
                "class Names { final base = 'shelf'; String get add => '$base/new'; void f() { show(add); } }",
            ),
            (
                Script,
                "class Names { base = \"shelf\"; get add() { return `${this.base}/new`; } f() { show(this.add); } }",
            ),
            (
                Typed,
                "class Names { base = \"shelf\"; get add(): string { return this.base + \"/new\"; } f() { show(this.add); } }",
            ),
            (
                Swift,
                "class Names { let base = \"shelf\"\n var add: String { \"\\(base)/new\" }\n func f() { show(add) } }",
            ),
            (
                Python,
                "class Names:\n    base = \"shelf\"\n\n    @property\n    def add(self):\n        return f\"{self.base}/new\"\n\n    def f(self):\n        show(self.add)\n",
            ),
            (
                CSharp,
                "class Names { string Base = \"shelf\"; string Add => $\"{Base}/new\"; void F() { show(Add); } }",
            ),
        ],
    );
}

#[test]
fn a_constant_that_a_class_holds() {
    row(
        "shelf",
        &[
            (Kotlin, "object Names { const val SHELF = \"shelf\" }\nfun f() { show(Names.SHELF) }"),
            (
                Java,
                "static class Names { static final String SHELF = \"shelf\"; }\nvoid f() { show(Names.SHELF); }",
            ),
            (Dart, "class Names { static const shelf = 'shelf'; }\nvoid f() { show(Names.shelf); }"),
            (Script, "class Names { static SHELF = \"shelf\"; }\nconst f = () => show(Names.SHELF);"),
            (Script, "class Screen { constructor() { this.name = \"shelf\"; } f() { show(this.name); } }"),
            (Typed, "class Names { static readonly SHELF = \"shelf\"; }\nconst f = () => show(Names.SHELF);"),
            (Swift, "enum Names { static let shelf = \"shelf\" }\nfunc f() { show(Names.shelf) }"),
            (Python, "class Names:\n    SHELF = \"shelf\"\n\ndef f():\n    show(Names.SHELF)\n"),
            (
                CSharp,
                "static class Names { public const string Shelf = \"shelf\"; }\nvoid F() { show(Names.Shelf); }",
            ),
        ],
    );
}

#[test]
fn a_constant_that_a_class_in_a_class_holds() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "object Names { object Tabs { const val SHELF = \"shelf\" } }\nfun f() { show(Names.Tabs.SHELF) }",
            ),
            (
                Java,
                "interface Names { interface Tabs { String SHELF = \"shelf\"; } }\nvoid f() { show(Names.Tabs.SHELF); }",
            ),
            (
                Script,
                "const NAMES = { tabs: { shelf: \"shelf\" } };\nconst f = () => show(NAMES.tabs.shelf);",
            ),
            (
                Typed,
                "const NAMES = { tabs: { shelf: \"shelf\" } } as const;\nconst f = () => show(NAMES.tabs.shelf);",
            ),
            (
                Swift,
                "enum Names { enum Tabs { static let shelf = \"shelf\" } }\nfunc f() { show(Names.Tabs.shelf) }",
            ),
            (
                Python,
                "class Names:\n    class Tabs:\n        SHELF = \"shelf\"\n\ndef f():\n    show(Names.Tabs.SHELF)\n",
            ),
            (
                CSharp,
                "static class Names { public static class Tabs { public const string Shelf = \"shelf\"; } }\nvoid F() { show(Names.Tabs.Shelf); }",
            ),
        ],
    );
}

#[test]
fn a_value_that_is_made_late() {
    row(
        "shelf",
        &[
            (Kotlin, "val name by lazy { \"shelf\" }\nfun f() { show(name) }"),
            (Dart, "late final name = 'shelf';\nvoid f() { show(name); }"),
            (Swift, "class Screen { lazy var name = \"shelf\"\n func f() { show(name) } }"),
        ],
    );
}

#[test]
fn the_nearest_of_two_of_a_name() {
    row(
        "shelf",
        &[
            (Kotlin, "val name = \"loans\"\nfun f() { val name = \"shelf\"\n show(name) }"),
            (Java, "String name = \"loans\";\nvoid f() { String name = \"shelf\"; show(name); }"),
            (Dart, "const name = 'loans';\nvoid f() { const name = 'shelf'; show(name); }"),
            (Script, "const name = \"loans\";\nfunction f() { const name = \"shelf\"; show(name); }"),
            (Typed, "const name = \"loans\";\nif (on) { const name = \"shelf\"; show(name); }"),
            (Swift, "let name = \"loans\"\nfunc f() { let name = \"shelf\"\n show(name) }"),
            (Python, "NAME = \"loans\"\ndef f():\n    NAME = \"shelf\"\n    show(NAME)\n"),
            (CSharp, "string name = \"loans\";\nvoid F() { string name = \"shelf\"; show(name); }"),
        ],
    );
}

#[test]
fn a_field_that_is_set_from_several_places_stays_unknown() {
    row(
        "?",
        &[
            (Kotlin, "class S { var name = \"a\"\n fun g() { name = asked() }\n fun f() { show(name) } }"),
            (Java, "class S { String name = \"a\"; void g() { name = asked(); } void f() { show(name); } }"),
            (Dart, "class S { var name = 'a'; void g() { name = asked(); } void f() { show(name); } }"),
            (Script, "class S { name = \"a\"; g() { this.name = asked(); } f() { show(this.name); } }"),
            (Swift, "class S { var name = \"a\"\n func g() { name = asked() }\n func f() { show(name) } }"),
            (
                Python,
                "class S:\n    name = \"a\"\n\n    def g(self):\n        self.name = asked()\n\n    def f(self):\n        show(self.name)\n",
            ),
            (
                CSharp,
                "class S { string name = \"a\"; void G() { name = Asked(); } void F() { show(name); } }",
            ),
        ],
    );
}
