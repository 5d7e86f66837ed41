"""How a baker reads figures: units, the kitchen's clock, the steps of the scale."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from zoneinfo import ZoneInfo

G_IN_OZ = 28.349523125
_MARKED = re.compile(r"\{([^|{}]+)\|(\w+)\}")
SPACE = "\u00a0"


@dataclass(frozen=True)
class Reading:
    """Units, zone and language of whoever reads. ``plain``: letters that any terminal has, 24 C in place of 24°C."""

    fahrenheit: bool = False
    ounces: bool = False
    zone: str = "UTC"
    scale_g: float = 1.0
    plain: bool = False
    language: str = "en"

    @property
    def functions(self) -> dict[str, Callable[..., Any]]:
        """What the catalogues may call, by name."""
        return {
            "WARMTH": self.warmth,
            "DIFFERENCE": self.difference,
            "MASS": self.mass,
            "CLOCK": self.clock,
            "DAY": self.day,
            "DAYCLOCK": self.day_clock,
            "TIME": time,
            "DATE": date,
            "SPAN": span,
            "IN": self.within,
            "UNIT": self.unit,
            "FIGURES": self.figures,
            "LOWER": lower,
            "CAPITAL": capital,
        }

    def warmth(self, c: Any, digits: Any = None) -> str:
        """A temperature given in C: as finely as a thermometer in dough is read, half a degree or one of Fahrenheit.

        ``digits`` asks for so many after the point; plain figures have one.
        """
        figure = float(c) * 1.8 + 32 if self.fahrenheit else float(c)
        if digits is None and not self.plain:
            figure = round(figure) if self.fahrenheit else round(2 * figure) / 2
        digits = 1 if digits is None else digits
        letter = "F" if self.fahrenheit else "C"
        return f"{shortest(figure, int(digits))}{' ' if self.plain else '°'}{letter}"

    def difference(self, k: Any, digits: Any = None) -> str:
        """A difference of temperatures given in K, in whole degrees unless more ``digits`` are asked for."""
        digits = (1 if self.plain else 0) if digits is None else digits
        figure = float(k) * 1.8 if self.fahrenheit else float(k)
        return f"{shortest(figure, int(digits))}{' K' if self.plain and not self.fahrenheit else '°'}"

    def mass(self, g: Any) -> str:
        """A weight given in g, as finely as the scale shows it."""
        figure = float(g)
        space = " " if self.plain else SPACE
        if self.ounces:
            ounces = figure / G_IN_OZ
            return f"{shortest(ounces, 3 if ounces < 1 else 2 if ounces < 10 else 1)}{space}oz"
        if self.plain:
            return f"{figure:.6g} g"
        step = self.scale_g
        if step > 1 and figure >= 9.95 * step:
            return f"{round(figure / step) * step:.0f}{space}g"
        digits = 2 if figure < 1 else 1 if figure < 9.95 or step < 1 else 0
        return f"{shortest(figure, digits)}{space}g"

    def clock(self, at: Any) -> str:
        """The wall clock at an instant."""
        return f"{self._here(at):%H:%M}"

    def day_clock(self, at: Any) -> str:
        """The weekday and the wall clock at an instant."""
        return f"{self._here(at):%a %H:%M}"

    def day(self, at: Any) -> str:
        """The weekday and date at an instant."""
        return date(self._here(at).isoformat())

    def within(self, value: Any, unit: Any) -> str:
        """A figure that the core counts in ``unit``, in the baker's own unit; no unit is written."""
        figure = float(value)
        if str(unit) == "C" and self.fahrenheit:
            figure = figure * 1.8 + 32
        if str(unit) == "g" and self.ounces:
            figure /= G_IN_OZ
        return f"{figure:.6g}"

    def unit(self, unit: Any) -> str:
        """The unit that stands behind such a figure."""
        if str(unit) == "C":
            return f"{' ' if self.plain else '°'}{'F' if self.fahrenheit else 'C'}"
        return f"{' ' if self.plain else SPACE}{'oz' if self.ounces else 'g'}"

    def figures(self, text: Any) -> str:
        """A sentence that was kept with its figures marked, {27.5|c}: in the baker's units."""
        shows: dict[str, Callable[[str], str]] = {
            "c": self.warmth,
            "dc": self.difference,
            "g": self.mass,
            "clock": self.day_clock,
        }
        return _MARKED.sub(lambda found: shows.get(found[2], str)(found[1]), str(text))

    def _here(self, at: Any) -> datetime:
        return datetime.fromisoformat(str(at)).astimezone(ZoneInfo(self.zone))


def shortest(value: float, digits: int) -> str:
    """At most so many digits after the point, none that is a zero at the end."""
    text = f"{value:.{digits}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text


def time(local: Any) -> str:
    """The hour and minute of a time as it is written on a wall clock."""
    return f"{datetime.fromisoformat(str(local)):%H:%M}"


def date(local: Any) -> str:
    """The weekday and date of such a time."""
    here = datetime.fromisoformat(str(local))
    return f"{here:%A} {here.day} {here:%B}"


def lower(text: Any) -> str:
    """Words inside a sentence, without a capital letter."""
    return str(text).lower()


def capital(text: Any) -> str:
    """Words that begin a sentence."""
    found = str(text)
    return found[:1].upper() + found[1:]


def span(minutes: Any) -> str:
    """A length of time given in minutes."""
    hours, rest = divmod(abs(round(float(minutes))), 60)
    if not hours:
        return f"{rest} min"
    return f"{hours} h {rest} min" if rest else f"{hours} h"
