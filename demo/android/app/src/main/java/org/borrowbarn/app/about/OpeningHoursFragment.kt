package org.borrowbarn.app.about

import org.borrowbarn.app.R
import org.borrowbarn.loans.nav.BarnFragment

class OpeningHoursFragment : BarnFragment(R.layout.fragment_opening_hours)
