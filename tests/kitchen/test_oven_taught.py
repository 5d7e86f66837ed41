"""A kitchen whose oven is not what its baker thinks, bake after bake: the forecasts come nearer to what comes out."""

from dataclasses import replace

import numpy as np
import pytest

from gentle_crust.contract.oven import AskedBake, AskedLoaf
from gentle_crust.core.oven.bake import bake
from gentle_crust.core.oven.staged import heat_of
from gentle_crust.kitchen.oven import OvenBook
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from tests.conftest import SATURDAY

LOAVES = (("tidewater-country", "pot", 1), ("lamplighters-tin", "tin", 1), ("market-baguette", "stone", 2))


def asked(turn, book):
    """Pot, tin and stone by turns."""
    known = {each.id for each in book.formulas.all()}
    some = [each for each in LOAVES if each[0] in known]
    formula, vessel, pieces = some[turn % len(some)]
    return AskedBake(AskedLoaf(formula, pieces=pieces, cold=False), vessel)


class Kitchen:
    """Bakes are drawn up by the program, and come out of an oven that is ``hotter_k`` and ``pace`` otherwise."""

    def __init__(self, sessions, hotter_k, pace, seed):
        self.work = Work(sessions, lambda: SATURDAY)
        self.hotter_k, self.pace, self.dice = hotter_k, pace, np.random.default_rng(seed)

    def came_out(self, question):
        """The same bake in the oven as it really is."""
        described = heat_of(KitchenSettings(self.work).get().oven)
        real = replace(described, offset_k=described.offset_k + self.hotter_k, pace=self.pace)
        return bake(replace(question, oven=real))

    def lives(self, turn):
        """One bake: how far its colour and its loss came out from what was foretold; then the oven is taught by it."""
        book = OvenBook(self.work)
        wish = asked(turn, book)
        shown = book.bake(wish)
        went = self.came_out(shown.question)
        miss = abs(went.end("colour") - shown.baked.end("colour")), abs(went.end("loss") - shown.baked.end("loss"))
        piece = shown.question.loaf.dough_g
        colour = float(np.clip(went.end("colour") + self.dice.normal(0, 5), 0, 100))
        out_g = piece * (1 - np.clip(went.end("loss") + self.dice.normal(0, 0.008), 0, 0.5))
        book.teach(f"turn-{turn}", wish, (None, colour, float(out_g)), None)
        return miss


@pytest.mark.parametrize(("hotter_k", "pace"), [(18, 1.0), (-18, 1.0), (10, 1.08)])
def test_the_miss_of_later_bakes_is_smaller_than_that_of_the_first(sessions, hotter_k, pace):
    kitchen = Kitchen(sessions, hotter_k, pace, 5)
    misses = np.array([kitchen.lives(turn) for turn in range(12)])
    first, last = misses[:3].mean(axis=0), misses[-3:].mean(axis=0)
    assert last[0] < 0.6 * first[0], "colour"
    assert last[1] < max(0.75 * first[1], 0.006), "loss"


def test_an_oven_that_is_what_its_baker_thinks_is_left_nearly_as_it_is(sessions):
    kitchen = Kitchen(sessions, 0, 1.0, 9)
    for turn in range(9):
        kitchen.lives(turn)
    found = OvenBook(kitchen.work).lessons.in_use()
    assert abs(found.heat_k) < 6 and 0.93 < found.pace < 1.08 and found.bakes == 9


def test_the_kitchen_that_is_kept_never_takes_over_what_was_learnt(sessions):
    """What is taught stands beside the description: saving the kitchen, or a bake by name, writes none of it down."""
    kitchen = Kitchen(sessions, 20, 1.0, 3)
    before = KitchenSettings(kitchen.work).get()
    for turn in range(6):
        kitchen.lives(turn)
    book = OvenBook(kitchen.work)
    book.keep("Sunday", asked(0, book))
    after = KitchenSettings(kitchen.work).get()
    assert after.oven == before.oven and len(after.bakes) == len(before.bakes) + 1
    assert book.lessons.kitchen().oven != after.oven
