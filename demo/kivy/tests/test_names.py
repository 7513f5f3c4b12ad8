from kiosk import names


def test_names_are_words(manager):
    manager.current = "nowhere"
    assert names.SHELF.isalpha()
