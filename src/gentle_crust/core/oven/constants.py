"""The constants of the bake by section, read once; what each is, its unit and provenance stand in the table."""

from functools import cache
from typing import NamedTuple

from gentle_crust.core.tables import toml


class Crumb(NamedTuple):
    """How crumb and crust carry heat and water."""

    conductivity: float
    conductivity_steam: float
    conductivity_dry: float
    dry_matter_j_kg_k: float
    liquid_m2_s: float


class Skin(NamedTuple):
    """What passes between the loaf and what is around it."""

    emissivity: float
    contact_wet: float
    contact_dry: float
    still: float
    covered: float
    fan: float
    dries: float


class Browning(NamedTuple):
    """How fast a dry skin browns, and what hastens it."""

    rate_per_s: float
    activation_j_mol: float
    dry_below: float
    sugar: float
    milk: float
    malt: float
    cold_per_h: float
    spent: float


class Crust(NamedTuple):
    """How thick a crust is called."""

    share_of_dry: float


class Spring(NamedTuple):
    """What makes a loaf grow in the oven."""

    yeast_per_min: float
    co2: float
    reach: float
    set_c: float


class Chamber(NamedTuple):
    """Air, wall, heater and door of an oven of 55 litres."""

    air_j_k: float
    wall_m2: float
    wall_still: float
    wall_fan: float
    vessel_still: float
    vessel_fan: float
    band_k: float
    heater_to_air: float
    heater_to_air_fan: float
    glow: float
    door_w_k: float
    load_s: float
    grill_w: float
    grill_w_m2: float
    uncover_s: float


class Numbers(NamedTuple):
    """All of them. Compiled code takes these tuples as they are."""

    crumb: Crumb
    skin: Skin
    browning: Browning
    crust: Crust
    spring: Spring
    chamber: Chamber


@cache
def numbers() -> Numbers:
    """The constants as the table has them."""
    return Numbers(
        crumb=Crumb(**_section("crumb")),
        skin=Skin(**_section("skin")),
        browning=Browning(**_section("browning")),
        crust=Crust(**_section("crust")),
        spring=Spring(**_section("spring")),
        chamber=Chamber(**_section("chamber")),
    )


def _section(name: str) -> dict[str, float]:
    return {key: float(entry["value"]) for key, entry in toml("oven")[name].items()}
