//! What Python's lens makes of each construct.

use crate::syntax::tests::sketched;

#[track_caller]
fn python(text: &str, expected: &str) {
    let found = sketched("barn/a.py", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn classes_with_what_their_methods_set() {
    python(
        r#"
@register("shelf")
class Shelf(Kept, Screen, metaclass=Meta):
    name = StringProperty(names.SHELF)
    count: int = 3
    def __init__(self, tool, *rest, size: int = 2, **more):
        super().__init__(**more)
        self.tool = tool
        self.count = size
        self.kept, other = [], 1
    @property
    def full(self): return self.count > 3
    @staticmethod
    def make(kind): return Shelf(kind)
"#,
        r#"
class Shelf(): Kept(), Screen() { val name = StringProperty(names.SHELF); val count: int = 3; fun <init>(tool, rest, size: int = 2, more) = { super.<init>(*more); this.tool = tool; this.count = size; <this.kept = []; val other = 1> }; val full get { return (this.count > 3) }; fun make(kind) = { return Shelf(kind) }; val tool }
"#
        .replace("super.<init>", "super.__init__")
        .as_str(),
    );
}

#[test]
fn statements_and_what_they_bind() {
    python(
        r#"
def go(a, b=None):
    x = y = a
    x = 2
    for name, made in ((A, One), (B, Two)):
        add(made(name=name))
    for item in items: item.show()
    with open(a) as file: file.read()
    if a and not b: return 1
    elif b is None: x += 1
    else: pass
    setattr(manager, "current", "shelf")
    z = a if b else c
"#,
        r#"
fun go(a, b = null) = { <val y = a; val x = y>; x = 2; [[A, One], [B, Two]].forEach(\<item> { val name = <item>[0]; val made = <item>[1]; add(made(name = name)) }); items.forEach(\item { item.show() }); <val file = open(a); { file.read() }>; choose ((a && [! b]) -> { return 1 } | (b == null) -> { x += 1 } |  -> { <> }); manager.current = "shelf"; val z = choose (b -> a |  -> c) }
"#,
    );
}

#[test]
fn texts_lists_and_calls() {
    python(
        r#"
text = f"a {b!r} c {d.e:.1f}" "\tz"
kept = {"a": 1, **more}
first = rows[0](1, *rest, key=lambda *args: go("x"))
"#,
        r#"
val text = "a ${b} c ${d.e}	z"
val kept = {"a": 1, *more}
val first = rows[0](1, *rest, key = \args go("x"))
"#,
    );
}
