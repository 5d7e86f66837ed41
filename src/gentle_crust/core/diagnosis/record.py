"""What was logged of a bake, as its diagnosis takes it; whatever is not known is left out."""

from dataclasses import dataclass, fields
from typing import Literal

from gentle_crust.core import limits
from gentle_crust.core.errors import within
from gentle_crust.core.limits import Limit

Leaven = Literal["levain", "yeast", "mixed"]


@dataclass(frozen=True)
class ShareLogged:
    """The loaf's share of its greatest volume as it went into the oven: low (10 %), likely and high (90 %)."""

    low: float
    likely: float
    high: float


@dataclass(frozen=True)
class Record:
    """One bake. Rises are fractions of the gas-free volume, temperatures C, percents over all flour; None: not known.

    ``leaven_vigour`` is 1 for a usual one; ``hydration_over_capacity`` points of water beyond what the flour carries;
    ``soak_min`` minutes that the vessel needs to be within 10 K of the set point; ``steam_min`` minutes until the steam
    was let out or the lid taken off; ``fill_g_per_ml`` dough over the room of its tin.
    """

    dough_c: float | None = None
    room_c: float | None = None
    leaven: Leaven | None = None
    leaven_vigour: float | None = None
    leaven_past_peak_h: float | None = None
    bulk_rise: float | None = None
    bulk_wanted: float | None = None
    bulk_hours: float | None = None
    proof_share: ShareLogged | None = None
    proof_hours: float | None = None
    folds_done: int | None = None
    folds_planned: int | None = None
    kneaded: bool | None = None
    hydration_over_capacity: float | None = None
    salt_percent: float | None = None
    flour_protein: float | None = None
    rye_percent: float | None = None
    shaped: Literal["loose", "good", "tight"] | None = None
    skin: Literal["moist", "dry"] | None = None
    waited_min: float | None = None
    scored: Literal["none", "shallow", "good", "deep"] | None = None
    vessel: str | None = None
    fill_g_per_ml: float | None = None
    preheat_min: float | None = None
    soak_min: float | None = None
    chamber_c: float | None = None
    set_c: float | None = None
    steam: Literal["none", "weak", "good"] | None = None
    steam_min: float | None = None
    baked_min: float | None = None
    core_c: float | None = None
    colour: float | None = None
    base_colour: float | None = None
    loss_fraction: float | None = None
    cooled_min: float | None = None
    bench_flour: Literal["little", "much"] | None = None
    stored: Literal["open", "wrapped", "fridge"] | None = None
    days_old: float | None = None
    seam: Literal["closed", "open"] | None = None
    handled: Literal["gently", "roughly"] | None = None
    core_at_load_c: float | None = None
    mixed_min: float | None = None
    cold_hours: float | None = None
    sugar_percent: float | None = None


_WITHIN = {
    "dough_c": limits.MEASURED_DOUGH_C,
    "room_c": Limit("room", -10, 50, "C"),
    "leaven_vigour": Limit("leavens-vigour", 0, 4, ""),
    "leaven_past_peak_h": Limit("hours-past-the-peak", 0, 240, "h"),
    "bulk_rise": Limit("bulks-rise", -0.5, 6, ""),
    "bulk_wanted": Limit("rise-wanted", 0.02, 6, ""),
    "salt_percent": Limit("salt-logged", 0, 10, "percent_of_flour"),
    "core_c": Limit("core", 0, 110, "C"),
    "chamber_c": Limit("chamber", 0, 560, "C"),
    "set_c": Limit("set-point", 0, 560, "C"),
    "loss_fraction": Limit("loss", 0, 0.6, ""),
}


def check_record(record: Record) -> None:
    """Refuse what no bake has.

    Parameters
    ----------
    record : what was logged

    Returns
    -------
    Nothing; CraftError that names the field.
    """
    for each in fields(record):
        value = getattr(record, each.name)
        if each.name in _WITHIN and value is not None:
            within(f"record.{each.name}", _WITHIN[each.name], value)
