use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{RouteId, ScreenId};
use crate::link::{Graph, reachable_from};
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "unreachable-route",
    severity: Severity::Warning,
    says: Says::Absence,
    summary: "Calls name it, but none of them can be reached from any entry.",
    why: "It looks used, since something opens it. Yet every way to it starts where nobody can get.",
    mend: "Open one of the screens on the way from somewhere that can be reached, or take the whole island out.",
    example: Example {
        wrong: "// only HandoverFragment itself opens handover\nfindNavController().navigate(R.id.action_handover_self)",
        right: "// and from the shelf\nfindNavController().navigate(R.id.action_shelf_to_handover)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    if !graph.routes.iter().any(|route| route.reached) {
        return;
    }
    // What is broken, or has no route to be reached by, explains all that lies behind it.
    let mut explained: Vec<RouteId> = graph
        .routes
        .indices()
        .filter(|&route| graph.routes[route].reached || graph.is_excused(route))
        .collect();
    let used = |screen: &ScreenId| graph.screens[*screen].made || graph.screens[*screen].derived;
    explained.extend(graph.lost_screens().filter(used).flat_map(|screen| graph.opened_by(screen)));
    let mut known = reachable_from(graph, &explained);
    let mut reported: Vec<RouteId> = Vec::new();
    for route in graph.routes.indices() {
        let called: Vec<_> = graph.calls_to(route).collect();
        // Those that only open each other are in it together.
        let round = || {
            let from_here = reachable_from(graph, &[route]);
            reported
                .iter()
                .any(|other| from_here.contains(other) && reachable_from(graph, &[*other]).contains(&route))
        };
        if called.is_empty() || (known.contains(&route) && !round()) {
            continue;
        }
        reported.push(route);
        let fact = &graph.routes[route].fact;
        let message = format!("`{}` is opened only from where nobody can get", fact.name);
        if sink.is_beyond(route, graph) {
            continue;
        }
        let mut report = Report::new(fact.at, &fact.name, message).unless(graph.may_lead_to(route));
        for call in called {
            report = report.related("opened here", call.fact.at);
        }
        sink.push(report);
        explained.push(route);
        known = reachable_from(graph, &explained);
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn those_that_only_open_each_other_are_each_named_and_what_lies_behind_is_not() {
        judged(
            "unreachable-route",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/handover" android:name="barn.HandoverFragment"/>
  ^^^^^^^^^ unreachable-route: `handover` is opened only
  <fragment android:id="@+id/receipt" android:name="barn.ReceiptFragment"/>
  ^^^^^^^^^ unreachable-route: `receipt` is opened only
  <fragment android:id="@+id/printed" android:name="barn.PrintedFragment"/>
  <fragment android:id="@+id/orphan" android:name="barn.OrphanFragment"/>
  <fragment android:id="@+id/behind" android:name="barn.BehindFragment"/>
  ^^^^^^^^^ unreachable-route: `behind` is opened only
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() { fun open() = findNavController().navigate(R.id.item) }
class ItemFragment : Fragment()
class HandoverFragment : Fragment() { fun open() = findNavController().navigate(R.id.receipt) }
class ReceiptFragment : Fragment() {
    fun back() = findNavController().navigate(R.id.handover)
    fun print() = findNavController().navigate(R.id.printed)
}
class PrintedFragment : Fragment()
class BehindFragment : Fragment()
class OrphanFragment : Fragment() { fun open() = findNavController().navigate(R.id.behind) }
"#),
        );
    }

    /// A drawer whose second screen nothing opens, and the screen that only this one opens.
    fn drawer(properties: &str) -> String {
        format!(
            r#"
//- minimal: react-native
//- package.json
{{ "name": "barn", "dependencies": {{ "@react-navigation/native": "7.1.0", "@react-navigation/drawer": "7.1.0", "@react-navigation/native-stack": "7.1.0" }} }}
//- App.tsx
import {{ NavigationContainer, useNavigation }} from '@react-navigation/native';
import {{ createDrawerNavigator }} from '@react-navigation/drawer';
import {{ createNativeStackNavigator }} from '@react-navigation/native-stack';
const Drawer = createDrawerNavigator();
const Stack = createNativeStackNavigator();
function Shelf() {{ return null; }}
function Loans() {{
  const navigation = useNavigation();
  return <Button onPress={{() => navigation.navigate('Receipt')}} />;
}}
function Receipt() {{ return null; }}
function Main() {{
  return (
    <Drawer.Navigator {properties}>
      <Drawer.Screen name="Shelf" component={{Shelf}} />
      <Drawer.Screen name="Loans" component={{Loans}} />
    </Drawer.Navigator>
  );
}}
export default function App() {{
  return (
    <NavigationContainer>
      <Stack.Navigator>
        <Stack.Screen name="Main" component={{Main}} />
        <Stack.Screen name="Receipt" component={{Receipt}} />
      </Stack.Navigator>
    </NavigationContainer>
  );
}}
"#
        )
    }

    #[test]
    fn what_a_drawer_lists_is_reached_without_a_call() {
        judged("unreachable-route", &drawer(""));
    }

    #[test]
    fn what_a_drawer_that_the_app_draws_may_not_list_is_not() {
        let drawn = drawer("drawerContent={() => <Own />}");
        let marked = drawn.replace(
            "        <Stack.Screen name=\"Receipt\"",
            "        <Stack.Screen\n        name=\"Receipt\"",
        );
        let marked = marked.replace(
            "        <Stack.Screen\n",
            "        <Stack.Screen\n               ^^^^^^ unreachable-route: `Receipt` is opened only\n",
        );
        judged("unreachable-route", &marked);
    }
}
