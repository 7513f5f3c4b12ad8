//! `storyboard` as apps write it.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

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
        expect![[r#"
        *shelf [tab] -> ShelfController () Main.storyboard:10
        ItemController [screen] -> ItemController (itemID: Int!) Main.storyboard:19
        RowsController [screen] -> RowsController () Main.storyboard:24
        about [screen] -> - () Main.storyboard:25
        LoanController [screen] -> LoanController (loan?: Loan?) Main.storyboard:28
        *MembersController [tab] -> MembersController () Members.storyboard:2"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfController open ItemController literal (itemID) Main.storyboard:12
        ShelfController present about literal () Main.storyboard:15
        - back-to shelf literal () Main.storyboard:26
        ShelfController open LoanController constant (loan) Controllers.swift:14
        ShelfController open about literal () Controllers.swift:18
        ShelfController tab MembersController computed () Controllers.swift:19
        ShelfController open shelf constant () Controllers.swift:22"#]],
    );
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
            "{boards}//- Barn/AppDelegate.swift\nimport UIKit\n@main class AppDelegate: UIResponder, UIApplicationDelegate {{}}
//- Barn/Screens.swift\nimport UIKit\n{marks}
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
                 ^^^^^^^ out-of-scope-route: `kit` cannot be used here
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

/// What is made by its identifier, or by that of the container around it, may be put anywhere.
#[test]
fn scenes_that_are_made_and_handed_on_are_no_orphans() {
    crate::rules::testing::judged(
        "orphan-screen",
        r#"
//- Barn/Main.storyboard
<document initialViewController="shelf"><scenes>
<scene><objects><viewController id="shelf" customClass="ShelfController"/></objects></scene>
<scene><objects><viewController storyboardIdentifier="empty" id="empty" customClass="EmptyController"/></objects></scene>
<scene><objects><navigationController storyboardIdentifier="emptyStack" id="stack"><connections>
 <segue destination="empty" kind="relationship" relationship="rootViewController" id="a"/>
</connections></navigationController></objects></scene>
<scene><objects><viewController storyboardIdentifier="tool" id="tool" customClass="ToolController"/></objects></scene>
<scene><objects><viewController storyboardIdentifier="lost" id="lost" customClass="LostController"/></objects></scene>
                ^^^^^^^^^^^^^^ orphan-screen: names `lost`
</scenes></document>
//- Barn/AppDelegate.swift
import UIKit
@main class AppDelegate: UIResponder, UIApplicationDelegate {}
//- Barn/Screens.swift
import UIKit
class ShelfController: UIViewController {
    func clear() { splitViewController?.viewControllers[1] = storyboard!.instantiateViewController(withIdentifier: "emptyStack") }
    func detail(named name: String) -> UIViewController? { storyboard?.instantiateViewController(withIdentifier: name) }
    func tool() { fill(detail(named: "tool")) }
}
class EmptyController: UIViewController {}
class ToolController: UIViewController {}
class LostController: UIViewController {}
"#,
    );
}

#[test]
fn a_container_that_its_class_fills_comes_first() {
    crate::rules::testing::judged(
        "start-missing",
        r#"
//- Barn/Main.storyboard
<document initialViewController="split"><scenes>
<scene><objects><splitViewController id="split" customClass="BarnController"/></objects></scene>
<scene><objects><viewController storyboardIdentifier="shelf" id="shelf" customClass="ShelfController"/></objects></scene>
</scenes></document>
//- Barn/Barn.swift
import UIKit
@main class AppDelegate: UIResponder, UIApplicationDelegate {}
class BarnController: UISplitViewController {
    override func viewDidLoad() { viewControllers = [ShelfController()] }
}
class ShelfController: UIViewController {}
"#,
    );
}
