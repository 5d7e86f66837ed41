"""What goes into the bowl, how a method writes it, and the order in which it goes in."""

from gentle_crust.core.formula.model import Formula
from gentle_crust.core.formula.names import own_name
from gentle_crust.core.formula.scaling import Ingredient
from gentle_crust.core.messages import Message, listed, message, named

ROLES = ("flour", "water", "levain", "preferment", "soaker", "yeast", "salt")
"""What is written by what it is to the dough, in the order in which it usually goes in; all else by its own name."""


def goes_in(formula: Formula) -> tuple[tuple[str, Message], ...]:
    """What goes into the bowl of a formula, as a method writes it, and what it is called."""
    ripened = {"levain" if one.kind == "levain" else "preferment" for one in formula.preferments}
    has = {
        "flour": True,
        "water": True,
        "levain": "levain" in ripened,
        "preferment": "preferment" in ripened,
        "soaker": bool(formula.soakers),
        "yeast": formula.yeast_percent > 0,
        "salt": formula.salt_percent > 0,
    }
    written = [role for role in ROLES if has[role]] + list(dict.fromkeys(extra.name for extra in formula.extras))
    return tuple((each, called(each)) for each in written)


def called(written: str) -> Message:
    """What a method writes of the bowl, as a part of a sentence."""
    return message(f"course-bowl-{written}") if written in ROLES else named(written)


def in_order(written: tuple[str, ...]) -> Message:
    """Several of them, one after the other."""
    return listed(*(called(each) for each in written))


def is_late(line: Ingredient, late: set[str]) -> bool:
    """Whether a line of the dough is worked in later: by its formula, or by what the method writes."""
    return line.late or line.role in late or own_name(line.name) in late
