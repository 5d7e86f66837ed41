"""Reads a written recipe, line by line, into grams with their uncertainty."""

import re
import unicodedata
from dataclasses import dataclass
from functools import cache
from typing import Any

from gentle_crust.contract.recipe import ReadLine, ReadWarning
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.flour import MyFlour
from gentle_crust.core.formula.measures import (
    HEAPED,
    PACKET_G,
    PINCH_G,
    STICK_G,
    Grams,
    Habits,
    Measured,
    grams_per_ml,
    ingredients,
)
from gentle_crust.core.formula.model import (
    YEAST_AS_INSTANT,
    Extra,
    ExtraKind,
    FlourShare,
    Formula,
    Preferment,
    YeastKind,
    check,
)
from gentle_crust.interchange.fractions_in_words import in_figures
from gentle_crust.interchange.stated_sum import doubt, stated_g

MOST_LINES, LONGEST_LINE = 80, 200
UNITS = {
    "cup": ("cups", "cup", "c"),
    "tablespoon": ("tablespoons", "tablespoon", "tbsps", "tbsp", "tbs", "tbl"),
    "teaspoon": ("teaspoons", "teaspoon", "tsps", "tsp"),
    "fluid_ounce": ("fluid ounces", "fluid ounce", "fl ounces", "fl ounce", "fl. oz", "fl oz", "floz"),
    "ounce": ("ounces", "ounce", "oz"),
    "pound": ("pounds", "pound", "lbs", "lb"),
    "kilogram": ("kilograms", "kilogram", "kilos", "kilo", "kg"),
    "gram": ("grams", "gram", "gr", "g"),
    "milliliter": ("millilitres", "milliliters", "millilitre", "milliliter", "ml"),
    "centiliter": ("centilitres", "centiliters", "cl"),
    "deciliter": ("decilitres", "deciliters", "dl"),
    "liter": ("litres", "liters", "litre", "liter", "l"),
    "pint": ("pints", "pint", "pt"),
    "quart": ("quarts", "quart", "qt"),
    "stick": ("sticks", "stick"),
    "packet": ("packets", "packet", "packages", "package", "sachets", "sachet", "envelope", "cubes", "cube"),
    "pinch": ("pinches", "pinch"),
}  # fmt: skip
_UNIT_OF = {word: unit for unit, words in UNITS.items() for word in words}
_UNIT = "|".join(re.escape(word) for word in sorted(_UNIT_OF, key=len, reverse=True))
_NUMBER = r"(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?)"
_AMOUNT = re.compile(
    rf"(?P<first>{_NUMBER}|\ban?\b)\s*(?:(?:-|\u2013|to|or)\s*(?P<second>{_NUMBER})\s*)?"
    rf"(?P<heap>heaped|heaping|rounded|level)?\s*(?P<unit>{_UNIT})\b\.?",
    re.IGNORECASE,
)
_PACKETS = "|".join(re.escape(word) for word in sorted(UNITS["packet"], key=len, reverse=True))
_WEIGHED_PACKET = re.compile(
    rf"(?P<count>{_NUMBER}|\ban?\b)\s*(?:x|\u00d7)?\s*\(?(?P<each>{_NUMBER})[\s-]*(?P<unit>grams?|gr|g|ounces?|oz)\)?\s*(?:{_PACKETS})\b",
    re.IGNORECASE,
)
_PACKETS_EACH = re.compile(
    rf"(?P<count>{_NUMBER})\s*(?:{_PACKETS})\b\s*\(?\s*(?:of\s+)?(?P<each>{_NUMBER})\s*(?P<unit>grams?|gr|g|ounces?|oz)\s*each\)?",
    re.IGNORECASE,
)
"""Packets of a stated weight: two 7 g sachets, a quarter of an 8 g packet, 2 packets (7 g each)."""
_BRACKETS = re.compile(r"\(([^()]*)\)|\[([^\[\]]*)\]")
_NO_LEAVEN = re.compile(r"nutritional|deactivated|brewer", re.IGNORECASE)
_STILL_WHEAT = re.compile(
    r"strong|bread|white|plain|wheat|unbleached|bleached|sifted|organic|fine|all|purpose|ap|cake|pastry|self|raising"
    r"|rising|0+|tipo|type|bakers?|baker's|stone|stoneground|ground|good|quality|more|extra|of|the|an?|your|some|high"
    r"|gluten|protein|hard|soft|winter|spring|or|and|level|heaped|heaping|rounded|enriched|dusting|fortified",
    re.IGNORECASE,
)
"""What may stand before the bare word flour for it to be plain white wheat; another grain's flour is asked about."""
_TEMPERATURE = re.compile(r"\(?\b\d+(?:[.,]\d+)?\s*(?:°|º|degrees)?\s*[CF]\b\)?(?:\s*/\s*\d+\s*°?\s*[CF]\b)?")


@dataclass(frozen=True)
class Reading:
    """A whole recipe as read: lines, percentages over all flour, doubts, and what could not be read."""

    items: tuple[ReadLine, ...]
    percent: dict[str, Grams]
    warnings: tuple[ReadWarning, ...]
    unread: tuple[str, ...]


@cache
def _registry() -> Any:
    import pint

    return pint.UnitRegistry(cache_folder=None)


def warm_up() -> None:
    """Load the units library, which takes a second, before the first recipe is pasted."""
    for unit in ("teaspoon", "fluid_ounce", "ounce", "kilogram", "deciliter", "quart"):
        _registry()(unit)


def _plain(line: str) -> str:
    """Compatibility letters undone: a half sign becomes 1/2, with a space before it if a number stands there."""
    spaced = re.sub(r"(?<=\d)(?=[¼½¾⅐-⅞])", " ", line)
    text = unicodedata.normalize("NFKC", spaced).replace("\u2044", "/")
    return re.sub(r"\s+", " ", text).strip()


def number(text: str) -> float:
    """A written number: 2, 1/2, 3 1/2, 1.5 or 1,5. Raises ValueError for a zero divisor."""
    text = text.strip().lower()
    if text in ("a", "an"):
        return 1.0
    total = 0.0
    for part in re.sub(r"\s*/\s*", "/", text).split(" "):
        if "/" in part:
            above, below = part.split("/")
            if float(below) == 0:
                raise ValueError("zero divisor")
            total += float(above) / float(below)
        else:
            total += float(part.replace(",", "."))
    return total


@cache
def _words() -> tuple[tuple[re.Pattern[str], Measured], ...]:
    """All words for all ingredients, the longest first."""
    pairs = [(word, item) for item in ingredients() for word in item.words]
    pairs.sort(key=lambda pair: -len(pair[0]))
    return tuple((re.compile(rf"\b{re.escape(word)}\b", re.IGNORECASE), item) for word, item in pairs)


def _ingredient(text: str) -> Measured | None:
    """The ingredient a line is about: its longest known word; flour words win where flour is named."""
    names = re.sub(r"\(.*?\)", " ", text)
    if re.search(r"\byeast\b", names, re.IGNORECASE):
        return _yeast(names)
    found = [(pattern, item) for pattern, item in _words() if pattern.search(names)]
    if not found:
        return None
    if found[0][0].pattern.lower() == r"\bflour\b" and not _is_wheat(names):
        return None
    return found[0][1]


def _is_wheat(names: str) -> bool:
    """Whether the bare word flour stands alone, or after words that leave it wheat."""
    before = re.search(r"([^\W\d_][\w'-]*)\s+flour\b", names, re.IGNORECASE)
    words = [] if before is None else before[1].lower().split("-")
    return all(word in _UNIT_OF or _STILL_WHEAT.fullmatch(word) for word in words)


def _yeast(names: str) -> Measured | None:
    """Which yeast, by its words in any order; None for one that raises nothing."""
    if _NO_LEAVEN.search(names):
        return None
    kinds = (
        ("fresh_yeast", r"fresh|cake|compressed|cubes?"),
        ("instant_yeast", r"instant|quick|rapid|fast|easy|machine"),
        ("active_dry_yeast", r"active|dry|dried"),
    )
    kind = next(
        (kind for kind, words in kinds if re.search(rf"\b(?:{words})\b", names, re.IGNORECASE)), "instant_yeast"
    )
    return next(item for item in ingredients() if item.kind == kind)


@dataclass(frozen=True)
class _Amount:
    low: float
    high: float
    unit: str
    heaped: bool
    start: int
    end: int


def _amounts(text: str) -> list[_Amount]:
    """All amounts of a line; packets of a stated weight count as that weight."""
    for packets in (_PACKETS_EACH.search(text), _WEIGHED_PACKET.search(text)):
        if packets:
            grams = number(packets["count"]) * number(packets["each"])
            unit = _UNIT_OF[packets["unit"].lower()]
            return [_Amount(grams, grams, unit, False, packets.start(), packets.end())]
    found = []
    for match in _AMOUNT.finditer(text):
        first = number(match["first"])
        second = number(match["second"]) if match["second"] else first
        heap = (match["heap"] or "").lower() in ("heaped", "heaping", "rounded")
        unit = _UNIT_OF[match["unit"].lower()]
        found.append(_Amount(min(first, second), max(first, second), unit, heap, match.start(), match.end()))
    return found


def _grams(amount: _Amount, item: Measured, habits: Habits) -> Grams:
    """One amount of one ingredient in grams."""
    middle = (amount.low + amount.high) / 2
    three = Grams(amount.low, middle, amount.high)
    if amount.unit == "pinch":
        return Grams(three.low * PINCH_G[0], three.likely * PINCH_G[1], three.high * PINCH_G[2])
    if amount.unit == "stick":
        return three.times(STICK_G)
    if amount.unit == "packet":
        return three.times(PACKET_G.get(item.kind, 7.0))
    if amount.unit == "ounce" and item.role in ("water", "extra") and item.kind in ("water", "milk", "oil", "honey"):
        fluid = _grams(_Amount(amount.low, amount.high, "fluid_ounce", False, 0, 0), item, habits)
        if habits.liquid_ounces == "volume":
            return fluid
        weight = _by_weight(three, "ounce")
        return (
            weight
            if habits.liquid_ounces == "weight"
            else Grams(min(weight.low, fluid.low), weight.likely, max(weight.high, fluid.high))
        )
    if amount.unit in ("ounce", "pound", "gram", "kilogram"):
        return _by_weight(three, amount.unit)
    ml = habits.cup_ml if amount.unit == "cup" else float(_registry()(amount.unit).to("milliliter").magnitude)
    density = grams_per_ml(item, habits)
    heap = HEAPED if amount.heaped else (1.0, 1.0, 1.0)
    return Grams(
        three.low * ml * density.low * heap[0],
        three.likely * ml * density.likely * heap[1],
        three.high * ml * density.high * heap[2],
    )


def _by_weight(three: Grams, unit: str) -> Grams:
    return three.times(float(_registry()(unit).to("gram").magnitude))


def _why(amounts: list[_Amount], item: Measured) -> str:
    units = {amount.unit for amount in amounts}
    if units <= {"gram", "kilogram", "pound"}:
        return "weighed"
    if units <= {"packet", "stick", "pinch"}:
        return "as commonly sold or taken"
    if "ounce" in units:
        return "ounces by weight"
    if item.role == "flour":
        return "a cup of flour holds more or less by how it is filled"
    if item.name == "salt":
        return "salts differ twofold by grain: say which"
    return "from its volume"


def read_line(line: str, habits: Habits) -> ReadLine | None:
    """One line, or None if no amount and ingredient can be made out. A weight in brackets wins over a volume."""
    text = in_figures(_TEMPERATURE.sub(" ", _plain(line)), _UNIT)
    item = _ingredient(text)
    amounts = _amounts(text)
    if item is None or not amounts or _part_of_something_else(text, amounts):
        return None
    weighed = _that_win(text, amounts)
    if weighed:
        amounts = weighed
    elif (
        len(amounts) > 1
        and {amounts[0].unit, amounts[1].unit} != {"pound", "ounce"}
        and not re.search(r"\bplus\b|\+|\band\b", text[amounts[0].end : amounts[1].start])
    ):
        amounts = amounts[:1]
    total = Grams(0, 0, 0)
    for amount in amounts:
        total = total.plus(_grams(amount, item, habits))
    if total.high <= 0 or total.high > 100_000:
        return None
    return ReadLine(line.strip(), item.name, item.role, item.kind, total, _why(amounts, item))


_FRACTION = re.compile(r"\b\d\.\d{4}\b|\b\d+\s*/\s*\d+\s+of\b")


def _part_of_something_else(text: str, amounts: list[_Amount]) -> bool:
    """Whether the line has a fraction that belongs to none of its amounts: what it is of, only the baker can say."""
    return any(
        not any(amount.start <= match.start() < amount.end for amount in amounts) for match in _FRACTION.finditer(text)
    )


_WEIGHTS = ("gram", "kilogram", "ounce", "pound")


def _that_win(text: str, amounts: list[_Amount]) -> list[_Amount]:
    """The weights that win over the volumes beside them: metric ones anywhere, any in brackets; empty if none does."""
    if all(amount.unit in ("gram", "kilogram") for amount in amounts):
        return []
    metric = [amount for amount in amounts if amount.unit in ("gram", "kilogram")]
    if metric:
        added = [one for one in metric[1:] if re.search(r"\bplus\b|\+", text[metric[0].end : one.start])]
        return [metric[0], *added]
    spans = [match.span() for match in _BRACKETS.finditer(text)]
    inside = [
        amount
        for amount in amounts
        if amount.unit in _WEIGHTS and any(start <= amount.start < end for start, end in spans)
    ]
    return inside if len(inside) < len(amounts) else []


def _percentages(items: tuple[ReadLine, ...]) -> dict[str, Grams]:
    """Hydration, salt and yeast (as instant) over all flour, each at its lowest, likely and highest."""
    flour, water, salt, yeast = (Grams(0, 0, 0) for _ in range(4))
    for item in items:
        if item.role == "flour":
            flour = flour.plus(item.g)
        elif item.role == "levain":
            flour, water = flour.plus(item.g.times(0.5)), water.plus(item.g.times(0.5))
        elif item.role == "water":
            water = water.plus(item.g)
        elif item.role == "salt":
            salt = salt.plus(item.g)
        elif item.role == "yeast":
            yeast = yeast.plus(item.g.times(YEAST_AS_INSTANT[_YEAST_KINDS[item.kind]]))
        elif item.kind in ("milk", "butter", "honey"):
            water = water.plus(item.g.times({"milk": 0.88, "butter": 0.15, "honey": 0.17}[item.kind]))
    if flour.low <= 0:
        return {}

    def over(part: Grams) -> Grams:
        return Grams(100 * part.low / flour.high, 100 * part.likely / flour.likely, 100 * part.high / flour.low)

    return {"hydration": over(water), "salt": over(salt), "yeast": over(yeast)}


MUCH_YEAST_PERCENT = 2.5
"""More yeast than this (as instant) is likely misread (practice)."""


def _warnings(items: tuple[ReadLine, ...], percent: dict[str, Grams], habits: Habits) -> tuple[ReadWarning, ...]:
    found: list[ReadWarning] = []
    if not percent:
        found.append(ReadWarning("no_flour", "No sure amount of flour was read, so there are no percentages."))
        return tuple(found)
    hydration, salt = percent["hydration"], percent["salt"]
    if hydration.high - hydration.low > 8:
        wide = f"The water could be anything from {hydration.low:.0f} to {hydration.high:.0f} %"
        found.append(ReadWarning("cups", f"{wide}: weigh the flour once, and keep the grams."))
    if salt.likely > 2.5:
        found.append(
            ReadWarning("salt_high", f"Salt comes to {salt.likely:.1f} %: usual is 1.8 to 2.2 %. Check spoon and salt.")
        )
    elif 0 < salt.likely < 1.5:
        found.append(
            ReadWarning("salt_low", f"Salt comes to {salt.likely:.1f} %: usual is 1.8 to 2.2 %. Check spoon and salt.")
        )
    elif salt.likely == 0:
        found.append(
            ReadWarning("no_salt", "No salt was read. Without it the dough rises a fifth faster and tastes flat.")
        )
    if percent["yeast"].likely > MUCH_YEAST_PERCENT:
        much = f"Yeast comes to {percent['yeast'].likely:.1f} % (as instant): usual is under 2 %. Check what was read."
        found.append(ReadWarning("yeast_high", much))
    liquid_oz = [
        item
        for item in items
        if re.search(r"\boz\b|ounce", item.text, re.I) and item.kind in ("water", "milk", "oil", "honey")
    ]
    plain = [item for item in liquid_oz if not re.search(r"\bfl\b|fluid", item.text, re.I)]
    if plain and habits.liquid_ounces == "ask":
        found.append(
            ReadWarning("ounces", "Ounces of a liquid: by weight or by volume? Say which; the range holds both.")
        )
    if any(item.ingredient == "salt" and item.why != "weighed" for item in items) and habits.salt == "unknown":
        found.append(ReadWarning("which_salt", "A spoon of which salt? Table, fine sea and flaky salt differ twofold."))
    return tuple(found)


def read_recipe(lines: tuple[str, ...], habits: Habits | None = None) -> Reading:
    """Read a recipe's lines. Blank lines are skipped; what cannot be read is given back as it was.

    Raises CraftError for more than 80 lines, lines over 200 letters, or a cup of no known size.
    """
    habits = habits or Habits()
    if len(lines) > MOST_LINES:
        raise CraftError("lines", "interchange-recipe-lines", most_lines=MOST_LINES)
    if not 200 <= habits.cup_ml <= 300:
        raise CraftError("cup_ml", "interchange-cup-size")
    items: list[ReadLine] = []
    unread: list[str] = []
    stated: float | None = None
    for index, line in enumerate(lines):
        if len(line) > LONGEST_LINE:
            raise CraftError(f"lines.{index}", "interchange-recipe-line-length", longest_line=LONGEST_LINE)
        if not line.strip():
            continue
        said = stated_g(_plain(line))
        if said is not None:
            stated = said
            continue
        try:
            found = read_line(line, habits)
        except (ValueError, OverflowError):
            found = None
        if found:
            items.append(found)
        else:
            unread.append(line.strip())
    percent = _percentages(tuple(items))
    warnings = _warnings(tuple(items), percent, habits)
    if stated is not None and items and (odd := doubt(stated, _sum(items))):
        warnings = (*warnings, ReadWarning("sum", odd))
    return Reading(tuple(items), percent, warnings, tuple(unread))


def _sum(items: list[ReadLine]) -> Grams:
    whole = Grams(0, 0, 0)
    for item in items:
        whole = whole.plus(item.g)
    return whole


def formula_of(reading: Reading, name: str) -> Formula:
    """A formula from the likely grams of a reading: one piece of all the dough, levain and yeast kept as they are.

    Raises CraftError, naming the field, if no bread formula comes of it.
    """
    grams = {role: [item for item in reading.items if item.role == role] for role in _ROLES}
    levain = sum(item.g.likely for item in grams["levain"])
    flour = sum(item.g.likely for item in grams["flour"]) + levain / 2
    if not reading.percent or not grams["flour"]:
        raise CraftError("lines", "interchange-recipe-no-flour")

    def percent(mass: float) -> float:
        return round(100 * mass / flour, 2)

    by_kind: dict[str, float] = {}
    for item in grams["flour"]:
        by_kind[item.kind] = by_kind.get(item.kind, 0) + item.g.likely
    main = max(by_kind, key=lambda kind: by_kind[kind])
    by_kind[main] += levain / 2
    shares = {kind: percent(mass) for kind, mass in by_kind.items()}
    shares[main] = round(shares[main] + 100 - sum(shares.values()), 2)
    mass = sum(item.g.likely for item in reading.items)
    named = {item.kind: item.ingredient for item in grams["flour"]}
    yeasts = {_YEAST_KINDS[item.kind] for item in grams["yeast"]}
    kind_of_yeast = yeasts.pop() if len(yeasts) == 1 else "instant"
    formula = Formula(
        name=name.strip() or "A written recipe",
        flours=tuple(FlourShare(kind, share, _own_name(kind, named[kind])) for kind, share in shares.items()),
        hydration_percent=round(reading.percent["hydration"].likely, 1),
        salt_percent=round(reading.percent["salt"].likely, 2),
        shape="boule",
        extras=tuple(
            Extra(item.ingredient.capitalize(), _extra_kind(item), percent(item.g.likely)) for item in grams["extra"]
        ),
        preferments=(Preferment("levain", main, percent(levain / 2), 100),) if levain else (),
        yeast_percent=round(reading.percent["yeast"].likely / YEAST_AS_INSTANT[kind_of_yeast], 2),
        yeast_kind=kind_of_yeast,
        scaling_weight_g=round(min(max(mass * 0.99, 30), 5000)),
        pieces=1,
        dough_c=25.0,
        autolyse_min=0,
        note="From a written recipe; the likely weights were taken.",
    )
    check(formula)
    return formula


_YEAST_KINDS: dict[str, YeastKind] = {
    "instant_yeast": "instant", "active_dry_yeast": "active_dry", "fresh_yeast": "fresh",
}  # fmt: skip


def _own_name(kind: str, ingredient: str) -> MyFlour | None:
    """A flour that the table only knows as one of many keeps the name that the recipe gave it."""
    if kind not in ("gluten_free", "other"):
        return None
    return MyFlour(f"read-{ingredient.replace(' ', '-')}", ingredient.capitalize(), kind)


_ROLES = ("flour", "water", "salt", "yeast", "levain", "extra")


def _extra_kind(item: ReadLine) -> ExtraKind:
    kinds: tuple[ExtraKind, ...] = ("sugar", "honey", "oil", "butter", "milk", "malt", "seeds")
    return next((kind for kind in kinds if kind == item.kind), "other")
