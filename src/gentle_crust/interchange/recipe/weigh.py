"""Reads the lines of a written recipe into grams with their uncertainty, and their shares of the flour."""

import re

from gentle_crust.contract.recipe import Reading, ReadLine, ReadWarning
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.measures import Grams, Habits
from gentle_crust.core.formula.model import YEAST_AS_INSTANT, YeastKind, share_in
from gentle_crust.core.messages import Message, message
from gentle_crust.interchange.recipe.figures import plain
from gentle_crust.interchange.recipe.lines import NONE, Mention, line_of, mentions, warm_up
from gentle_crust.interchange.recipe.stated_sum import doubt, stated_g

__all__ = ["percentages", "read_line", "read_recipe", "warm_up", "warnings"]
MOST_LINES, LONGEST_LINE = 80, 200
MUCH_YEAST_PERCENT = 2.5
"""More yeast than this (as instant) is likely misread (practice)."""
SALT_PERCENT = (1.0, 3.0)
"""Salt outside these is likely misread (practice)."""
YEAST_KINDS: dict[str, YeastKind] = {
    "instant_yeast": "instant", "active_dry_yeast": "active_dry", "fresh_yeast": "fresh",
}  # fmt: skip


def read_line(line: str, habits: Habits) -> ReadLine | None:
    """One line, or None if no amount and ingredient can be made out. A weight in brackets wins over a volume."""
    try:
        found = [each for each in mentions(line_of(line), habits) if each.g is not None]
    except (ValueError, OverflowError):
        return None
    return weighed(found[0], line.strip()) if found else None


def weighed(found: Mention, text: str) -> ReadLine:
    """A mention with its grams, as a line."""
    return ReadLine(text, called(found), found.item.role, found.item.kind, found.weight, found.why)


def called(found: Mention) -> str:
    """What the recipe calls it: flours, salts and yeasts by the table's name, everything else by its own word."""
    return found.word.lower() if found.item.role == "extra" else found.item.name


def percentages(items: tuple[ReadLine, ...]) -> dict[str, Grams]:
    """Hydration, salt and yeast (as instant) over all flour, each at its lowest, likely and highest; extras' counted."""
    flour, water, salt, yeast = NONE, NONE, NONE, NONE
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
            yeast = yeast.plus(item.g.times(YEAST_AS_INSTANT[YEAST_KINDS[item.kind]]))
        elif item.role == "extra":
            water = water.plus(item.g.times(share_in(item.kind, "water")))
            salt = salt.plus(item.g.times(share_in(item.kind, "salt")))
    if flour.low <= 0:
        return {}

    def over(part: Grams) -> Grams:
        return Grams(100 * part.low / flour.high, 100 * part.likely / flour.likely, 100 * part.high / flour.low)

    return {"hydration": over(water), "salt": over(salt), "yeast": over(yeast)}


def warnings(items: tuple[ReadLine, ...], percent: dict[str, Grams], habits: Habits) -> tuple[ReadWarning, ...]:
    """What is odd in what was read, each with what to do about it."""
    if not percent:
        return (ReadWarning("no_flour", message("recipe-no-flour")),)
    found = []
    hydration, salt = percent["hydration"], percent["salt"]
    by_volume = any(item.why.code in ("recipe-why-cup", "recipe-why-volume") for item in items)
    if hydration.high - hydration.low > 8 and by_volume:
        found.append(ReadWarning("cups", message("recipe-wide", low=hydration.low, high=hydration.high)))
    low, high = SALT_PERCENT
    if salt.likely == 0:
        found.append(ReadWarning("no_salt", message("recipe-no-salt")))
    elif not low <= salt.likely <= high:
        code = "salt_high" if salt.likely > high else "salt_low"
        found.append(ReadWarning(code, message("recipe-odd-salt", percent=salt.likely)))
    if percent["yeast"].likely > MUCH_YEAST_PERCENT:
        found.append(ReadWarning("yeast_high", message("recipe-much-yeast", percent=percent["yeast"].likely)))
    if habits.liquid_ounces == "ask" and any(_liquid_ounces(item) for item in items):
        found.append(ReadWarning("ounces", message("recipe-which-ounces")))
    if any(item.ingredient == "salt" and item.why.code == "recipe-why-salt" for item in items) and (
        habits.salt == "unknown"
    ):
        found.append(ReadWarning("which_salt", message("recipe-which-salt")))
    return tuple(found)


def _liquid_ounces(item: ReadLine) -> bool:
    """Whether a liquid is given in ounces that may be of weight or of volume."""
    wet = item.role == "water" or item.kind in ("milk", "oil", "honey", "beer", "cider", "cream", "juice")
    said = re.search(r"\boz\b|ounce", item.text, re.I) is not None and item.g.low < item.g.high
    return wet and said and not re.search(r"\bfl\b|fluid", item.text, re.I)


def checked(lines: tuple[str, ...], habits: Habits) -> None:
    """Raise CraftError for more than 80 lines, lines over 200 letters, or a cup of no known size."""
    if len(lines) > MOST_LINES:
        raise CraftError("lines", "interchange-recipe-lines", most_lines=MOST_LINES)
    if not 200 <= habits.cup_ml <= 300:
        raise CraftError("cup_ml", "interchange-cup-size")
    for index, line in enumerate(lines):
        if len(line) > LONGEST_LINE:
            raise CraftError(f"lines.{index}", "interchange-recipe-line-length", longest_line=LONGEST_LINE)


def read_recipe(lines: tuple[str, ...], habits: Habits | None = None) -> Reading:
    """Read a recipe's ingredient lines. Blank lines are skipped; what cannot be read is given back as it was.

    Raises CraftError for more than 80 lines, lines over 200 letters, or a cup of no known size.
    """
    habits = habits or Habits()
    checked(lines, habits)
    items: list[ReadLine] = []
    unread: list[str] = []
    stated: float | None = None
    for line in lines:
        if not line.strip():
            continue
        said = stated_g(plain(line))
        if said is not None:
            stated = said
            continue
        try:
            found = [each for each in mentions(line_of(line), habits) if each.g is not None]
        except (ValueError, OverflowError):
            found = []
        items += [weighed(each, line.strip() if len(found) == 1 else each.text) for each in found]
        if not found:
            unread.append(line.strip())
    percent = percentages(tuple(items))
    told = warnings(tuple(items), percent, habits)
    odd = None if stated is None or not items else sum_doubt(stated, [item.g for item in items])
    return Reading(tuple(items), percent, told if odd is None else (*told, ReadWarning("sum", odd)), tuple(unread))


def sum_doubt(stated: float, masses: list[Grams]) -> Message | None:
    """What to say if the lines cannot add up to what the recipe says its dough weighs; None if they can."""
    whole = NONE
    for each in masses:
        whole = whole.plus(each)
    return doubt(stated, whole)
