//! Intents and transactions in their forms, alone and mixed.

use crate::recover::testing::{calls, lists, reads, results, routes, scanned};
use expect_test::expect;

#[test]
fn intents_by_constructor_setter_factory_and_contract() {
    let document = scanned(
        r#"
//- AndroidManifest.xml
<manifest xmlns:a="http://schemas.android.com/apk/res/android" package="org.barn"><application>
  <activity a:name=".MainActivity"><intent-filter>
    <action a:name="android.intent.action.MAIN"/><category a:name="android.intent.category.LAUNCHER"/></intent-filter></activity>
  <activity a:name="org.barn.ItemActivity"><intent-filter>
    <data a:scheme="barn" a:host="item" a:pathPrefix="/at"/></intent-filter></activity>
  <activity a:name=".ScanActivity"/>
</application></manifest>
//- Screens.kt
package org.barn
import android.content.Intent
class MainActivity : AppCompatActivity() {
    private val scan = registerForActivityResult(Scan()) { }
    private val ask = registerForActivityResult(ActivityResultContracts.StartActivityForResult()) { result ->
        result.data?.getStringExtra("code")
    }
    fun open(id: String) {
        startActivity(Intent(this, ItemActivity::class.java).putExtra("id", id))
        startActivity(Intent(this, ItemActivity::class.java).apply { putExtra("id", id); flags = Intent.FLAG_ACTIVITY_CLEAR_TASK })
        startActivity(ItemActivity.of(this, id))
        scan.launch("garden")
        ask.launch(Intent(this, ScanActivity::class.java))
        startActivity(Intent(Intent.ACTION_VIEW, Uri.parse("barn://item/at/7")))
        startActivity(Intent(Intent.ACTION_VIEW, Uri.parse("https://barn.example")))
        startActivity(Intent(Intent.ACTION_SEND))
        finish()
    }
}
class ItemActivity : AppCompatActivity() {
    private val id by lazy { intent.getStringExtra("id")!! }
    fun copies() = intent.extras?.getInt("copies")
    companion object {
        @JvmStatic fun of(context: Context, id: String) = Intent(context, ItemActivity::class.java).apply { putExtra("id", id) }
    }
}
class ScanActivity : AppCompatActivity() {
    fun done() { setResult(RESULT_OK, Intent().putExtra("code", "i-1")); finish() }
}
class Scan : ActivityResultContract<String, String?>() {
    override fun createIntent(context: Context, input: String) = Intent(context, ScanActivity::class.java).putExtra("tag", input)
    override fun parseResult(resultCode: Int, intent: Intent?) = intent?.getStringExtra("code")
}
//- LaterActivity.java
package org.barn;
import android.content.Intent;
public class LaterActivity extends AppCompatActivity {
    void open() {
        Intent intent = new Intent();
        intent.setClass(this, ItemActivity.class);
        intent.putExtra("id", "7");
        startActivityForResult(intent, 1);
    }
    protected void onNewIntent(Intent intent) { intent.getStringExtra("late"); }
}
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *MainActivity [activity] -> MainActivity () AndroidManifest.xml:2
        ItemActivity [activity] -> ItemActivity (id: String, copies?: Int) <barn://item/at{}> AndroidManifest.xml:4
        ScanActivity [activity] -> ScanActivity () AndroidManifest.xml:6"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        LaterActivity open ItemActivity typed (id) LaterActivity.java:8
        MainActivity open ItemActivity typed (id) Screens.kt:9
        MainActivity reset ItemActivity typed (id) Screens.kt:10
        MainActivity open ItemActivity typed (id) Screens.kt:11
        MainActivity open ScanActivity typed (tag) Screens.kt:12
        MainActivity open ScanActivity typed () Screens.kt:13
        MainActivity link ItemActivity literal () Screens.kt:14
        MainActivity link external literal () Screens.kt:15
        MainActivity back - () Screens.kt:17
        ScanActivity back - () Screens.kt:28"#]],
    );
    lists(
        &reads(&document),
        expect![[r#"
        LaterActivity late String LaterActivity.java:10
        ItemActivity id String forced Screens.kt:21
        ItemActivity copies Int Screens.kt:22"#]],
    );
    lists(
        &results(&document),
        expect![[r#"
        receive code Screens.kt:6
        send code Screens.kt:28
        receive code Screens.kt:32"#]],
    );
}
