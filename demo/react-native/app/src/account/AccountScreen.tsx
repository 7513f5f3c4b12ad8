import React from 'react';
import { Button, View } from 'react-native';
import { Link, useNavigation } from '@react-navigation/native';
import { signOut } from '@/lib/member';

export function AccountScreen() {
  const navigation = useNavigation();
  return (
    <View>
      <Link screen="Rules">Rules of the house</Link>
      <Button
        title="Sign out"
        onPress={() => {
          signOut();
          navigation.navigate('SignIn', { card: '' });
        }}
      />
    </View>
  );
}
