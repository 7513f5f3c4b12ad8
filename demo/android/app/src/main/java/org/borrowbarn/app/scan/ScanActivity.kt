package org.borrowbarn.app.scan

import android.content.Intent
import android.os.Bundle
import android.view.View
import androidx.appcompat.app.AppCompatActivity
import org.borrowbarn.app.R

class ScanActivity : AppCompatActivity(R.layout.activity_scan) {

    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        title = intent.getStringExtra(ScanTag.EXTRA_TAG)
        findViewById<View>(R.id.take).setOnClickListener {
            setResult(RESULT_OK, Intent().putExtra(ScanTag.EXTRA_ITEM, "i-12"))
            finish()
        }
    }
}
