"""What to draw, heat or chill so that the water has the temperature that the balance asks for."""

from dataclasses import dataclass

ICE_MELTS_AS_K = 80.0
"""Melting a gram of ice takes what cooling a gram of water by this much takes (literature)."""
YEAST_DIES_C = 43.0
LEVAIN_SUFFERS_C = 35.0
REFUSED_C = 50.0
SLEEPY_YEAST_C = 15.0


@dataclass(frozen=True)
class WaterWarning:
    """A caution that belongs to the water: a stable code and a sentence."""

    code: str
    text: str


@dataclass(frozen=True)
class Draw:
    """Grams from each source and the temperature they really make together."""

    tap_g: float
    kettle_g: float
    ice_g: float
    water_c: float


def kettle_c(altitude_m: float = 0.0) -> float:
    """Temperature of kettle water when it reaches the bowl: 5 K below local boiling."""
    return 95.0 - altitude_m / 300


def draw(wanted_c: float, water_g: float, tap_c: float, altitude_m: float = 0.0) -> Draw:
    """Share ``water_g`` among tap, kettle and ice for ``wanted_c``; as near as these three can come.

    Ice is straight from the melting point and never more than half of the water.
    """
    if wanted_c >= tap_c:
        hot = kettle_c(altitude_m)
        share = min((wanted_c - tap_c) / (hot - tap_c), 1.0)
        return Draw(water_g * (1 - share), water_g * share, 0.0, tap_c + share * (hot - tap_c))
    share = min((tap_c - wanted_c) / (tap_c + ICE_MELTS_AS_K), 0.5)
    return Draw(water_g * (1 - share), 0.0, water_g * share, tap_c - share * (tap_c + ICE_MELTS_AS_K))


def warnings(wanted_c: float, drawn: Draw, leaven: str) -> tuple[WaterWarning, ...]:
    """What to be careful with; ``leaven`` is levain, dry_yeast or none."""
    found: list[WaterWarning] = []
    if wanted_c > REFUSED_C:
        found.append(WaterWarning("water_too_hot", "Above 50 C (122 F) is too hot for any dough: take a cooler dough."))
    elif leaven == "dry_yeast" and drawn.water_c > YEAST_DIES_C:
        found.append(
            WaterWarning(
                "yeast_dies", "Water above 43 C (109 F) kills dry yeast: mix water and flour first, yeast afterwards."
            )
        )
    elif leaven == "levain" and drawn.water_c > LEVAIN_SUFFERS_C:
        found.append(
            WaterWarning(
                "levain_suffers",
                "Water above 35 C (95 F) harms a levain: mix water and flour first, levain afterwards.",
            )
        )
    if leaven == "dry_yeast" and drawn.water_c < SLEEPY_YEAST_C:
        found.append(
            WaterWarning(
                "yeast_sleepy",
                "Dry yeast wakes badly in water below 15 C (59 F): rub it into the flour, not the water.",
            )
        )
    if drawn.kettle_g > 0:
        found.append(
            WaterWarning(
                "kettle_scalds", "Kettle water scalds: pour it into the cold water, and stir before it meets the flour."
            )
        )
    if drawn.water_c - wanted_c > 0.5:
        found.append(WaterWarning("chill_flour", "Half ice is not cold enough: put the flour in the fridge as well."))
    return tuple(found)
