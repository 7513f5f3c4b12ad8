import type { LinkingOptions } from '@react-navigation/native';
import type { RootParamList } from './types';

export const linking: LinkingOptions<RootParamList> = {
  prefixes: ['borrowbarn://', 'https://borrowbarn.example'],
  config: {
    screens: {
      Item: 'items/:itemId',
      Main: {
        screens: {
          LoansTab: { screens: { LoanList: 'loans', Loan: 'loans/:loanId' } },
        },
      },
      Ticket: 'tickets/:ticketId',
    },
  },
};
