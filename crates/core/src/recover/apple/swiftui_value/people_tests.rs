//! SwiftUI as people write it: tables of names, helpers that take bindings and closures, answers to links.

use crate::recover::testing::{calls, lists, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

const APP: &str = r#"
//- Barn/BarnApp.swift
import SwiftUI
@main struct BarnApp: App { var body: some Scene { WindowGroup { HelpView() } } }
"#;

#[test]
fn a_stack_that_chooses_by_name() {
    let table = |table: &str| {
        scanned(&format!(
            r#"{APP}//- Barn/Help.swift
import SwiftUI
enum Pages {{
    static let terms = "terms"
    static let guides = "guide-"
    static func guide(_ of: String) -> String {{ guides + of }}
}}
struct HelpView: View {{
    @State private var path: [String] = []
    var body: some View {{
        NavigationStack(path: $path) {{
            List {{
                NavigationLink("Terms", value: Pages.terms)
                NavigationLink("Saws", value: Pages.guide("saws"))
                Button("Fees") {{ path.append("fees") }}
                Button("Hours") {{ path.append("hours") }}
            }}
            .navigationDestination(for: String.self) {{ page in
{table}
            }}
        }}
    }}
}}
struct TermsView: View {{ var body: some View {{ Text("terms") }} }}
struct FeesView: View {{ var body: some View {{ Text("fees") }} }}
struct GuideView: View {{ let name: String; var body: some View {{ Text(name) }} }}
struct LostView: View {{ var body: some View {{ Text("lost") }} }}
"#
        ))
    };
    let switched = table(
        "switch page {
                case Pages.terms: TermsView()
                case let guide where guide.hasPrefix(Pages.guides): GuideView(name: guide)
                case \"fees\": FeesView()
                default: LostView()
                }",
    );
    let compared = table(
        "if page == Pages.terms { TermsView() }
                else if page.hasPrefix(Pages.guides) { GuideView(name: page) }
                else if page == \"fees\" { FeesView() }
                else { LostView() }",
    );
    for (document, held) in [(&switched, "guide"), (&compared, "rest")] {
        let listed = routes(document);
        for name in
            ["terms [screen] -> TermsView", "fees [screen] -> FeesView", "default [fallback] -> LostView"]
        {
            assert!(listed.contains(name), "{name} is not in\n{listed}");
        }
        assert!(listed.contains(&format!("guide-{{{held}}} [screen] -> GuideView")), "{listed}");
        let led = calls(document);
        for call in ["open terms constant", "open fees literal", "open undeclared literal"] {
            assert!(led.contains(call), "{call} is not in\n{led}");
        }
        assert!(led.contains(&format!("open guide-{{{held}}} computed")), "{led}");
    }
    let found: Vec<String> = switched.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(
        &found.join("\n"),
        expect![[r#"
            hard-coded-route the route `fees` is written in place
            undeclared-route no route or action is called `hours`"#]],
    );
}

#[test]
fn a_name_that_a_wider_row_takes() {
    judged(
        "shadowed-route",
        &format!(
            r#"{APP}//- Barn/Help.swift
import SwiftUI
struct HelpView: View {{
    var body: some View {{
        NavigationStack {{
            NavigationLink("Saws", value: "guide-saws")
                .navigationDestination(for: String.self) {{ page in
                    switch page {{
                    case let guide where guide.hasPrefix("guide-"): GuideView()
                    case "guide-saws": SawView()
                         ^^^^^^^^^^^^ shadowed-route: `guide-saws`
                    default: GuideView()
                    }}
                }}
        }}
    }}
}}
struct GuideView: View {{ var body: some View {{ Text("guide") }} }}
struct SawView: View {{ var body: some View {{ Text("saws") }} }}
"#
        ),
    );
}

#[test]
fn helpers_that_take_a_binding_or_a_closure() {
    let document = scanned(&format!(
        r#"{APP}//- Barn/Help.swift
import SwiftUI
extension View {{
    func card(isPresented: Binding<Bool>, id: Int) -> some View {{
        sheet(isPresented: isPresented) {{ CardView(id: id) }}
    }}
}}
struct Row<Destination: View>: View {{
    let title: String
    @ViewBuilder let destination: () -> Destination
    var body: some View {{ NavigationLink(destination: destination()) {{ Text(title) }} }}
}}
struct HelpView: View {{
    @State private var showsCard = false
    var body: some View {{
        NavigationStack {{
            Row(title: "Fees") {{ FeesView() }}
            Button("Card") {{ showsCard = true }}
                .card(isPresented: $showsCard, id: 7)
        }}
    }}
}}
struct CardView: View {{ let id: Int; var body: some View {{ Text("\(id)") }} }}
struct FeesView: View {{ var body: some View {{ Text("fees") }} }}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *HelpView [screen] -> HelpView () BarnApp.swift:2
        CardView [sheet] -> CardView () Help.swift:4
        FeesView [screen] -> FeesView () Help.swift:23"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        HelpView open FeesView typed () Help.swift:16
        HelpView present CardView typed () Help.swift:17"#]],
    );
    assert!(document.findings.is_empty(), "{:#?}", document.findings);
}

#[test]
fn links_that_code_answers_by_their_hosts() {
    let app = |answers: &str, marks: &str| {
        format!(
            r#"
//- Barn/Info.plist
<plist><dict><key>CFBundleURLSchemes</key><array><string>barn</string></array></dict></plist>
//- Barn/BarnApp.swift
import SwiftUI
@main struct BarnApp: App {{
    @State private var sheet: Sheet?
    var body: some Scene {{
        WindowGroup {{
            HelpView()
                .onOpenURL {{ url in
                    guard let host = url.host() else {{ return }}
                    switch host {{
{answers}
                    default: break
                    }}
                }}
                .sheet(item: $sheet) {{ sheet in
                    switch sheet {{
                    case .news: NewsView()
                    case .settings: SettingsView()
                    }}
                }}
        }}
    }}
}}
enum Sheet: String, Identifiable {{ case news, settings; var id: String {{ rawValue }} }}
struct HelpView: View {{
    @Environment(\.openURL) private var openURL
    var body: some View {{
        Button("News") {{ openURL(URL(string: "barn://news")!) }}
        Button("Alerts") {{ openURL(URL(string: "barn://settings/alerts")!) }}
{marks}
    }}
}}
struct NewsView: View {{ var body: some View {{ Text("news") }} }}
struct SettingsView: View {{ var body: some View {{ Text("settings") }} }}
"#
        )
    };
    let news = "                    case \"news\": sheet = .news";
    let both = format!("{news}\n                    case \"settings\": sheet = .settings");
    judged("undeclared-route", &app(&both, ""));
    judged(
        "undeclared-route",
        &app(
            news,
            "                           ^^^^^^^ undeclared-route: no route has the address `barn://settings/alerts`",
        ),
    );
}

#[test]
fn pages_that_are_chosen_by_tag_and_pages_that_are_only_swiped() {
    let pages = |selection: &str| {
        scanned(&format!(
            r#"{APP}//- Barn/Help.swift
import SwiftUI
struct HelpView: View {{
    @State private var page = "before"
    var body: some View {{
        TabView{selection} {{
            BeforeView().tag("before")
            AfterView().tag("after")
        }}
        .tabViewStyle(.page)
        .toolbar {{ Button("After") {{ page = "after" }} }}
    }}
}}
struct BeforeView: View {{ var body: some View {{ Text("before") }} }}
struct AfterView: View {{ var body: some View {{ Text("after") }} }}
"#
        ))
    };
    let chosen = pages("(selection: $page)");
    assert_eq!(chosen.routes.iter().filter(|route| route.kind.as_str() == "tab").count(), 2);
    assert!(calls(&chosen).contains("tab after literal"), "{}", calls(&chosen));
    assert!(pages("").routes.iter().all(|route| route.kind.as_str() != "tab"));
}

#[test]
fn a_link_in_a_sheet_that_opens_no_stack() {
    let app = |sheet: &str, mark: &str| {
        format!(
            r#"{APP}//- Barn/Help.swift
import SwiftUI
enum Step: Hashable {{ case fees, hours }}
struct HelpView: View {{
    @State private var picks = false
    var body: some View {{
        NavigationStack {{
            Button("Pick") {{ picks = true }}
                .navigationDestination(for: Step.self) {{ step in
                    switch step {{
                    case .fees: FeesView()
                    case .hours: FeesView()
                    }}
                }}
        }}
        .sheet(isPresented: $picks) {{ {sheet} }}
    }}
}}
struct PickView: View {{
    var body: some View {{
        NavigationLink("Fees", value: Step.fees)
{mark}
    }}
}}
struct FeesView: View {{ var body: some View {{ NavigationLink("Hours", value: next()) }}
    func next() -> Step {{ .hours }}
}}
"#
        )
    };
    let mark = "        ^^^^^^^^^^^^^^ out-of-scope-route: `Step.fees` cannot be used here: what is presented stands outside";
    judged("out-of-scope-route", &app("PickView()", mark));
    judged(
        "out-of-scope-route",
        &app(
            "NavigationStack { PickView() }",
            "        ^^^^^^^^^^^^^^ out-of-scope-route: it is registered in another stack",
        ),
    );
    judged("orphan-screen", &app("PickView()", ""));
}
