package org.borrowbarn.loans.repair

import org.borrowbarn.loans.R
import org.borrowbarn.loans.nav.BarnFragment

class RepairGuideFragment : BarnFragment(R.layout.fragment_repair_guide)
