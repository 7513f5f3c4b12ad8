//! Bad input: a clear line, or an entry under `skipped`; never a crash.

use crate::support::{App, LAUNCHER, run, scanned, skipped};

#[test]
fn paths_that_are_no_app_are_one_line_and_status_2() {
    let empty = App::new("");
    for (path, words) in [("/no/such/path", "does not exist"), (empty.arg(), "holds no app")] {
        let run = run(&["scan", path]);
        assert_eq!(run.status, 2, "{path}");
        assert_eq!(run.err.lines().count(), 1, "{}", run.err);
        assert!(run.out.is_empty());
        let said =
            run.err.contains(words) || run.err.contains("does not exist") || run.err.contains("is a file");
        assert!(said, "{}", run.err);
    }
}

#[test]
fn a_source_file_is_no_app_folder() {
    let app = App::new("//- Main.kt\nclass A\n");
    let run = run(&["scan", &format!("{}/Main.kt", app.arg())]);
    assert_eq!(run.status, 2);
    assert!(run.err.contains("is a file; an app's folder is wanted"), "{}", run.err);
}

#[test]
fn broken_files_are_named_and_what_can_be_read_is() {
    let app = App::new(
        r#"
//- res/navigation/main.xml
<navigation xmlns:android="http://schemas.android.com/apk/res/android" android:id="@+id/main">
  <fragment android:id="@+id/shelf" android:name="barn.ShelfFragment"/>
  <fragment android:id="@+id/item" android:na
//- ShelfFragment.kt
package barn
import androidx.fragment.app.Fragment
import androidx.navigation.fragment.findNavController
class ShelfFragment : Fragment() {
    fun open() { findNavController().navigate(R.id.shelf) }
    fun broken( { val = ; )
}
//- Item.java
package barn;
class ItemFragment extends Fragment { void f( { }
"#,
    );
    let scan = scanned(app.arg());
    assert!(skipped(&scan, "res/navigation/main.xml").starts_with("line "));
    assert!(skipped(&scan, "ShelfFragment.kt").starts_with("line "));
    assert!(skipped(&scan, "Item.java").starts_with("line 2"));
    assert_eq!(scan["routes"][0]["name"], "shelf");
    let calls = scan["calls"].as_array().expect("a list");
    assert!(calls.iter().any(|call| call["target"]["text"] == "R.id.shelf"), "{calls:#?}");
}

#[test]
fn bytes_marks_and_line_ends_keep_positions_right() {
    let app = App::new("//- build.gradle\nandroid { }\n");
    let code = "package barn\r\nimport androidx.fragment.app.Fragment\r\n/* ä */ class LostFragment : Fragment()\r\n";
    app.write("Mark.kt", &[b"\xef\xbb\xbf", code.replace("Lost", "Mark").as_bytes()].concat());
    app.write(
        "Wide.kt",
        &[
            b"\xff\xfe".to_vec(),
            code.replace("Lost", "Wide").encode_utf16().flat_map(u16::to_le_bytes).collect(),
        ]
        .concat(),
    );
    let invalid: Vec<u8> = code.replace("Lost", "Gone").into_bytes();
    let at = invalid.windows(2).position(|w| w == "ä".as_bytes()).expect("the letter");
    app.write("Gone.kt", &[&invalid[..at], b"\xff", &invalid[at + 2..]].concat());
    let scan = scanned(app.arg());
    for file in ["Mark.kt", "Wide.kt", "Gone.kt"] {
        let screen = scan["screens"].as_array().expect("a list").iter().find(|s| s["at"]["file"] == file);
        let at = &screen.unwrap_or_else(|| panic!("{file} is read: {scan:#}"))["at"];
        assert_eq!((at["line"].as_u64(), at["column"].as_u64()), (Some(3), Some(15)), "{file}");
    }
    assert!(skipped(&scan, "Gone.kt").contains("line 3: not valid UTF-8"));
}

#[test]
fn huge_minified_and_binary_files_are_left_out_with_the_reason() {
    let app = App::new("//- Main.kt\npackage barn\n");
    app.write("Huge.kt", "// x\n".repeat(600_000).as_bytes());
    app.write("Minified.kt", format!("val a = \"{}\"", "x".repeat(60_000)).as_bytes());
    app.write("Binary.java", b"class A {\0\0\0}");
    let scan = scanned(app.arg());
    assert!(skipped(&scan, "Huge.kt").contains("larger than 2 MiB"));
    assert!(skipped(&scan, "Minified.kt").contains("50,000"));
    assert!(skipped(&scan, "Binary.java").contains("binary"));
}

#[test]
fn generated_code_and_tests_declare_and_call_nothing() {
    let code = "package barn\nimport androidx.fragment.app.Fragment\nclass LostFragment : Fragment()\n";
    let app = App::new("//- app/build.gradle\nandroid { }\n//- app/src/main/java/Main.kt\npackage barn\n");
    app.write("app/build/generated/Lost.kt", code.as_bytes());
    app.write("app/src/test/java/Lost.kt", code.as_bytes());
    app.write("app/src/androidTestDebug/java/Lost.kt", code.as_bytes());
    app.write(".gitignore", b"ignored/\n");
    app.write("ignored/Lost.kt", code.as_bytes());
    let scan = scanned(app.arg());
    assert_eq!(scan["screens"], serde_json::json!([]));
    assert_eq!(scan["totals"]["files"], 1);
}

#[test]
fn very_deep_nesting_is_bounded() {
    let deep = |open: &str, close: &str, n: usize| format!("{}1{}", open.repeat(n), close.repeat(n));
    let app = App::new("//- Main.kt\npackage barn\n");
    app.write(
        "Deep.kt",
        format!("import androidx.navigation.NavController\nval a = {}", deep("f(", ")", 5_000)).as_bytes(),
    );
    app.write(
        "Deep.java",
        format!("class Deep {{ Object a = {}; Intent b; }}", deep("(", ")", 5_000)).as_bytes(),
    );
    app.write("res/layout/deep.xml", deep("<a>", "</a>", 5_000).as_bytes());
    let scan = scanned(app.arg());
    for file in ["Deep.kt", "Deep.java", "res/layout/deep.xml"] {
        assert!(skipped(&scan, file).contains("nested deeper"), "{file}: {}", skipped(&scan, file));
    }
}

#[test]
fn cyclic_constants_and_self_calling_helpers_end() {
    let app = App::new(
        r#"
//- Main.kt
package barn
import androidx.navigation.fragment.findNavController
const val A = B + "x"
const val B = A + "y"
fun grow(s: String): String = grow(s + "a") + grow(s + "b")
fun Fragment.go(id: Int) { go(id); findNavController().navigate(id) }
class MainFragment : Fragment() {
    fun open() {
        findNavController().navigate(Uri.parse(A))
        findNavController().navigate(Uri.parse(grow("x")))
        go(R.id.shelf)
    }
}
open class Outer : Outer.Inner() { open class Inner : Outer() }
"#,
    );
    let scan = scanned(app.arg());
    assert!(scan["calls"].as_array().expect("a list").len() >= 3, "{scan:#}");
}

#[cfg(unix)]
#[test]
fn links_unreadable_folders_and_hostile_names() {
    use std::os::unix::fs::{PermissionsExt, symlink};
    let app = App::new(&format!("{LAUNCHER}//- Main.kt\npackage barn\nclass MainActivity : Activity()\n"));
    symlink(app.path(), app.path().join("loop")).expect("a link can be made");
    app.write("closed/Lost.kt", b"class Lost");
    app.write("Evil\u{1b}[31m.kt", b"package barn\nclass EvilFragment : Fragment()\n");
    let closed = app.path().join("closed");
    std::fs::set_permissions(&closed, std::fs::Permissions::from_mode(0o000))
        .expect("permissions can be set");
    let scan = scanned(app.arg());
    assert!(skipped(&scan, "loop").contains("symbolic link"));
    // Whoever may read everything reads this as well.
    if std::fs::read_dir(&closed).is_err() {
        assert!(skipped(&scan, "closed").to_lowercase().contains("denied"));
    }
    std::fs::set_permissions(&closed, std::fs::Permissions::from_mode(0o755))
        .expect("permissions can be set");
    let text = run(&["scan", app.arg()]).out;
    assert!(text.contains("EvilFragment") && !text.contains('\u{1b}'), "{text}");
}
