"""The kiosk at the counter: members look for tools, lend them and bring them back."""
from kivy.app import App
from kivy.core.window import Window
from kivy.uix.screenmanager import FadeTransition

from kiosk import names
from kiosk.manager import BarnManager
from kiosk.screens.items import ItemScreen, ShelfScreen
from kiosk.screens.loans import LoanDoneScreen, LoanScreen, ReturnScreen
from kiosk.screens.members import CardScreen, MemberScreen
from kiosk.screens.tickets import TicketDesk


class KioskApp(App):
    def build(self):
        manager = BarnManager(transition=FadeTransition())
        for made, name in (
            (ShelfScreen, names.SHELF),
            (ItemScreen, names.ITEM),
            (CardScreen, names.CARD),
            (MemberScreen, names.MEMBER),
        ):
            manager.add_widget(made(name=name))
        manager.add_widget(LoanScreen(name=names.LOAN))
        manager.add_widget(LoanDoneScreen(name="loan done"))
        manager.add_widget(ReturnScreen(name=names.RETURN))
        manager.add_widget(TicketDesk(name=names.TICKETS))
        manager.current = names.SHELF
        Window.bind(on_keyboard=self.on_key)
        return manager

    def on_key(self, window, key, *rest):
        if key == 27:
            self.root.current = names.SHELF
            return True
        return False

    def sign_out(self):
        self.root.current = names.SHELF
        self.root.get_screen(names.CARD).digits = ""


if __name__ == "__main__":
    KioskApp().run()
