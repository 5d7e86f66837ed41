"""The water for one dough: temperature wanted, how to draw it, and the dough that it will really give."""

from dataclasses import dataclass

from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.fermentation.dough import Dough, makeup
from gentle_crust.core.water.balance import (
    FLOUR,
    FRICTION_K,
    OIL,
    SALT,
    SUGAR,
    Part,
    dough_from,
    factor_rule,
    levain_heat,
    water_for,
)
from gentle_crust.core.water.taps import REFUSED_C, WaterWarning, draw, warnings


@dataclass(frozen=True)
class WaterAnswer:
    """``water_c`` is what the balance asks for; ``dough_c`` what tap, kettle and ice can really give."""

    water_c: float
    tap_g: float
    kettle_g: float
    ice_g: float
    dough_c: float
    factor_method_water_c: float
    warnings: tuple[WaterWarning, ...]


@dataclass(frozen=True)
class Pour:
    """Grams of water at one temperature."""

    g: float
    c: float


def parts_of(dough: Dough, flour_c: float, room_c: float, levain_c: float) -> tuple[Part, ...]:
    """All of a dough but its water, with the heat each part brings."""
    flour = sum(part.g for part in dough.flours)
    dry_yeast = dough.instant_yeast_g + dough.active_dry_yeast_g
    return (
        Part(flour, FLOUR, flour_c),
        Part(dough.salt_g, SALT, room_c),
        Part(dough.sugar_g, SUGAR, room_c),
        Part(dough.oil_g, OIL, room_c),
        Part(dry_yeast, FLOUR, room_c),
        Part(dough.fresh_yeast_g, 3.3, room_c),
        Part(dough.levain_g, levain_heat(dough.levain_hydration), levain_c),
    )


def _friction(mixing: str) -> float:
    if mixing not in FRICTION_K:
        raise CraftError(
            "mixing", f"'{mixing}' is not a way of mixing I know.", f"Choose one of {', '.join(FRICTION_K)}."
        )
    return FRICTION_K[mixing]


def _check_temperatures(**temperatures: float) -> None:
    for name, value in temperatures.items():
        within(name, name.removesuffix("_c").replace("_", " ").capitalize() + " temperature", value, -5, 45, " C")


def plan_water(
    dough: Dough,
    flour_c: float,
    room_c: float,
    levain_c: float,
    target_dough_c: float,
    mixing: str,
    tap_c: float,
    altitude_m: float = 0.0,
) -> WaterAnswer:
    """Water for ``target_dough_c`` (C) from these flour, room, levain and tap temperatures (C).

    Raises CraftError if the dough is impossible or would need water above 50 C; the remedy names
    the warmest dough that can be had.
    """
    makeup(dough)
    _check_temperatures(flour_c=flour_c, room_c=room_c, levain_c=levain_c)
    within("target_dough_c", "Dough temperature", target_dough_c, 0, 45, " C")
    within("tap_c", "Tap water", tap_c, 0, 45, " C")
    within("altitude_m", "Altitude", altitude_m, 0, 5000, " m")
    friction = _friction(mixing)
    flour = sum(part.g for part in dough.flours)
    parts = parts_of(dough, flour_c, room_c, levain_c)
    wanted = water_for(target_dough_c, parts, flour, dough.water_g, friction)
    if wanted > REFUSED_C:
        warmest = dough_from(40.0, parts, flour, dough.water_g, friction)
        raise CraftError(
            "target_dough_c",
            f"A dough at {target_dough_c:g} C would need water at {wanted:.0f} C; above 50 C is refused.",
            f"Ask for {warmest:.1f} C or less, or warm the flour.",
        )
    drawn = draw(wanted, dough.water_g, tap_c, altitude_m)
    leaven = "levain" if dough.levain_g else "dry_yeast" if dough.instant_yeast_g + dough.active_dry_yeast_g else "none"
    return WaterAnswer(
        water_c=wanted,
        tap_g=drawn.tap_g,
        kettle_g=drawn.kettle_g,
        ice_g=drawn.ice_g,
        dough_c=dough_from(drawn.water_c, parts, flour, dough.water_g, friction),
        factor_method_water_c=factor_rule(
            target_dough_c, flour_c, room_c, friction, levain_c if dough.levain_g else None
        ),
        warnings=warnings(wanted, drawn, leaven),
    )


def dough_from_waters(
    dough: Dough, flour_c: float, room_c: float, levain_c: float, mixing: str, waters: tuple[Pour, ...]
) -> float:
    """Dough temperature, C, that these waters give together."""
    makeup(dough)
    _check_temperatures(flour_c=flour_c, room_c=room_c, levain_c=levain_c)
    poured = sum(water.g for water in waters)
    if poured <= 0:
        raise CraftError("waters", "No water was poured.", "Give the grams and temperature of each water.")
    if abs(poured - dough.water_g) > max(0.02 * dough.water_g, 1):
        raise CraftError(
            "waters",
            f"The waters add up to {poured:g} g, but the dough takes {dough.water_g:g} g.",
            "Change one or the other until they agree.",
        )
    for index, water in enumerate(waters):
        within(f"waters.{index}.c", "Water", water.c, 0, 100, " C")
        within(f"waters.{index}.g", "Water", water.g, 0, 1_000_000, " g")
    mean = sum(water.g * water.c for water in waters) / poured
    flour = sum(part.g for part in dough.flours)
    return dough_from(mean, parts_of(dough, flour_c, room_c, levain_c), flour, poured, _friction(mixing))
