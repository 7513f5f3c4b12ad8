//! UIKit and storyboards as apps write them.

use crate::recover::testing::{calls, lists, routes, scanned};

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
        "
        ShelfViewController [screen] -> ShelfViewController () Screens.swift:10
        ItemViewController [screen] -> ItemViewController (id: Int, note?: String?) Screens.swift:27
        LoansViewController [screen] -> LoansViewController (member: Member!) Screens.swift:45
        MembersViewController [sheet] -> MembersViewController (filter?: String) Screens.swift:46
        SignInViewController [screen] -> SignInViewController () Screens.swift:51
        RulesView [sheet] -> RulesView (page: Int) Screens.swift:52
        ",
    );
    lists(
        &calls(&document),
        "
        - open ShelfViewController typed () Coordinator.swift:11
        ShelfViewController open ItemViewController typed (id, note) Coordinator.swift:17
        ShelfViewController present MembersViewController typed (filter) Coordinator.swift:23
        - reset SignInViewController typed () Coordinator.swift:25
        ItemViewController back-to - () Coordinator.swift:35
        ShelfViewController open LoansViewController typed (member) Screens.swift:22
        ShelfViewController present RulesView typed (page) Screens.swift:24
        ItemViewController back - () Screens.swift:37
        ItemViewController back-to ShelfViewController typed () Screens.swift:40
        MembersViewController back - () Screens.swift:49
        ",
    );
}

#[test]
fn a_main_storyboard_with_tabs_and_plain_scenes() {
    let document = scanned(
        r#"
//- Barn/Info.plist
<plist version="1.0"><dict>
<key>UIMainStoryboardFile</key><string>Main</string>
<key>UILaunchStoryboardName</key><string>Launch</string>
</dict></plist>
//- Barn/Base.lproj/Main.storyboard
<document type="com.apple.InterfaceBuilder3.CocoaTouch.Storyboard.XIB" version="3.0" initialViewController="tab">
<scenes>
<scene sceneID="1"><objects><tabBarController id="tab" customClass="BarnTabs" sceneMemberID="viewController"><connections>
 <segue destination="nav" kind="relationship" relationship="viewControllers" id="a"/>
 <segue destination="ref" kind="relationship" relationship="viewControllers" id="b"/>
</connections></tabBarController></objects></scene>
<scene sceneID="2"><objects><navigationController id="nav" sceneMemberID="viewController"><connections>
 <segue destination="shelf" kind="relationship" relationship="rootViewController" id="c"/>
</connections></navigationController></objects></scene>
<scene sceneID="3"><objects><tableViewController storyboardIdentifier="shelf" id="shelf" customClass="ShelfController" sceneMemberID="viewController">
 <tableView key="view" id="t"><prototypes><tableViewCell id="cell"><connections>
  <segue destination="item" kind="push" identifier="toItem" id="d"/>
 </connections></tableViewCell></prototypes></tableView>
 <navigationItem key="navigationItem" id="n"><barButtonItem key="rightBarButtonItem" id="bb"><connections>
  <segue destination="about" kind="modal" id="e"/>
 </connections></barButtonItem></navigationItem>
 <connections><segue destination="loan" kind="showDetail" identifier="toLoan" id="f"/></connections>
</tableViewController></objects></scene>
<scene sceneID="4"><objects><viewController id="item" customClass="ItemController" sceneMemberID="viewController">
 <view key="view" id="v"><subviews>
  <containerView id="cv"><connections><segue destination="rows" kind="embed" identifier="embedRows" id="g"/></connections></containerView>
 </subviews></view>
</viewController></objects></scene>
<scene sceneID="5"><objects><tableViewController id="rows" customClass="RowsController" sceneMemberID="viewController"/></objects></scene>
<scene sceneID="6"><objects><viewController storyboardIdentifier="about" id="about" sceneMemberID="viewController">
 <view key="view" id="v2"><subviews><button id="bt"><connections><segue destination="x1" kind="unwind" unwindAction="backToShelfWithSegue:" id="h"/></connections></button></subviews></view>
</viewController><exit id="x1" sceneMemberID="exit"/></objects></scene>
<scene sceneID="7"><objects><viewController id="loan" customClass="LoanController" customModule="Barn" customModuleProvider="target" sceneMemberID="viewController"/></objects></scene>
<scene sceneID="8"><objects><viewControllerPlaceholder storyboardName="Members" id="ref" sceneMemberID="viewController"/></objects></scene>
</scenes></document>
//- Barn/Members.storyboard
<document initialViewController="list"><scenes>
<scene sceneID="1"><objects><viewController id="list" customClass="MembersController" sceneMemberID="viewController"/></objects></scene>
</scenes></document>
//- Barn/Launch.storyboard
<document initialViewController="l"><scenes><scene sceneID="1"><objects><viewController id="l" sceneMemberID="viewController"/></objects></scene></scenes></document>
//- Barn/Controllers.swift
import UIKit
class BarnTabs: UITabBarController {}
struct Loan { let id: Int }
class ShelfController: UITableViewController {
    var chosen: Loan?
    override func prepare(for segue: UIStoryboardSegue, sender: Any?) {
        if segue.identifier == "toItem" {
            (segue.destination as? ItemController)?.itemID = 4
        } else if segue.identifier == Segue.loan.rawValue {
            let loan = segue.destination as! LoanController
            loan.loan = chosen
        }
    }
    func openLoan() { performSegue(withIdentifier: Segue.loan.rawValue, sender: self) }
    @IBAction func backToShelf(segue: UIStoryboardSegue) {}
    func about() {
        let controller = UIStoryboard(name: "Main", bundle: nil).instantiateViewController(withIdentifier: "about")
        self.navigationController?.pushViewController(controller, animated: true)
        tabBarController?.selectedIndex = 1
    }
    func shelf() {
        if let again = storyboard?.instantiateViewController(identifier: Scene.shelf) as? ShelfController { show(again, sender: nil) }
    }
}
enum Segue: String { case loan = "toLoan" }
enum Scene { static let shelf = "shelf" }
class ItemController: UIViewController { var itemID: Int!; override func viewDidLoad() { title = "\(itemID!)" } }
class RowsController: UITableViewController {}
class LoanController: UIViewController { var loan: Loan?; override func viewDidLoad() { title = "\(loan!.id)" } }
class MembersController: UIViewController {}
"#,
    );
    lists(
        &routes(&document),
        "
        *shelf [tab] -> ShelfController () Main.storyboard:10
        ItemController [screen] -> ItemController (itemID: Int!) Main.storyboard:19
        RowsController [screen] -> RowsController () Main.storyboard:24
        about [screen] -> - () Main.storyboard:25
        LoanController [screen] -> LoanController (loan?: Loan?) Main.storyboard:28
        *MembersController [tab] -> MembersController () Members.storyboard:2
        ",
    );
    lists(
        &calls(&document),
        "
        ShelfController open ItemController literal (itemID) Main.storyboard:12
        ShelfController present about literal () Main.storyboard:15
        - back-to shelf literal () Main.storyboard:26
        ShelfController open LoanController constant (loan) Controllers.swift:14
        ShelfController open about literal () Controllers.swift:18
        ShelfController tab MembersController computed () Controllers.swift:19
        ShelfController open shelf constant () Controllers.swift:22
        ",
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
fn identifiers_scopes_and_what_scenes_need() {
    use crate::rules::testing::judged;
    let boards = r#"
//- Barn/Main.storyboard
<document initialViewController="shelf"><scenes>
<scene><objects><viewController storyboardIdentifier="shelf" id="shelf" customClass="ShelfController"><connections>
 <segue destination="item" kind="show" identifier="toItem" id="a"/>
 <segue destination="item" kind="show" identifier="toNobody" id="b"/>
</connections></viewController></objects></scene>
<scene><objects><viewController storyboardIdentifier="item" id="item" customClass="ItemController"><connections>
 <segue destination="gone" kind="show" identifier="toGone" id="c"/>
</connections></viewController></objects></scene>
<scene><objects><viewController storyboardIdentifier="gone" id="gone" customClass="GoneController" customModule="Barn" customModuleProvider="target"/></objects></scene>
</scenes></document>
//- Barn/Kit.storyboard
<document><scenes>
<scene><objects><viewController storyboardIdentifier="kit" id="kit" customClass="KitController"/></objects></scene>
</scenes></document>
"#;
    let code = |marks: &str| {
        format!(
            "{boards}//- Barn/Screens.swift\nimport UIKit\n{marks}
class GoneBase: UIViewController {{}}
class KitController: UIViewController {{ var tool: String!; override func viewDidLoad() {{ title = tool }} }}
"
        )
    };
    judged(
        "out-of-scope-route",
        &code(
            r#"
class ShelfController: UIViewController {
    func kit() { present(storyboard!.instantiateViewController(withIdentifier: "kit"), animated: true) }
                 ^^^^^^^ out-of-scope-route: `"kit"` cannot be used here
    func named() { present(UIStoryboard(name: "Kit", bundle: nil).instantiateViewController(withIdentifier: "kit"), animated: true) }
    func item() { performSegue(withIdentifier: "toItem", sender: nil) }
    func gone() { performSegue(withIdentifier: "toGone", sender: nil) }
                  ^^^^^^^^^^^^ out-of-scope-route: it is an action of `item`
}
class ItemController: UIViewController { func gone() { performSegue(withIdentifier: "toGone", sender: nil) } }
"#,
        ),
    );
    judged(
        "undeclared-route",
        &code(
            r#"
class ShelfController: UIViewController {
    func item() { performSegue(withIdentifier: "toitem", sender: nil) }
                  ^^^^^^^^^^^^ undeclared-route: `toitem`
    func kit() { show(UIStoryboard(name: "Kit", bundle: nil).instantiateViewController(withIdentifier: "kitt"), sender: nil) }
                 ^^^^ undeclared-route: `kitt`
    func other(_ name: String) { performSegue(withIdentifier: name, sender: nil) }
}
class ItemController: UIViewController {}
"#,
        ),
    );
    judged(
        "argument-missing",
        &code(
            r#"
class ShelfController: UIViewController {
    func bare() { show(UIStoryboard(name: "Kit", bundle: nil).instantiateViewController(withIdentifier: "kit"), sender: nil) }
                  ^^^^ argument-missing: `kit` needs `tool`
    func whole() {
        let kit = UIStoryboard(name: "Kit", bundle: nil).instantiateViewController(withIdentifier: "kit") as! KitController
        kit.tool = "saw"
        show(kit, sender: nil)
    }
}
class ItemController: UIViewController {}
"#,
        ),
    );
    judged(
        "start-missing",
        &code(
            r#"
class ShelfController: UIViewController {
    func first() { present(UIStoryboard(name: "Main", bundle: nil).instantiateInitialViewController()!, animated: true) }
}
class ItemController: UIViewController {}
"#,
        ),
    );
    judged("unused-name", &(code("class ShelfController: UIViewController { func item() { performSegue(withIdentifier: \"toItem\", sender: nil) } }
class ItemController: UIViewController { func gone() { performSegue(withIdentifier: \"toGone\", sender: nil) } }").replace(
        " <segue destination=\"item\" kind=\"show\" identifier=\"toNobody\" id=\"b\"/>",
        " <segue destination=\"item\" kind=\"show\" identifier=\"toNobody\" id=\"b\"/>\n ^^^^^^ unused-name: nothing uses the action `toNobody`",
    )));
    judged("screen-missing", &(code("class ShelfController: UIViewController {}\nclass ItemController: UIViewController {}").replace(
        "customClass=\"GoneController\" customModule=\"Barn\" customModuleProvider=\"target\"/></objects></scene>",
        "customClass=\"GoneController\" customModule=\"Barn\" customModuleProvider=\"target\"/></objects></scene>\n                ^^^^^^^^^^^^^^^ screen-missing: `gone` shows `GoneController`",
    )));
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
        "ShelfViewController open ItemViewController typed () Shelf.swift:6
         ShelfViewController back - () Shelf.swift:10",
    );
}
