//! What is said of one screen.

use crate::fixture;
use crate::model::{Document, Reach, WayIn};
use crate::network::Network;
use crate::reach::reach;

const BARN: &str = r#"
//- minimal: launcher, host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment">
    <argument android:name="itemId" app:argType="string"/>
    <deepLink app:uri="barn://item/{itemId}"/>
  </fragment>
  <dialog android:id="@+id/pick" android:name="barn.PickDialog"/>
  <fragment android:id="@+id/attic" android:name="barn.AtticFragment"/>
  <fragment android:id="@+id/trunk" android:name="barn.TrunkFragment"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
import androidx.fragment.app.setFragmentResult
import androidx.fragment.app.setFragmentResultListener
class MainActivity : AppCompatActivity(R.layout.main)
class ShelfFragment : Fragment() {
    fun item() { findNavController().navigate(R.id.item, bundleOf("itemId" to "spade")) }
}
class ItemFragment : Fragment() {
    override fun onCreate(state: Bundle?) {
        val id = requireArguments().getString("itemId")!!
        setFragmentResultListener("tag") { _, bundle -> }
    }
    fun pick() { findNavController().navigate(R.id.pick) }
}
class PickDialog : DialogFragment() {
    fun done() { setFragmentResult("tag", bundleOf()) }
}
class AtticFragment : Fragment() {
    fun trunk() { findNavController().navigate(R.id.trunk) }
}
class TrunkFragment : Fragment()
"#;

fn barn() -> Document {
    fixture::scan(fixture::files(BARN)).document
}

fn asked(document: &Document, name: &str, from: Option<&str>) -> Reach {
    let network = Network::new(document);
    let find = |name: &str| network.find(name).expect("a place");
    reach(&network, find(name), from.map(find))
}

/// `MainActivity (the app's start) > ShelfFragment > ItemFragment`.
fn ways(reach: &Reach) -> Vec<String> {
    let line = |way: &WayIn| {
        let entry = way.entry.as_ref().map(|entry| format!(" ({entry})")).unwrap_or_default();
        let steps: String = way.steps.iter().map(|step| format!(" > {}", step.to)).collect();
        format!("{}{entry}{steps}", way.from)
    };
    reach.ways.iter().map(line).collect()
}

#[test]
fn a_screen_with_all_that_belongs_to_it() {
    let document = barn();
    let item = asked(&document, "item", None);
    assert_eq!(item.name, "ItemFragment");
    assert_eq!(
        ways(&item),
        [
            "ItemFragment (barn://item/{itemId})",
            "MainActivity (the app's start) > ShelfFragment > ItemFragment"
        ]
    );
    let steps = &item.ways[1].steps;
    assert!(steps[0].verb.is_none(), "the activity shows the shelf inside itself");
    assert_eq!(steps[1].text.as_deref(), Some("R.id.item"));
    assert_eq!(item.routes[0].parameters[0].name, "itemId");
    assert_eq!(item.openers.len(), 1);
    assert_eq!(item.openers[0].from, ["ShelfFragment"]);
    assert_eq!(item.openers[0].arguments[0].value.as_deref(), Some("\"spade\""));
    assert_eq!((item.reads[0].name.as_str(), item.reads[0].forced), ("itemId", true));
    assert_eq!(item.takes_back[0].with[0].screen.as_deref(), Some("PickDialog"));
    assert_eq!(item.onward.iter().map(|on| on.to.as_str()).collect::<Vec<_>>(), ["PickDialog"]);
}

#[test]
fn what_a_screen_hands_back_and_who_takes_it() {
    let document = barn();
    let pick = asked(&document, "PickDialog", None);
    assert_eq!(pick.hands_back[0].key.as_deref(), Some("tag"));
    assert_eq!(pick.hands_back[0].with[0].screen.as_deref(), Some("ItemFragment"));
    assert!(pick.takes_back.is_empty());
}

#[test]
fn why_there_is_no_way() {
    let document = barn();
    let why = |name: &str, from: Option<&str>| asked(&document, name, from).why_not.unwrap_or_default();
    assert_eq!(why("attic", None), "nothing opens `AtticFragment`");
    assert_eq!(
        why("trunk", None),
        "`TrunkFragment` is only opened from `AtticFragment`, which cannot be reached from any entry"
    );
    assert_eq!(
        why("trunk", Some("item")),
        "`TrunkFragment` is only opened from `AtticFragment`, which cannot be reached from `ItemFragment`; `ItemFragment` leads to 1 other place"
    );
    assert_eq!(why("item", None), "");
}

#[test]
fn the_way_from_one_screen_to_another() {
    let document = barn();
    assert_eq!(
        ways(&asked(&document, "PickDialog", Some("shelf"))),
        ["ShelfFragment > ItemFragment > PickDialog"]
    );
    assert_eq!(ways(&asked(&document, "shelf", Some("shelf"))), ["ShelfFragment"], "one is there already");
}

#[test]
fn findings_come_along() {
    let document = barn();
    let rules: Vec<String> = asked(&document, "attic", None).findings.into_iter().map(|f| f.rule).collect();
    assert_eq!(rules, ["orphan-screen"]);
}
