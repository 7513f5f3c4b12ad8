package org.borrowbarn.loans.nav

/** Names of arguments and results. */
object Keys {
    const val LOAN_ID = "loanId"
    const val COPIES = "copies"
    const val URGENCY = "urgency"
    const val PICKED_TAG = "pickedTag"
    const val LOAN_RETURNED = "loanReturned"
}
