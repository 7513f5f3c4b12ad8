import SwiftUI
import UIKit

/// The returns desk, still the older screens.
struct DeskView: UIViewControllerRepresentable, View {
    func makeUIViewController(context: Context) -> DeskTabs {
        DeskTabs()
    }

    func updateUIViewController(_ controller: DeskTabs, context: Context) {}
}

final class DeskTabs: UITabBarController {
    override func viewDidLoad() {
        super.viewDidLoad()
        let returns = UINavigationController(rootViewController: ReturnsViewController())
        let overdue = OverdueViewController()
        let board = UIStoryboard(name: Boards.tickets, bundle: nil)
        viewControllers = [returns, overdue, board.instantiateInitialViewController()!]
    }

    @objc func printSlip(_: Any?) {}
}

@objc protocol DeskActions {
    @objc optional func printSlip(_ sender: Any?)
    @objc optional func ringBell(_ sender: Any?)
}

enum Boards {
    static let tickets = "Tickets"
}
