package org.borrowbarn.app.returns

import android.os.Bundle
import androidx.activity.ComponentActivity
import androidx.activity.compose.setContent

/** The returns desk is the first part that was moved to Compose. */
class ReturnsActivity : ComponentActivity() {

    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        setContent { ReturnsDesk() }
    }
}
