"""Two versions of a formula side by side, with what differs marked."""

from dataclasses import dataclass

from gentle_crust.core.formula.model import Formula, Preferment, Soaker
from gentle_crust.core.messages import NOTHING, Message, joined, message, named


@dataclass(frozen=True)
class Difference:
    """One line of the comparison; ``before`` or ``after`` says nothing where the line is missing."""

    what: Message
    before: Message
    after: Message
    differs: bool


def _percent(value: float) -> Message:
    return message("line-percent", percent=value)


def formula_lines(formula: Formula) -> dict[Message, Message]:
    """What a formula holds, line by line, in words."""
    lines = {share.name: _percent(share.percent) for share in formula.flours}
    lines[message("line-water")] = _percent(formula.hydration_percent)
    if formula.feel_to_percent is not None:
        lines[message("line-by-feel")] = _percent(formula.feel_to_percent)
    if formula.held_back_percent:
        lines[message("line-held-back")] = _percent(formula.held_back_percent)
    salt = _percent(formula.salt_percent)
    lines[message("line-salt")] = message("line-late", line=salt) if formula.salt_late else salt
    if formula.yeast_percent:
        lines[message(f"yeast-{formula.yeast_kind}")] = _percent(formula.yeast_percent)
    for extra in formula.extras:
        some = _percent(extra.percent)
        lines[named(extra.name)] = message("line-late", line=some) if extra.late else some
    for one in formula.preferments:
        lines[_free(one.name, lines)] = _preferment(one)
    for soaker in formula.soakers:
        lines[_free(named(soaker.name), lines)] = _soaker(soaker)
    lines[message("line-pieces")] = message("line-pieces-of", count=formula.pieces, each=formula.scaling_weight_g)
    lines[message("line-from-the-bowl")] = message("line-warm", warm=formula.dough_c)
    lines[message("line-rest")] = message("line-minutes", minutes=formula.autolyse_min)
    lines[message("line-shape")] = message(f"shape-{formula.shape}")
    lines[message("line-name")] = named(formula.name)
    lines[message("line-note")] = named(formula.note) if formula.note else NOTHING
    return lines


def _free(name: Message, lines: dict[Message, Message]) -> Message:
    """A second levain, or a soaker named like an extra, gets a number."""
    found, number = name, 1
    while found in lines:
        number += 1
        found = message("line-numbered", name=name, number=number)
    return found


def _preferment(one: Preferment) -> Message:
    parts = [message("line-preferment", flour=one.flour_percent, water=one.hydration_percent)]
    parts += [message("line-and-yeast", percent=one.yeast_percent)] if one.yeast_percent else []
    parts += [message("line-and-salt", percent=one.salt_percent)] if one.salt_percent else []
    return joined(*parts)


def _soaker(soaker: Soaker) -> Message:
    inside = [(share.name, share.percent) for share in soaker.flours]
    inside += [(named(extra.name), extra.percent) for extra in soaker.extras]
    parts = [message("line-soaked", name=name, percent=percent) for name, percent in inside]
    code = "line-boiling-water" if soaker.kind == "scald" else "line-soaking-water"
    parts.append(message(code, percent=soaker.water_percent))
    parts += [] if soaker.bound else [message("line-not-bound")]
    return joined(*parts)


def compare(before: Formula, after: Formula) -> tuple[Difference, ...]:
    """All lines of both, in the order of the later one, those only in the earlier one last."""
    old, new = formula_lines(before), formula_lines(after)
    names = [*new, *(name for name in old if name not in new)]
    return tuple(
        Difference(name, old.get(name, NOTHING), new.get(name, NOTHING), old.get(name) != new.get(name))
        for name in names
    )
