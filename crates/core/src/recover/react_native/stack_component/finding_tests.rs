//! What is reported of React Native apps, and what is not.

use crate::rules::testing::judged;

const PACKAGE: &str = r#"
//- package.json
{ "name": "barn", "dependencies": { "@react-navigation/native": "7.1.0", "react-native": "0.79.2" } }
"#;

/// Two stacks, one in a tab of the other, with a list of parameters each.
const APP: &str = r#"
//- types.ts
export type LoansList = { Loans: undefined; Loan: { loanId: number; note?: string } };
export type RootList = { Home: undefined; Item: { id: string; tag?: string }; About: undefined };
//- App.tsx
import React from 'react';
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { AboutScreen, ItemScreen, LoanScreen, LoansScreen } from './screens';
import type { LoansList, RootList } from './types';
const Loans = createNativeStackNavigator<LoansList>();
const Home = () => (
  <Loans.Navigator>
    <Loans.Screen name="Loans" component={LoansScreen} />
    <Loans.Screen name="Loan" component={LoanScreen} />
  </Loans.Navigator>
);
const Root = createNativeStackNavigator<RootList>();
export default function App() {
  return (
    <NavigationContainer>
      <Root.Navigator>
        <Root.Screen name="Home" component={Home} />
        <Root.Screen name="Item" component={ItemScreen} />
        <Root.Screen name="About" component={AboutScreen} />
      </Root.Navigator>
    </NavigationContainer>
  );
}
"#;

#[track_caller]
fn reported(rule: &str, rest: &str) {
    judged(rule, &format!("{PACKAGE}{APP}{rest}"));
}

#[test]
fn names_that_nobody_declares() {
    reported(
        "undeclared-route",
        r#"
//- screens.tsx
import React from 'react';
import { CommonActions, useNavigation } from '@react-navigation/native';
import { history, tracker } from './tools';
export function LoansScreen({ navigation }: any) {
  history.push('Nowhere');
  tracker.navigate('Nowhere');
  navigation.openDrawer();
  navigation.addListener('focus', () => {});
  return <Text onPress={() => navigation.navigate('loan')} />;
                                         ^^^^^^^^ undeclared-route: no route or action is called `loan`
}
export function LoanScreen() {
  const navigation = useNavigation<any>();
  const to = navigation.canGoBack() ? 'Home' : 'About';
  return <Text onPress={() => navigation.navigate(to)} onLongPress={() => navigation.dispatch(CommonActions.navigate('Itm'))} />;
                                                                                     ^^^^^^^^ undeclared-route: `Itm`
}
export const ItemScreen = () => <Text />;
export const AboutScreen = ({ navigation, route }: any) => <Text onPress={() => navigation.navigate(route.params.next)} />;
//- tools.ts
export const history = { push(term: string) { return term; } };
export class Tracker { navigate(to: string) { return to; } }
export const tracker = new Tracker();
"#,
    );
}

#[test]
fn literals_that_the_compiler_checks_are_notes() {
    let app = r#"
//- screens.tsx
import React from 'react';
import type { NativeStackScreenProps } from '@react-navigation/native-stack';
import type { LoansList, RootList } from './types';
export function LoansScreen({ navigation }: NativeStackScreenProps<LoansList, 'Loans'>) {
  return <Text onPress={() => navigation.navigate('Loan', { loanId: 1 })} />;
                                         ^^^^^^^^ hard-coded-route: `Loan` is written in place
}
export function LoanScreen({ navigation }: NativeStackScreenProps<RootList>) {
  navigation.navigate('Item' as never);
             ^^^^^^^^ hard-coded-route: `Item` is written in place
  return <Text>{'Home'}</Text>;
}
const ABOUT = 'About';
export const ItemScreen = ({ navigation }: NativeStackScreenProps<RootList, 'Item'>) => <Text onPress={() => navigation.navigate(ABOUT)} />;
export const AboutScreen = () => <Text />;
"#;
    reported("hard-coded-route", app);
    let clean: String = format!("{PACKAGE}{APP}{app}")
        .lines()
        .filter(|l| !l.trim_start().starts_with('^'))
        .map(|l| format!("{l}\n"))
        .collect();
    let found = crate::recover::testing::scanned(&clean);
    let grave = found.findings.iter().filter(|finding| finding.rule == "hard-coded-route");
    let grave: Vec<String> = grave.map(|finding| finding.severity.to_string()).collect();
    assert_eq!(grave, ["note", "warning"], "a cast takes the check away");
}

#[test]
fn arguments_against_lists_of_parameters() {
    let screens = |call: &str| {
        format!(
            r#"
//- screens.tsx
import React from 'react';
import {{ useNavigation, useRoute }} from '@react-navigation/native';
export function LoansScreen() {{
  const navigation = useNavigation<any>();
  const rest: any = useRest();
{call}
  return <Text />;
}}
export function LoanScreen({{ route }}: any) {{ return <Text>{{route.params.loanId}}{{route.params.note}}</Text>; }}
export function ItemScreen() {{ const {{ params }} = useRoute<any>(); return <Text>{{params.id}}{{params.tag}}</Text>; }}
export const AboutScreen = () => <Text />;
"#
        )
    };
    reported(
        "argument-missing",
        &screens(
            "  navigation.navigate('Item', { tag: 'x' });
             ^^^^^^^^ argument-missing: `Item` needs `id`
  navigation.navigate('Item', { id: 'a' });
  navigation.navigate('Item', { ...rest });
  navigation.navigate('Item', rest);
  navigation.navigate('Home', { screen: 'Loan', params: { note: 'x' } });
             ^^^^^^^^ argument-missing: `Loan` needs `loanId`
  navigation.navigate({ name: 'Item', params: { tag: 'x' }, merge: true });",
        ),
    );
    reported(
        "argument-unknown",
        &screens(
            "  navigation.navigate('Item', { id: 'a', tga: 'x' });
                                              ^^^ argument-unknown: `Item` declares no `tga`
  navigation.setParams({ other: 1 });",
        ),
    );
    reported(
        "argument-type",
        &screens(
            "  navigation.navigate('Loan', { loanId: '7' });
                                        ^^^ argument-type: number
  navigation.navigate('Loan', { loanId: Number('7') });",
        ),
    );
}

#[test]
fn navigators_and_screens_that_are_not_wired() {
    let screens = r#"
//- screens.tsx
import React from 'react';
export const LoansScreen = () => <Text />;
export const LoanScreen = () => <Text />;
export const ItemScreen = () => <Text />;
export const AboutScreen = () => <Text />;
"#;
    reported(
        "host-unwired",
        &format!(
            "{screens}{}",
            r#"
//- Pilot.tsx
import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { AboutScreen } from './screens';
const Pilot = createNativeStackNavigator();
export function PilotNavigator() {
  return <Pilot.Navigator><Pilot.Screen name="Pilot" component={AboutScreen} /></Pilot.Navigator>;
                ^^^^^^^^^ host-unwired: nothing shows the graph `PilotNavigator`
}
"#
        ),
    );
    judged(
        "duplicate-route",
        &format!(
            "{PACKAGE}{screens}{}",
            r#"
//- App.tsx
import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { AboutScreen, ItemScreen } from './screens';
const Root = createNativeStackNavigator();
const more = [{ name: 'Item', component: ItemScreen }];
export default function App({ member }: any) {
  return (
    <Root.Navigator>
      {member ? <Root.Screen name="About" component={AboutScreen} /> : <Root.Screen name="About" component={AboutScreen} />}
      {more.map((screen) => <Root.Screen name={screen.name} component={screen.component} />)}
      <Root.Screen name="Item" component={ItemScreen} />
            ^^^^^^ duplicate-route: `Item`
    </Root.Navigator>
  );
}
"#
        ),
    );
    judged(
        "screen-missing",
        &format!(
            "{PACKAGE}{screens}{}",
            r#"
//- App.tsx
import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { LoanScreen } from './screens';
import { ReturnScreen } from './returns/screens';
import Viewer from 'some-viewer/lib/Viewer';
import { LostScreen } from './lost';
const Root = createNativeStackNavigator();
export default () => (
  <Root.Navigator>
    <Root.Screen name="Loan" getComponent={() => require('./screens').LoanScreen} />
    <Root.Screen name="Viewer" component={Viewer} />
    <Root.Screen name="Made" component={React.memo(LoanScreen)} />
    <Root.Screen name="Gone" getComponent={() => require('./returns/gone').default} />
          ^^^^^^ screen-missing: what `Gone` is to show is not in the source
  </Root.Navigator>
);
//- returns/screens.tsx
export const ReturnScreen = () => null;
"#
        ),
    );
}

#[test]
fn plain_reads_of_untyped_screens_are_needed_where_others_pass_them() {
    judged(
        "argument-missing",
        r#"
//- package.json
{ "name": "desk", "dependencies": { "react-navigation": "^3.11.0", "react-native": "0.59" } }
//- App.js
import React from 'react';
import { createAppContainer, createStackNavigator } from 'react-navigation';
import { ItemScreen, ShelfScreen } from './screens';
export default createAppContainer(createStackNavigator({ Shelf: ShelfScreen, Item: ItemScreen }));
//- screens.js
import React from 'react';
export const ShelfScreen = ({ navigation }) => {
  const { title } = navigation.state.params || {};
  navigation.push('Item');
             ^^^^ argument-missing: `Item` needs `itemId`
  return <Text onPress={() => navigation.navigate('Item', { itemId: 1 })}>{title}</Text>;
};
export class ItemScreen extends React.Component {
  render() {
    const { itemId, mode, note } = this.props.navigation.state.params;
    const back = () => this.props.navigation.navigate('Shelf');
    return <Text onPress={back}>{find(itemId)}{mode}{note ? note : 'none'}</Text>;
  }
}
"#,
    );
}
