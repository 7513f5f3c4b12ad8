import React from 'react';
import { Button, FlatList, Text, View } from 'react-native';
import { StackActions, useNavigation, useRoute, type RouteProp } from '@react-navigation/native';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import { ItemRow } from '@/ui/ItemRow';
import { giveBack, loansOf } from '@/lib/loans';
import type { LoansParamList } from '@/navigation/types';

export function LoanListScreen({ navigation }: NativeStackScreenProps<LoansParamList, 'LoanList'>) {
  return (
    <FlatList
      data={loansOf('me')}
      renderItem={({ item }) => (
        <ItemRow label={item.title} onPress={() => navigation.push('Loan', { loanId: item.id })} />
      )}
    />
  );
}

export function LoanScreen({ navigation, route }: NativeStackScreenProps<LoansParamList, 'Loan'>) {
  const { loanId, from } = route.params;
  return (
    <View>
      <Text>{from === 'reminder' ? 'Due soon' : loanId}</Text>
      <Button title="Give back" onPress={() => navigation.navigate('Return', { loanId })} />
      <Button title="All loans" onPress={navigation.goBack} />
    </View>
  );
}

export function ReturnScreen() {
  const navigation = useNavigation();
  const { params } = useRoute<RouteProp<LoansParamList, 'Return'>>();

  const done = async () => {
    await giveBack(params.loanId, params.condition ?? 'as lent');
    navigation.dispatch(StackActions.pop(3));
  };

  return <Button title="Done" onPress={done} />;
}
