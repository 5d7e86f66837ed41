"""What finished bakes have taught of this kitchen's oven: kept one by one, each put aside or counted again by a tap."""

from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from gentle_crust.contract import events as bodies
from gentle_crust.contract.kitchen import Settings
from gentle_crust.contract.oven import OvenLessonLine
from gentle_crust.core.course.ask import Asked
from gentle_crust.core.course.fill import fill
from gentle_crust.core.errors import CraftError, NotFound
from gentle_crust.core.loaf.sheet import Sheet, measured
from gentle_crust.core.oven.bake import Bake
from gentle_crust.core.oven.equipment import Oven
from gentle_crust.core.oven.learnt import as_it_went, learnt, lesson, taught
from gentle_crust.core.oven.lesson import Lesson, OvenLearnt, Seen
from gentle_crust.core.oven.staged import heat_of
from gentle_crust.core.plan.steps_shown import PARTS_APART
from gentle_crust.kitchen.lesson_marks import marks_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.story import Story, readable
from gentle_crust.kitchen.work import Work
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Events

OVEN = "oven"
"""Whose history it is."""
LATEST, COUNT = 120, 12
"""So many events are looked at, and so many bakes count, the latest: an oven ages, and is mended (practice)."""
MIN = timedelta(minutes=1)


@dataclass(frozen=True)
class _Kept:
    """One lesson as it was kept."""

    id: str
    at: datetime
    name: str
    bake: str
    part: str
    oven: str
    lesson: Lesson
    aside: bool = False

    @property
    def whose(self) -> str:
        """One loaf teaches once: of two lessons of it the last counts."""
        return f"{self.bake}/{self.part}" if self.bake else self.id


class OvenLessons:
    """The lessons of the one kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.settings = work, KitchenSettings(work)

    def kitchen(self) -> Settings:
        """The kitchen, its oven as its bakes have taught it to be, if that was not put aside."""
        settings = self.settings.get()
        if marks_of(self.work).aside("oven"):
            return settings
        return replace(settings, oven=taught(settings.oven, self.learnt(settings.oven)))

    def learnt(self, oven: Oven) -> OvenLearnt:
        """What all lessons of an oven that count come to."""
        counted = [each.lesson for each in self._of(oven) if not each.aside][-COUNT:]
        return learnt(counted, oven.offset_k)

    def in_use(self) -> OvenLearnt:
        """The same of the oven in use."""
        return self.learnt(self.settings.get().oven)

    def lines(self) -> tuple[OvenLessonLine, ...]:
        """The lessons of the oven in use, the latest first."""
        found = self._of(self.settings.get().oven)
        counted = [each.id for each in found if not each.aside][-COUNT:]
        return tuple(
            OvenLessonLine(each.id, each.at, each.name, each.bake, each.lesson.told, each.id in counted, each.aside)
            for each in reversed(found)
        )

    def teach(self, key: str, name: str, question: Bake, seen: Seen) -> None:
        """Keep what a loaf that was looked at tells, under the client's own key. CraftError if it tells nothing."""
        oven = self.settings.get().oven
        found = lesson(_of_described(question, oven), seen)
        with self.work.write() as session:
            if Events(session).get(key) is None:
                Events(session).add(self._row(key, self.work.now(), name, "", "", oven, found))

    def teach_from(self, press: str, key: str, asked: Callable[[], Asked], story: Story, sheet: Sheet) -> None:
        """Keep what a loaf's sheet tells of the oven of a bake, beside the press with which it was judged.

        Nothing of a bake that was not timed or measured, that stood in another vessel than planned, or in a fired oven.
        """
        if (sheet.top_colour is None and sheet.out_g is None) or sheet.day > 0:
            return
        oven = self.settings.get().oven
        with suppress(CraftError):
            question, seen, name = _baked(asked(), story, sheet)
            found = lesson(_of_described(question, oven), seen)
            with self.work.write() as session:
                row = self._row(_beside(press), self.work.now(), name, key, sheet.part, oven, found)
                Events(session).add(row)

    def forget(self, press: str, key: str) -> None:
        """What a judgement taught goes as it is taken back, and an earlier one of that loaf stands again."""
        with self.work.read() as session:
            known = Events(session).get(_beside(press)) is not None
        if known:
            self._mark(_beside(key), bodies.OVEN_FORGOTTEN, _beside(press))

    def put_aside(self, key: str, which: str) -> None:
        """A lesson no longer counts. Raises NotFound if there is none such."""
        self._mark(key, bodies.OVEN_ASIDE, which)

    def count_again(self, key: str, which: str) -> None:
        """A lesson that was put aside counts again. Raises NotFound if there is none such."""
        self._mark(key, bodies.OVEN_COUNTED, which)

    def _mark(self, key: str, kind: str, which: str) -> None:
        with self.work.write() as session:
            events = Events(session)
            there = events.get(which)
            if there is None or there.kind != bodies.OVEN_TAUGHT:
                raise NotFound("id", "oven-lesson-gone")
            if events.get(key) is None:
                events.add(EventRow(id=key, kind=kind, subject=OVEN, at=self.work.now(), body={"event": which}))

    def _row(self, key: str, at: datetime, name: str, bake: str, part: str, oven: Oven, found: Lesson) -> EventRow:
        body = {
            "name": name[:80],
            "bake": bake,
            "part": part,
            "oven": _called(oven),
            "lesson": bodies.LESSON.write(found),
        }
        return EventRow(id=key, kind=bodies.OVEN_TAUGHT, subject=OVEN, at=at, body=body)

    def _of(self, oven: Oven) -> list[_Kept]:
        """Lessons of one oven, the oldest first, one a loaf."""
        kinds = (bodies.OVEN_TAUGHT, bodies.OVEN_ASIDE, bodies.OVEN_COUNTED, bodies.OVEN_FORGOTTEN)
        with self.work.read() as session:
            told = readable(Events(session).plain(*kinds, subject=OVEN, last=LATEST))
        gone = {body["event"] for _, kind, _, body in told if kind == bodies.OVEN_FORGOTTEN}
        aside: dict[str, bool] = {}
        for _, kind, _, body in told:
            if kind in (bodies.OVEN_ASIDE, bodies.OVEN_COUNTED):
                aside[body["event"]] = kind == bodies.OVEN_ASIDE
        found: dict[str, _Kept] = {}
        for key, kind, at, body in told:
            if kind == bodies.OVEN_TAUGHT and key not in gone and body["oven"] == _called(oven):
                one = _Kept(
                    key, at, body["name"], body["bake"], body["part"], body["oven"],
                    bodies.LESSON.read(body["lesson"]), aside.get(key, False),
                )  # fmt: skip
                found.pop(one.whose, None)
                found[one.whose] = one
        return list(found.values())


def _beside(press: str) -> str:
    return f"{press}-o"[:60]


def _called(oven: Oven) -> str:
    """What tells one oven from another."""
    return f"{oven.kind}/{oven.volume_l:g}/{oven.name}"


def _of_described(question: Bake, oven: Oven) -> Bake:
    """The same bake in the oven as it is described: what was taught before is not taught again."""
    return replace(question, oven=replace(heat_of(oven), fired=question.oven.fired))


def _baked(asked: Asked, story: Story, sheet: Sheet) -> tuple[Bake, Seen, str]:
    """The bake of a dough, or of one of its parts, as long as it really took, and what was measured of it.

    Raises CraftError for one of which that is not known.
    """
    paths = fill(asked)
    place = next((place for place, path in enumerate(paths) if path.name == sheet.part), 0)
    path = paths[place]
    baked = path.bake
    done = {deed.key: deed.at for deed in story.happened.deeds if not deed.skipped}
    number = PARTS_APART * place + 1
    load, out = done.get(f"load-{number}"), done.get(f"out-{number}")
    moved = story.happened.vessel_id and baked is not None and story.happened.vessel_id != baked.vessel.id
    if baked is None or load is None or out is None or moved:
        raise CraftError("bake", "oven-bake-not-timed")
    minutes = (out - load) / MIN
    cores = [each for each in story.happened.cores if load < each.at <= out + 5 * MIN]
    core = cores[-1] if cores else None
    seen = Seen(
        core_c=None if core is None else core.core_c,
        core_min=None if core is None else min((core.at - load) / MIN, minutes),
        colour=sheet.top_colour,
        loss=measured(sheet, asked.formula.shape, path.batch.piece_g).loss,
    )
    return as_it_went(baked.question, minutes), seen, asked.formula.name
