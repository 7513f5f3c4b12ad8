//! `stack-component` as apps write it, in JavaScript and TypeScript.

use crate::recover::testing::{calls, lists, reads, results, routes, scanned};
use expect_test::expect;

const OLD: &str = r"
//- package.json
{ 'name': 'barn', 'dependencies': { '@react-navigation/native': '^6.1.0', 'react-native': '0.72' } }
//- src/index.js
export { LoansScreen } from './LoansScreen';
export { default as SettingsScreen } from './Settings';
export * from './About';
const MemberScreen = require('./MemberScreen');
export { MemberScreen };
//- src/LoansScreen.js
import React from 'react';
import { connect } from 'react-redux';
import { useNavigation } from '@react-navigation/native';
class Loans extends React.Component {
  open = (loan) => {
    const { navigate } = this.props.navigation;
    navigate('Item', { itemId: loan.itemId });
  };
  render() { return <View><Row onPress={this.open} /></View>; }
}
const Row = ({ onPress }) => {
  const nav = useNavigation();
  return <Button onPress={() => nav.navigate('Itm', { itemId: 1 })} />;
};
export const LoansScreen = connect((state) => ({ loans: state.loans }))(Loans);
//- src/Settings.js
import React from 'react';
import { history } from './history';
export default ({ navigation, route: { params: { section = 'all' } = {} } }) => {
  history.push('Shelfs');
  return <Button title={section} onPress={() => navigation.reset({ index: 0, routes: [{ name: 'Home' }] })} />;
};
//- src/history.js
class History { push(term) { this.terms = [term]; } }
export const history = new History();
//- src/About.js
import React from 'react';
import { go } from './RootNavigation';
export class AboutScreen extends React.PureComponent {
  render() { return <Text onPress={() => go('Member', { memberId: 3 })} />; }
}
//- src/MemberScreen.js
const React = require('react');
module.exports = function MemberScreen(props) {
  const { memberId } = props.route.params;
  const to = (screen) => () => props.navigation.navigate(screen);
  return <Text onPress={to('Settings')} onLongPress={() => props.navigation.push('Item', { ...props.route.params })} />;
};
//- src/RootNavigation.js
import * as React from 'react';
export const navigationRef = React.createRef();
export function go(name, params) { navigationRef.current?.navigate(name, params); }
//- src/ItemScreen.js
import React from 'react';
import { useRoute } from '@react-navigation/native';
export function ItemScreen({ route, navigation }) {
  const { itemId } = route.params;
  return <View><Detail /><Text onPress={navigation.goBack}>{itemId}</Text></View>;
}
const Detail = () => { const route = useRoute(); return <Text>{route.params?.note}</Text>; };
//- App.js
import * as React from 'react';
import { NavigationContainer } from '@react-navigation/native';
import { createStackNavigator } from '@react-navigation/stack';
import { createBottomTabNavigator } from '@react-navigation/bottom-tabs';
import { ItemScreen } from './src/ItemScreen';
import * as Screens from './src';
const Stack = createStackNavigator();
const { Navigator, Screen: TabScreen } = createBottomTabNavigator();
const Home = () => (
  <Navigator>
    <TabScreen name='Loans' component={Screens.LoansScreen}
      options={({ route }) => ({ headerRight: () => <Text>{route.params.filter}</Text> })} />
  </Navigator>
);
const extra = { Settings: Screens.SettingsScreen, About: Screens.AboutScreen };
export default function App() {
  const [user] = React.useState(null);
  return (
    <NavigationContainer>
      <Stack.Navigator>
        <Stack.Screen name='Home' component={Home} />
        {itemScreens(Stack)}
        {Object.entries(extra).map(([name, component]) => <Stack.Screen key={name} name={name} component={component} />)}
        {user && <Stack.Screen name='Member'>{(props) => <Screens.MemberScreen {...props} user={user} />}</Stack.Screen>}
      </Stack.Navigator>
    </NavigationContainer>
  );
}
const itemScreens = (Navigator) => <><Navigator.Screen name='Item' component={ItemScreen} /></>;
";

#[test]
fn screens_in_groups_helpers_loops_and_choices() {
    lists(
        &routes(&scanned(OLD)),
        expect![[r#"
        *Loans [tab] -> Loans (filter: -) App.js:11
        Settings [screen] -> Settings (section?: -) App.js:15
        About [screen] -> AboutScreen () App.js:15
        *Home [group] -> Home () App.js:21
        Member [screen] -> MemberScreen (memberId?: -) App.js:24
        Item [screen] -> ItemScreen (itemId: -, note?: -) App.js:29"#]],
    );
}

#[test]
fn pages_and_servers_beside_the_app_are_no_screens() {
    let web = r"
//- web/package.json
{ 'name': 'barn-web', 'dependencies': { 'react': '18', 'react-dom': '18' } }
//- web/src/PrintScreen.jsx
import React from 'react';
export function PrintScreen() { return <div onClick={() => history.push('/nowhere')} />; }
//- src/AboutScreen.web.js
import React from 'react';
export function AboutScreen() { return <div />; }
//- src/LostScreen.js
import React from 'react';
export function LostScreen() { return <Text />; }
";
    let found = scanned(&format!("{OLD}{web}"));
    let orphans =
        found.findings.iter().filter(|finding| finding.rule == "orphan-screen" && finding.at.line == 2);
    assert_eq!(orphans.map(|finding| finding.at.file.as_str()).collect::<Vec<_>>(), ["src/LostScreen.js"]);
    assert_eq!(found.calls.len(), scanned(OLD).calls.len());
}

#[test]
fn calls_through_props_hooks_references_and_wrappers() {
    lists(
        &calls(&scanned(OLD)),
        expect![[r#"
        AboutScreen open Member literal (memberId) About.js:4
        ItemScreen back - () ItemScreen.js:5
        Loans open Item literal (itemId) LoansScreen.js:7
        Loans open undeclared literal (itemId) LoansScreen.js:13
        MemberScreen open Settings literal () MemberScreen.js:5
        MemberScreen open Item literal () MemberScreen.js:5
        Settings reset Home literal () Settings.js:5"#]],
    );
}

#[test]
fn reads_belong_to_the_screen_whose_route_it_is() {
    lists(
        &reads(&scanned(OLD)),
        expect![[r#"
        Loans filter - App.js:12
        ItemScreen itemId - ItemScreen.js:4
        ItemScreen note - ItemScreen.js:7
        MemberScreen memberId - MemberScreen.js:3
        Settings section - Settings.js:3"#]],
    );
}

const TYPED: &str = r"
//- package.json
{ 'name': 'barn', 'dependencies': { '@react-navigation/native': '7.1.0' } }
//- tsconfig.json
{ 'compilerOptions': { 'paths': { '~/*': ['./src/*'] } } }
//- src/types.ts
import type { NavigatorScreenParams } from '@react-navigation/native';
interface Dated { since?: string }
export interface LoansList { Loans: undefined; Loan: Dated & { loanId: number } }
export type RootList = {
  Home: NavigatorScreenParams<LoansList>;
  Item: { id: string; note?: string; picked?: string };
  Pick: undefined;
};
//- src/screens.tsx
import React from 'react';
import { CommonActions, StackActions, useNavigation, type NavigationProp } from '@react-navigation/native';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import type { LoansList, RootList } from '~/types';
type Props = NativeStackScreenProps<LoansList, 'Loan'>;
export function LoanScreen({ navigation, route }: Props) {
  const nav = useNavigation<NavigationProp<RootList>>();
  navigation.pop(2);
  nav.navigate('Item', { id: String(route.params.loanId) });
  nav.dispatch(CommonActions.navigate({ name: 'Pick' }));
  nav.dispatch((state) => CommonActions.reset({ ...state, routes: [{ name: 'Home' }] }));
  return <Text>{route.params.since ?? 'today'}</Text>;
}
export const LoansScreen: React.FC<NativeStackScreenProps<LoansList, 'Loans'>> = ({ navigation }) => (
  <Row onPress={() => navigation.navigate('Loan', { loanId: 7 })} onBack={() => navigation.getParent()?.goBack()} />
);
export function ItemScreen({ route }: NativeStackScreenProps<RootList, 'Item'>) {
  const { id, picked } = route.params;
  const navigation = useNavigation<any>();
  return <Text onPress={() => navigation.navigate('Home', { screen: 'Loan', params: { loanId: 1 } })}>{id + route.params.note!}{picked}</Text>;
}
export function PickScreen() {
  const navigation = useNavigation();
  return <Text onPress={() => navigation.dispatch(StackActions.popTo('Item', { picked: '7' }, { merge: true }))} />;
}
//- src/App.tsx
import React from 'react';
import { createStaticNavigation } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { ItemScreen, LoanScreen, LoansScreen, PickScreen } from '~/screens';
import type { LoansList, RootList } from '~/types';
const LoansStack = createNativeStackNavigator<LoansList>({ screens: { Loans: LoansScreen, Loan: { screen: LoanScreen, initialParams: { loanId: 0 } } } });
const Root = createNativeStackNavigator<RootList>({
  initialRouteName: 'Home',
  screens: { Home: LoansStack, Item: ItemScreen },
  groups: { Modal: { screenOptions: { presentation: 'modal' }, screens: { Pick: PickScreen } } },
});
const Navigation = createStaticNavigation(Root);
export default function App() { return <Navigation />; }
";

#[test]
fn objects_with_lists_of_parameters() {
    lists(
        &routes(&scanned(TYPED)),
        expect![[r#"
        *Loans [screen] -> LoansScreen () App.tsx:6
        Loan [screen] -> LoanScreen (loanId?: number, since?: string) App.tsx:6
        *Home [group] -> - () App.tsx:9
        Item [screen] -> ItemScreen (id: string, note?: string, picked?: string) App.tsx:9
        Pick [screen] -> PickScreen () App.tsx:10"#]],
    );
}

#[test]
fn hooks_addresses_of_objects_and_parameters_handed_on() {
    let found = scanned(
        r"
//- package.json
{ 'name': 'barn', 'dependencies': { '@react-navigation/native': '7.1.0' } }
//- screens.tsx
import React from 'react';
import { useRoute, type RouteProp } from '@react-navigation/native';
type List = { Item: { itemId: string; note?: string }; Tag: { tag: string } };
type ItemRoute = RouteProp<List, 'Item'>;
const Notes = ({ given, size }: { given?: List['Item']; size: number }) => <Text>{given?.note}{size}</Text>;
class Label extends React.Component<{ params: any }> {
  render() { const { params } = this.props; return <Text>{params.itemId}</Text>; }
}
export function ItemScreen() {
  const route = useRoute<ItemRoute>();
  return <View><Notes given={route.params} size={2} /><Label params={route.params} /></View>;
}
export const TagScreen = () => <Text />;
//- App.tsx
import React from 'react';
import { createStaticNavigation } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { ItemScreen, TagScreen } from './screens';
const Root = createNativeStackNavigator({
  screens: { Item: { screen: ItemScreen, linking: 'items/:itemId' }, Tag: { screen: TagScreen, linking: { path: 'tags/:tag' } } },
});
const Navigation = createStaticNavigation(Root);
export default () => <Navigation linking={{ prefixes: ['barn://'] }} />;
",
    );
    lists(
        &routes(&found),
        expect![[r#"
        *Item [screen] -> ItemScreen (itemId: string, note?: string) <barn://items/{itemId}> App.tsx:6
        Tag [screen] -> TagScreen () <barn://tags/{tag}> App.tsx:6"#]],
    );
    lists(
        &reads(&found),
        expect![[r#"
        ItemScreen note - screens.tsx:5
        ItemScreen itemId - screens.tsx:7"#]],
    );
}

#[test]
fn names_are_looked_for_around_the_caller() {
    let reported = |app: &str| {
        let found = scanned(app);
        let out = found.findings.iter().filter(|finding| finding.rule == "out-of-scope-route");
        out.map(|finding| finding.at.line).collect::<Vec<_>>()
    };
    let direct = r"
//- src/inner.tsx
import React from 'react';
import { useNavigation } from '@react-navigation/native';
export function AboutScreen() {
  const navigation = useNavigation<any>();
  navigation.navigate('Loan', { loanId: 1 });
  navigation.navigate('Home', { screen: 'Loan', params: { loanId: 1 } });
  navigation.getParent()?.navigate('Loan', { loanId: 1 });
  navigation.navigateDeprecated('Loan', { loanId: 1 });
  return <Text />;
}
";
    let typed = TYPED
        .replace("Item: ItemScreen }", "Item: ItemScreen, About: AboutScreen }")
        .replace("import { ItemScreen,", "import { AboutScreen } from '~/inner';\nimport { ItemScreen,");
    assert_eq!(reported(&format!("{typed}{direct}")), [5]);
    assert!(reported(&format!("{typed}{direct}").replace("7.1.0", "^6.1.18")).is_empty());
    let told = typed.replace("<Navigation />", "<Navigation navigationInChildEnabled />");
    assert!(reported(&format!("{told}{direct}")).is_empty());
}

#[test]
fn actions_nested_screens_and_steps_back() {
    let found = scanned(TYPED);
    lists(
        &calls(&found),
        expect![[r#"
        LoanScreen back - () screens.tsx:8
        LoanScreen open Item literal (id) screens.tsx:9
        LoanScreen open Pick literal () screens.tsx:10
        LoanScreen reset Home literal () screens.tsx:11
        LoansScreen open Loan literal (loanId) screens.tsx:15
        LoansScreen back - () screens.tsx:15
        ItemScreen open Loan literal (loanId) screens.tsx:20
        PickScreen back-to Item literal (picked) screens.tsx:24"#]],
    );
    lists(
        &results(&found),
        expect![[r#"
        receive picked screens.tsx:18
        send picked screens.tsx:24"#]],
    );
}

#[test]
fn what_is_navigated_to_may_stand_in_a_longer_file() {
    let table: String = (0..60).map(|i| format!("export const KEY_{i} = 'key-{i}';\n")).collect();
    let app = r"
//- package.json
{ 'name': 'barn', 'dependencies': { '@react-navigation/native': '^6.1.0', '@react-navigation/native-stack': '^6.9.0' } }
//- App.js
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { ShelfScreen, ItemScreen } from './screens';
const Stack = createNativeStackNavigator();
export default function App() {
  return (
    <Stack.Navigator>
      <Stack.Screen name='Shelf' component={ShelfScreen} />
      <Stack.Screen name='Item' component={ItemScreen} />
    </Stack.Navigator>
  );
}
//- screens.js
import { SHELF, item, toItem, toNamed } from './targets';
export function ShelfScreen({ navigation }) {
  navigation.navigate(item(1));
  navigation.dispatch(toItem());
  return <Text />;
}
function go(navigation, name) { navigation.dispatch(toNamed(name)); }
export function ItemScreen({ navigation }) {
  navigation.navigate(SHELF);
  go(navigation, 'Shelf');
  return <Text />;
}
//- targets.js
import { CommonActions } from '@react-navigation/native';
TABLE
export const SHELF = { name: 'Shelf' };
export const item = (itemId) => ({ name: 'Item', params: { itemId } });
export const toItem = () => CommonActions.reset({ index: 0, routes: [{ name: 'Item' }] });
export const toNamed = (name) => CommonActions.navigate({ name });
";
    lists(
        &calls(&scanned(&app.replace("TABLE", &table))),
        expect![[r#"
        ShelfScreen open Item literal (itemId) screens.js:3
        ShelfScreen reset Item literal () screens.js:4
        ItemScreen open Shelf literal () screens.js:9
        ItemScreen open Shelf literal () screens.js:10"#]],
    );
}
