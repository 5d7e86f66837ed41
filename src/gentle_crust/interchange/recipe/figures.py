"""The figures of a sentence, by a grammar: amounts, times, temperatures, percents and counts, each with its place."""

import re
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files
from typing import Any, Literal, cast

from lark import Lark, Token, Tree, UnexpectedInput

from gentle_crust.interchange.recipe.numbers_in_words import in_figures

Kind = Literal["amount", "time", "temperature", "percent", "length", "times", "count"]

UNITS = {
    "cup": ("cups", "cup", "c"),
    "tablespoon": ("tablespoons", "tablespoon", "tbsps", "tbsp", "tbs", "tbl"),
    "teaspoon": ("teaspoons", "teaspoon", "tsps", "tsp"),
    "fluid_ounce": ("fluid ounces", "fluid ounce", "fl ounces", "fl ounce", "fl. oz", "fl oz", "floz"),
    "ounce": ("ounces", "ounce", "oz"),
    "pound": ("pounds", "pound", "lbs", "lb"),
    "kilogram": ("kilograms", "kilogram", "kilos", "kilo", "kgs", "kg"),
    "gram": ("grams", "gram", "grammes", "gramme", "gr", "gm", "g"),
    "milliliter": ("millilitres", "milliliters", "millilitre", "milliliter", "mls", "ml"),
    "centiliter": ("centilitres", "centiliters", "cl"),
    "deciliter": ("decilitres", "deciliters", "dl"),
    "liter": ("litres", "liters", "litre", "liter", "l"),
    "pint": ("pints", "pint", "pt"),
    "quart": ("quarts", "quart", "qt"),
    "stick": ("sticks", "stick"),
    "packet": ("packets", "packet", "packages", "package", "sachets", "sachet", "envelopes", "envelope", "cubes",
               "cube", "packs", "pack", "pkgs", "pkg", "pkts", "pkt"),
    "pinch": ("good pinches", "good pinch", "pinches", "pinch"),
    "knob": ("knobs", "knob"),
    "handful": ("handfuls", "handful"),
    "glass": ("glasses", "glass"),
    "mug": ("mugs", "mug"),
    "dash": ("dashes", "dash", "splash", "drizzle"),
    "bottle": ("bottles", "bottle", "cans", "can"),
}  # fmt: skip
TIMES = {
    "minute": ("minutes", "minute", "mins", "min", "'"),
    "hour": ("hours", "hour", "hrs", "hr", "h"),
    "day": ("days", "day"),
    "second": ("seconds", "second", "secs", "sec"),
}
MINUTES = {"minute": 1.0, "hour": 60.0, "day": 1440.0, "second": 1 / 60}
GAS_C = {0.25: 110.0, 0.5: 120.0, 1: 140.0, 2: 150.0, 3: 165.0, 4: 180.0, 5: 190.0, 6: 200.0, 7: 220.0, 8: 230.0,
         9: 240.0, 10: 250.0}  # fmt: skip
"""Gas marks of cookers (practice)."""
SIZES = ("heaped", "heaping", "rounded", "level", "scant", "packed", "generous", "scanty", "good", "full")
SPOONS = {"T": "tablespoon", "t": "teaspoon"}
"""Spoons by one letter, the large one large."""
_UNIT_OF = {word: unit for unit, words in UNITS.items() for word in words}
_TIME_OF = {word: unit for unit, words in TIMES.items() for word in words}


def _either(words: Any) -> str:
    return "|".join(re.escape(word) for word in sorted(words, key=len, reverse=True))


UNIT_WORDS = _either(_UNIT_OF)
_COUNTED = rf"{UNIT_WORDS}|{_either(word for word in _TIME_OF if word.isalpha())}"
PACKETS = _either(UNITS["packet"])


@dataclass(frozen=True)
class Figure:
    """A figure as it stands in a text: its least and most in its unit, and its place (letters from the start).

    ``unit`` is a unit of mass, volume or packing for an amount, minute for a time, C for a temperature, else empty;
    ``size`` how a spoon is filled.
    """

    kind: Kind
    low: float
    high: float
    unit: str
    start: int
    end: int
    size: str = ""

    @property
    def middle(self) -> float:
        """Half-way between least and most."""
        return (self.low + self.high) / 2


@cache
def _parser() -> Lark:
    grammar = (files(__package__) / "grammar.lark").read_text(encoding="utf-8")
    units = rf"(?:(?i:{UNIT_WORDS})|[Tt])(?![\w'])\.?"
    terminals = (
        f"UNIT.8: /{units}/",
        rf"SIZE.8: /(?i:{_either(SIZES)})(?=\s+(?:{units}))/",
        rf"TIME.8: /-?(?i:{_either(word for word in _TIME_OF if word.isalpha())})(?![\w])\.?|'(?!\w)/",
        r"DEGREES.9: /(?:°|º|(?i:degrees?|deg\.?))\s*(?i:celsius|centigrade|fahrenheit|[cf]\b)?|(?:C|F)\b/",
        r"LENGTH.8: /-?(?i:inch(?:es)?|cm|mm)\b|\u2033|\"/",
    )
    return Lark("\n".join([grammar, *terminals]), parser="lalr", lexer="contextual", propagate_positions=True)


def plain(text: str) -> str:
    """Compatibility letters undone, spaces made one: a half sign becomes 1/2, with a space if a number precedes it."""
    import unicodedata

    spaced = re.sub(r"(?<=\d)(?=[¼½¾⅐-⅞])", " ", text)
    found = unicodedata.normalize("NFKC", spaced.replace("º", "°")).replace("\u2044", "/").replace("\u2019", "'")
    return re.sub(r"\s+", " ", found).strip()


_A_UNIT = re.compile(
    rf"\b(?:an?|one|another)\s+(?=(?:(?:{_either(SIZES)})\s+)?(?:{_COUNTED})\b)(?!good\s+while)", re.IGNORECASE
)
_CLOCK = re.compile(
    r"\b(?:at\s+)?\d{1,2}(?:[:.]\d\d)?\s*(?:am|pm|a\.m\.|p\.m\.|o'clock)(?!\w)|\b(?:[01]?\d|2[0-3]):[0-5]\d\b",
    re.IGNORECASE,
)
_TWICE = {"once": "1 times", "twice": "2 times", "thrice": "3 times"}


def counted(text: str, left_over: bool = False) -> str:
    """A plain text with its numbers in words as figures, "a cup" as 1 cup, "twice" as 2 times, hours of the day gone.

    Raises ValueError, unless ``left_over``, for a fraction in words that belongs to nothing.
    """
    text = re.sub(r"\b(\d+)\s*h\s*(\d\d)\b", r"\1 h \2 min", text)
    text = _CLOCK.sub(" ", text)
    text = re.sub(r"\bhalf[- ]hourly\b", "0.5 hour", text, flags=re.IGNORECASE)
    text = re.sub(r"\bhourly\b", "1 hour", text, flags=re.IGNORECASE)
    text = re.sub(r"\b(once|twice|thrice)\b", lambda m: _TWICE[m[1].lower()], text, flags=re.IGNORECASE)
    text = re.sub(r"\b(a|an)\s+good\s+(?=half|quarter|third)", r"\1 ", text, flags=re.IGNORECASE)
    found = in_figures(text, _COUNTED, left_over)
    return re.sub(r"\s+", " ", _A_UNIT.sub("1 ", found)).strip()


MOST = 1e6
"""No figure of a recipe is larger."""


def number(text: str) -> float:
    """A written number: 2, 1/2, 3 1/2, 1.5 or 1,5. Raises ValueError for a zero divisor or more than a million."""
    total = 0.0
    for part in re.sub(r"\s*/\s*", "/", text.strip()).split(" "):
        if "/" in part:
            above, below = part.split("/")
            if float(below) == 0:
                raise ValueError("zero divisor")
            total += float(above) / float(below)
        else:
            total += float(part.replace(",", "."))
    if total > MOST:
        raise ValueError("more than any kitchen holds")
    return total


def figures(text: str) -> tuple[Figure, ...]:
    """All figures of a counted text, in their order; hours and minutes beside each other are one time.

    Raises ValueError for a number that is none (a zero divisor).
    """
    try:
        tree = _parser().parse(text)
    except UnexpectedInput as error:
        raise ValueError("no sentence of figures and words") from error
    found = [_figure(each) for each in tree.children if isinstance(each, Tree)]
    return tuple(_joined(found, text))


def _span(tree: Any) -> tuple[float, float]:
    ends = [number(str(token)) for token in tree.children if token.type == "NUMBER"]
    return min(ends), max(ends)


def _figure(tree: Any) -> Figure:
    kind = str(tree.data)
    start, end = tree.meta.start_pos, tree.meta.end_pos
    if kind == "multiple":
        inner = _figure(tree.children[-1])
        many = number(str(tree.children[0]))
        return replace(inner, low=inner.low * many, high=inner.high * many, start=start)
    tokens = {each.type: str(each) for each in tree.children if isinstance(each, Token)}
    if kind == "gas":
        mark = number(tokens["NUMBER"])
        return Figure("temperature", _gas_c(mark), _gas_c(mark), "C", start, end)
    span = next((each for each in tree.children if isinstance(each, Tree)), None)
    low, high = _span(span if span is not None else tree)
    if kind == "amount":
        size = tokens.get("SIZE", "").lower()
        unit = tokens["UNIT"].rstrip(".")
        return Figure("amount", low, high, SPOONS.get(unit) or _UNIT_OF[unit.lower()], start, end, size)
    if kind == "time":
        each = MINUTES[_TIME_OF[tokens["TIME"].lower().strip("-.")]]
        return Figure("time", low * each, high * each, "minute", start, end)
    if kind == "temperature":
        unit = tokens["DEGREES"].strip()[-1:].upper()
        fahrenheit = "fahrenheit" in tokens["DEGREES"].lower() or unit == "F"
        if not fahrenheit and "C" not in tokens["DEGREES"].upper().replace("DEGREE", ""):
            fahrenheit = low > 300
        return Figure("temperature", _c(low, fahrenheit), _c(high, fahrenheit), "C", start, end)
    return Figure(cast(Kind, kind), low, high, "", start, end)


def _c(value: float, fahrenheit: bool) -> float:
    return (value - 32) / 1.8 if fahrenheit else value


def _gas_c(mark: float) -> float:
    """A gas mark in C; Raises ValueError for one that no cooker has."""
    if mark not in GAS_C:
        raise ValueError("no such gas mark")
    return GAS_C[mark]


def _joined(found: list[Figure], text: str) -> list[Figure]:
    """Hours with the minutes after them, pounds with their ounces, ranges whose ends both have a unit."""
    joined: list[Figure] = []
    for each in found:
        last = joined[-1] if joined else None
        between = text[last.end : each.start].strip().lower() if last else "-"
        if last and last.kind == each.kind == "time" and between in ("", "and") and last.low > each.low:
            joined[-1] = replace(last, low=last.low + each.low, high=last.high + each.high, end=each.end)
        elif (
            last and last.kind == "time" and each.kind == "count" and not between and each.high < 60
            and re.fullmatch(r"h\.?|hr\.?", text[last.start : last.end].split()[-1].lstrip("0123456789.,/"))
            and re.match(r"\d\d(?![\w])", text[each.start :]) and last.low == last.high
        ):  # fmt: skip
            joined[-1] = replace(last, low=last.low + each.low, high=last.high + each.high, end=each.end)
        elif (
            last and last.kind == each.kind and last.kind in ("amount", "time", "temperature")
            and between in ("to", "-", "\u2013", "or") and last.unit == each.unit and last.low <= each.high
        ):  # fmt: skip
            joined[-1] = replace(last, high=each.high, end=each.end)
        else:
            joined.append(each)
    return joined
