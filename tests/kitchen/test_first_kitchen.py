"""A kitchen of which nothing was ever saved: its first names are in the language of the program."""

from dataclasses import replace

import pytest

from gentle_crust.kitchen import settings
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store
from gentle_crust.text.pseudo import OPENS, PSEUDO
from tests.conftest import SATURDAY


@pytest.fixture
def empty(tmp_path):
    sessions = open_store(tmp_path)
    yield Work(sessions, lambda: SATURDAY)
    sessions.kw["bind"].dispose()


def names(work):
    kitchen = KitchenSettings(work).get()
    return [kitchen.name, *(vessel.name for vessel in kitchen.vessels)]


def test_a_first_kitchen_is_named_in_english(empty):
    assert KitchenSettings(empty).is_new()
    assert names(empty) == ["My kitchen", "Iron pot", "Baking stone", "Loaf tins", "Tray"]


def test_in_another_language_it_is_named_in_that_one_until_the_baker_names_it(empty, monkeypatch):
    other = settings.config().model_copy(update={"language": PSEUDO})
    monkeypatch.setattr(settings, "config", lambda: other)
    assert all(name.startswith(OPENS) for name in names(empty))
    kept = replace(KitchenSettings(empty).get(), name="Lantern Street")
    KitchenSettings(empty).save(kept)
    assert KitchenSettings(empty).get().name == "Lantern Street"
