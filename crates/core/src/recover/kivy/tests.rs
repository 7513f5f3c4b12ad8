//! Kivy apps as they are written: in Python, in kv files and in strings of kv.

use crate::recover::testing::{calls, lists, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

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
        expect![[r#"
        *members [screen] -> MembersPage () main.py:10
        tickets [screen] -> TicketsPage () main.py:12
        *shelf [screen] -> ShelfPage () main.py:57
        desk [screen] -> DeskPage () main.py:57
        item [screen] -> ItemPage (tool_id?: NumericProperty) main.py:59"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        DeskPage open item literal () kiosk.kv:4
        ShelfPage open desk literal () kiosk.kv:7
        MembersPage open tickets literal () main.py:15
        MembersPage open shelf literal () main.py:17
        ShelfPage+ItemPage open shelf literal () main.py:22
        ShelfPage open item constant (tool_id) main.py:29
        TicketsPage open members computed () main.py:44"#]],
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

#[test]
fn an_app_whose_tree_is_a_document_that_is_loaded() {
    let document = scanned(
        r#"
//- main.py
from kivymd.app import MDApp
from kivymd.uix.screen import MDScreen
from kivymd.uix.screenmanager import MDScreenManager
from kivy.lang import Builder
from kivy.uix.screenmanager import ScreenManager, Screen
from kivy.core.window import Window

sm = ScreenManager()

class LoginScreen(MDScreen):
    def on_login(self):
        sm.current = "home"
        self.manager.current = 'home'
        MDApp.get_running_app().root.current = "settings"

class HomeScreen(MDScreen):
    user = None
    def logout(self, *args):
        self.parent.current = "login"
        self.manager.switch_to(DetailScreen(name="detail"))

class DetailScreen(Screen):
    def __init__(self, **kwargs):
        super(DetailScreen, self).__init__(**kwargs)
        self.name = "detail"

class SettingsScreen(MDScreen):
    pass

class WindowManager(ScreenManager):
    pass

kv = Builder.load_file("my.kv")

class MainApp(MDApp):
    def build(self):
        return kv

    def change_screen(self, name):
        self.root.current = name
        
    def open_home(self):
        self.change_screen("home")
        self.change_screen("homee")

if __name__ == "__main__":
    MainApp().run()
//- my.kv
#:kivy 1.0
#:set HOME "home"
WindowManager:
    LoginScreen:
    HomeScreen:
        id: home_screen
    SettingsScreen:
        name: "settings"

<LoginScreen>:
    name: "login"
    MDRaisedButton:
        text: "go"
        on_release:
            app.root.current = HOME
            root.manager.transition.direction = "left"
    MDFlatButton:
        on_press: app.change_screen("settings")

<HomeScreen>:
    name: "home"
    MDFlatButton:
        on_release: root.manager.current = "login" if root.user is None else "settings"
    MDFlatButton:
        on_release: root.manager.current = root.manager.next()
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        detail [screen] -> DetailScreen () main.py:20
        settings [screen] -> SettingsScreen () my.kv:8
        *login [screen] -> LoginScreen () my.kv:11
        home [screen] -> HomeScreen () my.kv:21"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        LoginScreen open home literal () main.py:12
        LoginScreen open home literal () main.py:13
        LoginScreen open settings literal () main.py:14
        HomeScreen open login literal () main.py:19
        HomeScreen replace detail typed () main.py:20
        - open home literal () main.py:43
        - open undeclared literal () main.py:44
        LoginScreen open home constant () my.kv:15
        LoginScreen open settings literal () my.kv:18
        HomeScreen open settings|login computed () my.kv:23
        HomeScreen open settings computed () my.kv:25"#]],
    );
}

#[test]
fn what_a_screen_takes_from_itself_it_has() {
    let app = r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import ScreenManager, Screen
class A(Screen):
    def go(self, order):
        s = self.manager.get_screen("b")
        s.order = order
        s.loose = 1
        s.kvprop = 2
        s.opacity = 0.5
        s.size_hint = (1, 1)
        s.ids.label.text = "x"
        s.callback = self.done
        s.nothing = 3
                    ^ argument-unknown: no `nothing`
        self.manager.current = "b"
    def done(self): pass
class B(Screen):
    def on_enter(self):
        print(self.order)
        if hasattr(self, "loose"):
            print(getattr(self, "loose", None))
        self.callback()
class TestApp(App):
    def build(self):
        sm = ScreenManager()
        sm.add_widget(A(name="a")); sm.add_widget(B(name="b"))
        return sm
//- test.kv
<B>:
    kvprop: 0
    Label:
        id: label
        text: str(root.kvprop)
"#;
    judged("argument-unknown", app);
    let unmarked =
        app.lines().filter(|line| !line.trim_start().starts_with('^')).collect::<Vec<_>>().join("\n");
    judged("argument-unread", &unmarked.replace("        s.nothing = 3\n", ""));
}
