package org.borrowbarn.app.returns

import androidx.compose.runtime.Composable
import androidx.navigation.NavType
import androidx.navigation.compose.NavHost
import androidx.navigation.compose.composable
import androidx.navigation.compose.rememberNavController
import androidx.navigation.navArgument
import androidx.navigation.toRoute

@Composable
fun ReturnsDesk() {
    val nav = rememberNavController()
    NavHost(navController = nav, startDestination = ReturnsRoutes.QUEUE) {
        composable(ReturnsRoutes.QUEUE) {
            QueueScreen(
                onLoan = { loanId -> nav.navigate(ReturnsRoutes.entry(loanId, late = false)) },
                onLate = { loanId -> nav.navigate("entry/$loanId?late=true") },
                onFine = { loanId -> nav.navigate(Fine(loanId, cents = 250)) },
            )
        }
        composable(
            route = ReturnsRoutes.ENTRY,
            arguments = listOf(
                navArgument("loanId") { type = NavType.StringType },
                navArgument("late") {
                    type = NavType.BoolType
                    defaultValue = false
                },
            ),
        ) { entry ->
            val loanId = entry.arguments?.getString("loanId").orEmpty()
            val late = entry.arguments?.getBoolean("late") ?: false
            EntryScreen(
                loanId = loanId,
                late = late,
                onInspect = { nav.navigate(Inspection(loanId)) },
                onBack = { nav.popBackStack() },
            )
        }
        composable<Inspection> { entry ->
            val inspection = entry.toRoute<Inspection>()
            InspectionScreen(
                loanId = inspection.loanId,
                parts = inspection.parts,
                onDone = { nav.navigate(Finished) },
                onQueue = { nav.navigate("queu") },
            )
        }
        composable<Finished> {
            FinishedScreen(onQueue = { nav.popBackStack(ReturnsRoutes.QUEUE, inclusive = false) })
        }
    }
}
