//! What well-known members of SwiftUI's and UIKit's own classes hand back.

use crate::source::Language;
use crate::values::Library;

pub(in crate::recover) const LIBRARY: Library = Library {
    speaks: |language| language == Language::Swift,
    members: &[
        ("indexPathForSelectedRow", "IndexPath?"),
        ("navigationController", "UINavigationController?"),
        ("parent", "UIViewController?"),
        ("presentedViewController", "UIViewController?"),
        ("presentingViewController", "UIViewController?"),
        ("rootViewController", "UIViewController?"),
        ("splitViewController", "UISplitViewController?"),
        ("storyboard", "UIStoryboard?"),
        ("tabBarController", "UITabBarController?"),
        ("topViewController", "UIViewController?"),
    ],
    factories: &[],
    typed: &[],
    derived: &[
        ("UIActivityViewController", "UIViewController"),
        ("UIAlertController", "UIViewController"),
        ("UICollectionViewController", "UIViewController"),
        ("UIHostingController", "UIViewController"),
        ("UINavigationController", "UIViewController"),
        ("UIPageViewController", "UIViewController"),
        ("UISplitViewController", "UIViewController"),
        ("UITabBarController", "UIViewController"),
        ("UITableViewController", "UIViewController"),
        ("UIViewController", "UIResponder"),
        ("UITableViewController", "UIResponder"),
        ("UICollectionViewController", "UIResponder"),
        ("UINavigationController", "UIResponder"),
        ("UITabBarController", "UIResponder"),
        ("UIView", "UIResponder"),
    ],
    texts: &[],
    plain: &[],
    hands_on: &[
        ("ForEach", ""),
        ("List", ""),
        ("Table", ""),
        ("fullScreenCover", "item"),
        ("inspector", "item"),
        ("navigationDestination", "for"),
        ("navigationDestination", "item"),
        ("popover", "item"),
        ("sheet", "item"),
    ],
    enlists: &[],
    singletons: &[],
};
