"""The core's own types, read from what is stored or sent and written to it."""

from collections.abc import Callable
from functools import cached_property
from typing import Any, Generic, TypeVar

from pydantic import TypeAdapter, ValidationError

import gentle_crust.contract.sentences  # noqa: F401 - how messages are written
from gentle_crust.contract.problem import of_validation
from gentle_crust.core.errors import CraftError

T = TypeVar("T")


class Adapted(Generic[T]):
    """One of the core's types; what reads and writes it is made when it is first wanted, not at the start."""

    def __init__(self, kind: Any) -> None:
        self.kind = kind

    @cached_property
    def adapter(self) -> TypeAdapter[T]:
        """What pydantic makes of it."""
        return TypeAdapter(self.kind)

    def read(self, value: Any) -> T:
        """From what JSON holds. Raises pydantic's ValidationError."""
        return self.adapter.validate_python(value)

    def write(self, value: T) -> Any:
        """As JSON holds it."""
        return self.adapter.dump_python(value, mode="json")


def as_declared(read: Callable[[Any], T], value: Any, name: str) -> T:
    """``value`` as it is declared. Raises CraftError, naming the part of it that is wrong."""
    try:
        return read(value)
    except ValidationError as error:
        first = of_validation(error)[0]
        field = name if first.field == "body" else f"{name}.{first.field}"
        raise CraftError(
            field, "contract-not-as-declared-in", name=name, sentence=first.sentence, remedy=first.remedy
        ) from error
