from kivy.lang import Builder
from kivy.properties import StringProperty

from kiosk import names
from kiosk.screens.base import BarnScreen

Builder.load_string("""
<CardScreen>:
    BoxLayout:
        orientation: "vertical"
        Label:
            text: root.digits
        Button:
            text: "Go on"
            on_release: root.check()
        Button:
            text: "Not now"
            on_release: app.root.go_back()

<MemberScreen>:
    Label:
        text: root.card
    Button:
        text: "Bring a tool back"
        on_release: root.manager.current = "return"
    Button:
        text: "My loans"
        on_release: root.manager.current = "loans"
""")


class CardScreen(BarnScreen):
    digits = StringProperty("")

    def check(self):
        self.manager.get_screen(names.MEMBER).card = self.digits
        self.manager.current = names.MEMBER


class MemberScreen(BarnScreen):
    card = StringProperty("")
