"""The core's own types, read from what is stored or sent and written to it."""

from functools import cached_property
from typing import Any, Generic, TypeVar

from pydantic import TypeAdapter

import gentle_crust.contract.sentences  # noqa: F401 - how messages are written

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
