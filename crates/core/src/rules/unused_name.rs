use super::{Example, Report, Rule, Says, Sink};
use crate::link::Graph;
use crate::model::Severity;

pub(super) static RULE: Rule = Rule {
    name: "unused-name",
    severity: Severity::Note,
    says: Says::Absence,
    summary: "A route constant or a declared action that nothing uses.",
    why: "It tells readers of a way through the app that is not there.",
    mend: "Use it, or take it out.",
    example: Example {
        wrong: "<action android:id=\"@+id/action_shelf_to_settings\" app:destination=\"@id/settings\" />\n<!-- nothing uses it -->",
        right: "findNavController().navigate(R.id.action_shelf_to_settings)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    for action in graph.actions.iter().filter(|action| !action.used) {
        // The actions of a route that is never shown go with it.
        if action.route.is_some_and(|route| graph.routes[route].loses_to.is_some()) {
            continue;
        }
        let name = &action.fact.name;
        sink.push(Report::new(action.fact.at, name, format!("nothing uses the action `{name}`")));
    }
    for constant in graph.constants.iter().filter(|constant| !constant.used && !constant.function) {
        let message = format!("nothing uses `{}`", constant.name);
        sink.push(Report::new(constant.at, &constant.name, message));
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn actions_and_constants() {
        judged(
            "unused-name",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/by_id" app:destination="@id/item"/>
    <action android:id="@+id/by_directions" app:destination="@id/item"/>
    <action android:id="@+id/by_nobody" app:destination="@id/item"/>
    ^^^^^^^ unused-name: nothing uses the action `by_nobody`
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"><deepLink app:uri="barn://item/{id}"/></fragment>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
object Links {
    const val ITEM = "barn://item/first"
    const val MAP = "barn://map"
              ^^^ unused-name: nothing uses `Links.MAP`
}
class ShelfFragment : Fragment() {
    fun open() {
        findNavController().navigate(R.id.by_id)
        findNavController().navigate(ShelfFragmentDirections.byDirections())
        findNavController().navigate(Links.ITEM.toUri())
    }
}
class ItemFragment : Fragment()
"#),
        );
    }

    #[test]
    fn names_in_objects_that_are_frozen_constant_or_nested() {
        judged(
            "unused-name",
            r#"
//- minimal: react-native
//- names.ts
export const NAMES = Object.freeze({ SHELF: 'Shelf', LOANS: 'Loans', GONE: 'Gone' });
                                                                     ^^^^ unused-name: nothing uses `NAMES.GONE`
export const DESK = { queue: { LIST: 'Queue', LOST: 'Fees' } } as const;
                                              ^^^^ unused-name: nothing uses `DESK.queue.LOST`
//- App.tsx
import { NavigationContainer } from '@react-navigation/native';
import { createNativeStackNavigator } from '@react-navigation/native-stack';
import { DESK, NAMES } from './names';
const Stack = createNativeStackNavigator();
export default () => (
  <NavigationContainer><Stack.Navigator>
    <Stack.Screen name={NAMES.SHELF} component={Shelf} />
    <Stack.Screen name={NAMES.LOANS} component={Loans} />
    <Stack.Screen name={DESK.queue.LIST} component={Loans} />
    <Stack.Screen name="Fees" component={Loans} />
  </Stack.Navigator></NavigationContainer>
);
function Shelf({ navigation }) { return <Button onPress={() => navigation.navigate(NAMES.LOANS)} />; }
function Loans() { return <Text />; }
"#,
        );
    }
}
