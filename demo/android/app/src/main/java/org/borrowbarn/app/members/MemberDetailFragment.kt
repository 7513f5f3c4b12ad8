package org.borrowbarn.app.members

import android.os.Bundle
import android.view.View
import androidx.fragment.app.viewModels
import androidx.navigation.fragment.findNavController
import org.borrowbarn.app.R
import org.borrowbarn.app.databinding.FragmentMemberDetailBinding
import org.borrowbarn.loans.nav.BarnFragment

class MemberDetailFragment : BarnFragment(R.layout.fragment_member_detail) {

    private val model: MemberViewModel by viewModels()

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        val binding = FragmentMemberDetailBinding.bind(view)
        binding.name.text = model.memberId
        // A member's loans: straight to the newest one.
        binding.loans.setOnClickListener { findNavController().navigate(R.id.loanDetail) }
    }
}
