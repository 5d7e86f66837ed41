"""Which ingredient a text is about, by its longest known word."""

import re
from functools import cache

from gentle_crust.core.formula.measures import Measured, ingredients
from gentle_crust.interchange.recipe.figures import SIZES, UNITS

_NO_LEAVEN = re.compile(r"nutritional|deactivated|brewer", re.IGNORECASE)
_STILL_WHEAT = re.compile(
    r"strong|bread|white|plain|wheat|unbleached|bleached|sifted|organic|fine|all|purpose|ap|cake|pastry|self|raising"
    r"|rising|0+|tipo|type|bakers?|baker's|stone|stoneground|ground|good|quality|more|extra|of|the|an?|your|some|high"
    r"|gluten|protein|hard|soft|winter|spring|or|and|dusting|fortified|enriched|with|enough|add|added|rest|remaining"
    r"|mix|stir|in|all-purpose|same|other|total|each|with|to|until|pure|both|this|that|for|on|over|into|cups?|extra-fine",
    re.IGNORECASE,
)
"""What may stand before the bare word flour for it to be plain white wheat; another grain's flour is asked about."""
_WORDS_OF_UNITS = frozenset(word for words in UNITS.values() for word in words) | frozenset(SIZES)
_PURPOSE = re.compile(r"\b(?:for|to)\s+(?:the|a|an|your)?\s*\w+(?:\s+and\s+\w+)?", re.IGNORECASE)
_PER_LITRE = re.compile(
    r"\b(?:per|for (?:a|each|every)|to (?:a|the|each))\s+(?:1\s+)?(?:litre|liter|l)\b(?:\s+of water)?", re.IGNORECASE
)
_OF_FLOUR = re.compile(r"%\s*(?:of|on)\s+(?:all\s+|the\s+|total\s+)*flour\b", re.IGNORECASE)
_YEASTS = (
    ("fresh_yeast", r"fresh|cake|compressed|cubes?"),
    ("instant_yeast", r"instant|quick|rapid|fast|easy|machine"),
    ("active_dry_yeast", r"active|dry|dried"),
)
_NOT_THAT = re.compile(
    r"\b(?:honey(?:comb)|water\s?(?:bath|proof)|flour(?:ed|y)|salt(?:ed|y)|butter(?:ed|y)|oil(?:ed|y)|egg ?sized|"
    r"oven|seed(?:ed|y)|malt(?:ed|y)(?!\s+wheat\s+flakes)|sugar(?:ed|y)|milky|winey|rye bread|starter kit|"
    r"bowl of (?:hot |boiling )?water|pan of (?:hot |boiling )?water|tray of (?:hot |boiling )?water|damp|"
    r"wet hands?|floured|water on the|cold water bath)\b",
    re.IGNORECASE,
)


@cache
def _words() -> tuple[re.Pattern[str], dict[str, Measured]]:
    """A pattern of all words for all ingredients, the longest first, and what each is."""
    by_word = {word.lower(): item for item in ingredients() for word in item.words}
    longest = sorted(by_word, key=len, reverse=True)
    pattern = "|".join(re.escape(word).replace(r"\ ", r"\s+").replace(r"\-", r"[\s-]") for word in longest)
    return re.compile(rf"\b(?P<word>{pattern})s?\b", re.IGNORECASE), by_word


def _known(word: str) -> Measured:
    pattern = re.sub(r"\s+", " ", word.lower())
    by_word = _words()[1]
    found = by_word.get(pattern) or next(
        item for each, item in by_word.items() if each.replace("-", " ") == pattern.replace("-", " ")
    )
    return found


def named_in(text: str) -> tuple[tuple[str, Measured], ...]:
    """Every ingredient that a text names, in its order, each with the word it is named by."""
    plain = _NOT_THAT.sub(lambda match: " " * len(match[0]), text)
    found = []
    for match in _words()[0].finditer(plain):
        item = _known(match["word"])
        if item.role == "yeast":
            yeast = yeast_in(text)
            if yeast is None:
                continue
            item = yeast
        elif match["word"].lower() == "flour" and not _is_wheat(plain[: match.end("word")]):
            continue
        found.append((match["word"], item))
    return tuple(found)


def ingredient_of(text: str) -> tuple[str, Measured] | None:
    """The one ingredient that a line is about, with its word; flour and yeast win where they are named."""
    text = _OF_FLOUR.sub(lambda match: " " * len(match[0]), text)
    names = re.sub(r"\(.*?\)", " ", text)
    names = names if _words()[0].search(names) else text
    names = _PER_LITRE.sub(lambda match: " " * len(match[0]), names)
    aim = _PURPOSE.sub(lambda match: " " * len(match[0]), names)
    names = aim if _words()[0].search(aim) or re.match(r"\s*(?:plus\s+|and\s+|about\s+)?\d", text) else names
    if re.search(r"\byeast\b", names, re.IGNORECASE):
        yeast = yeast_in(names)
        return None if yeast is None else ("yeast", yeast)
    found = named_in(names)
    if not found:
        return None
    return max(found, key=lambda each: (each[0].lower() != "flour", len(each[0]), each[1].role == "flour"))


def yeast_in(text: str) -> Measured | None:
    """Which yeast a text names, by its words in any order; None for one that raises nothing."""
    if _NO_LEAVEN.search(text):
        return None
    kind = next(
        (kind for kind, words in _YEASTS if re.search(rf"\b(?:{words})\b", text, re.IGNORECASE)), "instant_yeast"
    )
    return next(item for item in ingredients() if item.kind == kind)


def _is_wheat(names: str) -> bool:
    """Whether the bare word flour at the end of ``names`` stands alone, or after words that leave it wheat."""
    before = re.search(r"([^\W\d_][\w'-]*)\s+flour$", names, re.IGNORECASE)
    words = [] if before is None else before[1].lower().split("-")
    return all(word in _WORDS_OF_UNITS or _STILL_WHEAT.fullmatch(word) for word in words)
