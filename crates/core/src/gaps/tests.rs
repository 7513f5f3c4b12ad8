//! Two small apps compared, and one against a style.

use super::{compare, toward};
use crate::fixture;
use crate::model::{Document, Gaps, Style};
use crate::settings::Named;

/// The barn with resource graphs.
const OLD: &str = r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity android:name=".MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
  <activity android:name=".ScanActivity"/>
</application></manifest>
//- minimal: host
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" xmlns:app="http://schemas.android.com/apk/res-auto"
    android:id="@+id/main" app:startDestination="@id/shelf">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/loan_detail" android:name="barn.LoanDetailFragment">
    <argument android:name="loanId" app:argType="integer"/>
    <argument android:name="copies" app:argType="integer" android:defaultValue="1"/>
    <argument android:name="note" app:argType="string" app:nullable="true" android:defaultValue="@null"/>
    <argument android:name="owner" app:argType="barn.Member"/>
    <deepLink app:uri="barn://loan/{loanId}"/>
  </fragment>
  <fragment android:id="@+id/members" android:name="barn.MembersFragment"/>
  <fragment android:id="@+id/almanac" android:name="barn.AlmanacFragment"/>
  <dialog android:id="@+id/confirm_return" android:name="barn.ConfirmReturnDialog"/>
</navigation>
//- Screens.kt
package barn
import androidx.navigation.fragment.findNavController
import androidx.fragment.app.setFragmentResult
import androidx.fragment.app.setFragmentResultListener
class MainActivity : AppCompatActivity(R.layout.main)
class ScanActivity : AppCompatActivity()
class Member(val id: String)
class ShelfFragment : Fragment() {
    fun loan(owner: Member) { findNavController().navigate(R.id.loan_detail, bundleOf("loanId" to 3, "owner" to owner)) }
    fun members() { findNavController().navigate(R.id.members) }
    fun almanac() { findNavController().navigate(R.id.almanac) }
    fun scan() { startActivity(Intent(requireContext(), ScanActivity::class.java)) }
}
class LoanDetailFragment : Fragment() {
    override fun onCreate(state: Bundle?) { setFragmentResultListener("returned") { _, bundle -> } }
    fun members() { findNavController().navigate(R.id.members) }
    fun confirm() { findNavController().navigate(R.id.confirm_return) }
}
class MembersFragment : Fragment()
class AlmanacFragment : Fragment()
class ConfirmReturnDialog : DialogFragment() {
    fun yes() { setFragmentResult("returned", bundleOf()) }
}
"#;

/// The barn in Compose, most of it.
const NEW: &str = r#"
//- AndroidManifest.xml
<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="shed"><application>
  <activity android:name=".MainActivity"><intent-filter>
    <action android:name="android.intent.action.MAIN"/><category android:name="android.intent.category.LAUNCHER"/>
  </intent-filter></activity>
</application></manifest>
//- Shed.kt
package shed
import androidx.navigation.compose.*
import androidx.navigation.toRoute
import kotlinx.serialization.Serializable
@Serializable object Shelf
@Serializable data class LoanDetail(val loanId: String, val copies: Int, val memo: String? = null)
@Serializable object People
@Serializable object ConfirmReturn
@Serializable object Tour
class MainActivity : ComponentActivity() { override fun onCreate(state: Bundle?) { setContent { Shed() } } }
@Composable fun Shed() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = Shelf) {
        composable<Shelf> { ShelfScreen(onLoan = { nav.navigate(LoanDetail("l", 2)) }, onTour = { nav.navigate(Tour) }) }
        composable<LoanDetail> { entry -> LoanDetailScreen(entry.toRoute<LoanDetail>(), onConfirm = { nav.navigate(ConfirmReturn) }, onMembers = { nav.navigate(People) }) }
        composable<People> { PeopleScreen() }
        dialog<ConfirmReturn> { ConfirmReturnDialog() }
        composable<Tour> { TourScreen() }
    }
}
@Composable fun ShelfScreen(onLoan: () -> Unit, onTour: () -> Unit) { Button(onClick = onLoan) {}; Button(onClick = onTour) {} }
@Composable fun LoanDetailScreen(loan: LoanDetail, onConfirm: () -> Unit, onMembers: () -> Unit) { Text(loan.loanId + loan.copies + loan.memo); Button(onClick = onConfirm) {}; Button(onClick = onMembers) {} }
@Composable fun PeopleScreen() {}
@Composable fun ConfirmReturnDialog() {}
@Composable fun TourScreen() {}
"#;

fn scanned(app: &str) -> Document {
    fixture::scan(fixture::files(app)).document
}

fn named(name: &str) -> Named {
    Named { name: name.to_owned(), at: (1, 1) }
}

fn compared(given: &[(&str, &str)]) -> Gaps {
    let given: Vec<_> = given.iter().map(|(old, new)| (named(old), named(new))).collect();
    compare(&scanned(OLD), &scanned(NEW), &given).expect("the given names are there")
}

/// A line a gap: `route almanac > -`.
fn gaps(gaps: &Gaps) -> Vec<String> {
    let side = |name: &Option<String>| name.clone().unwrap_or_else(|| "-".to_owned());
    gaps.gaps.iter().map(|gap| format!("{} {} > {}", gap.kind, side(&gap.old), side(&gap.new))).collect()
}

fn pairs(gaps: &Gaps) -> Vec<String> {
    gaps.pairs
        .iter()
        .map(|pair| format!("{} = {} {:?}", pair.old, pair.new, pair.by).to_lowercase())
        .collect()
}

#[test]
fn routes_are_paired_by_their_words_whatever_the_platform_calls_them() {
    assert_eq!(
        pairs(&compared(&[])),
        [
            "mainactivity = mainactivity name",
            "confirm_return = confirmreturn name",
            "loan_detail = loandetail name",
            "shelf = shelf name",
        ]
    );
}

#[test]
fn every_difference_is_one_gap() {
    let found = compared(&[("members", "People")]);
    assert_eq!(
        gaps(&found),
        [
            "route ScanActivity > -",
            "route almanac > -",
            "argument loan_detail.note > -",
            "argument loan_detail.owner > -",
            "argument-type loan_detail.loanId > LoanDetail.loanId",
            "argument-required loan_detail.copies > LoanDetail.copies",
            "hop shelf -> members > -",
            "deep-link barn://loan/{loanId} > -",
            "result returned > -",
            "extra - > Tour",
        ],
        "a hop whose end is lost is no gap of its own, and neither is a screen that went with its route"
    );
    let progress = found.progress;
    let count = |done: crate::model::Done| (done.done, done.of);
    assert_eq!(count(progress.routes), (5, 7));
    assert_eq!(count(progress.arguments), (2, 4));
    assert_eq!(count(progress.deep_links), (0, 1));
    assert_eq!(count(progress.results), (0, 1));
}

#[test]
fn given_pairs_are_taken_as_they_are_and_must_be_there() {
    let found = compared(&[("MembersFragment", "PeopleScreen")]);
    assert!(pairs(&found).contains(&"members = people given".to_owned()), "by the screens' names as well");
    let pair = found.pairs.iter().find(|pair| pair.old == "members").expect("the pair");
    assert!((pair.score - 1.0).abs() < 1e-9 && !pair.doubtful);
    let wrong = compare(&scanned(OLD), &scanned(NEW), &[(named("member"), named("People"))]);
    let slip = wrong.expect_err("there is no such route");
    assert_eq!(
        (slip.message.as_str(), slip.near),
        ("there is no route or screen `member`", vec!["members".to_owned()])
    );
}

#[test]
fn an_app_has_no_gaps_to_itself() {
    let document = scanned(OLD);
    let found = compare(&document, &document, &[]).expect("no pairs are given");
    assert_eq!(gaps(&found), Vec::<String>::new());
    assert!(found.pairs.iter().all(|pair| pair.old == pair.new && !pair.doubtful), "{:#?}", found.pairs);
    assert_eq!(found.progress.hops.done, found.progress.hops.of);
}

#[test]
fn a_single_parameter_that_changed_its_name_is_said_to_have() {
    let route = |parameter: &str| {
        format!(
            "//- A.kt\npackage a\nimport androidx.navigation.compose.*\nimport kotlinx.serialization.Serializable\n@Serializable data class Item({parameter})\n@Composable fun A() {{ NavHost(rememberNavController(), startDestination = Item(\"a\")) {{ composable<Item> {{ ItemScreen() }} }} }}\n@Composable fun ItemScreen() {{}}\n"
        )
    };
    let found = compare(&scanned(&route("val id: String")), &scanned(&route("val tag: String")), &[]);
    let found = found.expect("no pairs are given");
    assert_eq!(gaps(&found), ["argument Item.id > Item.tag"]);
    assert_eq!(found.gaps[0].message, "`id` of `Item` is called `tag` now");
    let other = compare(&scanned(&route("val id: String")), &scanned(&route("val tag: Int")), &[]);
    assert_eq!(
        gaps(&other.expect("no pairs are given")),
        ["argument Item.id > -"],
        "another type is another thing"
    );
}

#[test]
fn two_that_are_as_likely_are_for_a_person_to_settle() {
    let app = |routes: &str, screens: &str| {
        format!(
            "//- A.kt\npackage a\nimport androidx.navigation.compose.*\n@Composable fun A() {{ NavHost(rememberNavController(), startDestination = \"home\") {{ composable(\"home\") {{ HomeScreen() }}\n{routes} }} }}\n@Composable fun HomeScreen() {{}}\n{screens}"
        )
    };
    let old = app("composable(\"loan/list\") { LoanListScreen() }", "@Composable fun LoanListScreen() {}\n");
    let new = app(
        "composable(\"loan/shelf\") { LoanShelfScreen() }\ncomposable(\"loan/board\") { LoanBoardScreen() }",
        "@Composable fun LoanShelfScreen() {}\n@Composable fun LoanBoardScreen() {}\n",
    );
    let found = compare(&scanned(&old), &scanned(&new), &[]).expect("no pairs are given");
    let doubtful: Vec<_> = found.pairs.iter().filter(|pair| pair.old == "loan/list").collect();
    assert!(doubtful.iter().all(|pair| pair.doubtful), "{doubtful:#?}");
}

#[test]
fn towards_a_style_what_is_older_what_blocks_it_and_what_to_move_first() {
    let document = scanned(OLD);
    let found = toward(&document, Style::ComposeTyped);
    let lines = gaps(&found);
    assert_eq!(
        lines.iter().filter(|line| line.starts_with("older-route")).cloned().collect::<Vec<_>>(),
        [
            "older-route ScanActivity > -",
            "older-route shelf > -",
            "older-route loan_detail > -",
            "older-route members > -",
            "older-route almanac > -",
            "older-route confirm_return > -",
        ],
        "the window that the system opens stays"
    );
    assert_eq!(lines.iter().filter(|line| line.starts_with("older-call")).count(), 6);
    let blocked: Vec<&str> = found
        .gaps
        .iter()
        .filter(|gap| gap.kind == crate::model::GapKind::Blocked)
        .map(|gap| gap.message.as_str())
        .collect();
    assert_eq!(
        blocked,
        [
            "`ScanActivity` is a window of its own: it has to become a screen of one first",
            "`loan_detail` is handed a whole `barn.Member` as `owner`: pass what identifies it, or say how it is written down",
            "`confirm_return` hands a result back to `LoanDetailFragment`: move both together",
        ]
    );
    let order: Vec<(&str, usize)> =
        found.order.iter().map(|step| (step.route.as_str(), step.unblocks)).collect();
    assert_eq!(order[0], ("members", 2), "it frees the most, and nothing stands in its way");
    assert_eq!(order.len(), 6);
    assert!(
        found.order.iter().rev().take(3).all(|step| !step.blocked_by.is_empty()),
        "the hard ones come last"
    );
    assert_eq!((found.progress.routes.done, found.progress.routes.of), (0, 6));
}

#[test]
fn towards_a_style_that_it_is_in_already_nothing_is_left() {
    let found = toward(&scanned(NEW), Style::ComposeTyped);
    assert_eq!(gaps(&found), Vec::<String>::new());
    assert_eq!(found.progress.routes.done, 5);
    assert!(found.order.is_empty());
}

/// A stall's two navigators: its way in, and what is behind it.
fn stall(names: [&str; 5], inside: &str) -> Document {
    let [launch, market, list, sale, notice] = names;
    scanned(&format!(
        r#"
//- package.json
{{"name": "stall", "main": "App.js", "dependencies": {{"react-native": "*", "@react-navigation/native": "*"}}}}
//- App.js
import {{ NavigationContainer }} from '@react-navigation/native';
import {{ createStackNavigator }} from '@react-navigation/stack';
class StallScreen extends React.Component {{ render() {{ return null; }} }}
class Launch extends StallScreen {{ done() {{ this.props.navigation.navigate('{market}'); }} }}
class Lists extends StallScreen {{}}
class Sales extends StallScreen {{}}
class News extends StallScreen {{}}
const Root = createStackNavigator();
const Inner = createStackNavigator();
function Market() {{
  return <Inner.Navigator>{inside}</Inner.Navigator>;
}}
export default function App() {{
  const linking = {{ prefixes: ['stall://'], config: {{ screens: {{ {notice}: 'notice/:id' }} }} }};
  return <NavigationContainer linking={{linking}}><Root.Navigator>
    <Root.Screen name="{launch}" component={{Launch}} />
    <Root.Screen name="{market}" component={{Market}} />
    <Root.Screen name="{notice}" component={{News}} />
  </Root.Navigator></NavigationContainer>;
}}
"#
    )
    .replace("LIST", list)
    .replace("SALE", sale))
}

#[test]
fn groups_are_paired_with_groups_and_one_address_with_itself() {
    let list = r#"<Inner.Screen name="LIST" component={Lists} />"#;
    let sale = r#"<Inner.Screen name="SALE" component={Sales} />"#;
    let old = stall(["launch", "market", "crateList", "sale", "stallNotice"], &format!("{list}{sale}"));
    let new = stall(["Launch", "Market", "CrateList", "Sale", "Announcement"], &format!("{sale}{list}"));
    let found = compare(&old, &new, &[]).expect("no pairs are given");
    let pairs = pairs(&found);
    for pair in ["market = market", "stallnotice = announcement", "cratelist = cratelist"] {
        assert!(pairs.iter().any(|other| other.starts_with(pair)), "{pair}: {pairs:#?}");
    }
    assert_eq!(gaps(&found), Vec::<String>::new(), "the market is still opened, whatever it shows first");
}
