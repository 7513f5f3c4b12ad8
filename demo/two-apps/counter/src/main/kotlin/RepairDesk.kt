package example.borrowbarn.counter

import android.os.Bundle
import androidx.activity.ComponentActivity
import androidx.activity.compose.setContent
import androidx.compose.material3.Button
import androidx.compose.material3.Text
import androidx.compose.runtime.Composable
import androidx.navigation3.runtime.NavKey
import androidx.navigation3.runtime.entry
import androidx.navigation3.runtime.entryProvider
import androidx.navigation3.runtime.rememberNavBackStack
import androidx.navigation3.ui.NavDisplay
import kotlinx.serialization.Serializable

@Serializable data object Tickets : NavKey

@Serializable data class Ticket(val number: Int) : NavKey

@Serializable data class Part(val name: String) : NavKey

@Serializable data object Mended : NavKey

class RepairActivity : ComponentActivity() {
    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        setContent { RepairDesk() }
    }
}

@Composable
fun RepairDesk() {
    val backStack = rememberNavBackStack(Tickets)
    NavDisplay(
        backStack = backStack,
        onBack = { backStack.removeLastOrNull() },
        entryProvider = entryProvider {
            entry<Tickets> { TicketList(onTicket = { number -> backStack.add(Ticket(number)) }) }
            entry<Ticket> { key -> TicketScreen(key.number, onPart = { backStack.add(Part("handle")) }) }
            entry<Mended> { MendedScreen() }
        },
    )
}

@Composable
fun TicketList(onTicket: (Int) -> Unit) {
    Button(onClick = { onTicket(7) }) { Text("Ticket 7") }
}

@Composable
fun TicketScreen(number: Int, onPart: () -> Unit) {
    Text("Ticket $number")
    Button(onClick = onPart) { Text("Order a handle") }
}

@Composable
fun MendedScreen() {
    Text("Mended and back on the shelf")
}
