import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { useMember } from '@/lib/member';
import { ItemScreen } from '@/items/ItemScreen';
import { PickBranchScreen } from '@/items/PickBranchScreen';
import { RepairPhotosScreen, RepairScreen } from '@/repairs/screens';
import { RulesScreen } from '@/account/RulesScreen';
import { SignInScreen } from '@/account/SignInScreen';
import { MainTabs } from './MainTabs';
import { NAMES } from './names';
import type { RootParamList } from './types';

const Root = createNativeStackNavigator<RootParamList>();

const repairs = { [NAMES.repair]: RepairScreen, RepairPhotos: RepairPhotosScreen } as const;

export function RootNavigator() {
  const member = useMember();
  return (
    <Root.Navigator>
      {member ? (
        <>
          <Root.Screen name="Main" component={MainTabs} options={{ headerShown: false }} />
          <Root.Screen name={NAMES.item} component={ItemScreen} />
          <Root.Group screenOptions={{ presentation: 'modal' }}>
            <Root.Screen name="PickBranch" component={PickBranchScreen} />
          </Root.Group>
          {Object.entries(repairs).map(([name, component]) => (
            <Root.Screen key={name} name={name as never} component={component as never} />
          ))}
        </>
      ) : (
        <Root.Screen name={NAMES.signIn} component={SignInScreen} />
      )}
      <Root.Screen name={NAMES.rules} component={RulesScreen} />
    </Root.Navigator>
  );
}
