package org.borrowbarn.loans;

import android.os.Bundle;
import android.view.View;

import androidx.annotation.NonNull;
import androidx.annotation.Nullable;
import androidx.navigation.NavController;
import androidx.navigation.Navigation;
import androidx.navigation.fragment.NavHostFragment;

import org.borrowbarn.loans.nav.BarnFragment;
import org.borrowbarn.loans.nav.Keys;

/** Takes a tool back. */
public class ReturnFragment extends BarnFragment {

    private String loanId;

    public ReturnFragment() {
        super(R.layout.fragment_return);
    }

    @Override
    public void onViewCreated(@NonNull View view, @Nullable Bundle state) {
        super.onViewCreated(view, state);
        loanId = requireArguments().getString(Keys.LOAN_ID);
        NavController nav = NavHostFragment.findNavController(this);

        Bundle question = new Bundle();
        question.putString("itemName", "Hedge trimmer");
        view.findViewById(R.id.confirm).setOnClickListener(
                Navigation.createNavigateOnClickListener(R.id.action_return_to_confirm, question));

        view.findViewById(R.id.broken).setOnClickListener(v -> {
            Bundle ticket = new Bundle();
            ticket.putString(Keys.LOAN_ID, loanId);
            ticket.putString(Keys.URGENCY, "2");
            nav.navigate(R.id.action_return_to_ticket, ticket);
        });
        view.findViewById(R.id.urgent).setOnClickListener(v -> {
            Bundle ticket = new Bundle();
            ticket.putInt(Keys.URGENCY, 3);
            nav.navigate(R.id.action_return_to_ticket, ticket);
        });
    }
}
