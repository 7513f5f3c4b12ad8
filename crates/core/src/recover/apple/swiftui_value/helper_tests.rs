//! Routers whose methods present and push, lists that keep a selection, views that pass on what they are made with.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn helpers_present_what_their_callers_say_and_push_what_their_type_says() {
    let document = scanned(
        r#"
//- BarnApp.swift
import SwiftUI
@main struct BarnApp: App { @State private var router = Router()
    var body: some Scene { WindowGroup { RootView().environment(router) } } }
enum BarnSheet: Identifiable { case settings(pane: String), notes
    var id: String { "" } }
struct Tool: Hashable { let id: Int }
@Observable final class Router {
    var path = NavigationPath()
    var sheet: BarnSheet?
    func present(_ sheet: BarnSheet) { self.sheet = sheet }
    func show(_ tool: Tool) { path.append(tool) }
    func unused(_ sheet: BarnSheet) { self.sheet = sheet }
}
struct RootView: View {
    @Environment(Router.self) private var router
    var body: some View {
        @Bindable var router = router
        NavigationStack(path: $router.path) {
            ShelfView().navigationDestination(for: Tool.self) { tool in ToolView(tool: tool) }
        }
        .sheet(item: $router.sheet) { sheet in
            switch sheet {
            case .settings(let pane): SettingsView(pane: pane)
            case .notes: NotesView()
            }
        }
    }
}
struct ShelfView: View {
    @Environment(Router.self) private var router
    @State private var chosen: Int?
    var body: some View {
        Button("Settings") { router.present(.settings(pane: "units")) }
        Button("Notes") { router.present(.notes) }
        Button("Tool") { router.show(Tool(id: 3)) }
        List(selection: $chosen) { NavigationLink("Row", value: 4) }
    }
}
struct ToolView: View { let tool: Tool
    var body: some View { Text("\(tool.id)") } }
struct SettingsView: View { let pane: String
    var body: some View { Text(pane) } }
struct NotesView: View { var body: some View { Text("") } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *RootView [screen] -> RootView () BarnApp.swift:3
        Tool [screen] -> ToolView (tool: Tool) BarnApp.swift:19
        BarnSheet.settings [sheet] -> SettingsView (pane: String) BarnApp.swift:23
        BarnSheet.notes [sheet] -> NotesView () BarnApp.swift:24"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
            ShelfView open Tool typed (tool) BarnApp.swift:11
            - present dynamic dynamic () BarnApp.swift:12
            ShelfView present BarnSheet.settings typed (pane) BarnApp.swift:33
            ShelfView present BarnSheet.notes typed () BarnApp.swift:34"#]],
    );
    assert!(
        document.findings.iter().all(|finding| finding.rule != "undeclared-route"),
        "{:#?}",
        document.findings
    );
}
