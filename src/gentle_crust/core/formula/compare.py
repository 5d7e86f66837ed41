"""Two versions of a formula side by side, with what differs marked."""

from dataclasses import dataclass

from gentle_crust.core.formula.model import Formula, flour_name


@dataclass(frozen=True)
class Difference:
    """One line of the comparison; ``before`` or ``after`` is empty where the line is missing."""

    what: str
    before: str
    after: str
    differs: bool


def _lines(formula: Formula) -> dict[str, str]:
    lines = {flour_name(share.kind): f"{share.percent:g} %" for share in formula.flours}
    lines["Water"] = f"{formula.hydration_percent:g} %"
    lines["Salt"] = f"{formula.salt_percent:g} %"
    if formula.instant_yeast_percent:
        lines["Instant yeast"] = f"{formula.instant_yeast_percent:g} %"
    for extra in formula.extras:
        lines[extra.name] = f"{extra.percent:g} %"
    if formula.preferment:
        one = formula.preferment
        lines[one.kind.capitalize()] = f"{one.flour_percent:g} % of the flour at {one.hydration_percent:g} % water"
        if one.yeast_percent:
            lines[f"Yeast in the {one.kind}"] = f"{one.yeast_percent:g} %"
    lines["Pieces"] = f"{formula.pieces} of {formula.scaling_weight_g:g} g"
    lines["From the bowl"] = f"{formula.dough_c:g} C"
    lines["Flour and water rest"] = f"{formula.autolyse_min} min"
    lines["Shape"] = formula.shape.replace("_", " ")
    lines["Name"] = formula.name
    lines["Note"] = formula.note
    return lines


def compare(before: Formula, after: Formula) -> tuple[Difference, ...]:
    """All lines of both, in the order of the later one, those only in the earlier one last."""
    old, new = _lines(before), _lines(after)
    names = [*new, *(name for name in old if name not in new)]
    return tuple(
        Difference(name, old.get(name, ""), new.get(name, ""), old.get(name) != new.get(name)) for name in names
    )
