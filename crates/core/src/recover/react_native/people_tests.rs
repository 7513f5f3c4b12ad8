//! React Native as people write it: names in frozen objects, functions in services and hooks, components
//! behind wrappers, base classes, scenes with paths, projects without a package file.

use crate::recover::testing::{calls, lists, reads, results, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

#[test]
fn names_in_frozen_objects_and_functions_of_services_and_hooks() {
    let document = scanned(
        r#"
//- minimal: react-native
//- src/names.js
export const NAMES = Object.freeze({ SHELF: 'Shelf', TOOL: 'Tool', LOAN: 'Loan' });
//- src/service.js
import { createNavigationContainerRef } from '@react-navigation/native';
import { NAMES } from './names';
export const ref = createNavigationContainerRef();
function navigate(name, params) { if (ref.isReady()) { ref.navigate(name, params); } }
function showLoan(loanId) { ref.navigate(NAMES.LOAN, { loanId }); }
export default { navigate, showLoan };
//- src/useShelf.js
import { useNavigation } from '@react-navigation/native';
export function useShelf() { const navigation = useNavigation(); return { navigation, items: [] }; }
//- App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import Service from './src/service';
import { NAMES } from './src/names';
import { useShelf } from './src/useShelf';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name={NAMES.SHELF} component={ShelfScreen} />
    <Stack.Screen name={NAMES.TOOL} component={ToolScreen} />
    <Stack.Screen name={NAMES.LOAN} component={LoanScreen} />
  </Stack.Navigator></NavigationContainer>
);
function ShelfScreen() {
  const { navigation } = useShelf();
  return (
    <View>
      <Button onPress={() => navigation.navigate(NAMES.TOOL, { toolId: 3 })} />
      <Button onPress={() => Service.navigate('Loan', { loanId: 7 })} />
      <Button onPress={() => Service.showLoan(8)} />
      <LinkCard to="Tool" />
    </View>
  );
}
function LinkCard({ to }) { const { navigation } = useShelf(); return <Button onPress={() => navigation.navigate(to)} />; }
function ToolScreen({ route }) { return <Text>{route.params.toolId}</Text>; }
function LoanScreen({ route }) { return <Text>{route.params.loanId}</Text>; }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *Shelf [screen] -> ShelfScreen () App.js:9
        Tool [screen] -> ToolScreen (toolId: -) App.js:10
        Loan [screen] -> LoanScreen (loanId: -) App.js:11"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ShelfScreen open Tool constant (toolId) App.js:18
        ShelfScreen open Loan literal (loanId) App.js:19
        ShelfScreen open Tool constant () App.js:21
        ShelfScreen open Loan constant (loanId) service.js:5"#]],
    );
}

#[test]
fn older_components_behind_wrappers_and_on_bases_of_the_apps_own() {
    let document = scanned(
        r#"
//- package.json
{ "name": "barn", "dependencies": { "react-navigation": "4.4.0", "react-navigation-stack": "2.10.0" } }
//- src/Base.js
import React from 'react';
export default class BaseScreen extends React.Component {
  param(name, fallback) { return this.props.navigation.getParam(name, fallback); }
  goTo(routeName, params) { this.props.navigation.navigate(routeName, params); }
}
//- src/ShelfScreen.js
import BaseScreen from './Base';
export default class ShelfScreen extends BaseScreen {
  render() { return <Button onPress={() => this.goTo('Tool', { toolId: 3 })} />; }
}
//- src/ToolScreen.js
import EditButton from './EditButton';
export default function ToolScreen({ navigation }) { return <EditButton tool={navigation.getParam('toolId')} />; }
//- src/EditButton.js
import React from 'react';
import { withNavigation } from 'react-navigation';
class EditButton extends React.Component {
  open = () => { this.props.navigation.navigate('Shelf'); };
  render() { return <Button onPress={this.open} />; }
}
export default withNavigation(EditButton);
//- App.js
import { createAppContainer } from 'react-navigation';
import { createStackNavigator } from 'react-navigation-stack';
import ShelfScreen from './src/ShelfScreen';
import ToolScreen from './src/ToolScreen';
export default createAppContainer(createStackNavigator({ Shelf: ShelfScreen, Tool: { screen: ToolScreen, path: 'tool/:toolId' } }));
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *Shelf [screen] -> ShelfScreen () App.js:5
        Tool [screen] -> ToolScreen (toolId: -) App.js:5"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        ToolScreen open Shelf literal () EditButton.js:4
        ShelfScreen open Tool literal (toolId) ShelfScreen.js:3"#]],
    );
    let orphans = document.findings.iter().filter(|finding| finding.rule == "orphan-screen").count();
    assert_eq!(orphans, 0, "what others build on is no screen of its own");
}

#[test]
fn scenes_by_path_and_what_a_step_back_hands_on() {
    let document = scanned(
        r#"
//- package.json
{ "name": "barn", "dependencies": { "react-native-router-flux": "4.3.1" } }
//- App.js
import { Actions, Drawer, Router, Scene, Stack } from 'react-native-router-flux';
export default () => (
  <Router uriPrefix="barn.example"><Stack key="root">
    <Scene key="shelf" component={Shelf} initial />
    <Scene key="weigh" component={Weigh} />
    <Scene key="notice" path="/notice/:noticeId/" component={Notice} />
    <Drawer key="more"><Scene key="map" component={Map} /><Scene key="rules" component={Rules} /></Drawer>
  </Stack></Router>
);
function Shelf({ measured }) { return <Text onPress={() => Actions.weigh()} onLongPress={() => Actions.more()}>{measured}</Text>; }
function Weigh() { return <Text onPress={() => Actions.pop({ refresh: { measured: 3 } })} />; }
function Notice({ noticeId }) { return <Text>{noticeId}</Text>; }
function Map() { return <Text />; }
function Rules() { return <Text />; }
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *root [group] -> - () App.js:3
        *shelf [screen] -> Shelf (measured?: -) App.js:4
        weigh [screen] -> Weigh () App.js:5
        notice [screen] -> Notice (noticeId: -) <barn.example/notice/{noticeId}> App.js:6
        more [group] -> - () App.js:7
        *map [screen] -> Map () App.js:7
        rules [screen] -> Rules () App.js:7"#]],
    );
    lists(
        &results(&document),
        expect![[r#"
        receive measured App.js:10
        send measured App.js:11"#]],
    );
    let rules: Vec<&str> = document.findings.iter().map(|finding| finding.rule.as_str()).collect();
    for silent in ["orphan-screen", "argument-unsupplied", "result-unmatched", "unreachable-route"] {
        assert!(!rules.contains(&silent), "{silent}: {:#?}", document.findings);
    }
}

#[test]
fn tabs_and_drawers_list_their_screens_unless_the_app_draws_them() {
    let app = |properties: &str, mark: &str| {
        format!(
            r#"
//- package.json
{{ "name": "barn", "dependencies": {{ "@react-navigation/native": "7.1.0", "@react-navigation/drawer": "7.1.0" }} }}
//- App.js
import {{ NavigationContainer }} from '@react-navigation/native';
import {{ createDrawerNavigator }} from '@react-navigation/drawer';
const Drawer = createDrawerNavigator();
export default () => (
  <NavigationContainer><Drawer.Navigator{properties}>
    <Drawer.Screen name="Shelf" component={{Shelf}} />
    <Drawer.Screen name="Loans" component={{Loans}} />
{mark}  </Drawer.Navigator></NavigationContainer>
);
const Shelf = () => <Text />;
const Loans = () => <Text />;
const Menu = () => <Text />;
"#
        )
    };
    judged("orphan-screen", &app("", ""));
    let drawn = " drawerContent={() => <Menu />}";
    judged("orphan-screen", &app(drawn, "            ^^^^^^ orphan-screen: names `Loans`\n"));
}

#[test]
fn file_routes_of_a_project_whose_package_file_is_made_later() {
    let document = scanned(
        r#"
//- metro.config.js
module.exports = {};
//- package.json.template
//- app/_layout.tsx
import { Stack } from 'expo-router';
export default function Layout() { return <Stack />; }
//- app/index.tsx
import { Link, useLocalSearchParams } from 'expo-router';
import { TabTrigger } from 'expo-router/ui';
export default function Home() { return <><Link href="/tools/3">3</Link><TabTrigger name="tools" href="/tools/4">4</TabTrigger></>; }
//- app/tools/[id].tsx
import { useLocalSearchParams } from 'expo-router';
export default function Tool() { const { id } = useLocalSearchParams<{ id: string }>(); return <Text>{id}</Text>; }
"#
        .replace("//- package.json.template\n", "")
        .as_str(),
    );
    lists(
        &routes(&document),
        expect![[r#"
        */ [screen] -> Home () index.tsx:3
        /tools/[id] [screen] -> Tool (id: string) [id].tsx:2"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        Home link /tools/[id] literal (id) index.tsx:3
        Home tab /tools/[id] literal (id) index.tsx:3"#]],
    );
    lists(&reads(&document), expect!["Tool id - [id].tsx:2"]);
}

#[test]
fn a_callee_that_is_cast_is_called_all_the_same() {
    let document = scanned(
        r#"
//- minimal: react-native
//- App.tsx
import { createNavigationContainerRef, NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
const ref = createNavigationContainerRef();
const Stack = createNativeStackNavigator();
export function go(name: string, params?: object) { (ref.navigate as (name: string, params?: object) => void)(name, params); }
export default () => (
  <NavigationContainer ref={ref}><Stack.Navigator>
    <Stack.Screen name="Shelf" component={Shelf} />
    <Stack.Screen name="Tool" component={Tool} />
  </Stack.Navigator></NavigationContainer>
);
function Shelf() { return <Button onPress={() => go('Tool', { id: 3 })} />; }
function Tool({ route }) { return <Text>{route.params.id}</Text>; }
"#,
    );
    lists(&calls(&document), expect!["Shelf open Tool literal (id) App.tsx:12"]);
}

#[test]
fn parameters_that_a_helper_takes_out_by_bracket_and_by_quoted_keys() {
    let app = r#"
//- package.json
{ "name": "barn", "dependencies": { "react-navigation": "4.4.4", "react-navigation-stack": "2.10.4", "react-native": "0.61" } }
//- index.js
import { AppRegistry } from 'react-native';
import App from './App';
AppRegistry.registerComponent('barn', () => App);
//- App.js
import React from 'react';
import { createAppContainer } from 'react-navigation';
import { createStackNavigator } from 'react-navigation-stack';
import { Label, Shelf, Tool } from './screens';
export default createAppContainer(createStackNavigator({ Shelf, Tool, Label }));
//- screens.js
import React from 'react';
const PLACE = 'place';
class BarnScreen extends React.Component {
  param(name) { return this.props.navigation.getParam(name); }
}
export class Shelf extends React.Component {
  open = () => {
    this.props.navigation.navigate('Tool', { id: 3, place: 'top' });
    this.props.navigation.navigate('Label', { id: 3, 'label-size': 'A6' });
                                                                   ^^^^ hard-coded-key: `label-size`
  };
  render() { return <Button onPress={this.open} />; }
}
export class Tool extends BarnScreen {
  render() {
    const { params } = this.props.navigation.state;
    return <Text>{`${this.param('id')} ${params[PLACE]}`}</Text>;
  }
}
export function Label(props) {
  return <Text>{`${props.navigation.getParam('id', 1)} ${props.navigation.getParam('label-size', 'A7')}`}</Text>;
}
"#;
    judged("hard-coded-key", app);
    let plain: String =
        app.lines().filter(|line| !line.contains("^^^^")).map(|line| format!("{line}\n")).collect();
    judged("argument-unread", &plain);
    let document = scanned(&plain);
    lists(
        &reads(&document),
        expect![[r#"
        Tool id - screens.js:16
        Tool place - screens.js:16
        Label id - screens.js:20
        Label label-size - screens.js:20"#]],
    );
}

/// An element makes a component's object with its properties, whether it is a function or a class.
#[test]
fn classes_of_components_are_given_what_their_elements_say() {
    let document = scanned(
        r#"
//- minimal: react-native
//- src/rows.js
import React, { Component, PureComponent } from 'react';
export class Row extends React.Component {
  render() { const { to, navigation } = this.props; return <Button onPress={() => navigation.navigate(to)} />; }
}
export class Link extends PureComponent {
  constructor(props) { super(props); this.go = this.go.bind(this); }
  go() { this.props.navigation.navigate(this.props.to, { toolId: this.props.id }); }
  render() { return <Button onPress={this.go} />; }
}
export class Help extends Component {
  press = () => { const { to } = this.props; if (to === 'Manual') { open(); return; } this.props.navigation.navigate(to); };
  render() { return <Button onPress={this.press} />; }
}
//- App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { Row as MenuRow, Link, Help } from './src/rows';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={Shelf} />
    <Stack.Screen name="Tool" component={Tool} />
    <Stack.Screen name="Loans" component={Loans} />
  </Stack.Navigator></NavigationContainer>
);
function Shelf({ navigation }) {
  return (
    <View>
      {['Shelf', 'Loans'].map((name) => <MenuRow key={name} to={name} navigation={navigation} />)}
      <Link to="Tool" id={7} navigation={navigation} />
      <Help to="Manual" navigation={navigation} />
      <Help to="Loans" navigation={navigation} />
    </View>
  );
}
function Tool({ route }) { return route.params.toolId; }
function Loans() { return null; }
"#,
    );
    expect![[r#"
        Shelf open Shelf|Loans computed () App.js:15
        Shelf open Tool constant (toolId) App.js:16
        Shelf open Loans constant () App.js:18"#]]
    .assert_eq(&calls(&document));
}
