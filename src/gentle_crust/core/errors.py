"""How the craft says no: one tree, so that whoever catches an error knows what kind of no it was."""

from gentle_crust.core.limits import Limit
from gentle_crust.core.messages import Message, Value, message


class CraftError(ValueError):
    """Something that cannot be done as it was asked.

    ``field`` is the dotted path of the input; ``what`` is the message that says what is wrong and within which limits,
    and whose remedy says what the baker can do about it. The catalogues make sentences of it.
    """

    def __init__(self, field: str, code: str, **data: Value) -> None:
        self.field, self.what = field, message(code, **data)
        super().__init__(f"{field}: {self.what}")


class NotFound(CraftError):
    """There is nothing under the key that was given."""


class Conflict(CraftError):
    """What was asked for contradicts what happened since: somebody else changed it, or it is under way already."""


class OutOfRange(CraftError):
    """A figure outside its limits."""


class Unreadable(CraftError):
    """Something that was sent, or is kept, and is not what its kind holds."""


class Infeasible(CraftError):
    """Every figure is right, and together they cannot be baked."""


def within(field: str, limit: Limit, value: float, name: Message | None = None) -> float:
    """Return ``value`` if it lies inside ``limit``, else raise OutOfRange that names field and limits.

    ``name`` says what the figure is, where that is more than the limit's own code.
    """
    if not limit.low <= value <= limit.high:
        raise OutOfRange(
            field,
            "limit-out-of-range",
            what=name or called(limit),
            value=value,
            low=limit.low,
            high=limit.high,
            unit=limit.unit,
            shown=message(f"unit-{limit.unit or 'none'}"),
        )
    return value


def called(limit: Limit, whose: str = "") -> Message:
    """What a limit's figure is called, and of what."""
    what = message(f"limit-{limit.code}")
    return message("limit-of", what=what, whose=whose) if whose else what
