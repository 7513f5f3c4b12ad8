import Foundation
import Observation

struct Item: Identifiable, Hashable {
    let id: Int
    let name: String
}

struct Loan: Identifiable, Hashable {
    let id: Int
    let itemID: Item.ID
    let note: String?
}

struct Member: Identifiable, Hashable {
    let id: Int
    let name: String
}

@Observable
final class Barn {
    var items: [Item] = []
    var loans: [Loan] = []
    var members: [Member] = []

    func loan(of itemID: Item.ID) -> Loan? {
        loans.first { $0.itemID == itemID }
    }
}
