//! `flux-scene` as older apps write it.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

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
        expect![[r#"
        loan [tab] -> LoanScene (loanId?: number, mode?: -) Routes.js:5
        *root [group] -> - () Routes.js:8
        *tabs [group] -> - () Routes.js:9
        *barn [group] -> - () Routes.js:10
        item [screen] -> ItemScene (itemId: number, note?: string) Routes.js:11
        *shelf [screen] -> ShelfScene () Routes.js:12
        help [dialog] -> HelpScene () Routes.js:16"#]],
    );
}

#[test]
fn the_object_of_actions_by_dot_bracket_and_wrapper() {
    let found = scanned(FLUX);
    lists(
        &calls(&found),
        expect![[r#"
        ShelfScene open dynamic dynamic () scenes.js:7
        ShelfScene open help generated () scenes.js:11
        ShelfScene open item generated (itemId) scenes.js:12
        ShelfScene open item constant () scenes.js:12
        ShelfScene open loan literal (loanId) scenes.js:13
        ShelfScene open help literal () scenes.js:13
        ShelfScene open undeclared generated () scenes.js:14
        ItemScene back - () scenes.js:19
        LoanScene reset shelf literal () scenes.js:23"#]],
    );
    let kinds =
        |rule: &str| found.findings.iter().filter(|f| f.rule == rule).map(|f| f.at.line).collect::<Vec<_>>();
    assert_eq!(kinds("argument-type"), [12]);
    assert_eq!(kinds("argument-missing"), [12]);
    assert_eq!(kinds("undeclared-route"), [14]);
}
