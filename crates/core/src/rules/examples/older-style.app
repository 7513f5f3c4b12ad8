//- fallow-lantern.toml
target = "compose-typed"
//- Desk.kt
package barn
import androidx.navigation.compose.*
import kotlinx.serialization.Serializable
@Serializable data object Shelf
@Composable fun Desk() {
    val nav = rememberNavController()
WRONG|    NavHost(nav, startDestination = "shelf") {
WRONG|        composable("shelf") { ShelfScreen() }
RIGHT|    NavHost(nav, startDestination = Shelf) {
RIGHT|        composable<Shelf> { ShelfScreen() }
    }
}
@Composable fun ShelfScreen() {}
