//! Typed apps as people write them: lists of parameters keyed by an enum, types under names of the app's
//! own, references, and services that hand on all that they are given.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn lists_keyed_by_an_enum_and_services_that_hand_on_what_they_get() {
    let document = scanned(
        r#"
//- index.js
import { AppRegistry } from 'react-native';
import { App } from './src/App';
AppRegistry.registerComponent('barn', () => App);
//- package.json
{ "name": "barn", "dependencies": { "react-native": "0.74", "@react-navigation/native": "^6", "@react-navigation/native-stack": "^6", "@react-navigation/bottom-tabs": "^6", "@react-navigation/drawer": "^6" } }
//- tsconfig.json
{ "compilerOptions": { "baseUrl": ".", "paths": { "@/*": ["src/*"] } } }
//- src/App.tsx
import React from 'react';
import { NavigationContainer, DefaultTheme } from '@react-navigation/native';
import { Provider } from 'react-redux';
import { RootNavigator } from '@/navigation/RootNavigator';
import { navigationRef, isReadyRef } from '@/navigation/ref';
export const App: React.FC = () => (
  <Provider store={store}>
    <NavigationContainer ref={navigationRef} onReady={() => { isReadyRef.current = true; }} theme={DefaultTheme}>
      <RootNavigator />
    </NavigationContainer>
  </Provider>
);
//- src/components/ItemRow.tsx
import React from 'react';
import { Pressable } from 'react-native';
interface Props { item: Item; onPress: () => void; onReport(id: string): void }
export const ItemRow: React.FC<Props> = ({ item, onPress, onReport }) => (
  <Pressable onPress={onPress} onLongPress={() => onReport(item.id)} />
);
//- src/navigation/RootNavigator.tsx
import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { createBottomTabNavigator } from '@react-navigation/bottom-tabs';
import { useSelector } from 'react-redux';
import { Screens, RootStackParamList, MainTabParamList } from './types';
import { WelcomeScreen, ItemDetailScreen, LoanConfirmScreen, TicketsScreen, ItemsScreen, LoansScreen, ProfileScreen } from '@/screens';
const Stack = createNativeStackNavigator<RootStackParamList>();
const Tab = createBottomTabNavigator<MainTabParamList>();
const TABS = [
  { name: 'Items' as const, component: ItemsScreen, icon: 'hammer' },
  { name: 'Loans' as const, component: LoansScreen, icon: 'calendar' },
  { name: 'Profile' as const, component: ProfileScreen, icon: 'person' },
];
const MainTabs = () => (
  <Tab.Navigator screenOptions={({ route }) => ({ tabBarIcon: () => <Icon name={TABS.find(t => t.name === route.name)!.icon} /> })}>
    {TABS.map(({ name, component }) => <Tab.Screen key={name} name={name} component={component} />)}
  </Tab.Navigator>
);
export function RootNavigator() {
  const signedIn = useSelector((s: any) => !!s.member);
  return (
    <Stack.Navigator screenOptions={{ headerShown: false }} initialRouteName={signedIn ? Screens.Main : Screens.Welcome}>
      {!signedIn ? (
        <Stack.Screen name={Screens.Welcome} component={WelcomeScreen} />
      ) : (
        <React.Fragment>
          <Stack.Screen name={Screens.Main} component={MainTabs} />
          <Stack.Screen name={Screens.ItemDetail} component={ItemDetailScreen} options={({ route }) => ({ title: route.params.itemId })} />
          <Stack.Group screenOptions={{ presentation: 'modal' }}>
            <Stack.Screen name={Screens.LoanConfirm} component={LoanConfirmScreen} />
            <Stack.Screen name={Screens.Tickets}>{props => <TicketsScreen {...props} mode="all" />}</Stack.Screen>
          </Stack.Group>
        </React.Fragment>
      )}
    </Stack.Navigator>
  );
}
//- src/navigation/ref.ts
import * as React from 'react';
import { NavigationContainerRef, CommonActions, StackActions } from '@react-navigation/native';
import type { RootStackParamList } from './types';
export const isReadyRef = React.createRef<boolean>();
export const navigationRef = React.createRef<NavigationContainerRef<RootStackParamList>>();
export function navigate<T extends keyof RootStackParamList>(name: T, params?: RootStackParamList[T]) {
  if (isReadyRef.current && navigationRef.current) {
    navigationRef.current?.navigate(name as any, params as any);
  }
}
export const resetTo = (name: keyof RootStackParamList) =>
  navigationRef.current?.dispatch(CommonActions.reset({ index: 0, routes: [{ name }] }));
export const push = (...args: Parameters<typeof StackActions.push>) => {
  navigationRef.current?.dispatch(StackActions.push(...args));
};
//- src/navigation/types.ts
import type { NativeStackNavigationProp, NativeStackScreenProps } from '@react-navigation/native-stack';
import type { BottomTabScreenProps } from '@react-navigation/bottom-tabs';
import type { CompositeScreenProps, NavigatorScreenParams } from '@react-navigation/native';
export enum Screens {
  Welcome = 'Welcome',
  Main = 'Main',
  ItemDetail = 'ItemDetail',
  LoanConfirm = 'LoanConfirm',
  Tickets = 'Tickets',
}
export type RootStackParamList = {
  [Screens.Welcome]: undefined;
  [Screens.Main]: NavigatorScreenParams<MainTabParamList> | undefined;
  [Screens.ItemDetail]: { itemId: string; from?: 'list' | 'search' };
  [Screens.LoanConfirm]: { itemId: string; days: number };
  [Screens.Tickets]: undefined;
};
export type MainTabParamList = {
  Items: undefined;
  Loans: { memberId?: string };
  Profile: undefined;
};
export type RootNav = NativeStackNavigationProp<RootStackParamList>;
export type RootScreenProps<T extends keyof RootStackParamList> = NativeStackScreenProps<RootStackParamList, T>;
export type TabScreenProps<T extends keyof MainTabParamList> = CompositeScreenProps<BottomTabScreenProps<MainTabParamList, T>, RootScreenProps<keyof RootStackParamList>>;
declare global { namespace ReactNavigation { interface RootParamList extends RootStackParamList {} } }
//- src/screens/Items.tsx
import React from 'react';
import { useNavigation, useRoute, RouteProp } from '@react-navigation/native';
import { FlatList, Pressable } from 'react-native';
import type { RootNav, RootStackParamList, TabScreenProps } from '@/navigation/types';
import { Screens } from '@/navigation/types';
import { ItemRow } from '@/components/ItemRow';
export const ItemsScreen = ({ navigation }: TabScreenProps<'Items'>) => {
  const open = (item: Item) => () => navigation.navigate(Screens.ItemDetail, { itemId: item.id, from: 'list' });
  const renderItem = ({ item }: { item: Item }) => <ItemRow item={item} onPress={open(item)} onReport={id => navigation.push('Tickets')} />;
  return <FlatList data={[]} renderItem={renderItem} />;
};
export function ItemDetailScreen() {
  const { params: { itemId, from = 'search' } } = useRoute<RouteProp<RootStackParamList, Screens.ItemDetail>>();
  const nav = useNavigation<RootNav>();
  return (
    <>
      <Pressable onPress={() => nav.navigate('LoanConfirm', { itemId, days: 3 })} />
      <Pressable onPress={() => nav.navigate({ name: 'LoanConfirm', params: { itemId, days: '3' } })} />
      <Pressable onPress={nav.goBack} />
    </>
  );
}
//- src/screens/Loans.tsx
import React from 'react';
import { connect } from 'react-redux';
import { navigate, resetTo, push } from '@/navigation/ref';
import { Screens } from '@/navigation/types';
import type { RootNav, RootScreenProps, TabScreenProps } from '@/navigation/types';
import { confirmLoan } from '@/store/loans';
const LoanConfirmView = ({ route, navigation, dispatch }: RootScreenProps<'LoanConfirm'> & { dispatch: any }) => {
  const { itemId, days } = route.params;
  return <Button onPress={() => dispatch(confirmLoan(itemId, days, navigation))} />;
};
export const LoanConfirm = connect()(LoanConfirmView);
function useGo(nav: RootNav) {
  return { toTicket: () => nav.navigate('Tickets'), toItem: (itemId: string) => nav.push('ItemDetail', { itemId }) };
}
export class LoansScreen extends React.Component<TabScreenProps<'Loans'>> {
  private timer?: number;
  componentDidMount() { const { memberId } = this.props.route.params ?? {}; load(memberId); }
  onRow = (loan: Loan) => { this.props.navigation.navigate('ItemDetial', { itemId: loan.itemId }); };
  render() {
    return <Rows onRow={this.onRow} onHelp={() => navigate('Tickets')} onOut={() => resetTo(Screens.Welcome)} onAgain={() => push('ItemDetail', { itemId: 'x' })} />;
  }
}
//- src/screens/Profile.tsx
import React from 'react';
import { useNavigation, NavigationProp, useNavigationState, Link } from '@react-navigation/native';
const menu = [
  { title: 'Tickets', to: 'Tickets' },
  { title: 'Welcome', to: 'Welcome' },
] as const;
const Profile = () => {
  const { navigate, ...rest } = useNavigation<NavigationProp<RootStackParamList>>();
  return menu.map(m => <Cell key={m.title} onPress={() => navigate(m.to)} />);
};
export default Profile;
type TProps = { mode: 'all' | 'mine'; navigation: any };
export const TicketsScreen = (props: TProps) => <Button onPress={() => props.navigation.goBack()} />;
//- src/screens/Welcome.tsx
import React, { useCallback } from 'react';
import type { RootScreenProps } from '@/navigation/types';
import { Screens } from '@/navigation/types';
type Props = RootScreenProps<Screens.Welcome>;
const Welcome = ({ navigation: nav }: Props) => {
  const onDone = useCallback(async () => {
    await login();
    nav.replace(Screens.Main, { screen: 'Items' });
  }, [nav]);
  return <Button onPress={onDone} />;
};
export default React.memo(Welcome);
//- src/screens/index.ts
export { default as WelcomeScreen } from './Welcome';
export * from './Items';
export { LoanConfirm as LoanConfirmScreen, LoansScreen } from './Loans';
export { default as ProfileScreen, TicketsScreen } from './Profile';
//- src/store/loans.ts
import type { RootNav } from '@/navigation/types';
export const confirmLoan = (itemId: string, days: number, router: RootNav) => async (dispatch: any) => {
  await api.confirm(itemId, days);
  router.popToTop();
  router.navigate('Main', { screen: 'Loans', params: { memberId: 'me' } });
};
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *Items [tab] -> ItemsScreen () RootNavigator.tsx:10
        Loans [tab] -> LoansScreen (memberId?: string) RootNavigator.tsx:11
        Profile [tab] -> Profile () RootNavigator.tsx:12
        *Welcome [screen] -> Welcome () RootNavigator.tsx:24
        *Main [group] -> MainTabs () RootNavigator.tsx:27
        ItemDetail [screen] -> ItemDetailScreen (itemId: string, from?: 'list' | 'search') RootNavigator.tsx:28
        LoanConfirm [screen] -> LoanConfirmView (itemId: string, days: number) RootNavigator.tsx:30
        Tickets [screen] -> TicketsScreen () RootNavigator.tsx:31"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ItemsScreen open ItemDetail constant (from, itemId) Items.tsx:8
        ItemsScreen open Tickets literal () Items.tsx:9
        ItemDetailScreen open LoanConfirm literal (days, itemId) Items.tsx:17
        ItemDetailScreen open LoanConfirm literal (days, itemId) Items.tsx:18
        ItemDetailScreen back - () Items.tsx:19
        - open Tickets literal () Loans.tsx:13
        - open ItemDetail literal (itemId) Loans.tsx:13
        LoansScreen open undeclared literal (itemId) Loans.tsx:18
        LoansScreen open Tickets literal () Loans.tsx:20
        LoansScreen reset Welcome constant () Loans.tsx:20
        LoansScreen open ItemDetail literal (itemId) Loans.tsx:20
        Profile open Welcome|Tickets computed () Profile.tsx:9
        TicketsScreen back - () Profile.tsx:13
        Welcome replace Items literal () Welcome.tsx:8
        LoanConfirmView back-to - () loans.ts:4
        LoanConfirmView open Loans literal (memberId) loans.ts:5"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        error argument-type Items.tsx:18 `days` is declared as number, and a string is passed
        error undeclared-route Loans.tsx:18 no route or action is called `ItemDetial`
        warning hard-coded-route Loans.tsx:20 the route `Tickets` is written in place, as in 2 other places
        warning hard-coded-route Loans.tsx:20 the route `ItemDetail` is written in place, as in 1 other place"#]],
    );
}
