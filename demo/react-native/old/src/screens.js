import React from 'react';
import { Button, Text, View } from 'react-native';
import { NavigationActions, StackActions } from 'react-navigation';
import { RETURNS, TICKET } from './names';

export class CounterScreen extends React.Component {
  state = { member: null };

  render() {
    const { navigate } = this.props.navigation;
    return (
      <View>
        <Button title="Returns" onPress={() => navigate(RETURNS, { loanId: 'l1' })} />
        <Button title="Print labels" onPress={() => navigate('Labels')} />
        <Button title="Broken" onPress={() => navigate('Tickets', { ticketId: 't1' })} />
      </View>
    );
  }
}

export const ReturnsScreen = ({ navigation }) => {
  const { loanId } = navigation.state.params;
  const shelf = navigation.getParam('shelf');
  return (
    <View>
      <Text>{`${loanId} goes to ${shelf}`}</Text>
      <Button title="It is broken" onPress={() => navigation.push(TICKET)} />
    </View>
  );
};

export class TicketScreen extends React.Component {
  done = () => {
    this.props.navigation.dispatch(
      StackActions.reset({
        index: 0,
        actions: [NavigationActions.navigate({ routeName: 'Counter' })],
      }),
    );
  };

  render() {
    const { ticketId } = this.props.navigation.state.params;
    return <Button title={`Ticket ${ticketId}`} onPress={this.done} />;
  }
}
