from kivy.properties import ListProperty, NumericProperty, StringProperty

from kiosk import names
from kiosk.screens.base import BarnScreen


class ShelfScreen(BarnScreen):
    tools = ListProperty([])

    def on_pre_enter(self):
        self.ids.rows.data = [{"text": tool.name} for tool in self.tools]

    def open_item(self, tool):
        item = self.manager.get_screen(names.ITEM)
        item.tool_id = tool.id
        item.title = tool.name
        self.manager.go(names.ITEM)

    def open_tickets(self):
        self.manager.go("ticket")


class ItemScreen(BarnScreen):
    tool_id = NumericProperty(0)
    title = StringProperty("")

    def lend(self):
        loan = self.manager.get_screen(names.LOAN)
        loan.tool_id = self.tool_id
        loan.until = 14
        self.manager.current = names.LOAN
