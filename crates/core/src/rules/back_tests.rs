//! Steps back in a row, as each framework writes them.

use super::testing::judged;

#[test]
fn two_pops_of_a_page_that_lies_on_one() {
    let flutter = |pops: &str| {
        format!(
            r#"
//- pubspec.yaml
name: barn
//- lib/main.dart
import 'package:flutter/material.dart';
void main() => runApp(const MaterialApp(home: ShelfPage()));
class ShelfPage extends StatelessWidget {{
  const ShelfPage({{super.key}});
  Widget build(BuildContext context) => TextButton(onPressed: () => Navigator.push(
    context, MaterialPageRoute(builder: (_) => const ToolPage())), child: const Text('tool'));
}}
class ToolPage extends StatelessWidget {{
  const ToolPage({{super.key}});
  void close(BuildContext context) {{
{pops}
  }}
  Widget build(BuildContext context) => TextButton(onPressed: () => close(context), child: const Text('close'));
}}
"#
        )
    };
    judged(
        "back-too-far",
        &flutter(
            "    Navigator.of(context)\n      ..pop()\n      ..pop();\n        ^^^ back-too-far: 2 steps back, and `ToolPage` can be reached in 1",
        ),
    );
    judged(
        "back-too-far",
        &flutter(
            "    Navigator.pop(context);\n    Navigator.pop(context);\n              ^^^ back-too-far: 2 steps back",
        ),
    );
    judged(
        "back-too-far",
        &flutter("    Navigator.pop(context);\n    log('closed');\n    Navigator.pop(context);"),
    );
    judged(
        "back-too-far",
        &flutter(
            "    if (Navigator.canPop(context)) {\n      Navigator.pop(context);\n      Navigator.pop(context);\n    }",
        ),
    );
}

#[test]
fn two_steps_back_in_scripts_and_in_swift() {
    judged(
        "back-too-far",
        r#"
//- minimal: react-native
//- App.js
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name="Shelf" component={Shelf} />
    <Stack.Screen name="Tool" component={Tool} />
  </Stack.Navigator></NavigationContainer>
);
function Shelf({ navigation }) { return <Button onPress={() => navigation.navigate('Tool')} />; }
function Tool({ navigation }) {
  const close = () => {
    navigation.goBack();
    navigation.goBack();
               ^^^^^^ back-too-far: 2 steps back, and `Tool` can be reached in 1
  };
  return <Button onPress={close} />;
}
"#,
    );
    judged(
        "back-too-far",
        r#"
//- App.swift
import UIKit
@main class AppDelegate: UIResponder, UIApplicationDelegate {
    var window: UIWindow?
    func application(_ application: UIApplication, didFinishLaunchingWithOptions options: [String: Any]?) -> Bool {
        window?.rootViewController = UINavigationController(rootViewController: ShelfController())
        return true
    }
}
class ShelfController: UIViewController {
    func open() { navigationController?.pushViewController(ToolController(), animated: true) }
}
class ToolController: UIViewController {
    func close() {
        navigationController?.popViewController(animated: false)
        navigationController?.popViewController(animated: true)
                              ^^^^^^^^^^^^^^^^^ back-too-far: 2 steps back
    }
}
"#,
    );
}
