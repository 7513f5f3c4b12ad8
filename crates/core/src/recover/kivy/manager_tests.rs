//! Managers under every name that people give them, and screens that are filled in by loops.

use crate::recover::testing::{calls, lists, routes, scanned};
use crate::rules::testing::judged;
use expect_test::expect;

#[test]
fn a_manager_that_is_handed_on_is_the_one_it_was_made_as() {
    let document = scanned(
        r#"
//- main.py
from kivy.app import App
from kivy.uix.boxlayout import BoxLayout
from kivy.properties import ObjectProperty
from kivy.uix.screenmanager import Screen, ScreenManager

class ShelfScreen(Screen):
    pass

class LoanScreen(Screen):
    pass

class Bell:
    def __init__(self, sm):
        self.sm = sm
    def ring(self):
        self.sm.current = "loans"

class Catalogue(BoxLayout):
    shelf_manager = ObjectProperty()
    def show(self, name):
        self.shelf_manager.current = "loans"

class BarnApp(App):
    def build(self):
        self.sm = ScreenManager()
        self.sm.add_widget(ShelfScreen(name="shelf"))
        self.sm.add_widget(LoanScreen(name="loans"))
        self.bell = Bell(self.sm)
        return self.sm
    def home(self):
        root = self
        def later():
            root.sm.current = "shelf"
        later()
//- barn.kv
<Catalogue>:
    shelf_manager: sm
    ScreenManager:
        id: sm
        ShelfScreen:
            name: "shelf"
        LoanScreen:
            name: "loans"
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        *shelf [screen] -> ShelfScreen () barn.kv:6
        loans [screen] -> LoanScreen () barn.kv:8
        *shelf [screen] -> ShelfScreen () main.py:26
        loans [screen] -> LoanScreen () main.py:27"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        - open loans literal () main.py:16
        - open loans literal () main.py:21
        - open shelf literal () main.py:33"#]],
    );
}

#[test]
fn rounds_of_a_loop_give_name_and_screen_together() {
    let document = scanned(
        r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import Screen, ScreenManager
from panels import LoanPanel, ShelfPanel

class DeskScreen(Screen):
    pass

class ReturnScreen(Screen):
    def __init__(self, **kwargs):
        super().__init__(name="returns", **kwargs)

PANELS = {"shelf": ShelfPanel, "loans": LoanPanel}
PAGES = [(DeskScreen, "desk")]

class BarnApp(App):
    def build(self):
        sm = ScreenManager()
        for name, panel in PANELS.items():
            page = Screen(name=name)
            page.add_widget(panel())
            sm.add_widget(page)
        for cls, name in PAGES:
            sm.add_widget(cls(name=name))
        sm.add_widget(ReturnScreen())
        return sm
//- panels.py
from kivy.uix.boxlayout import BoxLayout

class ShelfPanel(BoxLayout):
    pass

class LoanPanel(BoxLayout):
    pass
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        returns [screen] -> ReturnScreen () main.py:8
        desk [screen] -> DeskScreen () main.py:13
        loans [screen] -> LoanPanel () main.py:19
        *shelf [screen] -> ShelfPanel () main.py:19"#]],
    );
}

#[test]
fn a_manager_that_is_filled_out_of_sight_is_not_empty() {
    judged(
        "host-unwired",
        r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import Screen, ScreenManager
from screens import screens

class BarnApp(App):
    def build(self):
        self.manager_screens = ScreenManager()
        for name in screens.keys():
            view = screens[name]["view"]().get_view()
            view.name = name
            self.manager_screens.add_widget(view)
        return self.manager_screens
//- screens.py
from somewhere import load
screens = load()
"#,
    );
    judged(
        "host-unwired",
        r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import ScreenManager

class BarnApp(App):
    def build(self):
        return ScreenManager()
               ^^^^^^^^^^^^^ host-unwired: nothing is ever shown in it

BarnApp().run()
"#,
    );
}

#[test]
fn what_a_screen_that_is_switched_to_must_be_made_with() {
    judged(
        "argument-missing",
        r#"
//- main.py
from kivy.app import App
from kivy.uix.screenmanager import Screen, ScreenManager

class Gate(Screen):
    def __init__(self, gate, mode="look", **kwargs):
        super().__init__(name="gate", **kwargs)
        self.gate = gate
        self.mode = mode

    def on_enter(self):
        print(self.gate, self.mode)

class Label(Screen):
    def __init__(self, text, **kwargs):
        super().__init__(name="label", **kwargs)
        self.text = text

    def on_enter(self):
        print(self.text)

class Shelf(Screen):
    def look(self):
        gate = Gate(gate=3)
        self.manager.switch_to(gate)
        self.manager.switch_to(Gate(4, mode="fast"))
        self.manager.switch_to(Gate())
                     ^^^^^^^^^ argument-missing: `gate` needs `gate`
        self.manager.current = "label"

class BarnApp(App):
    def build(self):
        manager = ScreenManager()
        manager.add_widget(Shelf(name="shelf"))
        manager.add_widget(Label("x"))
        return manager

BarnApp().run()
"#,
    );
}
