//! Functions as people write them: of any number, of any type, one inside of another, awaited.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn all_that_a_function_is_given() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun all(vararg names: String) { for (name in names) show(name) }\nfun f() { all(\"shelf\", \"loans\") }",
            ),
            (
                Kotlin,
                "fun all(vararg names: String) { names.forEach { show(it) } }\nfun f() { all(\"shelf\", \"loans\") }",
            ),
            (
                Java,
                "void all(String... names) { for (String name : names) show(name); }\nvoid f() { all(\"shelf\", \"loans\"); }",
            ),
            (Script, "function all(...names) { names.forEach(name => show(name)); }\nall('shelf', 'loans');"),
            (
                Typed,
                "const all = (...names: string[]) => { for (const name of names) show(name); };\nall('shelf', 'loans');",
            ),
            (Python, "def all(*names):\n    for name in names:\n        show(name)\nall('shelf', 'loans')\n"),
            (
                Swift,
                "func all(_ names: String...) { for name in names { show(name) } }\nfunc f() { all(\"shelf\", \"loans\") }",
            ),
            (
                CSharp,
                "void All(params string[] names) { foreach (var name in names) show(name); }\nvoid F() { All(\"shelf\", \"loans\"); }",
            ),
        ],
    );
}

#[test]
fn all_that_is_handed_on() {
    row(
        "shelf",
        &[
            (
                Script,
                "function go(name, id) { show(name); }\nconst all = (...args) => go(...args);\nall('shelf', 3);",
            ),
            (
                Script,
                "function go(id, name) { show(name); }\nfunction all(...args) { go(3, ...args); }\nall('shelf');",
            ),
            (Python, "def go(name, id):\n    show(name)\ndef all(*args):\n    go(*args)\nall('shelf', 3)\n"),
        ],
    );
}

#[test]
fn one_of_any_type_handed_back() {
    row(
        "shelf",
        &[
            (Kotlin, "fun <T> same(it: T): T = it\nfun f() { show(same(\"shelf\")) }"),
            (Java, "<T> T same(T it) { return it; }\nvoid f() { show(same(\"shelf\")); }"),
            (Dart, "T same<T>(T it) => it;\nvoid f() { show(same<String>('shelf')); }"),
            (Script, "const same = it => it;\nshow(same('shelf'));"),
            (Typed, "const same = <T,>(it: T): T => it;\nshow(same('shelf'));"),
            (Swift, "func same<T>(_ it: T) -> T { it }\nfunc f() { show(same(\"shelf\")) }"),
            (Python, "def same(it):\n    return it\nshow(same('shelf'))\n"),
            (CSharp, "T Same<T>(T it) => it;\nvoid F() { show(Same(\"shelf\")); }"),
        ],
    );
}

#[test]
fn a_function_that_makes_a_function() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "fun opens(name: String): () -> Unit = { show(name) }\nfun f() { val open = opens(\"shelf\")\n open() }",
            ),
            (Dart, "Function opens(String name) => () => show(name);\nvoid f() { opens('shelf')(); }"),
            (
                Dart,
                "VoidCallback opens(String name) { return () { show(name); }; }\nvoid f() { Button(onTap: opens('shelf')); }",
            ),
            (Script, "const opens = name => () => show(name);\nButton({ onPress: opens('shelf') });"),
            (Script, "function opens(name) { return function () { show(name); }; }\nopens('shelf')();"),
            (
                Typed,
                "const opens = (name: string) => (): void => { show(name); };\nconst open = opens('shelf');\nopen();",
            ),
            (
                Swift,
                "func opens(_ name: String) -> () -> Void { { show(name) } }\nfunc f() { opens(\"shelf\")() }",
            ),
            (
                Python,
                "def opens(name):\n    def inner():\n        show(name)\n    return inner\nopens('shelf')()\n",
            ),
            (Python, "def opens(name):\n    return lambda *args: show(name)\nbind(opens('shelf'))\n"),
            (CSharp, "Action Opens(string name) => () => show(name);\nvoid F() { Opens(\"shelf\")(); }"),
        ],
    );
}

#[test]
fn arguments_fixed_beforehand() {
    row(
        "shelf",
        &[
            (
                Script,
                "function open(name, event) { show(name); }\nButton({ onPress: open.bind(null, 'shelf') });",
            ),
            (
                Python,
                "from functools import partial\ndef open(name, *args):\n    show(name)\nbind(partial(open, 'shelf'))\n",
            ),
        ],
    );
}

#[test]
fn what_is_awaited() {
    row(
        "shelf",
        &[
            (Script, "async function name() { return 'shelf'; }\nasync function f() { show(await name()); }"),
            (Script, "const name = async () => 'shelf';\nname().then(it => show(it));"),
            (Script, "Promise.resolve('shelf').then(it => show(it));"),
            (Dart, "Future<String> name() async => 'shelf';\nvoid f() async { show(await name()); }"),
            (
                Dart,
                "Future<String> name() async { return 'shelf'; }\nvoid f() { name().then((it) => show(it)); }",
            ),
            (Kotlin, "suspend fun name(): String = \"shelf\"\nsuspend fun f() { show(name()) }"),
            (
                Kotlin,
                "suspend fun name(): String = withContext(Dispatchers.IO) { \"shelf\" }\nsuspend fun f() { show(name()) }",
            ),
            (Swift, "func name() async -> String { \"shelf\" }\nfunc f() async { show(await name()) }"),
            (
                CSharp,
                "async Task<string> Name() { return \"shelf\"; }\nasync Task F() { show(await Name()); }",
            ),
            (Python, "async def name():\n    return 'shelf'\nasync def f():\n    show(await name())\n"),
        ],
    );
}

#[test]
fn functions_run_on_the_spot() {
    row(
        "shelf",
        &[
            (Kotlin, "fun f() { show(run { val name = \"shelf\"\n name }) }"),
            (Kotlin, "fun f() { \"shelf\".also { show(it) } }"),
            (Kotlin, "fun f() { show(\"shelf\".takeIf { it.isNotEmpty() } ?: \"shelf\") }"),
            (Script, "show((() => { const name = 'shelf'; return name; })());"),
            (Script, "(function (name) { show(name); })('shelf');"),
            (Dart, "void f() { show((() => 'shelf')()); }"),
            (Swift, "let name: String = { \"shelf\" }()\nfunc f() { show(name) }"),
            (Python, "show((lambda: 'shelf')())\n"),
        ],
    );
}

#[test]
fn a_method_of_a_made_object_or_a_shared_one() {
    row(
        "shelf",
        &[
            (Kotlin, "object Nav { fun open(name: String) { show(name) } }\nfun f() { Nav.open(\"shelf\") }"),
            (
                Kotlin,
                "class Nav { companion object { fun open(name: String) = show(name) } }\nfun f() { Nav.open(\"shelf\") }",
            ),
            (
                Java,
                "static class Nav { private static final Nav ONE = new Nav(); static Nav get() { return ONE; } void open(String name) { show(name); } }\nvoid f() { Nav.get().open(\"shelf\"); }",
            ),
            (
                Dart,
                "class Nav { Nav._(); static final Nav instance = Nav._(); factory Nav() => instance; void open(String name) => show(name); }\nvoid f() { Nav().open('shelf'); Nav.instance.open('shelf'); }",
            ),
            (
                Script,
                "class Nav { static shared = new Nav(); open(name) { show(name); } }\nNav.shared.open('shelf');",
            ),
            (
                Typed,
                "class Nav { private static one?: Nav; static get(): Nav { return (this.one ??= new Nav()); } open(name: string) { show(name); } }\nNav.get().open('shelf');",
            ),
            (
                Swift,
                "final class Nav { static let shared = Nav()\n func open(_ name: String) { show(name) } }\nfunc f() { Nav.shared.open(\"shelf\") }",
            ),
            (
                Python,
                "class Nav:\n    @staticmethod\n    def open(name):\n        show(name)\nNav.open('shelf')\n",
            ),
            (
                CSharp,
                "class Nav { public static Nav Instance { get; } = new Nav(); public void Open(string name) => show(name); }\nvoid F() { Nav.Instance.Open(\"shelf\"); }",
            ),
        ],
    );
}

#[test]
fn an_object_that_hands_itself_over() {
    row(
        "shelf",
        &[
            (
                Dart,
                "class Tab { final String name = 'shelf'; void open() => go(this); }\nvoid go(Tab tab) => show(tab.name);",
            ),
            (
                Kotlin,
                "class Tab { val name = \"shelf\"\n fun open() = go(this) }\nfun go(tab: Tab) { show(tab.name) }",
            ),
            (
                Java,
                "class Tab { final String name = \"shelf\"; void open() { go(this); } }\nvoid go(Tab tab) { show(tab.name); }",
            ),
            (
                Swift,
                "class Tab { let name = \"shelf\"\n func open() { go(self) } }\nfunc go(_ tab: Tab) { show(tab.name) }",
            ),
            (
                CSharp,
                "class Tab { public string Name = \"shelf\"; void Open() { Go(this); } }\nstatic void Go(Tab tab) { show(tab.Name); }",
            ),
            (
                Script,
                "class Tab { name = 'shelf'; open() { go(this); } }\nfunction go(tab) { show(tab.name); }",
            ),
            (
                Python,
                "class Tab:\n    name = 'shelf'\n    def open(self):\n        go(self)\ndef go(tab):\n    show(tab.name)\n",
            ),
        ],
    );
}
