"""A written recipe as it was read."""

from dataclasses import dataclass, field
from typing import Any

from gentle_crust.core.formula.measures import Grams
from gentle_crust.core.formula.model import Formula, YeastKind
from gentle_crust.core.messages import Message


@dataclass(frozen=True)
class ReadLine:
    """One line as it was read. ``why`` says how the grams came about, or what is in doubt."""

    text: str
    ingredient: str
    role: str
    kind: str
    g: Grams
    why: Message


@dataclass(frozen=True)
class ReadWarning:
    """A doubt about a recipe: a stable code and a sentence."""

    code: str
    text: Message


@dataclass(frozen=True)
class Reading:
    """A recipe's lines as read: their grams, percentages over all flour, doubts, and what could not be read."""

    items: tuple[ReadLine, ...]
    percent: dict[str, Grams]
    warnings: tuple[ReadWarning, ...]
    unread: tuple[str, ...]


@dataclass(frozen=True)
class ReadItem:
    """One ingredient of a recipe read whole. ``stage``: the id of a stage of the method, or "final".

    ``role``: flour, water, salt, yeast, levain or extra; ``aside``: not in the dough (a glaze, flour for dusting);
    ``of_stage``: a stage that goes in whole ("all of the poolish"), its weight counted there.
    """

    text: str
    stage: str
    ingredient: str
    role: str
    kind: str
    g: Grams
    why: Message


@dataclass(frozen=True)
class ReadSentence:
    """One sentence of the method: the id of the stage it became, what was taken from it, and the words left over.

    ``stages``: all the stages it became, if they are several.
    """

    text: str
    stage: str | None
    took: dict[str, Any]
    unread: str
    stages: tuple[str, ...] = ()


@dataclass(frozen=True)
class ReadQuestion:
    """What is to be asked: of the item or of the sentence of that place in its list, with the choices."""

    code: str
    item: int | None
    sentence: int | None
    text: Message
    choices: tuple[Message, ...]


@dataclass(frozen=True)
class ItemFix:
    """What the baker says of an item, by its text: another stage, its grams, which yeast, or that it is left out."""

    text: str
    stage: str | None = None
    g: float | None = None
    yeast: YeastKind | None = None
    out: bool = False


@dataclass(frozen=True)
class SentenceFix:
    """What the baker says of a sentence, by its text: the kind of its stage, or "none" if nothing happens in it."""

    text: str
    kind: str


@dataclass(frozen=True)
class Fixes:
    """All that a baker has put right of a reading."""

    items: tuple[ItemFix, ...] = ()
    sentences: tuple[SentenceFix, ...] = ()


@dataclass(frozen=True)
class Recipe:
    """A recipe read whole: the formula and the method that it says, likeliest reading first; None without flour."""

    formula: Formula | None
    method: dict[str, Any] | None
    items: tuple[ReadItem, ...]
    sentences: tuple[ReadSentence, ...]
    questions: tuple[ReadQuestion, ...]
    unread: tuple[str, ...]
    warnings: tuple[ReadWarning, ...]
    percent: dict[str, Grams] = field(default_factory=dict)
