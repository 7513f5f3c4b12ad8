package org.borrowbarn.app.items

import android.os.Bundle
import android.view.View
import androidx.navigation.fragment.findNavController
import org.borrowbarn.app.R
import org.borrowbarn.app.databinding.FragmentItemEditBinding
import org.borrowbarn.loans.nav.BarnFragment
import org.borrowbarn.loans.nav.Keys
import org.borrowbarn.loans.nav.go

class ItemEditFragment : BarnFragment(R.layout.fragment_item_edit) {

    override fun onViewCreated(view: View, savedInstanceState: Bundle?) {
        super.onViewCreated(view, savedInstanceState)
        val binding = FragmentItemEditBinding.bind(view)
        val args = ItemEditFragmentArgs.fromBundle(requireArguments())
        val item = if (args.mode == "new") null else Catalogue.find(args.itemId)
        val controller = findNavController()
        controller.currentBackStackEntry
            ?.savedStateHandle
            ?.getLiveData<String>(Keys.PICKED_TAG)
            ?.observe(viewLifecycleOwner) { binding.tags.text = it }
        binding.tags.setOnClickListener { go(ItemEditFragmentDirections.actionEditToTags(item?.tag)) }
        binding.save.setOnClickListener { controller.popBackStack() }
        binding.discard.setOnClickListener { controller.popBackStack(R.id.shelf, false) }
    }
}
