//! UIKit and storyboards as apps write them.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

#[test]
fn coordinators_factories_and_helpers() {
    let document = scanned(
        r#"
//- Barn/AppDelegate.swift
import UIKit
@UIApplicationMain
class AppDelegate: UIResponder, UIApplicationDelegate {
    var window: UIWindow?
    var coordinator: MainCoordinator?
    func application(_ application: UIApplication, didFinishLaunchingWithOptions launchOptions: [UIApplication.LaunchOptionsKey: Any]?) -> Bool {
        let nav = UINavigationController()
        coordinator = MainCoordinator(navigationController: nav)
        coordinator?.start()
        window = UIWindow(frame: UIScreen.main.bounds)
        window?.rootViewController = nav
        window?.makeKeyAndVisible()
        return true
    }
}
//- Barn/Coordinator.swift
import UIKit
protocol Coordinator: AnyObject {
    var navigationController: UINavigationController { get set }
    func start()
}
final class MainCoordinator: Coordinator {
    var navigationController: UINavigationController
    init(navigationController: UINavigationController) { self.navigationController = navigationController }
    func start() {
        let shelf = ShelfViewController.make(coordinator: self)
        navigationController.pushViewController(shelf, animated: false)
    }
    func showItem(_ id: Int) {
        let item = ItemViewController(id: id)
        item.note = "from shelf"
        item.delegate = self
        navigationController.show(item, sender: self)
    }
    func showMembers() {
        let members = makeMembers()
        let nav = UINavigationController(rootViewController: members)
        nav.modalPresentationStyle = .fullScreen
        navigationController.present(nav, animated: true, completion: nil)
    }
    func signOut() { switchRoot(to: SignInViewController()) }
    private func makeMembers() -> MembersViewController {
        let list = MembersViewController()
        list.filter = "active"
        return list
    }
    private func switchRoot(to controller: UIViewController) {
        UIApplication.shared.windows.first?.rootViewController = controller
    }
}
extension MainCoordinator: ItemDelegate { func itemDidClose() { navigationController.popToRootViewController(animated: true) } }
//- Barn/Screens.swift
import UIKit
import SwiftUI
class BarnViewController: UIViewController {
    func open(_ controller: UIViewController) { navigationController?.pushViewController(controller, animated: true) }
    func explain(_ text: String) {
        let alert = UIAlertController(title: nil, message: text, preferredStyle: .alert)
        present(alert, animated: true)
    }
}
final class ShelfViewController: BarnViewController, UITableViewDelegate {
    private weak var coordinator: MainCoordinator?
    static func make(coordinator: MainCoordinator) -> ShelfViewController {
        let controller = ShelfViewController()
        controller.coordinator = coordinator
        return controller
    }
    func tableView(_ tableView: UITableView, didSelectRowAt indexPath: IndexPath) { coordinator?.showItem(indexPath.row) }
    @objc func members() { coordinator?.showMembers() }
    @objc func loans() {
        let loans: LoansViewController = LoansViewController(nibName: nil, bundle: nil)
        loans.member = Member(id: 3)
        open(loans)
    }
    func rules() { self.present(UIHostingController(rootView: RulesView(page: 2)), animated: true) }
}
protocol ItemDelegate: AnyObject { func itemDidClose() }
final class ItemViewController: BarnViewController {
    let id: Int
    var note: String?
    weak var delegate: ItemDelegate?
    init(id: Int) { self.id = id; super.init(nibName: nil, bundle: nil) }
    required init?(coder: NSCoder) { fatalError() }
    override func viewDidLoad() { title = "\(id) \(note ?? "")" }
    func close() { delegate?.itemDidClose() }
    func gone() {
        if let navigationController, navigationController.viewControllers.count > 1 {
            navigationController.popViewController(animated: true)
        }
        for controller in self.navigationController!.viewControllers {
            if controller is ShelfViewController { self.navigationController?.popToViewController(controller, animated: true) }
        }
    }
}
struct Member { let id: Int }
final class LoansViewController: BarnViewController { var member: Member!; override func viewDidLoad() { title = "\(member.id)" } }
final class MembersViewController: UITableViewController {
    var filter = ""
    override func viewDidLoad() { title = filter }
    @IBAction func done(_ sender: Any) { dismiss(animated: true, completion: nil) }
}
final class SignInViewController: UIViewController {}
struct RulesView: View { let page: Int; var body: some View { Text("\(page)") } }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        ShelfViewController [screen] -> ShelfViewController () Screens.swift:10
        ItemViewController [screen] -> ItemViewController (id: Int, note?: String?) Screens.swift:27
        LoansViewController [screen] -> LoansViewController (member: Member!) Screens.swift:45
        MembersViewController [sheet] -> MembersViewController (filter?: String) Screens.swift:46
        SignInViewController [screen] -> SignInViewController () Screens.swift:51
        RulesView [sheet] -> RulesView (page: Int) Screens.swift:52"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - open ShelfViewController typed () Coordinator.swift:11
        ShelfViewController open ItemViewController typed (id, note) Coordinator.swift:17
        ShelfViewController present MembersViewController typed (filter) Coordinator.swift:23
        - reset SignInViewController typed () Coordinator.swift:25
        ItemViewController back-to - () Coordinator.swift:35
        ShelfViewController open LoansViewController typed (member) Screens.swift:22
        ShelfViewController present RulesView typed (page) Screens.swift:24
        ItemViewController back - () Screens.swift:37
        ItemViewController back-to ShelfViewController typed () Screens.swift:40
        MembersViewController back - () Screens.swift:49"#]],
    );
}

#[test]
fn slips_in_code_and_in_storyboards() {
    use crate::rules::testing::judged;
    let app = r#"
//- Barn/SceneDelegate.swift
import UIKit
class SceneDelegate: UIResponder, UIWindowSceneDelegate {
    var window: UIWindow?
    func scene(_ scene: UIScene, willConnectTo session: UISceneSession, options: UIScene.ConnectionOptions) {
        let tabs = UITabBarController()
        tabs.viewControllers = [UINavigationController(rootViewController: ShelfController()), LoansController()]
        window?.rootViewController = tabs
    }
}
@objc protocol BarnActions { @objc optional func showHelp(_ sender: Any?); @objc optional func ringBell(_ sender: Any?) }
extension SceneDelegate { @objc func showHelp(_ sender: Any?) {} }
//- Barn/Screens.swift
import UIKit
class ShelfController: UIViewController {
    let strip = StripController()
    let map = StripController()
    override func viewDidLoad() {
        navigationController?.navigationItem.title = "Shelf"
                                             ^^^^^ wiring-slip: this title is set on the navigation controller
        navigationItem.title = "Shelf"
        addChild(strip)
        ^^^^^^^^ wiring-slip: the child `strip` that is added
        view.addSubview(strip.view)
        addChild(map)
        view.addSubview(map.view)
        map.didMove(toParent: self)
        let bell = UIButton()
        bell.addTarget(nil, action: #selector(BarnActions.ringBell(_:)), for: .touchUpInside)
             ^^^^^^^^^ wiring-slip: the action `ringBell`
        bell.addTarget(nil, action: #selector(BarnActions.showHelp(_:)), for: .touchUpInside)
        bell.addTarget(nil, action: #selector(UIResponder.resignFirstResponder), for: .touchUpInside)
        bell.addTarget(self, action: #selector(item), for: .touchUpInside)
    }
    func clear() { strip.view.removeFromSuperview(); strip.removeFromParent() }
                                                           ^^^^^^^^^^^^^^^^ wiring-slip: the child `strip` that is taken out
    @objc func item() { navigationController?.pushViewController(ItemController(), animated: true) }
}
class StripController: UIViewController {}
class LoansController: UIViewController {
    func item() { navigationController?.pushViewController(ItemController(), animated: true) }
                                        ^^^^^^^^^^^^^^^^^^ wiring-slip: this push
    func apart() { present(UINavigationController(rootViewController: ItemController()), animated: true) }
}
class ItemController: UIViewController {
    func again() { navigationController?.pushViewController(ItemController(), animated: true) }
}
"#;
    judged("wiring-slip", app);
}

#[test]
fn a_brace_that_is_missing_puts_an_extension_inside_of_its_own_class() {
    let app = r"
//- Shelf.swift
import UIKit
class ShelfViewController: UIViewController {}
extension ShelfViewController {
    func open() {
        if true {
            show(ItemViewController(), sender: nil)
    }
}
extension ShelfViewController {
    func close() { dismiss(animated: true) }
}
class ItemViewController: UIViewController {}
//- Half.swift
import UIKit
class Half: UIViewController { extension Half { func f() {} } extension Half.Inner { func g() {} } }
<<<<<<< ours
extension Half { extension Half { class Inner {} } }
=======
extension Half { class Inner { extension Half {} } }
>>>>>>> theirs
";
    lists(
        &calls(&scanned(app)),
        expect![[r#"
        ShelfViewController open ItemViewController typed () Shelf.swift:6
        ShelfViewController back - () Shelf.swift:10"#]],
    );
}
