"""How the craft says no."""


class CraftError(ValueError):
    """A value the craft cannot work with.

    ``field`` is the dotted path of the input, ``sentence`` says what is wrong and within which
    limits, ``remedy`` what the baker can do about it.
    """

    def __init__(self, field: str, sentence: str, remedy: str = "") -> None:
        super().__init__(f"{sentence} {remedy}".strip())
        self.field = field
        self.sentence = sentence
        self.remedy = remedy


def within(field: str, name: str, value: float, low: float, high: float, unit: str) -> float:
    """Return ``value`` if it lies in low..high, else raise a CraftError that names field and limits."""
    if not low <= value <= high:
        raise CraftError(
            field,
            f"{name} is {value:g}{unit}, but must be between {low:g} and {high:g}{unit}.",
            f"Give a value from {low:g} to {high:g}{unit}.",
        )
    return value
