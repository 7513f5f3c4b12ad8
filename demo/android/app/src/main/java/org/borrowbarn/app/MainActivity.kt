package org.borrowbarn.app

import android.content.Intent
import android.os.Bundle
import android.view.MenuItem
import androidx.appcompat.app.AppCompatActivity
import androidx.navigation.NavController
import androidx.navigation.fragment.NavHostFragment
import androidx.navigation.ui.AppBarConfiguration
import androidx.navigation.ui.navigateUp
import androidx.navigation.ui.onNavDestinationSelected
import androidx.navigation.ui.setupActionBarWithNavController
import androidx.navigation.ui.setupWithNavController
import org.borrowbarn.app.databinding.ActivityMainBinding
import org.borrowbarn.app.returns.ReturnsActivity

class MainActivity : AppCompatActivity() {

    private lateinit var binding: ActivityMainBinding
    private lateinit var bars: AppBarConfiguration

    private val navController: NavController by lazy {
        val host = supportFragmentManager.findFragmentById(R.id.nav_host) as NavHostFragment
        host.navController
    }

    override fun onCreate(savedInstanceState: Bundle?) {
        super.onCreate(savedInstanceState)
        binding = ActivityMainBinding.inflate(layoutInflater)
        setContentView(binding.root)
        bars = AppBarConfiguration(setOf(R.id.shelf, R.id.loanList, R.id.memberList), binding.drawer)
        setupActionBarWithNavController(navController, bars)
        binding.bottomBar.setupWithNavController(navController)
        binding.sideMenu.setNavigationItemSelectedListener { onSideMenu(it) }
    }

    override fun onSupportNavigateUp(): Boolean =
        navController.navigateUp(bars) || super.onSupportNavigateUp()

    private fun onSideMenu(item: MenuItem): Boolean {
        binding.drawer.closeDrawers()
        if (item.itemId == R.id.sign_out) {
            Session.end()
            return true
        }
        if (item.itemId == R.id.returns_desk) {
            startActivity(Intent(this, ReturnsActivity::class.java))
            return true
        }
        return item.onNavDestinationSelected(navController)
    }
}
