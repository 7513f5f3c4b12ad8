import type { NavigatorScreenParams } from '@react-navigation/native';

export type LoansParamList = {
  LoanList: undefined;
  Loan: { loanId: string; from?: 'list' | 'reminder' };
  Return: { loanId: string; condition?: string };
};

export type TabParamList = {
  ShelfTab: undefined;
  LoansTab: NavigatorScreenParams<LoansParamList> | undefined;
  AccountTab: undefined;
};

export type RootParamList = {
  Main: NavigatorScreenParams<TabParamList> | undefined;
  Item: { itemId: string; title?: string; branch?: string };
  PickBranch: undefined;
  Repair: { ticketId: string };
  RepairPhotos: { ticketId: string };
  Rules: undefined;
  SignIn: { card?: string } | undefined;
};

declare global {
  namespace ReactNavigation {
    interface RootParamList extends RootParams {}
  }
}

type RootParams = RootParamList;
