//! `swiftui-view-link` as apps write it.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn links_of_the_older_kind() {
    let document = scanned(
        r#"
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App { var body: some Scene { WindowGroup { NavigationView { ShelfView() } } } }
struct ShelfView: View {
    @State private var opens = false
    @State private var chosen: String?
    let items: [Item]
    var body: some View {
        List {
            NavigationLink("Loans", destination: LoansView(member: "m1"))
            NavigationLink("Rules") { RulesView() }
            NavigationLink { detail(items[0]) } label: { Text("First") }
            NavigationLink(destination: items.isEmpty ? AnyView(EmptyShelf()) : AnyView(FullShelf()), isActive: $opens) { EmptyView() }
            NavigationLink(tag: "kit", selection: $chosen) { KitView() } label: { Text("Kit") }
            Button("Open") { opens = true }
            Button("Kit") { chosen = "kit" }
            Button("None") { chosen = nil }
            LinkRow(title: "Help", destination: HelpView())
            NavigationLink(destination: Text("Nothing of ours")) { Text("x") }
        }
    }
    private func detail(_ item: Item) -> some View { ItemView(item: item, opened: .now).padding() }
}
struct LinkRow<Destination: View>: View {
    let title: String
    let destination: Destination
    var body: some View { NavigationLink(destination: destination) { Text(title) } }
}
struct Item { let id: Int }
struct ItemView: View { let item: Item; let opened: Date; var body: some View { Text("\(item.id)") } }
struct LoansView: View { let member: String; @State var open = true; var body: some View { Text(member) } }
struct RulesView: View { var body: some View { Text("") } }
struct EmptyShelf: View { var body: some View { Text("") } }
struct FullShelf: View { var body: some View { Text("") } }
struct KitView: View { var body: some View { Text("") } }
struct HelpView: View { var body: some View { Text("") } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *ShelfView [screen] -> ShelfView () BarnApp.swift:3
        ItemView [screen] -> ItemView (item: Item, opened: Date) BarnApp.swift:30
        LoansView [screen] -> LoansView (member: String) BarnApp.swift:31
        RulesView [screen] -> RulesView () BarnApp.swift:32
        EmptyShelf [screen] -> EmptyShelf () BarnApp.swift:33
        FullShelf [screen] -> FullShelf () BarnApp.swift:34
        KitView [screen] -> KitView () BarnApp.swift:35
        HelpView [screen] -> HelpView () BarnApp.swift:36"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfView open LoansView typed (member) BarnApp.swift:10
        ShelfView open RulesView typed () BarnApp.swift:11
        ShelfView open ItemView typed (item, opened) BarnApp.swift:12
        ShelfView open EmptyShelf|FullShelf computed () BarnApp.swift:13
        ShelfView open KitView typed () BarnApp.swift:14
        ShelfView open EmptyShelf|FullShelf typed () BarnApp.swift:15
        ShelfView open KitView typed () BarnApp.swift:16
        ShelfView back - () BarnApp.swift:17
        ShelfView open HelpView typed () BarnApp.swift:18"#]],
    );
}
