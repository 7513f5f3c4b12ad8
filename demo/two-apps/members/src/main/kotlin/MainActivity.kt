package example.borrowbarn.members

import android.os.Bundle
import androidx.activity.ComponentActivity
import androidx.activity.compose.setContent
import androidx.compose.material3.Text
import androidx.compose.runtime.Composable
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
import androidx.navigation.compose.rememberNavController
import example.borrowbarn.shelf.ItemScreen
import example.borrowbarn.shelf.Routes
import example.borrowbarn.shelf.ShelfScreen

class MainActivity : ComponentActivity() {
    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        setContent { MembersApp() }
    }
}

@Composable
fun MembersApp() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Routes.SHELF) {
        composable(Routes.SHELF) { ShelfScreen(nav) }
        composable(Routes.ITEM) { entry -> ItemScreen(nav, entry.arguments?.getString("itemId").orEmpty()) }
        composable("loans") { LoansScreen() }
        composable("card") { CardScreen() }
    }
}

@Composable
fun LoansScreen() {
    Text("What I have at home")
}

@Composable
fun CardScreen() {
    Text("My card")
}
