"""A baked loaf from outside: its colour as it was seen, and what that and its inside say together."""

from dataclasses import dataclass
from typing import Literal

from gentle_crust.core.readiness.cues import State

Shade = Literal["pale", "golden", "deep", "dark"]
VerdictCode = Literal["raw_pale", "raw_dark", "done_pale", "ready", "done_dark"]
SHADES: tuple[Shade, ...] = ("pale", "golden", "deep", "dark")
CRUST = ("crust", "base")
"""What is seen of it from outside."""
SEEN, NEXT_TO = 0.86, 0.12
"""How likely a crust is called what it is, and the shade beside it (practice)."""
NOT_SEEN = (0.2, 0.4, 0.3, 0.1)
"""Of a loaf whose crust nobody looked at (practice)."""
BASE: dict[str, tuple[float, float, float, float]] = {
    "pale": (0.5, 0.3, 0.15, 0.05),
    "golden": (0.2, 0.35, 0.3, 0.15),
    "dark": (0.05, 0.2, 0.3, 0.45),
}
"""What a base is likely to tell of the crust above it (practice)."""
BASE_POWER = 0.4
DONE: tuple[State, ...] = ("ready", "late", "over")


@dataclass(frozen=True)
class Outside:
    """How likely the crust is of each shade; they sum to 1."""

    pale: float
    golden: float
    deep: float
    dark: float

    @property
    def likeliest(self) -> Shade:
        """The most probable shade."""
        return max(SHADES, key=lambda shade: float(getattr(self, shade)))


def outside_of(cues: dict[str, str | float]) -> Outside:
    """The colour of a loaf by what was seen of its crust and base.

    Parameters
    ----------
    cues : what is seen: cue to value, as the table of cues has them

    Returns
    -------
    Probabilities of pale, golden, deep and dark.
    """
    weights = list(NOT_SEEN)
    crust = str(cues.get("crust"))
    if crust in SHADES:
        place = [*SHADES].index(crust)
        weights = [SEEN if i == place else NEXT_TO if abs(i - place) == 1 else 0.01 for i in range(4)]
    if (base := str(cues.get("base"))) in BASE:
        weights = [weight * each**BASE_POWER for weight, each in zip(weights, BASE[base], strict=True)]
    total = sum(weights)
    return Outside(*(weight / total for weight in weights))


def code_of(inside: State, outside: Outside) -> VerdictCode:
    """Inside and outside together: raw or done, and whether the crust is behind or ahead of it.

    Parameters
    ----------
    inside : state of the inside
    outside : outside of the loaf, or the vapour's share outside

    Returns
    -------
    raw_pale, raw_dark, done_pale, ready or done_dark.
    """
    shade = outside.likeliest
    if inside not in DONE:
        return "raw_dark" if shade in ("deep", "dark") else "raw_pale"
    if shade == "pale":
        return "done_pale"
    return "done_dark" if shade == "dark" else "ready"
