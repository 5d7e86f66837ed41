"""What to draw, heat or chill so that the water has the temperature that the balance asks for."""

from dataclasses import dataclass

from gentle_crust.core.messages import Message, message

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
    text: Message


@dataclass(frozen=True)
class Taps:
    """Where water comes from: cold tap, hot tap if there is one, kettle (by altitude), and ice.

    ``ice_c`` is 0 for ice that is already melting, -18 straight from a freezer.
    """

    cold_c: float
    hot_c: float | None = None
    ice_c: float = 0.0
    altitude_m: float = 0.0

    @property
    def ice_takes_k(self) -> float:
        """What a gram of ice takes until it is water at 0 C, as K of cooled water: melting, and half for ice's own."""
        return ICE_MELTS_AS_K - self.ice_c / 2


@dataclass(frozen=True)
class Draw:
    """Grams from each source and the temperature they really make together."""

    tap_g: float
    kettle_g: float
    ice_g: float
    water_c: float
    hot_tap_g: float = 0.0


def kettle_c(altitude_m: float = 0.0) -> float:
    """Temperature of kettle water when it reaches the bowl: 5 K below local boiling.

    Parameters
    ----------
    altitude_m : height above the sea, m, 0-5000

    Returns
    -------
    C.
    """
    return 95.0 - altitude_m / 300


def draw(wanted_c: float, water_g: float, taps: Taps) -> Draw:
    """Share ``water_g`` among the taps, kettle and ice for ``wanted_c``; as near as these can come.

    Ice is never more than half of the water. The kettle is only asked where the hot tap is not warm enough.

    Parameters
    ----------
    wanted_c : temperature that is wanted, C
    water_g : water, g
    taps : cold tap, hot tap, ice and kettle: their temperatures, C

    Returns
    -------
    Grams of each, and C of them together.
    """
    cold, hot = taps.cold_c, taps.hot_c
    if wanted_c < cold:
        takes = cold + taps.ice_takes_k
        share = min((cold - wanted_c) / takes, 0.5)
        return Draw(water_g * (1 - share), 0.0, water_g * share, cold - share * takes)
    if hot is not None and cold < wanted_c <= hot:
        share = (wanted_c - cold) / (hot - cold)
        return Draw(water_g * (1 - share), 0.0, 0.0, wanted_c, water_g * share)
    kettle = kettle_c(taps.altitude_m)
    base = hot if hot is not None and wanted_c > hot > cold else cold
    share = min((wanted_c - base) / (kettle - base), 1.0)
    warm, boiled = water_g * (1 - share), water_g * share
    from_hot = warm if base == hot else 0.0
    return Draw(warm - from_hot, boiled, 0.0, base + share * (kettle - base), from_hot)


def harms(water_c: float, leaven: str) -> list[WaterWarning]:
    """Whether water at ``water_c`` harms what raises the dough; ``leaven`` is levain, dry_yeast or none.

    Parameters
    ----------
    water_c : temperature of the water, C, 0-100
    leaven : what raises it: levain, yeast or mixed

    Returns
    -------
    Warnings.
    """
    if leaven == "dry_yeast" and water_c > YEAST_DIES_C:
        return [WaterWarning("yeast_dies", message("water-kills-yeast"))]
    if leaven == "levain" and water_c > LEVAIN_SUFFERS_C:
        return [WaterWarning("levain_suffers", message("water-harms-levain"))]
    if leaven == "dry_yeast" and water_c < SLEEPY_YEAST_C:
        return [WaterWarning("yeast_sleepy", message("water-sleepy-yeast"))]
    return []


def warnings(wanted_c: float, drawn: Draw, leaven: str) -> tuple[WaterWarning, ...]:
    """What to be careful with; ``leaven`` is levain, dry_yeast or none.

    Parameters
    ----------
    wanted_c : temperature that is wanted, C
    drawn : water as it can be drawn
    leaven : what raises it: levain, yeast or mixed

    Returns
    -------
    Warnings.
    """
    if wanted_c > REFUSED_C:
        found = [WaterWarning("water_too_hot", message("water-hotter-than-any-dough"))]
    else:
        found = harms(drawn.water_c, leaven)
    if drawn.kettle_g > 0:
        found.append(WaterWarning("kettle_scalds", message("water-kettle-scalds")))
    if drawn.water_c - wanted_c > 0.5:
        found.append(WaterWarning("chill_flour", message("water-chill-flour")))
    return tuple(found)
