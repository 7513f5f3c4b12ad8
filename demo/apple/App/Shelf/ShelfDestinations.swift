import SwiftUI

extension View {
    func shelfDestinations() -> some View {
        navigationDestination(for: ShelfRoute.self) { route in
            switch route {
            case .item(let itemID):
                ItemView(itemID: itemID)
            case let .loan(id, note):
                LoanView(loanID: id, note: note)
            case let .history(itemID, years):
                HistoryView(itemID: itemID, years: years)
            case .labels(let itemID):
                LabelsView(itemID: itemID)
            }
        }
    }

    /// For the stack of members that is to come.
    func memberDestinations() -> some View {
        navigationDestination(for: Member.self) { member in
            MemberView(member: member)
        }
    }
}
