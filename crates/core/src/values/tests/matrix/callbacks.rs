//! Functions as values: handed on, held by a name or an object, handed back, named without being called.

use super::{CSharp, Dart, Java, Kotlin, Python, Script, Swift, Typed, row};

#[test]
fn a_lambda_that_a_local_holds() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun f() {\n val go = { name: String -> show(name) }\n go(\"shelf\")\n go.invoke(\"loans\")\n}",
            ),
            (
                Java,
                "void f() { Consumer<String> go = name -> show(name); go.accept(\"shelf\"); go.accept(\"loans\"); }",
            ),
            (
                Dart,
                "void f() {\n final go = (String name) => show(name);\n go('shelf');\n go.call('loans');\n}",
            ),
            (Script, "function f() { const go = (name) => show(name); go(\"shelf\"); go(\"loans\"); }"),
            (
                Typed,
                "const f = () => { const go = (name: string): void => show(name); go(\"shelf\"); go(\"loans\"); };",
            ),
            (
                Swift,
                "func f() {\n let go: (String) -> Void = { name in show(name) }\n go(\"shelf\")\n go(\"loans\")\n}",
            ),
            (Python, "def f():\n    go = lambda name: show(name)\n    go(\"shelf\")\n    go(\"loans\")\n"),
            (
                CSharp,
                "void F() { Action<string> go = name => show(name); go(\"shelf\"); go.Invoke(\"loans\"); }",
            ),
        ],
    );
}

#[test]
fn what_a_function_runs_a_callback_with() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "fun bar(onPick: (String) -> Unit) { onPick(\"shelf\"); onPick.invoke(\"loans\") }\nfun f() { bar(onPick = { show(it) }) }",
            ),
            (
                Java,
                "void bar(Consumer<String> onPick) { onPick.accept(\"shelf\"); onPick.accept(\"loans\"); }\nvoid f() { bar(name -> show(name)); }",
            ),
            (
                Dart,
                "void bar({required void Function(String) onPick}) { onPick('shelf'); onPick('loans'); }\nvoid f() => bar(onPick: (name) => show(name));",
            ),
            (
                Script,
                "const bar = ({ onPick }) => { onPick(\"shelf\"); onPick(\"loans\"); };\nconst f = () => bar({ onPick: (name) => show(name) });",
            ),
            (
                Typed,
                "function bar(onPick: (name: string) => void) { onPick(\"shelf\"); onPick(\"loans\"); }\nbar((name) => show(name));",
            ),
            (
                Swift,
                "func bar(onPick: (String) -> Void) { onPick(\"shelf\"); onPick(\"loans\") }\nfunc f() { bar { name in show(name) } }",
            ),
            (
                Python,
                "def bar(on_pick):\n    on_pick(\"shelf\")\n    on_pick(\"loans\")\n\nbar(lambda name: show(name))\n",
            ),
            (
                CSharp,
                "void Bar(Action<string> pick) { pick(\"shelf\"); pick.Invoke(\"loans\"); }\nvoid F() => Bar(name => show(name));",
            ),
        ],
    );
}

#[test]
fn what_a_loop_inside_runs_a_callback_with() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "val NAMES = listOf(\"shelf\", \"loans\")\nfun bar(onPick: (String) -> Unit) { NAMES.forEach { name -> Row { onPick(name) } } }\nfun f() { bar { picked -> show(picked) } }",
            ),
            (
                Dart,
                "const names = ['shelf', 'loans'];\nvoid bar(void Function(String) onPick) { for (final name in names) { onPick(name); } }\nvoid f() => bar((picked) => show(picked));",
            ),
            (
                Script,
                "const NAMES = [\"shelf\", \"loans\"];\nconst Bar = ({ onPick }) => NAMES.map((name) => <Row onPress={() => onPick(name)} />);\nconst F = () => <Bar onPick={(picked) => show(picked)} />;",
            ),
            (
                Swift,
                "let names = [\"shelf\", \"loans\"]\nfunc bar(onPick: (String) -> Void) { for name in names { onPick(name) } }\nfunc f() { bar { show($0) } }",
            ),
            (
                Python,
                "NAMES = [\"shelf\", \"loans\"]\n\ndef bar(pick):\n    for name in NAMES:\n        pick(name)\n\nbar(lambda picked: show(picked))\n",
            ),
            (
                CSharp,
                "static readonly string[] Names = { \"shelf\", \"loans\" };\nvoid Bar(Action<string> pick) { foreach (var name in Names) { pick(name); } }\nvoid F() => Bar(picked => show(picked));",
            ),
        ],
    );
}

#[test]
fn a_function_that_is_named_and_run_by_others() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "class Guide { fun go(name: String) { show(name) } }\nfun bar(onPick: (String) -> Unit) { onPick(\"shelf\"); onPick(\"loans\") }\nfun f(guide: Guide) { bar(guide::go) }",
            ),
            (
                Java,
                "void go(String name) { show(name); }\nvoid bar(Consumer<String> pick) { pick.accept(\"shelf\"); pick.accept(\"loans\"); }\nvoid f() { bar(this::go); }",
            ),
            (
                Dart,
                "void go(String name) => show(name);\nvoid bar(void Function(String) pick) { pick('shelf'); pick('loans'); }\nvoid f() => bar(go);",
            ),
            (
                Script,
                "const go = (name) => show(name);\nconst Bar = ({ onPick }) => { onPick(\"shelf\"); onPick(\"loans\"); };\nconst F = () => <Bar onPick={go} />;",
            ),
            (
                Typed,
                "function go(name: string) { show(name); }\nfunction bar(pick: (name: string) => void) { pick(\"shelf\"); pick(\"loans\"); }\nbar(go);",
            ),
            (
                Swift,
                "func go(_ name: String) { show(name) }\nfunc bar(_ pick: (String) -> Void) { pick(\"shelf\"); pick(\"loans\") }\nfunc f() { bar(go) }",
            ),
            (
                Python,
                "def go(name):\n    show(name)\n\ndef bar(pick):\n    pick(\"shelf\")\n    pick(\"loans\")\n\nbar(go)\n",
            ),
            (
                CSharp,
                "void Go(string name) => show(name);\nvoid Bar(Action<string> pick) { pick(\"shelf\"); pick(\"loans\"); }\nvoid F() => Bar(Go);",
            ),
        ],
    );
}

#[test]
fn functions_that_an_object_holds() {
    row(
        "loans | shelf",
        &[
            (
                Script,
                "const guide = { go: (name) => show(name), open(name) { show(name); } };\nguide.go(\"shelf\");\nguide.open(\"loans\");",
            ),
            (
                Typed,
                "function go(name: string) { show(name); }\nconst open = (name: string) => show(name);\nconst guide = { go, open };\nguide.go(\"shelf\");\nguide.open(\"loans\");",
            ),
        ],
    );
}

#[test]
fn functions_of_an_object_that_a_hook_hands_back() {
    row(
        "loans | shelf",
        &[
            (
                Script,
                "function useGuide() { const go = (name) => show(name); return { go }; }\nfunction F() { const { go } = useGuide(); go(\"shelf\"); useGuide().go(\"loans\"); }",
            ),
            (
                Typed,
                "const useGuide = () => ({ go: (name: string) => show(name) });\nfunction F() { const guide = useGuide(); guide.go(\"shelf\"); guide.go(\"loans\"); }",
            ),
        ],
    );
}

#[test]
fn a_constructor_that_takes_the_name() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "class Door(private val name: String) { fun open() { show(name) } }\nfun f() { Door(\"shelf\").open(); Door(name = \"loans\").open() }",
            ),
            (
                Java,
                "static class Door { private final String name; Door(String name) { this.name = name; } void open() { show(name); } }\nvoid f() { new Door(\"shelf\").open(); new Door(\"loans\").open(); }",
            ),
            (
                Dart,
                "class Door { const Door(this.name); final String name; void open() => show(name); }\nvoid f() { Door('shelf').open(); const Door('loans').open(); }",
            ),
            (
                Swift,
                "struct Door { let name: String\n func open() { show(name) } }\nfunc f() { Door(name: \"shelf\").open(); Door(name: \"loans\").open() }",
            ),
            (
                CSharp,
                "class Door { readonly string name; public Door(string name) { this.name = name; } public void Open() => show(name); }\nvoid F() { new Door(\"shelf\").Open(); new Door(\"loans\").Open(); }",
            ),
            (
                Python,
                "class Door:\n    def __init__(self, name):\n        self.name = name\n\n    def open(self):\n        show(self.name)\n\nDoor(\"shelf\").open()\nDoor(\"loans\").open()\n",
            ),
            (
                Typed,
                "class Door { constructor(private readonly name: string) {} open() { show(this.name); } }\nnew Door(\"shelf\").open();\nnew Door(\"loans\").open();",
            ),
        ],
    );
}

#[test]
fn a_field_that_classes_below_set_in_their_own_way() {
    row(
        "loans | shelf",
        &[
            (
                Kotlin,
                "abstract class Page { abstract val name: String\n fun open() { show(this.name) } }\nclass Shelf : Page() { override val name = \"shelf\" }\nclass Loans : Page() { override val name = \"loans\" }",
            ),
            (
                Dart,
                "abstract class Page { String get name; void open() => show(this.name); }\nclass Shelf extends Page { @override String get name => 'shelf'; }\nclass Loans extends Page { @override final name = 'loans'; }",
            ),
            (
                Swift,
                "class Page { var name: String { \"shelf\" }\n func open() { show(self.name) } }\nclass Loans: Page { override var name: String { \"loans\" } }",
            ),
            (
                Python,
                "class Page:\n    name = \"shelf\"\n\n    def open(self):\n        show(self.name)\n\nclass Loans(Page):\n    name = \"loans\"\n",
            ),
            (
                Typed,
                "class Page { name = \"shelf\"; open() { show(this.name); } }\nclass Loans extends Page { name = \"loans\"; }",
            ),
        ],
    );
}

/// Data that a callback is run with stays data.
#[test]
fn what_a_callback_is_run_with_may_not_be_known() {
    row(
        "?",
        &[
            (
                Kotlin,
                "fun bar(names: List<String>, onPick: (String) -> Unit) { names.forEach { onPick(it) } }\nfun f(names: List<String>) { bar(names) { show(it) } }",
            ),
            (
                Dart,
                "void bar(List<String> names, void Function(String) pick) { names.forEach(pick); }\nvoid f(List<String> names) => bar(names, (name) => show(name));",
            ),
            (
                Script,
                "const Bar = ({ names, onPick }) => names.map((name) => <Row onPress={() => onPick(name)} />);\nconst F = ({ names }) => <Bar names={names} onPick={(name) => show(name)} />;",
            ),
            (
                Swift,
                "func bar(_ names: [String], pick: (String) -> Void) { for name in names { pick(name) } }\nfunc f(names: [String]) { bar(names) { show($0) } }",
            ),
            (
                Python,
                "def bar(names, pick):\n    for name in names:\n        pick(name)\n\ndef f(names):\n    bar(names, lambda name: show(name))\n",
            ),
        ],
    );
}

#[test]
fn what_an_event_carries() {
    row(
        "shelf",
        &[
            (
                Kotlin,
                "sealed interface Event { object Done : Event\n data class Go(val to: String) : Event }\nclass Model { val events = MutableSharedFlow<Event>()\n fun open() { events.tryEmit(Event.Go(\"shelf\")) } }\nfun f(model: Model) { model.events.collect { e -> when (e) { is Event.Go -> show(e.to)\n else -> {} } } }",
            ),
            (
                Kotlin,
                "sealed class Event { class Go(val to: String) : Event() }\nfun send() = bus.post(Event.Go(\"shelf\"))\nfun onEvent(event: Event) { if (event is Event.Go) show(event.to) }",
            ),
            (
                Java,
                "static class Go { final String to; Go(String to) { this.to = to; } }\nvoid send() { bus.post(new Go(\"shelf\")); }\nvoid onEvent(Object event) { if (event instanceof Go) show(((Go) event).to); }",
            ),
            (
                Dart,
                "sealed class Event {}\nclass Go extends Event { Go(this.to); final String to; }\nvoid send() => bus.add(Go('shelf'));\nvoid f(Event event) { if (event is Go) { show(event.to); } }",
            ),
            (
                Dart,
                "sealed class Event {}\nclass Go extends Event { Go(this.to); final String to; }\nvoid send() => bus.add(Go('shelf'));\nvoid f(Event event) { switch (event) { case Go(): show(event.to); } }",
            ),
        ],
    );
}
