//! Every way to say which activity an intent opens, and what stays unknown.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

const MANIFEST: &str = r#"
//- AndroidManifest.xml
<manifest xmlns:a="http://schemas.android.com/apk/res/android" package="barn"><application>
  <activity a:name=".MainActivity"><intent-filter>
    <action a:name="android.intent.action.MAIN"/><category a:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
  <activity a:name=".ShelfActivity"/>
  <activity a:name=".LoanActivity"><intent-filter><action a:name="barn.LEND"/></intent-filter></activity>
  <activity a:name=".Desk$DeskActivity"/>
</application></manifest>
//- Pages.java
package barn;
public class ShelfActivity extends Activity { }
public class LoanActivity extends Activity { }
public class Desk { public static class DeskActivity extends Activity { } }
"#;

#[test]
fn java_names_a_class_in_every_way() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- MainActivity.java
package barn;
import android.content.*;
public class MainActivity extends Activity {
    static final String LEND = "barn.LEND";
    boolean member;
    void go(Context context, Intent given) {
        startActivity(new Intent(this, member ? ShelfActivity.class : LoanActivity.class));
        Intent named = new Intent();
        named.setClassName(this, ShelfActivity.class.getName());
        startActivity(named);
        startActivity(new Intent().setClassName("barn", "barn.LoanActivity"));
        startActivity(new Intent().setComponent(new ComponentName(this, LoanActivity.class)));
        startActivity(new Intent(LEND).setPackage(getPackageName()));
        startActivity(new Intent(this, getClass()));
        startActivities(new Intent[] { new Intent(this, ShelfActivity.class), new Intent(this, LoanActivity.class) });
        PendingIntent.getActivity(context, 0, new Intent(context, LoanActivity.class), 0);
        PendingIntent.getActivities(context, 0, stack(), 0);
        navigateUpTo(new Intent(this, ShelfActivity.class));
        startActivity(new Intent(context, Desk.DeskActivity.class));
        Intent next;
        if (member) { next = new Intent(this, ShelfActivity.class); } else { next = new Intent(this, LoanActivity.class); }
        startActivity(next);
        startActivity(given);
        startActivity(new Intent(Intent.ACTION_SEND));
        startActivity(Intent.createChooser(given, "Send"));
        open(ShelfActivity.class);
        start(new Intent(this, LoanActivity.class));
    }
    Intent[] stack() { return new Intent[] { new Intent(this, ShelfActivity.class) }; }
    void open(Class<?> target) { startActivity(new Intent(this, target)); }
    void start(Intent intent) { startActivity(intent); }
}
"#
    ));
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        ShelfActivity [activity] -> ShelfActivity () AndroidManifest.xml:4
        LoanActivity [activity] -> LoanActivity () AndroidManifest.xml:5
        DeskActivity [activity] -> DeskActivity () AndroidManifest.xml:6"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity open ShelfActivity|LoanActivity computed () MainActivity.java:7
        MainActivity open ShelfActivity typed () MainActivity.java:10
        MainActivity open LoanActivity typed () MainActivity.java:11
        MainActivity open LoanActivity typed () MainActivity.java:12
        MainActivity open LoanActivity typed () MainActivity.java:13
        MainActivity open MainActivity typed () MainActivity.java:14
        MainActivity open ShelfActivity|LoanActivity typed () MainActivity.java:15
        MainActivity link LoanActivity typed () MainActivity.java:16
        MainActivity link ShelfActivity typed () MainActivity.java:17
        MainActivity back-to ShelfActivity typed () MainActivity.java:18
        MainActivity open DeskActivity typed () MainActivity.java:19
        MainActivity open ShelfActivity|LoanActivity computed () MainActivity.java:22
        MainActivity open dynamic dynamic () MainActivity.java:23
        MainActivity open ShelfActivity typed () MainActivity.java:26
        MainActivity open LoanActivity typed () MainActivity.java:27"#]],
    );
}

#[test]
fn kotlin_names_a_class_in_every_way() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- MainActivity.kt
package barn
import android.content.*
class MainActivity : ComponentActivity() {
    private val ask = registerForActivityResult(ActivityResultContracts.StartActivityForResult()) { }
    fun go(member: Boolean, given: Intent) {
        startActivity(Intent(this, if (member) ShelfActivity::class.java else LoanActivity::class.java))
        startActivity(if (member) Intent(this, ShelfActivity::class.java) else Intent(this, LoanActivity::class.java))
        val target = when { member -> ShelfActivity::class.java; else -> LoanActivity::class.java }
        startActivity(Intent(this, target))
        startActivity(Intent(this, javaClass))
        startActivity(Intent(Intent(this, ShelfActivity::class.java)).putExtra("again", true))
        launchTo<LoanActivity> { putExtra("loan", 7) }
        openAll(ShelfActivity::class.java)
        ask.launch(given)
        start(given)
    }
    private fun start(intent: Intent) = startActivity(intent)
    private fun openAll(of: Class<out Activity>) { startActivity(Intent(this, of)) }
}
inline fun <reified A : Activity> Context.launchTo(fill: Intent.() -> Unit = {}) {
    startActivity(Intent(this, A::class.java).apply(fill))
}
class Notices(private val context: Context) {
    fun remind() = TaskStackBuilder.create(context).addNextIntentWithParentStack(Intent(context, LoanActivity::class.java)).getPendingIntent(0, 0)
}
"#
    ));
    lists(
        &calls(&document),
        expect![[r#"
        MainActivity open ShelfActivity|LoanActivity computed () MainActivity.kt:6
        MainActivity open ShelfActivity|LoanActivity computed () MainActivity.kt:7
        MainActivity open ShelfActivity|LoanActivity computed () MainActivity.kt:9
        MainActivity open MainActivity typed () MainActivity.kt:10
        MainActivity open ShelfActivity typed (again) MainActivity.kt:11
        MainActivity open LoanActivity typed () MainActivity.kt:12
        MainActivity open ShelfActivity typed () MainActivity.kt:13
        MainActivity open dynamic dynamic () MainActivity.kt:14
        MainActivity open dynamic dynamic () MainActivity.kt:15
        - link LoanActivity typed () MainActivity.kt:24"#]],
    );
}

#[test]
fn extras_are_read_by_every_getter_and_through_every_holder() {
    let document = scanned(&format!(
        "{MANIFEST}{}",
        r#"
//- MainActivity.java
package barn;
public class MainActivity extends Activity { }
//- ShelfActivity.java
package barn;
public class ShelfActivity extends Activity {
    protected void onCreate(Bundle state) {
        Bundle extras = getIntent().getExtras();
        int place = extras.getInt("place");
        if (getIntent().hasExtra("note")) { }
        CharSequence title = getIntent().getCharSequenceExtra("title");
        long[] tools = getIntent().getLongArrayExtra("tools");
        Bundle bag = getIntent() == null ? new Bundle() : getIntent().getExtras();
        bag.getString("kind");
    }
}
//- LoanActivity.kt
package barn
class LoanActivity : Activity() {
    override fun onCreate(state: Bundle?) {
        with(intent) { getStringExtra("loan") }
        intent?.run { getIntExtra("days", 0) }
        intent.extras?.let { extras -> extras.getString("due") }
        val other = Bundle()
        other.getString("none")
    }
}
"#
    ));
    lists(
        &reads(&document),
        expect![[r#"
        LoanActivity loan String LoanActivity.kt:4
        LoanActivity days Int LoanActivity.kt:5
        LoanActivity due String LoanActivity.kt:6
        ShelfActivity place Int ShelfActivity.java:5
        ShelfActivity note - ShelfActivity.java:6
        ShelfActivity title - ShelfActivity.java:7
        ShelfActivity tools - ShelfActivity.java:8
        ShelfActivity kind String ShelfActivity.java:10"#]],
    );
}
