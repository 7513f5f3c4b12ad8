//! Kivy apps as they are written: in Python, in kv files and in strings of kv.

use crate::recover::testing::{calls, lists, routes, scanned};
use crate::rules::testing::judged;

#[test]
fn two_managers_with_rules_in_a_file_and_in_a_string() {
    let document = scanned(
        r#"
//- kiosk/main.py
from kivy.app import App
from kivy.lang import Builder
from kivy.properties import NumericProperty
from kivy.uix.screenmanager import Screen as Page, ScreenManager, SlideTransition
from names import ITEM

Builder.load_string('''
<DeskManager>:
    MembersPage:
        name: "members"
    TicketsPage:
        name: "tickets"
<MembersPage>:
    Button:
        on_release: root.manager.current = "tickets"
    Button:
        on_release: app.root.current = "shelf"
''')

class Lit(Page):
    def close(self):
        self.manager.current = "shelf"

class ShelfPage(Lit):
    def show(self, tool):
        item = self.manager.get_screen(ITEM)
        item.tool_id = tool.id
        self.manager.transition = SlideTransition()
        self.manager.current = ITEM

class ItemPage(Lit):
    tool_id = NumericProperty(0)
    def on_pre_enter(self):
        load(self.tool_id)

class DeskPage(Page):
    pass

class MembersPage(Page):
    pass

class TicketsPage(Page):
    def back(self):
        self.manager.current = self.manager.previous()

class DeskManager(ScreenManager):
    pass

class Drill:
    current = "idle"
    def spin(self):
        self.current = "spinning"

class KioskApp(App):
    def build(self):
        manager = ScreenManager()
        for made, name in ((ShelfPage, "shelf"), (DeskPage, "desk")):
            manager.add_widget(made(name=name))
        manager.add_widget(ItemPage(name=ITEM))
        return manager
//- kiosk/names.py
ITEM = "item"
//- kiosk/kiosk.kv
<DeskPage>:
    DeskManager:
    Button:
        on_release: root.manager.current = "item"
<ShelfPage>:
    Button:
        on_press: app.root.current = "desk"
"#,
    );
    lists(
        &routes(&document),
        "*members [screen] -> MembersPage () main.py:10
         tickets [screen] -> TicketsPage () main.py:12
         *shelf [screen] -> ShelfPage () main.py:57
         desk [screen] -> DeskPage () main.py:57
         item [screen] -> ItemPage (tool_id?: NumericProperty) main.py:59",
    );
    lists(
        &calls(&document),
        "DeskPage open item literal () kiosk.kv:4
         ShelfPage open desk literal () kiosk.kv:7
         MembersPage open tickets literal () main.py:15
         MembersPage open shelf literal () main.py:17
         ShelfPage+ItemPage open shelf literal () main.py:22
         ShelfPage open item constant (tool_id) main.py:29
         TicketsPage open members computed () main.py:44",
    );
}

#[test]
fn what_is_set_on_a_screen_that_has_no_such_property() {
    judged(
        "argument-unknown",
        r#"
//- main.py
from kivy.app import App
from kivy.properties import ObjectProperty, StringProperty
from kivy.uix.screenmanager import ScreenManager, Screen

class Shelf(Screen):
    def loan(self, member):
        screen = self.manager.get_screen("loan")
        screen.member = member
        screen.note = ""
        screen.mebmer = member
                        ^^^^^^ argument-unknown: no `mebmer`
        screen.prepare(member)
        screen.disabled = False
        self.manager.current = "loan"

class Loan(Screen):
    member = ObjectProperty(None)
    note = StringProperty("")
    def prepare(self, member):
        self.kept = member
    def on_enter(self):
        print(self.member, self.note)

class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(Shelf(name="shelf"))
        manager.add_widget(Loan(name="loan"))
        return manager
"#,
    );
}

#[test]
fn names_that_no_screen_of_the_manager_has() {
    judged(
        "undeclared-route",
        r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import ScreenManager, Screen, NoTransition

class Shelf(Screen):
    def wrong(self):
        self.manager.current = "returns"
                     ^^^^^^^ undeclared-route: `returns`
    def right(self):
        self.manager.current = "loans"
    def either(self, late):
        self.manager.current = "loans" if late else "shelf"
    def unknown(self, name):
        self.manager.current = name

class Loans(Screen):
    pass

class BarnApp(App):
    def build(self):
        self.manager = ScreenManager(transition=NoTransition())
        self.manager.add_widget(Shelf(name="shelf"))
        loans = Loans()
        loans.name = "loans"
        self.manager.add_widget(loans)
        return self.manager
//- barn.kv
<Loans>:
    Button:
        on_release: root.manager.current = "shelves"
                                 ^^^^^^^ undeclared-route: `shelves`
    Button:
        on_release:
            root.manager.transition.direction = "right"
            root.manager.current = "shelf"
"#,
    );
}
