"""Compiles what is stepped of doughs and bakes, so that no question waits for it: ``python -m`` this module."""

from gentle_crust.core.fermentation.dough import Dough, FlourPart, makeup
from gentle_crust.core.fermentation.forecast import Stretch, forecast
from gentle_crust.core.oven.bake import Bake, bake
from gentle_crust.core.oven.kit import InVessel, OvenHeat, OvenStage, Preheat
from gentle_crust.core.oven.loaf import Loaf


def warm() -> None:
    """Let one dough rise, and bake one roll."""
    dough = makeup(Dough((FlourPart("strong_white", 100),), 65, 2, levain_g=20))
    forecast(dough, 24, (Stretch(6, 23, "covered_bowl"),), (0.5,))
    bake(Bake(Loaf(90, shape="roll"), InVessel("tray"), OvenHeat(), Preheat(200, 10), (OvenStage(5, 200),)))


if __name__ == "__main__":
    warm()
