//! What is read of each construct of a kv document, and where it stands.

use crate::source::from_texts;
use crate::syntax::tests::sketched;
use crate::syntax::{Kind, parse};

#[track_caller]
fn kv(text: &str, expected: &str) {
    let found = sketched("barn.kv", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn rules_dynamic_classes_and_a_tree() {
    kv(
        "#:kivy 2.0
#:import names barn.names
#:set GAP '4dp'
<Shelf, Desk>:
    padding: GAP
<HelpPage@Screen+Kept>:
    # nothing of ours
    name: 'help'
BoxLayout:
    Manager:
        id: sm
        Shelf:
            name: names.SHELF
    Label:
        text: 'Close the door: now'
",
        r#"
        val GAP = "4dp"
        extension Shelf():  { fun <kv>() = this(padding = GAP) }
        extension Desk():  { fun <kv>() = this(padding = GAP) }
        class HelpPage(): Screen(), Kept() { fun <kv>() = this(name = "help") }
        BoxLayout(Manager(id = "sm", Shelf(name = names.SHELF)), Label(text = "Close the door: now"))
        "#,
    );
}

#[test]
fn handlers_on_one_line_and_on_several() {
    kv(
        "<Desk>:
    Button:
        on_release: root.manager.current = 'shelf'
        on_press:
            # straight back
            app.manager.transition.direction = 'right'; \\
            app.manager.current = names.SHELF
        on_kv_post:
            page = app.manager.get_screen('item')
            if page:
                page.item = self.text
            root.go(page)
    canvas.before:
        Color:
            rgb: 1, 1, 1
",
        r#"
        extension Desk():  { fun <kv>() = this(Button(on_release = \ { this.manager.current = "shelf" }, on_press = \ { app.manager.transition.direction = "right"; app.manager.current = names.SHELF }, on_kv_post = \ { val page = app.manager.get_screen("item"); choose (page -> { page.item = self.text }); this.go(page) })) }
        "#,
    );
}

#[test]
fn values_over_several_lines() {
    kv(
        "<Desk>:\r\n    Label:\r\n        text:\r\n            'a' + \\\r\n            root.note\r\n",
        r#"extension Desk():  { fun <kv>() = this(Label(text = ("a" + this.note))) }"#,
    );
}

#[test]
fn what_cannot_be_read_costs_no_more_than_itself() {
    let text = "<Desk\n<Shelf>:\n    ?? what\n    Button:\n        on_release: root.go(\n        text: 'x'\n%%\nBox:\n    id: box\n";
    let sources = from_texts(vec![("a.kv".to_owned(), text.to_owned())]);
    let parsed = parse(&sources.files[0], &sources);
    assert_eq!(parsed.problem.map(|problem| problem.line), Some(1));
    let tree = parsed.body.code().expect("code");
    let classes: Vec<&str> = tree.ids().filter_map(|id| Some(tree.class(id)?.name.as_str())).collect();
    assert_eq!(classes, ["Shelf"]);
    let made = tree.ids().filter_map(|id| tree.call(id)).filter_map(|call| tree.callee(call));
    let made: Vec<&str> = made.map(|(name, _)| name.as_str()).filter(|name| *name != "go").collect();
    assert_eq!(made, ["Button", "Box"]);
}

#[test]
fn places_are_those_of_the_file_also_in_a_string() {
    let text = "from kivy.lang import Builder\nKV = '''\n<Desk>:\n    on_enter: root.manager.current = 'shelf'\n'''\nBuilder.load_string(KV)\n";
    let sources = from_texts(vec![("a.py".to_owned(), text.to_owned())]);
    let parsed = parse(&sources.files[0], &sources);
    assert_eq!(parsed.problem, None);
    let tree = parsed.body.code().expect("code");
    let assigned = tree.ids().find_map(|id| match tree.kind(id) {
        Kind::Assign { target, .. } => tree.last_name(*target),
        _ => None,
    });
    let (name, span) = assigned.expect("what the handler sets");
    assert_eq!((name.as_str(), &text[span.start as usize..span.end as usize]), ("current", "current"));
}
