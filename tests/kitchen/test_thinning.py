"""Figures of instruments, fewer with age: a bake's record loses nothing that it shows."""

from datetime import timedelta

import pytest

from gentle_crust.kitchen.beside import write_bake
from gentle_crust.kitchen.thinning import thin
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes
from gentle_crust.store.models import BakeRow, SampleRow
from gentle_crust.store.samples import Samples
from tests.conftest import SATURDAY

BAKED = SATURDAY - timedelta(days=20)
"""Noon and a half of a day twenty days ago is when it came out."""
FEW_S = 10


@pytest.fixture
def work(sessions):
    """A kitchen with one thermometer that sent a figure every ten seconds for two days, and a bake in them."""
    found = Work(sessions, lambda: SATURDAY)
    begin = BAKED - timedelta(days=1)
    figures = [
        ("probe", "dough_c", begin + timedelta(seconds=FEW_S * number), 24 + number % 90 / 100 + (number == 9000) * 6)
        for number in range(2 * 86_400 // FEW_S)
    ]
    with found.write() as session:
        for start in range(0, len(figures), 4000):
            Samples(session).add(figures[start : start + 4000])
        row = BakeRow(id="b", name="Loaf", pieces=1, started=BAKED - timedelta(hours=6), out=BAKED, leaves=BAKED,
                      stopped=False, how="", notes=0, photos=0, latest=BAKED, rule=1)  # fmt: skip
        Bakes(session).put(row)
    return found


def shown(work, since, until):
    with work.read() as session:
        return Samples(session).since("probe", "dough_c", since, until)


def count(work):
    with work.read() as session:
        return session.query(SampleRow).count()


def test_a_bake_keeps_every_minute_and_all_else_every_quarter(work):
    before = count(work)
    during = (BAKED - timedelta(hours=6), BAKED)
    curve = shown(work, *during)
    assert thin(work) == before - count(work) > before / 2
    after = shown(work, *during)
    assert [at for at, _ in after] == [at for at, _ in curve] and after == curve, "what a record shows stays the same"
    night = shown(work, BAKED - timedelta(hours=20), BAKED - timedelta(hours=8))
    assert 12 * 4 <= len(night) <= 12 * 4 * 3


def test_no_peak_is_lost(work):
    def highest():
        with work.read() as session:
            return session.query(SampleRow).order_by(SampleRow.value.desc()).first().value

    peak = highest()
    thin(work)
    assert highest() == peak > 29


def test_thinning_goes_on_where_it_left_and_changes_nothing_twice(work):
    assert thin(work, most_days=1) > 0
    assert thin(work) > 0
    left = count(work)
    assert thin(work) == 0 and count(work) == left


def test_what_is_young_stays_whole(work):
    fresh = [("probe", "dough_c", SATURDAY - timedelta(seconds=FEW_S * number), 22.0) for number in range(3000)]
    with work.write() as session:
        Samples(session).add(fresh)
    thin(work)
    with work.read() as session:
        young = session.query(SampleRow).filter(SampleRow.at > SATURDAY - timedelta(days=13)).count()
    assert young == len(fresh)


def test_a_bake_without_a_plan_is_none(work):
    with work.write() as session:
        write_bake(session, "b")
        session.flush()
        assert Bakes(session).get("b") is None
