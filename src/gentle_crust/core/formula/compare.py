"""Two versions of a formula side by side, with what differs marked."""

from dataclasses import dataclass

from gentle_crust.core.formula.model import YEAST_NAMES, Formula, Preferment, Soaker


@dataclass(frozen=True)
class Difference:
    """One line of the comparison; ``before`` or ``after`` is empty where the line is missing."""

    what: str
    before: str
    after: str
    differs: bool


def _lines(formula: Formula) -> dict[str, str]:
    lines = {share.name: f"{share.percent:.4g} %" for share in formula.flours}
    lines["Water"] = f"{formula.hydration_percent:.4g} %"
    if formula.feel_to_percent is not None:
        lines["Water, by feel up to"] = f"{formula.feel_to_percent:.4g} %"
    if formula.held_back_percent:
        lines["Water held back"] = f"{formula.held_back_percent:.4g} %"
    lines["Salt"] = f"{formula.salt_percent:.4g} %{', late' if formula.salt_late else ''}"
    if formula.yeast_percent:
        lines[YEAST_NAMES[formula.yeast_kind]] = f"{formula.yeast_percent:.4g} %"
    for extra in formula.extras:
        lines[extra.name] = f"{extra.percent:.4g} %{', late' if extra.late else ''}"
    for one in formula.preferments:
        lines[_free(one.name, lines)] = _preferment(one)
    for soaker in formula.soakers:
        lines[_free(soaker.name, lines)] = _soaker(soaker)
    lines["Pieces"] = f"{formula.pieces} of {formula.scaling_weight_g:.4g} g"
    lines["From the bowl"] = f"{formula.dough_c:g} C"
    lines["Flour and water rest"] = f"{formula.autolyse_min} min"
    lines["Shape"] = formula.shape.replace("_", " ")
    lines["Name"] = formula.name
    lines["Note"] = formula.note
    return lines


def _free(name: str, lines: dict[str, str]) -> str:
    """A second levain, or a soaker named like an extra, gets a number."""
    return next(found for found in (name, *(f"{name} {n}" for n in range(2, 99))) if found not in lines)


def _preferment(one: Preferment) -> str:
    text = f"{one.flour_percent:.4g} % of the flour at {one.hydration_percent:.4g} % water"
    text += f", {one.yeast_percent:.4g} % yeast" if one.yeast_percent else ""
    return text + (f", {one.salt_percent:.4g} % salt" if one.salt_percent else "")


def _soaker(soaker: Soaker) -> str:
    inside = [f"{share.name} {share.percent:.4g} %" for share in soaker.flours]
    inside += [f"{extra.name} {extra.percent:.4g} %" for extra in soaker.extras]
    water = "boiling water" if soaker.kind == "scald" else "water"
    bound = "" if soaker.bound else ", not bound"
    return ", ".join([*inside, f"{water} {soaker.water_percent:.4g} %{bound}"])


def compare(before: Formula, after: Formula) -> tuple[Difference, ...]:
    """All lines of both, in the order of the later one, those only in the earlier one last."""
    old, new = _lines(before), _lines(after)
    names = [*new, *(name for name in old if name not in new)]
    return tuple(
        Difference(name, old.get(name, ""), new.get(name, ""), old.get(name) != new.get(name)) for name in names
    )
