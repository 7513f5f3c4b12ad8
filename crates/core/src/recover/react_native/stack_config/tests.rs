//! `stack-config` as older apps write it.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

const CONFIG: &str = r"
//- package.json
{ 'name': 'barn', 'dependencies': { 'react-navigation': '^4.0.10', 'react-navigation-stack': '^1.10.3' } }
//- src/names.js
export const ITEM = 'Item';
//- src/screens.js
import React from 'react';
import { NavigationActions, StackActions, withNavigation } from 'react-navigation';
import { ITEM } from './names';
import { openLoan } from './service';
export class ShelfScreen extends React.Component {
  open(item) { this.props.navigation.navigate({ routeName: ITEM, params: { itemId: item.id } }); }
  render() {
    return <View><Row /><Button onPress={() => this.props.navigation.dispatch(openLoan(7))} /><Tally onCount={(n) => this.tally.push('Shelfs')} /></View>;
  }
}
const PlainRow = ({ navigation }) => <Button onPress={() => navigation.push('Itm')} />;
const Row = withNavigation(PlainRow);
export const ItemScreen = ({ navigation }) => {
  const { itemId } = navigation.state.params;
  const tab = navigation.getParam('tab', 'all');
  const leave = () => navigation.dispatch(StackActions.pop({ n: 2 }));
  return <Text onPress={leave} onLongPress={() => navigation.goBack(null)}>{itemId}{tab}{(navigation.state.params || {}).note}</Text>;
};
export function LoanScreen({ navigation }) {
  const done = () => navigation.dispatch(StackActions.reset({ index: 0, actions: [NavigationActions.navigate({ routeName: 'Shelf' })] }));
  return <Text onPress={done}>{navigation.getParam('loanId')}</Text>;
}
//- src/service.js
import { NavigationActions } from 'react-navigation';
let top;
export function setTop(ref) { top = ref; }
export function go(routeName, params) { top.dispatch(NavigationActions.navigate({ routeName, params })); }
export const openLoan = (loanId) => NavigationActions.navigate({ routeName: 'Loan', params: { loanId } });
//- src/session.js
import React from 'react';
import { go } from './service';
export const withSession = (Wrapped) => {
  class WithSession extends React.Component { render() { return <Wrapped {...this.props} />; } }
  return WithSession;
};
export const expire = () => go('Gate', { reason: 'old' });
//- App.js
import React from 'react';
import { createAppContainer, createSwitchNavigator } from 'react-navigation';
import { createStackNavigator } from 'react-navigation-stack';
import { createBottomTabNavigator } from 'react-navigation-tabs';
import { ITEM } from './src/names';
import { withSession } from './src/session';
import { ItemScreen, LoanScreen, ShelfScreen } from './src/screens';
const Barn = createStackNavigator({
  Shelf: ShelfScreen,
  [ITEM]: { screen: withSession(ItemScreen), path: 'items/:itemId', params: { note: 'none' } },
});
const Tabs = createBottomTabNavigator({ Barn, Loan: { screen: LoanScreen } }, { initialRouteName: 'Barn' });
const Container = createAppContainer(createSwitchNavigator({ Gate: { getScreen: () => require('./src/Gate').default }, Main: Tabs }));
export default () => <Container uriPrefix='barn://' />;
";

#[test]
fn objects_of_names_with_nested_and_wrapped_screens() {
    lists(
        &routes(&scanned(CONFIG)),
        expect![[r#"
            *Shelf [screen] -> ShelfScreen () App.js:9
            Item [screen] -> ItemScreen (itemId: -, note?: -, tab?: -) <barn://items/{itemId}> App.js:10
            *Barn [group] -> Barn () App.js:12
            Loan [tab] -> LoanScreen (loanId?: -) App.js:12
            *Gate [screen] -> - () App.js:13
            Main [group] -> Tabs () App.js:13"#]],
    );
}

#[test]
fn actions_of_the_older_packages() {
    let found = scanned(CONFIG);
    lists(
        &calls(&found),
        expect![[r#"
        ShelfScreen open Item constant (itemId) screens.js:6
        ShelfScreen open Loan literal (loanId) screens.js:8
        ShelfScreen open undeclared literal () screens.js:11
        ItemScreen back - () screens.js:16
        ItemScreen back - () screens.js:17
        LoanScreen reset Shelf literal () screens.js:20
        - open Gate literal (reason) session.js:7"#]],
    );
    lists(
        &reads(&found),
        expect![[r#"
        ItemScreen itemId - screens.js:14
        ItemScreen tab - screens.js:15
        ItemScreen note - screens.js:17
        LoanScreen loanId - screens.js:21"#]],
    );
}
