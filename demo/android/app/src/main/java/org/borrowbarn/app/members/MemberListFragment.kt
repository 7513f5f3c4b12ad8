package org.borrowbarn.app.members

import android.os.Bundle
import android.view.View
import org.borrowbarn.app.R
import org.borrowbarn.app.databinding.FragmentMemberListBinding
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.go

class MemberListFragment : BarnFragment(R.layout.fragment_member_list) {

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        FragmentMemberListBinding.bind(view).members.setOnClickListener {
            go(MemberListFragmentDirections.actionMembersToMember(memberId = "m-7"))
        }
    }
}
