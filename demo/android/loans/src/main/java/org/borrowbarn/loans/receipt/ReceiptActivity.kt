package org.borrowbarn.loans.receipt

import android.content.Context
import android.content.Intent
import android.os.Bundle
import android.view.View
import androidx.appcompat.app.AppCompatActivity
import androidx.fragment.app.commit
import org.borrowbarn.loans.R
import org.borrowbarn.loans.nav.Keys

/** Still swaps its pages by hand. */
class ReceiptActivity : AppCompatActivity(R.layout.activity_receipt) {

    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        title = intent.getStringExtra(Keys.LOAN_ID)
        findViewById<View>(R.id.next_page).setOnClickListener {
            supportFragmentManager.commit {
                replace(R.id.slot, ReceiptPageFragment.newInstance(2))
                addToBackStack(null)
            }
        }
        findViewById<View>(R.id.note).setOnClickListener {
            supportFragmentManager
                .beginTransaction()
                .replace(R.id.slot, ReceiptPageFragment.newInstance(1))
        }
    }

    companion object {
        fun of(context: Context, loanId: String): Intent =
            Intent(context, ReceiptActivity::class.java).putExtra(Keys.LOAN_ID, loanId)
    }
}
