//! React Native: the demo as it is shipped, and workspaces as they are checked out.

use crate::support::{App, demo, places, run, scanned};

#[test]
fn the_demos_slips_and_nothing_graver() {
    let document = scanned(&demo("react-native"));
    assert_eq!(
        places(&document, "undeclared-route"),
        ["ItemScreen.tsx:26", "linking.ts:14", "screens.js:15"],
        "a wrapper's use, an address without a route, an older call"
    );
    assert_eq!(places(&document, "out-of-scope-route"), ["screens.tsx:16"]);
    assert_eq!(places(&document, "start-missing"), ["MainTabs.tsx:12"]);
    assert_eq!(places(&document, "screen-missing"), ["Desk.js:11"]);
    assert_eq!(places(&document, "argument-missing"), ["screens.tsx:14"]);
    assert_eq!(
        places(&document, "argument-unsupplied"),
        ["screens.js:43"],
        "said where it is read, and once"
    );
    assert_eq!(places(&document, "result-unmatched"), ["PickBranchScreen.tsx:16"]);
    assert_eq!(places(&document, "back-too-far"), ["screens.tsx:37"]);
    assert_eq!(places(&document, "unused-name"), ["names.ts:6", "names.js:4"]);
}

#[test]
fn ways_pictures_and_gaps_of_the_new_styles() {
    let app = demo("react-native");
    let way = run(&["reach", "ShelfScreen", "PickBranchScreen", "--in", &app]);
    assert_eq!(way.status, 0, "{}", way.err);
    assert!(way.out.contains("Item"), "by way of the item: {}", way.out);
    let map = run(&["map", &app, "--format", "dot"]);
    assert!(map.out.contains("LoanListScreen") && map.out.contains("TicketScreen"), "{}", map.out);
    let move_on = run(&["gaps", &format!("{app}/old"), "--to", "stack-component"]);
    assert!(move_on.out.contains("routes      0 of 4"), "{}", move_on.out);
}

const WORKSPACE: &str = r#"
//- package.json
{ "private": true, "workspaces": ["packages/*"] }
//- packages/shelf/package.json
{ "name": "@barn/shelf", "main": "src/index.ts", "dependencies": { "@react-navigation/native": "7.1.0", "react-native": "0.79" } }
//- packages/shelf/src/index.ts
export { ShelfScreen as Shelf } from './ShelfScreen';
//- packages/shelf/src/ShelfScreen.tsx
import React from 'react';
import { useNavigation } from '@react-navigation/native';
export function ShelfScreen() {
  const navigation = useNavigation<any>();
  return <Text onPress={() => navigation.navigate('Itm')} />;
}
//- packages/app/package.json
{ "name": "@barn/app", "dependencies": { "@barn/shelf": "*", "@react-navigation/native": "7.1.0", "react-native": "0.79" } }
//- packages/app/App.tsx
import React from 'react';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { Shelf } from '@barn/shelf';
const Stack = createNativeStackNavigator();
export default () => <Stack.Navigator><Stack.Screen name="Shelf" component={Shelf} /></Stack.Navigator>;
//- packages/app/node_modules/lib/index.js
import { createNativeStackNavigator } from '@react-navigation/native-stack';
const S = createNativeStackNavigator({ screens: { Hidden: () => null } });
//- packages/app/build/App.js
import { createNativeStackNavigator } from '@react-navigation/native-stack';
export const S = createNativeStackNavigator({ screens: { Built: () => null } });
"#;

#[test]
fn a_workspace_is_several_modules_and_what_was_installed_or_built_is_none() {
    let app = App::new(WORKSPACE);
    let document = scanned(app.arg());
    let routes = document["routes"].as_array().expect("a list");
    let names: Vec<&str> = routes.iter().filter_map(|route| route["name"].as_str()).collect();
    assert_eq!(names, ["Shelf"]);
    assert!(routes[0]["screen"].as_str().expect("a screen of another package").ends_with("ShelfScreen"));
    assert_eq!(places(&document, "undeclared-route"), ["ShelfScreen.tsx:5"]);
}

#[test]
fn a_file_that_is_half_typed_spoils_no_other() {
    let app = App::new(WORKSPACE);
    app.write(
        "packages/app/Draft.tsx",
        b"import { useNavigation } from '@react-navigation/native';\nexport const D = () => <Te",
    );
    let document = scanned(app.arg());
    assert_eq!(places(&document, "undeclared-route"), ["ShelfScreen.tsx:5"]);
    let skipped = document["skipped"].as_array().expect("a list");
    assert!(skipped.iter().any(|one| one["path"] == "packages/app/Draft.tsx"), "{skipped:?}");
}
