//! Transactions in helpers of the app's own, fragments that are chosen, and what stays unknown.

use crate::recover::testing::{calls, lists, routes, scanned};
use expect_test::expect;

/// An activity with methods, in Kotlin, and the fragments that they show.
fn app(methods: &str) -> crate::model::Document {
    scanned(&format!(
        r#"
//- minimal: launcher
//- Fragments.kt
package barn
class ShelfFragment : Fragment() {{ companion object {{ fun of(kind: String) = ShelfFragment().apply {{ arguments = bundleOf("kind" to kind) }} }} }}
class LoanFragment : Fragment()
class FeesDialog : DialogFragment()
//- MainActivity.kt
package barn
class MainActivity : AppCompatActivity() {{
{methods}
}}
fun FragmentActivity.putIn(fragment: Fragment) {{ supportFragmentManager.beginTransaction().replace(R.id.slot, fragment).commit() }}
inline fun <reified F : Fragment> FragmentManager.show(args: Bundle? = null) = commit {{ replace<F>(R.id.slot, args = args) }}
"#
    ))
}

#[test]
fn a_helper_that_is_handed_the_fragment() {
    let document = app(r#"
    fun onShelf() { goTo(ShelfFragment.of("saws")) }
    fun onLoans() { goTo(LoanFragment()) }
    private fun goTo(fragment: Fragment) { supportFragmentManager.beginTransaction().replace(R.id.slot, fragment).addToBackStack(null).commit() }
    fun byExtension() { putIn(LoanFragment()) }
    fun byType() { supportFragmentManager.show<ShelfFragment>(bundleOf("kind" to "all")) }
    fun asDialog() { present(FeesDialog()) }
    private fun present(dialog: DialogFragment) { dialog.show(supportFragmentManager, "dialog") }
"#);
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        ShelfFragment [screen] -> ShelfFragment () Fragments.kt:2
        LoanFragment [screen] -> LoanFragment () Fragments.kt:3
        FeesDialog [dialog] -> FeesDialog () Fragments.kt:4"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity open ShelfFragment typed (kind) MainActivity.kt:4
        MainActivity open LoanFragment typed () MainActivity.kt:5
        MainActivity replace LoanFragment typed () MainActivity.kt:7
        MainActivity replace ShelfFragment typed () MainActivity.kt:8
        MainActivity present FeesDialog typed () MainActivity.kt:9"#]],
    );
}

#[test]
fn a_fragment_that_is_chosen_is_any_of_them() {
    let document = app(r#"
    fun onItem(id: Int) {
        val next = when (id) { 1 -> ShelfFragment.of("saws"); 2 -> LoanFragment(); else -> null } ?: return
        supportFragmentManager.beginTransaction().replace(R.id.slot, next).commit()
    }
    fun onFirst(member: Boolean) = putIn(if (member) LoanFragment() else ShelfFragment())
    fun onKept() {
        val kept = supportFragmentManager.findFragmentByTag("loans") ?: LoanFragment()
        putIn(kept)
    }
"#);
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity replace ShelfFragment|LoanFragment computed (kind) MainActivity.kt:6
        MainActivity replace ShelfFragment|LoanFragment computed () MainActivity.kt:8
        MainActivity replace LoanFragment typed () MainActivity.kt:11"#]],
    );
}

#[test]
fn a_fragment_of_which_only_the_type_is_known_leads_somewhere() {
    let document = app(r#"
    fun onAny(fragment: Fragment) { supportFragmentManager.beginTransaction().replace(R.id.slot, fragment).commit() }
    fun onText(words: MutableList<String>) { words.replaceAll { it.trim() }; words.add("saw") }
"#);
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity replace dynamic dynamic () MainActivity.kt:4
        - replace dynamic dynamic () MainActivity.kt:8"#]],
    );
}

#[test]
fn java_hands_fragments_on_as_well() {
    let document = scanned(
        r#"
//- minimal: launcher
//- MainActivity.java
package barn;
public class MainActivity extends BaseActivity {
    void onShelf(boolean member) {
        Fragment next;
        if (member) { next = new ShelfFragment(); } else { next = new LoanFragment(); }
        swap(next);
    }
    void onLoans() { swap(new LoanFragment()); }
}
class BaseActivity extends AppCompatActivity {
    protected void swap(Fragment fragment) {
        FragmentTransaction transaction = getSupportFragmentManager().beginTransaction();
        transaction.replace(R.id.slot, fragment);
        transaction.commit();
    }
}
class ShelfFragment extends Fragment { }
class LoanFragment extends Fragment { }
"#,
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity replace ShelfFragment|LoanFragment computed () MainActivity.java:6
        MainActivity replace LoanFragment typed () MainActivity.java:8"#]],
    );
}
