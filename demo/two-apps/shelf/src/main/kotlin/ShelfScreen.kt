package example.borrowbarn.shelf

import androidx.compose.material3.Button
import androidx.compose.material3.Text
import androidx.compose.runtime.Composable
import androidx.navigation.NavController

@Composable
fun ShelfScreen(nav: NavController) {
    Button(onClick = { nav.navigate(Routes.item("spade")) }) { Text("Spade") }
    Button(onClick = { nav.navigate("loans") }) { Text("Loans") }
}

@Composable
fun ItemScreen(nav: NavController, itemId: String) {
    Text(itemId)
    // Only the counter's app takes tools back.
    Button(onClick = { nav.navigate("return/$itemId") }) { Text("Take back") }
    Button(onClick = { nav.popBackStack() }) { Text("Back") }
}
