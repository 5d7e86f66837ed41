"""The kitchen's habits: what every plan starts from."""

import logging
import re
from dataclasses import dataclass, replace

from gentle_crust.config import config
from gentle_crust.contract.documents import KITCHEN
from gentle_crust.contract.kitchen import Settings
from gentle_crust.core import limits
from gentle_crust.core.clock import Nights, Room, usual_day, zone_of
from gentle_crust.core.errors import CraftError, Unreadable, called, within
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.messages import message
from gentle_crust.core.oven.equipment import Oven, vessel_row
from gentle_crust.core.oven.kit import row_of
from gentle_crust.kitchen.one_document import OneDocument
from gentle_crust.kitchen.work import Work
from gentle_crust.store.repositories import Kitchens
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import say

LOG = logging.getLogger(__name__)
NOON_H = 12.0
_OPTIONAL = {
    "hot_tap_c": limits.HOT_TAP_C, "bowl_l": limits.KITCHEN_BOWL_L, "mixer_dough_g": limits.MIXER_DOUGH_G,
    "box_l": limits.KITCHEN_BOX_L, "jar_mm": limits.JAR_MM, "tin_ml": limits.TIN_ML,
    "fridge_l": limits.KITCHEN_FRIDGE_L,
}  # fmt: skip
_OF_VESSEL = {
    "base_kg": limits.VESSEL_BASE_KG, "lid_kg": limits.VESSEL_LID_KG, "inside_l": limits.VESSEL_INSIDE_L,
    "rated_c": limits.VESSEL_RATED_C, "knob_c": limits.VESSEL_KNOB_C,
}  # fmt: skip


def hour_of(text: str, field: str) -> float:
    """HH:MM as an hour of the day. Raises CraftError naming ``field``."""
    match = re.fullmatch(r"([01]?\d|2[0-3]):([0-5]\d)", text.strip())
    if not match:
        raise Unreadable(field, "kitchen-hour-unreadable", text=text)
    return int(match[1]) + int(match[2]) / 60


def check_settings(settings: Settings) -> None:
    """Raise CraftError for what no kitchen has."""
    if not 0 < len(settings.name.strip()) <= 60:
        raise CraftError("name", "kitchen-name-length")
    zone_of(settings.zone)
    within("room_day_c", limits.ROOM_DAY_C, settings.room_day_c)
    within("room_night_c", limits.ROOM_NIGHT_C, settings.room_night_c)
    within("fridge_c", limits.FRIDGE_C, settings.fridge_c)
    within("tap_c", limits.TAP_C, settings.tap_c)
    within("altitude_m", limits.ALTITUDE_M, settings.altitude_m)
    within("scale_g", limits.SCALE_G, settings.scale_g)
    for name, limit in _OPTIONAL.items():
        value = getattr(settings, name)
        if value is not None:
            within(name, limit, value)
    if len(settings.currency) > 8:
        raise CraftError("currency", "kitchen-currency-length")
    for index, oven in enumerate((settings.oven, *settings.other_ovens)):
        _check_oven(oven, f"other_ovens.{index - 1}" if index else "oven")
    _check_means(settings)
    check_measures(settings.measures)
    nights(settings.sleep_from, settings.sleep_to)
    if not settings.vessels:
        raise CraftError("vessels", "kitchen-nothing-to-bake")
    for index, vessel in enumerate(settings.vessels):
        vessel_row(vessel.kind)
        within(f"vessels.{index}.count", limits.VESSEL_COUNT, vessel.count)
        for name, limit in _OF_VESSEL.items():
            value = getattr(vessel, name)
            if value is not None:
                within(f"vessels.{index}.{name}", limit, value, called(limit, vessel.name))
        if not 0 < len(vessel.name.strip()) <= 40:
            raise CraftError(f"vessels.{index}.name", "kitchen-vessel-name-length")


def _check_oven(oven: Oven, path: str) -> None:
    if len(oven.name) > 40:
        raise CraftError(f"{path}.name", "kitchen-oven-name-length")
    within(f"{path}.top_c", limits.OVEN_TOP_C, oven.top_c)
    within(f"{path}.volume_l", limits.OVEN_VOLUME_L, oven.volume_l)
    within(f"{path}.offset_k", limits.OFFSET_K, oven.offset_k, message("limit-offset-of-the-dial"))
    within(f"{path}.shelves", limits.SHELVES, oven.shelves)
    within(f"{path}.shelf_cm2", limits.SHELF_CM2, oven.shelf_cm2)
    if oven.heater_w is not None:
        within(f"{path}.heater_w", limits.HEATER_W, oven.heater_w)
    if oven.heat_up_min is not None:
        within(f"{path}.heat_up_min", limits.HEAT_UP_MIN, oven.heat_up_min)


def _check_means(settings: Settings) -> None:
    if len(settings.other_ovens) > 6:
        raise CraftError("other_ovens", "kitchen-too-many-ovens")
    if settings.paper_c is not None:
        within("paper_c", limits.PAPER_C, settings.paper_c)
    for index, kind in enumerate(settings.steam):
        row_of("steam", f"steam.{index}", kind)


def check_measures(measures: Habits) -> None:
    """Raise CraftError for a cup or a spoon that no kitchen has."""
    within("cup_ml", limits.CUP_ML, measures.cup_ml)
    if measures.cup_flour_g is not None:
        within("cup_flour_g", limits.CUP_FLOUR_G, measures.cup_flour_g)
    if measures.teaspoon_salt_g is not None:
        within("teaspoon_salt_g", limits.TEASPOON_SALT_G, measures.teaspoon_salt_g)


def nights(sleep_from: str, sleep_to: str) -> Nights:
    """Bedtime and getting up as the core counts them; CraftError if that is no night."""
    found = Nights(hour_of(sleep_from, "sleep_from"), hour_of(sleep_to, "sleep_to"))
    if found.length_h > 14:
        raise CraftError("sleep_to", "kitchen-sleep-length")
    return found


@dataclass(frozen=True)
class UsualDay:
    """A day of the kitchen from noon (12) to noon (36): its warmth, and when the baker sleeps."""

    hours: tuple[float, ...]
    room_c: tuple[float, ...]
    asleep_from_h: float
    asleep_to_h: float


def day_of(room_day_c: float, room_night_c: float, sleep_from: str, sleep_to: str) -> UsualDay:
    """The day that these habits make; CraftError for what no kitchen has."""
    within("room_day_c", limits.ROOM_DAY_C, room_day_c)
    within("room_night_c", limits.ROOM_NIGHT_C, room_night_c)
    asleep = nights(sleep_from, sleep_to)
    hours, warmth = usual_day(Room(room_day_c, room_night_c, 0.0), asleep)
    begins = asleep.start_h + (24 if asleep.start_h < NOON_H else 0)
    return UsualDay(tuple(hours.tolist()), tuple(warmth.tolist()), begins, begins + asleep.length_h)


class KitchenSettings(OneDocument[Settings]):
    """Reads and saves the one kitchen."""

    kind, document, rows = "kitchen", KITCHEN, Kitchens

    def begins(self) -> Settings:
        """As every kitchen begins, its first names in the language of the program."""
        first, names = Settings(), Reading(language=config().language)

        def begun(code: str) -> str:
            return say(message(f"kitchen-first-{code}"), names).sentence

        vessels = tuple(replace(each, name=begun(each.id)) for each in first.vessels)
        return replace(first, name=begun("name"), vessels=vessels)

    def check(self, value: Settings) -> None:
        """Raise CraftError for what no kitchen has."""
        check_settings(value)

    def is_new(self) -> bool:
        """Whether nothing was ever saved."""
        with self.work.read() as session:
            return Kitchens(session).get() is None


def reading_of(work: Work) -> Reading:
    """How the baker of this kitchen reads figures; in C and g while the kitchen itself cannot be read."""
    try:
        kept = KitchenSettings(work).get()
    except Exception:
        LOG.exception("the kitchen's units cannot be read")
        return Reading()
    return Reading(kept.fahrenheit, kept.ounces, kept.zone, kept.scale_g)
