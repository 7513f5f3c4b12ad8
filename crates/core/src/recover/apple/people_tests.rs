//! Apple as people write it: routers with bindings, tabs of each case, tuples of rows, coordinators and
//! factories of controllers.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn a_router_sheets_and_tabs_of_each_case() {
    let document = scanned(
        r#"
//- Package.swift
// swift-tools-version: 5.9
import PackageDescription
let package = Package(name: "Barn", platforms: [.iOS(.v17)], targets: [.executableTarget(name: "Barn", path: "App")])
//- App/BarnApp.swift
import SwiftUI
@main
struct BarnApp: App {
    @StateObject private var router = Router()
    @AppStorage("onboarded") var onboarded = false
    var body: some Scene {
        WindowGroup {
            if onboarded { RootTabs().environmentObject(router) } else { OnboardingView() }
        }
        #if os(macOS)
        Settings { SettingsView() }
        #endif
    }
}
//- App/Items.swift
import SwiftUI
struct ItemsView: View {
    @EnvironmentObject private var router: Router
    @Environment(\.openURL) var openURL
    @State private var showHelp = false
    @State private var picked: Item?
    let items: [Item] = []
    var body: some View {
        List(items) { item in
            Button(item.name) { router.push(.item(id: item.id)) }
                .swipeActions { Button("Report") { router.present(.report(item.id)) } }
                .contextMenu { NavigationLink("Loan", value: Route.loan(Loan(item: item))) }
        }
        .toolbar {
            ToolbarItem { Button { router.sheet = .filter } label: { Image(systemName: "line") } }
            ToolbarItem { Button("Scan") { router.fullScreen.toggle() } }
            ToolbarItem { Button("?") { showHelp = true } }
        }
        .sheet(isPresented: $showHelp, onDismiss: { picked = nil }, content: HelpView.init)
        .popover(item: $picked) { ItemPeek(item: $0) }
        .navigationTitle("Items")
    }
}
struct ItemView: View {
    let id: Int
    @EnvironmentObject var router: Router
    @Environment(\.dismiss) private var dismiss
    var body: some View {
        VStack {
            NavigationLink(value: Route.ticket(number: "\(id)")) { Text("Ticket") }
            Row(title: "Settings", destination: SettingsView())
            Row2(title: "About") { AboutView() }
            Button("Back") { dismiss() }
            Button("Home", action: router.popToRoot)
        }
    }
}
struct Row<Destination: View>: View {
    let title: String
    let destination: Destination
    var body: some View { NavigationLink(destination: destination) { Text(title) } }
}
struct Row2<Content: View>: View {
    let title: String
    @ViewBuilder var content: () -> Content
    var body: some View { NavigationLink { content() } label: { Text(title) } }
}
struct LoansView: View {
    @StateObject private var model = LoansModel()
    @EnvironmentObject var router: Router

    var body: some View {
        List {

            ForEach(model.loans) { loan in LoanRow(loan: loan, onTap: { router.path.append(Route.loan(loan)) }) }
        }
        .task { await model.load() }
        .onChange(of: model.done) { _, done in if done { router.pop() } }
        .alert("Sure?", isPresented: $model.asks) { Button("OK") { model.confirm() } }
    }
}
struct LoanRow: View { let loan: Loan; var onTap: () -> Void; var body: some View { Text(loan.name).onTapGesture(perform: onTap) } }
struct MemberView: View {
    @State private var path: [MemberRoute] = []
    enum MemberRoute: Hashable { case card, history(year: Int) }
    var body: some View {
        NavigationStack(path: $path) {
            Button("Card") { path.append(.card) }
            Button("Both") { path = [.card, .history(year: 2024)] }
            NavigationLink("Old", destination: { OldHistoryView() })
            .navigationDestination(for: MemberRoute.self, destination: destination)
        }
    }
    @ViewBuilder private func destination(_ route: MemberRoute) -> some View {
        switch route {
        case .card: CardView()
        case .history(let year): HistoryView(year: year)
        }
    }
}
struct LoanView: View { let loan: Loan; var body: some View { Text("") } }
struct TicketView: View { let number: String; let urgent: Bool; var body: some View { Text(number) } }
struct SettingsView: View { var body: some View { Text("") } }
struct AboutView: View { var body: some View { Text("") } }
struct ReportView: View { let itemId: Int; @Environment(\.presentationMode) var mode; var body: some View { Button("x") { mode.wrappedValue.dismiss() } } }
struct FilterView: View { var body: some View { Text("") } }
struct ScannerView: View { var body: some View { Text("") } }
struct HelpView: View { var body: some View { Text("") } }
struct ItemPeek: View { let item: Item; var body: some View { Text("") } }
struct CardView: View { var body: some View { Text("") } }
struct HistoryView: View { let year: Int; var body: some View { Text("") } }
struct OldHistoryView: View { var body: some View { Text("") } }
struct OnboardingView: View { @AppStorage("onboarded") var onboarded = false; var body: some View { Button("go") { onboarded = true } } }
struct LostView: View { var body: some View { Text("") } }
//- App/RootTabs.swift
import SwiftUI
enum AppTab: String, CaseIterable, Identifiable { case items, loans, member
    var id: Self { self }
    var title: String { rawValue.capitalized }
    @ViewBuilder var content: some View {
        switch self {
        case .items: ItemsView()
        case .loans: LoansView()
        case .member: MemberView()
        }
    }
}
struct RootTabs: View {
    @EnvironmentObject var router: Router
    @State private var tab: AppTab = .items
    var body: some View {
        TabView(selection: $tab) {
            ForEach(AppTab.allCases) { tab in
                NavigationStack(path: $router.path) {
                    tab.content
                        .navigationDestination(for: Route.self) { router.view(for: $0) }
                }
                .tabItem { Label(tab.title, systemImage: "hammer") }
                .tag(tab)
            }
        }
        .sheet(item: $router.sheet) { sheet in
            switch sheet {
            case .report(let itemId): ReportView(itemId: itemId)
            case .filter: FilterView()
            }
        }
        .fullScreenCover(isPresented: $router.fullScreen) { ScannerView() }
        .onOpenURL(perform: router.handle)
    }
}
//- App/Router.swift
import SwiftUI
enum Route: Hashable {
    case item(id: Int)
    case loan(Loan)
    case ticket(number: String, urgent: Bool = false)
    case settings
}
enum Sheet: Identifiable { case report(Int), filter
    var id: String { switch self { case .report(let n): return "report-\(n)"; case .filter: return "filter" } } }
@MainActor
final class Router: ObservableObject {
    @Published var path = NavigationPath()
    @Published var sheet: Sheet?
    @Published var fullScreen: Bool = false
    func push(_ route: Route) { path.append(route) }
    func pop() { guard !path.isEmpty else { return }; path.removeLast() }
    func popToRoot() { path = NavigationPath() }
    func present(_ sheet: Sheet) { self.sheet = sheet }
    func handle(_ url: URL) { if url.host == "ticket", let number = url.pathComponents.dropFirst().first { push(.ticket(number: number)) } }
    @ViewBuilder func view(for route: Route) -> some View {
        switch route {
        case .item(let id): ItemView(id: id)
        case let .loan(loan): LoanView(loan: loan)
        case .ticket(let number, let urgent): TicketView(number: number, urgent: urgent)
        case .settings: SettingsView()
        }
    }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *OnboardingView [screen] -> OnboardingView () BarnApp.swift:7
        *RootTabs [screen] -> RootTabs () BarnApp.swift:7
        HelpView [sheet] -> HelpView () Items.swift:19
        ItemPeek [sheet] -> ItemPeek (item: Item) Items.swift:20
        MemberView.MemberRoute.card [screen] -> CardView () Items.swift:76
        MemberView.MemberRoute.history [screen] -> HistoryView (year: Int) Items.swift:77
        SettingsView [screen] -> SettingsView () Items.swift:83
        AboutView [screen] -> AboutView () Items.swift:84
        OldHistoryView [screen] -> OldHistoryView () Items.swift:92
        *AppTab.items [tab] -> ItemsView () RootTabs.swift:7
        AppTab.loans [tab] -> LoansView () RootTabs.swift:8
        AppTab.member [tab] -> MemberView () RootTabs.swift:9
        Sheet.report [sheet] -> ReportView (itemId: Int) RootTabs.swift:29
        Sheet.filter [sheet] -> FilterView () RootTabs.swift:30
        ScannerView [sheet] -> ScannerView () RootTabs.swift:33
        Route.item [screen] -> ItemView (id: Int) Router.swift:22
        Route.loan [screen] -> LoanView (loan: Loan) Router.swift:23
        Route.ticket [screen] -> TicketView (number: String, urgent?: Bool) Router.swift:24
        Route.settings [screen] -> SettingsView () Router.swift:25"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemsView open Route.item typed (id) Items.swift:10
        ItemsView present Sheet.report typed (itemId) Items.swift:11
        ItemsView open Route.loan typed (loan) Items.swift:12
        ItemsView present Sheet.filter typed () Items.swift:15
        ItemsView present ScannerView typed () Items.swift:16
        ItemsView present HelpView typed () Items.swift:17
        ItemsView back - () Items.swift:19
        ItemView open Route.ticket typed (number) Items.swift:30
        ItemView open SettingsView typed () Items.swift:31
        ItemView open AboutView typed () Items.swift:32
        ItemView back - () Items.swift:33
        LoansView open Route.loan typed (loan) Items.swift:55
        MemberView open MemberView.MemberRoute.card typed () Items.swift:68
        MemberView reset MemberView.MemberRoute.history typed (year) Items.swift:69
        MemberView open OldHistoryView typed () Items.swift:70
        ReportView back - () Items.swift:85
        LoansView back - () Router.swift:16
        ItemView back-to - () Router.swift:17
        RootTabs open Route.ticket typed (number) Router.swift:19"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        warning orphan-screen Items.swift:20 no call, menu or deep link names `ItemPeek`
        warning orphan-screen Items.swift:94 no route shows `LostView`, and nothing makes one
        warning orphan-screen Router.swift:25 no call, menu or deep link names `Route.settings`"#]],
    );
}

#[test]
fn coordinators_factories_and_rows_of_closures() {
    let document = scanned(
        r#"
//- Package.swift
// swift-tools-version: 5.9
import PackageDescription
let package = Package(name: "Barn", platforms: [.iOS(.v17)], targets: [.executableTarget(name: "Barn", path: "App")])
//- App/AppDelegate.swift
import UIKit
@main
class AppDelegate: UIResponder, UIApplicationDelegate {
    var window: UIWindow?
    var coordinator: AppCoordinator?
    func application(_ application: UIApplication, didFinishLaunchingWithOptions options: [UIApplication.LaunchOptionsKey: Any]?) -> Bool {
        let window = UIWindow(frame: UIScreen.main.bounds)
        coordinator = AppCoordinator(window: window)
        coordinator?.start()
        self.window = window
        window.makeKeyAndVisible()
        return true
    }
}
//- App/Controllers.swift
import UIKit
import SwiftUI
import SafariServices
class SignInViewController: UIViewController { var onFinish: (() -> Void)?
    @objc func done() { onFinish?() }
    @objc func help() { present(Screen.help.viewController, animated: true) } }
final class ItemListViewModel { weak var delegate: ItemListDelegate?
    init(delegate: ItemListDelegate) { self.delegate = delegate }
    func select(_ row: Int) { delegate?.didSelect(row) }
    func filter() { delegate?.didAskForFilter() } }
class ItemListViewController: UITableViewController {
    private let viewModel: ItemListViewModel
    init(viewModel: ItemListViewModel) { self.viewModel = viewModel; super.init(style: .plain) }
    required init?(coder: NSCoder) { fatalError() }
    override func tableView(_ tableView: UITableView, didSelectRowAt indexPath: IndexPath) { viewModel.select(indexPath.row) }
    @objc private func filterTapped() { viewModel.filter() }
}
protocol ItemViewControllerDelegate: AnyObject { func itemViewController(_ controller: ItemViewController, wantsLoanOf id: Int) }
class ItemViewController: BaseViewController {
    let id: Int
    weak var delegate: ItemViewControllerDelegate?
    init(id: Int) { self.id = id; super.init(nibName: nil, bundle: nil) }
    @objc func borrow() { delegate?.itemViewController(self, wantsLoanOf: id) }
    @objc func gallery() {
        let hosting = UIHostingController(rootView: GalleryView(itemId: id))
        push(hosting)
    }
    @objc func web() { present(SFSafariViewController(url: URL(string: "https://borrowbarn.example")!), animated: true) }
    @objc func close() { navigationController?.popViewController(animated: true) }
    @objc func root() { _ = navigationController?.popToRootViewController(animated: true) }
}
class BaseViewController: UIViewController {
    func push(_ controller: UIViewController, animated: Bool = true) { navigationController?.pushViewController(controller, animated: animated) }
    func presentSheet(_ controller: UIViewController) { if let sheet = controller.sheetPresentationController { sheet.detents = [.medium()] }; present(controller, animated: true) }
}
class LoanViewController: BaseViewController {
    private let itemId: Int
    init(itemId: Int) { self.itemId = itemId; super.init(nibName: nil, bundle: nil) }
    @objc func confirm() { push(Screen.receipt("n").viewController) }
    @objc func days() { presentSheet(DaysViewController()) }
    @objc func replace() { navigationController?.setViewControllers([LoansViewController(style: .plain), ReceiptViewController(number: "1")], animated: true) }
}
class ReceiptViewController: UIViewController { init(number: String) { super.init(nibName: nil, bundle: nil) }
    @objc func done() { dismiss(animated: true) } }
class DaysViewController: UIViewController {}
class FilterViewController: UIViewController { var completion: ((Int) -> Void)?; @objc func apply() { completion?(1) } }
class HelpViewController: UIViewController {}
class LoansViewController: UITableViewController {
    private lazy var rows: [(String, () -> UIViewController)] = [("Receipt", { ReceiptViewController(number: "2") }), ("Help", { HelpViewController() })]
    override func tableView(_ tableView: UITableView, didSelectRowAt indexPath: IndexPath) {
        let (_, make) = rows[indexPath.row]
        navigationController?.pushViewController(make(), animated: true)
    }
}
class MemberViewController: UIViewController { static func make() -> MemberViewController { MemberViewController() }
    @objc func out() { let nav = UINavigationController(rootViewController: SignInViewController()); UIApplication.shared.windows.first?.rootViewController = nav } }
class LostViewController: UIViewController {}
struct GalleryView: View { let itemId: Int; var body: some View { Text("\(itemId)") } }
final class Session { static let shared = Session(); var isSignedIn = false }
//- App/Coordinators.swift
import UIKit
protocol Coordinator: AnyObject {
    var navigationController: UINavigationController { get }
    var children: [Coordinator] { get set }
    func start()
}
final class AppCoordinator {
    private let window: UIWindow
    private let session = Session.shared
    private var tabs: TabCoordinator?
    init(window: UIWindow) { self.window = window }
    func start() {
        if session.isSignedIn { showMain() } else { showSignIn() }
    }
    private func showSignIn() {
        let vc = SignInViewController()
        vc.onFinish = { [weak self] in self?.showMain() }
        window.rootViewController = UINavigationController(rootViewController: vc)
    }
    private func showMain() {
        let tabBar = UITabBarController()
        let tabs = TabCoordinator(tabBarController: tabBar)
        tabs.start()
        self.tabs = tabs
        window.rootViewController = tabBar
    }
}
final class TabCoordinator: NSObject {
    let tabBarController: UITabBarController
    init(tabBarController: UITabBarController) { self.tabBarController = tabBarController }
    func start() {
        let items = ItemsCoordinator(navigationController: UINavigationController())
        items.start()
        let loans = LoansViewController(style: .plain)
        loans.tabBarItem = UITabBarItem(title: "Loans", image: nil, tag: 1)
        tabBarController.viewControllers = [items.navigationController, UINavigationController(rootViewController: loans), wrap(MemberViewController.make())]
    }
    private func wrap(_ root: UIViewController) -> UINavigationController { let nav = UINavigationController(rootViewController: root); nav.navigationBar.prefersLargeTitles = true; return nav }
}
final class ItemsCoordinator: Coordinator {
    var children: [Coordinator] = []
    let navigationController: UINavigationController
    init(navigationController: UINavigationController) { self.navigationController = navigationController }
    func start() {
        let list = ItemListViewController(viewModel: ItemListViewModel(delegate: self))
        navigationController.pushViewController(list, animated: false)
    }
    func showItem(_ id: Int) {
        let detail = ItemViewController(id: id)
        detail.delegate = self
        navigationController.pushViewController(detail, animated: true)
    }
}
protocol ItemListDelegate: AnyObject { func didSelect(_ id: Int); func didAskForFilter() }
extension ItemsCoordinator: ItemListDelegate, ItemViewControllerDelegate {
    func didSelect(_ id: Int) { showItem(id) }
    func didAskForFilter() {
        let filter = FilterViewController()
        filter.modalPresentationStyle = .formSheet
        filter.completion = { [weak self] _ in self?.navigationController.dismiss(animated: true) }
        navigationController.present(UINavigationController(rootViewController: filter), animated: true, completion: nil)
    }
    func itemViewController(_ controller: ItemViewController, wantsLoanOf id: Int) {
        let next = Screen.loan(id).viewController
        controller.show(next, sender: self)
    }
}
enum Screen {
    case loan(Int), receipt(String), help
    var viewController: UIViewController {
        switch self {
        case .loan(let id): return LoanViewController(itemId: id)
        case .receipt(let number): return ReceiptViewController(number: number)
        case .help: return HelpViewController()
        }
    }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *SignInViewController [screen] -> SignInViewController () Controllers.swift:4
        ItemListViewController [screen] -> ItemListViewController (viewModel: ItemListViewModel) Controllers.swift:11
        ItemViewController [screen] -> ItemViewController (id: Int) Controllers.swift:19
        LoanViewController [screen] -> LoanViewController (itemId: Int) Controllers.swift:36
        ReceiptViewController [screen] -> ReceiptViewController (number: String) Controllers.swift:43
        DaysViewController [sheet] -> DaysViewController () Controllers.swift:45
        FilterViewController [sheet] -> FilterViewController () Controllers.swift:46
        HelpViewController [sheet] -> HelpViewController () Controllers.swift:47
        *LoansViewController [tab] -> LoansViewController () Controllers.swift:48
        MemberViewController [tab] -> MemberViewController () Controllers.swift:55
        GalleryView [screen] -> GalleryView (itemId: Int) Controllers.swift:58"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        SignInViewController present HelpViewController typed () Controllers.swift:6
        ItemViewController open GalleryView typed (itemId) Controllers.swift:26
        ItemViewController back - () Controllers.swift:29
        ItemViewController back-to - () Controllers.swift:30
        LoanViewController open ReceiptViewController typed (number) Controllers.swift:39
        LoanViewController present DaysViewController typed () Controllers.swift:40
        LoanViewController reset ReceiptViewController typed (number) Controllers.swift:41
        ReceiptViewController back - () Controllers.swift:44
        LoansViewController open ReceiptViewController|HelpViewController computed (number) Controllers.swift:52
        MemberViewController reset SignInViewController typed () Controllers.swift:56
        - open ItemListViewController typed (viewModel) Coordinators.swift:46
        ItemListViewController open ItemViewController typed (id) Coordinators.swift:51
        ItemListViewController back - () Coordinators.swift:60
        ItemListViewController present FilterViewController typed () Coordinators.swift:61
        ItemViewController open LoanViewController typed (itemId) Coordinators.swift:65"#]],
    );
    lists(
        &said(&document),
        expect![
            "warning orphan-screen Controllers.swift:57 no route shows `LostViewController`, and nothing makes one"
        ],
    );
}
