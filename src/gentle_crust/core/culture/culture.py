"""A sourdough culture that is kept alive: what it is fed with, and where it lives."""

from dataclasses import dataclass

from gentle_crust.core import limits
from gentle_crust.core.culture.events import Event, FlourPart, Place, check_flours
from gentle_crust.core.culture.jar import Jar, check_jar
from gentle_crust.core.culture.schedule import Schedule, check_schedule
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import Makeup
from gentle_crust.core.formula.model import FlourShare
from gentle_crust.core.leaven.build import jar_of


@dataclass(frozen=True)
class Culture:
    """One culture. ``place`` is where it lives between feeds, ``schedule`` its standing feeds.

    ``also_flours`` are mixed with ``flour_kind``, which makes up the rest.
    """

    name: str
    flour_kind: str
    hydration_percent: float
    jar: Jar
    place: Place = "counter"
    schedule: Schedule | None = None
    note: str = ""
    also_flours: tuple[FlourPart, ...] = ()


def check_culture(culture: Culture) -> None:
    """Raise CraftError, naming the field, for what cannot be kept."""
    if not 0 < len(culture.name.strip()) <= 40:
        raise CraftError("name", "culture-name-length")
    check_flours(culture.flour_kind, culture.also_flours)
    within("hydration_percent", limits.CULTURE_WATER_PERCENT, culture.hydration_percent)
    if len(culture.note) > 500:
        raise CraftError("note", "culture-note-length")
    check_jar(culture.jar)
    if culture.schedule is not None:
        check_schedule(culture.schedule)


def jar_makeup_of(culture: Culture, hydration_percent: float | None = None, fed: Event | None = None) -> Makeup:
    """The culture in its jar as its fermentation sees it; at another water, and after a feed, if they are given."""
    water = culture.hydration_percent if hydration_percent is None else hydration_percent
    usual = flours_of(culture.flour_kind, culture.also_flours)
    if fed is None or fed.flour_kind is None:
        return jar_of(usual, water)
    seed = fed.seed_g / (1 + culture.hydration_percent / 100) if fed.kind == "fed" else 0.0
    share = seed / (seed + fed.flour_g)
    return jar_of(_mixed(usual, share, flours_of(fed.flour_kind, fed.also_flours)), water)


def flours_of(kind: str, also: tuple[FlourPart, ...]) -> tuple[FlourShare, ...]:
    """Flours with their percents: 100 in all."""
    rest = 100 - sum(each.percent for each in also)
    return (FlourShare(kind, rest), *(FlourShare(each.kind, each.percent) for each in also))


def _mixed(ones: tuple[FlourShare, ...], share: float, others: tuple[FlourShare, ...]) -> tuple[FlourShare, ...]:
    """Two mixes together, each flour once: ``share`` (fraction) of the first, the rest of the other."""
    found: dict[str, float] = {}
    for flours, part in ((ones, share), (others, 1 - share)):
        for each in flours:
            found[each.kind] = found.get(each.kind, 0.0) + part * each.percent
    return tuple(FlourShare(kind, percent) for kind, percent in found.items() if percent > 0)
