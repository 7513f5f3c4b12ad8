package org.borrowbarn.app.returns

import kotlinx.serialization.Serializable

/** The queue came first, with text for routes. */
object ReturnsRoutes {
    const val QUEUE = "queue"
    const val ENTRY = "entry/{loanId}?late={late}"

    fun entry(loanId: String, late: Boolean) = "entry/$loanId?late=$late"
}

/** What came after it uses types. */
@Serializable
data class Inspection(val loanId: String, val parts: Int = 1)

@Serializable
data class Fine(val loanId: String, val cents: Int, val reason: String? = null)

@Serializable
data object Finished
