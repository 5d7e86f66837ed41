"""Cultures: as they are sent and shown."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, ClassVar, Literal

from pydantic import Field, StringConstraints

from gentle_crust.contract.strict import KeyPath, Number, Short, Shown, Strict
from gentle_crust.core import limits
from gentle_crust.core.cautions import Caution
from gentle_crust.core.culture.beginning import Guide
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.discard import Discard
from gentle_crust.core.culture.events import Event, EventKind, Float, FlourPart, Growth, Liquid, Place, Smell, Surface
from gentle_crust.core.culture.feeding import FeedWay, PlannedFeed
from gentle_crust.core.culture.jar import Jar
from gentle_crust.core.culture.plain_feed import PlainFeed
from gentle_crust.core.culture.schedule import FeedTime, Schedule
from gentle_crust.core.culture.seen import Phases
from gentle_crust.core.culture.shared import SharedBuild
from gentle_crust.core.culture.verdict import Health
from gentle_crust.core.fermentation.uncertainty import Span, Vigour
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message
from gentle_crust.core.plan.shown import Night, TimeSpan

Note = Annotated[str, StringConstraints(max_length=500)]


@dataclass(frozen=True)
class Logged:
    """One event and its instant."""

    at: datetime
    event: Event


@dataclass(frozen=True)
class Withdrawn:
    """An event that was taken back, and until when it can be brought in again."""

    until: datetime
    logged: Logged


@dataclass(frozen=True)
class CulturePoint:
    """The culture at one instant: height over its start mark (fraction), its band, its temperature, its hunger."""

    at: datetime
    rise: float
    low: float
    high: float
    culture_c: float
    hunger: float
    """0 is sated, 1 is hungry, more is starving."""


@dataclass(frozen=True)
class LifeView:
    """A culture's life by the clock. ``level_mm`` and ``peak_mm`` are heights on the glass, now and at its peak."""

    grams: float
    place: Place
    fed_at: datetime
    fed: Event
    start_mm: float
    level_mm: float
    peak_mm: float
    rise: float
    peak_rise: float
    culture_c: float
    hunger: float
    ripe: TimeSpan
    peak: TimeSpan
    spent: TimeSpan
    phases: Phases
    vigour: Vigour
    vigour_span: Span
    """Low, likely and high of its speed; 1 is usual."""
    vigour_words: Message
    readings: int
    strength: float
    wake_feeds: int
    points: tuple[CulturePoint, ...]
    nights: tuple[Night, ...]


@dataclass(frozen=True)
class Picture:
    """A picture of a culture, by its key, and when it was taken."""

    id: str
    taken: datetime


@dataclass(frozen=True)
class CultureView:
    """One culture with all that is known of it."""

    id: str
    culture: Culture
    put_away: bool
    pictures: tuple[Picture, ...]
    """The oldest first."""
    pictures_gone: tuple[Picture, ...]
    """Those that were taken away and can be had back."""
    life: LifeView | None
    health: Health | None
    guide: Guide | None
    guide_next: datetime | None
    doublings: int
    raises: Message
    """How fast it raises doughs beside what its jar lets expect, by the bakes; empty while they do not tell."""
    next_feeds: tuple[datetime, ...]
    discard: Discard
    events: tuple[Logged, ...]
    """The newest first."""
    events_in_all: int
    withdrawn: tuple[Withdrawn, ...]


@dataclass(frozen=True)
class CultureLine:
    """One culture in the list."""

    id: str
    culture: Culture
    life: LifeView | None
    health: Health | None
    guide: Guide | None
    next_feed: datetime | None
    overdue: bool


@dataclass(frozen=True)
class FeedShown:
    """One feed of a way: when, what, and where it then stands."""

    at: datetime
    feed: PlannedFeed


@dataclass(frozen=True)
class WayShown:
    """One way by the clock, with the sentence that the jar asks for, if it is too small."""

    feeds: tuple[FeedShown, ...]
    ripe: TimeSpan
    spent: TimeSpan
    way: FeedWay
    jar_sentence: Message
    asleep: bool


@dataclass(frozen=True)
class FeedAnswerShown:
    """The answer to a wish for levain, by the clock, with the nights it is drawn over."""

    wanted: datetime
    ways: tuple[WayShown, ...]
    why_not: Message
    night_way: WayShown | None
    as_it_is: bool
    soonest: datetime | None
    usual: tuple[datetime, ...]
    """Feeds as usual that come before the first of the ways'."""
    assumed: bool
    """Whether no feeds as usual are set, and a daily one is taken to be given."""
    nights: tuple[Night, ...]
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class CareShown:
    """One step of care."""

    kind: str
    at: datetime
    title: Message
    detail: Message
    cautions: tuple[Caution, ...]


@dataclass(frozen=True)
class AwayShown:
    """Before and after an absence."""

    days: float
    steps: tuple[CareShown, ...]
    hunger: float
    feeds: int
    ready: datetime


@dataclass(frozen=True)
class PutAwayCulture:
    """A culture that was put away, and until when it can be brought back."""

    id: str
    name: str
    until: datetime


@dataclass(frozen=True)
class Due:
    """Something to do, and where in the program it is done. ``whose``: a plan or a culture, by its key."""

    title: Message
    at: datetime
    kind: Literal["plan", "culture", "bench"]
    whose: str


class JarBody(Strict):
    """The jar."""

    limits: ClassVar[dict[str, Limit]] = {
        "empty_g": limits.EMPTY_JAR_G,
        "diameter_mm": limits.CULTURE_JAR_MM,
        "height_mm": limits.CULTURE_JAR_HEIGHT_MM,
        "volume_ml": limits.CULTURE_JAR_ML,
    }

    empty_g: Number | None = None
    diameter_mm: Number | None = None
    height_mm: Number | None = None
    volume_ml: Number | None = None


class FeedTimeBody(Strict):
    """One standing feed; ``weekday`` 0 is Monday, ``hour`` of the day by the kitchen's clock."""

    limits: ClassVar[dict[str, Limit]] = {"hour": limits.FEED_HOUR, "weekday": limits.WEEKDAY}

    hour: Number
    weekday: int | None = None


class ScheduleBody(Strict):
    """Standing feeds: at several times of every day, on days of the week, or once on every so many days."""

    limits: ClassVar[dict[str, Limit]] = {"every_days": limits.EVERY_DAYS}

    every_days: int
    times: Annotated[list[FeedTimeBody], Field(min_length=1, max_length=14)]
    then: Place = "counter"

    def schedule(self) -> Schedule:
        """As the core takes it."""
        times = tuple(FeedTime(each.hour, each.weekday) for each in self.times)
        return Schedule(self.every_days, times, self.then)


class FlourPartBody(Strict):
    """A flour that is mixed in, and its part of all the flour."""

    limits: ClassVar[dict[str, Limit]] = {"percent": limits.MIXED_IN_PERCENT}

    kind: Short
    percent: Number


AlsoFlours = Annotated[list[FlourPartBody], Field(max_length=6)]


def _parts(bodies: list[FlourPartBody]) -> tuple[FlourPart, ...]:
    return tuple(FlourPart(each.kind, each.percent) for each in bodies)


class CultureBody(Strict):
    """A culture, whole."""

    limits: ClassVar[dict[str, Limit]] = {
        "hydration_percent": limits.CULTURE_WATER_PERCENT,
    }

    name: Short
    flour_kind: Short
    hydration_percent: Number = 100
    jar: JarBody
    place: Place = "counter"
    schedule: ScheduleBody | None = None
    note: Note = ""
    also_flours: AlsoFlours = Field([], description="mixed with flour_kind, which is the rest")

    def culture(self) -> Culture:
        """As the core takes it."""
        values = self.model_dump(exclude={"jar", "schedule", "also_flours"})
        schedule = self.schedule.schedule() if self.schedule else None
        jar = Jar(**self.jar.model_dump())
        return Culture(**values, jar=jar, schedule=schedule, also_flours=_parts(self.also_flours))


class EventBody(Strict):
    """Something that happened, now or at ``at`` of the kitchen's wall clock. Masses g, heights mm, temperatures C."""

    limits: ClassVar[dict[str, Limit]] = {
        "culture_c": limits.CULTURE_C,
    }

    kind: EventKind
    at: Short | None = Field(None, description="Kitchen's wall clock, 2026-11-29T07:30; omitted: now")
    seed_g: Number = 0
    flour_g: Number = 0
    water_g: Number = 0
    g: Number | None = None
    gross_g: Number | None = None
    height_mm: Number | None = None
    culture_c: Number | None = None
    place: Place | None = None
    surface: Surface | None = None
    smell: Smell | None = None
    liquid: Liquid | None = None
    floated: Float | None = None
    growth: Growth | None = None
    note: Note = ""
    smell_words: Annotated[str, StringConstraints(max_length=120)] = ""
    flour_kind: Short | None = Field(None, description="of a feed, if it was not the culture's usual flour")
    also_flours: AlsoFlours = []

    def event(self, key: str) -> Event:
        """As the core takes it; its time is set by the kitchen."""
        values = self.model_dump(exclude={"at", "also_flours"})
        return Event(id=key, at_h=0.0, **values, also_flours=_parts(self.also_flours))


class EventPath(KeyPath):
    """A culture and one of its events."""

    event: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]


class PicturePath(KeyPath):
    """A culture and one of its pictures."""

    picture: Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{1,60}$")]


class Taken(Strict):
    """When a picture was taken, by the kitchen's wall clock; now, if that is not known."""

    at: Short | None = None


class FilePath(KeyPath):
    """A culture and a kind of file."""

    form: Literal["json", "csv"]


class CulturesAnswer(Shown):
    """All cultures, what plans want of them, and those that can be brought back."""

    cultures: list[CultureLine]
    builds: list[SharedBuild]
    gone: list[PutAwayCulture]


class UsableCulture(Shown):
    """A culture of which a levain can be built now."""

    id: str
    name: str


class UsableCultures(Shown):
    """Cultures of which a levain can be built now: fed at least once, and no longer being raised."""

    cultures: list[UsableCulture]


class FeedWishBody(Strict):
    """So much ripe levain at a time of the kitchen's wall clock; ``warm_c``: a warm place, if there is one."""

    limits: ClassVar[dict[str, Limit]] = {
        "needed_g": limits.LEVAIN_NEEDED_G,
        "kept_g": limits.KEPT_G,
        "warm_c": limits.WARM_PLACE_C,
    }

    needed_g: Number
    kept_g: Number = 30
    at: Short
    warm_c: Number | None = None


class AwayBody(Strict):
    """An absence, by the kitchen's wall clock."""

    leave: Short
    back: Short


class CultureFileBody(Strict):
    """A culture's file as text."""

    text: Annotated[str, StringConstraints(max_length=60_000_000)]


class CultureAnswer(Shown):
    """One culture with all that is known of it."""

    culture: CultureView


class FeedWaysAnswer(Shown):
    """Ways to a wish for levain."""

    found: FeedAnswerShown


class PlainFeedAnswer(Shown):
    """A plain feed's course."""

    plain: PlainFeed


class AwayAnswer(Shown):
    """Care before and after an absence."""

    away: AwayShown


class NextAnswer(Shown):
    """The next thing to do, if there is one."""

    next: Due | None
