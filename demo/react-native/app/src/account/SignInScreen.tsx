import React, { useState } from 'react';
import { Button, TextInput, View } from 'react-native';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import { signIn } from '@/lib/member';
import type { RootParamList } from '@/navigation/types';

export function SignInScreen({ route }: NativeStackScreenProps<RootParamList, 'SignIn'>) {
  const [card, setCard] = useState(route.params?.card ?? '');
  return (
    <View>
      <TextInput value={card} onChangeText={setCard} />
      <Button title="Come in" onPress={() => signIn(card)} />
    </View>
  );
}
