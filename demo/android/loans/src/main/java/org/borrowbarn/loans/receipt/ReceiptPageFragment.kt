package org.borrowbarn.loans.receipt

import android.os.Bundle
import android.view.View
import androidx.core.os.bundleOf
import androidx.fragment.app.Fragment

class ReceiptPageFragment : Fragment() {

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        view.contentDescription = "page ${requireArguments().getInt(ARG_PAGE)}"
    }

    companion object {
        private const val ARG_PAGE = "page"

        fun newInstance(page: Int) = ReceiptPageFragment().apply {
            arguments = bundleOf(ARG_PAGE to page)
        }
    }
}
