import SwiftUI

struct LoansView: View {
    @Environment(Barn.self) private var barn
    @Environment(Router.self) private var router

    var body: some View {
        List {
            ForEach(barn.loans) { loan in
                NavigationLink("Loan \(loan.id)", value: loan)
            }
            Button("Next due") { openNext() }
        }
        .navigationDestination(for: Loan.self) { loan in
            LoanView(loanID: loan.id, note: loan.note)
        }
    }

    private func openNext() {
        let next: Loan? = barn.loans.first
        router.loansPath.append(next)
    }
}
