"""A sourdough culture that is kept alive: what it is fed with, and where it lives."""

from dataclasses import dataclass

from gentle_crust.core import limits
from gentle_crust.core.culture.events import Place
from gentle_crust.core.culture.jar import Jar, check_jar
from gentle_crust.core.culture.schedule import Schedule, check_schedule
from gentle_crust.core.errors import CraftError, Unreadable, within
from gentle_crust.core.fermentation.dough import Makeup, flour_kinds
from gentle_crust.core.formula.model import FlourShare
from gentle_crust.core.leaven.build import jar_of


@dataclass(frozen=True)
class Culture:
    """One culture. ``place`` is where it lives between feeds, ``schedule`` its standing feeds."""

    name: str
    flour_kind: str
    hydration_percent: float
    jar: Jar
    place: Place = "counter"
    schedule: Schedule | None = None
    note: str = ""


def check_culture(culture: Culture) -> None:
    """Raise CraftError, naming the field, for what cannot be kept."""
    if not 0 < len(culture.name.strip()) <= 40:
        raise CraftError("name", "culture-name-length")
    if culture.flour_kind not in flour_kinds():
        raise Unreadable("flour_kind", "culture-flour-unknown", flour_kind=culture.flour_kind, names=flour_kinds())
    within("hydration_percent", limits.CULTURE_WATER_PERCENT, culture.hydration_percent)
    if len(culture.note) > 500:
        raise CraftError("note", "culture-note-length")
    check_jar(culture.jar)
    if culture.schedule is not None:
        check_schedule(culture.schedule)


def jar_makeup_of(culture: Culture, hydration_percent: float | None = None) -> Makeup:
    """The culture in its jar as its fermentation sees it; at another water than usual if that is given."""
    water = culture.hydration_percent if hydration_percent is None else hydration_percent
    return jar_of(FlourShare(culture.flour_kind, 100), water)
