import React from 'react';
import { Pressable, Text } from 'react-native';

export const ItemRow = ({ label, onPress }: { label: string; onPress: () => void }) => (
  <Pressable onPress={onPress}>
    <Text>{label}</Text>
  </Pressable>
);
