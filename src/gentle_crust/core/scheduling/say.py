"""Quantities in sentences, left for whoever shows them to put in the baker's own units."""


def c(value: float) -> str:
    """A temperature."""
    return f"{{{value:.1f}|c}}"


def g(value: float) -> str:
    """A mass."""
    return f"{{{value:.2f}|g}}"


def clock(iso: str) -> str:
    """An instant."""
    return f"{{{iso}|clock}}"


def duration(minutes: float) -> str:
    """Minutes as a baker says them."""
    whole = round(minutes)
    hours, rest = divmod(whole, 60)
    if not hours:
        return f"{rest} min"
    return f"{hours} h {rest} min" if rest else f"{hours} h"


def together(words: list[str]) -> str:
    """Words as a list in a sentence."""
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " and " + words[-1]


def lower(title: str) -> str:
    """A title within a sentence."""
    return title[0].lower() + title[1:]
