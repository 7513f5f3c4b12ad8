package org.borrowbarn.app.items

import android.os.Bundle
import android.view.LayoutInflater
import android.view.View
import android.view.ViewGroup
import android.widget.Button
import androidx.navigation.fragment.findNavController
import com.google.android.material.bottomsheet.BottomSheetDialogFragment
import org.borrowbarn.loans.nav.Keys

class TagPickerSheet : BottomSheetDialogFragment() {

    override fun onCreateView(inflater: LayoutInflater, container: ViewGroup?, state: Bundle?): View {
        val button = Button(requireContext())
        button.text = arguments?.getString("current").orEmpty()
        button.setOnClickListener {
            findNavController().previousBackStackEntry?.savedStateHandle?.set(Keys.PICKED_TAG, "garden")
            dismiss()
        }
        return button
    }
}
