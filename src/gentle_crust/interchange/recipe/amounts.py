"""Grams of what a recipe says otherwise: per loaf or litre, in percent, to taste, by feel, or not at all."""

import re
from dataclasses import replace

from gentle_crust.core.formula.measures import Grams, ingredients
from gentle_crust.core.formula.model import share_in
from gentle_crust.core.messages import message
from gentle_crust.core.tables import numbers
from gentle_crust.interchange.recipe.gathered import ASIDE_STAGE, Gathered

UNSAID_G = Grams(0, 8, 40)
"""What is put on or under a loaf when no weight is said (practice)."""
TASTE_PERCENT = (1.6, 2.0, 2.2)
"""Salt "to taste", percent of all flour (practice)."""
FEEL_POINTS = 6.0
"""By how much the water of a dough by feel may lie off what its flour usually carries, percent of flour (practice)."""
MUCH_DRY_YEAST_PERCENT = 2.0
"""Yeast of no said kind, percent of all flour, beyond which it can only be fresh yeast (practice)."""
_YEAST_KIND = re.compile(
    r"fresh|cake|compressed|cube|instant|quick|rapid|fast|easy|machine|active|dry|dried|sachet|packet|pack|teaspoon|tsp|tbsp"
    r"|tablespoon",
    re.IGNORECASE,
)
PERCENT_FLOUR_G = 1000.0
"""Flour for which a formula in percent is reckoned when no weight is said."""


def scaled(found: Gathered, pieces: int | None, piece_g: float | None) -> None:
    """Grams of what is said per loaf, per litre of water, in percent, to taste or by feel."""
    _per(found, pieces)
    _percents(found, pieces, piece_g)
    _by_feel(found)
    flour = _flour(found)
    _which_yeast(found, flour.likely)
    for place, entry in enumerate(found.entries):
        one = entry.mention
        if one.taste and one.g is None and one.item.role == "salt":
            low, likely, high = (each / 100 for each in TASTE_PERCENT)
            g = Grams(flour.low * low, flour.likely * likely, flour.high * high)
            found.entries[place] = replace(entry, mention=replace(one, g=g, why=message("recipe-why-taste")))
        elif one.g is None and (one.aside or one.taste):
            found.entries[place] = replace(
                entry,
                mention=replace(one, g=UNSAID_G, why=message("recipe-why-unsaid")),
                stage=ASIDE_STAGE if one.aside else entry.stage,
            )
        elif one.optional and one.g is not None:
            found.entries[place] = replace(entry, mention=replace(one, g=Grams(0, one.g.likely, one.g.high)))
    found.entries = [entry for entry in found.entries if entry.mention.g is not None]


def _which_yeast(found: Gathered, flour_g: float) -> None:
    """Yeast of no said kind that would be too much as dry yeast is fresh yeast, as old recipes mean it; it is asked."""
    fresh = next(item for item in ingredients() if item.kind == "fresh_yeast")
    for place, entry in enumerate(found.entries):
        one = entry.mention
        bare = one.item.role == "yeast" and one.g is not None and flour_g > 0 and not _YEAST_KIND.search(one.text)
        if bare and one.g is not None and 100 * one.g.likely / flour_g > MUCH_DRY_YEAST_PERCENT:
            known = replace(one, item=fresh, doubts=(*one.doubts, "which_yeast"))
            found.entries[place] = replace(entry, mention=known)


def _flour(found: Gathered) -> Grams:
    total = Grams(0, 0, 0)
    for entry in found.entries:
        if entry.mention.item.role == "flour" and entry.mention.g is not None and not entry.mention.aside:
            total = total.plus(entry.mention.g)
    return total


def _per(found: Gathered, pieces: int | None) -> None:
    litres = sum(
        entry.mention.g.likely / 1000
        for entry in found.entries
        if entry.mention.item.role == "water" and entry.mention.g is not None
    )
    for place, entry in enumerate(found.entries):
        one = entry.mention
        times = (pieces or 1) if one.per == "loaf" else litres if one.per == "litre" else 1
        if times != 1 and one.g is not None:
            found.entries[place] = replace(entry, mention=replace(one, g=one.g.times(times)))


def _percents(found: Gathered, pieces: int | None, piece_g: float | None) -> None:
    shares = [entry for entry in found.entries if entry.mention.percent is not None and entry.mention.g is None]
    if not shares:
        return
    flour = _flour(found).likely
    if flour <= 0 and not any(entry.mention.item.role == "flour" for entry in shares):
        return
    whole = sum(sum(entry.mention.percent or (0, 0)) / 2 for entry in shares) / 100
    stated = pieces * piece_g if pieces and piece_g else piece_g
    flour = flour or found.base_flour_g or (stated / whole if stated and whole else PERCENT_FLOUR_G)
    for place, entry in enumerate(found.entries):
        share = entry.mention.percent
        if share is not None and entry.mention.g is None:
            low, high = (each / 100 * flour for each in share)
            found.entries[place] = replace(entry, mention=replace(entry.mention, g=Grams(low, (low + high) / 2, high)))


def _by_feel(found: Gathered) -> None:
    """Water or flour of which no weight is said: by what the flour usually carries."""
    carries = numbers("flours", "kind", "absorption_percent")

    def grams(role: str) -> float:
        return sum(e.mention.g.likely for e in found.entries if e.mention.item.role == role and e.mention.g is not None)

    for place, entry in enumerate(found.entries):
        one = entry.mention
        if one.g is not None or not one.feel:
            continue
        if one.item.role == "flour":
            share = carries[one.item.kind]
            wet = grams("water")
            g = Grams(100 * wet / (share + FEEL_POINTS), 100 * wet / share, 100 * wet / (share - FEEL_POINTS))
        elif one.item.role == "water":
            flours = [e.mention for e in found.entries if e.mention.item.role == "flour" and e.mention.g is not None]
            flour = sum(each.g.likely for each in flours if each.g) or 1.0
            share = sum(carries[each.item.kind] * each.g.likely for each in flours if each.g) / flour
            milk = sum(e.mention.g.likely for e in found.entries if e.mention.item.kind == "milk" and e.mention.g)
            wet = [
                max((share + d) / 100 * flour - share_in("milk", "water") * milk, 0)
                for d in (-FEEL_POINTS, 0.0, FEEL_POINTS)
            ]  # type: ignore[assignment]
            g = Grams(*wet)  # type: ignore[misc]
        else:
            continue
        if g.likely > 0:
            found.entries[place] = replace(entry, mention=replace(one, g=g, why=message("recipe-why-feel")))
