"""Doughs that were mixed and measured, and dry yeast that was tested: what they teach about this kitchen."""

from datetime import timedelta
from typing import Any
from uuid import NAMESPACE_URL, uuid5

from gentle_crust.contract.events import MIXED, PACK_OPENED, TEST_BEGUN, TEST_READ
from gentle_crust.contract.water import YeastTest
from gentle_crust.core.formula.yeast_test import COUNTS_DAYS, Foam, YeastVerdict, verdict
from gentle_crust.core.water.friction import Friction, check_measured, learnt
from gentle_crust.core.water.mixing import FRICTION_K, friction_of
from gentle_crust.kitchen.lesson_marks import marks_of
from gentle_crust.kitchen.story import readable
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

LEARNT_FROM = 200
"""So many of the latest mixes tell what mixing adds here: more would change nothing, and the bowl may."""
LATEST_TESTS = 20


class MixBook:
    """What was measured at the mixing bowl."""

    def __init__(self, work: Work) -> None:
        self.work, self.now = work, work.now

    def frictions(self) -> tuple[Friction, ...]:
        """What every way of mixing adds to a dough here, learnt from those that were measured."""
        with self.work.read() as session:
            bodies = [body for _, _, _, body in readable(Events(session).plain(MIXED, subject="", last=LEARNT_FROM))]
        measured = [(body["mixing"], float(body["friction_k"])) for body in bodies]
        return tuple(learnt(kind, tuple(k for mixing, k in measured if mixing == kind)) for kind in FRICTION_K)

    def learnt_k(self) -> tuple[tuple[str, float], ...]:
        """The same for the planner: only the ways that were measured, and not put aside."""
        marks = marks_of(self.work)
        return tuple(
            (each.mixing, each.k) for each in self.frictions() if each.mixes and not marks.aside(f"mixer:{each.mixing}")
        )

    def log(self, key: str, mixing: str, friction_k: float, body: dict[str, Any]) -> None:
        """Keep one measured mix under the client's own key. CraftError if its friction cannot be."""
        friction_of(mixing)
        k = check_measured(friction_k)
        self._add(key, MIXED, {**body, "mixing": mixing, "friction_k": k})

    def begin_test(self, key: str) -> None:
        """Dry yeast was stirred into warm water."""
        self._add(key, TEST_BEGUN, {})

    def read_test(self, key: str, foam: Foam, minutes: float) -> YeastVerdict:
        """What the glass shows after ``minutes``; the key may be the test's own. A retry adds nothing."""
        found = verdict(foam, minutes)
        with self.work.read() as session:
            known = Events(session).get(key)
        own = key if known is None or known.kind == TEST_READ else str(uuid5(NAMESPACE_URL, f"{key}/{foam}/{minutes}"))
        self._add(own, TEST_READ, {"foam": foam, "minutes": minutes})
        return found

    def last_test(self) -> YeastTest | None:
        """The test that is running or was read last; None if there never was one."""
        with self.work.read() as session:
            told = readable(Events(session).plain(TEST_BEGUN, TEST_READ, PACK_OPENED, subject="", last=LATEST_TESTS))
        opened = max((place for place, (_, kind, *_) in enumerate(told) if kind == PACK_OPENED), default=-1)
        told = told[opened + 1 :]
        begun = next((place for place, (_, kind, *_) in reversed(list(enumerate(told))) if kind == TEST_BEGUN), None)
        if begun is None:
            return None
        read = told[-1][3] if told[-1][1] == TEST_READ else None
        return YeastTest(told[begun][2], verdict(read["foam"], read["minutes"]) if read else None)

    def open_pack(self, key: str) -> None:
        """A new pack was opened: what tests told of the one before no longer counts."""
        self._add(key, PACK_OPENED, {})

    def yeast_strength(self) -> float | None:
        """The gas of this kitchen's dry yeast beside that of fresh stock, 0 if it was dead; None if not known."""
        test = self.last_test()
        if test is None or test.verdict is None or test.verdict.state == "wait":
            return None
        if self.now() - test.begun_at > timedelta(days=COUNTS_DAYS):
            return None
        return test.verdict.strength

    def _add(self, key: str, kind: str, body: dict[str, Any]) -> None:
        with self.work.write() as session:
            Events(session).add(EventRow(id=key, kind=kind, at=self.now(), body=body))
