"""What finished bakes have taught of this kitchen: read off them, used by every forecast, put aside with a tap."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from zoneinfo import ZoneInfo

from gentle_crust.contract import events as bodies
from gentle_crust.contract.bakes import BakeTells
from gentle_crust.contract.learning import LessonBake, LessonLine
from gentle_crust.core.clock import zone_of
from gentle_crust.core.errors import NotFound
from gentle_crust.core.formula.model import Formula
from gentle_crust.core.learning.belief import SEASONS, Tell
from gentle_crust.core.learning.learnt import (
    COUNTS_FROM,
    NOTHING_LEARNT,
    PARTS,
    PRIORS,
    LearntHere,
    belief_of,
    paced,
    said_of,
    sureness,
)
from gentle_crust.core.learning.tells import as_tell
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.kitchen.beside import FIGURES
from gentle_crust.kitchen.drills import DrillBook
from gentle_crust.kitchen.lesson_marks import BY_WISH, ELSEWHERE, KITCHEN, Marks, marks_of
from gentle_crust.kitchen.settings import KitchenSettings
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Bakes, TeachingRow
from gentle_crust.store.models import EventRow
from gentle_crust.store.repositories import Cultures, Events

LATEST, SHOWN = 80, 20
"""So many finished bakes teach, the latest; so many bakes of a lesson are shown."""
DAY_S = 86_400.0
ALONE = ("fridge", "bowl_loss", "finger", "late")
"""Lessons of which a kitchen has one."""
MOST_BOWL = 0.1


@dataclass(frozen=True)
class Taught:
    """What was told of one thing: its kind, which of its kind, and what each bake told."""

    what: str
    of: str
    tells: tuple[tuple[Tell, TeachingRow], ...]

    @property
    def key(self) -> str:
        """What it goes by."""
        return f"{self.what}:{self.of}" if self.of else self.what

    @property
    def prior(self) -> str:
        """The row of the table of what is usual."""
        if self.what == "pace":
            return "yeast" if self.of == "yeast" else "levain"
        return self.what


class LearningBook:
    """The lessons of the one kitchen."""

    def __init__(self, work: Work) -> None:
        self.work, self.settings = work, KitchenSettings(work)

    def here(self, culture_id: str, formula_id: str, formula: Formula) -> LearntHere:
        """What a forecast of a dough is moved by now; nothing while no bake has taught anything.

        Of a dough raised by culture and yeast together no pace is known.
        """
        leaven = formula.leaven if formula.leaven == "yeast" or formula.by_culture_alone else "mixed"
        whose = culture_id if leaven == "levain" else ""
        marks = marks_of(self.work)
        counted = {each.key: counted_of(marks, each) for each in self.taught() if not marks.aside(each.key)}
        if not any(counted.values()):
            return NOTHING_LEARNT
        season, day = self._when()
        tells = counted.get(f"pace:{whose or leaven}", ())
        pace, sigma, bakes = paced("yeast" if leaven == "yeast" else "levain", tells, season, day)

        def of(name: str) -> float:
            told = counted.get(name, ())
            return round(belief_of(name.split(":")[0], told, season, day).mean, 3) if told else 0.0

        bowl = min(max(of("bowl_loss"), 0.0), MOST_BOWL) if counted.get("bowl_loss") else None
        room = counted.get("room", ())
        by_hours = [belief_of("room", room, part, day).mean for part in range(len(PARTS))] if room else []
        loaf = f"bake_loss:{formula_id}"
        return LearntHere(
            pace, sigma, bakes, tuple(round(each, 2) for each in by_hours), of("fridge"), bowl,
            round(belief_of("bake_loss", counted[loaf], season, day).mean, 3) if counted.get(loaf) else None,
            round(of(f"water:{_main_flour(formula)}"), 1), round(of("late"), 1),
        )  # fmt: skip

    def bias(self, what: str) -> float:
        """How this baker's eye or finger errs, if the baker wishes forecasts to mind it; else 0."""
        marks = marks_of(self.work)
        found = None if marks.aside(what) else next((each for each in self.taught() if each.key == what), None)
        return 0.0 if found is None else belief_of(what, counted_of(marks, found)).mean

    def lines(self) -> tuple[LessonLine, ...]:
        """All lessons, with what each rests on."""
        marks, when = marks_of(self.work), self._when()
        with self.work.read() as session:
            cultures = Cultures(session).names()
        return tuple(_line(each, marks, cultures, *when) for each in self.taught())

    def of_culture(self, key: str, name: str) -> Message:
        """How fast a culture raises doughs beside what its jar lets expect; nothing of one bake, or one put aside."""
        marks = marks_of(self.work)
        found = None if marks.aside(f"pace:{key}") else next((t for t in self.taught() if t.key == f"pace:{key}"), None)
        counted = () if found is None else counted_of(marks, found)
        if len(counted) < COUNTS_FROM:
            return NOTHING
        says = said_of("levain", belief_of("levain", counted, *self._when()), by_jar=True)
        return message("lesson-of-culture", name=name, says=says, bakes=len(counted))

    def put_aside(self, key: str, lesson: str, bake: str, aside: bool) -> None:
        """Let a lesson, or what one bake told of it, count no longer, or count again. NotFound for one there is not."""
        there = next((each for each in self.taught() if each.key == lesson), None)
        known = lesson.split(":")[0] in ELSEWHERE if there is None else True
        if not known or (bake and (there is None or all(tell.bake != bake for tell, _ in there.tells))):
            raise NotFound("lesson", "lesson-unknown")
        kind = bodies.LESSON_ASIDE if aside else bodies.LESSON_COUNTED
        with self.work.write() as session:
            events = Events(session)
            if events.get(key) is None:
                body = {"lesson": lesson, "bake": bake}
                events.add(EventRow(id=key, kind=kind, subject=KITCHEN, at=self.work.now(), body=body))

    def taught(self) -> tuple[Taught, ...]:
        """Everything that the latest bakes told, each thing apart, in the order of the tables."""
        with self.work.read() as session:
            rows = Bakes(session).teaching(LATEST)
        zone = self._zone()
        found: dict[tuple[str, str], list[tuple[Tell, TeachingRow]]] = {}
        for row in rows:
            tells = FIGURES.read(row.figures).tells if row.figures and row.figures.get("tells") else None
            for which, tell in () if tells is None else _tells(row, tells, zone):
                found.setdefault(which, []).append((tell, row))
        for what, told in DrillBook(self.work).tells().items():
            drilled = [(tell, TeachingRow("", "", _at(tell), "", "", None)) for _, tell in told]
            if drilled:
                found[(what, "")] = sorted([*found.get((what, ""), []), *drilled], key=lambda each: each[0].day)
        order = list(PRIORS)
        all_of_it = [Taught(what, of, tuple(tells)) for (what, of), tells in found.items()]
        return tuple(sorted(all_of_it, key=lambda each: (order.index(each.prior), each.of)))

    def _when(self) -> tuple[int, float]:
        """The season and the day that it is."""
        now = self.work.now()
        return season_of(now, self._zone()), now.timestamp() / DAY_S

    def _zone(self) -> ZoneInfo:
        return zone_of(self.settings.get().zone)


def _main_flour(formula: Formula) -> str:
    """The kind of flour that there is most of."""
    return max(formula.flours, key=lambda each: each.percent).kind


def _at(tell: Tell) -> datetime:
    return datetime.fromtimestamp(tell.day * DAY_S, UTC)


def counted_of(marks: Marks, taught: Taught) -> Sequence[Tell]:
    """What of a lesson counts."""
    return [tell for tell, _ in taught.tells if (taught.key, tell.bake) not in marks.bakes]


def season_of(at: datetime, zone: ZoneInfo) -> int:
    """The quarter of the year, 0 from December to February."""
    return at.astimezone(zone).month % 12 // 3


def _tells(row: TeachingRow, tells: BakeTells, zone: ZoneInfo) -> Iterable[tuple[tuple[str, str], Tell]]:
    """What one bake told, by what it is about."""
    day, season = row.latest.timestamp() / DAY_S, season_of(row.latest, zone)
    culture = row.culture_id if tells.leaven == "levain" else ""
    about = {
        ("pace", culture or tells.leaven): tells.pace, ("bake_loss", row.formula_id): tells.bake_loss,
        ("water", tells.flour): tells.water, **{(name, ""): getattr(tells, name) for name in ALONE},
    }  # fmt: skip
    for part, value, sd in tells.room:
        yield ("room", ""), as_tell((value, sd), day, part, row.id)
    for which, told in about.items():
        if told is not None:
            yield which, as_tell(told, day, season, row.id)


def _line(taught: Taught, marks: Marks, cultures: dict[str, str], season: int, day: float) -> LessonLine:
    counted = counted_of(marks, taught)
    found = belief_of(taught.prior, counted, season, day)
    by_jar = taught.what == "pace" and taught.of in cultures
    bakes = tuple(
        LessonBake(
            id=tell.bake,
            drill=not row.id,
            name=row.name,
            at=row.latest,
            says=said_of(
                taught.prior, replace(found, mean=tell.value, year=tell.value, seasons=(0.0,) * SEASONS), by_jar
            ),
            aside=(taught.key, tell.bake) in marks.bakes,
        )
        for tell, row in reversed(taught.tells[-SHOWN:])
    )
    return LessonLine(
        key=taught.key,
        what=taught.what,
        name=_name(taught, cultures),
        says=said_of(taught.prior, found, by_jar),
        sure=sureness(taught.prior, found),
        used=message(f"learnt-used-{taught.what.replace('_', '-')}"),
        tells=len(counted),
        aside=marks.aside(taught.key),
        by_wish=taught.key in BY_WISH,
        changed=found.changed,
        bakes=bakes,
    )


def _name(taught: Taught, cultures: dict[str, str]) -> Message:
    """What a lesson is about, in words."""
    if taught.what == "pace":
        if taught.of in cultures:
            return message("lesson-named", name=cultures[taught.of])
        return message("lesson-yeast" if taught.of == "yeast" else "lesson-levain")
    if taught.what == "bake_loss":
        return message("lesson-named", name=taught.tells[-1][1].name)
    if taught.what == "water":
        return message(f"flour-{taught.of}")
    return message(f"lesson-{taught.what.replace('_', '-')}")
