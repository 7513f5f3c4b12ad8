import React from 'react';
import { Button, Text, View } from 'react-native';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import { borrow } from '@/lib/loans';
import { open } from '@/navigation/ref';
import type { RootParamList } from '@/navigation/types';

type Props = NativeStackScreenProps<RootParamList, 'Item'>;

export function ItemScreen({ navigation, route }: Props) {
  const { itemId, branch = 'the barn' } = route.params;

  const take = async () => {
    const loan = await borrow(itemId, branch);
    navigation.navigate('Main', {
      screen: 'LoansTab',
      params: { screen: 'Loan', params: { loanId: loan.id, from: 'list' } },
    });
  };

  return (
    <View>
      <Text>{route.params.title!.toUpperCase()}</Text>
      <Button title="Pick up elsewhere" onPress={() => navigation.navigate('PickBranch')} />
      <Button title="Borrow" onPress={take} />
      <Button title="Broken?" onPress={() => open('Repairs', { ticketId: 'new' })} />
    </View>
  );
}
