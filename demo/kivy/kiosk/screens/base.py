from kivy.uix.screenmanager import Screen


class BarnScreen(Screen):
    """Goes back to the shelf when nobody touches the kiosk."""

    def timed_out(self, *rest):
        self.manager.current = "shelf"
