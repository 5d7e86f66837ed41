"""Functions that are compiled when the first of them is called: the compiler is large, and most starts need no bake."""

import sys
import threading
from collections.abc import Callable, Mapping
from typing import Any, TypeVar, cast

F = TypeVar("F", bound=Callable[..., Any])
_LOCK = threading.Lock()
_LOOSE = {"contract", "reassoc", "arcp", "nsz", "afn"}
"""Sums may be put in another order and divisions be made products; what is no number stays so."""
_KNOWN: "list[_Compiled]" = []


class _Compiled:
    """Stands for a function until it is compiled."""

    def __init__(self, function: Callable[..., Any], nogil: bool) -> None:
        self.function, self.nogil = function, nogil
        self.done: Callable[..., Any] | None = None
        _KNOWN.append(self)

    def __call__(self, *arguments: Any) -> Any:
        """The function's answer; all that are known are compiled first."""
        if self.done is None:
            _compile()
        return cast("Callable[..., Any]", self.done)(*arguments)


def compiled(nogil: bool = False) -> Callable[[F], F]:
    """A function of numbers and arrays that runs as machine code, kept on disk once it is made.

    With ``nogil`` other threads go on meanwhile. It may call others that are compiled, defined before it.
    """

    def stand_in(function: F) -> F:
        return cast("F", _Compiled(function, nogil))

    return stand_in


def _compile() -> None:
    """Compile every function that is known, and put it where its stand-in is named."""
    from numba import njit

    with _LOCK:
        made = {
            each: njit(cache=True, nogil=each.nogil, fastmath=_LOOSE, error_model="numpy")(each.function)
            for each in _KNOWN
            if each.done is None
        }
        for name, module in list(sys.modules.items()):
            if name.startswith("gentle_crust.core."):
                _put_in_place(vars(module), made)
        for each, done in made.items():  # only now: one that is called meanwhile must not find a stand-in inside
            each.done = done


def _put_in_place(names: dict[str, Any], made: Mapping[_Compiled, Callable[..., Any]]) -> None:
    for name, value in list(names.items()):
        if isinstance(value, _Compiled):
            names[name] = value.done or made[value]
