"""What a line or a sentence names with its amount: 500 g of flour, two eggs, salt to taste, 70 % water."""

import re
from dataclasses import dataclass, replace
from functools import cache
from typing import Any

from gentle_crust.core.formula.measures import (
    HOUSEHOLD_ML,
    KNOB_G,
    PACKET_G,
    PINCH_G,
    PINT_ML,
    SIZED,
    STICK_G,
    Grams,
    Habits,
    Measured,
    grams_per_ml,
)
from gentle_crust.core.messages import NOTHING, Message, message
from gentle_crust.interchange.recipe.figures import PACKETS, Figure, counted, figures, plain
from gentle_crust.interchange.recipe.ingredients import ingredient_of

VAGUE = ("pinch", "dash", "handful", "knob", "glass", "mug", "bottle", "packet", "stick")
"""What says too little to contradict a weight."""
NONE = Grams(0, 0, 0)
MOST_G = 100_000
_WEIGHTS = ("gram", "kilogram", "ounce", "pound")
_METRIC = ("gram", "kilogram")
_LIQUIDS = ("water", "milk", "oil", "honey", "beer", "cider", "wine", "juice", "vinegar", "cream")
ASIDE = re.compile(
    r"\b(?:for|to)\s+(?:the\s+|a\s+|an\s+|your\s+|some\s+)?(?:\w+\s+)?(?:dust(?:ing)?|greas(?:e|ing)|brush(?:ing)?|glaz(?:e|ing)"
    r"|sprinkl(?:e|ing)|finish(?:ing)?|top(?:ping)?|tops|surface|dish|tin|tray|bowl|pan|peel|bench|board|basket|cloth|rolling"
    r"|kneading|coating|shaping|serving|serve|oiling|egg ?wash|wash)\b(?!\s+the\s+flour)",
    re.IGNORECASE,
)
"""What is not in the dough: for the dish, for dusting, to glaze."""
OPTIONAL = re.compile(r"\boptional(?:ly)?\b|\bif (?:you )?(?:like|wish|liked|wished)\b", re.IGNORECASE)
PER_LOAF = re.compile(
    r"\b(?:per|for each|for every)\s+(?:loaf|piece|tin|roll|ball|round)\b|\beach loaf\b", re.IGNORECASE
)
TO_TASTE = re.compile(r"\bto taste\b", re.IGNORECASE)
BY_FEEL = re.compile(
    r"\b(?:to make|enough|until|till|as (?:much|needed|required)|to a (?:soft|stiff|firm|slack)|for a (?:soft|stiff|firm|slack)"
    r"|to (?:form|give|bring)|as it takes|as the dough)\b",
    re.IGNORECASE,
)
REST = re.compile(r"\b(?:the\s+)?(?:rest|remaining|remainder)\b(?!\s+(?:for|of the dough|\d))", re.IGNORECASE)
OF_THE = re.compile(r"\bof (?:the|that|this|your)\b", re.IGNORECASE)
PER_LITRE = re.compile(
    r"\b(?:per|a|for (?:a|each|every)|to (?:a|the|each))\s+(?:1\s+)?(?:litre|liter|l)\b(?:\s+of water)?", re.IGNORECASE
)
_FRACTION = re.compile(r"\b\d\.\d{4}\b|\b\d+\s*/\s*\d+\s+of\b")
_TEMPERATURE = re.compile(
    r"\(?\b\d+(?:[.,]\d+)?(?:\s*[-\u2013]\s*\d+)?\s*(?:°|degrees)?\s*(?:C|F)\b\)?(?:\s*/\s*\d+\s*°?\s*[CF]\b)?"
    r"|\(?\b\d+\s*(?:°|degrees)\)?"
)


@dataclass(frozen=True)
class Mention:
    """One ingredient as a text names it.

    ``g``: its weight, None if none is said; ``percent``: its share of the flour, if it is said so; ``doubts``: codes of
    what has to be asked; ``aside``: not in the dough (a glaze, for dusting); ``per``: one loaf or a litre of water;
    ``feel``: as much as the dough asks for; ``part``: "some" of what was listed before, "rest" of it, or nothing.
    """

    text: str
    word: str
    item: Measured
    g: Grams | None
    why: Message = NOTHING
    percent: tuple[float, float] | None = None
    doubts: tuple[str, ...] = ()
    aside: bool = False
    optional: bool = False
    per: str = ""
    taste: bool = False
    feel: bool = False
    part: str = ""

    @property
    def weight(self) -> Grams:
        """Its weight; nothing, if none is said."""
        return NONE if self.g is None else self.g


@cache
def _registry() -> Any:
    import pint

    return pint.UnitRegistry(cache_folder=None)


def warm_up() -> None:
    """Load the units library and the grammar, which take a second, before the first recipe is pasted."""
    for unit in ("teaspoon", "fluid_ounce", "ounce", "kilogram", "deciliter", "quart"):
        _registry()(unit)
    figures("1 cup")


@cache
def _in(unit: str, other: str) -> float:
    """How many of one unit another holds."""
    return float(_registry()(unit).to(other).magnitude)


def mentions(text: str, habits: Habits) -> tuple[Mention, ...]:
    """Every ingredient of a plain text, with its amount if it has one.

    Raises ValueError for an amount that cannot be made out: it must be asked about.
    """
    found = [_mention(chunk, habits) for chunk in _chunks(text)]
    return tuple(each for each in found if each is not None)


_SPLIT = re.compile(r"\s*[,;]\s+|\s*\+\s*|\s+\b(?:and|plus|with)\b\s+", re.IGNORECASE)


def _chunks(text: str) -> list[str]:
    """A text cut where one ingredient ends and the next begins; what belongs to an ingredient stays with it."""
    inside = [match.span() for match in re.finditer(r"\([^()]*\)|\[[^\[\]]*\]", text)]
    cuts = [m for m in _SPLIT.finditer(text) if not any(a <= m.start() < b for a, b in inside)]
    starts, ends = [0, *(m.end() for m in cuts)], [*(m.start() for m in cuts), len(text)]
    merged: list[tuple[int, int]] = []
    for start, end in zip(starts, ends, strict=True):
        piece = text[start:end]
        before = text[merged[-1][0] : merged[-1][1]] if merged else ""
        own = ingredient_of(_TEMPERATURE.sub(" ", piece)) is not None
        waits = bool(merged) and ingredient_of(before) is None
        answers = (
            bool(merged) and bool(re.match(r"\s*(?:plus\s+)?(?:extra|more)\b", piece)) and not re.search(r"\d", piece)
        )
        if merged and (not own or waits or answers or (_unamounted(before, text) and _bare_amount(piece))):
            merged[-1] = (merged[-1][0], end)
        else:
            merged.append((start, end))
    return [text[start:end].strip() for start, end in merged]


def _unamounted(before: str, text: str) -> bool:
    return (
        not re.search(r"\d|\bpinch", before)
        and text.strip().startswith(before.strip())
        and bool(BY_FEEL.search(before))
    )


def _bare_amount(piece: str) -> bool:
    return bool(re.match(r"\s*(?:about|approx\w*|around|roughly|ca\.?|say)?\s*\d", piece))


def _mention(chunk: str, habits: Habits) -> Mention | None:
    named = ingredient_of(_TEMPERATURE.sub(" ", chunk))
    if named is None:
        return None
    word, item = named
    bare = _TEMPERATURE.sub(lambda match: " " * len(match[0]), chunk)
    found = figures(bare)
    amounts = _packed([each for each in found if each.kind == "amount"], found, bare)
    aside = bool(ASIDE.search(chunk)) and not re.search(r"\bplus\b|\bextra\b|\bmore\b", chunk)
    traits: dict[str, Any] = {
        "aside": aside,
        "optional": bool(OPTIONAL.search(chunk)),
        "per": "loaf"
        if PER_LOAF.search(chunk)
        else "litre"
        if PER_LITRE.search(chunk) and item.role != "water"
        else "",
        "taste": bool(TO_TASTE.search(chunk)),
        "part": "some" if amounts and OF_THE.search(chunk) else "rest" if REST.search(chunk) and not amounts else "",
    }
    if not amounts:
        return _without_amount(chunk, word, item, found, traits)
    if _part_of_something_else(bare, amounts):
        raise ValueError("a fraction of something else")
    if traits["per"] == "litre":
        amounts = amounts[:1]
    first, second = _agreed(bare, amounts)
    total = NONE
    for amount in first:
        total = total.plus(_grams(amount, item, habits))
    if total.high <= 0 or total.high > MOST_G:
        raise ValueError("no weight of a dough")
    doubts = _doubts(first, item, habits)
    if second and not _agree(total, second, item, habits):
        doubts = (*doubts, "contradiction")
    if re.search(r"\b(?:about|approx\w*|around|roughly|ca\.|circa)\b|~", chunk, re.IGNORECASE):
        total = Grams(total.low * 0.95, total.likely, total.high * 1.05)
    feel = bool(BY_FEEL.search(chunk)) and total.high > total.low and item.role in ("water", "flour")
    return Mention(chunk, word, item, total, _why(first, item), None, doubts, feel=feel, **traits)


def _without_amount(
    chunk: str, word: str, item: Measured, found: tuple[Figure, ...], traits: dict[str, Any]
) -> Mention:
    """An ingredient that is counted, has a percent of the flour, or is only named."""
    share = next((each for each in found if each.kind == "percent"), None)
    if share is not None:
        return Mention(chunk, word, item, None, message("recipe-why-percent"), (share.low, share.high), **traits)
    count = next((each for each in found if each.kind == "count"), None)
    if item.each_g is not None and (count is not None or re.match(r"\s*an?\b", chunk, re.IGNORECASE)):
        low, high = (count.low, count.high) if count else (1.0, 1.0)
        g = Grams(item.each_g.low * low, item.each_g.likely * (low + high) / 2, item.each_g.high * high)
        return Mention(chunk, word, item, g, message("recipe-why-counted"), **traits)
    if count is not None and re.search(r"\d\s*[/.]\s*\d", chunk) and not re.search(r"type\s*\d", chunk, re.IGNORECASE):
        raise ValueError("a number without its unit")
    return Mention(chunk, word, item, None, feel=bool(BY_FEEL.search(chunk)), **traits)


def _packed(amounts: list[Figure], found: tuple[Figure, ...], text: str) -> list[Figure]:
    """Packets of a stated weight count as that weight: two 7 g sachets, a quarter of an 8 g packet, 2 packets (7 g each)."""
    weighed = next((each for each in amounts if each.unit in ("gram", "ounce")), None)
    if weighed is None or not re.search(rf"\b(?:{PACKETS}|bottles?|cans?)\b", text, re.IGNORECASE):
        return amounts
    after = text[weighed.end :].lstrip(" )-")
    if re.match(rf"(?:{PACKETS})\b", after, re.IGNORECASE):
        count = next((each for each in found if each.kind == "count" and each.end <= weighed.start), None)
        many = count.middle if count else 1.0
        return [replace(weighed, low=weighed.low * many, high=weighed.high * many)]
    packs = next((each for each in amounts if each.unit in ("packet", "bottle")), None)
    if packs is not None and re.match(r"\s*each", text[weighed.end :], re.IGNORECASE):
        return [replace(weighed, low=weighed.low * packs.middle, high=weighed.high * packs.middle)]
    if packs is not None and packs.middle != 1 and packs.start < weighed.start:
        return [replace(weighed, low=weighed.low * packs.middle, high=weighed.high * packs.middle)]
    return amounts


def _part_of_something_else(text: str, amounts: list[Figure]) -> bool:
    """Whether the text has a fraction that belongs to none of its amounts: what it is of, only the baker can say."""
    return any(
        not any(amount.start <= match.start() < amount.end for amount in amounts) for match in _FRACTION.finditer(text)
    ) and not re.search(rf"\b(?:{PACKETS})\b", text)


def _agreed(text: str, amounts: list[Figure]) -> tuple[list[Figure], list[Figure]]:
    """The amounts that count, and those beside them that say the same in another way. Weights win over volumes."""
    if len(amounts) == 1:
        return amounts, []
    brackets = [match.span() for match in re.finditer(r"\([^()]*\)|\[[^\[\]]*\]", text)]

    def inside(one: Figure) -> bool:
        return any(start <= one.start < end for start, end in brackets)

    def adds(one: Figure) -> bool:
        before = [each for each in amounts if each.end <= one.start and inside(each) == inside(one)]
        joint = text[before[-1].end : one.start] if before else ""
        joint = re.sub(r"\([^()]*\)", " ", joint)
        pounds = bool(before) and before[-1].unit == "pound" and one.unit == "ounce" and not joint.strip()
        return pounds or bool(re.search(r"\bplus\b|\+|\band\b", joint))

    outer = [each for each in amounts if not inside(each)]
    inner = [each for each in amounts if inside(each)]
    groups = [[each for i, each in enumerate(group) if i == 0 or adds(each)] for group in (outer, inner) if group]
    others = [[each] for group in (outer, inner) for i, each in enumerate(group) if i and not adds(each)]
    ways = [*groups, *others]
    metric = [way for way in ways if all(each.unit in _METRIC for each in way)]
    weighed = [way for way in ways if all(each.unit in _WEIGHTS for each in way)]
    precise = [way for way in ways if all(each.unit == "milliliter" for each in way)]
    best = (metric or weighed or precise or ways)[0]
    if weighed and not metric and weighed[0] in groups[:1] and len(weighed) == 1 and not inner:
        best = ways[0]
    return best, [each for way in ways if way is not best for each in way[:1]]


def _agree(total: Grams, others: list[Figure], item: Measured, habits: Habits) -> bool:
    """Whether another way to say the amount can be the same: within what its measure leaves open, and 8 %."""
    for other in (each for each in others if each.unit not in VAGUE):
        said = _grams(other, item, habits)
        if said.low * 0.92 > total.high or said.high * 1.08 < total.low:
            return False
    return True


def _grams(amount: Figure, item: Measured, habits: Habits) -> Grams:
    """One amount of one ingredient in grams."""
    three = Grams(amount.low, amount.middle, amount.high)
    unit = amount.unit
    if unit == "pinch":
        return _spread(three, PINCH_G)
    if unit == "knob":
        return _spread(three, KNOB_G)
    if unit == "stick":
        return three.times(STICK_G)
    if unit == "packet" and item.kind in PACKET_G:
        return three.times(PACKET_G[item.kind])
    if unit == "packet":
        raise ValueError("a packet of unknown weight")
    if unit == "ounce" and item.kind in _LIQUIDS:
        return _liquid_ounces(amount, item, habits)
    if unit in _WEIGHTS:
        return three.times(_in(unit, "gram"))
    density = grams_per_ml(item, habits)
    if unit in HOUSEHOLD_ML:
        ml = HOUSEHOLD_ML[unit]
    elif unit == "pint":
        ml = PINT_ML
    else:
        each = habits.cup_ml if unit == "cup" else _in(unit, "milliliter")
        ml = (each, each, each)
    size = SIZED[_size(amount.size)]
    return Grams(
        three.low * ml[0] * density.low * size[0],
        three.likely * ml[1] * density.likely * size[1],
        three.high * ml[2] * density.high * size[2],
    )


def _spread(three: Grams, each: tuple[float, float, float]) -> Grams:
    return Grams(three.low * each[0], three.likely * each[1], three.high * each[2])


def _size(said: str) -> str:
    if said in ("heaped", "heaping", "rounded", "generous"):
        return "heaped"
    return said if said in SIZED else "scant" if said == "scanty" else ""


def _liquid_ounces(amount: Figure, item: Measured, habits: Habits) -> Grams:
    """Ounces of a liquid: by weight or by volume, as the baker says; until then the range holds both."""
    weight = Grams(amount.low, amount.middle, amount.high).times(_in("ounce", "gram"))
    fluid = _grams(replace(amount, unit="fluid_ounce"), item, habits)
    if habits.liquid_ounces == "volume":
        return fluid
    if habits.liquid_ounces == "weight":
        return weight
    return Grams(min(weight.low, fluid.low), weight.likely, max(weight.high, fluid.high))


def _doubts(amounts: list[Figure], item: Measured, habits: Habits) -> tuple[str, ...]:
    """What has to be asked about how it was measured."""
    units = {amount.unit for amount in amounts}
    found = []
    if "ounce" in units and item.kind in _LIQUIDS and habits.liquid_ounces == "ask":
        found.append("ounces")
    if "pint" in units:
        found.append("pint")
    if item.name == "salt" and not units <= {*_WEIGHTS, "pinch"} and habits.salt == "unknown":
        found.append("which_salt")
    if item.role == "flour" and "cup" in units and habits.flour == "unknown":
        found.append("cups")
    if units & {"glass", "mug", "handful", "dash", "knob", "bottle"}:
        found.append("household")
    return tuple(found)


def _why(amounts: list[Figure], item: Measured) -> Message:
    units = {amount.unit for amount in amounts}
    if units <= {"gram", "kilogram", "pound"}:
        return message("recipe-why-weighed")
    if units <= {"packet", "stick", "pinch", "knob"}:
        return message("recipe-why-packed")
    if "ounce" in units:
        return message("recipe-why-ounces")
    if item.role == "flour":
        return message("recipe-why-cup")
    if item.name == "salt":
        return message("recipe-why-salt")
    return message("recipe-why-volume")


def line_of(line: str) -> str:
    """A written line as it is read: plain, its numbers as figures. Raises ValueError for a fraction left over."""
    return counted(plain(line))
