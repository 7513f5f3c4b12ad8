package org.borrowbarn.app.items

import android.net.Uri
import android.os.Bundle
import android.view.View
import androidx.navigation.fragment.findNavController
import org.borrowbarn.app.R
import org.borrowbarn.app.databinding.FragmentShelfBinding
import org.borrowbarn.app.scan.ScanTag
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.Keys
import org.borrowbarn.loans.nav.go

class ShelfFragment : BarnFragment(R.layout.fragment_shelf) {

    private val scanner = registerForActivityResult(ScanTag()) { itemId ->
        if (itemId != null) open(itemId, fromScan = true)
    }

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        val binding = FragmentShelfBinding.bind(view)
        binding.items.setOnClickListener { open(Catalogue.all().first().id, fromScan = false) }
        binding.add.setOnClickListener { go(ShelfFragmentDirections.actionShelfToNewItem()) }
        binding.scan.setOnClickListener { scanner.launch("garden") }
        binding.firstLoan.setOnClickListener {
            findNavController().navigate(Uri.parse("borrowbarn://loan/l-1"))
        }
        parentFragmentManager.setFragmentResultListener(
            Keys.LOAN_RETURNED,
            viewLifecycleOwner,
        ) { _, _ -> binding.items.invalidate() }
    }

    private fun open(itemId: String, fromScan: Boolean) {
        go(ShelfFragmentDirections.actionShelfToItem(itemId, fromScan))
    }
}
