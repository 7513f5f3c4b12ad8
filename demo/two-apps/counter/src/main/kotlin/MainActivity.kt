package example.borrowbarn.counter

import android.content.Intent
import android.os.Bundle
import androidx.activity.ComponentActivity
import androidx.activity.compose.setContent
import androidx.compose.material3.Button
import androidx.compose.material3.Text
import androidx.compose.runtime.Composable
import androidx.compose.ui.platform.LocalContext
import androidx.navigation.NavController
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
import androidx.navigation.compose.rememberNavController
import example.borrowbarn.shelf.ItemScreen
import example.borrowbarn.shelf.Routes
import example.borrowbarn.shelf.ShelfScreen

class MainActivity : ComponentActivity() {
    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        setContent { CounterApp() }
    }
}

@Composable
fun CounterApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Routes.SHELF) {
        composable(Routes.SHELF) { ShelfScreen(nav) }
        composable(Routes.ITEM) { entry -> ItemScreen(nav, entry.arguments?.getString("itemId").orEmpty()) }
        composable("loans") { LoansScreen(nav) }
        composable("return/{itemId}") { ReturnScreen() }
    }
}

@Composable
fun LoansScreen(nav: NavController) {
    Text("What all members have")
    Button(onClick = { nav.navigate("members") }) { Text("Members") }
    val context = LocalContext.current
    Button(onClick = { context.startActivity(Intent(context, RepairActivity::class.java)) }) { Text("Repairs") }
}

@Composable
fun ReturnScreen() {
    Text("Taken back")
}
