//! What expressions come to: the argument of every `show(…)` in a fixture, as value, form and type.

mod matrix;

use super::{Datum, Expr, Program, Value, Values};
use crate::source::from_texts;
use crate::syntax;
use expect_test::{Expect, expect};

fn shown(fixture: &str) -> String {
    let sources = from_texts(crate::fixture::files(fixture));
    let bodies = sources.files.iter().map(|file| Some(syntax::parse(file, &sources).body.into())).collect();
    let program = Program::new(&sources, bodies, crate::recover::LIBRARIES);
    let values = Values::new(&program);
    let lines = program.calls_named("show").iter().filter_map(|&at| {
        let call = values.tree(at).call(at.id)?;
        let expr = Expr::new(at).with(call.args.first()?.value);
        let ways: Vec<String> = values.eval(&expr).iter().map(|value| written(value, values)).collect();
        let ty = values.type_of(&expr).map_or_else(
            || "-".to_owned(),
            |ty| format!("{}{}", ty.name, if ty.nullable { "?" } else { "" }),
        );
        Some(format!("{} : {ty}", ways.join(" | ")))
    });
    lines.collect::<Vec<_>>().join("\n")
}

fn written(value: &Value, values: Values<'_>) -> String {
    let datum = match &value.datum {
        Datum::Text(shape) => format!("\"{}\"", shape.value()),
        Datum::Resource { kind, name } => format!("{kind}/{name}"),
        Datum::Object(made) => {
            format!("object {}", values.written(made.at).split(['{', '\n']).next().unwrap_or_default().trim())
        }
        Datum::Number(text) => text.to_string(),
        Datum::Bool(yes) => yes.to_string(),
        Datum::Null => "null".to_owned(),
        Datum::Function(_) | Datum::Type(_) => "?".to_owned(),
        Datum::Parameter(_) => "parameter".to_owned(),
        Datum::Unknown => "?".to_owned(),
    };
    format!("{datum} {}", value.form)
}

#[track_caller]
fn shows(fixture: &str, expected: Expect) {
    expected.assert_eq(&shown(fixture));
}

#[test]
fn constants_wherever_they_are_declared() {
    shows(
        r#"
//- keys/Keys.kt
package barn.keys
const val TOP = "top"
object Keys {
    const val ITEM = "item"
    val LOAN = ITEM + "/loan"
    object Deep { const val KEY = "deep" }
}
class Screen { companion object { const val TAG = "tag" } }
//- JavaKeys.java
package barn.keys;
public final class JavaKeys {
    public static final String ROOT = "root";
    static final String CHILD = ROOT + "/child";
    private static String changed = "a";
    static void change() { changed = "b"; }
}
//- Main.kt
package barn
import barn.keys.*
import barn.keys.Keys.ITEM
import barn.keys.Keys as K
fun main() {
    show(TOP)
    show(ITEM)
    show(K.LOAN)
    show(Keys.Deep.KEY)
    show(Screen.TAG)
    show(JavaKeys.CHILD)
    show(JavaKeys.changed)
    show(barn.keys.Keys.ITEM)
    show(Missing.KEY)
}
"#,
        expect![[r#"
            "top" constant : String
            "item" constant : String
            "item/loan" constant : String
            "deep" constant : String
            "tag" constant : String
            "root/child" constant : String
            ? dynamic : String
            "item" constant : String
            ? dynamic : -"#]],
    );
}

#[test]
fn text_with_holes_keeps_expressions_and_types() {
    shows(
        r#"
//- Main.kt
package barn
const val BASE = "barn://"
fun main(id: String, count: Int, any: Any) {
    show("item/$id")
    show("item/${any.name}?n=$count")
    show(BASE + "item/" + id)
    show("${BASE}x")
    show("loan/%s/of/%d".format(id, count))
    show(String.format("loan/%s", "7"))
    show("loan/{id}".replace("{id}", id))
    show("a".plus(BASE))
    show("\$id\n")
    show("""raw $id""")
    show(id)
    show(7)
    show(7L)
    show(1.5f)
    show(true)
    show(null)
    show('c')
}
"#,
        expect![[r#"
            "item/{}" literal : String
            "item/{}?n={}" literal : String
            "barn://item/{}" literal : String
            "barn://x" literal : String
            "loan/{}/of/{}" literal : String
            "loan/7" literal : String
            "loan/{}" literal : String
            "abarn://" literal : -
            "$id
            " literal : String
            "raw {}" literal : String
            parameter dynamic : String
            7 literal : Int
            7L literal : Long
            1.5f literal : Float
            true literal : Boolean
            null literal : -
            "c" literal : String"#]],
    );
}

#[test]
fn locals_choices_and_scope_functions() {
    shows(
        r#"
//- Main.kt
package barn
fun main(new: Boolean, given: String?, kind: Int) {
    val local = "item"
    show(local)
    var changed = "a"
    changed = "b"
    show(changed)
    val later: String
    later = "later"
    show(later)
    show(if (new) "a" else "b")
    show(when (kind) { 1 -> "one" 2 -> "two" else -> "many" })
    show(given ?: "none")
    show("x".let { it + "y" })
    show("x".also { println(it) })
    show(requireNotNull("z"))
    show(given!!)
    show(try { "t" } catch (e: Error) { "c" })
    run { val local = "inner"; show(local) }
    show(local)
}
"#,
        expect![[r#"
            "item" literal : String
            "b" computed : String
            "later" literal : String
            "a" computed | "b" computed : String
            "one" computed | "two" computed | "many" computed : String
            parameter dynamic | "none" computed : String
            "xy" literal : String
            "x" literal : String
            "z" literal : String
            parameter dynamic : String
            ? dynamic : -
            "inner" literal : String
            "item" literal : String"#]],
    );
}

#[test]
fn objects_enums_and_classes_that_carry_text() {
    shows(
        r#"
//- Screens.kt
package barn
sealed class Screen(val route: String, val label: String = "none") {
    object Shelf : Screen("shelf")
    data object Item : Screen(route = "item/{id}", label = "Item") {
        fun with(id: String) = "item/$id"
    }
    class Made(id: String) : Screen("made/$id")
    fun query(text: String) = "$route?q=$text"
}
enum class Tab(val route: String) { LOANS("loans"), MEMBERS("members") { val extra = "x" };
    val path get() = "tab/$route"
}
interface Named { val name: String }
object Fixed : Named { override val name = "fixed" }
//- Main.kt
package barn
fun main(screen: Screen) {
    show(Screen.Shelf.route)
    show(Screen.Item.label)
    show(Screen.Shelf.label)
    show(Screen.Item.with("7"))
    show(Screen.Shelf.query("saw"))
    show(Screen.Made("7").route)
    show(Tab.LOANS.route)
    show(Tab.LOANS.name)
    show(Tab.MEMBERS.path)
    show(Fixed.name)
    val held = Screen.Shelf
    show(held.route)
    show(screen.route)
}
//- JavaTab.java
package barn;
enum JavaTab { ONE; static final String K = "k"; }
class Use { void f() { show(JavaTab.K); show(JavaTab.ONE); } }
"#,
        expect![[r#"
            "k" constant : String
            object ONE typed : ONE
            "shelf" constant : String
            "Item" constant : String
            "none" constant : String
            "item/7" computed : String
            "shelf?q=saw" computed : String
            "made/7" constant : String
            "loans" constant : String
            "LOANS" computed : -
            "tab/members" constant : String
            "fixed" constant : String
            "shelf" constant : String
            parameter dynamic : String"#]],
    );
}

#[test]
fn functions_and_overloads_bind_their_parameters() {
    shows(
        r#"
//- Routes.kt
package barn
fun item(id: String, tag: String = "all") = "item/$id/$tag"
fun pick(id: Int) = "int/$id"
fun pick(name: String) = "name/$name"
fun block(first: Boolean): String {
    if (first) return "first"
    return "second"
}
fun String.wrapped() = "fixed"
fun outer(a: String) = item(a)
fun endless(a: String): String = endless(a + "x")
val Int.path get() = "x"
//- Main.kt
package barn
fun main(unknown: String) {
    show(item("7"))
    show(item(tag = "new", id = "8"))
    show(item(unknown))
    show(pick(3))
    show(pick("saw"))
    show(block(true))
    show("a".wrapped())
    show(outer("9"))
    show(endless("a"))
    show(notThere("a"))
}
"#,
        expect![[r#"
            "item/7/all" computed : String
            "item/8/new" computed : String
            "item/{}/all" computed : String
            "int/3" computed : String
            "name/saw" computed : String
            "first" computed | "second" computed : String
            "fixed" computed : String
            "item/9/all" computed : String
            ? dynamic : String
            ? dynamic : -"#]],
    );
}

#[test]
fn resources_by_every_name_of_their_class() {
    shows(
        r#"
//- Main.kt
package barn
import barn.core.R as CoreR
fun main(new: Boolean) {
    show(R.id.shelf)
    show(CoreR.id.shelf)
    show(barn.core.R.navigation.main)
    show(if (new) R.id.a else R.id.b)
    val target = R.id.shelf
    show(target)
    show(Not.id.shelf)
}
"#,
        expect![[r#"
            id/shelf resource : Int
            id/shelf resource : Int
            navigation/main resource : Int
            id/a computed | id/b computed : Int
            id/shelf resource : Int
            ? dynamic : -"#]],
    );
}

#[test]
fn names_mean_the_nearest_declaration() {
    shows(
        r#"
//- a/Same.kt
package barn.a
object Same { const val KEY = "a" }
const val SHADOWED = "top"
//- b/Same.kt
package barn.b
object Same { const val KEY = "b" }
//- Main.kt
package barn
import barn.a.Same
import barn.a.SHADOWED
import barn.b.Same as Other
open class Base { protected val inherited = "base"; val own = "base" }
class Main(val held: String = "held") : Base() {
    val own = "own"
    fun f() {
        show(Same.KEY)
        show(Other.KEY)
        show(SHADOWED)
        show(inherited)
        show(own)
        show(this.own)
        val SHADOWED = "local"
        show(SHADOWED)
        listOf(1).forEach { SHADOWED -> show(SHADOWED) }
        show(held)
    }
}
"#,
        expect![[r#"
            "a" constant : String
            "b" constant : String
            "top" constant : String
            "base" constant : String
            "own" constant : String
            "own" constant : String
            "local" literal : String
            1 computed : -
            parameter dynamic : String"#]],
    );
}

#[test]
fn types_follow_declarations_members_and_conversions() {
    shows(
        r#"
//- Model.java
package barn;
public class Model { private String name; public Model child() { return this; } public int getCount() { return 1; } }
//- Main.kt
package barn
class Holder(val model: Model, val maybe: Model?) {
    val lazily by lazy { model }
    val typed by viewModels<Model>()
}
fun main(holder: Holder, raw: Any) {
    show(holder.model)
    show(holder.maybe)
    show(holder.maybe!!)
    show(holder.lazily.child())
    show(holder.typed)
    show(holder.model.count)
    show(raw as Model)
    show(raw as? String)
    show(holder.maybe ?: Model())
    show("7".toInt())
    show(raw.toString())
    show(raw == holder)
    show(holder.model.apply { child() })
    show(holder.maybe?.let { it.child() })
}
"#,
        expect![[r#"
            parameter dynamic : Model
            parameter dynamic : Model?
            parameter dynamic : Model
            ? dynamic : Model
            parameter dynamic : Model
            parameter dynamic : int
            parameter dynamic : Model
            parameter dynamic : String
            parameter dynamic | object Model() computed : Model
            ? dynamic : Int
            parameter dynamic : String
            ? dynamic : Boolean
            parameter dynamic : Model
            ? dynamic : Model"#]],
    );
}

#[test]
fn long_chains_of_members_are_followed_to_their_end() {
    let steps = 24;
    let classes: String =
        (0..steps).map(|i| format!("class Step{i} {{ val next = Step{}() }}\n", i + 1)).collect();
    let chain = ".next".repeat(steps);
    shows(
        &format!(
            "//- A.kt\n{classes}class Step{steps} {{ val name = \"shelf\" }}\nval first = Step0()\nfun f() {{ show(first{chain}.name) }}\n"
        ),
        expect![[r#""shelf" constant : String"#]],
    );
}
