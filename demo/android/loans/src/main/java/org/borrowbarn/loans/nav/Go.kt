package org.borrowbarn.loans.nav

import android.os.Bundle
import androidx.annotation.IdRes
import androidx.fragment.app.Fragment
import androidx.navigation.NavDirections
import androidx.navigation.fragment.findNavController

fun Fragment.go(directions: NavDirections) {
    findNavController().navigate(directions)
}

fun Fragment.go(@IdRes destination: Int, args: Bundle? = null) {
    findNavController().navigate(destination, args)
}
