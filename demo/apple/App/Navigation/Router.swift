import Observation
import SwiftUI

enum Tab: Hashable {
    case shelf
    case loans
    case repairs
    case desk
}

/// What can lie on the shelf's stack.
enum ShelfRoute: Hashable {
    case item(Item.ID)
    case loan(id: Loan.ID, note: String?)
    case history(itemID: Item.ID, years: Int = 1)
    case labels(Item.ID)
}

/// Where the app is.
@Observable
final class Router {
    var tab: Tab = .shelf
    var shelfPath: [ShelfRoute] = []
    var loansPath = NavigationPath()
    var asksForCard = false

    func show(_ route: ShelfRoute) {
        shelfPath.append(route)
    }

    func showLoan(_ loan: Loan) {
        shelfPath.append(.loan(id: loan.id, note: loan.note))
    }

    func backToShelf() {
        shelfPath.removeAll()
    }
}
