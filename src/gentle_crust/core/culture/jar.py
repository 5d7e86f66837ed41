"""The jar that a culture lives in: its weight tells how much culture there is, its width how high it stands."""

from dataclasses import dataclass
from math import pi

from gentle_crust.core import limits
from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.tables import constant

FILLED = 0.9
"""Part of a jar that a culture may fill at its highest, before it meets the loose lid (practice)."""
USUAL_DIAMETER_MM = 85.0


@dataclass(frozen=True)
class Jar:
    """A straight jar: its inner width and height, or what it holds; and what it weighs empty, without its lid."""

    empty_g: float | None = None
    diameter_mm: float | None = None
    height_mm: float | None = None
    volume_ml: float | None = None

    @property
    def width_mm(self) -> float:
        """Inner width; from volume and height, or a usual one, if it was not measured."""
        if self.diameter_mm is not None:
            return self.diameter_mm
        if self.volume_ml is not None and self.height_mm is not None:
            return float((4000 * self.volume_ml / pi / self.height_mm) ** 0.5)
        return USUAL_DIAMETER_MM

    @property
    def area_mm2(self) -> float:
        """Inside cross-section."""
        return pi * self.width_mm**2 / 4

    @property
    def holds_ml(self) -> float | None:
        """Volume to the rim; None if neither it nor the height is known."""
        if self.volume_ml is not None:
            return self.volume_ml
        return None if self.height_mm is None else self.area_mm2 * self.height_mm / 1000

    @property
    def rim_mm(self) -> float | None:
        """Inner height; None if it is not known."""
        if self.height_mm is not None:
            return self.height_mm
        return None if self.volume_ml is None else 1000 * self.volume_ml / self.area_mm2


def check_jar(jar: Jar) -> None:
    """Raise CraftError for a jar that nobody has."""
    if jar.diameter_mm is None and jar.volume_ml is None:
        raise CraftError("jar.diameter_mm", "culture-jar-unmeasured")
    for name, limit in (
        ("empty_g", limits.EMPTY_JAR_G),
        ("diameter_mm", limits.CULTURE_JAR_MM),
        ("height_mm", limits.CULTURE_JAR_HEIGHT_MM),
        ("volume_ml", limits.CULTURE_JAR_ML),
    ):
        value = getattr(jar, name)
        if value is not None:
            within(f"jar.{name}", limit, value)


def culture_g(jar: Jar, gross_g: float) -> float:
    """The culture in a jar that weighs ``gross_g`` with it. CraftError if the jar's own weight is unknown, or more."""
    if jar.empty_g is None:
        raise CraftError("gross_g", "culture-jar-never-weighed")
    if gross_g < jar.empty_g:
        raise CraftError("gross_g", "culture-jar-lighter-than-empty", gross_g=gross_g, empty_g=jar.empty_g)
    return gross_g - jar.empty_g


def level_mm(jar: Jar, grams: float, rise: float = 0.0) -> float:
    """How high ``grams`` of culture stand when they have risen by ``rise`` (fraction)."""
    volume_ml = grams / constant("fermentation", "gas", "dough_density_g_per_ml") * (1 + rise)
    return 1000 * volume_ml / jar.area_mm2


def check_height(jar: Jar, height_mm: float, field: str = "height_mm") -> float:
    """A height on the glass. CraftError if it is above the rim, or none at all."""
    rim = jar.rim_mm
    if rim is not None and height_mm > rim + 1:
        raise CraftError(field, "culture-height-beyond-jar", height_mm=height_mm, rim=rim)
    return within(field, limits.LEVEL_MM, height_mm)


def over_the_rim_ml(jar: Jar, grams: float, rise: float) -> float:
    """Millilitres that ``grams`` risen by ``rise`` would need beyond what the jar may be filled with; 0 if it fits."""
    holds = jar.holds_ml
    if holds is None:
        return 0.0
    volume = grams / constant("fermentation", "gas", "dough_density_g_per_ml") * (1 + rise)
    return max(volume - FILLED * holds, 0.0)
