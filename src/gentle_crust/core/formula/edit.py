"""Changing a formula from either side: percents, grams, shares of the dough, and what is locked meanwhile."""

import math
from dataclasses import dataclass, replace
from typing import Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, Infeasible, within
from gentle_crust.core.formula.model import Extra, FlourShare, Formula, Preferment, brought_by, share_in
from gentle_crust.core.formula.scaling import BOWL_LOSS, total_percent
from gentle_crust.core.messages import message

LockKind = Literal["pieces", "dough", "count", "flour", "bag", "tin", "round"]
TIN_G_PER_ML = 0.48
"""Lean dough for a tin, g per ml of its volume: 0.40 to 0.55 is usual (practice)."""
TIN_SLOPES = 0.94
"""A tin's volume over its length, width and height at the rim: its walls slope (practice)."""
OPENED_G_PER_ML = 1.05
"""Dough that was opened by hand, g per ml: most of its gas is out of it (practice)."""


@dataclass(frozen=True)
class Lock:
    """What stays as it is while a formula changes.

    ``pieces``: pieces x scaling weight, as in the formula. ``dough``: ``g`` of dough, and the formula's pieces.
    ``flour``: ``g`` of all flour. ``bag``: the ``g`` of flour ``flour_key`` that are left are used up.
    ``count``: ``g`` of dough in pieces of about the formula's weight: as many as that makes.
    ``tin``: the formula's pieces, each ``g_per_ml`` of a tin of ``tin_ml``, or of ``tin_cm`` if its length, width and
    height are given. ``round``: each opened to ``diameter_cm`` and ``thickness_mm``.
    """

    kind: LockKind = "pieces"
    g: float = 0.0
    flour_key: str = ""
    tin_ml: float = 0.0
    g_per_ml: float = TIN_G_PER_ML
    tin_cm: tuple[float, float, float] | None = None
    diameter_cm: float = 30.0
    thickness_mm: float = 0.0

    @property
    def volume_ml(self) -> float:
        """What its tin holds, ml."""
        if self.tin_cm is None:
            return self.tin_ml
        length, width, height = self.tin_cm
        return length * width * height * TIN_SLOPES


def opened_g(diameter_cm: float, thickness_mm: float) -> float:
    """What a round weighs, g, that is opened so wide (cm) and is so thick in the mean (mm)."""
    return math.pi / 4 * diameter_cm**2 * thickness_mm / 10 * OPENED_G_PER_ML


def opened_mm(grams: float, diameter_cm: float) -> float:
    """How thick a round of ``grams`` is in the mean, mm, if it is opened so wide (cm)."""
    return grams / opened_g(diameter_cm, 1.0)


def settled(formula: Formula, lock: Lock) -> Formula:
    """``formula`` with the scaling weight that ``lock`` gives its pieces.

    Raises CraftError, naming the lock's field, if the lock cannot be kept with pieces of 30 to 5000 g.
    """
    if lock.kind == "pieces":
        return formula
    if lock.kind == "count":
        formula = replace(formula, pieces=_pieces(formula, lock))
    weight = _piece_g(formula, lock)
    if not 30 <= weight <= 5000:
        raise CraftError(
            f"lock.{FIELD_OF.get(lock.kind, 'g')}",
            "formula-piece-weight",
            pieces=formula.pieces,
            weight=weight,
        )
    return replace(formula, scaling_weight_g=weight)


FIELD_OF = {"tin": "tin_ml", "round": "thickness_mm"}
"""Which of a lock's fields is to blame for a piece that is too light or too heavy."""


def _pieces(formula: Formula, lock: Lock) -> int:
    """How many pieces of about the formula's weight the locked dough makes."""
    within("lock.g", limits.LOCKED_G, lock.g)
    return max(round(lock.g * (1 - BOWL_LOSS) / formula.scaling_weight_g), 1)


def _piece_g(formula: Formula, lock: Lock) -> float:
    within("pieces", limits.PIECES, formula.pieces)
    if lock.kind == "tin":
        for cm in lock.tin_cm or ():
            within("lock.tin_cm", limits.TIN_CM, cm)
        within("lock.tin_ml", limits.TIN_ML, lock.volume_ml)
        within("lock.g_per_ml", limits.TIN_G_PER_ML, lock.g_per_ml)
        return lock.volume_ml * lock.g_per_ml
    if lock.kind == "round":
        within("lock.diameter_cm", limits.DIAMETER_CM, lock.diameter_cm)
        within("lock.thickness_mm", limits.THICKNESS_MM, lock.thickness_mm)
        return opened_g(lock.diameter_cm, lock.thickness_mm)
    within("lock.g", limits.LOCKED_G, lock.g)
    if lock.kind in ("dough", "count"):
        return lock.g * (1 - BOWL_LOSS) / formula.pieces
    flour = lock.g
    if lock.kind == "bag":
        share = formula.flour(lock.flour_key)
        if share is None or share.percent <= 0:
            raise CraftError("lock.flour_key", "formula-bag-not-used")
        flour = lock.g / (share.percent / 100)
    return flour * total_percent(formula) / 100 * (1 - BOWL_LOSS) / formula.pieces


def flour_g(formula: Formula) -> float:
    """All the flour of a formula's own batch."""
    dough = formula.pieces * formula.scaling_weight_g / (1 - BOWL_LOSS)
    return dough / (total_percent(formula) / 100)


def set_grams(formula: Formula, lock: Lock, line: str, grams: float) -> Formula:
    """``formula`` with ``grams`` of one of its lines in the whole batch, the lock kept.

    ``line`` is flours.N, water, salt, yeast, extras.N, soakers.N.extras.N or preferments.N (its whole mass).
    With the flour locked, the line's percent is its grams over that flour; with the dough locked, the others
    make room, their percents among themselves unchanged. Raises CraftError naming the line.
    """
    within(line, limits.INGREDIENT_G, grams, message("limit-weight"))
    formula = settled(formula, lock)
    if line.startswith("preferments."):
        index = _index(line, len(formula.preferments))
        one = formula.preferments[index]
        own = 1 + (one.hydration_percent + one.yeast_percent + one.salt_percent) / 100
        return settled(_with_preferment(formula, index, 100 * grams / own / flour_g(formula)), lock)
    if line.startswith("flours."):
        return _set_flour_grams(formula, lock, _index(line, len(formula.flours)), grams)
    flour = flour_g(formula)
    if lock.kind not in ("flour", "bag"):
        part = _adds(formula, line)
        others = total_percent(formula) - part * _percent_of(formula, line)
        dough = flour * total_percent(formula) / 100
        if grams >= 0.9 * dough:
            raise CraftError(line, "formula-ingredient-nearly-all", grams=grams, dough=dough)
        flour = 100 * (dough - part * grams) / others
    return settled(set_percent(formula, line, 100 * grams / flour), lock)


def set_share(formula: Formula, lock: Lock, line: str, share: float) -> Formula:
    """``formula`` with one line at ``share`` (0-1) of the whole dough; otherwise as :func:`set_grams`."""
    within(line, limits.SHARE_OF_DOUGH, share)
    formula = settled(formula, lock)
    if line.startswith("flours."):
        percent = share * total_percent(formula)
        return settled(_with_flour(formula, _index(line, len(formula.flours)), percent), lock)
    part = _adds(formula, line)
    others = total_percent(formula) - part * _percent_of(formula, line)
    return settled(set_percent(formula, line, others * share / (1 - part * share)), lock)


def set_percent(formula: Formula, line: str, percent: float) -> Formula:
    """``formula`` with one line's percent of all flour; ``water`` is the poured water of all stages."""
    if line == "water":
        return replace(formula, hydration_percent=percent + brought_by(formula.all_extras, "water"))
    if line == "salt":
        return replace(formula, salt_percent=percent)
    if line == "yeast":
        return replace(formula, yeast_percent=percent)
    if line.startswith("extras."):
        place = _index(line, len(formula.extras))
        return replace(formula, extras=_at(formula.extras, place, percent))
    if line.startswith("soakers."):
        _, number, _, place_ = line.split(".")
        index, place = int(number), int(place_)
        soaker = formula.soakers[index]
        changed = replace(soaker, extras=_at(soaker.extras, place, percent))
        return replace(formula, soakers=(*formula.soakers[:index], changed, *formula.soakers[index + 1 :]))
    raise _unknown(line)


def _percent_of(formula: Formula, line: str) -> float:
    if line == "water":
        return formula.hydration_percent - brought_by(formula.all_extras, "water")
    if line in ("salt", "yeast"):
        return float(getattr(formula, f"{line}_percent"))
    if line.startswith("extras."):
        return formula.extras[_index(line, len(formula.extras))].percent
    if line.startswith("soakers.") and line.count(".") == 3:
        _, number, _, place = line.split(".")
        if number.isdigit() and place.isdigit() and int(number) < len(formula.soakers):
            soaked = formula.soakers[int(number)].extras
            if int(place) < len(soaked):
                return soaked[int(place)].percent
    raise _unknown(line)


def _adds(formula: Formula, line: str) -> float:
    """What one percent more of a line adds to the dough: less than one if it brings water that is then not poured."""
    if line.startswith("extras."):
        return 1 - share_in(formula.extras[_index(line, len(formula.extras))].kind, "water")
    if line.startswith("soakers."):
        _percent_of(formula, line)
        _, number, _, place = line.split(".")
        return 1 - share_in(formula.soakers[int(number)].extras[int(place)].kind, "water")
    return 1.0


def _unknown(line: str) -> CraftError:
    return CraftError("line", "formula-line-unknown", line=line)


def _index(line: str, count: int) -> int:
    number = line.split(".")[1]
    if not number.isdigit() or int(number) >= count:
        raise _unknown(line)
    return int(number)


def _at(extras: tuple[Extra, ...], place: int, percent: float) -> tuple[Extra, ...]:
    return (*extras[:place], replace(extras[place], percent=percent), *extras[place + 1 :])


def _with_preferment(formula: Formula, index: int, flour_percent: float) -> Formula:
    changed: Preferment = replace(formula.preferments[index], flour_percent=flour_percent)
    others = formula.preferments
    return replace(formula, preferments=(*others[:index], changed, *others[index + 1 :]))


def with_levain_share(formula: Formula, percent: float) -> Formula:
    """``formula`` with its first levain at ``percent`` of all flour; all flour and water stay as they are.

    Raises CraftError if it has no levain.
    """
    index = next((place for place, one in enumerate(formula.preferments) if one.kind == "levain"), None)
    if index is None:
        raise Infeasible("levain_percent", "formula-no-levain")
    within("levain_percent", limits.LEVAIN_PERCENT, percent)
    return _with_preferment(formula, index, percent)


def with_yeast_beside(formula: Formula, percent: float) -> Formula:
    """``formula`` with ``percent`` of all flour of instant yeast beside its levain.

    Raises CraftError if it has no levain, or yeast already.
    """
    within("yeast_supplement_percent", limits.YEAST_SUPPLEMENT_PERCENT, percent)
    if percent and (formula.leaven != "levain" or formula.yeast_percent):
        raise CraftError("yeast_supplement_percent", "formula-yeast-beside-levain-only")
    return replace(formula, yeast_kind="instant", yeast_percent=percent) if percent else formula


def with_yeast(formula: Formula, percent: float) -> Formula:
    """``formula`` with ``percent`` of all flour of its own kind of yeast in the dough.

    Raises CraftError if its dough has no yeast.
    """
    if not formula.yeast_percent:
        raise CraftError("yeast_percent", "formula-no-dough-yeast")
    within("yeast_percent", limits.ASKED_YEAST_PERCENT, percent)
    return replace(formula, yeast_percent=percent)


def _set_flour_grams(formula: Formula, lock: Lock, index: int, grams: float) -> Formula:
    """One flour's grams: with other flours they make room; alone it is all the flour, and the batch follows it."""
    if len(formula.flours) > 1:
        return settled(_with_flour(formula, index, 100 * grams / flour_g(formula)), lock)
    if lock.kind in ("dough", "count", "tin", "round"):
        raise CraftError(f"flours.{index}", "formula-weight-locked")
    weight = formula.scaling_weight_g * grams / flour_g(formula)
    return replace(formula, scaling_weight_g=weight)


def _with_flour(formula: Formula, index: int, percent: float) -> Formula:
    """One flour at ``percent`` of all flour, the others keeping their proportions in what is left."""
    share = formula.flours[index]
    others = 100 - share.percent
    if len(formula.flours) == 1:
        raise CraftError(f"flours.{index}", "formula-only-flour")
    if not 0 <= percent <= 100:
        raise CraftError(f"flours.{index}", "formula-flour-share", name=share.name, percent=percent)

    def made(place: int, other: FlourShare) -> FlourShare:
        if place == index:
            return replace(other, percent=percent)
        part = other.percent / others if others > 0 else 1 / (len(formula.flours) - 1)
        return replace(other, percent=(100 - percent) * part)

    return replace(formula, flours=tuple(made(place, other) for place, other in enumerate(formula.flours)))
