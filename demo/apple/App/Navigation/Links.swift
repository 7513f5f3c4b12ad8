import Foundation

/// Addresses on the labels of tools and on members' cards.
enum BarnLinks {
    static let itemHost = "item"
    static let loansHost = "loans"
    static let rulesHost = "rules"
    static let loans = "borrowbarn://loans"
}

struct Links {
    let router: Router

    func open(_ url: URL) {
        switch url.host() {
        case BarnLinks.itemHost:
            guard let itemID = Int(url.lastPathComponent) else { return }
            router.tab = .shelf
            router.shelfPath = [.item(itemID)]
        case BarnLinks.loansHost:
            router.tab = .loans
        default:
            break
        }
    }
}
