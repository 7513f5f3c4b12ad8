import React from 'react';
import { Button, Text, View } from 'react-native';
import type { NavigationProp, ParamListBase } from '@react-navigation/native';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import type { RootParamList } from '@/navigation/types';

export function RepairScreen({ navigation, route }: NativeStackScreenProps<RootParamList, 'Repair'>) {
  const loose = navigation as unknown as NavigationProp<ParamListBase>;
  return (
    <View>
      <Text>{route.params.ticketId}</Text>
      <Button
        title="Photos"
        onPress={() => loose.navigate('RepairPhotos', { ticket: route.params.ticketId })}
      />
      <Button title="The loan" onPress={() => loose.navigate('Loan', { loanId: 'x' })} />
    </View>
  );
}

export function RepairPhotosScreen({ route }: NativeStackScreenProps<RootParamList, 'RepairPhotos'>) {
  return <Text>{route.params.ticketId}</Text>;
}

/** From the days when repairs had a map of their own. */
export function RepairMapScreen() {
  return <Text>Where the workshop is</Text>;
}
