from kivy.uix.screenmanager import ScreenManager, SlideTransition


class BarnManager(ScreenManager):
    """Remembers where a member came from."""

    def __init__(self, **more):
        super().__init__(**more)
        self.trail = []

    def go(self, name, direction="left"):
        self.trail.append(self.current)
        self.transition = SlideTransition(direction=direction)
        self.current = name

    def go_back(self):
        if self.trail:
            self.transition = SlideTransition(direction="right")
            self.current = self.trail.pop()
