package org.borrowbarn.loans.nav

import androidx.annotation.LayoutRes
import androidx.fragment.app.Fragment
import androidx.navigation.fragment.findNavController
import org.borrowbarn.loans.R

/** What every screen of the app can do. */
abstract class BarnFragment(@LayoutRes layout: Int) : Fragment(layout) {

    protected fun openSettings() {
        findNavController().navigate(R.id.action_global_settings)
    }

    protected fun leave() {
        findNavController().navigateUp()
    }
}
