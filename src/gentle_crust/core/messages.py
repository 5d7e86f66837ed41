"""What the core has to say, as data: a code, and what it is about. Catalogues make sentences of it."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime


@dataclass(frozen=True)
class Message:
    """The code of a message in the catalogues, and its data by name.

    Figures are in C, g, minutes, percent and fractions, whatever the message says; the catalogue chooses how each is
    shown, and the baker's settings in which unit.
    """

    code: str
    data: "tuple[tuple[str, Value], ...]" = ()

    @property
    def values(self) -> "Mapping[str, Value]":
        """Its data by name."""
        return dict(self.data)

    def __bool__(self) -> bool:
        """Whether anything is said."""
        return self.code != "nothing"

    def __str__(self) -> str:
        """For logs: the code and its data, no sentence."""
        return " ".join([self.code, *(f"{name}={value!r}" for name, value in self.data)])


Value = str | float | int | datetime | Message | tuple[str, ...] | tuple[Message, ...]
"""A name or key, a figure in the unit that the message expects, an instant, a part of a sentence, or several."""


def message(code: str, **data: Value) -> Message:
    """A message of that code with its data by name."""
    return Message(code, tuple(data.items()))


def named(name: str) -> Message:
    """A name of the baker's own, as a part of a sentence."""
    return message("named", name=name)


def joined(*parts: Message) -> Message:
    """Sentences that stand one after the other; what says nothing is left out."""
    told = tuple(part for part in parts if part)
    return NOTHING if not told else told[0] if len(told) == 1 else message("sentences", parts=told)


def listed(*parts: Message) -> Message:
    """Parts of a sentence one after the other: flour, water and salt."""
    if len(parts) < 2:
        return parts[0] if parts else NOTHING
    if len(parts) == 2:
        return message("listed-last", first=parts[0], last=parts[1])
    return message("listed", first=parts[0], others=listed(*parts[1:]))


def written(text: str) -> Message:
    """A sentence that no catalogue has: one that was stored, or the steps of a plan, which are not said by code yet."""
    return message("said-before", text=text) if text else NOTHING


NOTHING = Message("nothing")
"""Where there is nothing to say."""
