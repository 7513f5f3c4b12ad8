package org.borrowbarn.app.reminders

import android.content.BroadcastReceiver
import android.content.Context
import android.content.Intent
import androidx.core.os.bundleOf
import androidx.navigation.NavDeepLinkBuilder
import org.borrowbarn.app.R

class DueReminder : BroadcastReceiver() {

    override fun onReceive(context: Context, intent: Intent) {
        val loanId = intent.getStringExtra("loan") ?: return
        NavDeepLinkBuilder(context)
            .setGraph(R.navigation.main_graph)
            .setDestination(R.id.loanDetail)
            .setArguments(bundleOf("loanId" to loanId))
            .createPendingIntent()
            .send()
    }
}
