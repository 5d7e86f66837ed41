"""How the craft says no: one tree, so that whoever catches an error knows what kind of no it was."""

from gentle_crust.core.limits import Limit


class CraftError(ValueError):
    """Something that cannot be done as it was asked.

    ``field`` is the dotted path of the input, ``sentence`` says what is wrong and within which
    limits, ``remedy`` what the baker can do about it.
    """

    def __init__(self, field: str, sentence: str, remedy: str = "") -> None:
        super().__init__(f"{sentence} {remedy}".strip())
        self.field = field
        self.sentence = sentence
        self.remedy = remedy


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


def within(field: str, limit: Limit, value: float, name: str = "") -> float:
    """Return ``value`` if it lies inside ``limit``, else raise OutOfRange that names field and limits.

    ``name`` says what the figure is, where that is more than the limit's own words.
    """
    if not limit.low <= value <= limit.high:
        low, high, unit = limit.low, limit.high, limit.shown_unit
        raise OutOfRange(
            field,
            f"{name or limit.words} is {value:g}{unit}, but must be between {low:g} and {high:g}{unit}.",
            f"Give a value from {low:g} to {high:g}{unit}.",
        )
    return value
