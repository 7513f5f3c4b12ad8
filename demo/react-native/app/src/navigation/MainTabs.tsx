import React from 'react';
import { createBottomTabNavigator } from '@react-navigation/bottom-tabs';
import { ShelfScreen } from '@/items/ShelfScreen';
import { AccountScreen } from '@/account/AccountScreen';
import { LoansStack } from '@/loans/LoansStack';
import type { TabParamList } from './types';

const Tab = createBottomTabNavigator<TabParamList>();

export function MainTabs() {
  return (
    <Tab.Navigator initialRouteName={'Shelf' as never}>
      <Tab.Screen name="ShelfTab" component={ShelfScreen} />
      <Tab.Screen name="LoansTab" component={LoansStack} />
      <Tab.Screen name="AccountTab">{() => <AccountScreen />}</Tab.Screen>
    </Tab.Navigator>
  );
}
