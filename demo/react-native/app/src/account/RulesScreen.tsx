import React from 'react';
import { Linking, Text } from 'react-native';

export const RulesScreen = () => (
  <Text onPress={() => Linking.openURL('https://borrowbarn.example/rules')}>Bring it back clean.</Text>
);
