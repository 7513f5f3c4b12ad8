import SwiftUI

struct ShelfView: View {
    @Environment(Barn.self) private var barn
    @Environment(Router.self) private var router
    @State private var picked: Item?

    var body: some View {
        List {
            ForEach(barn.items) { item in
                NavigationLink(value: ShelfRoute.item(item.id)) {
                    Text(item.name)
                }
            }
            ForEach(barn.members) { member in
                NavigationLink(member.name, value: member)
            }
        }
        .toolbar {
            Button("Card") { router.asksForCard = true }
            Button("Any") { picked = barn.items.randomElement() }
        }
        .sheet(item: $picked) { item in
            QuickLendView(item: item)
        }
    }
}

struct QuickLendView: View {
    let item: Item
    @Environment(\.dismiss) private var dismiss

    var body: some View {
        Text(item.name)
        Button("Done") { dismiss() }
    }
}

struct ItemView: View {
    let itemID: Item.ID
    @Environment(Barn.self) private var barn
    @Environment(Router.self) private var router

    var body: some View {
        List {
            if let loan = barn.loan(of: itemID) {
                Button("Loan") { router.showLoan(loan) }
            }
            NavigationLink("This year", value: ShelfRoute.history(itemID: itemID))
            NavigationLink("Five years", value: ShelfRoute.history(itemID: itemID, years: 5))
        }
    }
}

struct HistoryView: View {
    let itemID: Item.ID
    let years: Int
    @Environment(Router.self) private var router

    var body: some View {
        Text("Item \(itemID)")
        Button("Shelf") { router.shelfPath.removeLast(2) }
        Button("Too far") { router.shelfPath.removeLast(3) }
    }
}

struct LoanView: View {
    let loanID: Loan.ID
    let note: String?
    @Environment(Router.self) private var router

    var body: some View {
        Text("Loan \(loanID)")
        Text(note!)
        Button("Shelf") { router.backToShelf() }
    }
}

struct LabelsView: View {
    let itemID: Item.ID

    var body: some View {
        Text("Labels of \(itemID)")
    }
}
