"""What happens to a culture, as the baker writes it down."""

from dataclasses import dataclass, replace
from typing import Literal, get_args

from gentle_crust.core import limits
from gentle_crust.core.culture.jar import Jar, check_height, culture_g
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.dough import flour_kinds
from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import message

Place = Literal["counter", "fridge"]
EventKind = Literal["begun", "fed", "seen", "moved", "taken", "weighed", "dried", "woken"]
Surface = Literal["domed", "flat", "sunken"]
Smell = Literal["floury", "mild", "fruity", "vinegar", "solvent", "rotten"]
Liquid = Literal["none", "some"]
Float = Literal["floats", "sinks"]
Growth = Literal["clean", "pink_or_orange", "fuzzy"]
CUES = ("height_mm", "culture_c", "surface", "smell", "smell_words", "liquid", "floated", "growth")
CHOICES = {"surface": Surface, "smell": Smell, "liquid": Liquid, "floated": Float, "growth": Growth}


@dataclass(frozen=True)
class FlourPart:
    """One flour of a mix and its part of all the flour (percent)."""

    kind: str
    percent: float


@dataclass(frozen=True)
class Event:
    """One thing that happened ``at_h`` hours from the clock's origin; which fields are used depends on ``kind``.

    fed, begun, woken: grams of seed (dried flakes for woken), flour and water, the mix's ``culture_c`` and the start
    mark's ``height_mm`` if they were read; ``flour_kind`` with ``also_flours`` if it was not the culture's usual flour.
    seen: any of the cues, ``smell_words`` in the baker's own. moved: ``place``. taken, dried: ``g`` of culture.
    weighed: ``gross_g`` with the jar, or ``g`` without it.
    """

    id: str
    at_h: float
    kind: EventKind
    seed_g: float = 0.0
    flour_g: float = 0.0
    water_g: float = 0.0
    g: float | None = None
    gross_g: float | None = None
    height_mm: float | None = None
    culture_c: float | None = None
    place: Place | None = None
    surface: Surface | None = None
    smell: Smell | None = None
    liquid: Liquid | None = None
    floated: Float | None = None
    growth: Growth | None = None
    note: str = ""
    smell_words: str = ""
    flour_kind: str | None = None
    also_flours: tuple[FlourPart, ...] = ()

    @property
    def feeds(self) -> bool:
        """Whether a new course of rising and falling begins with it."""
        return self.kind in ("begun", "fed", "woken")

    @property
    def fed_g(self) -> float:
        """What the jar holds after it."""
        return self.seed_g + self.flour_g + self.water_g


def check_flours(kind: str, also: tuple[FlourPart, ...]) -> None:
    """Raise CraftError for a flour that is not known, named twice, or more than there is."""
    names = [kind, *(each.kind for each in also)]
    for place, name in enumerate(names):
        field = "flour_kind" if place == 0 else f"also_flours.{place}.kind"
        if name not in flour_kinds():
            raise Unreadable(field, "culture-flour-unknown", flour_kind=name, names=flour_kinds())
        if name in names[:place]:
            raise CraftError(field, "culture-flour-twice")
    for place, each in enumerate(also, 1):
        within(f"also_flours.{place}.percent", limits.MIXED_IN_PERCENT, each.percent)
    if sum(each.percent for each in also) > limits.MIXED_IN_PERCENT.high:
        raise CraftError("also_flours", "culture-flours-too-much")


def checked(event: Event, jar: Jar) -> Event:
    """The event as it can be kept. Raises CraftError, naming the field, for what cannot have happened."""
    if event.kind not in get_args(EventKind):
        raise Unreadable("kind", "culture-event-unknown", kind=event.kind, names=get_args(EventKind))
    for name, choices in CHOICES.items():
        value = getattr(event, name)
        if value is not None and value not in get_args(choices):
            raise Unreadable(name, "culture-choice-unknown", value=value, names=get_args(choices))
    if event.height_mm is not None:
        check_height(jar, event.height_mm)
    if event.culture_c is not None:
        within("culture_c", limits.CULTURE_C, event.culture_c)
    if event.feeds:
        return _checked_feed(event)
    if event.kind == "moved" and event.place not in get_args(Place):
        raise CraftError("place", "culture-place-missing")
    if event.kind in ("taken", "dried"):
        within("g", limits.TAKEN_G, event.g or 0)
    if event.kind == "weighed":
        if event.gross_g is not None:
            return replace(event, g=culture_g(jar, event.gross_g))
        if event.g is None:
            raise CraftError("gross_g", "culture-weight-missing")
        within("g", limits.TAKEN_G, event.g)
    if event.kind == "seen" and not any(getattr(event, cue) not in (None, "") for cue in CUES) and not event.note:
        raise CraftError("seen", "culture-look-empty")
    return event


def _checked_feed(event: Event) -> Event:
    within("flour_g", limits.FEED_FLOUR_G, event.flour_g)
    if event.kind == "begun":
        event = replace(event, seed_g=0.0)
    else:
        within(
            "seed_g",
            limits.SEED_G,
            event.seed_g,
            message("limit-seed" if event.kind == "fed" else "limit-dried-flakes"),
        )
    if event.flour_kind is not None:
        check_flours(event.flour_kind, event.also_flours)
    within("water_g", Limit("water", 0.3 * event.flour_g, 3 * event.flour_g, "g"), event.water_g)
    return event


def in_order(events: tuple[Event, ...]) -> tuple[Event, ...]:
    """Events by time; of one instant, feeds before what was seen after them, else as they were written down."""
    rank = {"begun": 0, "fed": 0, "woken": 0, "moved": 1}
    return tuple(sorted(events, key=lambda event: (event.at_h, rank.get(event.kind, 2))))


def grams_at_end(events: tuple[Event, ...]) -> float:
    """What the jar holds after ``events``, in order."""
    held = 0.0
    for event in events:
        if event.feeds:
            held = event.fed_g
        elif event.kind in ("taken", "dried"):
            held = max(held - (event.g or 0), 0.0)
        elif event.kind == "weighed" and event.g is not None:
            held = event.g
    return held


def place_at_end(events: tuple[Event, ...], usual: Place = "counter") -> Place:
    """Where the jar stands after ``events``; a feed leaves it on the counter, where it was fed."""
    place = usual
    for event in events:
        if event.feeds:
            place = event.place or "counter"
        elif event.kind == "moved" and event.place:
            place = event.place
    return place
