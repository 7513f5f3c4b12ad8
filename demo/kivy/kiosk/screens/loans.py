from kivy.properties import NumericProperty, StringProperty

from kiosk import names
from kiosk.screens.base import BarnScreen


class LoanScreen(BarnScreen):
    tool_id = NumericProperty(0)
    days = NumericProperty(7)

    def confirm(self):
        self.manager.get_screen("loan done").receipt = f"{self.tool_id} for {self.days} days"
        self.manager.current = "loan done"


class LoanDoneScreen(BarnScreen):
    receipt = StringProperty("")

    def on_enter(self):
        self.ids.receipt.text = self.receipt


class ReturnScreen(BarnScreen):
    condition = StringProperty("good")

    def finish(self):
        if self.condition == "broken":
            self.manager.current = names.TICKETS
        else:
            self.manager.current = names.SHELF
        self.manager.transition.direction = "right"
