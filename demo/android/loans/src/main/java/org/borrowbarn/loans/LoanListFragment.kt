package org.borrowbarn.loans

import android.os.Bundle
import android.view.View
import androidx.core.os.bundleOf
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.Keys
import org.borrowbarn.loans.nav.go

class LoanListFragment : BarnFragment(R.layout.fragment_loan_list) {

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        view.findViewById<View>(R.id.loans).setOnClickListener {
            go(R.id.action_loans_to_loan, bundleOf(Keys.LOAN_ID to "l-1", Keys.COPIES to 2))
        }
        view.setOnLongClickListener {
            openSettings()
            true
        }
    }
}
