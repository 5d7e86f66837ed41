"""Done or not: which sign lags and what to do about it, and how long to wait before cutting."""

from dataclasses import dataclass

from gentle_crust.core.messages import Message, joined, message
from gentle_crust.core.oven.staged import Done

LAGS_MIN = 4.0
"""A sign that comes so much later than the others lags (practice)."""
SHADES = (
    (15.0, "pale", 8.0), (32.0, "light", 25.0), (50.0, "golden", 42.0), (68.0, "deep", 58.0), (82.0, "dark", 74.0),
    (101.0, "very-dark", 90.0),
)  # fmt: skip
"""A baker's words for a colour: the index that each stays below, and the one that its chip shows."""


def shade_code(colour: float) -> str:
    """The code of a baker's word for a colour index.

    Parameters
    ----------
    colour : browning index, 0 (raw) to 100 (black)

    Returns
    -------
    A code.
    """
    return next((word for below, word, _ in SHADES if colour < below), SHADES[-1][1])


def shade(colour: float) -> Message:
    """A colour index in a baker's word.

    Parameters
    ----------
    colour : browning index, 0 (raw) to 100 (black)

    Returns
    -------
    A word.
    """
    return message(f"shade-{shade_code(colour)}")


def sign_of(last: str) -> Message:
    """What a sign is called in a sentence: core, colour or loss.

    Parameters
    ----------
    last : which sign is last: core, colour or loss

    Returns
    -------
    A part of a sentence.
    """
    return message(f"sign-{last}")


def chip(word: str) -> float:
    """The colour index of a baker's word.

    Parameters
    ----------
    word : a baker's word for a colour

    Returns
    -------
    An index, 0-100 (practice).
    """
    return next(colour for _, name, colour in SHADES if name == word)


@dataclass(frozen=True)
class Lag:
    """What comes last, by how many minutes, and what to do if it lags."""

    last: str
    by_min: float
    remedy: Message


_REMEDIES = {
    "colour": message("remedy-stays-pale"),
    "core": message("remedy-dark-before-done"),
    "loss": message("remedy-stays-moist"),
}
_CUT_EARLY = {
    True: message("cut-early-rye"),
    False: message("cut-early"),
}


def lag(done: Done) -> Lag:
    """Which of core, colour and loss is last, and the remedy if it lags.

    Parameters
    ----------
    done : when core, colour and loss are reached, min

    Returns
    -------
    Which is last, and what to do.
    """
    minutes = sorted(m if m is not None else 1e3 for m in (done.core_min, done.colour_min, done.loss_min))
    return Lag(done.last, round(min(minutes[2] - minutes[1], 99), 1), _REMEDIES[done.last])


def said(done: Done, ends_min: float) -> Message:
    """When a bake that ends after ``ends_min`` is done, what comes last, and what to do if that lags."""
    last = lag(done)
    if done.minute is None:
        return message("done-not", sign=sign_of(last.last), remedy=last.remedy)
    line = message("done-after", minute=round(done.minute), sign=sign_of(last.last))
    if done.minute > ends_min + 1:
        return joined(line, message("done-too-soon", minutes=round(done.minute - ends_min)))
    if last.by_min >= LAGS_MIN:
        return joined(line, message("done-behind", minutes=round(last.by_min), remedy=last.remedy))
    return line


def cutting(rye: bool) -> Message:
    """What cutting early does."""
    return _CUT_EARLY[rye]


@dataclass(frozen=True)
class Sign:
    """What was found on a loaf and the step that follows: minutes more, and how."""

    code: str
    text: Message
    minutes: int


def minutes_to_core(core_c: float, wanted_c: float) -> int:
    """Minutes that a core needs to come to what is wanted, both C, if nothing foretells it (practice).

    Parameters
    ----------
    core_c : core temperature, C, 0-105
    wanted_c : temperature that is wanted, C

    Returns
    -------
    Minutes from loading, or none.
    """
    return max(3, min(20, round((wanted_c - core_c) * 0.9)))


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
        more = minutes_to_core(core_c, done.core_c)
        if dark:
            found.append(Sign("too_dark", message("sign-too-dark"), more))
        else:
            found.append(Sign("core_low", message("sign-core-low"), more))
    elif colour is not None and colour < done.colour - 12:
        found.append(Sign("pale", message("sign-pale"), 4))
    if base is not None and base < 30 and not dark:
        found.append(Sign("pale_base", message("sign-pale-base"), 5))
    if loss is not None and loss < done.loss - 0.02 and not raw:
        found.append(Sign("moist", message("sign-moist"), 6))
    return tuple(found)
