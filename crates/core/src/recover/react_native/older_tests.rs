//! `stack-config` and `flux-scene` as older apps write them.

use crate::recover::testing::{calls, lists, reads, routes, scanned};

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
        "
        *Shelf [screen] -> ShelfScreen () App.js:9
        Item [screen] -> ItemScreen (note?: -, itemId: -, tab?: -) <barn://items/{itemId}> App.js:10
        *Barn [group] -> Barn () App.js:12
        Loan [tab] -> LoanScreen (loanId?: -) App.js:12
        *Gate [screen] -> - () App.js:13
        Main [group] -> Tabs () App.js:13
        ",
    );
}

#[test]
fn actions_of_the_older_packages() {
    let found = scanned(CONFIG);
    lists(
        &calls(&found),
        "
        ShelfScreen open Item constant (itemId) screens.js:6
        ShelfScreen open Loan literal (loanId) screens.js:8
        ShelfScreen open undeclared literal () screens.js:11
        ItemScreen back - () screens.js:16
        ItemScreen back - () screens.js:17
        LoanScreen reset Shelf literal () screens.js:20
        - open Gate literal (reason) session.js:7
        ",
    );
    lists(
        &reads(&found),
        "
        ItemScreen itemId - screens.js:14
        ItemScreen tab - screens.js:15
        ItemScreen note - screens.js:17
        LoanScreen loanId - screens.js:21
        ",
    );
}

const FLUX: &str = r"
//- package.json
{ 'name': 'barn', 'dependencies': { 'react-native-router-flux': '^4.2.0' } }
//- src/keys.js
export default { ITEM: 'item' };
//- src/scenes.js
import React from 'react';
import PropTypes from 'prop-types';
import { Actions } from 'react-native-router-flux';
import Keys from './keys';
import open from './open';
export class ShelfScene extends React.Component {
  renderRow = ({ item }) => <Button onPress={() => Actions[item.scene]()} />;
  render() {
    return (
      <View>
        <List renderItem={this.renderRow} onMenu={() => Actions.drawerOpen()} onTop={Actions.help} />
        <Button onPress={() => Actions.item({ itemId: '7' })} onLongPress={() => Actions.push(Keys.ITEM)} />
        <Button onPress={() => open('loan', { loanId: 1 })} onLongPress={() => Actions['help']()} />
        <Button onPress={() => Actions.itm()} />
      </View>
    );
  }
}
export const ItemScene = ({ itemId, note = 'none' }) => <Text onPress={() => Actions.refresh({ note: 'x' })} onLongPress={Actions.pop}>{itemId}{note}</Text>;
ItemScene.propTypes = { itemId: PropTypes.number.isRequired, note: PropTypes.string };
export class LoanScene extends React.Component {
  static defaultProps = { loanId: 0 };
  render() { return <Text onPress={() => Actions.reset('shelf')}>{this.props.loanId}{this.props.mode}</Text>; }
}
export const HelpScene = () => <Text />;
//- src/open.js
import { Actions } from 'react-native-router-flux';
export default function open(key, props) { Actions[key](props); }
//- src/Routes.js
import React from 'react';
import { Lightbox, Router, Scene, Stack, Tabs } from 'react-native-router-flux';
import Keys from './keys';
import { HelpScene, ItemScene, LoanScene, ShelfScene } from './scenes';
const loans = <Scene key='loan' component={LoanScene} mode='short' />;
export default () => (
  <Router>
    <Lightbox key='root'>
      <Tabs key='tabs'>
        <Stack key='barn'>
          <Scene key={Keys.ITEM} component={ItemScene} />
          <Scene key='shelf' component={ShelfScene} initial />
        </Stack>
        {loans}
      </Tabs>
      <Scene key='help' component={HelpScene} />
    </Lightbox>
  </Router>
);
";

#[test]
fn scenes_by_key_and_what_their_components_take() {
    lists(
        &routes(&scanned(FLUX)),
        "
        loan [tab] -> LoanScene (loanId?: number, mode?: -) Routes.js:5
        *root [group] -> - () Routes.js:8
        *tabs [group] -> - () Routes.js:9
        *barn [group] -> - () Routes.js:10
        item [screen] -> ItemScene (itemId: number, note?: string) Routes.js:11
        *shelf [screen] -> ShelfScene () Routes.js:12
        help [dialog] -> HelpScene () Routes.js:16
        ",
    );
}

#[test]
fn the_object_of_actions_by_dot_bracket_and_wrapper() {
    let found = scanned(FLUX);
    lists(
        &calls(&found),
        "
        ShelfScene open dynamic dynamic () scenes.js:7
        ShelfScene open help generated () scenes.js:11
        ShelfScene open item generated (itemId) scenes.js:12
        ShelfScene open item constant () scenes.js:12
        ShelfScene open loan literal (loanId) scenes.js:13
        ShelfScene open help literal () scenes.js:13
        ShelfScene open undeclared generated () scenes.js:14
        ItemScene back - () scenes.js:19
        LoanScene reset shelf literal () scenes.js:23
        ",
    );
    let kinds =
        |rule: &str| found.findings.iter().filter(|f| f.rule == rule).map(|f| f.at.line).collect::<Vec<_>>();
    assert_eq!(kinds("argument-type"), [12]);
    assert_eq!(kinds("argument-missing"), [12]);
    assert_eq!(kinds("undeclared-route"), [14]);
}
