package org.borrowbarn.loans.nav

import android.net.Uri
import androidx.core.net.toUri

/** Addresses inside the app. */
object Links {
    private const val SCHEME = "borrowbarn://"

    const val NEWEST_ITEMS = SCHEME + "items/newest"

    fun loan(loanId: String): Uri = "${SCHEME}loan/$loanId".toUri()
}
