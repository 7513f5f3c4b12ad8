import UIKit

enum Segues {
    static let showTicket = "showTicket"
    static let newTicket = "newTicket"
    static let pickPart = "pickPart"
    static let archive = "archiveTicket"
}

final class TicketListViewController: UITableViewController {
    override func prepare(for segue: UIStoryboardSegue, sender: Any?) {
        if segue.identifier == Segues.showTicket, let page = segue.destination as? TicketViewController {
            page.ticketID = tableView.indexPathForSelectedRow?.row
        }
    }

    @objc private func add() {
        performSegue(withIdentifier: Segues.newTicket, sender: self)
    }

    @objc private func addQuickly() {
        performSegue(withIdentifier: "newTiket", sender: self)
    }

    @IBAction func unwindToTickets(_: UIStoryboardSegue) {}
}

final class TicketViewController: UIViewController {
    var ticketID: Int?

    override func viewDidLoad() {
        super.viewDidLoad()
        title = "Ticket \(ticketID!)"
    }

    @objc private func pick() {
        performSegue(withIdentifier: "pickPart", sender: self)
    }

    @objc private func another() {
        performSegue(withIdentifier: Segues.newTicket, sender: self)
    }
}

final class NewTicketViewController: UIViewController {}
