import React from 'react';
import { FlatList } from 'react-native';
import { useNavigation } from '@react-navigation/native';
import type { NativeStackNavigationProp } from '@react-navigation/native-stack';
import { ItemRow } from '@/ui/ItemRow';
import { NAMES } from '@/navigation/names';
import { items } from '@/lib/items';
import type { RootParamList } from '@/navigation/types';

export function ShelfScreen() {
  const navigation = useNavigation<NativeStackNavigationProp<RootParamList>>();
  return (
    <FlatList
      data={items}
      renderItem={({ item }) => (
        <ItemRow
          label={item.title}
          onPress={() => navigation.navigate(NAMES.item, { itemId: item.id, title: item.title })}
        />
      )}
      ListFooterComponent={
        <ItemRow label="Rules of the house" onPress={() => navigation.navigate(NAMES.rules)} />
      }
    />
  );
}
