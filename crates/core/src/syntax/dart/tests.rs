//! What Dart's lens makes of each construct.

use crate::source::from_texts;
use crate::syntax::tests::sketched;
use crate::syntax::{Body, parse};

#[track_caller]
fn dart(text: &str, expected: &str) {
    let found = sketched("lib/a.dart", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn classes_with_their_constructors_and_fields() {
    dart(
        r"
class Item extends Base<Loan> with Kept implements Shown {
  const Item({super.key, required this.id, int count = 1, this.note = 'x'}) : total = count, super(tag: 'item');
  Item.empty() : this(id: '0');
  factory Item.of(String id) => Item(id: id);
  final String id;
  final int total;
  static const kind = 'item', other = 'x';
  late final String? note;
  String get path => '/item/$id';
  set path(String p) {}
  static Route<void> route() { return make(); }
}
mixin Kept on State<Page> { }
enum Tab { shelf('/shelf'), loans('/loans'); const Tab(this.path); final String path; }
",
        r#"
class Item(key, id: String, count: int = 1, note: String? = "x"): Base<Loan>(key = key, tag = "item"), Kept(), Shown() { fun <init>(): Item; fun empty(): Item = Item(id = "0"); fun of(id: String): Item = Item(id = id); val id: String; val total: int = count; <val kind = "item"; val other = "x">; val note: String?; val path: String get "/item/${id}"; fun path=(p: String) = {  }; fun route(): Route<void> = { return make() } }
class Kept(): State<Page>() {  }
enum Tab(path: String):  { entry shelf(): ("/shelf") {  }; entry loans(): ("/loans") {  }; fun <init>(): Tab; val path: String }
"#,
    );
}

#[test]
fn functions_extensions_and_top_level_names() {
    dart(
        r"
GoRouter router(Store store, {bool log = false}) async => GoRouter();
extension Nav on BuildContext { void open(String id) => go('/$id'); String get at => ''; static const home = '/'; }
final List<String> names = ['a'];
void main() { void inner() {} inner(); }
typedef Make = Widget Function();
",
        r#"
fun router(store: Store, log: bool = false): GoRouter = GoRouter()
<fun BuildContext.open(id: String): void = go("/${id}"); val at: String get ""; object Nav():  { val home = "/" }>
val names: List<String> = ["a"]
fun main(): void = { fun inner(): void = {  }; inner() }
<>
"#,
    );
}

#[test]
fn calls_cascades_and_null_aware_chains() {
    dart(
        r"
final a = Navigator.of(context)!.pushNamed<int>('/x', arguments: {'id': 1, ...more});
final b = const Page(key: k);
final c = state?.uri.queryParameters['q'] ?? 'none';
final d = router..pop()..location = '/x'..push('/y');
final e = new nav.Names.of(1);
final f = args!['id']! as String?;
final g = await open(() async { go(); }, (x) => x);
final h = Page.new;
final i = r'a$b' 'c\t' '''d''';
",
        r#"
val a = [!! Navigator.of(context)].pushNamed<int>("/x", arguments = {"id": 1, *more})
val b = Page(key = k)
val c = (state.uri.queryParameters["q"] ?: "none")
val d = router...(\<subject> { <subject>.pop(); <subject>.location = "/x"; <subject>.push("/y") })
val e = nav.Names.of(1)
val f = ([!! [!! args]["id"]] as String?)
val g = [await open(\ { go() }, \x x)]
val h = ::Page
val i = "a$bc	d"
"#,
    );
}

#[test]
fn collections_with_conditions_and_loops() {
    dart(
        r"
final a = [x, ...y, if (c) z else w, for (final t in ts) Tab(t)];
final b = {'a': 1, if (c) 'b': 2};
final c = <String>{};
final d = {1, 2};
final e = (1, name: 2);
",
        r#"
val a = [x, *y, choose (c -> z |  -> w), *ts....for(\t Tab(t))]
val b = {"a": 1, "b": 2}
val c = {}
val d = [1, 2]
val e = [1, name = 2]
"#,
    );
}

#[test]
fn choices_and_patterns() {
    dart(
        r"
Object f(RouteSettings s) {
  switch (s.name) {
    case Names.a: case '/b': return A();
    case nav.Names.c when ok: final x = 1; return C(x);
    default: return D();
  }
}
final g = switch (x) { '/a' => A(), Loan(:final id) => B(id), _ => C() };
void h() {
  if (x case Item(:final id)) { go(id); } else if (y is! Page) return;
  final GoRouterState(:pathParameters, extra: e) = state;
  for (final i in items) { use(i); }
  var (p, q) = pair;
}
",
        r#"
fun f(s: RouteSettings): Object = { choose s.name (Names.a, "/b" -> { return A() } | nav.Names.c, ok -> { val x = 1; return C(x) } |  -> { return D() }) }
val g = choose x ("/a" -> A() | <classOf Loan; val id> -> B(id) |  -> C())
fun h(): void = { choose (<x; <classOf Item; val id>> -> { go(id) } |  -> choose ((y is! classOf Page) -> return )); <state; val pathParameters = state.pathParameters; val e = state.extra>; <val i of items; { use(i) }>; <pair; val p = pair[0]; val q = pair[1]> }
"#,
    );
}

#[test]
fn imports_exports_and_parts_name_libraries() {
    let files = [
        ("pubspec.yaml", "name: barn"),
        (
            "lib/shelf/page.dart",
            "library barn.page;\nimport '../names.dart' as nav show Names, Other;\nimport \"package:barn/nav.dart\" hide open;\nexport 'tile.dart' show Tile;\npart 'page.g.dart';",
        ),
        ("lib/shelf/page.g.dart", "part of 'page.dart';"),
        ("lib/shelf/old.g.dart", "part of barn.old;"),
    ];
    let sources = from_texts(files.map(|(path, text)| (path.to_owned(), text.to_owned())).to_vec());
    let tree = |path: &str| {
        let file = sources.files.iter().find(|file| file.path == path).expect("there");
        match parse(file, &sources).body {
            Body::Code(tree) => tree,
            Body::Markup(_) => panic!("code"),
        }
    };
    let page = tree("lib/shelf/page.dart");
    let imports: Vec<String> = page
        .imports
        .iter()
        .map(|i| format!("{} {:?} {:?} -{:?} {}", i.path, i.prefix.as_deref(), i.only, i.except, i.exported))
        .collect();
    assert_eq!(
        imports,
        [
            r#"lib/names Some("nav") ["Names", "Other"] -[] false"#,
            r#"lib/nav None [] -["open"] false"#,
            r#"lib/shelf/tile None ["Tile"] -[] true"#,
        ]
    );
    assert_eq!((page.package.as_str(), page.is_part), ("lib/shelf/page", false));
    assert_eq!(tree("lib/shelf/page.g.dart").package, "lib/shelf/page");
    assert_eq!(tree("lib/shelf/old.g.dart").package, "lib/shelf/old");
}
