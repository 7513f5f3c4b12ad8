//! Kivy as people write it: widgets that open what they are given, lambdas that keep a name of a loop,
//! screens from a table, names asked of other screens.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn widgets_lambdas_and_tables_that_name_screens() {
    let document = scanned(
        r#"
//- barn.kv
#:import FadeTransition kivy.uix.screenmanager.FadeTransition
<HomeScreen>:
    BoxLayout:
        GridLayout:
            id: grid
        Button:
            text: 'Item'
            on_release: root.open_item(3)
        Button:
            text: 'Out'
            on_press:
                root.manager.transition.direction = 'right'
                root.logout()
        NavButton:
            target: 'tickets'
<NavButton@Button>:
    target: ''
    on_release: app.switch(self.target)
<LoginScreen>:
    TextInput:
        id: name
    Button:
        on_release: root.sign_in(name.text, 'x')
    Button:
        on_release: app.root.current = 'setings'
<SettingsScreen>:
    name: 'settings'
    Button:
        on_release: root.manager.back()
<ItemScreen>:
    Label:
        text: str(root.item_id)
    Button:
        on_release: root.manager.current = 'home' if root.item_id else 'loan'
//- main.py
import os
from functools import partial
from kivy.app import App
from kivy.clock import Clock
from kivy.lang import Builder
from kivy.properties import ObjectProperty, StringProperty, NumericProperty
from kivy.uix.screenmanager import ScreenManager, Screen, SlideTransition, NoTransition
from kivy.uix.button import Button
from screens import ItemScreen, LoanScreen, SCREENS
from screens.settings import SettingsScreen

Builder.load_file(os.path.join(os.path.dirname(__file__), 'barn.kv'))

class HomeScreen(Screen):
    def on_pre_enter(self, *args):
        self.ids.grid.clear_widgets()
        for key, title in (('item', 'Items'), ('loan', 'Loans'), ('settings', 'Settings')):
            button = Button(text=title)
            button.bind(on_release=lambda btn, key=key: self.go(key))
            self.ids.grid.add_widget(button)

    def go(self, name, direction='left'):
        self.manager.transition = SlideTransition(direction=direction)
        self.manager.current = name

    def open_item(self, item_id):
        screen = self.manager.get_screen('item')
        screen.item_id = item_id
        self.manager.current = 'item'

    def logout(self):
        App.get_running_app().root.current = 'login'

class LoginScreen(Screen):
    def sign_in(self, name, password):
        if name and password:
            Clock.schedule_once(partial(self.change, 'home'), 0.5)
        else:
            self.manager.switch_to(ErrorScreen(name='error', text='no'))
    def change(self, to, *largs):
        self.parent.current = to

class ErrorScreen(Screen):
    text = StringProperty('')

class BarnManager(ScreenManager):
    def __init__(self, **kwargs):
        super().__init__(**kwargs)
        self.add_widget(LoginScreen(name='login'))
        self.add_widget(HomeScreen(name='home'))
        for name, cls in SCREENS.items():
            self.add_widget(cls(name=name))
    def back(self):
        self.current = self.previous()

class BarnApp(App):
    def build(self):
        self.sm = BarnManager(transition=NoTransition())
        self.sm.add_widget(SettingsScreen())
        return self.sm
    def switch(self, name):
        self.sm.current = name
    def on_start(self):
        self.switch('login')

if __name__ == '__main__':
    BarnApp().run()
//- screens/__init__.py
from .item import ItemScreen
from .loan import LoanScreen, TicketScreen
SCREENS = {'item': ItemScreen, 'loan': LoanScreen, 'tickets': TicketScreen}
//- screens/item.py
from kivy.uix.screenmanager import Screen
from kivy.properties import NumericProperty
class ItemScreen(Screen):
    item_id = NumericProperty(0)
    def borrow(self):
        loan = self.manager.get_screen('loan')
        loan.item = self.item_id
        self.manager.current = loan.name
//- screens/loan.py
from kivy.uix.screenmanager import Screen
from kivy.properties import ObjectProperty
class LoanScreen(Screen):
    item = ObjectProperty(None)
    def done(self):
        self.manager.transition.direction = 'right'
        self.manager.current = 'home'
class TicketScreen(Screen):
    def back(self):
        self.manager.current = self.manager.previous()
    def nowhere(self):
        self.manager.current = 'item_detail'
//- screens/settings.py
from kivy.uix.screenmanager import Screen
class SettingsScreen(Screen):
    pass
class OldScreen(Screen):
    pass
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        settings [screen] -> SettingsScreen () barn.kv:27
        error [screen] -> ErrorScreen () main.py:39
        *login [screen] -> LoginScreen () main.py:49
        home [screen] -> HomeScreen () main.py:50
        item [screen] -> ItemScreen (item_id?: NumericProperty) main.py:52
        loan [screen] -> LoanScreen (item?: ObjectProperty) main.py:52
        tickets [screen] -> TicketScreen () main.py:52"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        HomeScreen open tickets literal () barn.kv:14
        LoginScreen open undeclared literal () barn.kv:25
        ItemScreen open home|loan computed () barn.kv:34
        HomeScreen open settings|item|loan computed () main.py:19
        HomeScreen open item literal (item_id) main.py:29
        HomeScreen open login literal () main.py:32
        LoginScreen open home literal () main.py:37
        LoginScreen replace error typed () main.py:39
        - open dynamic dynamic () main.py:54
        - open login literal () main.py:64
        ItemScreen open loan literal (item) item.py:8
        LoanScreen open home literal () loan.py:7
        TicketScreen open loan computed () loan.py:10
        TicketScreen open undeclared literal () loan.py:12"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        warning hard-coded-route barn.kv:14 the route `tickets` is written in place
        error undeclared-route barn.kv:25 no route or action is called `setings`
        warning hard-coded-route barn.kv:34 the route `home` is written in place, as in 2 other places
        warning hard-coded-route main.py:29 the route `item` is written in place
        warning hard-coded-route main.py:32 the route `login` is written in place, as in 1 other place
        warning hard-coded-route main.py:37 the route `home` is written in place, as in 2 other places
        warning hard-coded-route main.py:64 the route `login` is written in place, as in 1 other place
        warning hard-coded-route item.py:8 the route `loan` is written in place
        warning hard-coded-route loan.py:7 the route `home` is written in place, as in 2 other places
        error undeclared-route loan.py:12 no route or action is called `item_detail`
        warning orphan-screen settings.py:4 no route shows `OldScreen`, and nothing makes one"#]],
    );
}
