import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { createComponentForStaticNavigation } from '@react-navigation/native';
import { LoanListScreen, LoanScreen, ReturnScreen } from './screens';
import type { LoansParamList } from '@/navigation/types';

const Loans = createNativeStackNavigator<LoansParamList>({
  initialRouteName: 'LoanList',
  screens: {
    LoanList: LoanListScreen,
    Loan: { screen: LoanScreen, options: { title: 'Loan' } },
  },
  groups: {
    Desk: { screens: { Return: ReturnScreen } },
  },
});

export const LoansStack = createComponentForStaticNavigation(Loans);
