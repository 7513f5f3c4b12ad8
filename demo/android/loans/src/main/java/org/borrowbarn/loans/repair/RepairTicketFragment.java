package org.borrowbarn.loans.repair;

import android.os.Bundle;
import android.view.View;

import androidx.annotation.NonNull;
import androidx.annotation.Nullable;
import androidx.navigation.fragment.NavHostFragment;

import org.borrowbarn.loans.R;
import org.borrowbarn.loans.nav.BarnFragment;
import org.borrowbarn.loans.nav.Keys;

public class RepairTicketFragment extends BarnFragment {

    public RepairTicketFragment() {
        super(R.layout.fragment_repair_ticket);
    }

    @Override
    public void onViewCreated(@NonNull View view, @Nullable Bundle state) {
        super.onViewCreated(view, state);
        Bundle args = requireArguments();
        String loanId = args.getString(Keys.LOAN_ID);
        int urgency = args.getInt(Keys.URGENCY);
        view.setContentDescription(loanId + urgency);
        view.findViewById(R.id.guide).setOnClickListener(
                v -> NavHostFragment.findNavController(this).navigate(R.id.action_ticket_to_guide));
        view.findViewById(R.id.send).setOnClickListener(
                v -> NavHostFragment.findNavController(this).popBackStack(R.id.loanList, false));
    }
}
