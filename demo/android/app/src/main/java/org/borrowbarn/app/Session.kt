package org.borrowbarn.app

object Session {
    private var member: String? = null

    fun start(memberId: String) {
        member = memberId
    }

    fun end() {
        member = null
    }
}
