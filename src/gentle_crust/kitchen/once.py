"""Costly answers that are reckoned once: everything they depend on is in their key, so they never grow stale."""

from collections.abc import Hashable
from dataclasses import dataclass, field
from typing import Generic, TypeVar

T = TypeVar("T")


@dataclass(frozen=True)
class Known(Generic[T]):
    """A value under a key that names it wholly: compared and hashed by the key alone."""

    key: Hashable
    value: T = field(compare=False, hash=False)
