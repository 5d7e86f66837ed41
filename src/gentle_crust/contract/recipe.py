"""A written recipe as it was read."""

from dataclasses import dataclass

from gentle_crust.core.formula.measures import Grams


@dataclass(frozen=True)
class ReadLine:
    """One line as it was read. ``why`` says how the grams came about, or what is in doubt."""

    text: str
    ingredient: str
    role: str
    kind: str
    g: Grams
    why: str


@dataclass(frozen=True)
class ReadWarning:
    """A doubt about a recipe: a stable code and a sentence."""

    code: str
    text: str
