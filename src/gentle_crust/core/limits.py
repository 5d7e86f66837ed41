"""Between what every figure lies that a baker or a program can give: declared once, read by checks, API and fields."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Limit:
    """What a figure is, and the least and greatest that it can be, in ``unit``."""

    words: str
    low: float
    high: float
    unit: str = ""

    @property
    def shown_unit(self) -> str:
        """The unit as it follows a figure."""
        return f" {self.unit}" if self.unit else ""


ALTITUDE_M = Limit("Altitude", 0, 5000, "m")
AMBIENT_C = Limit("The surroundings", -5, 50, "C")
ANY_SCALE_G = Limit("The scale's step", 0.001, 100, "g")
ASKED_RISE = Limit("The rise", 0.05, 3, "(1 is doubled)")
ASKED_YEAST_PERCENT = Limit("The dough's yeast", 0.01, 5, "% of the flour")
AUTOLYSE_MIN = Limit("The flour and water rest", 0, 240, "min")
BAKERY_C = Limit("The room", -10, 45, "C")
BOWL_C = Limit("The bowl's temperature", -20, 90, "C")
BOWL_G = Limit("The bowl", 0, 50000, "g")
BOWL_L = Limit("The bowl", 0.2, 400, "litres")
BOWL_LOSS = Limit("Bowl loss", 0, 0.2)
BOX_L = Limit("The box", 0.2, 200, "litres")
COLD_HOURS = Limit("Hours in the fridge", 0, 240, "h")
COLOUR = Limit("The colour", 0, 100)
CORE_C = Limit("The core", 10, 110, "C")
CULTURE_C = Limit("The culture's temperature", 0, 45, "C")
CULTURE_WATER_PERCENT = Limit("The culture's water", 45, 200, "% of its flour")
DIAL_READ_C = Limit("The thermometer", 60, 500, "C")
DIAL_SET_C = Limit("The dial", 60, 500, "C")
DOUGH_C = Limit("Dough temperature", 15, 35, "C")
EMPTY_JAR_G = Limit("The empty jar", 10, 5000, "g")
EVERY_DAYS = Limit("Days between feeds", 1, 60)
EXTRA_PERCENT = Limit("An ingredient", 0, 100, "% of the flour")
FEED_FLOUR_G = Limit("The flour", 1, 20000, "g")
FEED_HOUR = Limit("The hour of the feed", 0, 23.99)
FEED_RATIO = Limit("Parts of flour to one of culture", 1, 20)
FIRED_SOAK_MIN = Limit("The soak", 0, 360, "min")
FIRST_HEIGHT_MM = Limit("The height at first", 3, 500, "mm")
FOLDS = Limit("Sets of folds", 0, 8)
FRIDGE_C = Limit("The fridge", 0, 12, "C")
FRIDGE_DAYS = Limit("Days in the fridge", 0, 3)
HEATER_W = Limit("The heater's power", 500, 12000, "W")
HEAT_UP_MIN = Limit("The heat-up time", 2, 90, "min")
HEAT_UP_READ_C = Limit("The thermometer", 0, 500, "C")
HEAT_UP_READ_MIN = Limit("Minutes", 0, 120, "min")
HYDRATION_PERCENT = Limit("Hydration", 45, 120, "%")
ICE_C = Limit("Ice", -30, 0, "C")
INGREDIENT_C = Limit("The ingredient", -5, 45, "C")
INGREDIENT_G = Limit("The weight", 0, 1_000_000, "g")
JAR_MM = Limit("The jar's inner width", 15, 150, "mm")
KEPT_G = Limit("What is left over", 0, 5000, "g")
KEPT_IN_ALL_G = Limit("The culture kept", 0, 100000, "g")
LATER_DAYS = Limit("Days until they are baked", 1, 3)
LEVAIN_NEEDED_G = Limit("The levain that is needed", 5, 50000, "g")
LEVAIN_PERCENT = Limit("The levain's share", 0.5, 40, "% of the flour")
LEVAIN_WATER = Limit("Levain hydration (water over flour)", 0.4, 2.0)
LEVEL_MM = Limit("The height on the glass", 2, 500, "mm")
LOADED_C = Limit("The dough's temperature at loading", -2, 45, "C")
LOAF_HYDRATION = Limit("Hydration", 0.4, 1.3)
LOCKED_G = Limit("The locked weight", 1, 1_000_000, "g")
MEASURED_DOUGH_C = Limit("The dough's temperature", 0, 45, "C")
MIX_C = Limit("The mix", 5, 35, "C")
OFFSET_K = Limit("The dial's error", -60, 60, "K")
OUT_G = Limit("The weight of a loaf out of the oven", 20, 5000, "g")
OVEN_TOP_C = Limit("The oven's top temperature", 150, 500, "C")
OVEN_VOLUME_L = Limit("The oven's volume", 10, 400, "litres")
PAPER_C = Limit("What the paper bears", 150, 300, "C")
PATH_H = Limit("The whole path", 0.05, 240, "h")
PIECES = Limit("The number of pieces", 1, 100)
PIECES_IN_OVEN = Limit("Pieces", 1, 60)
POOLISH_WATER_PERCENT = Limit("Its water", 45, 130, "% of its flour")
POURED_TAP_C = Limit("Tap water", 0, 45, "C")
PREFERMENTED_PERCENT = Limit("Prefermented flour", 0.5, 60, "% of the flour")
PREFERMENTED_SHARE = Limit("Prefermented flour", 0, 60, "% of the flour")
PREFERMENT_NEEDED_G = Limit("The preferment", 20, 100000, "g")
PREFERMENT_SALT_PERCENT = Limit("Salt of the preferment", 0, 5, "% of its flour")
PREFERMENT_WATER_PERCENT = Limit("Water of the preferment", 45, 150, "%")
PREFERMENT_YEAST_PERCENT = Limit("Yeast of the preferment", 0, 3, "% of its flour")
PREHEAT_MIN = Limit("Preheating", 0, 360, "min")
PRICE_PER_KG = Limit("The price", 0, 1000, "a kilo")
READ_RISE = Limit("The rise", -0.1, 4, "(1 is doubled)")
RISE_TARGET = Limit("A rise target", 0.01, 5)
ROOM_DAY_C = Limit("The kitchen by day", 5, 40, "C")
ROOM_NIGHT_C = Limit("The kitchen by night", 2, 40, "C")
RYE_PERCENT = Limit("Rye", 0, 100, "%")
SALT_PERCENT = Limit("Salt", 0, 5, "% of the flour")
SAMPLE_G = Limit("The sample", 5, 500, "g")
SCALE_G = Limit("The scale's step", 0.01, 10, "g")
SCALING_WEIGHT_G = Limit("Scaling weight", 30, 5000, "g")
SEED_G = Limit("The seed", 0.5, 20000, "g")
SHARE_OF_DOUGH = Limit("The share of the dough", 0, 0.9)
SHARE_OF_GREATEST = Limit("The share of greatest volume", 0, 1.2)
SHELF_CM2 = Limit("The room on a shelf", 300, 20000, "cm2")
SHELVES = Limit("Shelves", 1, 12)
SOAKED_FLOUR_PERCENT = Limit("Flour of the soaker", 0, 60, "% of the flour")
SOAKER_WATER_PERCENT = Limit("Water of the soaker", 0, 100, "% of the flour")
SOUR_NEEDED_G = Limit("The sour that is needed", 50, 50000, "g")
STAGE_MIN = Limit("A stage's minutes", 0.5, 300, "min")
STAND_C = Limit("The warm or cool place", 5, 40, "C")
STEAM_AT_MIN = Limit("Steam's moment", -120, 240, "min")
STEAM_G = Limit("Water for steam", 0, 3000, "g")
STRETCH_H = Limit("A stretch", 0.05, 120, "h")
TAKEN_G = Limit("The culture that was taken", 1, 20000, "g")
TAP_C = Limit("Tap water", 1, 40, "C")
TIN_G_PER_ML = Limit("Dough per ml of tin", 0.2, 1.0, "g")
TIN_ML = Limit("The tin's volume", 100, 10000, "ml")
VERSION_NAME_LETTERS = Limit("A version's name, in letters,", 0, 80)
VESSEL_COUNT = Limit("How many of a vessel", 1, 50)
WARM_PLACE_C = Limit("The warm place", 20, 32, "C")
WEEKDAY = Limit("The day of the week", 0, 6)
YEAST_PERCENT = Limit("Yeast", 0, 5, "% of the flour, as instant yeast")
YEAST_SHARE = Limit("Yeast (as instant)", 0, 5, "% of the flour")
YEAST_SUPPLEMENT_PERCENT = Limit("Yeast beside the levain", 0, 1, "% of the flour")
YEAST_TEST_MIN = Limit("The time since it was stirred", 0, 120, "min")

HOT_TAP_C = Limit("The hot tap", 25, 75, "C")
KITCHEN_BOWL_L = Limit("The bowl", 0.5, 400, "litres")
KITCHEN_BOX_L = Limit("The box", 0.5, 200, "litres")
MIXER_DOUGH_G = Limit("The dough that the mixer takes", 200, 500_000, "g")
VESSEL_BASE_KG = Limit("The weight", 0.1, 60, "kg")
VESSEL_LID_KG = Limit("The lid's weight", 0.05, 30, "kg")
VESSEL_INSIDE_L = Limit("The inside", 0.5, 60, "litres")
VESSEL_RATED_C = Limit("The maker's limit", 100, 600, "C")
VESSEL_KNOB_C = Limit("The knob's limit", 80, 600, "C")
CULTURE_JAR_MM = Limit("The jar's inner width", 25, 300, "mm")
CULTURE_JAR_HEIGHT_MM = Limit("The jar's inner height", 30, 500, "mm")
CULTURE_JAR_ML = Limit("The jar's volume", 50, 10_000, "ml")
ABSORPTION_PERCENT = Limit("Water that it carries", 45, 110, "%")
PROTEIN_PERCENT = Limit("Protein", 3, 20, "%")
ASH_PERCENT = Limit("Ash", 0.2, 3, "%")
WHOLE_GRAIN = Limit("Whole grain", 0, 1)
BAKING_CORE_C = Limit("The core", 0, 110, "C")
BAKING_OVEN_C = Limit("The oven", 50, 500, "C")
HOLD_MIN = Limit("The wait", 1, 720, "min")
SAMPLE_OF = {
    "dough_c": Limit("The dough's thermometer", -30, 120, "C"),
    "room_c": Limit("The room's thermometer", -40, 60, "C"),
    "fridge_c": Limit("The fridge's thermometer", -40, 60, "C"),
    "oven_c": Limit("The oven's thermometer", -20, 600, "C"),
    "scale_g": Limit("The scale", -1000, 100_000, "g"),
    "level_mm": Limit("The level", 0, 2000, "mm"),
}
"""What an instrument can show, by what it measures."""


def all_limits() -> dict[str, Limit]:
    """Every limit by its name."""
    return {name: value for name, value in globals().items() if isinstance(value, Limit)}
