"""Faults as a loaf's sheet shows them to a diagnosis: which are there, and which were looked for and are not."""

from gentle_crust.core.loaf.faults import faults_of
from gentle_crust.core.loaf.sheet import Sheet

NOT_ON_SHEET = ("too_sour", "stuck", "flour_streaks", "dull_crust", "too_open")
"""Faults that a loaf's sheet has no place of its own for."""
SOUR_BEYOND_WISH = 4
"""Sourness (1-5) from which a loaf is called too sour (practice)."""


def faults_seen(sheet: Sheet) -> tuple[str, ...]:
    """Codes of the faults that a sheet shows, those included that follow from its sourness and shine."""
    sour = ("too_sour",) if (sheet.sourness or 0) >= SOUR_BEYOND_WISH else ()
    dull = ("dull_crust",) if sheet.shine is False else ()
    return (*faults_of(sheet), *sour, *dull)


def faults_not_seen(sheet: Sheet, seen: tuple[str, ...]) -> tuple[str, ...]:
    """Codes of the faults that a sheet speaks of and does not show."""
    spoken = (
        ("gummy", sheet.bite), ("spread", sheet.form), ("caved_in", sheet.form), ("pale_top", sheet.top_colour),
        ("dense_tight", sheet.openness), ("no_ear", sheet.scores), ("base_pale", sheet.base_colour),
    )  # fmt: skip
    return tuple(fault for fault, value in spoken if value is not None and fault not in seen)
