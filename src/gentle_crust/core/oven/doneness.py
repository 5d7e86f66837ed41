"""Done or not: which sign lags and what to do about it, and how long to wait before cutting."""

from dataclasses import dataclass

from gentle_crust.core.oven.staged import Done

LAGS_MIN = 4.0
"""A sign that comes so much later than the others lags (practice)."""
SHADES = (
    (15.0, "pale", 8.0), (32.0, "light", 25.0), (50.0, "golden", 42.0), (68.0, "deep", 58.0), (82.0, "dark", 74.0),
    (101.0, "very dark", 90.0),
)  # fmt: skip
"""A baker's words for a colour: the index that each stays below, and the one that its chip shows."""
SIGNS = {"core": "the core", "colour": "the colour", "loss": "drying"}


def shade(colour: float) -> str:
    """A colour index in a baker's word."""
    return next((word for below, word, _ in SHADES if colour < below), SHADES[-1][1])


def chip(word: str) -> float:
    """The colour index of a baker's word."""
    return next(colour for _, name, colour in SHADES if name == word)


@dataclass(frozen=True)
class Lag:
    """What comes last, by how many minutes, and what to do if it lags: a sentence."""

    last: str
    by_min: float
    remedy: str


_REMEDIES = {
    "colour": "If it stays pale: upper shelf, or for the last minutes the fan on or {10|dc} hotter.",
    "core": "If it is dark before the core is done: foil over it, {20|dc} cooler, and give it its time.",
    "loss": "If it stays moist: out of its tin or off its tray, door ajar, 5 min more.",
}
_CUT_EARLY = {
    True: "Rye cut the same day smears: its crumb is still setting.",
    False: "Cut hot, the crumb tears and stays gummy, and the loaf goes stale sooner.",
}


def lag(done: Done) -> Lag:
    """Which of core, colour and loss is last, and the remedy if it lags."""
    minutes = sorted(m if m is not None else 1e3 for m in (done.core_min, done.colour_min, done.loss_min))
    return Lag(done.last, round(min(minutes[2] - minutes[1], 99), 1), _REMEDIES[done.last])


def said(done: Done, ends_min: float) -> str:
    """When a bake that ends after ``ends_min`` is done, what comes last, and what to do if that lags."""
    last = lag(done)
    if done.minute is None:
        return f"Not done in this time: {SIGNS[last.last]} does not get there. {last.remedy}"
    line = f"Done after {done.minute:.0f} min; {SIGNS[last.last]} comes last."
    if done.minute > ends_min + 1:
        return f"{line} These stages end {done.minute - ends_min:.0f} min too soon."
    return f"{line} It is {last.by_min:.0f} min behind the others. {last.remedy}" if last.by_min >= LAGS_MIN else line


def cutting(rye: bool) -> str:
    """What cutting early does."""
    return _CUT_EARLY[rye]


@dataclass(frozen=True)
class Sign:
    """What was found on a loaf and the step that follows: minutes more, and how."""

    code: str
    text: str
    minutes: int


def remedies(
    core_c: float | None, colour: float | None, base: float | None, loss: float | None, done: Done
) -> tuple[Sign, ...]:
    """What to do with a loaf that shows these signs (colour and base 0-100, loss a share; None: not looked at).

    Empty: it is done, as far as was looked.
    """
    found = []
    raw = core_c is not None and core_c < done.core_c - 1
    dark = colour is not None and colour > done.colour + 20
    if raw and core_c is not None:
        more = max(3, min(20, round((done.core_c - core_c) * 0.9)))
        if dark:
            found.append(Sign("too_dark", "Foil over it, oven {20|dc} cooler.", more))
        else:
            found.append(Sign("core_low", "Back in as it was.", more))
    elif colour is not None and colour < done.colour - 12:
        found.append(Sign("pale", "Fan on or {10|dc} hotter, upper shelf.", 4))
    if base is not None and base < 30 and not dark:
        found.append(Sign("pale_base", "Back in without its tin or pot, on the bare rack or stone.", 5))
    if loss is not None and loss < done.loss - 0.02 and not raw:
        found.append(Sign("moist", "Oven off, door ajar: it dries without browning.", 6))
    return tuple(found)
