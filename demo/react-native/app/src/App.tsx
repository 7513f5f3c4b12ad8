import React from 'react';
import { NavigationContainer } from '@react-navigation/native';
import { linking } from '@/navigation/linking';
import { navigationRef } from '@/navigation/ref';
import { RootNavigator } from '@/navigation/RootNavigator';

export function App() {
  return (
    <NavigationContainer ref={navigationRef} linking={linking}>
      <RootNavigator />
    </NavigationContainer>
  );
}
