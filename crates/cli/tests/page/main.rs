//! The report in a real browser. Where there is none, each test is named as left out.

mod browser;

use browser::Page;
use libtest_mimic::{Arguments, Failed, Trial};
use std::path::Path;
use std::process::{Command, ExitCode, Stdio};
use tempfile::TempDir;

const TESTS: &[(&str, fn())] = &[
    ("loads_without_an_error_or_an_outside_request", loads),
    ("search_narrows_the_hits_and_the_map", search),
    ("a_click_on_a_screen_opens_it_with_its_code", click_screen),
    ("a_click_on_a_hop_shows_its_calls", click_hop),
    ("tables_sort_and_filter", tables),
    ("everything_is_at_hand_from_the_keyboard", keyboard),
    ("the_map_moves_and_scales", pan_and_zoom),
    ("hostile_names_stay_text", hostile),
    ("a_large_app_shows_clusters_that_open", clusters),
];

fn main() -> ExitCode {
    let missing = browser::find().is_none();
    let trials = TESTS.iter().map(|&(name, test)| {
        let run = move || -> Result<(), Failed> {
            test();
            Ok(())
        };
        let trial = Trial::test(name, run);
        if missing { trial.with_kind("left out: no Chromium here").with_ignored_flag(true) } else { trial }
    });
    libtest_mimic::run(&Arguments::from_args(), trials.collect()).exit_code()
}

/// A report of a folder, gone when it is dropped.
struct Report(TempDir);

impl Report {
    fn of(app: &Path, more: &[&str]) -> Self {
        let folder = TempDir::new().expect("a temporary folder");
        let status = Command::new(env!("CARGO_BIN_EXE_fallow-lantern"))
            .arg("report")
            .arg(app)
            .args(more)
            .arg("--output")
            .arg(folder.path().join("report.html"))
            .stderr(Stdio::null())
            .status();
        assert!(status.expect("the program runs").success());
        Self(folder)
    }

    fn demo() -> Self {
        let project = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../demo/android");
        Self::of(&project, &["--to", "compose-typed"])
    }

    fn open(&self) -> Page {
        Page::open(&self.0.path().join("report.html"))
    }
}

fn go(page: &mut Page, view: &str) {
    page.click(&format!("document.querySelector('[data-view={view}]')"));
    page.wait(&format!("!document.getElementById('{view}').hidden"));
}

fn node(name: &str) -> String {
    format!(
        "[...document.querySelectorAll('.node')].find((n) => n.querySelector('.name').textContent === {name:?})"
    )
}

fn loads() {
    let report = Report::demo();
    let mut page = report.open();
    for view in ["picture", "routes", "calls", "findings", "gaps", "overview"] {
        go(&mut page, view);
    }
    assert_eq!(page.errors, Vec::<String>::new());
    let outside: Vec<&String> = page.requests.iter().filter(|url| !url.starts_with("file://")).collect();
    assert_eq!(outside, Vec::<&String>::new());
    let policy = page.value("document.querySelector('meta[http-equiv]').content");
    assert!(policy.as_str().is_some_and(|policy| policy.starts_with("default-src 'none'")));
    // The policy holds: what is not the page's own does not run.
    page.value("document.body.insertAdjacentHTML('beforeend', '<img src=x onerror=\"window.ran=1\">'), 1");
    page.value("(() => { const s = document.createElement('script'); s.textContent = 'window.ran=1'; document.body.append(s); return 1; })()");
    assert!(page.value("window.ran === undefined").as_bool().unwrap_or_default());
}

fn search() {
    let report = Report::demo();
    let mut page = report.open();
    go(&mut page, "picture");
    page.click("document.getElementById('q')");
    page.type_text("loan det");
    page.wait("document.querySelectorAll('#hits button').length === 1");
    assert!(page.text("#hits").starts_with("LoanDetailFragment"));
    assert_eq!(page.value("document.querySelectorAll('.node.hit').length"), 1);
    let all = page.value("document.querySelectorAll('.node').length").as_u64().unwrap_or_default();
    let dim = page.value("document.querySelectorAll('.node.dim').length").as_u64().unwrap_or_default();
    assert_eq!(dim, all - 1);
    page.type_text(" nothing is called so");
    page.wait("document.querySelectorAll('#hits button').length === 0");
    assert_eq!(page.text("#hits"), "Nothing is called so.");
    page.press("Escape");
    page.wait("document.querySelectorAll('.node.dim').length === 0");
}

fn click_screen() {
    let report = Report::demo();
    let mut page = report.open();
    go(&mut page, "picture");
    page.click(&node("ReturnFragment"));
    page.wait("!document.getElementById('panel').hidden");
    assert_eq!(page.text("#panel h2"), "ReturnFragment");
    let panel = page.text("#panel");
    for said in [
        "returnItem",
        "takes loanId: string",
        "LoanDetailFragment",
        "needs `loanId`, and this call does not pass it",
        "createNavigateOnClickListener",
    ] {
        assert!(panel.contains(said), "{said} is not in: {panel}");
    }
    assert!(page.text("#panel pre .here").contains("class ReturnFragment"));
    // From there to the next one.
    page.click("[...document.querySelectorAll('#panel button.to')].find((b) => b.textContent === 'RepairTicketFragment')");
    page.wait("document.querySelector('#panel h2').textContent === 'RepairTicketFragment'");
}

fn click_hop() {
    let report = Report::demo();
    let mut page = report.open();
    go(&mut page, "picture");
    page.value("document.querySelector('.hop[data-hop] .grip').dispatchEvent(new MouseEvent('click', { bubbles: true })), 1");
    page.wait("document.querySelector('#panel h2') && document.querySelector('#panel h2').textContent.includes('→')");
    assert!(page.text("#panel").contains("call"));
}

fn tables() {
    let report = Report::demo();
    let mut page = report.open();
    go(&mut page, "routes");
    let rows = "document.querySelectorAll('#routes tbody tr')";
    assert_eq!(page.value(&format!("{rows}.length")), 25);
    page.click("document.querySelector('#routes .filter input[type=search]')");
    page.type_text("ticket");
    page.wait(&format!("{rows}.length === 1"));
    assert_eq!(page.text("#routes [role=status]"), "1 of 25");
    go(&mut page, "calls");
    page.click("document.querySelectorAll('#calls th button')[1]");
    assert_eq!(
        page.value("document.querySelectorAll('#calls th')[1].getAttribute('aria-sort')"),
        "ascending"
    );
    let first = page.text("#calls tbody tr:first-child td:nth-child(2)");
    page.click("document.querySelectorAll('#calls th button')[1]");
    let last = page.text("#calls tbody tr:first-child td:nth-child(2)");
    assert!(first < last, "{first} comes before {last}");
}

fn keyboard() {
    let report = Report::demo();
    let mut page = report.open();
    page.press("/");
    page.wait("document.activeElement.id === 'q'");
    page.type_text("guide");
    page.press("ArrowDown");
    page.wait("document.activeElement.closest('#hits') !== null");
    page.press("Enter");
    page.wait("document.activeElement.id === 'panel'");
    assert_eq!(page.text("#panel h2"), "RepairGuideFragment");
    page.press("Escape");
    page.wait("document.getElementById('panel').hidden");
    go(&mut page, "picture");
    page.value(&format!("{}.focus(), 1", node("ShelfFragment")));
    page.press("Enter");
    page.wait("!document.getElementById('panel').hidden");
    assert_eq!(page.text("#panel h2"), "ShelfFragment");
    let named = page.value("[...document.querySelectorAll('.node')].every((n) => n.getAttribute('aria-label') && n.getAttribute('role') === 'button')");
    assert_eq!(named, true);
}

fn pan_and_zoom() {
    let report = Report::demo();
    let mut page = report.open();
    go(&mut page, "picture");
    let width = "Number(document.querySelector('.sheet svg').getAttribute('viewBox').split(' ')[2])";
    let left = "Number(document.querySelector('.sheet svg').getAttribute('viewBox').split(' ')[0])";
    let before = page.value(width).as_f64().unwrap_or_default();
    page.click("document.getElementById('in')");
    page.wait(&format!("{width} < {before}"));
    let at = page.value(left).as_f64().unwrap_or_default();
    page.value("document.getElementById('stage').focus(), 1");
    page.press("ArrowRight");
    page.wait(&format!("{left} > {at}"));
    page.press("0");
    page.wait(&format!("{width} === {before}"));
}

fn hostile() {
    let folder = TempDir::new().expect("a temporary folder");
    let source = r#"package barn
import androidx.navigation.compose.*
@Composable fun Barn() {
    val nav = rememberNavController()
    NavHost(nav, startDestination = "</script><script>window.ran=1</script>") {
        composable("</script><script>window.ran=1</script>") { ShelfScreen(onGo = { nav.navigate("<img src=x onerror=window.ran=1>") }) }
        composable("{{ 7 * 7 }}<b>") { ItemScreen() }
    }
}
@Composable fun ShelfScreen(onGo: () -> Unit) { Button(onClick = onGo) {} }
@Composable fun ItemScreen() {}
"#;
    std::fs::write(folder.path().join("Barn.kt"), source).expect("the file can be written");
    let report = Report::of(folder.path(), &[]);
    let mut page = report.open();
    for view in ["picture", "routes", "calls", "findings"] {
        go(&mut page, view);
    }
    assert!(page.text("#routes").contains("</script><script>window.ran=1</script>"));
    assert!(page.text("#calls").contains("<img src=x onerror=window.ran=1>"));
    assert!(page.text("#routes").contains("{{ 7 * 7 }}<b>"));
    go(&mut page, "picture");
    page.click(&node("ShelfScreen"));
    page.wait("!document.getElementById('panel').hidden");
    assert!(page.text("#panel").contains("</script><script>window.ran=1</script>"));
    assert_eq!(page.value("window.ran === undefined"), true);
    assert_eq!(page.errors, Vec::<String>::new());
}

/// Groups of screens, each in a file of its own folder.
fn clusters() {
    let folder = TempDir::new().expect("a temporary folder");
    for group in 0..10 {
        let mut source = format!("package barn.part{group}\nimport androidx.fragment.app.Fragment\n");
        for i in 0..20 {
            let next = (i + 1) % 20;
            source += &format!(
                "class Part{group}Shelf{i}Fragment : Fragment() {{\n    fun go() {{ parentFragmentManager.beginTransaction().replace(R.id.box, Part{group}Shelf{next}Fragment()).commit() }}\n}}\n"
            );
        }
        let path = folder.path().join(format!("src/main/java/barn/part{group}"));
        std::fs::create_dir_all(&path).expect("the folder can be made");
        std::fs::write(path.join("Shelves.kt"), source).expect("the file can be written");
    }
    let report = Report::of(folder.path(), &[]);
    let mut page = report.open();
    go(&mut page, "picture");
    assert_eq!(page.value("document.querySelectorAll('.sheet:not([hidden]) .node').length"), 10);
    page.click("document.querySelector('.sheet:not([hidden]) .node')");
    page.wait("document.querySelectorAll('.sheet:not([hidden]) .node').length === 20");
    page.click("document.querySelector('.sheet:not([hidden]) .node')");
    page.wait("!document.getElementById('panel').hidden");
    page.click("document.getElementById('back')");
    page.wait("document.querySelectorAll('.sheet:not([hidden]) .node').length === 10");
    // What is found is shown where it is drawn.
    page.press("/");
    page.type_text("part7shelf13");
    page.press("Enter");
    page.wait("document.querySelectorAll('.sheet:not([hidden]) .node.chosen').length === 1");
    assert_eq!(page.text("#panel h2"), "Part7Shelf13Fragment");
}
