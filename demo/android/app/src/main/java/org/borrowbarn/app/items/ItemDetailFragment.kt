package org.borrowbarn.app.items

import android.os.Bundle
import android.view.View
import androidx.core.os.bundleOf
import androidx.core.view.isVisible
import androidx.navigation.fragment.findNavController
import androidx.navigation.fragment.navArgs
import org.borrowbarn.app.R
import org.borrowbarn.app.databinding.FragmentItemDetailBinding
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.Links

class ItemDetailFragment : BarnFragment(R.layout.fragment_item_detail) {

    private val args: ItemDetailFragmentArgs by navArgs()

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        val binding = FragmentItemDetailBinding.bind(view)
        binding.title.text = Catalogue.find(args.itemId)?.name
        binding.title.contentDescription = args.note!!.trim()
        binding.borrow.isVisible = !args.fromScan
        binding.editItem.setOnClickListener {
            findNavController().navigate(R.id.action_item_to_edit, bundleOf("itemId" to args.itemId))
        }
        binding.editLong.setOnClickListener { findNavController().navigate(R.id.edit_item) }
        binding.borrow.setOnClickListener { findNavController().navigate(Links.loan(args.itemId)) }
    }
}
