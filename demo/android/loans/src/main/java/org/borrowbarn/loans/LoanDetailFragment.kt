package org.borrowbarn.loans

import android.content.Intent
import android.os.Bundle
import android.view.View
import androidx.core.os.bundleOf
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.Keys
import org.borrowbarn.loans.nav.go
import org.borrowbarn.loans.receipt.ReceiptActivity

class LoanDetailFragment : BarnFragment(R.layout.fragment_loan_detail) {

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        val loanId = requireArguments().getString(Keys.LOAN_ID)!!
        val copies = requireArguments().getInt(Keys.COPIES, 1)
        view.contentDescription = "$loanId, $copies"
        view.findViewById<View>(R.id.give_back).setOnClickListener {
            go(R.id.action_loan_to_return, bundleOf(Keys.LOAN_ID to loanId))
        }
        view.findViewById<View>(R.id.receipt).setOnClickListener {
            startActivity(ReceiptActivity.of(requireContext(), loanId))
        }
        view.findViewById<View>(R.id.extend).setOnClickListener { leave() }
    }
}
