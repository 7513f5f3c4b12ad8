//! Places, hops and ways of small apps.

use super::Network;
use crate::fixture;
use crate::model::Document;

const BARN: &str = r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name=".MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
  <activity android:name=".DeskActivity"/>
</application></manifest>
//- minimal: host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:name="barn.ItemFragment"><deepLink app:uri="barn://item/{id}"/></fragment>
  <fragment android:id="@+id/attic" android:name="barn.AtticFragment"/>
  <navigation android:id="@+id/repairs" app:startDestination="@id/tickets">
    <fragment android:id="@+id/tickets" android:name="barn.TicketsFragment"/>
  </navigation>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
class MainActivity : AppCompatActivity(R.layout.main) {
    fun help() { startActivity(Intent(this, DeskActivity::class.java)) }
}
class DeskActivity : AppCompatActivity()
class ShelfFragment : Fragment() {
    fun item() { findNavController().navigate(R.id.item) }
    fun again() { findNavController().navigate(R.id.item) }
    fun lost() { findNavController().navigate(R.id.cellar) }
}
class ItemFragment : Fragment() {
    fun repairs() { findNavController().navigate(R.id.repairs) }
    fun back() { findNavController().popBackStack() }
}
class AtticFragment : Fragment() {
    fun item() { findNavController().navigate(R.id.item) }
}
class TicketsFragment : Fragment()
"#;

fn barn() -> Document {
    fixture::scan(fixture::files(BARN)).document
}

/// A line a hop: `Shelf -> Item 2`.
fn hops(network: &Network<'_>) -> Vec<String> {
    let name = |at: usize| network.places[at].name;
    network
        .hops
        .iter()
        .map(|hop| format!("{} -> {} {}", name(hop.from), name(hop.to), hop.calls.len()))
        .collect()
}

fn way(network: &Network<'_>, from: &str, to: &str, as_user: bool) -> Option<Vec<String>> {
    let (from, to) = (network.find(from).expect("a place"), network.find(to).expect("a place"));
    let ways = if as_user { network.ways_of_user(from) } else { network.ways_from(from) };
    let names = |way: Vec<usize>| {
        way.iter().map(|&hop| network.places[network.hops[hop].to].name.to_owned()).collect()
    };
    ways.to(to).map(names)
}

#[test]
fn hops_join_parallel_calls_and_hosts_show_what_they_hold() {
    let document = barn();
    let network = Network::new(&document);
    let mut found = hops(&network);
    found.sort();
    assert_eq!(
        found,
        [
            "AtticFragment -> ItemFragment 1",
            "ItemFragment -> TicketsFragment 1",
            "MainActivity -> DeskActivity 1",
            "MainActivity -> ShelfFragment 0",
            "ShelfFragment -> ItemFragment 2",
            "ShelfFragment -> R.id.cellar 1",
        ],
        "a step back is no hop, and a group is what it shows first"
    );
}

#[test]
fn ways_are_the_shortest_and_none_where_none_is() {
    let document = barn();
    let network = Network::new(&document);
    let tickets = way(&network, "MainActivity", "tickets", false);
    assert_eq!(tickets.expect("a way"), ["ShelfFragment", "ItemFragment", "TicketsFragment"]);
    assert_eq!(way(&network, "ShelfFragment", "ShelfFragment", false), Some(Vec::new()));
    assert_eq!(way(&network, "ShelfFragment", "AtticFragment", false), None);
}

#[test]
fn whoever_is_in_a_screen_has_the_bars_around_it_at_hand() {
    let document = barn();
    let network = Network::new(&document);
    assert_eq!(way(&network, "TicketsFragment", "DeskActivity", false), None);
    assert_eq!(way(&network, "TicketsFragment", "DeskActivity", true).expect("a way"), ["DeskActivity"]);
    let attic = way(&network, "AtticFragment", "DeskActivity", true);
    assert_eq!(attic.expect("a way"), ["ItemFragment", "DeskActivity"], "nothing is around the attic itself");
    assert_eq!(way(&network, "DeskActivity", "ItemFragment", true), None, "another window is around nothing");
}

#[test]
fn entries_are_launchers_and_addresses() {
    let document = barn();
    let network = Network::new(&document);
    let names: Vec<&str> = network.entries().into_iter().map(|at| network.places[at].name).collect();
    assert_eq!(names, ["MainActivity", "ItemFragment"]);
}

#[test]
fn findings_belong_to_the_screen_of_their_call_or_declaration() {
    let document = barn();
    let network = Network::new(&document);
    let rules = |name: &str| -> Vec<&str> {
        let place = &network.places[network.find(name).expect("a place")];
        place.findings.iter().map(|&finding| document.findings[finding].rule.as_str()).collect()
    };
    assert_eq!(rules("ShelfFragment"), ["undeclared-route"]);
    assert_eq!(rules("attic"), ["orphan-screen"]);
    assert!(rules("TicketsFragment").is_empty());
}

#[test]
fn names_are_found_by_screen_route_and_id_or_the_nearest_is_named() {
    let document = barn();
    let network = Network::new(&document);
    let item = network.find("ItemFragment");
    assert_eq!(network.find("item"), item);
    assert_eq!(network.find("screen:barn.ItemFragment"), item);
    assert_eq!(network.find("repairs"), network.find("TicketsFragment"), "a group is what it shows first");
    assert_eq!(network.find("ItmFragment"), Err(vec!["ItemFragment".to_owned()]));
    assert_eq!(network.find("attic_"), Err(vec!["attic".to_owned()]));
    assert_eq!(network.find("shelffrag"), Err(vec!["ShelfFragment".to_owned()]), "a part of a name will do");
    assert_eq!(network.find("zzz"), Err(Vec::new()));
}

#[test]
fn what_a_team_settles_is_an_entry_too() {
    let settled = format!("//- fallow-lantern.toml\nentries = [\"attic\"]\n{BARN}");
    let document = fixture::scan(fixture::files(&settled)).document;
    let network = Network::new(&document);
    assert!(network.places[network.find("attic").expect("a place")].entry);
    assert!(!document.findings.iter().any(|finding| finding.rule == "orphan-screen"), "and no orphan");
}
