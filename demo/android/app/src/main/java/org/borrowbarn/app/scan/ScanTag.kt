package org.borrowbarn.app.scan

import android.content.Context
import android.content.Intent
import androidx.activity.result.contract.ActivityResultContract

/** Scans a tool's tag, gives its item. */
class ScanTag : ActivityResultContract<String, String?>() {

    override fun createIntent(context: Context, input: String): Intent =
        Intent(context, ScanActivity::class.java).putExtra(EXTRA_TAG, input)

    override fun parseResult(resultCode: Int, intent: Intent?): String? =
        intent?.getStringExtra(EXTRA_ITEM)

    companion object {
        const val EXTRA_TAG = "org.borrowbarn.extra.TAG"
        const val EXTRA_ITEM = "org.borrowbarn.extra.ITEM"
    }
}
