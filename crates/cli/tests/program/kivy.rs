//! Kivy: the demo as it is shipped, and kv that is not valid.

use crate::support::{App, demo, places, run, scanned};

#[test]
fn the_demos_slips_and_nothing_graver() {
    let document = scanned(&demo("kivy"));
    assert_eq!(places(&document, "undeclared-route"), ["kiosk.kv:28", "members.py:28"]);
    assert_eq!(places(&document, "out-of-scope-route"), ["items.py:20"], "a screen of the inner manager");
    assert_eq!(places(&document, "argument-unknown"), ["items.py:30"]);
    assert_eq!(places(&document, "orphan-screen"), ["tickets.py:38"]);
    assert_eq!(places(&document, "unused-name"), ["names.py:10"]);
    for rule in ["unreachable-route", "start-missing", "screen-missing", "duplicate-route"] {
        assert!(places(&document, rule).is_empty(), "{rule}: {:?}", places(&document, rule));
    }
}

#[test]
fn the_way_from_the_shelf_to_a_receipt() {
    let app = demo("kivy");
    let way = run(&["reach", "ShelfScreen", "LoanDoneScreen", "--in", &app]);
    assert_eq!(way.status, 0, "{}", way.err);
    assert!(way.out.contains("ItemScreen") && way.out.contains("LoanScreen"), "{}", way.out);
    let map = run(&["map", &app, "--format", "dot"]);
    assert!(map.out.contains("TicketListScreen"), "{}", map.out);
}

/// One rule is broken in the middle; the others still count.
const BROKEN: &str = r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import Screen, ScreenManager
class ShelfScreen(Screen):
    pass
class LoanScreen(Screen):
    pass
class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(ShelfScreen(name="shelf"))
        manager.add_widget(LoanScreen(name="loan"))
        return manager
//- barn.kv
<ShelfScreen>:
    Button:
        text: (
        on_release: root.manager.current = "loan"
<LoanScreen>:
    Button:
        on_release: root.manager.current = "shelf"
    Button:
        on_release: root.manager.current = "gone"
"#;

#[test]
fn broken_kv_costs_no_more_than_itself() {
    let app = App::new(BROKEN);
    let document = scanned(app.arg());
    assert_eq!(places(&document, "undeclared-route"), ["barn.kv:9"]);
    assert_eq!(document["routes"].as_array().map(Vec::len), Some(2));
}
