use super::{Example, Report, Rule, Says, Sink};
use crate::facts::{Opened, RouteId, Unopened};
use crate::link::Graph;
use crate::model::{RouteKind, Severity};

pub(super) static RULE: Rule = Rule {
    name: "orphan-screen",
    severity: Severity::Warning,
    says: Says::Absence,
    summary: "A screen that no route shows and nothing makes, or a route that is no entry and that no call names.",
    why: "It is carried along, translated and tested, and nobody can open it: left over, or its way in was lost.",
    mend: "Open it from somewhere, or take it out.",
    example: Example {
        wrong: "<fragment android:id=\"@+id/repair_guide\" android:name=\".RepairGuideFragment\" />\n<!-- no call, menu or deep link names repair_guide -->",
        right: "findNavController().navigate(R.id.repair_guide)",
    },
    check,
};

fn check(graph: &Graph<'_>, sink: &mut Sink) {
    // A part of an app, without what the system opens first, is opened from outside of it.
    if !graph.has_entries {
        return;
    }
    for route in orphan_routes(graph) {
        let fact = &graph.routes[route].fact;
        let message = match graph.routes[route].is_group() {
            true => format!("no call, menu or deep link opens the graph `{}`", fact.name),
            false => format!("no call, menu or deep link names `{}`", fact.name),
        };
        if sink.is_beyond(route, graph) {
            continue;
        }
        sink.push(Report::new(fact.at, &fact.name, message).unless(graph.may_lead_to(route)));
    }
    for (i, screen) in graph.screens.iter_enumerated() {
        let fact = &screen.fact;
        // A file that could not be read whole may name it.
        let may_be_named = graph.half_read.contains(fact.name.as_str());
        if fact.is_base || screen.derived || screen.made || may_be_named || graph.is_shown(i) {
            continue;
        }
        let message = format!("no route shows `{}`, and nothing makes one", graph.screen_name(i));
        sink.push(Report::new(fact.at, &fact.name, message));
    }
}

/// Routes that nothing leads to by name. What another finding explains is left to that.
fn orphan_routes(graph: &Graph<'_>) -> Vec<RouteId> {
    graph.routes.indices().filter(|&route| is_orphan(graph, route)).collect()
}

fn is_orphan(graph: &Graph<'_>, route: RouteId) -> bool {
    let this = &graph.routes[route];
    let opened = this.start
        || this.entry
        || this.fact.opened.from_outside()
        || graph.is_called(route)
        || graph.is_redirected_to(route)
        || graph.is_offered(route)
        || this.fact.kind == RouteKind::Fallback;
    if opened
        || this.fact.opened == Opened::OnlyIfCalled
        || graph.is_excused(route)
        || graph.is_mentioned(route)
    {
        return false;
    }
    match graph.ways_of(route).unopened {
        Unopened::Shown => false,
        // Another route shows the same screen: who opens it is that route's matter.
        Unopened::ByItsScreen => {
            let screen = this.screen.map(|screen| &graph.screens[screen]);
            screen.is_some_and(|screen| screen.routes.len() == 1 && !screen.made && !screen.fact.is_base)
        }
        Unopened::Orphan => match this.group {
            // A graph whose inside is entered by other ways need not be named itself.
            Some(group) => !graph.routes.iter_enumerated().any(|(i, inner)| {
                inner.container.is_some_and(|c| graph.is_within(c, group))
                    && (inner.entry || graph.is_called_from_outside(i, group))
            }),
            None => true,
        },
    }
}

#[cfg(test)]
mod tests {
    use crate::rules::testing::{app, judged};

    #[test]
    fn routes_nobody_names_and_classes_nobody_makes() {
        judged(
            "orphan-screen",
            &app(r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name="barn.HostActivity"><intent-filter><action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
  <activity android:name=".ScanActivity"/>
  <activity android:name=".LostActivity"/>
  ^^^^^^^^^ orphan-screen: no call, menu or deep link names `LostActivity`
  <activity android:name=".ShareActivity"><intent-filter><action android:name="android.intent.action.SEND"/></intent-filter></activity>
</application></manifest>
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/guide" android:name="barn.GuideFragment"/>
  ^^^^^^^^^ orphan-screen: names `guide`
  <fragment android:id="@+id/linked" android:name="barn.GuideFragment"><deepLink app:uri="barn://guide"/></fragment>
</navigation>
//- Screens.kt
package barn
import androidx.fragment.app.Fragment
open class BaseFragment : Fragment()
class ShelfFragment : BaseFragment() {
    fun scan() { startActivity(Intent(requireContext(), ScanActivity::class.java)) }
    fun sheet() { UsedSheet.newInstance().show(childFragmentManager, "used") }
}
class GuideFragment : BaseFragment()
class LegendSheet : BottomSheetDialogFragment()
      ^^^^^^^^^^^ orphan-screen: no route shows `LegendSheet`
class UsedSheet : BottomSheetDialogFragment() { companion object { fun newInstance() = UsedSheet() } }
class ForgottenSheet : BottomSheetDialogFragment() { companion object { fun newInstance() = ForgottenSheet() } }
      ^^^^^^^^^^^^^^ orphan-screen: no route shows `ForgottenSheet`
class ScanActivity : AppCompatActivity()
class LostActivity : AppCompatActivity()
class ShareActivity : AppCompatActivity()
"#),
        );
    }

    #[test]
    fn directions_handed_through_a_view_model_name_their_route() {
        judged(
            "orphan-screen",
            &app(r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment">
    <action android:id="@+id/shelf_to_item" app:destination="@id/item"/>
  </fragment>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/byId" android:name="barn.ItemFragment"/>
  <fragment android:id="@+id/nobody" android:name="barn.ItemFragment"/>
  ^^^^^^^^^ orphan-screen: names `nobody`
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    private val model: ShelfModel by viewModels()
    fun listen() {
        model.way.observe(this) { findNavController().navigate(it) }
        model.id.observe(this) { id: Int -> findNavController().navigate(id) }
    }
}
class ShelfModel : ViewModel() {
    val way = MutableLiveData<NavDirections>()
    val id = MutableLiveData<Int>()
    fun open() { way.value = ShelfFragmentDirections.shelfToItem() }
    fun other() { id.value = R.id.byId }
}
class ItemFragment : Fragment()
"#),
        );
    }
}
