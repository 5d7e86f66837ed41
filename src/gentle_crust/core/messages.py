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

    def __str__(self) -> str:
        """For logs: the code and its data, no sentence."""
        return " ".join([self.code, *(f"{name}={value!r}" for name, value in self.data)])


Value = str | float | int | datetime | tuple[str, ...] | Message
"""A name or key, a figure in the unit that the message expects, an instant, several names, a part of a sentence."""


def message(code: str, **data: Value) -> Message:
    """A message of that code with its data by name."""
    return Message(code, tuple(data.items()))


def named(name: str) -> Message:
    """A name of the baker's own, as a part of a sentence."""
    return message("named", name=name)
