package org.borrowbarn.loans

import android.app.Dialog
import android.os.Bundle
import androidx.appcompat.app.AlertDialog
import androidx.core.os.bundleOf
import androidx.fragment.app.DialogFragment
import androidx.fragment.app.setFragmentResult

class ConfirmReturnDialog : DialogFragment() {

    override fun onCreateDialog(savedInstanceState: Bundle?): Dialog =
        AlertDialog.Builder(requireContext())
            .setTitle(requireArguments().getString("itemName"))
            .setPositiveButton(android.R.string.ok) { _, _ ->
                setFragmentResult("loan_returned", bundleOf())
            }
            .create()
}
