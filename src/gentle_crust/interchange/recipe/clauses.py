"""A sentence of a method cut into clauses: in each, what is done, and the figures that belong to it."""

import re
from collections.abc import Iterable
from dataclasses import dataclass, replace

from gentle_crust.interchange.recipe.figures import Figure, counted, figures, plain
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.words import PATTERNS, RISES, WORDS

_CUT = re.compile(
    r"\s*[;,+]\s+(?:(?:and\s+)?then\s+|and\s+)?|\s*[.;:]\s*$|\s+(?:and\s+then|then|and|&)\s+|\s*\((?=[^)]*lid)|\)\s*(?=\+|$)",
    re.IGNORECASE,
)
_TIMES_LIST = re.compile(
    r"\b(\d+(?:\s*,\s*\d+)*\s*(?:,\s*)?(?:and|&|,)\s*\d+)\s*(min(?:ute)?s?|h(?:ours?)?)\b", re.IGNORECASE
)
_OWN_UNIT = re.compile(
    r"\b(?:1|an?)\s+(?P<name>[a-z]{3,})\s+(?:is|=|means|equals|lasts)\s+(?P<n>\d+)\s*(?P<unit>minutes?|min|hours?|h)\b",
    re.IGNORECASE,
)
_PERCENT_RISE = re.compile(r"(?:\+\s*|by\s+(?:about\s+)?|to\s+\+\s*)(\d{1,3})\s*(?:%|per\s?cent)", re.IGNORECASE)
BREAD_HEAT_C = 130.0
"""From here on a temperature is an oven's."""


@dataclass(frozen=True)
class Clause:
    """A part of a sentence. ``does``: what is done, in its order; ``at_min``: minutes at which it is done, if listed.

    ``times`` are spans of minutes, ``heats`` set points (C), ``warmths`` other temperatures (C), ``counts`` bare
    numbers, ``often`` how many times, ``rise`` the rise it goes on until (a fraction).
    """

    text: str
    does: tuple[str, ...]
    times: tuple[Figure, ...] = ()
    heats: tuple[float, ...] = ()
    warmths: tuple[float, ...] = ()
    counts: tuple[Figure, ...] = ()
    often: float | None = None
    rise: float | None = None
    at_min: tuple[float, ...] = ()
    first: bool = False
    """Whether the sentence begins with it."""

    def has(self, *names: str) -> bool:
        """Whether any of these is done in it."""
        return any(name in self.does for name in names)

    def says(self, pattern: str) -> bool:
        """Whether its words match a pattern."""
        return re.search(pattern, self.text, re.IGNORECASE) is not None

    def thing(self, group: str) -> str | None:
        """The container ("in") or the vessel ("on") it names."""
        keys = [key for key in PATTERNS if key.startswith(f"{group}_")]
        return next((key[len(group) + 1 :] for key in keys if PATTERNS[key].search(self.text)), None)


def own_units(sentences: Iterable[str]) -> dict[str, float]:
    """Units of time that a recipe explains once ("one bell is thirty minutes"), in minutes."""
    found = {}
    for sentence in sentences:
        match = _OWN_UNIT.search(counted(plain(sentence), True))
        if match is not None:
            found[match["name"].lower()] = float(match["n"]) * (60.0 if match["unit"].lower().startswith("h") else 1.0)
    return found


def explains_unit(sentence: str) -> bool:
    """Whether a sentence only explains a unit of time."""
    return _OWN_UNIT.search(counted(plain(sentence), True)) is not None


_HOURS_OF_DAY = re.compile(r"\b(\d{1,2}:\d\d)((?:\s*,\s*(?:and\s+)?\d{1,2}:\d\d)+)")


def _by_the_clock(sentence: str) -> str:
    """Folds listed by the hour of the day, as so many times so many minutes apart."""
    match = _HOURS_OF_DAY.search(sentence)
    if match is None or not WORDS["fold"].search(sentence):
        return sentence
    hours = [60 * int(h) + int(m) for h, m in re.findall(r"(\d{1,2}):(\d\d)", match[0])]
    gap = (hours[1] - hours[0]) % 720
    return sentence.replace(match[0], "") + f" {len(hours)} times every {gap} minutes" if gap else sentence


def readable(sentence: str, units: dict[str, float]) -> str:
    """A sentence with its numbers as figures and its own units of time in minutes."""
    text = counted(_by_the_clock(plain(sentence)), True)
    for name, minutes in units.items():
        text = re.sub(
            rf"\b(?:(\d+(?:\.\d+)?)|an?)(\s+times)?\s+{name}s?\b",
            lambda match, each=minutes: f"{float(match[1] or 1) * each:g} minutes",  # type: ignore[misc]
            text,
            flags=re.IGNORECASE,
        )
    text = re.sub(r"\bstretch(?:es)?\s*(?:and|&)\s*folds?\b", "stretch-and-folds", text, flags=re.IGNORECASE)
    return re.sub(r"\bslap\s+and\s+fold\b", "knead", text, flags=re.IGNORECASE)


def clauses(text: str) -> tuple[Clause, ...]:
    """A readable sentence cut into clauses; one in which nothing is done and measured goes with the one before it.

    Raises ValueError for a number that is none.
    """
    lists: list[tuple[float, ...]] = []

    def put_away(match: re.Match[str]) -> str:
        each = 60.0 if match[2].lower().startswith("h") else 1.0
        lists.append(tuple(each * float(number) for number in re.findall(r"\d+", match[1])))
        return f" at_list_{len(lists) - 1} "

    text = _TIMES_LIST.sub(put_away, text) if WORDS["fold"].search(text) else text
    pieces = [piece.strip(" .:()") for piece in _CUT.split(text.replace(":", " ")) if piece and piece.strip(" .:()")]
    found: list[Clause] = []
    for piece in pieces:
        one = _clause(piece, lists)
        idle = not one.does and not (one.times or one.heats or one.warmths or one.at_min or one.rise)
        kept = re.search(r"\blid\b|\bapart\b|\bin\b|\bon\b|\binto\b", piece) and (one.thing("in") or one.thing("on"))
        listed = bool(found) and not one.does and found[-1].has("mix", "autolyse") and bool(named_in(piece))
        if found and ((idle and not kept) or listed):
            found[-1] = replace(_clause(f"{found[-1].text}, {piece}", lists), first=found[-1].first)
        else:
            found.append(replace(one, first=not found))
    return tuple(found)


def _clause(text: str, lists: list[tuple[float, ...]]) -> Clause:
    spans = [(match.start(), key) for key, pattern in WORDS.items() for match in pattern.finditer(text)]
    listed = re.search(r"at_list_(\d+)", text)
    bare = re.sub(r"at_list_\d+", " ", text)
    found = figures(bare)
    percent = _PERCENT_RISE.search(text)
    rise = (
        float(percent[1]) / 100
        if percent
        else next((value for pattern, value in RISES if re.search(rf"\b(?:{pattern})\b", text, re.IGNORECASE)), None)
    )
    heats, warmths = _heats(found, bare)
    often = next((each.middle for each in found if each.kind == "times"), None)
    return Clause(
        text,
        tuple(dict.fromkeys(key for _, key in sorted(spans))),
        tuple(each for each in found if each.kind == "time"),
        heats,
        warmths,
        tuple(each for each in found if each.kind == "count"),
        often,
        rise,
        lists[int(listed[1])] if listed else (),
    )


def _heats(found: tuple[Figure, ...], text: str) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """An oven's set points, without those that a bracket gives for a fan oven, and other temperatures."""
    fan = [match.span() for match in re.finditer(r"\([^)]*\bfan\b[^)]*\)", text, re.IGNORECASE)]
    hot: list[float] = []
    mild: list[float] = []
    for each in found:
        if each.kind == "temperature":
            if any(start <= each.start < end for start, end in fan):
                continue
            (hot if each.middle >= BREAD_HEAT_C else mild).append(each.middle)
        elif each.kind == "count" and each.low >= BREAD_HEAT_C and re.search(r"\bat\s*$", text[: each.start]):
            hot.append((each.low - 32) / 1.8 if each.low > 300 else each.low)
    return tuple(hot), tuple(mild)
