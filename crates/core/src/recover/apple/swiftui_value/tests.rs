//! SwiftUI as apps write it: values, flags, items and tags, old links and new.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn a_router_object_and_helpers_that_register() {
    let document = scanned(
        r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App {
    @StateObject private var router = Router()
    var body: some Scene {
        WindowGroup {
            if router.signedIn {
                NavigationStack(path: $router.path) { ShelfView().barnDestinations() }
                    .environmentObject(router)
            } else {
                SignInView()
            }
        }
    }
}
//- App/Router.swift
import SwiftUI
final class Router: ObservableObject {
    @Published var path = NavigationPath()
    @Published var signedIn = false
    func push(_ route: Route) { path.append(route) }
    func push<V: Hashable>(any value: V) { path.append(value) }
    func openLoan(_ loan: Loan) {
        path.append(Route.loan(loan, edits: false))
    }
    func pop(_ count: Int = 1) { path.removeLast(count) }
    func popTwo() { path.removeLast(2) }
    func reset() { path = NavigationPath() }
}
enum Route: Hashable {
    case item(id: Item.ID)
    case loan(Loan, edits: Bool)
    case member(Member)
    case rules
}
extension Route {
    static let help = Route.rules
}
//- App/Destinations.swift
import SwiftUI
struct BarnDestinations: ViewModifier {
    func body(content: Content) -> some View {
        content
            .navigationDestination(for: Route.self, destination: Screens.view(for:))
            .navigationDestination(for: String.self) { SearchView(text: $0) }
            .navigationDestination(for: Tool.self) { tool in ToolView(tool: tool) }
    }
}
enum Screens {
    @ViewBuilder static func view(for route: Route) -> some View {
        switch route {
        case .item(let id): ItemView(id: id)
        case let .loan(loan, edits): LoanView(loan: loan, edits: edits)
        case .member(let member) where member.isActive: MemberView(member: member)
        case .rules, .member: RulesView()
        }
    }
}
extension View {
    func barnDestinations() -> some View { modifier(BarnDestinations()) }
}
//- App/Views.swift
import SwiftUI
struct Loan: Hashable { let id: Int; let item: Item }
struct Item: Hashable, Identifiable { let id: Int }
struct Member: Hashable { let isActive: Bool }
struct Tool: Hashable { let name: String }
struct ShelfView: View {
    @EnvironmentObject private var router: Router
    let tools: [Tool]
    @State private var loans: [Loan] = []
    var body: some View {
        List {
            ForEach(tools, id: \.self) { tool in
                NavigationLink(tool.name, value: tool)
            }
            ForEach(loans, id: \.id) { loan in
                Button("Loan") { router.openLoan(loan) }
                Button("Item") { router.push(.item(id: loan.item.id)) }
            }
            RouteRow(title: "Rules", route: .help)
            Button("Find") { router.push(any: "spade") }
        }
    }
}
struct RouteRow: View {
    let title: String
    let route: Route
    var body: some View { NavigationLink(title, value: route) }
}
struct ItemView: View {
    let id: Item.ID
    @EnvironmentObject var router: Router
    var body: some View {
        Text("\(id)")
        Button("Back") { router.pop() }
        Button("All") { router.reset() }
        Button("Two") { router.popTwo() }
    }
}
struct LoanView: View { let loan: Loan; var edits = false; var body: some View { Text("\(loan.id) \(edits)") } }
struct MemberView: View { let member: Member; var body: some View { Text("\(member.isActive)") } }
struct RulesView: View { var body: some View { Text("Rules") } }
struct SearchView: View { let text: String; var body: some View { Text(text) } }
struct ToolView: View { let tool: Tool; var body: some View { Text(tool.name) } }
struct SignInView: View { var body: some View { Text("Sign in") } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfView [screen] -> ShelfView () BarnApp.swift:6
        *SignInView [screen] -> SignInView () BarnApp.swift:6
        String [screen] -> SearchView (value: String) Destinations.swift:6
        Tool [screen] -> ToolView (tool: Tool) Destinations.swift:7
        Route.item [screen] -> ItemView (id: Item.ID) Destinations.swift:13
        Route.loan [screen] -> LoanView (loan: Loan, edits: Bool) Destinations.swift:14
        Route.member [screen] -> MemberView (member: Member) Destinations.swift:15
        Route.rules [screen] -> RulesView () Destinations.swift:16"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfView open Route.loan typed (edits, loan) Router.swift:8
        ItemView back - () Router.swift:10
        ItemView back - () Router.swift:11
        ItemView back-to - () Router.swift:12
        ShelfView open Tool typed (tool) Views.swift:13
        ShelfView open Route.item typed (id) Views.swift:17
        ShelfView open Route.rules typed () Views.swift:19
        ShelfView open String typed (value) Views.swift:20"#]],
    );
}

#[test]
fn sheets_by_an_enum_and_flags_that_are_handed_down() {
    let document = scanned(
        r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App {
    var body: some Scene { WindowGroup { ShelfView() } }
}
//- App/ShelfView.swift
import SwiftUI
enum ActiveSheet: Identifiable {
    case add
    case edit(Item)
    var id: Int { hashValue }
}
struct Item: Identifiable, Hashable { let id: Int }
struct ShelfView: View {
    @State private var sheet: ActiveSheet?
    @State private var showsHelp = false
    @State private var showsAlert = false
    @State private var chosen: Item?
    @StateObject private var model = ShelfModel()
    var body: some View {
        NavigationStack {
            VStack {
                Button("Add") { sheet = .add }
                Button("Edit") { sheet = .edit(Item(id: 3)) }
                HelpButton(shown: $showsHelp)
                Button("Delete") { showsAlert = true }
                Button("Choose") { self.chosen = model.items.first }
                Button("Settings") { model.openSettings() }
            }
            .navigationDestination(isPresented: $showsHelp) { HelpView() }
            .alert("Delete?", isPresented: $showsAlert) { Button("Delete") { showsAlert = false } }
        }
        .sheet(item: $sheet) { sheet in
            switch sheet {
            case .add: AddView(onDone: { self.sheet = nil })
            case .edit(let item): EditView(item: item)
            }
        }
        .popover(item: $chosen, content: ItemPopover.init)
        .fullScreenCover(isPresented: $model.showsSettings, onDismiss: { model.reload() }) {
            NavigationView { SettingsView() }
        }
    }
}
struct HelpButton: View {
    @Binding var shown: Bool
    var body: some View { Button("Help") { shown.toggle() } }
}
final class ShelfModel: ObservableObject {
    @Published var showsSettings = false
    @Published var items: [Item] = []
    func openSettings() { showsSettings = true }
    func reload() {}
}
struct AddView: View {
    let onDone: () -> Void
    @Environment(\.dismiss) var dismiss
    var body: some View { Button("Done", action: onDone); Button("Cancel") { dismiss() } }
}
struct EditView: View { let item: Item; var body: some View { Text("\(item.id)") } }
struct ItemPopover: View { let item: Item; var body: some View { Text("\(item.id)") } }
struct HelpView: View { var body: some View { Text("?") } }
struct SettingsView: View {
    @Environment(\.presentationMode) private var mode
    var body: some View {
        NavigationLink(destination: HelpView()) { Text("Help") }
        Button("Close") { self.mode.wrappedValue.dismiss() }
    }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfView [screen] -> ShelfView () BarnApp.swift:4
        HelpView [screen] -> HelpView () ShelfView.swift:24
        ActiveSheet.add [sheet] -> AddView () ShelfView.swift:29
        ActiveSheet.edit [sheet] -> EditView (item: Item) ShelfView.swift:30
        ItemPopover [sheet] -> ItemPopover (item: Item) ShelfView.swift:33
        SettingsView [sheet] -> SettingsView () ShelfView.swift:34
        HelpView [screen] -> HelpView () ShelfView.swift:56"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfView present ActiveSheet.add typed () ShelfView.swift:17
        ShelfView present ActiveSheet.edit typed (item) ShelfView.swift:18
        ShelfView present ItemPopover typed (item) ShelfView.swift:21
        AddView back - () ShelfView.swift:29
        ShelfView open HelpView typed () ShelfView.swift:41
        ShelfView present SettingsView typed () ShelfView.swift:46
        AddView back - () ShelfView.swift:52
        SettingsView open HelpView typed () ShelfView.swift:60
        SettingsView back - () ShelfView.swift:61"#]],
    );
}

#[test]
fn tabs_by_number_by_case_and_without_any() {
    let document = scanned(
        r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App {
    var body: some Scene { WindowGroup { MainView() } }
}
enum Section: Hashable { case kit, rules }
struct MainView: View {
    @State private var selected = 0
    @State private var section: Section = .rules
    var body: some View {
        TabView(selection: $selected) {
            NavigationStack { ShelfView(selected: $selected) }
                .tabItem { Label("Shelf", systemImage: "house") }
                .tag(0)
            LoansView().tag(1)
            SectionsView(section: $section).tag(2)
        }
    }
}
struct ShelfView: View {
    @Binding var selected: Int
    var body: some View { Button("Loans") { selected = 1 }; Button("Nowhere") { selected = 7 } }
}
struct LoansView: View { var body: some View { TabView { Text("a").tag("a"); Image("b").tag("b") } } }
struct SectionsView: View {
    @Binding var section: Section
    var body: some View {
        TabView(selection: $section) {
            Tab("Kit", systemImage: "gear", value: .kit) { KitView() }
            Tab("Rules", systemImage: "book", value: Section.rules) { RulesView() }
        }
        .onAppear { section = .kit }
    }
}
struct KitView: View { var body: some View { Text("Kit") } }
struct RulesView: View { var body: some View { Text("Rules") } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *MainView [screen] -> MainView () BarnApp.swift:4
        *0 [tab] -> ShelfView () BarnApp.swift:14
        1 [tab] -> LoansView () BarnApp.swift:15
        2 [tab] -> SectionsView () BarnApp.swift:16
        Section.kit [tab] -> KitView () BarnApp.swift:29
        *Section.rules [tab] -> RulesView () BarnApp.swift:30"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfView tab 1 typed () BarnApp.swift:22
        ShelfView tab undeclared typed () BarnApp.swift:22
        SectionsView tab Section.kit typed () BarnApp.swift:32"#]],
    );
}

/// What every fixture of findings stands on: an app whose shelf is a stack with a root that registers.
const SHELF: &str = r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App { var body: some Scene { WindowGroup { MainView() } } }
struct MainView: View {
    @State private var path: [Item] = []
    @State private var opens = false
    var body: some View {
        NavigationStack(path: $path) {
            ShelfView(opens: $opens)
                .navigationDestination(for: Item.self) { item in ItemView(item: item) }
        }
        .sheet(isPresented: $opens) { NavigationStack { FormView() } }
    }
}
struct Item: Hashable { let id: Int; let note: String? }
struct Part: Hashable { let id: Int }
"#;

#[test]
fn what_a_stack_can_see() {
    use crate::rules::testing::judged;
    let views = |marks: &str| {
        format!(
            "{SHELF}//- App/Views.swift\nimport SwiftUI\nstruct PartView: View {{ let part: Part; var body: some View {{ Text(\"\\(part.id)\") }} }}\n{marks}"
        )
    };
    judged(
        "out-of-scope-route",
        &views(
            r#"
struct ShelfView: View {
    @Binding var opens: Bool
    var body: some View {
        NavigationLink("Item", value: Item(id: 1, note: nil))
        NavigationLink("Part", value: Part(id: 1))
        ^^^^^^^^^^^^^^ out-of-scope-route: it is registered on a view that is opened later
        Button("Form") { opens = true }
    }
}
struct ItemView: View {
    let item: Item
    var body: some View {
        NavigationLink("Part", value: Part(id: item.id))
        NavigationLink("Item", value: item)
            .navigationDestination(for: Part.self) { part in PartView(part: part) }
    }
}
struct FormView: View {
    var body: some View {
        NavigationLink("Item", value: Item(id: 2, note: nil))
        ^^^^^^^^^^^^^^ out-of-scope-route: it is registered in another stack
        ItemRow()
    }
}
struct ItemRow: View { var body: some View { Text("a row") } }
"#,
        ),
    );
    judged(
        "undeclared-route",
        &views(
            r#"
struct ShelfView: View {
    @Binding var opens: Bool
    let found: Item?
    @State private var other: [Part] = []
    var body: some View {
        NavigationLink("Found", value: found)
        NavigationLink("Part", value: Part(id: 1))
        ^^^^^^^^^^^^^^ undeclared-route: `Part`
        Button("Mine") { other.append(Part(id: 2)); other.removeLast(5) }
    }
}
struct ItemView: View { let item: Item; var body: some View { Text("\(item.id)") } }
struct FormView: View { var body: some View { Text("") } }
"#,
        ),
    );
    judged(
        "duplicate-route",
        &views(
            r#"
struct ShelfView: View { @Binding var opens: Bool; var body: some View { NavigationLink("Item", value: Item(id: 1, note: nil)) } }
struct ItemView: View {
    let item: Item
    var body: some View {
        Text("\(item.id)")
            .navigationDestination(for: Item.self) { item in PartView(part: Part(id: item.id)) }
             ^^^^^^^^^^^^^^^^^^^^^ duplicate-route: `Item`
    }
}
struct FormView: View {
    var body: some View {
        NavigationLink("Item", value: Item(id: 1, note: nil))
            .navigationDestination(for: Item.self) { item in PartView(part: Part(id: item.id)) }
    }
}
"#,
        ),
    );
}

#[test]
fn steps_back_and_titles() {
    use crate::rules::testing::judged;
    let app = r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App { @State private var path = NavigationPath()
    var body: some Scene { WindowGroup {
        NavigationStack(path: $path) { ShelfView(path: $path).navigationTitle("Shelf") }
            .navigationTitle("Barn")
             ^^^^^^^^^^^^^^^ wiring-slip: this title is set on the stack
    } }
}
struct ShelfView: View {
    @Binding var path: NavigationPath
    var body: some View {
        Button("Item") { path.append(1) }
        Text("").navigationDestination(for: Int.self) { id in ItemView(id: id, path: $path) }
    }
}
struct ItemView: View {
    let id: Int
    @Binding var path: NavigationPath
    var body: some View {
        Button("\(id)") { path.removeLast() }
        Button("Two") { path.removeLast(2) }
        Button("All") { path.removeLast(path.count) }
    }
}
"#;
    judged("wiring-slip", app);
    judged(
        "back-too-far",
        &app.replace("             ^^^^^^^^^^^^^^^ wiring-slip: this title is set on the stack\n", "")
            .replace(
                "        Button(\"All\")",
                "                             ^^^^^^^^^^ back-too-far: 2 steps back\n        Button(\"All\")",
            ),
    );
}
