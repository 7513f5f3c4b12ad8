package org.borrowbarn.app.returns

import androidx.compose.foundation.layout.Column
import androidx.compose.material3.Text
import androidx.compose.material3.TextButton
import androidx.compose.runtime.Composable

@Composable
fun QueueScreen(onLoan: (String) -> Unit, onLate: (String) -> Unit, onFine: (String) -> Unit) {
    Column {
        TextButton(onClick = { onLoan("l-1") }) { Text("Hedge trimmer") }
        TextButton(onClick = { onLate("l-2") }) { Text("Mitre saw, late") }
        TextButton(onClick = { onFine("l-2") }) { Text("Fine") }
    }
}

@Composable
fun EntryScreen(loanId: String, late: Boolean, onInspect: () -> Unit, onBack: () -> Unit) {
    Column {
        Text(if (late) "$loanId is late" else loanId)
        TextButton(onClick = onInspect) { Text("Inspect") }
        TextButton(onClick = onBack) { Text("Back") }
    }
}

@Composable
fun InspectionScreen(loanId: String, parts: Int, onDone: () -> Unit, onQueue: () -> Unit) {
    Column {
        Text("$loanId: $parts parts")
        TextButton(onClick = onDone) { Text("All there") }
        TextButton(onClick = onQueue) { Text("Later") }
    }
}

@Composable
fun FinishedScreen(onQueue: () -> Unit) {
    TextButton(onClick = onQueue) { Text("Next one") }
}
