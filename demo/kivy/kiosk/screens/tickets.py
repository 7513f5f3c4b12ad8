"""Repair tickets have a manager of their own, inside of the kiosk's."""
from kivy.properties import NumericProperty, StringProperty
from kivy.uix.screenmanager import Screen, ScreenManager

from kiosk.screens.base import BarnScreen


class TicketDesk(BarnScreen):
    def open_ticket(self, number):
        inner = self.ids.inner
        inner.get_screen("ticket").number = number
        inner.current = "ticket"

    def close(self):
        self.manager.current = "shelf"


class TicketManager(ScreenManager):
    pass


class TicketListScreen(Screen):
    def first(self):
        self.manager.current = "ticket"


class TicketScreen(Screen):
    number = NumericProperty(0)
    state = StringProperty("open")

    def on_enter(self):
        self.ids.number.text = f"{self.number}: {self.state}"

    def done(self):
        self.manager.current = "list"


class TicketPhotoScreen(Screen):
    pass


class Lathe:
    """Has a current too, in amperes."""

    def __init__(self):
        self.current = "none"

    def start(self):
        self.current = "full"
