import UIKit

final class ReturnsViewController: UITableViewController {
    private let clock = ClockViewController()
    private var loans: [Loan] = []

    override func viewDidLoad() {
        super.viewDidLoad()
        navigationController?.navigationItem.title = "Returns"
        navigationItem.rightBarButtonItem = UIBarButtonItem(
            title: "Print", style: .plain, target: nil, action: #selector(DeskActions.printSlip(_:)))
        navigationItem.leftBarButtonItem = UIBarButtonItem(
            title: "Ring", style: .plain, target: nil, action: #selector(DeskActions.ringBell(_:)))
        addChild(clock)
        view.addSubview(clock.view)
    }

    override func tableView(_: UITableView, didSelectRowAt indexPath: IndexPath) {
        let page = ReturnViewController(loan: loans[indexPath.row])
        page.shelfMark = "B2"
        navigationController?.pushViewController(page, animated: true)
    }

    override func tableView(_: UITableView, accessoryButtonTappedForRowWith indexPath: IndexPath) {
        let page = DamageViewController()
        present(UINavigationController(rootViewController: page), animated: true)
    }

    @objc private func lastDamage() {
        let page = DamageViewController()
        page.loan = loans.last
        present(UINavigationController(rootViewController: page), animated: true)
    }
}

final class ClockViewController: UIViewController {}

final class ReturnViewController: UIViewController {
    var shelfMark: String?
    private let loan: Loan

    init(loan: Loan) {
        self.loan = loan
        super.init(nibName: nil, bundle: nil)
    }

    required init?(coder _: NSCoder) { fatalError("made in code") }

    override func viewDidLoad() {
        super.viewDidLoad()
        title = "Loan \(loan.id)"
    }

    @objc private func done() {
        navigationController?.popViewController(animated: true)
    }
}

final class DamageViewController: UIViewController {
    var loan: Loan!

    override func viewDidLoad() {
        super.viewDidLoad()
        title = "Damage to \(loan.itemID)"
    }

    @objc private func close() {
        dismiss(animated: true)
    }
}

final class OverdueViewController: UITableViewController {
    override func tableView(_: UITableView, didSelectRowAt _: IndexPath) {
        navigationController?.pushViewController(ReminderViewController(), animated: true)
    }
}

final class ReminderViewController: UIViewController {}

/// The paper list of the first year.
final class PaperListViewController: UIViewController {}
