//! All languages lower to one tree: each construct as a sketch, the same whoever wrote it.

use super::{Arg, ClassKind, Id, Kind, Piece, Tree, TypeName, parse};
use crate::source::from_texts;

/// The items of a file, a line each.
pub(super) fn sketched(path: &str, text: &str) -> String {
    let sources = from_texts(vec![(path.to_owned(), text.to_owned())]);
    let parsed = parse(&sources.files[0], &sources);
    assert_eq!(parsed.problem, None, "the fixture is valid");
    let tree = parsed.body.code().expect("code");
    tree.items.iter().map(|&id| sketch(tree, id)).collect::<Vec<_>>().join("\n")
}

fn sketch(tree: &Tree, id: Id) -> String {
    let all = |ids: &[Id], by: &str| ids.iter().map(|&id| sketch(tree, id)).collect::<Vec<_>>().join(by);
    match tree.kind(id) {
        Kind::Class(class) => {
            let supers: Vec<String> = class
                .supers
                .iter()
                .map(|base| format!("{}({})", ty(&base.ty), args(tree, &base.args)))
                .collect();
            let kind = match class.kind {
                ClassKind::Class => "class",
                ClassKind::Interface => "interface",
                ClassKind::Object => "object",
                ClassKind::Companion => "companion",
                ClassKind::Enum => "enum",
                ClassKind::Entry => "entry",
                ClassKind::Anonymous => "anonymous",
                ClassKind::Extension => "extension",
            };
            format!(
                "{kind} {}({}): {} {{ {} }}",
                class.name,
                all(&class.params, ", "),
                supers.join(", "),
                all(&class.members, "; ")
            )
        }
        Kind::Function(function) => {
            let receiver = function.receiver.as_ref().map(|r| format!("{}.", ty(r))).unwrap_or_default();
            let result = function.result.as_ref().map(|r| format!(": {}", ty(r))).unwrap_or_default();
            let body = function.body.map(|body| format!(" = {}", sketch(tree, body))).unwrap_or_default();
            format!("fun {receiver}{}({}){result}{body}", function.name, all(&function.params, ", "))
        }
        Kind::Variable(variable) => {
            let declared = variable.ty.as_ref().map(|t| format!(": {}", ty(t))).unwrap_or_default();
            let init = variable.init.map(|init| format!(" = {}", sketch(tree, init))).unwrap_or_default();
            let of = variable.each.map(|each| format!(" of {}", sketch(tree, each))).unwrap_or_default();
            let by = variable.delegate.map(|by| format!(" by {}", sketch(tree, by))).unwrap_or_default();
            let get = variable.getter.map(|get| format!(" get {}", sketch(tree, get))).unwrap_or_default();
            format!("val {}{declared}{init}{of}{by}{get}", variable.name)
        }
        Kind::Parameter(parameter) => {
            let declared = parameter.ty.as_ref().map(|t| format!(": {}", ty(t))).unwrap_or_default();
            let default =
                parameter.default.map(|value| format!(" = {}", sketch(tree, value))).unwrap_or_default();
            let label = parameter.label.as_ref().map(|label| format!("{label}/")).unwrap_or_default();
            format!("{label}{}{declared}{default}", parameter.name)
        }
        Kind::Block(items) => format!("{{ {} }}", all(items, "; ")),
        Kind::Name(name) => name.to_string(),
        Kind::Member(member) => format!("{}.{}", sketch(tree, member.of), member.name),
        Kind::Call(call) => {
            let types: Vec<String> = call.types.iter().map(ty).collect();
            let types = if types.is_empty() { String::new() } else { format!("<{}>", types.join(", ")) };
            let body = call.body.map(|body| format!(" {}", sketch(tree, body))).unwrap_or_default();
            format!("{}{types}({}){body}", sketch(tree, call.callee), args(tree, &call.args))
        }
        Kind::Text(pieces) => {
            let inside = pieces.iter().map(|piece| match piece {
                Piece::Text(text) => text.to_string(),
                Piece::Hole(hole) => format!("${{{}}}", sketch(tree, *hole)),
            });
            format!("\"{}\"", inside.collect::<String>())
        }
        Kind::Number(text) => text.to_string(),
        Kind::Bool(yes) => yes.to_string(),
        Kind::Null => "null".to_owned(),
        Kind::Binary { op, left, right } => {
            format!("({} {op} {})", sketch(tree, *left), sketch(tree, *right))
        }
        Kind::Unary { op, of } => format!("[{op} {}]", sketch(tree, *of)),
        Kind::Branch { subject, arms } => {
            let subject = subject.map(|s| format!(" {}", sketch(tree, s))).unwrap_or_default();
            let arms: Vec<String> = arms
                .iter()
                .map(|arm| format!("{} -> {}", all(&arm.tests, ", "), sketch(tree, arm.body)))
                .collect();
            format!("choose{subject} ({})", arms.join(" | "))
        }
        Kind::Lambda { params, body } => format!("\\{} {}", all(params, ", "), sketch(tree, *body)),
        Kind::Assign { target, op, value } => {
            format!("{} {op} {}", sketch(tree, *target), sketch(tree, *value))
        }
        Kind::Cast { of, ty: to, safe } => {
            format!("({} as{} {})", sketch(tree, *of), if *safe { "?" } else { "" }, ty(to))
        }
        Kind::List(items) => format!("[{}]", args(tree, items)),
        Kind::Map(entries) => {
            let entries: Vec<String> = entries
                .iter()
                .map(|entry| {
                    let key = entry.key.map_or("*".to_owned(), |key| format!("{}: ", sketch(tree, key)));
                    format!("{key}{}", sketch(tree, entry.value))
                })
                .collect();
            format!("{{{}}}", entries.join(", "))
        }
        Kind::Index { of, args } => format!("{}[{}]", sketch(tree, *of), all(args, ", ")),
        Kind::This => "this".to_owned(),
        Kind::Super => "super".to_owned(),
        Kind::ClassOf(of) => format!("classOf {}", ty(of)),
        Kind::Reference { of, name } => {
            format!("{}::{name}", of.map(|of| sketch(tree, of)).unwrap_or_default())
        }
        Kind::Return(value) => {
            format!("return {}", value.map(|value| sketch(tree, value)).unwrap_or_default())
        }
        Kind::Case { of, name, args: bound, .. } => {
            let of = of.map(|of| sketch(tree, of)).unwrap_or_default();
            format!("?{of}.{name}({})", args(tree, bound))
        }
        Kind::Implied => String::new(),
        Kind::KeyPath(names) => format!("path {}", names.join(".")),
        Kind::Other(inside) => format!("<{}>", all(inside, "; ")),
    }
}

fn args(tree: &Tree, list: &[Arg]) -> String {
    let each = list.iter().map(|arg| {
        let name = arg.name.as_ref().map(|name| format!("{name} = ")).unwrap_or_default();
        format!("{name}{}{}", if arg.spread { "*" } else { "" }, sketch(tree, arg.value))
    });
    each.collect::<Vec<_>>().join(", ")
}

fn ty(name: &TypeName) -> String {
    let inside: Vec<String> = name.args.iter().map(ty).collect();
    let args = if inside.is_empty() { String::new() } else { format!("<{}>", inside.join(", ")) };
    format!("{}{args}{}", name.name, if name.nullable { "?" } else { "" })
}

#[track_caller]
fn kotlin(text: &str, expected: &str) {
    assert_eq!(sketched("A.kt", text), expected);
}

#[track_caller]
fn java(text: &str, expected: &str) {
    assert_eq!(sketched("A.java", text), expected);
}

#[test]
fn kotlin_classes_of_every_kind() {
    kotlin(
        "class A(val a: Int = 1, b: List<B?>?) : Base<B>(a), I, J by b {\n  private val c by lazy { a }\n  val d get() = c\n  init { f() }\n  constructor(x: Int) : this(x, null) { f() }\n  companion object { const val K = \"k\" }\n}",
        "class A(a: Int = 1, b: List<B?>?): Base<B>(a), I(), J() { val c by lazy(\\ { a }); val d get c; { f() }; fun <init>(x: Int) = { f() }; companion Companion():  { val K = \"k\" } }",
    );
    kotlin(
        "enum class E(val p: Int) { ONE(1), TWO(2) { override fun f() = 3 }; fun g() = 4 }",
        "enum E(p: Int):  { entry ONE(): (1) {  }; entry TWO(): (2) { fun f() = 3 }; fun g() = 4 }",
    );
    kotlin(
        "sealed interface S { data object A : S\n object B : S }",
        "interface S():  { object A(): S() {  }; object B(): S() {  } }",
    );
    kotlin(
        "val x = object : A(1), B { override fun f() {} }",
        "val x = anonymous (): A(1), B() { fun f() = {  } }",
    );
}

#[test]
fn kotlin_declarations_that_read_like_expressions() {
    kotlin("@A data object X\n\n@A\ndata object Y", "object X():  {  }\nobject Y():  {  }");
    kotlin("@A\nprivate fun f() { g() }", "fun f() = { g() }");
    kotlin("@A @B internal suspend fun f() { g()\n h() }", "fun f() = { g(); h() }");
    kotlin("@A private fun f(x: Int) { g() }", "fun f(x: Int) = { g() }");
    kotlin("val x = a to b", "val x = (a to b)");
}

#[test]
fn kotlin_calls_with_names_spreads_and_trailing_lambdas() {
    kotlin(
        "val x = a?.b!!.c(1, d = 2, *e) { f, _ -> g(f) }",
        "val x = [!! a.b].c(1, d = 2, *e, \\f, _ { g(f) })",
    );
    kotlin(
        "val x = f<A, B>(::g, this::h, A::class.java, B::class)",
        "val x = f<A, B>(::g, this::h, classOf A, classOf B)",
    );
    kotlin("val x = a.let { it + 1 } ?: b", "val x = (a.let(\\ { (it + 1) }) ?: b)");
    kotlin("val x = !a.b.c(1)", "val x = [! a.b.c(1)]");
    kotlin("fun f() { a!!.get<Int>(\"k\") }", "fun f() = { [!! a].get<Int>(\"k\") }");
    kotlin("fun f() { open(1); data(2) }", "fun f() = { open(1); data(2) }");
    kotlin("val x = a[1, b] to c", "val x = (a[1, b] to c)");
}

#[test]
fn kotlin_choices_strings_and_types() {
    kotlin(
        "fun f() = if (a) b else if (c) d else e",
        "fun f() = choose (a -> b |  -> choose (c -> d |  -> e))",
    );
    kotlin(
        "fun f() = when (val x = a.b) { 1, 2 -> c\n is D -> e\n else -> { g } }",
        "fun f() = choose <val x; a.b> (1, 2 -> c | classOf D -> e |  -> { g })",
    );
    kotlin("val s = \"a${b.c}/$d?e=\\n\\$f\"", "val s = \"a${b.c}/${d}?e=\n$f\"");
    kotlin("val s = \"\"\"raw $x\"\"\"", "val s = \"raw ${x}\"");
    kotlin(
        "fun f(c: @Composable () -> Unit = {}, vararg n: A.B<*>): C? = c as? D",
        "fun f(c:  = \\ {  }, n: A.B<>): C? = (c as? D)",
    );
    kotlin("fun A.f() { this.b = c; d += 1; return }", "fun A.f() = { this.b = c; d += 1; return  }");
    kotlin(
        "fun f() { for ((a, b) in c) { d(a) } }",
        "fun f() = { <val <held 15> of c; val a = <held 15>[0]; val b = <held 15>[1]; { d(a) }> }",
    );
}

#[test]
fn java_classes_and_members() {
    java(
        "package p; public final class A<T> extends Base<T> implements I, J { private static final String K = \"k\", L = K + \"/l\"; A(@Nullable String a, int... b) { super(a); this.c = a; } static <X> B f() throws E { return null; } }",
        "class A(): Base<T>(), I(), J() { <val K: String = \"k\"; val L: String = (K + \"/l\")>; fun <init>(a: String?, b: int) = { super(a); this.c = a }; fun f(): B = { return null } }",
    );
    java(
        "enum E { ONE(1), TWO { void f() {} }; int g() { return 2; } }",
        "enum E():  { entry ONE(): (1) {  }; entry TWO(): () { fun f(): void = {  } }; fun g(): int = { return 2 } }",
    );
    java("record R(String id) implements I { }", "class R(id: String): I() {  }");
    java(
        "interface I { void f(); default int g() { return 1; } }",
        "interface I():  { fun f(): void; fun g(): int = { return 1 } }",
    );
}

#[test]
fn java_expressions_and_statements() {
    let body = |text: &str| format!("class A {{ void f() {{ {text} }} }}");
    let inside = |text: &str| format!("class A():  {{ fun f(): void = {{ {text} }} }}");
    for (code, sketch) in [
        ("a.b().<C>d(1, X.class, this::go, A::new);", "a.b().d<C>(1, classOf X, this::go, A::new)"),
        ("new B.C<D>(1) { void g() {} };", "B.C<D>(1) anonymous (): B.C<D>() { fun g(): void = {  } }"),
        ("v.on(x -> x.go(), (y, z) -> { h(); });", "v.on(\\x x.go(), \\y, z { h() })"),
        ("String s = a ? \"b\\n\" : c;", "val s: String = choose (a -> \"b\n\" |  -> c)"),
        ("if (a != null) b(); else { c(); }", "choose ((a != null) -> b() |  -> { c() })"),
        (
            "switch (a) { case R.id.b: c(); break; default: d(); }",
            "choose a (R.id.b -> { c(); <> } |  -> d())",
        ),
        (
            "int z = switch (q) { case A, B -> 1; default -> { yield 2; } };",
            "val z: int = choose q (A, B -> 1 |  -> { return 2 })",
        ),
        ("((B) a).c[0] = 1;", "(a as B).c[0] = 1"),
        ("for (B b : list) b.c();", "<val b: B of list; b.c()>"),
        ("A.this.g(); super.h();", "this.g(); super.h()"),
        ("var x = \"\"\"\n  t\"\"\";", "val x = \"\n  t\""),
    ] {
        java(&body(code), &inside(sketch));
    }
}

#[test]
fn packages_and_imports_by_every_form() {
    let imports = |path: &str, text: &str| -> Vec<String> {
        let sources = from_texts(vec![(path.to_owned(), text.to_owned())]);
        let parsed = parse(&sources.files[0], &sources);
        let tree = parsed.body.code().expect("code");
        let named =
            tree.imports.iter().map(|i| format!("{} as {}", i.path, i.name.as_deref().unwrap_or("*")));
        std::iter::once(tree.package.to_string()).chain(named).collect()
    };
    assert_eq!(
        imports("A.kt", "@file:JvmName(\"X\")\npackage a.b\nimport c.D\nimport c.E as F\nimport c.g.*\n"),
        ["a.b", "c.D as D", "c.E as F", "c.g as *"]
    );
    assert_eq!(
        imports("A.java", "package a.b; import c.D; import static c.E.F; import c.g.*;"),
        ["a.b", "c.D as D", "c.E.F as F", "c.g as *"]
    );
}

#[test]
fn what_is_broken_costs_no_more_than_itself() {
    let kept = |path: &str, text: &str| -> Vec<String> {
        let sources = from_texts(vec![(path.to_owned(), text.to_owned())]);
        let parsed = parse(&sources.files[0], &sources);
        assert!(parsed.problem.is_some(), "the fixture is broken");
        let tree = parsed.body.code().expect("code");
        let mut names: Vec<String> = tree
            .ids()
            .filter_map(|id| match tree.kind(id) {
                Kind::Class(class) => Some(class.name.to_string()),
                Kind::Function(function) => Some(format!("{}()", function.name)),
                _ => None,
            })
            .collect();
        names.sort();
        names
    };
    assert_eq!(
        kept("A.kt", "class A : B() {\n fun f() { g() }\n fun broken( { val = ; )\n}\n"),
        ["A", "f()"]
    );
    assert_eq!(kept("A.java", "class A { void f() { g(); } void broken( { } \n"), ["A", "f()"]);
}

#[test]
fn code_may_end_in_the_middle_of_a_word() {
    for path in ["A.kt", "A.java", "a.dart", "a.tsx", "A.swift", "a.py", "A.cs"] {
        for text in
            ["class A\n@Composable", "val x = 1\n@", "class A {}\n@Route(", "x = 'a", "f(\"", "{", "a."]
        {
            let sources = from_texts(vec![(path.to_owned(), text.to_owned())]);
            assert!(parse(&sources.files[0], &sources).body.code().is_some(), "{path}: {text}");
        }
    }
}
