import React from 'react';
import { FlatList } from 'react-native';
import { useNavigation } from '@react-navigation/native';
import { ItemRow } from '@/ui/ItemRow';
import { NAMES } from '@/navigation/names';
import { branches } from '@/lib/items';

export function PickBranchScreen() {
  const navigation = useNavigation<any>();
  return (
    <FlatList
      data={branches}
      renderItem={({ item }) => (
        <ItemRow
          label={item}
          onPress={() => navigation.popTo(NAMES.item, { brnach: item }, { merge: true })}
        />
      )}
    />
  );
}
