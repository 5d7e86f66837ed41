"""The kitchen's habits: what every plan starts from."""

import re
from dataclasses import dataclass, field
from typing import Any

from pydantic import TypeAdapter
from sqlalchemy.orm import Session, sessionmaker

from gentle_crust.core.errors import CraftError, within
from gentle_crust.core.formula.checks import Equipment
from gentle_crust.core.oven.equipment import Oven, Vessel, vessel_row
from gentle_crust.core.oven.kit import row_of
from gentle_crust.core.oven.steps import Tool
from gentle_crust.core.scheduling.clock import Nights, zone_of
from gentle_crust.kitchen.now import Now
from gentle_crust.store.repositories import Kitchens


@dataclass(frozen=True)
class Settings:
    """A kitchen: temperatures C, sleep as HH:MM by its own zone, oven and vessels, and the units to show."""

    name: str = "My kitchen"
    zone: str = "UTC"
    room_day_c: float = 22.0
    room_night_c: float = 19.0
    fridge_c: float = 4.0
    tap_c: float = 14.0
    altitude_m: float = 0.0
    sleep_from: str = "22:30"
    sleep_to: str = "06:30"
    oven: Oven = field(default_factory=Oven)
    vessels: tuple[Vessel, ...] = (
        Vessel("pot", "lidded_cast_iron", "Iron pot", 1),
        Vessel("stone", "stone", "Baking stone", 1),
        Vessel("tin", "tin", "Loaf tins", 2),
        Vessel("tray", "tray", "Tray", 1),
    )
    other_ovens: tuple[Oven, ...] = ()
    """Ovens that are not baked in now."""
    tools: tuple[Tool, ...] = ("lame", "peel")
    """For loading and scoring."""
    steam: tuple[str, ...] = ("hot_pan", "mist_loaf")
    """The ways to steam that there are."""
    paper_c: float | None = 220.0
    """What the baking paper in use bears; None: no paper."""
    fahrenheit: bool = False
    ounces: bool = False
    hot_tap_c: float | None = None
    scale_g: float = 1.0
    """The scale's step."""
    bowl_l: float | None = None
    mixer_dough_g: float | None = None
    """The most dough that the mixer's maker allows."""
    tin_ml: float | None = None
    currency: str = ""
    box_l: float | None = None
    """A straight-sided box for bulk, litres."""
    jar_mm: float | None = None
    """Inner width of a straight sample jar."""

    @property
    def equipment(self) -> Equipment:
        """What formulas are checked against."""
        return Equipment(self.scale_g, self.bowl_l, self.mixer_dough_g, self.tin_ml)


ADAPTER = TypeAdapter(Settings)
_OPTIONAL = (
    ("hot_tap_c", "The hot tap", 25, 75, " C"),
    ("bowl_l", "The bowl", 0.5, 400, " litres"),
    ("mixer_dough_g", "The dough that the mixer takes", 200, 500_000, " g"),
    ("box_l", "The box", 0.5, 200, " litres"),
    ("jar_mm", "The jar's inner width", 15, 150, " mm"),
    ("tin_ml", "The tin's volume", 100, 10_000, " ml"),
)


_OF_VESSEL = (
    ("base_kg", "The weight", 0.1, 60, " kg"),
    ("lid_kg", "The lid's weight", 0.05, 30, " kg"),
    ("inside_l", "The inside", 0.5, 60, " litres"),
    ("rated_c", "The maker's limit", 100, 600, " C"),
    ("knob_c", "The knob's limit", 80, 600, " C"),
)


def hour_of(text: str, field: str) -> float:
    """HH:MM as an hour of the day. Raises CraftError naming ``field``."""
    match = re.fullmatch(r"([01]?\d|2[0-3]):([0-5]\d)", text.strip())
    if not match:
        raise CraftError(field, f"'{text}' is not a time of day.", "Write it as 22:30.")
    return int(match[1]) + int(match[2]) / 60


def check_settings(settings: Settings) -> None:
    """Raise CraftError for what no kitchen has."""
    if not 0 < len(settings.name.strip()) <= 60:
        raise CraftError("name", "The kitchen's name is empty or longer than 60 letters.", "Give it a short name.")
    zone_of(settings.zone)
    within("room_day_c", "The kitchen by day", settings.room_day_c, 5, 40, " C")
    within("room_night_c", "The kitchen by night", settings.room_night_c, 2, 40, " C")
    within("fridge_c", "The fridge", settings.fridge_c, 0, 12, " C")
    within("tap_c", "Tap water", settings.tap_c, 1, 40, " C")
    within("altitude_m", "Altitude", settings.altitude_m, 0, 5000, " m")
    within("scale_g", "The scale's step", settings.scale_g, 0.01, 10, " g")
    for name, words, low, high, unit in _OPTIONAL:
        value = getattr(settings, name)
        if value is not None:
            within(name, words, value, low, high, unit)
    if len(settings.currency) > 8:
        raise CraftError("currency", "The currency is longer than 8 letters.", "Write it as EUR or as its sign.")
    for index, oven in enumerate((settings.oven, *settings.other_ovens)):
        _check_oven(oven, f"other_ovens.{index - 1}" if index else "oven")
    _check_means(settings)
    nights(settings.sleep_from, settings.sleep_to)
    if not settings.vessels:
        raise CraftError("vessels", "There is nothing to bake in.", "Keep at least one vessel.")
    for index, vessel in enumerate(settings.vessels):
        vessel_row(vessel.kind)
        within(f"vessels.{index}.count", "How many of a vessel", vessel.count, 1, 50, "")
        for name, words, low, high, unit in _OF_VESSEL:
            value = getattr(vessel, name)
            if value is not None:
                within(f"vessels.{index}.{name}", f"{words} of {vessel.name}", value, low, high, unit)
        if not 0 < len(vessel.name.strip()) <= 40:
            raise CraftError(
                f"vessels.{index}.name", "A vessel's name is empty or longer than 40 letters.", "Shorten it."
            )


def _check_oven(oven: Oven, path: str) -> None:
    if len(oven.name) > 40:
        raise CraftError(f"{path}.name", "An oven's name is longer than 40 letters.", "Shorten it.")
    within(f"{path}.top_c", "The oven's top temperature", oven.top_c, 150, 500, " C")
    within(f"{path}.volume_l", "The oven's volume", oven.volume_l, 10, 400, " litres")
    within(f"{path}.offset_k", "The oven's difference from its dial", oven.offset_k, -60, 60, " K")
    within(f"{path}.shelves", "Shelves", oven.shelves, 1, 12, "")
    within(f"{path}.shelf_cm2", "The room on a shelf", oven.shelf_cm2, 300, 20_000, " cm2")
    if oven.heater_w is not None:
        within(f"{path}.heater_w", "The heater's power", oven.heater_w, 500, 12_000, " W")
    if oven.heat_up_min is not None:
        within(f"{path}.heat_up_min", "The heat-up time", oven.heat_up_min, 2, 90, " min")


def _check_means(settings: Settings) -> None:
    if len(settings.other_ovens) > 6:
        raise CraftError("other_ovens", "More than seven ovens.", "Take some away.")
    if settings.paper_c is not None:
        within("paper_c", "What the paper bears", settings.paper_c, 150, 300, " C")
    for index, kind in enumerate(settings.steam):
        row_of("steam", f"steam.{index}", "a way to steam", kind)


def nights(sleep_from: str, sleep_to: str) -> Nights:
    """Bedtime and getting up as the core counts them; CraftError if that is no night."""
    found = Nights(hour_of(sleep_from, "sleep_from"), hour_of(sleep_to, "sleep_to"))
    if found.length_h > 14:
        raise CraftError(
            "sleep_to", "Sleep of more than 14 hours leaves no time to bake.", "Give the hours of one night."
        )
    return found


class KitchenSettings:
    """Reads and saves the one kitchen."""

    def __init__(self, sessions: sessionmaker[Session], now: Now) -> None:
        self.sessions, self.now = sessions, now

    def get(self) -> Settings:
        """The kitchen as saved, or as every kitchen begins."""
        with self.sessions() as session:
            body = Kitchens(session).get()
        return Settings() if body is None else ADAPTER.validate_python(body)

    def is_new(self) -> bool:
        """Whether nothing was ever saved."""
        with self.sessions() as session:
            return Kitchens(session).get() is None

    def save(self, settings: Settings) -> Settings:
        """Check and save; returns what was saved."""
        check_settings(settings)
        body: dict[str, Any] = ADAPTER.dump_python(settings, mode="json")
        with self.sessions.begin() as session:
            Kitchens(session).put(body, self.now())
        return settings
