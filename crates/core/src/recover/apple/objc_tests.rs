//! Objective-C alone, with a storyboard, and beside Swift.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

const STORYBOARD: &str = r#"
//- Main.storyboard
<document type="com.apple.InterfaceBuilder3.CocoaTouch.Storyboard.XIB" initialViewController="shelf">
  <scenes>
    <scene><objects><tableViewController id="shelf" customClass="BarnShelfController" sceneMemberID="viewController">
      <connections><segue destination="tool" kind="show" identifier="showTool" id="s1"/></connections>
    </tableViewController></objects></scene>
    <scene><objects><viewController id="tool" storyboardIdentifier="ToolScene" customClass="BarnToolController" sceneMemberID="viewController"/></objects></scene>
    <scene><objects><viewController id="loan" storyboardIdentifier="LoanScene" customClass="BarnLoanController" sceneMemberID="viewController"/></objects></scene>
    <scene><objects><viewController id="lost" storyboardIdentifier="LostScene" customClass="BarnLostController" sceneMemberID="viewController"/></objects></scene>
  </scenes>
</document>
//- Info.plist
<plist><dict><key>UIMainStoryboardFile</key><string>Main</string></dict></plist>
"#;

#[test]
fn classes_with_their_bases_and_the_calls_of_their_methods() {
    let document = scanned(&format!(
        "{STORYBOARD}{}",
        r#"
//- BarnShelfController.h
#import <UIKit/UIKit.h>
@interface BarnShelfController : UITableViewController
@end
//- BarnShelfController.m
#import "BarnShelfController.h"
#import "BarnToolController.h"
static NSString * const kShowTool = @"showTool";
@interface BarnShelfController ()
@property (nonatomic, strong) NSArray *tools;
@end
@implementation BarnShelfController
- (void)openTool { [self performSegueWithIdentifier:kShowTool sender:self]; }
- (void)openLoan {
    UIViewController *next = [self.storyboard instantiateViewControllerWithIdentifier:@"LoanScene"];
    [self.navigationController pushViewController:next animated:YES];
}
- (void)openHelp {
    BarnHelpController *help = [[BarnHelpController alloc] initWithNibName:nil bundle:nil];
    [self presentViewController:help animated:YES completion:^{ NSLog(@"shown"); }];
}
- (void)openWrong { [self performSegueWithIdentifier:@"showTol" sender:nil]; }
@end
//- BarnToolController.h
@interface BarnToolController : UIViewController
@end
@interface BarnHelpController : UIViewController
@end
@interface BarnLoanController : BarnToolController
@end
//- main.m
#import <UIKit/UIKit.h>
int main(int argc, char *argv[]) { return UIApplicationMain(argc, argv, nil, @"BarnDelegate"); }
//- BarnToolController.m
#import "BarnToolController.h"
@implementation BarnToolController
- (IBAction)back:(id)sender { [self.navigationController popViewControllerAnimated:YES]; }
- (IBAction)allTheWay:(id)sender { [self.navigationController popToRootViewControllerAnimated:YES]; }
@end
@implementation BarnHelpController
- (void)close { [self dismissViewControllerAnimated:YES completion:nil]; }
@end
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        BarnHelpController [sheet] -> BarnHelpController () BarnToolController.h:3
        *BarnShelfController [screen] -> BarnShelfController () Main.storyboard:3
        ToolScene [screen] -> BarnToolController () Main.storyboard:6
        LoanScene [screen] -> BarnLoanController () Main.storyboard:7
        LostScene [screen] -> - () Main.storyboard:8"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        BarnShelfController open ToolScene constant () BarnShelfController.m:8
        BarnShelfController open LoanScene literal () BarnShelfController.m:11
        BarnShelfController present BarnHelpController typed () BarnShelfController.m:15
        BarnShelfController open undeclared literal () BarnShelfController.m:17
        BarnToolController+BarnLoanController back - () BarnToolController.m:3
        BarnToolController+BarnLoanController back-to - () BarnToolController.m:4
        BarnHelpController back - () BarnToolController.m:7"#]],
    );
    let found: Vec<String> = document.findings.iter().map(|f| format!("{} {}", f.rule, f.message)).collect();
    lists(
        &found.join("\n"),
        expect![[r#"
        hard-coded-route the route `LoanScene` is written in place
        undeclared-route no route or action is called `showTol`
        orphan-screen no call, menu or deep link names `LostScene`
        screen-missing `LostScene` shows `BarnLostController`, which the source does not have"#]],
    );
}

#[test]
fn swift_and_objective_c_share_their_classes() {
    let document = scanned(
        r#"
//- Barn.h
@interface BarnBaseController : UIViewController
@end
//- Barn.m
#import "Barn-Swift.h"
@implementation BarnBaseController
- (void)openTool { ToolController *tool = [[ToolController alloc] init]; [self.navigationController pushViewController:tool animated:YES]; }
@end
//- Tool.swift
import UIKit
class ToolController: UIViewController { func back() { navigationController?.popViewController(animated: true) } }
class ShelfController: BarnBaseController { func open() { present(BarnHelp(), animated: true) } }
//- Help.m
@interface BarnHelp : UIViewController
@end
@implementation BarnHelp
@end
//- SceneDelegate.swift
import UIKit
class SceneDelegate: UIResponder, UIWindowSceneDelegate {
    var window: UIWindow?
    func scene(_ scene: UIScene, willConnectTo session: UISceneSession, options: UIScene.ConnectionOptions) {
        window?.rootViewController = UINavigationController(rootViewController: ShelfController())
    }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        BarnHelp [sheet] -> BarnHelp () Help.m:1
        ToolController [screen] -> ToolController () Tool.swift:2
        *ShelfController [screen] -> ShelfController () Tool.swift:3"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        BarnBaseController+ShelfController open ToolController typed () Barn.m:3
        ToolController back - () Tool.swift:2
        ShelfController present BarnHelp typed () Tool.swift:3"#]],
    );
}

#[test]
fn headers_of_c_declare_nothing() {
    let document = scanned(
        r#"
//- jni/barn.h
#ifndef BARN_H
#define BARN_H
struct shelf { int tools; };
#endif
//- jni/barn.m
int main(void) { return 0; }
"#,
    );
    assert!(document.screens.is_empty() && document.skipped.is_empty() && document.findings.is_empty());
}
