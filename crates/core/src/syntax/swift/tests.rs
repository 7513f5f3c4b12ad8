//! What Swift's lens makes of each construct.

use crate::syntax::tests::sketched;

#[track_caller]
fn swift(text: &str, expected: &str) {
    let found = sketched("App/A.swift", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn types_of_every_kind() {
    swift(
        r#"
import SwiftUI
struct Shelf: View, Kept {
    @State private var open = false
    @Environment(Router.self) private var router
    @Environment(\.dismiss) private var dismiss
    var items: [Item] = [], note: String?
    weak var owner: Owner!
    let pick: (Item) -> Void
    static let kind = "shelf"
    var total: Int { items.count }
    var first: Item? { get { items.first } set { items = [newValue] } }
    var body: some View { Text("x"); Text("y") }
}
final class Desk: UIViewController {
    init(item: Item, _ note: String? = nil, of desk: Desk) { self.item = item; super.init() }
    class func make() -> Desk { Desk() }
}
protocol Kept: AnyObject { var name: String { get }; func keep(_ item: Item) }
"#,
        r#"
class Shelf(): View(), Kept() { val open = false; val router: Router; val dismiss; <val items: Array<Item> = []; val note: String?>; val owner: Owner; val pick: <Item>; val kind = "shelf"; val total: Int get items.count; val first: Item? get items.first; val body: View get { Text("x"); Text("y") } }
class Desk(): UIViewController() { fun <init>(item: Item, /note: String? = null, of/desk: Desk) = { this.item = item; super.init() }; fun make(): Desk = Desk() }
interface Kept(): AnyObject() { val name: String; fun keep(/item: Item) }
"#,
    );
}

#[test]
fn enums_with_what_their_cases_carry() {
    swift(
        r#"
enum Route: Hashable { case shelf, item(Item.ID); indirect case loan(id: Int, note: String? = nil) }
enum Tab: String { case shelf = "Shelf", loans }
"#,
        r#"
enum Route(): Hashable() { entry shelf():  {  }; entry item(: Item.ID):  {  }; entry loan(id: Int, note: String? = null):  {  } }
enum Tab(): String() { entry shelf(): ("Shelf") {  }; entry loans():  {  } }
"#,
    );
}

#[test]
fn extensions_add_to_a_type_and_previews_to_nothing() {
    swift(
        r#"
extension View where Self: Kept { func shelves() -> some View { self }
    static func none() {} }
extension Barn.Route: Kept { var name: String { "x" } }
#Preview { Shelf() }
struct Shelf_Previews: PreviewProvider { static var previews: some View { Shelf() } }
"#,
        r#"
extension View():  { fun View.shelves(): View = this; fun none() = {  } }
extension Barn.Route(): Kept() { val name: String get "x" }
<>
class Shelf_Previews(): PreviewProvider() {  }
"#,
    );
}

#[test]
fn calls_closures_and_members() {
    swift(
        r#"
func f() {
    Button("x \(name)") { [weak self] in self?.go() }.tint(.red)
    List(items, id: \.self) { item in Row(item) } footer: { Text("y") }
    items.map { $0.title }
    let page = try? await load(id) { a, b in a }
    path.wrappedValue = [.item(3), Route.shelf]
    send(#selector(Actions.open(_:)), from: self, type: Shelf.self)
    let kept = pages[pages.count - 2]!.title ?? "none"
    let box = Box<Item>(item: $item, count: counts["a"])
}
"#,
        r#"
fun f() = { Button("x ${name}", \ this.go()).tint(.red); List(items, id = path self, \item Row(item), footer = \ Text("y")); items.map(\ $0.title); val page = load(id, \a, b a); path.wrappedValue = [.item(3), Route.shelf]; send(Actions::open, from = this, type = classOf Shelf); val kept = ([!! pages[(pages.count - 2)]].title ?: "none"); val box = Box<Item>(item = [$ item], count = counts["a"]) }
"#,
    );
}

#[test]
fn choices_and_what_they_bind() {
    swift(
        r#"
func f() {
    switch route {
    case .shelf: Shelf()
    case .item(let id), .loan(id: let id, _): Item(id)
    case let .both(a, b) where a > b: Both(a)
    case Route.fixed(let x): Fixed(x)
    case Names.home: Home()
    case let page as Page: page.go()
    default: break
    }
    if let item, case .loan(let id, _) = route, id > 3 { open() } else if x { close() }
    guard let page = make() as? Page, page.ok else { return }
    for item in items { show(item) }
    while let next = queue.popFirst() { show(next) }
    let a = x ? 1 : 2
    total += 1
}
"#,
        r#"
fun f() = { choose route (?.shelf() -> Shelf() | ?.item(val id), ?.loan(id = val id, <>) -> Item(id) | ?.both(val a, val b), (a > b) -> Both(a) | ?Route.fixed(val x) -> Fixed(x) | Names.home -> Home() | (val page as? Page) -> page.go() |  -> <>); choose (val item = [let item], (?.loan(val id, <>) case route), (id > 3) -> open() |  -> choose (x -> close())); <val page = [let (make() as? Page?)]; page.ok; choose ( -> return )>; items.forEach(\item show(item)); <val next = [let queue.popFirst()]; show(next)>; val a = choose (x -> 1 |  -> 2); total += 1 }
"#,
    );
}

#[test]
fn what_the_grammar_stumbles_over_is_mended() {
    swift(
        "struct A: View {\n    var body: some View {\n        Section {\n            Text(\"x\")\n        }\n        footer: {\n            Text(\"y\")\n        }\n        #if os(iOS)\n        .sheet(item: $x) { B() }\n        #endif\n        .tint(.red)\n    }\n}",
        r#"class A(): View() { val body: View get Section(\ Text("x"), footer = \ Text("y")).sheet(item = [$ x], \ B()).tint(.red) }"#,
    );
}
