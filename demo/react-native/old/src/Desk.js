import { createAppContainer } from 'react-navigation';
import { createStackNavigator } from 'react-navigation-stack';
import { COUNTER, RETURNS, TICKET } from './names';
import { CounterScreen, ReturnsScreen, TicketScreen } from './screens';

export const Desk = createStackNavigator(
  {
    [COUNTER]: CounterScreen,
    [RETURNS]: { screen: ReturnsScreen, params: { shelf: 'returns' } },
    [TICKET]: { screen: TicketScreen },
    Labels: { getScreen: () => require('./LabelsScreen').default },
  },
  { initialRouteName: COUNTER },
);

export default createAppContainer(Desk);
